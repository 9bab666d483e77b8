"""Hazards that no thing has alone: what two things, or a thing and what is done with it, do together.

Common practice, no source, unless a rule says otherwise.
"""

from collections.abc import Callable, Iterator, Sequence

from core.child import Child, Setting
from core.materials import Thing
from core.safety.rules import COMMON, LONG_CORD_MM, Hit, Verdict, fits_small_parts_cylinder, judged

MOVING = frozenset({"wall", "weight_on_hands"})  # tags of work done standing, crawling or lying
POKING = frozenset({"stick", "pen", "tongs", "fork"})
LONG_STICK_MM = 90  # mm, from memory: long enough to poke an eye or a palate in a fall
THIN_STICK_MM = 14  # mm, from memory


def assess_together(things: Sequence[Thing], tags: Sequence[str], child: Child, setting: Setting) -> Verdict:
    """Return the verdict on things used together in work with these hazard tags. Single things are judged elsewhere."""
    return judged((hit for rule in _RULES for hit in rule(things, frozenset(tags), child)), child, setting)


def _cord_and_neck(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Hit]:
    cords = [t for t in things if "cord" in t.forms and t.stiffness != "rigid" and (t.cord_mm or 0) > LONG_CORD_MM]
    if cords and tags & MOVING:
        yield Hit("cord_neck", "barred", f"{cords[0].name} where the child crawls, lies or moves about: it can catch a neck.",
                  COMMON, "Do this one seated at the table, or use a cord under 30 cm.")  # fmt: skip


def _balloon_and_latex(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Hit]:
    if any(t.balloon and t.latex for t in things):
        yield Hit("balloon_latex", "caution", "A rubber balloon: a burst piece can choke, and it sheds latex.",
                  COMMON, "An adult blows it up, holds it and picks up every piece at once; foil, paper or a scarf is better.", "arms_reach")  # fmt: skip


def _small_and_hidden(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Hit]:
    filler = any("filler" in t.forms for t in things)
    small = [t for t in things if "filler" not in t.forms and "cord" not in t.forms and fits_small_parts_cylinder(t.shape)]
    if filler and small:
        yield Hit("small_hidden", "caution", f"{small[0].name} out of sight in the tub.",
                  COMMON, "Count them in and count them out before the tub goes away.")  # fmt: skip


def _stick_and_movement(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Hit]:
    sticks = [
        t for t in things if t.forms & POKING and t.longest_mm >= LONG_STICK_MM and t.size_mm <= THIN_STICK_MM and not t.soft
    ]
    if sticks and tags & MOVING:
        yield Hit("stick_moving", "caution", f"{sticks[0].name} in the hand while standing or moving.",
                  COMMON, "Stand still while holding it; put it down before walking; never in the mouth.", "arms_reach")  # fmt: skip


def _wet_and_blade(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Hit]:
    if "cutting_tool" in tags and any(t.wet for t in things):
        yield Hit("wet_blade", "caution", "A blade in wet hands slips.", COMMON, "Dry hands and handle first.")


def _food_and_not_food(things: Sequence[Thing], tags: frozenset[str], child: Child) -> Iterator[Hit]:
    food = [t for t in things if t.food]
    tasted = [t for t in things if not t.food and ("dough" in t.forms or "filler" in t.forms or "glue" in t.forms)]
    if food and tasted:
        yield Hit("food_mixed", "caution", f"{food[0].name} together with {tasted[0].name.lower()}: no longer for eating.",
                  COMMON, "Say so before starting; throw it away after.")  # fmt: skip


_RULES: tuple[Callable[[Sequence[Thing], frozenset[str], Child], Iterator[Hit]], ...] = (
    _cord_and_neck, _balloon_and_latex, _small_and_hidden, _stick_and_movement, _wet_and_blade, _food_and_not_food,
)  # fmt: skip
