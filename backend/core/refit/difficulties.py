"""Difficulties worked out again from a clinic's own children.

A linear logistic test model (Fischer 1973) with random effects (de Boeck & Wilson 2004): what an activity and each of
its steps ask is the library's rung and what all children together show beside it, drawn towards the library; each
child's rung, days, pace, reliance on help and own offsets are worked out at the same time, so that a child who finds an
activity hard does not pass for an activity that is hard. The whole likelihood is used, not the estimates kept.

A strength asked by the force of the very thing in use is measured, and stays as it is. Seconds a try go by the median
gaps of children, drawn towards the library (normal means with a known spread; Morris 1983).
"""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import asdict, dataclass
from itertools import groupby
from math import exp, log, sqrt
from typing import Any, Literal

from core.ability import Common, Estimate, FitDay, Found, Gain, JointFit
from core.library import find_activity
from core.recording import SUPPORTS, Learned
from core.running import SetResult, paces
from core.skills import is_own

SPREADS = {"base": 0.5, "own": 1.0, "step": 0.08, "help": 0.25}
"""Rungs that an activity, a step of an axis and the lift of a level of help may be from what the library says, before
anything was found; from memory, as everything the library says.
"""
WORTH_SAYING = 0.1  # rungs, or a tenth of the seconds: less is not worth a look; project definition
COUNTS_AS = 2  # findings that this first guess counts as, when the spreads are worked out from what was found
ROUNDS = 5  # of working out the spreads anew (expectation and maximisation; Dempster, Laird & Rubin 1977)
SECONDS_SD, OWN_SECONDS_SD = 0.25, 0.35  # log seconds: of activities, of children at one activity; from memory
USUAL_GAIN = Gain(0.025, 0.025)  # rungs a week, and the doubt: as the estimate takes it

Kind = Literal["base", "step", "help", "seconds"]
Name = tuple[str, ...]


@dataclass(frozen=True)
class History:
    """One child's sets, oldest first, and the first guess of each strand. preferred -- the settled hand."""

    child: int
    starts: Mapping[str, Estimate]
    sets: Sequence[SetResult]
    preferred: str = ""


@dataclass(frozen=True)
class Correction:
    """One thing that was found: what the library says and what the children show.

    kind  -- base and help in rungs, step in rungs, seconds as a factor
    shift -- how far it is from the library: rungs harder, rungs more lift, times longer
    sd    -- the doubt about it, in the same unit (of seconds: of the logarithm)
    """

    kind: Kind
    key: str
    shift: float
    sd: float
    children: int
    tries: int

    @property
    def spreads_off(self) -> float:
        """How many spreads of its doubt it is from the library; from 1 on it is clearly elsewhere."""
        return abs(log(self.shift) if self.kind == "seconds" else self.shift) / self.sd


@dataclass(frozen=True)
class Refit:
    """All that was found, what is furthest from the library first; and how many children and tries it rests on."""

    findings: tuple[Correction, ...]
    children: int
    tries: int

    def plain(self) -> list[dict[str, object]]:
        """The findings as plain values that go into JSON and come back by from_plain."""
        return [asdict(f) for f in self.findings]

    @classmethod
    def from_plain(cls, findings: Iterable[Mapping[str, Any]], children: int, tries: int) -> "Refit":
        """What `plain` made, read back."""
        return cls(tuple(Correction(**f) for f in findings), children, tries)

    def differs(self, other: "Refit") -> bool:
        """Whether anything was found that is clearly elsewhere than in another refit: worth being looked at."""
        before = {(f.kind, f.key): f.shift for f in other.findings}
        return any(
            abs(f.shift - before.get((f.kind, f.key), 1.0 if f.kind == "seconds" else 0.0)) >= WORTH_SAYING
            for f in self.findings
        )

    def learned(self, version: str) -> Learned:
        """What is used when this is accepted."""
        by_kind: dict[Kind, dict[str, float]] = {"base": {}, "step": {}, "help": {}, "seconds": {}}
        for f in self.findings:
            by_kind[f.kind][f.key] = f.shift
        lifts = {level: SUPPORTS[level].lift + by for level, by in by_kind["help"].items() if level in SUPPORTS}  # type: ignore[index]
        return Learned(version, by_kind["base"], by_kind["step"], lifts, by_kind["seconds"])


def refit(histories: Iterable[History]) -> Refit:
    """Return what all children together show, drawn towards the library. Raises ValueError where no set tells anything.

    Limits: children are taken as independent; where a set asks of several strands the weakest decides.
    """
    every = [h for h in histories if h.sets]
    used: dict[Name, dict[int, int]] = defaultdict(lambda: defaultdict(int))  # name: child: tries
    days = {h.child: [_day(h, list(sets), used) for _, sets in groupby(h.sets, key=lambda s: s.on)] for h in every}
    fit = JointFit(Common(name, SPREADS[_spread_kind(name)]) for name in sorted(used))
    for h in every:
        fit.add_child(h.child, h.starts, days[h.child], USUAL_GAIN)
    spreads, found = dict(SPREADS), None
    for _ in range(ROUNDS):
        found = fit.solve({name: spreads[_spread_kind(name)] for name in used}, found)
        findings = [_finding(found, name, by_child) for name, by_child in used.items()]
        spreads = {kind: _spread_of(kind, findings) for kind in spreads}
    findings += _seconds(every)
    findings.sort(key=lambda f: (-abs(log(f.shift) if f.kind == "seconds" else f.shift), f.kind, f.key))
    return Refit(tuple(findings), len(every), sum(s.tries for h in every for s in h.sets))


def _spread_kind(name: Sequence[str]) -> str:
    """Of what kind a name is when it comes to how far the library may be from the truth: own activities are apart."""
    return "own" if name[0] == "base" and is_own(name[1]) else name[0]


def _spread_of(kind: str, findings: Sequence[Correction]) -> float:
    """How far the library is from the truth in one kind of thing, by what was found of all of them."""
    mine = [f.shift**2 + f.sd**2 for f in findings if _spread_kind((f.kind, f.key)) == kind]
    return sqrt((sum(mine) + COUNTS_AS * SPREADS[kind] ** 2) / (len(mine) + COUNTS_AS))


def _day(history: History, sets: Sequence[SetResult], used: dict[Name, dict[int, int]]) -> FitDay:
    evidence, common = [], []
    for s in sets:
        e = s.evidence(preferred=history.preferred)
        counted = [st for st in e.rungs if st in history.starts and history.starts[st].counts(s.on)]
        names = {strand: _names(s, strand, e.support) for strand in counted}
        for name in {n for mine in names.values() for n in mine}:
            used[name][history.child] += e.tries
        evidence.append(e)
        common.append(names)
    return FitDay(sets[0].on, evidence, common)


def _names(s: SetResult, strand: str, support: str) -> list[Name]:
    """What is common to all children and bears on a set in a strand."""
    names: list[Name] = [("help", support)] if SUPPORTS[support].lift else []  # type: ignore[index]
    if strand in s.asked:
        return names
    activity = find_activity(s.activity_id)
    names.append(("base", activity.line, strand))
    for axis, at in zip(activity.axes, s.grade, strict=True):
        if axis.steps[at].rungs.get(strand):
            names.append(("step", activity.line, axis.id, str(at), strand))
    return names


def _finding(found: Found, name: Name, by_child: Mapping[int, int]) -> Correction:
    kind: Kind = name[0]  # type: ignore[assignment]
    harder = found.value(name)
    shift = -harder if kind == "help" else harder
    return Correction(kind, "/".join(name[1:]), shift, found.sd({name: 1.0}), len(by_child), sum(by_child.values()))


def _seconds(histories: Iterable[History]) -> list[Correction]:
    logs: dict[str, list[tuple[float, int]]] = defaultdict(list)
    for h in histories:
        for activity, pace in paces(h.sets).items():
            logs[activity].append((pace.log_ratio, pace.tries))
    result = []
    for activity, mine in logs.items():
        precision = 1 / SECONDS_SD**2 + len(mine) / OWN_SECONDS_SD**2
        mean = sum(value for value, _ in mine) / OWN_SECONDS_SD**2 / precision
        result.append(
            Correction("seconds", activity, exp(mean), sqrt(1 / precision), len(mine), sum(tries for _, tries in mine))
        )
    return result
