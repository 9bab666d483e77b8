"""How big a thing is drawn, in mm."""

from core.materials import Ball, Box, Disc, Ring, Rod, Thing


def size_mm(thing: Thing) -> tuple[float, float]:
    """The width and height a thing takes from above, in mm."""
    if "post" in thing.forms:
        return 90.0, 90.0
    match thing.shape:
        case Ball(d):
            return d, d
        case Disc(d, _):
            return d, d
        case Ring(outer, _, _):
            return outer, outer
        case Rod(d, long):
            standing = bool(thing.forms & STANDS)
            return (d, d) if standing or long < 0.7 * d else (long, d)
        case Box(long, wide, _):
            return long, wide


def grip_mm(thing: Thing) -> float:
    """How far apart the fingertips are that hold it: its smaller side, a loop's thickness."""
    match thing.shape:
        case Ball(d):
            return d
        case Ring(outer, inner, thick):
            return min(thick, (outer - inner) / 2) if thick < 12 else (outer - inner) / 2
        case Rod(d, long) | Disc(d, long):
            return min(d, long)
        case Box(_, wide, high):
            return min(wide, high)


STANDS = frozenset(
    {
        "container",
        "slot_lid",
        "post",
        "cup",
        "lid_pot",
        "pump",
        "carton",
        "bubble_pot",
        "water",
        "plate",
        "paint",
        "spread",
    }
)


def pot_size(thing: Thing) -> tuple[float, float]:
    """The width and height of a pot from the side."""
    match thing.shape:
        case Rod(d, long):
            return d, long
        case Box(long, wide, high):
            return (long, high) if long < 220 else (wide, high)
        case Ball(d):
            return d, d
        case _:
            return 100, 80
