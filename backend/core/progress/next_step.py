"""What to do next in a strand: up, hold, down, fade help, swap hands, change activity, check again, check a lower
strand.

Thresholds: common practice (ready at 8 in 10 alone on two days; down after two misses or under 5 in 10)
and from memory (stalled over about 4 sessions; out of date after 6 weeks). Each can be set by policy.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from types import MappingProxyType
from typing import Literal

from core.ability import Estimate
from core.offers import Variant, asks_other_hand
from core.recording import LEVELS, SUPPORTS, less_help
from core.running import SetResult

STALE_DAYS = 42  # evidence older than 6 weeks is checked again; from memory
OTHER_HAND = MappingProxyType({"right": "left", "left": "right"})
BOTH_HANDS = frozenset(
    {"squeeze", "pinch", "hold", "push", "midline"}
)  # trained with either hand on purpose: strength and transfer games; common practice


@dataclass(frozen=True)
class Policy:
    """The thresholds for a clinic or a child."""

    today: date
    strand: str
    ready_share: float = 0.8
    ready_tries: int = 10
    ready_days: int = 2
    row_wanted: int = 0
    down_share: float = 0.5
    down_tries: int = 4
    stall_sessions: int = 4
    stall_rungs: float = 0.25
    stale_days: int = STALE_DAYS
    fade_tries: int = 6
    fade_first: bool = True
    same_level: float = 0.35
    preferred: str = ""


StepKind = Literal["up", "hold", "down", "fade", "swap", "change", "lower", "recheck"]


@dataclass(frozen=True)
class Evidence:
    """One number the decision rests on, with its unit and in words."""

    label: str
    value: float
    unit: str
    words: str


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


def policy_for(strand: str, today: date, fade_first: bool = True, hand: str = "") -> Policy:
    """The usual policy for a strand: toss and catch wants 10 in a row (common practice).

    hand -- the child's settled hand, right or left; anything else leaves hands out of it
    """
    settled = hand if hand in OTHER_HAND and strand in BOTH_HANDS else ""
    return Policy(
        today, strand, row_wanted=10 if strand == "toss_catch" else 0, fade_first=fade_first, preferred=settled
    )


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
    if not history or not policy.preferred:
        return preferred
    return (
        OTHER_HAND[preferred] if _other_hand(_Facts(sorted(history, key=lambda s: s.on), policy), policy) else preferred
    )


def decide(history: Sequence[SetResult], estimate: Estimate, policy: Policy) -> Decision:
    """Return what to do next in one strand.

    history  -- sets that train the strand, any order; only their day, grade, help and counts are used
    estimate -- what the child can do in it, in rungs
    policy   -- thresholds and today's date
    """
    sets = sorted(history, key=lambda s: s.on)
    if not sets:
        return Decision(
            "recheck",
            WORDS["recheck"],
            (Evidence("sets", 0, "sets", "No set on record yet."),),
            "One session with this skill in it.",
        )
    facts = _Facts(sets, policy)
    stale = _out_of_date(facts, policy)
    return (
        stale
        or _too_hard(facts, policy)
        or _ready(facts, policy)
        or _stalled(facts, estimate, policy)
        or _hold(facts, estimate, policy)
    )


class _Facts:
    """The few numbers every rule looks at."""

    def __init__(self, sets: list[SetResult], policy: Policy) -> None:
        self.strand = policy.strand
        self.last_day = sets[-1].on
        self.days = sorted({s.on for s in sets})
        self.today_sets = [s for s in sets if s.on == self.last_day]
        self.level = max(s.difficulty[policy.strand] for s in self.today_sets)
        recent = [s for s in sets if (self.last_day - s.on).days <= policy.stale_days]
        self.here = [s for s in recent if s.difficulty[policy.strand] >= self.level - policy.same_level]
        self.alone = [s for s in self.here if s.alone_tries]
        self.helped = [s for s in self.here if s.support != "alone" and SUPPORTS[s.support].informative]
        self.sets = sets

    @staticmethod
    def share(sets: Sequence[SetResult]) -> tuple[int, int, float]:
        tries, won = sum(s.tries for s in sets), sum(s.successes for s in sets)
        return won, tries, won / tries if tries else 0.0

    @staticmethod
    def share_alone(sets: Sequence[SetResult]) -> tuple[int, int, float]:
        """Successes, tries and their share without help: a try that came right with help after failing is a failure
        here.
        """
        tries, won = sum(s.alone_tries for s in sets), sum(s.alone_successes for s in sets)
        return won, tries, won / tries if tries else 0.0


def _alone_evidence(facts: _Facts) -> tuple[Evidence, ...]:
    won, tries, share = facts.share_alone(facts.alone)
    days = len({s.on for s in facts.alone})
    return (
        Evidence("alone", share, "share of tries", f"{won} of {tries} alone at this grade or harder"),
        Evidence("days", days, "days", f"on {days} day{'' if days == 1 else 's'}"),
    )


def _out_of_date(facts: _Facts, policy: Policy) -> Decision | None:
    gap = (policy.today - facts.last_day).days
    if gap <= policy.stale_days:
        return None
    return Decision(
        "recheck",
        WORDS["recheck"],
        (Evidence("gap", gap, "days", f"Last seen {gap} days ago."),),
        f"One fresh set; evidence older than {policy.stale_days} days is not built on.",
    )


def _too_hard(facts: _Facts, policy: Policy) -> Decision | None:
    hardest = [s for s in facts.today_sets if s.difficulty[policy.strand] >= facts.level - policy.same_level]
    won, tries, share = facts.share(hardest)
    missed = any(s.first_two_missed for s in hardest) and share < policy.ready_share
    if not (missed or (tries >= policy.down_tries and share < policy.down_share)):
        return None
    words = f"{won} of {tries} last time" + (", the first two missed" if missed else "")
    return Decision(
        "down",
        WORDS["down"],
        (Evidence("last", share, "share of tries", words),),
        f"{policy.down_share * 10:.0f} of 10 or better at this grade, without two misses at the start.",
    )


def _ready(facts: _Facts, policy: Policy) -> Decision | None:
    _, tries, share = facts.share_alone(facts.alone)
    days = len({s.on for s in facts.alone})
    row = max((s.longest_row for s in facts.alone), default=0)
    up = (
        share >= policy.ready_share
        and tries >= policy.ready_tries
        and days >= policy.ready_days
        and row >= policy.row_wanted
    )
    fade = _fade(facts, policy)
    if fade and (policy.fade_first or not up):
        return fade
    other = _other_hand(facts, policy)
    if other or not up:
        return other
    return Decision(
        "up",
        WORDS["up"],
        _alone_evidence(facts),
        f"Fewer than {policy.ready_share * 10:.0f} of 10 alone at the next grade brings it back.",
    )


def _other_hand(facts: _Facts, policy: Policy) -> Decision | None:
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


def _fade(facts: _Facts, policy: Policy) -> Decision | None:
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
    return Decision(
        "fade",
        f"{WORDS['fade']}: {SUPPORTS[less].words}",
        (Evidence("helped", share, "share of tries", f"{won} of {tries} with {SUPPORTS[most].words}"),),
        "Success that drops under 7 of 10 with less help brings the help back.",
    )


def _stalled(facts: _Facts, estimate: Estimate, policy: Policy) -> Decision | None:
    days = facts.days[-policy.stall_sessions :]
    if len(days) < policy.stall_sessions:
        return None
    levels = [max(s.difficulty[policy.strand] for s in facts.sets if s.on == day) for day in days]
    shares = [facts.share([s for s in facts.sets if s.on == day])[2] for day in days]
    climbed = max(levels[1:]) - levels[0]
    better = shares[-1] - shares[0]
    if climbed >= policy.stall_rungs or better >= 0.15:
        return None
    activities = {s.activity_id for s in facts.sets if s.on in days}
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
            Evidence("level", estimate.mean, "rungs", f"Estimated at rung {estimate.mean:.1f}"),
        ),
        remedy,
    )


def _hold(facts: _Facts, estimate: Estimate, policy: Policy) -> Decision:
    won, tries, _ = facts.share_alone(facts.alone)
    wanting = []
    if tries < policy.ready_tries:
        wanting.append(f"{policy.ready_tries - tries} more tries alone")
    if len({s.on for s in facts.alone}) < policy.ready_days:
        wanting.append("another day")
    if tries and won / tries < policy.ready_share:
        wanting.append(f"{policy.ready_share * 10:.0f} of 10 alone")
    if policy.row_wanted:
        wanting.append(f"{policy.row_wanted} in a row")
    return Decision(
        "hold",
        WORDS["hold"],
        _alone_evidence(facts),
        "To step up: " + (", ".join(wanting) or "one more good day") + ".",
    )
