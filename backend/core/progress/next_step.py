"""What to do next in a strand: up, hold, down, fade help, swap hands, change activity, check again, check a lower
strand.

A step rests on what is believed of the child: how likely a set at this grade, and at the ones beside it, is well
placed. The trade's floors stand beside it as safeguards: enough tries, on two days, ten in a row where the trade asks
for it. The thresholds and what they rest on are in `step_basis.py`.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from core.ability import Estimate, chance
from core.offers import Variant, asks_other_hand
from core.progress.step_basis import OTHER_HAND, Belief, Evidence, Facts, Thresholds, policy_for, telling
from core.recording import LEVELS, SUPPORTS, less_help
from core.running import SetResult

StepKind = Literal["up", "hold", "down", "fade", "swap", "change", "lower", "recheck"]


@dataclass(frozen=True)
class Decision:
    """What to do next, in words, with what it rests on and what would change it."""

    kind: StepKind
    words: str
    evidence: tuple[Evidence, ...]
    would_change: str


WORDS: dict[StepKind, str] = {
    "up": "Ready for one step harder",
    "hold": "Stay at this grade",
    "down": "One step easier",
    "fade": "Same grade, less help",
    "swap": "Same grade, the other hand",
    "change": "Same rung, another activity",
    "lower": "Check the underlying skills",
    "recheck": "Re-assess first",
}


_PRIORITY: dict[StepKind, int] = {
    "down": 0,
    "fade": 1,
    "swap": 2,
    "up": 2,
    "lower": 3,
    "change": 4,
    "recheck": 5,
    "hold": 6,
}


def priority(kind: StepKind) -> int:
    """Return the place of a step among those of one run: what went wrong first, what stays last. Project definition."""
    return _PRIORITY[kind]


def next_hand(
    history: Sequence[SetResult], strand: str, preferred: str, today: date, variant: Variant | None = None
) -> str:
    """Return the hand to use next in a strand: the other one where it is its turn, else the preferred one.

    variant -- where given, a grade that asks for the other hand has its way
    """
    if preferred not in OTHER_HAND:
        return preferred
    if variant and asks_other_hand(variant):
        return OTHER_HAND[preferred]
    policy = policy_for(strand, today, hand=preferred)
    sets = telling(history)
    if not sets or not policy.preferred:
        return preferred
    return OTHER_HAND[preferred] if _other_hand(Facts(sets, policy), policy) else preferred


def decide(history: Sequence[SetResult], estimate: Estimate, policy: Thresholds) -> Decision:
    """Return what to do next in one strand.

    history  -- sets that train the strand, any order; only their day, grade, help and counts are used
    estimate -- what the child can do in it, in rungs, after all of them
    policy   -- thresholds and today's date
    """
    sets = telling(history)
    if not sets:
        return Decision(
            "recheck",
            WORDS["recheck"],
            (Evidence("sets", 0, "sets", "No set on record yet that tells anything."),),
            "One session with this skill in it.",
        )
    facts = Facts(sets, policy)
    belief = Belief(estimate, facts)
    stale = _out_of_date(facts, policy)
    return (
        stale
        or _too_hard(facts, belief, policy)
        or _ready(facts, belief, policy)
        or _stalled(facts, belief, policy)
        or _hold(facts, belief, policy)
    )


def _alone_evidence(facts: Facts, policy: Thresholds) -> tuple[Evidence, ...]:
    won, tries, share = facts.share_alone(facts.lately(policy.ready_days))
    days = len({s.on for s in facts.ready_sets})
    return (
        Evidence("alone", share, "share of tries", f"{won} of {tries} alone at this grade lately"),
        Evidence("days", days, "days", f"on {days} day{'' if days == 1 else 's'}"),
    )


def _out_of_date(facts: Facts, policy: Thresholds) -> Decision | None:
    gap = (policy.today - facts.last_day).days
    if gap <= policy.stale_days:
        return None
    return Decision(
        "recheck",
        WORDS["recheck"],
        (Evidence("gap", gap, "days", f"Last seen {gap} days ago."),),
        f"One fresh set; evidence older than {policy.stale_days} days is not built on.",
    )


def _too_hard(facts: Facts, belief: Belief, policy: Thresholds) -> Decision | None:
    """The belief says that this grade is not managed and the next easier one suits better; one bad day is not enough
    where much was seen before.
    """
    today = [s for s in facts.today_sets if abs(s.difficulty[policy.strand] - facts.level) <= policy.same_level]
    won, tries, share = facts.share(today)
    helped = all(s.support != "alone" and s.help_first for s in today)
    not_managed = 1 - belief.at_least(policy.managed)
    if share >= policy.ready_share or helped or not_managed < policy.too_hard or not belief.better(-1):
        return None
    return Decision(
        "down",
        WORDS["down"],
        (Evidence("last", share, "share of tries", f"{won} of {tries} last time"), *belief.evidence(policy)),
        f"Sets of {policy.ready_share * 10:.0f} of 10 or better at this grade.",
    )


def _ready(facts: Facts, belief: Belief, policy: Thresholds) -> Decision | None:
    tries = sum(s.alone_tries for s in facts.ready_sets)
    days = len({s.on for s in facts.ready_sets})
    row = max((s.longest_row for s in facts.alone), default=0)
    _, _, lately = facts.share_alone(facts.lately(policy.ready_days))
    floors = tries >= policy.ready_tries and days >= policy.ready_days and row >= policy.row_wanted
    floors = floors and lately >= policy.lately_share
    up = floors and belief.at_least(policy.managed) >= policy.sure and belief.better(1)
    fade = _fade(facts, belief, policy)
    if fade and (policy.fade_first or not up):
        return fade
    other = _other_hand(facts, policy)
    if other or not up:
        return other
    return Decision(
        "up",
        WORDS["up"],
        (*_alone_evidence(facts, policy), *belief.evidence(policy)),
        f"Fewer than {policy.ready_share * 10:.0f} of 10 alone at the next grade brings it back.",
    )


def _other_hand(facts: Facts, policy: Thresholds) -> Decision | None:
    """The preferred hand is ready and the other is not there yet: the same grade with the other, on purpose."""
    if not policy.preferred:
        return None
    mine = [s for s in facts.alone if s.hand == policy.preferred]
    others = [s for s in facts.alone if s.hand == OTHER_HAND[policy.preferred]]
    won, tries, share = facts.share_alone(mine)
    other_won, other_tries, other_share = facts.share_alone(others)
    if tries < policy.ready_tries or share < policy.ready_share or len({s.on for s in mine}) < policy.ready_days:
        return None
    if other_tries >= policy.ready_tries and other_share >= policy.ready_share:
        return None
    other = OTHER_HAND[policy.preferred]
    words = f"{other} hand {other_won} of {other_tries}" if other_tries else f"{other} hand not tried at this grade"
    return Decision(
        "swap",
        f"{WORDS['swap']}: {other}",
        (
            Evidence("preferred", share, "share of tries", f"{policy.preferred} hand {won} of {tries} alone"),
            Evidence("other", other_share, "share of tries", words),
        ),
        f"{policy.ready_share * 10:.0f} of 10 with the {other} hand in {policy.ready_tries} tries: then one step "
        "harder.",
    )


def _fade(facts: Facts, belief: Belief, policy: Thresholds) -> Decision | None:
    """Most of the last day's tries had help from their start and came right, and less help is likely to do."""
    today = [s for s in facts.helped if s.on == facts.last_day]
    unhelped = [s for s in facts.here if s.on == facts.last_day and s.support == "alone"]
    won, tries, _ = facts.share(today)
    # help that comes after a failed try did not come, or did not do, where the try stayed a failure
    still_failed = (
        sum(s.tries - s.successes for s in unhelped if not s.help_first) if any(s.failed_alone for s in today) else 0
    )
    share = won / (tries + still_failed) if tries else 0.0
    if (
        tries < policy.fade_tries
        or share < policy.ready_share
        or tries <= sum(s.tries for s in unhelped) - still_failed
    ):
        return None
    most = max((s.support for s in today), key=LEVELS.index)
    less = less_help(most) or "alone"
    expected = float(chance(belief.estimate, belief.level, less, belief.name))
    if expected < policy.fade_chance and all(s.help_first for s in today):
        return None  # help after a failed try says too little of what less help would do: there the counts decide
    return Decision(
        "fade",
        f"{WORDS['fade']}: {SUPPORTS[less].words}",
        (
            Evidence("helped", share, "share of tries", f"{won} of {tries} with {SUPPORTS[most].words}"),
            Evidence("less", expected, "share of tries", f"{expected * 10:.1f} of 10 expected with less help"),
        ),
        "Success that drops under 7 of 10 with less help brings the help back.",
    )


def _stalled(facts: Facts, belief: Belief, policy: Thresholds) -> Decision | None:
    """The last four sessions, none of them out of date, brought neither a grade nor clearly more successes, and the
    grade is not managed.
    """
    days = sorted({s.on for s in facts.recent})[-policy.stall_sessions :]
    if len(days) < policy.stall_sessions:
        return None
    sets = [s for s in facts.recent if s.on >= days[0]]
    levels = [max(s.difficulty[policy.strand] for s in sets if s.on == day) for day in days]
    shares = [facts.share([s for s in sets if s.on == day])[2] for day in days]
    climbed = max(levels[1:]) - levels[0]
    better = shares[-1] - shares[0]
    if climbed >= policy.stall_rungs or better >= 0.15 or shares[-1] >= policy.ready_share:
        return None
    activities = {s.activity_id for s in sets}
    kind: StepKind = "change" if len(activities) < 3 else "lower"
    words = f"No grade gained in {len(days)} sessions ({min(shares) * 10:.0f} to {max(shares) * 10:.0f} of 10)"
    remedy = (
        "A grade gained, or clearly more successes at this one."
        if kind == "change"
        else "Three activities tried at this rung: look at seat, tool, fatigue and the strands it stands on."
    )
    return Decision(
        kind,
        WORDS[kind],
        (
            Evidence("climbed", climbed, "rungs", words),
            Evidence("level", belief.estimate.mean, "rungs", f"estimated at rung {belief.estimate.mean:.1f}"),
        ),
        remedy,
    )


def _hold(facts: Facts, belief: Belief, policy: Thresholds) -> Decision:
    tries = sum(s.alone_tries for s in facts.ready_sets)
    wanting = []
    if tries < policy.ready_tries:
        wanting.append(f"{policy.ready_tries - tries} more tries alone")
    if len({s.on for s in facts.ready_sets}) < policy.ready_days:
        wanting.append("another day")
    if belief.at_least(policy.managed) < policy.sure:
        wanting.append(f"{policy.ready_share * 10:.0f} of 10 alone, for longer")
    if max((s.longest_row for s in facts.alone), default=0) < policy.row_wanted:
        wanting.append(f"{policy.row_wanted} in a row")
    return Decision(
        "hold",
        WORDS["hold"],
        (*_alone_evidence(facts, policy), *belief.evidence(policy)),
        "To step up: " + (", ".join(wanting) or "one more good day") + ".",
    )
