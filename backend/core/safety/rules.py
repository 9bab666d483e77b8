"""The hard filter: which things and steps are allowed, need care, or are barred, for one child.

A hazard is never weighed against a benefit. Supports, and does not replace, a licensed therapist's
judgement; local rules come first. Each rule's source is a line of docs/sources.md.
"""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

from core.child import ALLERGENS, Child, Setting, Supervision
from core.materials import Ball, Shape, Thing
from core.safety import small_parts_cylinder

Status = Literal["allowed", "caution", "barred"]
RANK = {"allowed": 0, "caution": 1, "barred": 2}

CPSC_CYLINDER = "16 CFR 1501.4"
CPSC_BALL = "16 CFR 1500.18(a)(17)"
CPSC_BALLOON = "16 CFR 1500.19"
COMMON = "common practice, no source"
MEMORY = "from memory"

SMALL_PART_MONTHS = 36  # months, 16 CFR 1501.2
BALLOON_MONTHS = 96  # months (8 years), 16 CFR 1500.19
HARD_FOOD_MONTHS = 60  # months (5 years), common practice
LONG_CORD_MM = 300  # mm, from memory


MOUTHING_TODDLER = Child(18, mouthing="often")  # the child most at risk of a small part


@dataclass(frozen=True)
class Rule:
    """A hazard rule: what it looks at (a thing, a step or a combination), its source, and that source's line in docs/sources.md."""

    id: str
    scope: Literal["thing", "step", "together"]
    source: str
    line: str
    overridable: bool = False


def _rules(scope: Literal["thing", "step", "together"], **lines: str) -> dict[str, Rule]:
    sources = {"S1": CPSC_CYLINDER, "S2": CPSC_BALL, "S3": CPSC_BALLOON}
    return {id: Rule(id, scope, sources.get(line, COMMON), line, id == "balloon") for id, line in lines.items()}


RULES: MappingProxyType[str, Rule] = MappingProxyType(
    _rules(
        "thing", small_part="S1", small_ball="S2", balloon="S3", never="H1", hard_food="H2", swallowing="H3", food_policy="H4",
        sharp="H5", cord="H6", raw="H7", allergy="H8", force="H9", texture="H10", shared="H11",
    )
    | _rules(
        "step", weight_on_hands="H12", tied_line="H13", wet_floor="H14", wall="H15", cutting_tool="H16", adult_cuts="H17",
        resistance="H18",
    )
    | _rules(
        "together", cord_neck="H19", balloon_latex="H20", small_hidden="H21", stick_moving="H22", wet_blade="H23", food_mixed="H24",
    )
)  # fmt: skip


@dataclass(frozen=True)
class Hit:
    """One rule that speaks, with what it says."""

    rule: str
    status: Status
    reason: str
    source: str
    remedy: str
    wants: Supervision | None = None
    overridable: bool = False


@dataclass(frozen=True)
class Verdict:
    """The worst status of all hits, and the hits."""

    status: Status
    hits: tuple[Hit, ...] = ()


ALLOWED = Verdict("allowed")


def fits_small_parts_cylinder(shape: Shape) -> bool:
    """Return whether a rigid shape fits wholly inside the small-parts cylinder, any orientation.

    shape -- Ball, Rod, Box or Ring, sizes in mm
    Source: 16 CFR 1501.4. Limits: rigid things only; a soft thing is judged unsquashed.
    """
    return small_parts_cylinder.fits(shape)


def assess(thing: Thing, child: Child, setting: Setting) -> Verdict:
    """Return the verdict on one thing for one child in one setting.

    Every rule that speaks is in the hits, barred ones first. A caution that wants an adult closer than
    the setting offers is barred, and says so.
    """
    hits = (hit for rule in _MATERIAL_RULES for hit in rule(thing, child))
    return judged(hits, child, setting)


def assess_step(tags: Iterable[str], child: Child, setting: Setting) -> Verdict:
    """Return the verdict on what is done rather than what it is done with.

    tags -- hazard tags of an activity or a grade: see STEP_TAGS
    Raises KeyError for a tag that has no rule.
    """
    hits = (hit for tag in tags for hit in STEP_TAGS[tag](child))
    return judged(hits, child, setting)


def lifted_bars(before: Thing, after: Thing, children: Iterable[Child], setting: Setting) -> tuple[str, ...]:
    """Return the rules that bar a thing as it was believed to be, and do not bar it as it was measured.

    children -- those who use it; a toddler who mouths everything is always judged beside them
    """
    lifted: dict[str, None] = {}
    for child in (MOUTHING_TODDLER, *children):
        bars = [{h.rule for h in assess(m, child, setting).hits if h.status == "barred"} for m in (before, after)]
        lifted |= dict.fromkeys(sorted(bars[0] - bars[1]))
    return tuple(lifted)


def worst(verdicts: Iterable[Verdict]) -> Verdict:
    """Return one verdict with the worst status and every different hit."""
    hits = dict.fromkeys(hit for v in verdicts for hit in v.hits)
    return _ordered(hits)


def judged(hits: Iterable[Hit], child: Child, setting: Setting) -> Verdict:
    """Return the verdict of hits: overrides a therapist gave applied, cautions nobody can watch over barred."""
    found = []
    for hit in hits:
        if hit.overridable and hit.rule in child.overrides:
            found.append(_overridden(hit))
        elif hit.status == "caution" and hit.wants and not setting.offers(hit.wants):
            found.append(_unwatched(hit))
        else:
            found.append(hit)
    return _ordered(found)


def _ordered(hits: Iterable[Hit]) -> Verdict:
    ranked = tuple(sorted(hits, key=lambda h: -RANK[h.status]))
    return Verdict(ranked[0].status, ranked) if ranked else ALLOWED


def _overridden(hit: Hit) -> Hit:
    return Hit(hit.rule, "caution", f"{hit.reason} Allowed by a therapist, adult-held only.",
               hit.source, hit.remedy, "arms_reach")  # fmt: skip


def _unwatched(hit: Hit) -> Hit:
    return Hit(hit.rule, "barred", f"{hit.reason} It wants an adult within arm's reach, which this setting does not offer.",
               hit.source, "Have an adult within arm's reach, or choose something else.", hit.wants)  # fmt: skip


def _small_part(m: Thing, c: Child) -> Iterator[Hit]:
    if "cord" in m.forms and m.longest_mm > small_parts_cylinder.DEEP_MM * 1.15:
        return
    if not fits_small_parts_cylinder(m.shape):
        return
    if c.age_months < SMALL_PART_MONTHS or c.mouths:
        why = "goes in the mouth" if c.mouths else "under 3 years"
        yield Hit("small_part", "barred", f"Small part: it fits the small-parts cylinder, and this child {'mouths things' if c.mouths else 'is under 3 years'}.",
                  CPSC_CYLINDER, f"Use a bigger one: it must not fit a tube 31.7 mm across ({why}).")  # fmt: skip
    else:
        yield Hit("small_part", "caution", "Small part: it fits the small-parts cylinder.",
                  CPSC_CYLINDER, "Count out and count back in; keep away from younger children.")  # fmt: skip


def _small_ball(m: Thing, c: Child) -> Iterator[Hit]:
    if not isinstance(m.shape, Ball) or m.shape.diameter_mm > small_parts_cylinder.SMALL_BALL_MM:
        return
    if c.age_months < SMALL_PART_MONTHS or c.mouths:
        yield Hit("small_ball", "barred", "Small ball: it passes a 44.4 mm hole.",
                  CPSC_BALL, "Use a ball over 44.4 mm across.")  # fmt: skip


def _balloon(m: Thing, c: Child) -> Iterator[Hit]:
    if m.balloon and c.age_months < BALLOON_MONTHS:
        yield Hit("balloon", "barred", "Balloons, uninflated or broken, can choke a child under 8 years.",
                  CPSC_BALLOON, "Use a light cloth or a paper bag that floats. A therapist may allow it adult-held, with a reason.",
                  overridable=True)  # fmt: skip


def _never(m: Thing, c: Child) -> Iterator[Hit]:
    for present, what in (
        (m.strong_magnet, "Strong small magnets"),
        (m.button_cell, "Button or coin cells"),
        (m.swells_in_water, "Beads that swell in water"),
    ):
        if present:
            yield Hit("never", "barred", f"{what} are never used: swallowed, they injure.", COMMON,
                      "Take it out of the house's play things; choose something else.")  # fmt: skip


def _hard_food(m: Thing, c: Child) -> Iterator[Hit]:
    if not m.round_hard_food:
        return
    if c.age_months < HARD_FOOD_MONTHS or c.mouths:
        yield Hit("hard_food", "barred", "Round, hard or slippery food can block the airway.",
                  COMMON, "Use soft or ring-shaped food, or a thing that is not food.")  # fmt: skip
    else:
        yield Hit("hard_food", "caution", "Round, hard or slippery food.",
                  COMMON, "Seated, adult within arm's reach, not eaten while working.", "arms_reach")  # fmt: skip


def _swallowing(m: Thing, c: Child) -> Iterator[Hit]:
    if m.food and "swallowing" in c.precautions:
        yield Hit("swallowing", "barred", "Food as a material, and this child has trouble swallowing.",
                  COMMON, "Use a thing that is not food.")  # fmt: skip


def _food_policy(m: Thing, c: Child) -> Iterator[Hit]:
    if m.food and not c.food_as_material:
        yield Hit("food_policy", "barred", "This family does not use food as a material.",
                  "family's wish", "Use a thing that is not food.")  # fmt: skip


def _sharp(m: Thing, c: Child) -> Iterator[Hit]:
    if not m.sharp:
        return
    if c.mouthing == "often":
        yield Hit("sharp", "barred", "It is sharp, and this child often mouths things.",
                  COMMON, "Use a blunt stick or a straw.")  # fmt: skip
    else:
        yield Hit("sharp", "caution", "It is sharp.", COMMON,
                  "Cut points off or blunt them; adult within arm's reach; counted back in.", "arms_reach")  # fmt: skip


def _cord(m: Thing, c: Child) -> Iterator[Hit]:
    length = m.cord_mm or 0
    if "cord" in m.forms and m.stiffness != "rigid" and length > LONG_CORD_MM:
        yield Hit("cord", "caution", f"Cord of {length / 10:.0f} cm: it can go round a neck.", f"{COMMON}; length {MEMORY}",
                  "Off the neck, adult within arm's reach, cleared away after. A necklace must break away.",
                  "arms_reach")  # fmt: skip


def _raw(m: Thing, c: Child) -> Iterator[Hit]:
    if m.raw and c.mouths:
        yield Hit("raw", "barred", f"{m.name} must not be tasted raw, and this child mouths things.",
                  COMMON, "Use cooked dough, putty or a filler that is safe to taste.")  # fmt: skip


def _allergy(m: Thing, c: Child) -> Iterator[Hit]:
    present = set(m.allergens) | ({"latex"} if m.latex else set())
    for allergen in sorted(present & c.allergies):
        yield Hit("allergy", "barred", f"{m.name} may carry {ALLERGENS[allergen]}, and this child is allergic to it.",
                  COMMON, m.instead or "Choose the same thing made of something else.")  # fmt: skip


def _force(m: Thing, c: Child) -> Iterator[Hit]:
    if c.force_limit_newton is not None and (m.force_newton or 0) > c.force_limit_newton:
        yield Hit("force", "barred", f"{m.name} takes {m.force_newton:.0f} N; this child's limit is {c.force_limit_newton:.0f} N.",
                  COMMON, "Use a weaker one, or ask the therapist who set the limit.")  # fmt: skip


def _texture(m: Thing, c: Child) -> Iterator[Hit]:
    if m.texture and m.texture in c.refuses:
        yield Hit("texture", "barred", f"This child refuses to touch {m.texture} things.",
                  "the child's own wish", "Offer it with a tool or in a closed bag, or leave it.")  # fmt: skip


def _shared(m: Thing, c: Child) -> Iterator[Hit]:
    if m.shared_risk:
        yield Hit("shared", "caution", "It passes from hand to hand.", COMMON,
                  "An own named pot for each child, or wash between children.")  # fmt: skip


_MATERIAL_RULES: tuple[Callable[[Thing, Child], Iterator[Hit]], ...] = (
    _never, _small_part, _small_ball, _balloon, _hard_food, _swallowing, _food_policy, _sharp, _cord,
    _raw, _allergy, _force, _texture, _shared,
)  # fmt: skip


def _weight_on_hands(c: Child) -> Iterator[Hit]:
    if c.precautions & {"wrist_weight", "fracture"}:
        yield Hit("weight_on_hands", "barred", "Weight on the hands, and this child has a wrist precaution.",
                  COMMON, "Stand at a wall with the forearms, or leave it out.")  # fmt: skip


def _tied_line(c: Child) -> Iterator[Hit]:
    yield Hit("tied_line", "caution", "A line tied between furniture.", COMMON,
              "An adult ties it, marks it with a cloth and clears it after.", "arms_reach")  # fmt: skip


def _wet_floor(c: Child) -> Iterator[Hit]:
    yield Hit("wet_floor", "caution", "Water can reach the floor.", COMMON, "Towel underneath; wipe at once.")


def _wall(c: Child) -> Iterator[Hit]:
    yield Hit("wall", "caution", "Work at a wall or on the floor.", COMMON, "Clear the space; nothing that can tip or slide.")


def _cutting_tool(c: Child) -> Iterator[Hit]:
    yield Hit("cutting_tool", "caution", "Scissors or a knife in use.", COMMON,
              "Child's tool, seated, adult within arm's reach, put away after.", "arms_reach")  # fmt: skip


def _adult_cuts(c: Child) -> Iterator[Hit]:
    yield Hit(
        "adult_cuts",
        "caution",
        "A slit or hole has to be cut first.",
        COMMON,
        "An adult cuts it before the session and tapes sharp edges.",
    )


def _over_resistance(c: Child) -> Iterator[Hit]:
    if c.precautions & {"pain", "fracture"}:
        yield Hit("resistance", "barred", "Work against resistance, and this child has pain or a recent fracture.",
                  COMMON, "Leave strength work out until the precaution is lifted.")  # fmt: skip
    elif "joint_laxity" in c.precautions:
        yield Hit("resistance", "caution", "Work against resistance with loose joints.", COMMON,
                  "Joints kept a little bent; stop at any discomfort.")  # fmt: skip


STEP_TAGS: dict[str, Callable[[Child], Iterator[Hit]]] = {
    "weight_on_hands": _weight_on_hands,
    "tied_line": _tied_line,
    "wet_floor": _wet_floor,
    "wall": _wall,
    "cutting_tool": _cutting_tool,
    "adult_cuts": _adult_cuts,
    "resistance": _over_resistance,
}
