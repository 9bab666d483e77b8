"""Whether a strand has moved, in one plain line; and where the work was made harder or easier."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from itertools import groupby
from math import log
from typing import Literal

from core.ability import (
    AT_RUNG,
    LOG_ODDS_PER_RUNG,
    Estimate,
    FitDay,
    Found,
    Gain,
    JointFit,
    SetEvidence,
    TaskSeen,
    sighting,
)
from core.progress.seen import Seen, stands_at
from core.progress.trends import mann_kendall, nonoverlap, rungs_per_week
from core.recording import SUPPORTS
from core.running import SetResult
from core.skills import Strand

FEWEST_SESSIONS = 4  # sessions before anything is said of a trend; project definition
EARLY_DAYS = 3  # days that later ones are set against; project definition
WORTH_MARKING = 0.25  # rungs between two days' work before it is drawn as a change of grade; project definition
CLEAR_SPREADS = 1.5  # spreads of the change before it is called a move; by core/tests/test_moved.py
CHANCE = 0.2  # p of the trend test under which a trend is hardly chance; by core/tests/test_moved.py
WIDE = 1.2  # rungs: a first guess is no sight of the child, so a path starts where the first days put it
NEUTRAL = Gain(0.0, 0.3, 0.03)  # nearly a straight line, of any slope: standing still is as likely as gaining or losing


@dataclass(frozen=True)
class Point:
    """Where the estimate stood after a day, in rungs."""

    on: date
    mean: float
    sd: float


@dataclass(frozen=True)
class Smoothed:
    """Where a child stood on each day by everything seen before and after it; the change from the first to the last
    day, and the doubt about that change, in rungs.
    """

    points: tuple[Point, ...]
    change: float
    change_sd: float


@dataclass(frozen=True)
class Level:
    """What one day's sets alone say of a strand, in rungs: no other day is used."""

    on: date
    rung: float


@dataclass(frozen=True)
class GradeChange:
    """A day on which an activity was harder or easier than the last time. by, to: rungs; grade: the one it has now."""

    on: date
    activity_id: str
    by: float
    to: float
    grade: tuple[int, ...]


MovementKind = Literal["too_few", "up", "down", "steady"]


@dataclass(frozen=True)
class Movement:
    """kind: up, down, steady or too_few; change and its doubt in rungs; slope in rungs a week; p of the trend test.

    nonoverlap -- share of pairs (early day, later day) in which the later one is higher; None where
                  there are too few days
    """

    kind: MovementKind
    words: str
    change: float
    change_sd: float
    per_week: float | None
    p: float | None
    sessions: int
    nonoverlap: float | None = None


def day_levels(strand: str, sets: Sequence[SetResult]) -> tuple[Level, ...]:
    """Return what each day's sets alone say, oldest first.

    Each set's rung is read back from its share of successes, smoothed by half a success and half a miss
    (Anscombe 1956), its help taken off; a day is the mean over tries. Hand over hand tells nothing.
    Limits: a set of few tries says little, and a perfect one only "at least this".
    """
    result = []
    for on in sorted({s.on for s in sets}):
        rungs = [_read_back(same) for same in _same_work(strand, [s for s in sets if s.on == on])]
        if rungs:
            result.append(Level(on, sum(tries * rung for tries, rung in rungs) / sum(tries for tries, _ in rungs)))
    return tuple(result)


def _same_work(strand: str, sets: Sequence[SetResult]) -> list[list[SetEvidence]]:
    """The sets that say something, those of one grade and one lift of help together."""
    groups: dict[tuple[str, float, str], list[SetEvidence]] = {}
    for s in sets:
        e = s.evidence(strand)
        if e.tries and SUPPORTS[e.support].informative:
            groups.setdefault((e.activity_id, e.difficulty, e.support), []).append(e)
    return list(groups.values())


def _read_back(same: Sequence[SetEvidence]) -> tuple[int, float]:
    tries, won = sum(e.tries for e in same), sum(e.successes for e in same)
    odds = log((won + 0.5) / (tries - won + 0.5))
    return tries, same[0].difficulty - SUPPORTS[same[0].support].lift + (odds - AT_RUNG) / LOG_ODDS_PER_RUNG


def grade_changes(strand: str, sets: Sequence[SetResult]) -> tuple[GradeChange, ...]:
    """Return each time an activity came back at a grade a quarter of a rung or more harder or easier, oldest first.

    The hardest grade of a day stands for the day.
    """
    hardest: dict[tuple[date, str], tuple[float, tuple[int, ...]]] = {}
    for s in sets:
        day = (s.on, s.activity_id)
        hardest[day] = max(hardest.get(day, (-1.0, ())), (s.difficulty[strand], s.grade))
    last: dict[str, float] = {}
    result = []
    for (on, activity), (rung, grade) in sorted(hardest.items()):
        by = rung - last.get(activity, rung)
        if abs(by) >= WORTH_MARKING:
            result.append(GradeChange(on, activity, by, rung, grade))
        last[activity] = rung
    return tuple(result)


def smoothed(
    starts: Mapping[str, Estimate],
    sets: Iterable[SetResult],
    preferred: str = "",
    sightings: Iterable[TaskSeen] = (),
) -> dict[str, Smoothed]:
    """Return, strand by strand, where the child stood on each day by everything seen before and after it.

    starts -- the first guess of each strand; sets -- all of one child's, any order
    sightings -- wanted tasks as family and school saw them: evidence of less weight
    Nothing is taken for granted of the pace: standing still is as likely as gaining or losing.
    Source: the likelihood of all days at once (core.ability.joint_fit); a fixed-interval smoother of a local linear
    trend (Harvey 1989).
    """
    evidence = [(s.on, s.evidence(preferred=preferred)) for s in sets if _tells(s)]
    evidence += [(seen.on, told) for seen in sightings if (told := sighting(seen)) is not None]
    if not any(st in starts for _, e in evidence for st in e.rungs):
        return {}
    evidence.sort(key=lambda e: e[0])
    days = [FitDay(on, [e for _, e in mine]) for on, mine in groupby(evidence, key=lambda e: e[0])]
    fit = JointFit()
    wide = {strand: replace(e, sd=max(e.sd, WIDE)) for strand, e in starts.items()}
    fit.add_child("", wide, days, NEUTRAL)
    found = fit.solve()
    return {strand: s for strand in starts if (s := _smoothed(found, strand, [d.on for d in days])) is not None}


def _tells(s: SetResult) -> bool:
    return bool(s.tries) and SUPPORTS[s.support].informative


def _smoothed(found: Found, strand: str, days: Sequence[date]) -> Smoothed | None:
    names = [(on, name) for on in days if (name := ("rung", "", strand, on)) in found]
    if not names:
        return None
    points = tuple(Point(on, found.value(name), found.sd({name: 1.0})) for on, name in names)
    first, last = names[0][1], names[-1][1]
    between = found.sd({last: 1.0, first: -1.0}) if first != last else 0.0
    return Smoothed(points, points[-1].mean - points[0].mean, between)


def moved(ladder: Strand, path: Smoothed, seen: Sequence[Level], best: Seen | None = None) -> Movement:
    """Return whether a strand moved from its first day to its last.

    path -- where the child stood on each day, by everything seen (smoothed)
    seen -- what each day alone says (day_levels); slope, trend test and non-overlap rest on these
    best -- the highest rung a set succeeded at: above it the words say “probably”
    A move is said where the change is CLEAR_SPREADS of its doubt, the slope agrees and the trend test finds it unlikely
    to be chance. Source: Sen 1968; Mann 1945, Kendall 1975; Parker & Vannest 2009. How often it is wrong:
    core/tests/test_moved.py.
    """
    n = len(seen)
    if n < FEWEST_SESSIONS or len(path.points) < 2:
        return Movement(
            "too_few", f"{ladder.name}: too few sessions to say ({n} of {FEWEST_SESSIONS}).", 0.0, 0.0, None, None, n
        )
    first, last = path.points[0], path.points[-1]
    days, rungs = [(level.on - seen[0].on).days for level in seen], [level.rung for level in seen]
    slope, test = rungs_per_week(days, rungs), mann_kendall(rungs)
    apart = nonoverlap(rungs[:EARLY_DAYS], rungs[EARLY_DAYS:]) if n >= 2 * EARLY_DAYS else None
    change = path.change
    weeks = max(1, round((last.on - first.on).days / 7))
    clear = abs(change) >= CLEAR_SPREADS * path.change_sd and change * slope > 0 and test.p < CHANCE
    kind: MovementKind = "steady" if not clear else "up" if change > 0 else "down"
    if kind == "steady" and abs(change) > path.change_sd:
        return Movement(
            kind, _unsure(ladder, change, path.change_sd, weeks), change, path.change_sd, slope, test.p, n, apart
        )
    words = {
        "up": f"{ladder.name} moved up {change:.1f} rungs, give or take {path.change_sd:.1f}, in {weeks} weeks: "
        f"{stands_at(ladder, last.mean, best)}.",
        "down": f"{ladder.name} went back {-change:.1f} rungs, give or take {path.change_sd:.1f}, in {weeks} weeks: "
        f"{stands_at(ladder, last.mean, best)}.",
        "steady": f"{ladder.name} stayed about where it was over {weeks} weeks: {change:+.1f} rungs, give or take "
        f"{path.change_sd:.1f}.",
    }[kind]
    return Movement(kind, words, change, path.change_sd, slope, test.p, n, apart)


def _unsure(ladder: Strand, change: float, doubt: float, weeks: int) -> str:
    """A change beyond its doubt that the days do not bear out: neither a move nor standing still."""
    way = "have moved up" if change > 0 else "have gone back"
    return f"{ladder.name} may {way} over {weeks} weeks, not sure yet: {change:+.1f} rungs, give or take {doubt:.1f}."


def carried_on(path: Smoothed, later: Sequence[Point]) -> list[Point]:
    """Return what is expected after the last day seen as going on from where that day left the child.

    later -- as the estimate expects it, its first point on the day of the last evidence
    The estimate and the path weigh a strand's shared sets in different ways and may stand apart; what is expected to
    change from then on is the estimate's, where it starts from is the path's, and the doubt is the larger of both.
    """
    if not later or not path.points:
        return list(later)
    apart, doubt = path.points[-1].mean - later[0].mean, path.points[-1].sd
    return [replace(p, mean=p.mean + apart, sd=max(p.sd, doubt)) for p in later]


def beside(change: float, step: str) -> str:
    """Return what keeps a movement and the next step from contradicting each other; empty where they agree.

    step -- the latest one in the same strand, after the therapist's answer
    """
    if step == "up" and change < 0:
        return "At the grade that is worked on now, the next step is due all the same."
    if step == "down" and change > 0:
        return "The last session was too hard at its grade all the same."
    return ""
