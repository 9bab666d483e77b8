"""What suits a child in a session: which parts an activity may play, what it aims at there, and what does not suit."""

from collections.abc import Sequence

from core.ability import WORTH_NAMING, most_helped, shortfalls
from core.child import Child, Part
from core.library import find_activity, practises
from core.library.activity import Activity
from core.offers import Offer
from core.planner.request import SessionRequest
from core.skills import STRANDS, find_task

TOO_DEMANDING = 1.0  # rungs a demanded strand may be above the child
ANY_STRAND_PARTS = ("opener", "warm-up", "daily", "tidy")
ATTENTION_SHARE = 1 / 3  # of a child's attention a block may take; common practice, no source
SESSION_SHARE = 0.6  # of a session's minutes a block may take; project definition
DOABLE = 0.45  # expected success from which a wish counts as one that can be practised here; project definition
REAL = 0.55  # expected success from which a wish is practised itself and not by what leads to it; project definition
READY_AT = 1.0  # rungs short of what a wanted task needs, at which its block may be longer; project definition
DAILY_LONGER = 2.0  # times the minutes of a daily block once every skill the task needs is within reach
OUTGROWN = 1.6  # rungs below the child from which a grade looks a younger child's; project definition
SEEN_BY_OTHERS = frozenset({"daily", "scissors"})  # targets whose rungs other children see for what they are
PATTERN_AXES = frozenset({"pattern"})  # axes that add colours or pictures to copy


def own_task(activity: Activity, strand: str, request: SessionRequest) -> str:
    """The wanted task an activity practises, aimed at a strand; empty where it is none."""
    tasks = (find_task(t) for t in request.tasks)
    return next((t.id for t in tasks if practises(activity, strand, t)), "")


def is_itself(activity: Activity, task: str) -> bool:
    """Whether an activity is at some grade a wanted task itself, done with the task's own things."""
    return task in activity.itself


def aims(activity: Activity, part: Part, request: SessionRequest) -> list[str]:
    """The strands an activity may be aimed at in a part: those of the targets; in lighter parts its first one too.

    The daily part aims at the wanted task's own strand, where the activity trains it; the main part may where it is the
    task itself or work on its ladder, whatever the targets; so may what a wanted task is short of, and what comes
    nearest to one.
    """
    trained = [s for s in activity.trains if s in request.estimates]
    if part == "daily":
        return [s for s in trained if own_task(activity, s, request)] or trained[:1]
    own = [s for s in trained if part == "main" and _is_own(activity, s, request)]
    wanted = [s for s in trained if STRANDS[s].target in request.targets and _is_wanted_ladder(s, request)]
    wanted += [s for s in own if s not in wanted]
    if part == "main" and not wanted:
        wanted = [s for s in trained if is_short(s, activity.jobs.get(s, ""), request)]
        wanted = wanted or (trained[:1] if comes_nearest(activity, request) else [])
    return wanted or (trained[:1] if part in ANY_STRAND_PARTS or request.format.any_strand else [])


def is_short(strand: str, job: str, request: SessionRequest) -> bool:
    """Whether a wanted task asks for more than the child has of a strand, in a job of the hands."""
    helped = most_helped(strand, job, request.tasks, request.estimates)
    return helped is not None and helped.rungs > WORTH_NAMING


def comes_nearest(activity: Activity, request: SessionRequest) -> str:
    """The wanted task an activity comes nearest to, where that can't be practised itself; empty where it is none."""
    return next((t for t in request.tasks if activity.id in find_task(t).meanwhile), "")


def _is_own(activity: Activity, strand: str, request: SessionRequest) -> bool:
    """Whether an activity aimed at a strand is a wanted task itself, or work on its ladder with its tool."""
    task = own_task(activity, strand, request)
    return (bool(task) and is_itself(activity, task)) or on_own_ladder(activity, strand, request)


def on_own_ladder(activity: Activity, strand: str, request: SessionRequest) -> bool:
    """Whether a strand is a wanted task's own ladder, and the activity practises that task: letters laid from sticks
    are no writing.
    """
    return any(t.strand == strand and practises(activity, strand, t) for t in map(find_task, request.tasks))


def _is_wanted_ladder(strand: str, request: SessionRequest) -> bool:
    """Whether a ladder of daily life is one the family wants; one of another target always is."""
    own = {find_task(t).strand for t in request.tasks} - {""}
    return STRANDS[strand].target != "daily" or not any(STRANDS[s].target == "daily" for s in own) or strand in own


def minutes_of(part: Part, task: str, request: SessionRequest) -> tuple[float, float]:
    """The fewest and most minutes of a block in a part; none asks for more than a third of the child's attention, nor
    for more than most of a short session.

    The wanted task itself gets more of them as the skills it needs come within reach.
    """
    fewest, most = request.format.minutes[part]
    if part == "daily" and task and ready_for(task, request):
        most = round(most * DAILY_LONGER)
    holds = min(request.child.attention_minutes * ATTENTION_SHARE, request.minutes * SESSION_SHARE)
    return fewest, max(fewest, min(most, round(holds)))


def ready_for(task: str, request: SessionRequest) -> bool:
    """Whether every skill a wanted task needs, apart from its own ladder, is within a rung."""
    own = find_task(task).strand
    return all(s.rungs <= READY_AT for s in shortfalls((task,), request.estimates) if s.strand != own)


def too_demanding(offer: Offer, request: SessionRequest) -> tuple[str, float] | None:
    """The strand an offer demands that is furthest above the child, and by how many rungs; None if none is."""
    over = [
        (request_gap, strand)
        for strand in find_activity(offer.variant.activity_id).demands
        if strand in request.estimates
        and (request_gap := offer.rungs[strand] - request.estimates[strand].mean) > TOO_DEMANDING
    ]
    if not over:
        return None
    gap, strand = max(over)
    return strand, gap


def of_its_age(activity: Activity, grade: Sequence[int], child: Child) -> bool:
    """Whether a grade's guise is neither a younger child's nor an older one's: no banging of lids at eight, no copying
    from the board at three. It may still be chosen by hand.
    """
    youngest, oldest = activity.ages(grade)
    return youngest <= child.age_months and (child.age_months < oldest or child.young_guises)


def plain_first(activity: Activity, request: SessionRequest) -> frozenset[int]:
    """The axes that stay at their first step while an activity is new to this child: no pattern to copy yet."""
    patterned = frozenset(at for at, a in enumerate(activity.axes) if a.id in PATTERN_AXES)
    known = patterned and any(
        activity.line in request.estimates[s].activities for s in activity.trains if s in request.estimates
    )
    return frozenset() if known else patterned


def parts_of(activity: Activity, request: SessionRequest) -> tuple[Part, ...]:
    """The parts an activity may play: those of the format; the daily one only where it is of everyday life, and always
    where it is a wanted task itself, which may be main work too.
    """
    played = request.format.plays(activity)
    tasks = {own_task(activity, s, request) for s in activity.trains} - {""}
    own = bool(tasks)
    if "daily" in played and not own and not _is_daily(activity, request):
        return tuple(p for p in played if p != "daily")
    if not own or not request.format.has_task or not {"main", "daily"} & {*activity.parts}:
        return played
    more: tuple[Part, ...] = ("main", "daily") if any(is_itself(activity, t) for t in tasks) else ("daily",)
    return tuple(dict.fromkeys((*played, *more)))


def _is_daily(activity: Activity, request: SessionRequest) -> bool:
    """Whether an activity is of everyday life."""
    return (
        activity.target == "daily"
        or any(STRANDS[s].target == "daily" for s in activity.trains)
        or "daily" in request.targets
    )
