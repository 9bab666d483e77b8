"""The hard filter: which things and steps are allowed, need care, or are barred, for one child.

Rules hang on what a thing is like and on what is done with it, never on its name. Those of one thing are in
`thing_rules.py`, and in `child_rules.py` where they turn on this very child; those of what is done in `step_rules.py`.
"""

from collections.abc import Iterable, Iterator
from types import MappingProxyType

from core.child import Child, Setting
from core.materials import Shape, Stock, Thing
from core.safety import child_rules, named_hazards, small_parts_cylinder, step_rules, thing_rules  # noqa: F401  # they register the rules
from core.safety.verdicts import RULES, Finding, Hit, Verdict, judged, rule, worst

MOUTHING_TODDLER = Child(18, mouthing="often")  # the child most at risk of a small part
_THING_RULES = tuple(r for r in RULES.values() if r.scope == "thing")
STEP_TAGS = MappingProxyType({r.id: r for r in RULES.values() if r.scope == "step" and not r.always})
_ALWAYS = tuple(r for r in RULES.values() if r.scope == "step" and r.always)


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
    return judged((hit for r in _THING_RULES for hit in r.hits(thing, child, setting)), child, setting)


def assess_within_reach(thing: Thing, child: Child, setting: Setting) -> Verdict:
    """Return the verdict on a thing somebody else at the table works with, for a child who can reach it.

    Only rules that hold within reach speak: a stiff peg in a neighbour's hand harms nobody else, a bead does.
    """
    return judged((hit for r in _THING_RULES if r.in_reach for hit in r.hits(thing, child, setting)), child, setting)


def assess_stock(stock: Stock, child: Child, setting: Setting) -> Verdict:
    """Return the verdict on one line of a cupboard: on the thing as it measures here, saying so where the usual one
    would be barred.
    """
    verdict = assess(stock.thing, child, setting)
    if stock.as_usual or verdict.status == "barred":
        return verdict
    usual = assess(stock.usual, child, setting)
    if usual.status != "barred":
        return verdict
    return worst((verdict, Verdict("caution", tuple(_MEASURED.hits(stock.thing, usual.hits[0])))))


@rule("measured", "stock", "project definition", "what is allowed only by how it measured, or its label, in this home")
def _measured(m: Thing, hit: Hit) -> Iterator[Finding]:
    yield Finding(
        "caution",
        f"{m.name}: allowed because of how it was measured or labelled here; a usual one would be barred. {hit.reason}",
        "Use the very one that was looked at; look again when another takes its place.",
    )


_MEASURED = RULES["measured"]


def assess_step(tags: Iterable[str], child: Child, setting: Setting) -> Verdict:
    """Return the verdict on what is done rather than what it is done with.

    tags -- hazard tags of an activity or a grade: see STEP_TAGS; what holds whatever is done: `general_cautions`
    Raises KeyError for a tag that has no rule.
    """
    return judged((hit for tag in tags for hit in STEP_TAGS[tag].hits(child)), child, setting)


def general_cautions(child: Child, setting: Setting) -> tuple[Hit, ...]:
    """Return the cautions that hold for a child whatever is done: said once, above a plan, and not at every block."""
    return judged((hit for r in _ALWAYS for hit in r.hits(child)), child, setting).hits


def lifted_bars(before: Thing, after: Thing, children: Iterable[Child], setting: Setting) -> tuple[str, ...]:
    """Return the rules that bar a thing as it was believed to be, and do not bar it as it was measured.

    children -- those who use it; a toddler who mouths everything is always judged beside them
    """
    lifted: dict[str, None] = {}
    for child in (MOUTHING_TODDLER, *children):
        bars = [{h.rule for h in assess(m, child, setting).hits if h.status == "barred"} for m in (before, after)]
        lifted |= dict.fromkeys(sorted(bars[0] - bars[1]))
    return tuple(lifted)
