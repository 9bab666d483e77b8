"""Hazard rules of one thing, by what it can do to a child of an age who mouths or not.

Common practice, no source, unless a rule says otherwise.
"""

from collections.abc import Iterator

from core.child import Child, Setting
from core.materials import Ball, Shape, Thing
from core.safety import small_parts_cylinder
from core.safety.verdicts import COMMON, CPSC_BALL, CPSC_BALLOON, CPSC_CYLINDER, MEMORY, Finding, rule

SMALL_PART_MONTHS = 36  # months, 16 CFR 1501.2
SMALL_ALONE_MONTHS = 60  # months: under this an adult is in the room with small parts; from memory
BALLOON_MONTHS = 96  # months (8 years), 16 CFR 1500.19
HARD_FOOD_MONTHS = 60  # months (5 years), common practice
SOFT_FOOD_MONTHS = 9  # months: pieces that dissolve, seated, from memory
LONG_CORD_MM = 300  # mm, from memory
WORN_MONTHS = 60  # months: from this an adult in the room will do for one's own laces; common practice
SHALLOW_MM = 60  # mm: a hand-wash in a basin; from memory
SHALLOW_MONTHS = 48  # months: from this an adult in the room will do for it; from memory
LACE_ROOM_MONTHS = 72  # months: from this an adult in the room will do for a long cord; from memory
FILM_MONTHS = 36  # months: no plastic film under this, from memory
WATCHED_MONTHS = 72  # months: under this water and film want an adult within reach; from memory
CAPPED_MM = 20  # mm: a stick whose top is as wide pokes no eye; from memory
UPRIGHT_MONTHS = 60  # months: under this a child leans over an upright; from memory


def small(shape: Shape) -> bool:
    """Whether it fits the small-parts cylinder."""
    return small_parts_cylinder.fits(shape)


def small_piece(m: Thing) -> str:
    """What of a thing is a small part, in words: itself, its grain or what comes off it; empty where nothing is."""
    if m.grain_mm is not None:
        return "each grain"
    long_cord = m.cord_mm is not None and m.longest_mm > small_parts_cylinder.DEEP_MM * 1.15
    if not long_cord and small(m.shape):
        return "it"
    if m.loose_part and small(m.loose_part.shape):
        return m.loose_part.words
    return ""


@rule(
    "never",
    "thing",
    COMMON,
    "strong small magnets, button or coin cells, water-swelling beads are never used",
    in_reach=True,
    fixed="These are never used, with any child.",
)
def _never(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    for present, what in (
        (m.strong_magnet, "Strong small magnets"),
        (m.button_cell, "Button or coin cells"),
        (m.swells_in_water, "Beads that swell in water"),
    ):
        if present:
            yield Finding(
                "barred",
                f"{what} are never used: swallowed, they injure.",
                "Take it out of reach and out of the house's play things; choose something else.",
            )


@rule(
    "small_part",
    "thing",
    CPSC_CYLINDER,
    "a small part, or one that comes off: it fits the small-parts cylinder; under 3 years (16 CFR 1501.2) or mouthing",
    in_reach=True,
    watched=True,
)
def _small_part(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    piece = small_piece(m)
    if not piece or m.grain_mm is not None or m.dissolves:
        return
    fits = "it fits" if piece == "it" else f"its {piece} fits"
    if c.age_months < SMALL_PART_MONTHS or c.mouths:
        why = "mouths things" if c.mouths else "is under 3 years"
        remedy = (
            "Use a bigger one: it must not fit a tube 31.7 mm across."
            if piece == "it"
            else f"Take the {piece} off and away first, or use one without."
        )
        law = c.age_months < SMALL_PART_MONTHS
        yield Finding("barred", f"Small part: {fits} the small-parts cylinder, and this child {why}.", remedy, law=law)
    else:
        yield Finding(
            "caution",
            f"Small part: {fits} the small-parts cylinder.",
            "Count out and count back in; not in the nose or the ear; keep away from younger children.",
            "room" if c.age_months < SMALL_ALONE_MONTHS else None,
            f"Small part: {'it is' if piece == 'it' else f'its {piece} is'} small enough to choke on.",
        )


@rule(
    "grain", "thing", COMMON, "loose grain can be breathed in or pushed into nose and ears, by the grain", in_reach=True
)
def _grain(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if m.grain_mm is None:
        return
    if c.mouths_often or "swallowing" in c.precautions:
        why = "often mouths things" if c.mouths_often else "has trouble swallowing"
        law = c.age_months < SMALL_PART_MONTHS
        remedy = "Use pieces too big to swallow: bricks, lids."
        yield Finding("barred", f"Loose grain, and this child {why}.", remedy, law=law)
    else:
        close = c.age_months < SMALL_PART_MONTHS or c.mouths
        yield Finding(
            "caution",
            "Loose grain: not in the mouth, the nose or the ears.",
            "Deep tub on a tray; sweep up at once.",
            "arms_reach" if close else "room" if c.age_months < SMALL_ALONE_MONTHS else None,
        )


@rule(
    "small_ball",
    "thing",
    CPSC_BALL,
    "a ball that passes a 44.4 mm hole; under 3 years or mouthing",
    in_reach=True,
    watched=True,
)
def _small_ball(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not isinstance(m.shape, Ball) or m.shape.diameter_mm > small_parts_cylinder.SMALL_BALL_MM:
        return
    if c.age_months < SMALL_PART_MONTHS or c.mouths:
        law = c.age_months < SMALL_PART_MONTHS
        yield Finding("barred", "Small ball: it passes a 44.4 mm hole.", "Use a ball over 44.4 mm across.", law=law)


@rule("balloon", "thing", CPSC_BALLOON, "balloons, uninflated or broken, under 8 years", in_reach=True)
def _balloon(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if m.balloon and c.age_months < BALLOON_MONTHS:
        yield Finding(
            "barred",
            "Balloons, uninflated or broken, can choke a child under 8 years.",
            "Use a light cloth or a paper bag that floats. A therapist may allow it adult-held, with a reason.",
        )


@rule(
    "balloon_mouthed",
    "thing",
    COMMON,
    "balloons with a child who mouths things, at any age",
    in_reach=True,
    fixed="A child who mouths things never has a balloon.",
)
def _balloon_mouthed(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if m.balloon and c.mouths:
        yield Finding("barred", "A balloon, and this child mouths things.", "Use a light cloth that floats.")


@rule("film", "thing", COMMON, "plastic film over the face stops the breath", in_reach=True)
def _film(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not m.film:
        return
    if c.age_months < FILM_MONTHS or c.mouths:
        yield Finding("barred", "Plastic film can cover the face or be bitten off.", "Use paper or a cloth bag.")
    else:
        yield Finding(
            "caution",
            "Plastic film: never over the face.",
            "Flat on the table; into the bin at once, out of reach.",
            "arms_reach" if c.age_months < WATCHED_MONTHS else None,
        )


@rule(
    "hard_food", "thing", COMMON, "round, hard or slippery food, under 5 years or mouthing", in_reach=True, watched=True
)
def _hard_food(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not m.round_hard_food:
        return
    if c.age_months < HARD_FOOD_MONTHS or c.mouths:
        yield Finding(
            "barred",
            "Round, hard or slippery food can block the airway.",
            "Use food that goes soft in the mouth, or a thing that is not food.",
        )
    else:
        yield Finding(
            "caution",
            "Round, hard or slippery food.",
            "Seated, adult within arm's reach, not eaten while working.",
            "arms_reach",
        )


@rule(
    "soft_food",
    "thing",
    f"{COMMON}; ages {MEMORY}",
    "soft food in small pieces: seated upright, one at a time",
    in_reach=True,
)
def _soft_food(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not m.dissolves:
        return
    if c.age_months < SOFT_FOOD_MONTHS:
        yield Finding("barred", "Pieces of food before 9 months.", "Wait, or ask who looks after feeding.")
    else:
        yield Finding(
            "caution",
            "Small pieces of soft food: they may well be eaten.",
            "Seated upright, one piece at a time, adult beside; never lying, walking or laughing with a full mouth.",
            "arms_reach" if c.age_months < HARD_FOOD_MONTHS or c.mouths else "room",
        )


@rule(
    "sharp", "thing", COMMON, "points and edges that prick or cut are cut off or blunted", in_reach=True, watched=True
)
def _sharp(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not m.sharp:
        return
    if c.mouths_often:
        yield Finding("barred", "It is sharp, and this child often mouths things.", "Use a blunt stick or a straw.")
    else:
        yield Finding(
            "caution",
            "It is sharp.",
            "Cut points off or blunt them; adult within arm's reach; counted back in.",
            "arms_reach",
        )


@rule("blade_inside", "thing", f"{COMMON}; ages {MEMORY}", "a blade inside it, as in a sharpener", in_reach=True)
def _blade_inside(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "sharpener" not in m.forms:
        return
    if c.age_months < SMALL_PART_MONTHS or c.mouths_often:
        why = "often mouths things" if c.mouths_often else "is under 3 years"
        yield Finding(
            "barred", f"There is a blade in it, and this child {why}.", "An adult sharpens the pencils before."
        )
    else:
        yield Finding(
            "caution",
            "There is a blade in it.",
            "One with a tub, the screw tight; fingers out of it; put away after.",
            "arms_reach" if c.age_months < SMALL_ALONE_MONTHS else "room",
        )


@rule("pointed", "thing", COMMON, "a point in the mouth, the ear or the eye", in_reach=True)
def _pointed(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not m.pointed or m.sharp:
        return
    if c.mouths_often and "fork" in m.forms:  # it is for the mouth, and learnt there
        yield Finding(
            "caution",
            "A fork, and this child often mouths things.",
            "A child's fork with blunt prongs, seated at the table, food on it; away when the meal is over.",
            "arms_reach",
        )
        return
    if c.mouths_often:
        yield Finding("barred", "It has a point, and this child often mouths things.", "Use one with a blunt end.")
    else:
        yield Finding(
            "caution",
            "It has a point: never in the mouth or the ear.",
            "Seated; put down before getting up.",
            "room" if c.age_months < SMALL_ALONE_MONTHS else None,
        )


@rule(
    "cord",
    "thing",
    f"{COMMON}; lengths {MEMORY}",
    "cords and loops over 30 cm, whatever they are part of",
    in_reach=True,
)
def _cord(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    length = m.cord_mm if m.cord_like and m.cord_mm else 0
    loop = m.loop_mm or 0
    if max(length, loop) <= LONG_CORD_MM:
        return
    what = f"Cord of {length / 10:.0f} cm" if length >= loop else f"Loop of {loop / 10:.0f} cm round"
    if m.worn and c.age_months >= WORN_MONTHS:  # walked about in all day: no new cord in the room
        yield Finding("caution", f"{what}, on the child's own shoe.", "Done up again before getting up.", "room")
        return
    old = c.age_months >= LACE_ROOM_MONTHS
    yield Finding(
        "caution",
        f"{what}: it can go round a neck.",
        f"Off the neck, adult {'in the room' if old else 'within arm’s reach'}, cleared away after. "
        "A necklace must break away.",
        "room" if old else "arms_reach",
    )


@rule("raw", "thing", COMMON, "raw beans, raw flour and dough when things go in the mouth", in_reach=True)
def _raw(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if m.raw and c.mouths:
        yield Finding(
            "barred",
            f"{m.name} must not be tasted, and this child mouths things.",
            "Use a thing that is too big to mouth.",
        )


@rule("dough", "thing", COMMON, "dough, putty and clay are no food: a pinched-off lump is a small part", in_reach=True)
def _dough(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "dough" not in m.forms:
        return
    if c.mouths_often:
        yield Finding(
            "barred",
            "Dough or putty is not for eating, and this child often mouths things.",
            "Use a thing that is too big to mouth: a sponge ball, a rolled sock.",
        )
    elif c.mouths or c.age_months < SMALL_PART_MONTHS:
        yield Finding(
            "caution",
            "Dough or putty is not for eating.",
            "Hands to the table, adult within arm's reach.",
            "arms_reach",
        )


@rule("friable", "thing", COMMON, "what crumbles when bitten", in_reach=True)
def _friable(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not m.friable:
        return
    if c.mouths_often:
        yield Finding(
            "barred", "Pieces can be bitten off it, and this child often mouths things.", "Use wood or cloth."
        )
    elif c.mouths:
        yield Finding(
            "caution",
            "Pieces can be bitten off it.",
            "Out of the mouth at once; throw away what is torn.",
            "arms_reach",
        )


@rule(
    "water",
    "thing",
    f"{COMMON}; age {MEMORY}",
    "standing water: a hand's depth is enough to drown in",
    in_reach=True,
    watched=True,
)
def _water(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if m.depth_mm is None:
        return
    alone_from = SHALLOW_MONTHS if m.depth_mm <= SHALLOW_MM else WATCHED_MONTHS
    close = c.age_months < alone_from or "seizures" in c.precautions
    yield Finding(
        "caution",
        f"Standing water, {m.depth_mm / 10:.0f} cm deep.",
        "Never leave the child with it; empty it as soon as you are done.",
        "arms_reach" if close else "room",
    )


@rule("upright", "thing", f"{COMMON}; width and age {MEMORY}", "an upright stick at face height", in_reach=True)
def _upright(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if "post" not in m.forms or m.size_mm >= CAPPED_MM:
        return
    if "seizures" in c.precautions:
        yield Finding(
            "caution",
            "An upright stick, and this child has seizures.",
            "A cork or a ball on top; adult within arm's reach.",
            "arms_reach",
        )
    elif c.age_months < UPRIGHT_MONTHS:
        yield Finding(
            "caution",
            "An upright stick where a child may lean over it.",
            "A cork or a ball on top between turns; low on the table; adult within arm's reach.",
            "arms_reach",
        )


@rule("glass", "thing", COMMON, "glass breaks", in_reach=True)
def _glass(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
    if not m.glass:
        return
    if c.age_months < SMALL_PART_MONTHS or c.mouths_often:
        yield Finding("barred", "Glass, and this child may throw or bite it.", "Use a plastic one.")
    else:
        yield Finding(
            "caution", "Glass can break.", "Soft mat underneath, adult in the room; plastic is better.", "room"
        )
