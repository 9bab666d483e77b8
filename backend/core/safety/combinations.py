"""Hazards that no thing has alone: what two things, or a thing and what is done with it, do together.

Common practice, no source, unless a rule says otherwise.
"""

from collections.abc import Iterator, Sequence

from core.child import Child, Setting
from core.materials import Thing
from core.safety.thing_rules import LONG_CORD_MM, small
from core.safety.verdicts import COMMON, MEMORY, RULES, Finding, Verdict, judged, rule

MOVING = frozenset({"wall", "weight_on_hands", "walking", "lying"})  # tags of work done standing, moving or lying
FALLING = frozenset({"weight_on_hands", "walking", "lying"})  # a fall onto what is in the hand
POKING = frozenset({"stick", "pen", "tongs", "fork", "spoon", "knife", "gripper"})
LONG_STICK_MM = 90  # mm, from memory: long enough to poke an eye or a palate in a fall
THIN_STICK_MM = 14  # mm, from memory


def assess_together(things: Sequence[Thing], tags: Sequence[str], child: Child, setting: Setting) -> Verdict:
    """Return the verdict on things used together in work with these hazard tags. Single things are judged elsewhere."""
    return judged((hit for r in _TOGETHER_RULES for hit in r.hits(things, frozenset(tags), child)), child, setting)


@rule("cord_neck", "together", COMMON, "a long cord with crawling, lying or moving about")
def _cord_and_neck(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    cords = [t for t in things if max(t.cord_mm or 0 if t.cord_like else 0, t.loop_mm or 0) > LONG_CORD_MM]
    if cords and tags & MOVING - {"wall"}:
        yield Finding(
            "barred",
            f"{cords[0].name} where the child crawls, lies or moves about: it can catch a neck.",
            "Do this one seated at the table, or use a cord under 30 cm.",
        )


@rule("balloon_latex", "together", COMMON, "rubber balloons and latex")
def _balloon_and_latex(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    if any(t.balloon and t.latex for t in things):
        yield Finding(
            "caution",
            "A rubber balloon: a burst piece can choke, and it sheds latex.",
            "An adult blows it up, holds it and picks up every piece at once; foil, paper or a scarf is better.",
            "arms_reach",
        )


@rule("small_hidden", "together", COMMON, "small things hidden in a filler")
def _small_and_hidden(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    filler = any("filler" in t.forms for t in things)
    hidden = [t for t in things if "filler" not in t.forms and "cord" not in t.forms and small(t.shape)]
    if filler and hidden:
        yield Finding(
            "caution",
            f"{hidden[0].name} out of sight in the tub.",
            "Count them in and count them out before the tub goes away.",
        )


@rule("poke_moving", "together", COMMON, "walking, crawling or lying with anything that pokes")
def _poke_and_movement(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    pokes = [
        t for t in things if t.pointed or t.sharp or (t.forms & POKING and t.longest_mm >= LONG_STICK_MM and not t.soft)
    ]
    if not pokes or not tags & FALLING:
        return
    if all("spoon" in t.forms for t in pokes) and not child.mouths:
        yield Finding(
            "caution",
            f"{pokes[0].name} in the hand while walking.",
            "Walk, never run; bowl forward, handle down; put it down before turning round.",
            "arms_reach",
        )
    else:
        yield Finding(
            "barred",
            f"{pokes[0].name} in the hand while walking, crawling or lying: a fall drives it into mouth or eye.",
            "Carry it across the table, seated or standing still.",
        )


@rule("food_lying", "together", COMMON, "food while lying, crawling or walking")
def _food_and_lying(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    food = [t for t in things if t.food]
    if food and tags & FALLING:
        yield Finding(
            "barred", f"{food[0].name} while lying or moving about.", "Seated and upright for anything eaten."
        )


@rule("sharp_hidden", "together", COMMON, "sharp or pointed things out of sight")
def _sharp_and_hidden(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    sharp = [t for t in things if t.sharp or t.pointed]
    if sharp and any(t.grain_mm is not None for t in things):
        yield Finding("barred", f"{sharp[0].name} out of sight in the tub.", "Hide blunt things only.")


@rule("stick_moving", "together", f"{COMMON}; length {MEMORY}", "a stick over 9 cm in the hand, standing")
def _stick_and_movement(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    sticks = [
        t
        for t in things
        if t.forms & (POKING - {"spoon"})
        and t.longest_mm >= LONG_STICK_MM
        and t.size_mm <= THIN_STICK_MM
        and not t.soft
    ]
    if sticks and "wall" in tags and not tags & FALLING:
        yield Finding(
            "caution",
            f"{sticks[0].name} in the hand while standing.",
            "Stand still while holding it; put it down before walking; never in the mouth.",
            "arms_reach",
        )


@rule("wet_blade", "together", COMMON, "a blade in wet hands")
def _wet_and_blade(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    if tags & {"cutting_tool", "knife"} and any(t.wet for t in things):
        yield Finding("caution", "A blade in wet hands slips.", "Dry hands and handle first.")


@rule("food_mixed", "together", COMMON, "food that touched what is not food")
def _food_and_not_food(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Finding]:
    food = [t for t in things if t.food]
    tasted = [
        t
        for t in things
        if not t.food and not t.made_of_food and ("dough" in t.forms or "filler" in t.forms or "glue" in t.forms)
    ]
    if food and tasted:
        yield Finding(
            "caution",
            f"{food[0].name} together with {tasted[0].name.lower()}: no longer for eating.",
            "Say so before starting; throw it away after.",
        )


_TOGETHER_RULES = tuple(r for r in RULES.values() if r.scope == "together")
