"""The hard filter: which things and steps are allowed, need care, or are barred, for one child."""

from collections.abc import Iterable, Iterator
from types import MappingProxyType

from core.child import ALLERGENS, Child, Setting
from core.materials import Ball, Shape, Thing
from core.safety import small_parts_cylinder
from core.safety.verdicts import (
    COMMON,
    CPSC_BALL,
    CPSC_BALLOON,
    CPSC_CYLINDER,
    MEMORY,
    RULES,
    Finding,
    Verdict,
    judged,
    rule,
)

SMALL_PART_MONTHS = 36  # months, 16 CFR 1501.2
BALLOON_MONTHS = 96  # months (8 years), 16 CFR 1500.19
HARD_FOOD_MONTHS = 60  # months (5 years), common practice
LONG_CORD_MM = 300  # mm, from memory

MOUTHING_TODDLER = Child(18, mouthing="often")  # the child most at risk of a small part


def fits_small_parts_cylinder(shape: Shape) -> bool:
    """Return whether a rigid shape fits wholly inside the small-parts cylinder, any orientation.

    shape -- Ball, Rod, Disc, Box or Ring, sizes in mm
    Source: 16 CFR 1501.4. Limits: rigid things only; a soft thing is judged unsquashed.
    """
    return small_parts_cylinder.fits(shape)


def assess(thing: Thing, child: Child, setting: Setting) -> Verdict:
    """Return the verdict on one thing for one child in one setting.

    Every rule that speaks is in the hits, barred ones first. A caution that needs an adult closer than
    the setting offers is barred, with the reason.
    """
    return judged((hit for r in _THING_RULES for hit in r.hits(thing, child)), child, setting)


def assess_step(tags: Iterable[str], child: Child, setting: Setting) -> Verdict:
    """Return the verdict on what is done rather than what it is done with.

    tags -- hazard tags of an activity or a grade: see STEP_TAGS
    Raises KeyError for a tag that has no rule.
    """
    return judged((hit for tag in tags for hit in STEP_TAGS[tag].hits(child)), child, setting)


def lifted_bars(before: Thing, after: Thing, children: Iterable[Child], setting: Setting) -> tuple[str, ...]:
    """Return the rules that bar a thing as it was believed to be, and do not bar it as it was measured.

    children -- those who use it; a toddler who mouths everything is always judged beside them
    """
    lifted: dict[str, None] = {}
    for child in (MOUTHING_TODDLER, *children):
        bars = [{h.rule for h in assess(m, child, setting).hits if h.status == "barred"} for m in (before, after)]
        lifted |= dict.fromkeys(sorted(bars[0] - bars[1]))
    return tuple(lifted)


@rule("never", "thing", COMMON, "strong small magnets, button or coin cells, water-swelling beads are never used")
def _never(m: Thing, c: Child) -> Iterator[Finding]:
    for present, what in (
        (m.strong_magnet, "Strong small magnets"),
        (m.button_cell, "Button or coin cells"),
        (m.swells_in_water, "Beads that swell in water"),
    ):
        if present:
            yield Finding(
                "barred",
                f"{what} are never used: swallowed, they injure.",
                "Take it out of the home's play things; choose something else.",
            )


@rule(
    "small_part",
    "thing",
    CPSC_CYLINDER,
    "a small part: it fits the small-parts cylinder; under 3 years (16 CFR 1501.2) or mouthing",
)
def _small_part(m: Thing, c: Child) -> Iterator[Finding]:
    if "cord" in m.forms and m.longest_mm > small_parts_cylinder.DEEP_MM * 1.15:
        return
    if not small_parts_cylinder.fits(m.shape):
        return
    if c.age_months < SMALL_PART_MONTHS or c.mouths:
        why = "goes in the mouth" if c.mouths else "under 3 years"
        yield Finding(
            "barred",
            "Small part: it fits the small-parts cylinder, and this child "
            f"{'mouths things' if c.mouths else 'is under 3 years'}.",
            f"Use a bigger one: it must not fit a tube 31.7 mm across ({why}).",
        )
    else:
        yield Finding(
            "caution",
            "Small part: it fits the small-parts cylinder.",
            "Count out and count back in; keep away from younger children.",
        )


@rule("small_ball", "thing", CPSC_BALL, "a ball that passes a 44.4 mm hole; under 3 years or mouthing")
def _small_ball(m: Thing, c: Child) -> Iterator[Finding]:
    if not isinstance(m.shape, Ball) or m.shape.diameter_mm > small_parts_cylinder.SMALL_BALL_MM:
        return
    if c.age_months < SMALL_PART_MONTHS or c.mouths:
        yield Finding("barred", "Small ball: it passes a 44.4 mm hole.", "Use a ball over 44.4 mm across.")


@rule("balloon", "thing", CPSC_BALLOON, "balloons, uninflated or broken, under 8 years", overridable=True)
def _balloon(m: Thing, c: Child) -> Iterator[Finding]:
    if m.balloon and c.age_months < BALLOON_MONTHS:
        yield Finding(
            "barred",
            "Balloons, uninflated or broken, can choke a child under 8 years.",
            "Use a light cloth or a paper bag that floats. A therapist may allow it adult-held, with a reason.",
        )


@rule("hard_food", "thing", COMMON, "round, hard or slippery food, under 5 years or mouthing")
def _hard_food(m: Thing, c: Child) -> Iterator[Finding]:
    if not m.round_hard_food:
        return
    if c.age_months < HARD_FOOD_MONTHS or c.mouths:
        yield Finding(
            "barred",
            "Round, hard or slippery food can block the airway.",
            "Use soft or ring-shaped food, or a thing that is not food.",
        )
    else:
        yield Finding(
            "caution",
            "Round, hard or slippery food.",
            "Seated, adult within arm's reach, not eaten while working.",
            "arms_reach",
        )


@rule("swallowing", "thing", COMMON, "food as a material with a swallowing precaution")
def _swallowing(m: Thing, c: Child) -> Iterator[Finding]:
    if m.food and "swallowing" in c.precautions:
        yield Finding(
            "barred", "Food as a material, and this child has trouble swallowing.", "Use a thing that is not food."
        )


@rule("food_policy", "thing", "family's wish", "the family's own policy on food as a material")
def _food_policy(m: Thing, c: Child) -> Iterator[Finding]:
    if m.food and not c.food_as_material:
        yield Finding("barred", "This family does not use food as a material.", "Use a thing that is not food.")


@rule("sharp", "thing", COMMON, "points and edges cut off or blunted")
def _sharp(m: Thing, c: Child) -> Iterator[Finding]:
    if not m.sharp:
        return
    if c.mouthing == "often":
        yield Finding("barred", "It is sharp, and this child often mouths things.", "Use a blunt stick or a straw.")
    else:
        yield Finding(
            "caution",
            "It is sharp.",
            "Cut points off or blunt them; adult within arm's reach; counted back in.",
            "arms_reach",
        )


@rule("cord", "thing", f"{COMMON}; length {MEMORY}", "cords over 30 cm can go round a neck")
def _cord(m: Thing, c: Child) -> Iterator[Finding]:
    length = m.cord_mm or 0
    if "cord" in m.forms and m.stiffness != "rigid" and length > LONG_CORD_MM:
        yield Finding(
            "caution",
            f"Cord of {length / 10:.0f} cm: it can go round a neck.",
            "Off the neck, adult within arm's reach, cleared away after. A necklace must break away.",
            "arms_reach",
        )


@rule("raw", "thing", COMMON, "raw beans, raw flour and dough when things go in the mouth")
def _raw(m: Thing, c: Child) -> Iterator[Finding]:
    if m.raw and c.mouths:
        yield Finding(
            "barred",
            f"{m.name} must not be tasted raw, and this child mouths things.",
            "Use cooked dough, putty or a filler that is safe to taste.",
        )


@rule("allergy", "thing", COMMON, "allergen contact, with what to offer instead")
def _allergy(m: Thing, c: Child) -> Iterator[Finding]:
    present = set(m.allergens) | ({"latex"} if m.latex else set())
    for allergen in sorted(present & c.allergies):
        yield Finding(
            "barred",
            f"{m.name} may carry {ALLERGENS[allergen]}, and this child is allergic to it.",
            m.instead or "Choose the same thing made of something else.",
        )


@rule("force", "thing", COMMON, "the limit set for the child by a therapist")
def _force(m: Thing, c: Child) -> Iterator[Finding]:
    if c.force_limit_newton is not None and (m.force_newton or 0) > c.force_limit_newton:
        yield Finding(
            "barred",
            f"{m.name} takes {m.force_newton:.0f} N; this child's limit is {c.force_limit_newton:.0f} N.",
            "Use a weaker one, or ask the therapist who set the limit.",
        )


@rule("texture", "thing", "the child's own wish", "textures this child refuses")
def _texture(m: Thing, c: Child) -> Iterator[Finding]:
    if m.texture and m.texture in c.refuses:
        yield Finding(
            "barred",
            f"This child refuses to touch {m.texture} things.",
            "Offer it with a tool or in a closed bag, or leave it.",
        )


@rule("shared", "thing", COMMON, "own pot or wash between children")
def _shared(m: Thing, c: Child) -> Iterator[Finding]:
    if m.shared_risk:
        yield Finding(
            "caution", "It passes from hand to hand.", "An own named pot for each child, or wash between children."
        )


@rule("weight_on_hands", "step", COMMON, "weight on the hands with a wrist precaution")
def _weight_on_hands(c: Child) -> Iterator[Finding]:
    if c.precautions & {"wrist_weight", "fracture"}:
        yield Finding(
            "barred",
            "Weight on the hands, and this child has a wrist precaution.",
            "Stand at a wall with the forearms, or leave it out.",
        )


@rule("tied_line", "step", COMMON, "tied lines between furniture")
def _tied_line(c: Child) -> Iterator[Finding]:
    yield Finding(
        "caution",
        "A line tied between furniture.",
        "An adult ties it, marks it with a cloth and clears it after.",
        "arms_reach",
    )


@rule("wet_floor", "step", COMMON, "water on the floor")
def _wet_floor(c: Child) -> Iterator[Finding]:
    yield Finding("caution", "Water can reach the floor.", "Towel underneath; wipe at once.")


@rule("wall", "step", COMMON, "unstable wall and floor set-ups")
def _wall(c: Child) -> Iterator[Finding]:
    yield Finding("caution", "Work at a wall or on the floor.", "Clear the space; nothing that can tip or slide.")


@rule("cutting_tool", "step", COMMON, "scissors and knives")
def _cutting_tool(c: Child) -> Iterator[Finding]:
    yield Finding(
        "caution",
        "Scissors or a knife in use.",
        "Child's tool, seated, adult within arm's reach, put away after.",
        "arms_reach",
    )


@rule("adult_cuts", "step", COMMON, "cutting a slit or a hole is an adult step")
def _adult_cuts(c: Child) -> Iterator[Finding]:
    yield Finding(
        "caution",
        "A slit or hole has to be cut first.",
        "An adult cuts it before the session and tapes sharp edges.",
    )


@rule("resistance", "step", COMMON, "resistance with pain, a recent fracture or loose joints")
def _over_resistance(c: Child) -> Iterator[Finding]:
    if c.precautions & {"pain", "fracture"}:
        yield Finding(
            "barred",
            "Work against resistance, and this child has pain or a recent fracture.",
            "Leave strength work out until the precaution is lifted.",
        )
    elif "joint_laxity" in c.precautions:
        yield Finding(
            "caution",
            "Work against resistance with loose joints.",
            "Joints kept a little bent; stop at any discomfort.",
        )


_THING_RULES = tuple(r for r in RULES.values() if r.scope == "thing")
STEP_TAGS = MappingProxyType({r.id: r for r in RULES.values() if r.scope == "step"})
