"""What a family is told of an activity at one grade: plain words, said for one child."""

from dataclasses import dataclass
from functools import lru_cache

from core.child import Child, for_family
from core.offers.variants import Variant, checked_variant


@dataclass(frozen=True)
class Told:
    """An activity at one grade, so that somebody who never saw it can lead it and count it.

    does         -- what the child does
    grade        -- how it is done at this grade, a sentence for each way of grading
    steps        -- two to five, one act each; the adult's own begin with “You:”
    counts_when  -- what makes a try a success
    grip         -- the grip that goes with it, where the strand is one of grip; a success in another grip is noted so
    why          -- what it is good for
    stop         -- the one safety line
    """

    does: str = ""
    grade: tuple[str, ...] = ()
    steps: tuple[str, ...] = ()
    counts_when: str = ""
    grip: str = ""
    why: str = ""
    stop: str = ""


@lru_cache(maxsize=4096)
def told(variant: Variant, child: Child | None = None) -> Told:
    """Return what a family is told. Raises NotThere when activity or grade does not exist."""
    activity = checked_variant(variant)
    chosen = [axis.steps[at] for axis, at in zip(activity.axes, variant.grade, strict=True)]
    steps = next((step.steps for step in chosen if step.steps), activity.steps)
    return Told(
        for_family(activity.does, child),
        tuple(for_family(step.tell, child) for step in chosen),
        tuple(for_family(words, child) for words in steps),
        for_family(activity.counts_when, child),
        for_family(activity.grip, child),
        for_family(activity.why, child),
        for_family(activity.stop, child),
    )
