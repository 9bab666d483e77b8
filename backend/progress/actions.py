"""Ending a run: sets, estimates and next steps, all in one; and answering a proposed step."""

from dataclasses import asdict
from datetime import date, datetime
from itertools import groupby
from typing import NamedTuple
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from caseload.actions import keep_paces, keep_points, keep_task
from caseload.checks import FieldError
from caseload.facts import facts_of, learned_of, set_estimate, start_of
from caseload.facts import tasks_seen as sightings_of
from caseload.models import Child, StrandEstimate
from clinic.actions import Done, StaleEdit, acting, log
from clinic.models import Member
from core import ability
from core.ability import Estimate, SetEvidence
from core.progress import WORDS, StepKind, decide, policy_for
from core.recording import AS_SHIPPED, Learned
from core.running import paces
from planning.actions import mark_used
from progress.models import Answer, DecisionRecord, NoStep
from running.actions import fold_run
from running.models import Run
from running.queries import WORKING_PARTS, all_sets, history, sets_with_runs, tasks_seen


@acting("run.finish")
def finish_run(member: Member, run: Run) -> Done[Run]:
    """End a run: fold its log, move the estimates, propose the next steps.

    Everything is worked out anew from the log, so that taps that arrived late are counted too.
    """
    run = _held(run.pk)
    if run.frozen:
        raise FieldError(
            "run", str(run.pk), "The note of this run is signed; it stays as it is.", "Add an amendment to the note."
        )
    return _count(member, run)


def count_late_taps(run_id: UUID) -> int:
    """Count what arrived after a run had ended, in the name of whoever ran it; how many taps that were."""
    with transaction.atomic():
        run = _held(run_id)
        late = run.late_taps
        if late:
            done = _count(run.by, run)
            log(run.by, "run.finish", run, run.child_id, {**done.detail, "late_taps": late})
    return late


def _held(run_id: UUID) -> Run:
    related = Run.objects.select_related("child__clinic", "plan", "by")
    return related.select_for_update(of=("self",)).get(pk=run_id)


def _count(member: Member, run: Run) -> Done[Run]:
    before = {s.strand for s in run.sets.all()}
    folded = fold_run(run)
    run.ended_at = run.ended_at or timezone.now()
    run.save(update_fields=["ended_at", "counted_taps"])
    mark_used(run.plan, run.on)
    keep_paces(run.child, paces(all_sets(run.child, AS_SHIPPED)))
    for seen in tasks_seen(run):
        keep_task(member, run.child, seen)
    before_run, after_run = _move_estimates(run.child, run)
    for strand in sorted(before | {s.strand for s in folded}):
        if run.sets.filter(strand=strand, part__in=WORKING_PARTS).exists():
            propose(run, strand, before_run[strand], after_run[strand])
    return Done(run, run, run.child_id, {"sets": len(folded), "tries": sum(s.tries for s in folded)})


def replay(child: Child) -> None:
    """Work out every estimate of a child again from its start through every set on record."""
    _move_estimates(child)


def _move_estimates(child: Child, run: Run | None = None) -> tuple[dict[str, Estimate], dict[str, Estimate]]:
    """Work every strand's estimate out again from its start through every day's sets, all strands of a set together.

    Returns the estimates as they stood before a run, the earlier runs of its day counted, and as they stood after it.
    """
    rows = {row.strand: row for row in StrandEstimate.objects.select_for_update().filter(child=child)}
    today, learned = timezone.localdate(), learned_of(child)
    facts = facts_of(child, today)
    starts = {strand: start_of(row, facts, today, learned) for strand, row in rows.items()}
    now: dict[str, Estimate] = dict(starts)
    before, after, points = dict(now), dict(now), []
    for on, day in evidence_by_day(child, learned):
        counted = {st: e for st, e in now.items() if starts[st].counts(on)}
        if run is not None and on == run.on:
            before, after = (_up_to(run, now, counted, day, own) for own in (False, True))
        moved = ability.update(counted, [d.evidence for d in day], on)
        points += [(strand, on, e) for strand, e in moved.items() if e is not counted[strand]]
        now = {**now, **moved}
        if run is None or on < run.on:
            before = after = now
    keep_points(child, points)
    changed = [set_estimate(rows[strand], now[strand]) for strand in sorted({strand for strand, _, _ in points})]
    StrandEstimate.objects.bulk_update(changed, ["mean", "sd", "as_of", "tries", "state"])
    if run is not None:
        before = {strand: ability.on_day(estimate, run.on) for strand, estimate in before.items()}
    return before, after


def _up_to(
    run: Run, now: dict[str, Estimate], counted: dict[str, Estimate], day: list["Told"], own: bool
) -> dict[str, Estimate]:
    """The estimates with what its day told up to a run; own: the run itself counted too."""
    earlier = any(d.began is not None and d.began < run.started_at for d in day)
    told = [
        d
        for d in day
        if (own and d.run == run.pk)
        or (d.began is not None and d.began < run.started_at)
        or (d.began is None and (own or earlier))  # what a family told that day has no hour
    ]
    return {**now, **ability.update(counted, [d.evidence for d in told], run.on)} if told else now


class Told(NamedTuple):
    """What a set or a family's report says of a child; of which run, and when that began, where it is a set."""

    on: date
    evidence: SetEvidence
    run: UUID | None = None
    began: datetime | None = None


def evidence_by_day(child: Child, learned: Learned) -> list[tuple[date, list[Told]]]:
    """All that says anything of what a child can do, day by day, oldest first: sets, and what family and school saw of
    the wanted tasks. Three queries.
    """
    began = dict(Run.objects.filter(child=child).values_list("pk", "started_at"))
    told = [Told(s.on, s.evidence(preferred=child.hand), run, began[run]) for run, s in sets_with_runs(child, learned)]
    told += [Told(seen.on, e) for seen in sightings_of(child) if (e := ability.sighting(seen)) is not None]
    told.sort(key=lambda t: t.on)
    return [(on, list(day)) for on, day in groupby(told, key=lambda t: t.on)]


def propose(run: Run, strand: str, before: Estimate, after: Estimate) -> DecisionRecord:
    """Work out the next step in a strand and keep it with its evidence. An answer to another step than this is asked
    again.
    """
    child = run.child
    hand = facts_of(child, run.on).turn_hand
    policy = policy_for(strand, run.on, fade_first=child.prompt_policy == "least_first", hand=hand)
    decision = decide(history(run.child, strand, working=True), after, policy)
    answered = DecisionRecord.objects.filter(run=run, strand=strand).exclude(kind=decision.kind)
    answered.update(answer="", answer_kind="", answer_why="")
    record, _ = DecisionRecord.objects.update_or_create(
        run=run,
        strand=strand,
        defaults={
            "child": run.child,
            "on": run.on,
            "kind": decision.kind,
            "words": decision.words,
            "evidence": [asdict(e) for e in decision.evidence],
            "would_change": decision.would_change,
            "mean_before": before.mean,
            "mean_after": after.mean,
            "sd_before": before.sd,
            "sd_after": after.sd,
        },
    )
    return record


@acting("decision.answer")
def answer_decision(
    member: Member,
    decision: DecisionRecord,
    answer: Answer,
    why: str,
    kind: StepKind | NoStep = "",
    *,
    over: Answer = "",
) -> Done[DecisionRecord]:
    """Accept a proposed step, change it to another kind, or decline it. The last two keep the reason: FieldError
    without. over: the answer seen before; StaleEdit where it has another by now.
    """
    if answer != "accepted" and not why.strip():
        raise FieldError("why", why, f"A {answer} step is kept with its reason.", "Write the reason.")
    if answer == "changed" and (not kind or kind == decision.kind):
        raise FieldError(
            "kind",
            kind,
            f"{kind!r} is not another step.",
            f"Use one of {', '.join(k for k in WORDS if k != decision.kind)}.",
        )
    if Run.objects.select_for_update().values_list("frozen", flat=True).get(pk=decision.run_id):
        reason = "The note of this run is signed; its steps stay as they were answered."
        raise FieldError("answer", answer, reason, "Add an amendment to the note.")
    decision.refresh_from_db(fields=["answer", "answer_why", "answer_kind"])
    if decision.answer != over:
        theirs = {"answer": decision.answer, "kind": decision.answer_kind, "why": decision.answer_why}
        raise StaleEdit(theirs, {"answer": answer, "kind": kind, "why": why.strip()})
    decision.answer, decision.answer_why = answer, why.strip()
    decision.answer_kind = kind if answer == "changed" else ""
    decision.save(update_fields=["answer", "answer_why", "answer_kind"])
    return Done(decision, decision, decision.child_id, {"answer": answer, "kind": kind, "why": why.strip()})
