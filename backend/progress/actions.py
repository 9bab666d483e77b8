"""Ending a run: sets, estimates and next steps, all in one; and answering a proposed step."""

from dataclasses import asdict
from datetime import date
from itertools import groupby

from django.utils import timezone

from caseload.actions import keep_paces, keep_points, keep_task
from caseload.checks import FieldError
from caseload.facts import facts_of, learned_of, set_estimate, start_of
from caseload.facts import tasks_seen as sightings_of
from caseload.models import Child, StrandEstimate
from clinic.actions import Done, StaleEdit, acting
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
from running.queries import WORKING_PARTS, all_sets, history, tasks_seen


@acting("run.finish")
def finish_run(member: Member, run: Run) -> Done[Run]:
    """End a run: fold its log, move the estimates, propose the next steps.

    Taps that arrive late are counted by finishing again: everything is worked out anew from the log.
    """
    run = Run.objects.select_for_update(of=("self",)).select_related("child", "plan").get(pk=run.pk)
    if run.frozen:
        raise FieldError(
            "run", str(run.pk), "The note of this run is signed; it stays as it is.", "Add an amendment to the note."
        )
    before = {s.strand for s in run.sets.all()}
    folded = fold_run(run)
    run.ended_at = run.ended_at or timezone.now()
    run.save(update_fields=["ended_at"])
    mark_used(run.plan, run.on)
    keep_paces(run.child, paces(all_sets(run.child, AS_SHIPPED)))
    for seen in tasks_seen(run):
        keep_task(member, run.child, seen)
    stood, now = _move_estimates(run.child, run.on)
    for strand in sorted(before | {s.strand for s in folded}):
        if run.sets.filter(strand=strand, part__in=WORKING_PARTS).exists():
            propose(run, strand, stood[strand], now[strand])
    return Done(run, run, run.child_id, {"sets": len(folded), "tries": sum(s.tries for s in folded)})


def replay(child: Child) -> None:
    """Work out every estimate of a child again from its start through every set on record."""
    _move_estimates(child)


def _move_estimates(child: Child, going_into: date | None = None) -> tuple[dict[str, Estimate], dict[str, Estimate]]:
    """Work every strand's estimate out again from its start through every day's sets, all strands of a set together.

    Returns the estimates as they stood going into a day, and as they stand now.
    """
    rows = {row.strand: row for row in StrandEstimate.objects.select_for_update().filter(child=child)}
    today, learned = timezone.localdate(), learned_of(child)
    facts = facts_of(child, today)
    starts = {strand: start_of(row, facts, today, learned) for strand, row in rows.items()}
    now: dict[str, Estimate] = dict(starts)
    stood, points = dict(now), []
    for on, day in evidence_by_day(child, learned):
        counted = {st: e for st, e in now.items() if starts[st].counts(on)}
        moved = ability.update(counted, day, on)
        points += [(strand, on, e) for strand, e in moved.items() if e is not counted[strand]]
        now = {**now, **moved}
        if going_into is None or on < going_into:
            stood = now
    keep_points(child, points)
    changed = [set_estimate(rows[strand], now[strand]) for strand in sorted({strand for strand, _, _ in points})]
    StrandEstimate.objects.bulk_update(changed, ["mean", "sd", "as_of", "tries", "state"])
    if going_into is not None:
        stood = {strand: ability.on_day(estimate, going_into) for strand, estimate in stood.items()}
    return stood, now


def evidence_by_day(child: Child, learned: Learned) -> list[tuple[date, list[SetEvidence]]]:
    """All that says anything of what a child can do, day by day, oldest first: sets, and what family and school saw of
    the wanted tasks. Two queries.
    """
    told = [(s.on, s.evidence(preferred=child.hand)) for s in all_sets(child, learned)]
    told += [(seen.on, e) for seen in sightings_of(child) if (e := ability.sighting(seen)) is not None]
    told.sort(key=lambda t: t[0])
    return [(on, [e for _, e in day]) for on, day in groupby(told, key=lambda t: t[0])]


def propose(run: Run, strand: str, before: Estimate, after: Estimate) -> DecisionRecord:
    """Work out the next step in a strand and keep it with its evidence."""
    child = run.child
    hand = facts_of(child, run.on).turn_hand
    policy = policy_for(strand, run.on, fade_first=child.prompt_policy == "least_first", hand=hand)
    decision = decide(history(run.child, strand, working=True), after, policy)
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
