"""Reads for the caseload list, the results of a run and the progress page."""

from collections import defaultdict
from dataclasses import dataclass
from datetime import date, timedelta
from uuid import UUID

from django.db.models import Max
from django.http import Http404

from caseload import queries as caseload
from caseload.facts import facts_of, learned_of, overrides_of, start_of, tasks_seen
from caseload.models import Child, LibraryVersion
from clinic.actions import log
from clinic.models import Member
from clinic.permissions import require
from core import ability
from core.progress import CaseloadStatus, Point, Seen, Smoothed, StepKind, highest_seen, smoothed, statuses
from core.running import SetResult
from core.skills import STRANDS
from progress.models import DecisionRecord, Goal, Note
from running.models import Run, SetRecord
from running.queries import SET_FIELDS, all_sets, set_from

AHEAD = 3  # weeks that what is expected is shown on from today


@dataclass(frozen=True)
class CaseloadLine:
    """One child on Monday's list."""

    child: Child
    last_on: date | None
    due_on: date | None
    is_due: bool
    statuses: tuple[CaseloadStatus, ...]

    def is_in(self, group: str) -> bool:
        """Whether the child belongs to a group of the list; one who is new is to be checked, too."""
        ids = {s.id for s in self.statuses}
        return (
            group == "all" or (self.is_due if group == "due" else group in ids) or (group == "recheck" and "new" in ids)
        )


def caseload_lines(member: Member, mine: bool, letters: str, today: date) -> list[CaseloadLine]:
    """Every child whose care is open, or this member's own, with the last run and the latest step proposed in each
    strand. Three queries.
    """
    children = list(caseload.named(caseload.children(member), letters).filter(**{"therapist": member} if mine else {}))
    last = dict(Run.objects.visible_to(member).filter(ended_at__isnull=False).values_list("child").annotate(Max("on")))
    latest = defaultdict(list)
    for d in (
        DecisionRecord.objects.visible_to(member).order_by("child_id", "strand", "-on").distinct("child_id", "strand")
    ):
        latest[d.child_id].append(d)
    return [_line(c, last.get(c.pk), latest[c.pk], today) for c in children]


def _line(child: Child, last_on: date | None, decisions: list[DecisionRecord], today: date) -> CaseloadLine:
    due_on = _due(child, last_on)
    says = statuses(last_on, [d.latest for d in decisions], today, overrides_of(child))
    return CaseloadLine(child, last_on, due_on, due_on is None or due_on <= today, says)


def _due(child: Child, last_on: date | None) -> date | None:
    return date.fromordinal(last_on.toordinal() + child.every_days) if last_on else None


def decision_for(member: Member, decision_id: int) -> DecisionRecord:
    """Return one proposed step. Raises Http404."""
    require(member, "progress.read")
    result = DecisionRecord.objects.visible_to(member).select_related("child").filter(pk=decision_id).first()
    if result is None:
        raise Http404(f"No proposed step {decision_id} in your clinic.")
    return result


def paths(child: Child, today: date) -> dict[str, Smoothed]:
    """Where the child stood in each strand on each day, by everything seen. Five queries."""
    learned, facts = learned_of(child), facts_of(child, today)
    starts = {row.strand: start_of(row, facts, today, learned) for row in child.estimates.all()}
    return smoothed(starts, all_sets(child, learned), child.hand, tasks_seen(child))


def expected(child: Child, strand: str, today: date) -> list[Point]:
    """Where a strand is expected to stand: on the day of the last evidence, today, and some weeks on."""
    row = next((r for r in child.estimates.all() if r.strand == strand), None)
    estimate = ability.from_plain(row.state) if row else None
    if estimate is None or estimate.as_of is None:
        return []
    days = sorted({estimate.as_of, max(today, estimate.as_of), max(today, estimate.as_of) + timedelta(weeks=AHEAD)})
    later = [(on, ability.on_day(estimate, on)) for on in days]
    return [Point(on, e.mean, e.sd) for on, e in later]


def latest_steps(child: Child) -> dict[str, StepKind]:
    """The latest step in each strand, after the therapist's answer. One query."""
    latest = DecisionRecord.objects.filter(child=child).order_by("strand", "-on", "-pk").distinct("strand")
    return {d.strand: d.settled_kind for d in latest}


def sets_of(run: Run) -> list[tuple[str, SetResult]]:
    """The sets of one run, each with its strand, in the order they were begun. One query."""
    return [(strand, set_from(row)) for strand, *row in run.sets.order_by("pk").values_list("strand", *SET_FIELDS)]


def best_by_strand(child: Child) -> tuple[dict[str, Seen], dict[str, UUID]]:
    """The highest rung seen in each strand, and the run it was seen in where it was a run. Two queries."""
    best: dict[str, Seen] = {
        row.strand: Seen(row.seen_rung, ability.from_plain(row.start_state).as_of)
        for row in child.estimates.all()
        if row.seen_rung
    }
    rows = SetRecord.objects.filter(child=child).order_by("on", "pk")
    runs: dict[str, UUID] = {}
    for run, *row in rows.values_list("run", *SET_FIELDS):
        s = set_from(row)
        for strand in s.trained:
            found = highest_seen(STRANDS[strand], [s], best.get(strand))
            if found is not None and found is not best.get(strand):
                best[strand], runs[strand] = found, run
    return best, runs


def seen_by_strand(child: Child) -> dict[str, tuple[Seen, str, str]]:
    """The highest rung seen in each strand, where and with whom. Three queries."""
    best, runs = best_by_strand(child)
    sessions = {
        run.pk: (ability.PLACES[run.plan.place], run.by.name)
        for run in Run.objects.filter(pk__in=set(runs.values())).select_related("plan", "by__user")
    }
    result = {}
    for strand, seen in best.items():
        where, by = sessions[runs[strand]] if strand in runs else ("", "")
        result[strand] = (seen, where, by)
    return result


def signed_notes(child: Child) -> list[Note]:
    """A child's signed notes, oldest first, with their runs. One query."""
    return list(Note.objects.filter(child=child, signed_at__isnull=False).select_related("run").order_by("run__on"))


def together_with(run: Run) -> list[Run]:
    """The runs of the other children at the same table on the same day, the newest of each."""
    if run.group_id is None:
        return []
    others = Run.objects.filter(group_id=run.group_id, on=run.on).exclude(child_id=run.child_id).select_related("child")
    return list(others.order_by("child_id", "-started_at").distinct("child_id"))


def days_of_sessions(child: Child) -> list[date]:
    """The days of a child's ended sessions, oldest first. One query."""
    return list(Run.objects.filter(child=child, ended_at__isnull=False).order_by("on").values_list("on", flat=True))


def goals_now(child: Child) -> list[tuple[str, int | None]]:
    """A child's goals in words, each with its latest score. Two queries."""
    goals = Goal.objects.filter(child=child).prefetch_related("scores")
    return [(g.words, max(g.scores.all(), key=lambda s: (s.on, s.pk)).score if g.scores.all() else None) for g in goals]


def library_versions(member: Member) -> list[LibraryVersion]:
    """What the clinic's own children taught of the library, the newest first; the read is noted. Two queries."""
    require(member, "library.read_learned")
    log(member, "library.read_learned", member.clinic, None)
    return list(LibraryVersion.objects.visible_to(member).select_related("decided_by__user").order_by("-number"))


def library_version_for(member: Member, version_id: int) -> LibraryVersion:
    """Return one version. Raises Http404."""
    require(member, "library.learn")
    version = LibraryVersion.objects.visible_to(member).filter(pk=version_id).first()
    if version is None:
        raise Http404(f"No version {version_id} in your clinic.")
    return version
