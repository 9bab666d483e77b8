"""Whether things fit each other: through an opening, on a line, on a post, into a pot. Sizes in mm.

Common practice, no source, for the room to spare; the geometry is of boxes, balls and rods.
"""

from math import inf

from core.library import Fit
from core.materials import Thing

KNOT_MM = 80  # mm of a line left free for the fingers and the stop; from memory
TOP_MM = 10  # mm of a post left free at its top; from memory
SQUASHED = 0.7  # of its size is what a soft thing is pressed to; from memory
PACKING = 1.6  # times its own volume is what a loose thing takes up; random packing fills about 0.62 (from memory)
STANDS_OUT = 1.5  # times the depth of a cup a piece may be long: taller, it tips out; from memory
POT_ROOM = 0.7  # of its outside is what a pot holds; from memory


def room(fit: Fit, outer: Thing, inner: Thing) -> float:
    """Return how many of the inner thing the outer one takes at once: 0 where they do not fit, infinity for any."""
    return _ROOMS[fit.kind](fit, outer, inner)


def _clears(fit: Fit, outer: Thing, inner: Thing) -> float:
    gap, width = getattr(outer, fit.gap), getattr(inner, fit.width)
    return inf if gap is not None and width is not None and gap >= width + fit.spare_mm else 0


def _passes(fit: Fit, outer: Thing, inner: Thing) -> float:
    """Through a slot by both smaller sides, through a round hole by the diagonal of what goes in first."""
    if outer.opening_mm is None:
        return 0
    squashed = SQUASHED if inner.soft else 1
    if outer.slit_mm is not None:
        wide, thin = (s * squashed for s in inner.smaller_sides_mm)
        ok = thin + fit.spare_mm <= outer.opening_mm and wide + fit.spare_mm <= outer.slit_mm
    else:
        ok = inner.shape.girth_mm * squashed + fit.spare_mm <= outer.opening_mm
    return inf if ok else 0


def _strings(fit: Fit, outer: Thing, inner: Thing) -> float:
    if inner.hole_mm is None or outer.cord_width_mm is None or outer.cord_mm is None:
        return 0
    if inner.hole_mm < outer.cord_width_mm + fit.spare_mm:
        return 0
    return max(0, (outer.cord_mm - KNOT_MM) // inner.shape.along_mm)


def _stacks(fit: Fit, outer: Thing, inner: Thing) -> float:
    if inner.hole_mm is None or inner.hole_mm < outer.size_mm + fit.spare_mm:
        return 0
    return max(0, (outer.longest_mm - TOP_MM) // inner.shape.along_mm)


def _holds(fit: Fit, outer: Thing, inner: Thing) -> float:
    if outer.opening_mm is None:
        return 0
    squashed = SQUASHED if inner.soft else 1
    if inner.shape.girth_mm * squashed + fit.spare_mm > outer.opening_mm:
        return 0
    if outer.cups is not None:
        depth = outer.shape.extents_mm[2]
        if inner.longest_mm * squashed > STANDS_OUT * depth:
            return 0
        cup_mm3 = POT_ROOM * outer.opening_mm**2 * depth
        return outer.cups * max(1, cup_mm3 // (PACKING * inner.shape.volume_mm3))
    return POT_ROOM * outer.shape.volume_mm3 // (PACKING * inner.shape.volume_mm3)


_ROOMS = {"clears": _clears, "passes": _passes, "strings": _strings, "stacks": _stacks, "holds": _holds}
