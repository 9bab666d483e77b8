"""Axes, difficulty in rungs, and the one-step neighbours a home allows."""

from dataclasses import dataclass
from functools import lru_cache

from core.child import Child, for_child, for_family
from core.library import find_activity, line_of
from core.offers.offer import Offer
from core.offers.usable_cupboard import UsableCupboard
from core.offers.variants import Variant, checked_variant, difficulty, tags_of, variants_of

SAME_RUNG = 0.35  # rungs: grades this close are offered as equals; project definition


@dataclass(frozen=True)
class Neighbour:
    """A grade one step away; words and tell say what to change, to a therapist and to a family."""

    variant: Variant
    axis: str
    words: str
    tell: str
    rungs: float

    @property
    def grade(self) -> tuple[int, ...]:
        """The chosen step of each axis."""
        return self.variant.grade


@dataclass(frozen=True)
class DialStep:
    """One step of a dial as one home sees it."""

    words: str
    rungs: float
    chosen: bool
    available: bool
    why_not: str = ""
    remedy: str = ""


@dataclass(frozen=True)
class Dial:
    """One axis, easier to the left, harder to the right."""

    axis: str
    words: str
    steps: tuple[DialStep, ...]


@lru_cache(maxsize=8192)
def grade_words(variant: Variant, child: Child | None = None) -> tuple[str, ...]:
    """The chosen step of each axis, in words; with a child, sides and ways said for that child. A bare number says of
    what.
    """
    activity = checked_variant(variant)
    chosen = ((axis, axis.steps[at].words) for axis, at in zip(activity.axes, variant.grade, strict=True))
    text = (w if any(c.isalpha() for c in w) else f"{axis.words[0].lower()}{axis.words[1:]}: {w}" for axis, w in chosen)
    return tuple(for_child(words, child) for words in text)


def asks_other_hand(variant: Variant) -> bool:
    """Whether the grade itself asks for the hand the child does not prefer."""
    return "other_hand" in tags_of(checked_variant(variant), variant.grade)


def evidence_name(variant: Variant, preferred: str) -> str:
    """Return the name under which a child's sets at a grade count: the activity's, or one of its own where the grade
    asks for the other hand.

    preferred -- the child's settled hand, right or left; anything else leaves hands out of it
    """
    other = {"right": "left", "left": "right"}.get(preferred)
    hand = other if asks_other_hand(variant) else None
    return by_hand(variant.activity_id, hand, preferred)


def by_hand(activity_id: str, hand: str | None, preferred: str) -> str:
    """Return the name under which work with a hand counts: the other hand is an activity of its own."""
    settled = preferred in ("right", "left") and hand in ("right", "left")
    line = line_of(activity_id)
    return f"{line}/{hand}" if settled and hand != preferred else line


def neighbours(variant: Variant, stock: UsableCupboard, strand: str = "") -> tuple[Neighbour | None, Neighbour | None]:
    """Return (easier, harder): the smallest change on one axis that this home and the hazards allow.

    stock  -- the cupboard as one child may use it in one setting
    strand -- the strand that is worked on: a step that moves it comes before one that does not; by default the first
    None on a side where no step is left or none is on offer.
    """
    activity = checked_variant(variant)
    strand = strand or activity.strand
    easier: list[Neighbour] = []
    harder: list[Neighbour] = []
    for place, axis in enumerate(activity.axes):
        for side, result in ((-1, easier), (1, harder)):
            near = _next_on_offer(variant, place, side, stock)
            if near is not None:
                now, then = axis.steps[variant.grade[place]], axis.steps[near.grade[place]]
                rungs = then.rungs.get(strand, 0.0) - now.rungs.get(strand, 0.0)
                result.append(
                    Neighbour(
                        near,
                        axis.id,
                        for_child(f"{axis.words}: {then.words}, instead of {now.words}", stock.child),
                        for_family(then.tell, stock.child),
                        rungs,
                    )
                )
    return _smallest(easier), _smallest(harder)


def _smallest(result: list[Neighbour]) -> Neighbour | None:
    return min(result, key=lambda n: (n.rungs == 0, abs(n.rungs)), default=None)


def _next_on_offer(variant: Variant, place: int, side: int, cupboard: UsableCupboard) -> Variant | None:
    at = variant.grade[place] + side
    if not 0 <= at < len(find_activity(variant.activity_id).axes[place].steps):
        return None
    moved = variant.moved(place, at)
    return moved if cupboard.offer(moved) is not None else None


def dials(variant: Variant, cupboard: UsableCupboard) -> tuple[Dial, ...]:
    """Return every axis with its steps, each with why it is not on offer in this home."""
    activity = checked_variant(variant)
    return tuple(
        Dial(axis.id, axis.words, tuple(_dial_step(variant, place, at, cupboard) for at in range(len(axis.steps))))
        for place, axis in enumerate(activity.axes)
    )


def _dial_step(variant: Variant, place: int, at: int, cupboard: UsableCupboard) -> DialStep:
    activity = find_activity(variant.activity_id)
    step = activity.axes[place].steps[at]
    lack = cupboard.lack(variant.moved(place, at))
    return DialStep(
        for_child(step.words, cupboard.child),
        step.rungs.get(activity.strand, 0.0),
        at == variant.grade[place],
        lack is None,
        lack.reason if lack else "",
        lack.remedy if lack else "",
    )


def equals(variant: Variant, cupboard: UsableCupboard, within: float = SAME_RUNG) -> tuple[Offer, ...]:
    """Return offers of other activities that train the same strand at the same rung, nearest first.

    within -- rungs; how far from the variant's own difficulty still counts as the same
    """
    strand = find_activity(variant.activity_id).strand
    at = difficulty(variant)[strand]
    result = []
    for activity in cupboard.activities.values():
        if activity.id != variant.activity_id and strand in activity.trains:
            near = [
                (abs(difficulty(v)[strand] - at), v.grade, o) for v in variants_of(activity) if (o := cupboard.offer(v))
            ]
            result += sorted(near, key=lambda n: n[:2])[:1]
    return tuple(offer for gap, _, offer in sorted(result, key=lambda n: (n[0], n[1])) if gap <= within)
