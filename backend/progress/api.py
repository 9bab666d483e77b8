"""Monday's list, the end of a run, and whether anything has moved."""

from collections.abc import Callable, Mapping
from datetime import date
from types import MappingProxyType
from typing import Any, get_args
from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.facts import age_months, estimates_of, facts_of
from caseload.facts import standings as task_standings
from caseload.models import Child
from caseload.queries import CHILD_ROWS, as_stored, child_for
from clinic.actions import log
from clinic.auth import member
from clinic.base_schema import own_words
from clinic.kept import Kept, MadeFrom
from clinic.problems import Problem
from clinic.routes import LONG_WORK, SAYS_UNITS, marked
from core.ability import Estimate
from core.child import Child as Facts
from core.first_look import to_find_out
from core.library import find_activity
from core.offers import Variant, told
from core.progress import (
    Point,
    Seen,
    Smoothed,
    StepKind,
    beside,
    by_hand,
    carried_on,
    closing_summary,
    day_levels,
    grade_changes,
    gravity,
    help_by_day,
    measures,
    moved,
    priority,
    stands_at,
)
from core.recording import MARKS, MEASURED, SUPPORTS
from core.running import SetResult
from core.skills import STRANDS, find_task
from progress import actions, queries
from progress.models import DecisionRecord, Note
from progress.schemas import (
    AnswerIn,
    CaseloadOut,
    DecisionOut,
    EvidenceOut,
    HandOut,
    HelpOut,
    ListGroup,
    ListSort,
    MarkedOut,
    PointOut,
    ProgressOut,
    QuestionOut,
    ResultsOut,
    SeenOut,
    SeriesOut,
    SetOut,
    StandingLine,
    StandingOut,
    StrandProgressOut,
    SummaryOut,
    TogetherOut,
    ValueOut,
)
from running.models import Run
from running.queries import names_of, run_for, sets_by_strand, steps_learned
from shelf.queries import SHELF_ROWS

router = Router(tags=["progress"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


@router.get("/caseload", response={200: CaseloadOut, 403: Problem, 422: Problem})
def read_caseload(
    request: HttpRequest,
    mine: bool = False,
    letters: str = "",
    show: ListGroup = "all",
    sort: ListSort = "gravest",
    page: int = 1,
) -> CaseloadOut:
    """The children whose care is open, a page at a time. sort: gravest puts those who are due first, the gravest of
    them on top.
    """
    today = timezone.localdate()
    who = member(request)
    lines = queries.caseload_lines(who, mine, letters, today)
    shown = sorted((s for s in lines if s.is_in(show)), key=ORDERS[sort])
    pages = max(1, -(-len(shown) // PAGE))
    page = min(max(1, page), pages)
    on_page = shown[PAGE * (page - 1) : PAGE * page]
    log(who, "caseload.read", who.clinic, None, {"children": [s.child.pk for s in on_page]})
    return CaseloadOut(
        children=[_standing_out(s) for s in on_page],
        counts={group: sum(s.is_in(group) for s in lines) for group in get_args(ListGroup)},
        total=len(shown),
        page=page,
        pages=pages,
    )


PAGE = 50  # children
PAGES_KEPT = 64  # of progress, in each process
ORDERS: Mapping[ListSort, Callable[[queries.CaseloadLine], tuple[Any, ...]]] = MappingProxyType(
    {
        "gravest": lambda s: (not s.is_due, gravity(s.statuses[0].id), s.child.first_name, s.child.pk),
        "name": lambda s: (s.child.first_name.lower(), s.child.pk),
        "due": lambda s: (s.due_on or date.min, s.child.first_name, s.child.pk),
        "seen": lambda s: (s.last_on or date.min, s.child.first_name, s.child.pk),
    }
)


def _standing_out(s: queries.CaseloadLine) -> StandingOut:
    c, today = s.child, timezone.localdate()
    return StandingOut(
        id=c.pk,
        first_name=c.first_name,
        age_months=age_months(c.birth_date, today),
        hand=c.hand,
        home_name=c.home.name,
        wanted=c.wanted,
        last_on=s.last_on,
        due_on=s.due_on,
        is_due=s.is_due,
        therapist_name=c.therapist.name if c.therapist else "",
        statuses=[StandingLine(id=x.id, words=x.words) for x in s.statuses],
    )


@router.post("/runs/{run_id}/finish", response={200: ResultsOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def finish_run(request: HttpRequest, run_id: UUID) -> ResultsOut:
    """End a run, or take in taps that came late."""
    who = member(request)
    actions.finish_run(who, run_for(who, run_id, "run.finish"))
    return results_out(run_for(who, run_id))


@router.get("/runs/{run_id}/results", response={200: ResultsOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def read_results(request: HttpRequest, run_id: UUID) -> ResultsOut:
    """What a run came to."""
    return results_out(run_for(member(request), run_id))


@router.post("/decisions/{decision_id}/answer", response={200: DecisionOut, **REFUSED})
def answer_decision(request: HttpRequest, decision_id: int, body: AnswerIn) -> DecisionOut:
    """Accept, change or decline a proposed step; 409 where somebody else answered it meanwhile."""
    who = member(request)
    decision = queries.decision_for(who, decision_id)
    return decision_out(actions.answer_decision(who, decision, body.answer, body.why, body.kind, over=body.over))


@router.get("/children/{child_id}/seen", response={200: list[SeenOut], **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def read_seen(request: HttpRequest, child_id: int) -> list[SeenOut]:
    """The highest rung seen in every strand, and where the child stands: seen, or only probable."""
    child = child_for(member(request), child_id, "progress.read")
    seen, now = queries.seen_by_strand(child), estimates_of(child, timezone.localdate())
    return [_seen(s, now[s], *seen.get(s, (None, "", ""))) for s in STRANDS if s in now]


def _seen(strand: str, now: Estimate, seen: Seen | None, where: str, by: str) -> SeenOut:
    return SeenOut(
        strand=strand,
        rung=seen.rung if seen else None,
        on=seen.on if seen else None,
        activity=find_activity(seen.activity_id).name if seen and seen.activity_id else "",
        tries=seen.tries if seen else 0,
        successes=seen.successes if seen else 0,
        where=where,
        by=by,
        words=stands_at(STRANDS[strand], now.mean, seen),
    )


PROGRESS_FROM = MadeFrom(
    **CHILD_ROWS,
    **SHELF_ROWS,
    running_run="child_id = %(child)s",
    running_setrecord="child_id = %(child)s",
    progress_note="child_id = %(child)s",
    progress_decisionrecord="child_id = %(child)s",
)
_KEPT: Kept[ProgressOut] = Kept(PAGES_KEPT)


@router.get(
    "/children/{child_id}/progress", response={200: ProgressOut, **REFUSED}, openapi_extra=marked(LONG_WORK, SAYS_UNITS)
)
def read_progress(request: HttpRequest, child_id: int) -> ProgressOut:
    """Whether anything has moved, strand by strand; the most moved first."""
    child = child_for(member(request), child_id, "progress.read", beside=())
    today = timezone.localdate()
    revision = PROGRESS_FROM.revision(clinic=child.clinic_id, child=child.pk)
    return _KEPT.get((child.pk, today), revision, lambda: _progress(as_stored(child), today))


def _progress(child: Child, today: date) -> ProgressOut:
    ways, sets = queries.paths(child, today), sets_by_strand(child)
    notes, facts = queries.signed_notes(child), facts_of(child, today)
    best, _ = queries.best_by_strand(child)
    steps = queries.latest_steps(child)
    strands = [
        _strand(s, ways[s], queries.expected(child, s, today), sets[s], notes, facts, best.get(s), steps.get(s))
        for s in STRANDS
        if s in ways and s in sets
    ]
    strands.sort(key=lambda s: (s.kind == "too_few", -abs(s.change)))
    lines = [s.words for s in strands if s.kind in ("up", "down")]
    headline = " ".join(lines[:2]) or ("Nothing has clearly moved yet." if strands else "No session on record yet.")
    return ProgressOut(child_id=child.pk, child_name=child.first_name, headline=headline, strands=strands)


@router.get("/children/{child_id}/to-find-out", response={200: list[QuestionOut], **REFUSED})
def read_to_find_out(request: HttpRequest, child_id: int) -> list[QuestionOut]:
    """What is worth finding out next, and why: the strands whose doubt costs a wanted task most."""
    child, today = child_for(member(request), child_id, "progress.read"), timezone.localdate()
    open_tasks = [t.task for t in task_standings(child) if not t.managed]
    return [
        QuestionOut(
            strand=q.strand,
            name=STRANDS[q.strand].name,
            task=q.task,
            task_name=find_task(q.task).name,
            demanded=q.demanded,
            mean=q.mean,
            sd=q.sd,
            costs=q.costs,
            due=q.due,
            now=q.due <= today,
            seen_on=q.seen_on,
            words=q.words,
        )
        for q in to_find_out(open_tasks, estimates_of(child, today), today)
    ]


@router.get("/children/{child_id}/summary", response={200: SummaryOut, **REFUSED})
def draft_summary(request: HttpRequest, child_id: int) -> SummaryOut:
    """The draft of a discharge summary, from the record; nothing is kept."""
    child = child_for(member(request), child_id, "progress.read")
    moved_words = [s.words for s in read_progress(request, child_id).strands if s.kind in ("up", "down")]
    tasks = [(find_task(t.task).name, t.words) for t in task_standings(child)]
    words = closing_summary(
        child.first_name, child.reason, queries.days_of_sessions(child), moved_words, tasks, queries.goals_now(child)
    )
    return SummaryOut(words=words)


def _strand(
    strand: str,
    path: Smoothed,
    expected: list[Point],
    results: list[SetResult],
    notes: list[Note],
    facts: Facts,
    best: Seen | None,
    step: StepKind | None,
) -> StrandProgressOut:
    ladder, days = STRANDS[strand], day_levels(strand, results)
    m = moved(ladder, path, days, best)
    return StrandProgressOut(
        strand=strand,
        name=ladder.name,
        target=ladder.target,
        kind=m.kind,
        words=m.words if step is None else f"{m.words} {beside(m.change, step)}".strip(),
        change=m.change,
        change_sd=m.change_sd,
        per_week=m.per_week,
        p=m.p,
        nonoverlap=m.nonoverlap,
        sessions=m.sessions,
        points=[PointOut(on=p.on, mean=p.mean, sd=p.sd) for p in path.points],
        days=[ValueOut(on=d.on, value=d.rung) for d in days],
        expected=[PointOut(on=p.on, mean=p.mean, sd=p.sd) for p in carried_on(path, expected)],
        sets=[set_out(s, strand, facts) for s in results],
        measures=[
            SeriesOut(id=x.id, name=x.name, unit=x.unit, points=[ValueOut(on=day, value=v) for day, v in x.points])
            for x in measures(results)
        ],
        hands=[HandOut(hand=h.hand, successes=h.successes, tries=h.tries) for h in by_hand(results)],
        help=[HelpOut(on=h.on, tries=dict(h.tries.items())) for h in help_by_day(results)],
        marked=_marked(strand, results, notes),
    )


def _marked(strand: str, results: list[SetResult], notes: list[Note]) -> list[MarkedOut]:
    """Where an activity was made harder or easier, and the signed notes of days this strand was worked on."""
    changes = [
        MarkedOut(
            on=c.on,
            kind="harder" if c.by > 0 else "easier",
            words=f"{find_activity(c.activity_id).name}: {' '.join(told(Variant(c.activity_id, c.grade)).grade)} "
            f"{c.by:+.1f} rungs, now rung {c.to:.1f}",
        )
        for c in grade_changes(strand, results)
    ]
    days = {s.on for s in results}
    written = [
        MarkedOut(on=n.run.on, kind="note", words=own_words(n.text[:160]), run_id=n.run_id)
        for n in notes
        if n.run.on in days
    ]
    return changes + written


def results_out(run: Run) -> ResultsOut:
    """A run's results as the API shows them."""
    sets, facts = queries.sets_of(run), facts_of(run.child, run.on)
    done = {s.block for _, s in sets}
    return ResultsOut(
        run_id=run.pk,
        plan_id=run.plan_id,
        child_id=run.child_id,
        child_name=run.child.first_name,
        on=run.on,
        sets=[set_out(s, strand, facts) for strand, s in sets],
        decisions=[decision_out(d) for d in sorted(run.decisions.order_by("strand"), key=lambda d: priority(d.kind))],
        skipped=[name for block_id, name in names_of(run).items() if block_id not in done],
        learned=[_learned(task, step) for task, step in steps_learned(run).items()],
        together=[TogetherOut(run_id=r.pk, child_name=r.child.first_name) for r in queries.together_with(run)],
    )


def _learned(task: str, step: int) -> str:
    """A step that is done alone from now on, in words."""
    wanted = find_task(task)
    came_off = f"“{wanted.name}”: “{wanted.steps[step].words}” came off 8 times in 10 on three days."
    return f"{came_off} It counts as done alone now."


def set_out(s: SetResult, strand: str, facts: Facts) -> SetOut:
    """A set as the API shows it."""
    return SetOut(
        on=s.on,
        block=s.block,
        activity_id=s.activity_id,
        name=find_activity(s.activity_id).name,
        grade_words=list(told(Variant(s.activity_id, s.grade), facts).grade),
        strand=strand,
        strand_name=STRANDS[strand].name,
        difficulty=s.difficulty[strand],
        support=s.support,
        support_words=SUPPORTS[s.support].words,
        hand=s.hand,
        tries=s.tries,
        successes=s.successes,
        drops=s.drops,
        seconds=s.seconds,
        best_hold_seconds=s.best_hold_seconds,
        hold_seconds=s.hold_seconds,
        measured=[f"{MEASURED[m].name}: {MEASURED[m].in_words(v)}" for m, v in s.measures.items()],
        marks={MARKS[m].words: n for m, n in s.marks.items()},
    )


def decision_out(d: DecisionRecord) -> DecisionOut:
    """A proposed step as the API shows it."""
    same = {f: getattr(d, f) for f in DecisionOut.model_fields if f not in ("strand_name", "evidence", "run_id")}
    return DecisionOut(
        **same, run_id=d.run_id, strand_name=STRANDS[d.strand].name, evidence=[EvidenceOut(**e) for e in d.evidence]
    )
