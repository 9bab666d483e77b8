"""Notes and goals through the API."""

from datetime import date, datetime
from uuid import UUID

from django.http import Http404, HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.queries import child_for
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.models import Member
from clinic.permissions import require
from clinic.problems import Problem
from core.progress import attainment_t_score
from core.running import tap_words
from progress import record_actions as actions
from progress.models import Goal, Note
from running.models import Run
from running.queries import after_signing, names_of, run_for

router = Router(tags=["records"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


class AmendmentOut(Schema):
    """What was added after signing."""

    text: str
    by: str
    at: datetime


class LateTapOut(Schema):
    """A tap that arrived when the note was signed already: at which activity, what it was."""

    at: datetime
    activity: str
    words: str


class NoteOut(Schema):
    """A session's note; version 0: a draft from the data, not kept yet.

    draft: as the record stands now; late_taps: how many taps are not counted yet; open_steps: how many proposed steps
    have no answer; after_signing: taps kept apart.
    """

    run_id: UUID
    text: str
    draft: str
    late_taps: int
    open_steps: int
    after_signing: list[LateTapOut]
    version: int
    signed_by: str | None
    signed_at: datetime | None
    amendments: list[AmendmentOut]


class NoteIn(Schema):
    """The note's words, the version they were changed from, and the draft that was shown with it."""

    text: str
    version: int
    draft: str = ""


class NoteSignIn(Schema):
    """The version that is signed, and how many unanswered steps the signer knows of."""

    version: int
    open_steps: int = 0


class AmendIn(Schema):
    """What is added."""

    text: str


class ScoreOut(Schema):
    """Where a goal stood on a day."""

    on: date
    score: int


class GoalOut(Schema):
    """A goal with its five levels, -2 first, and its scores."""

    id: int
    words: str
    levels: list[str]
    weight: float
    baseline: int
    written_on: date
    scores: list[ScoreOut]


class GoalsOut(Schema):
    """A child's goals. t_start and t_now: attainment T-scores, 50 as expected (Kiresuk & Sherman 1968); none without
    goals.
    """

    goals: list[GoalOut]
    t_start: float | None
    t_now: float | None


class GoalIn(Schema):
    """A goal, its five levels from -2 to +2, its weight and where it starts."""

    words: str
    levels: list[str]
    weight: float = 1
    baseline: int = -2


class ScoreIn(Schema):
    """Where a goal stands today."""

    score: int


@router.get("/runs/{run_id}/note", response={200: NoteOut, **REFUSED})
def read_note(request: HttpRequest, run_id: UUID) -> NoteOut:
    """A session's note, or a draft of it from the data."""
    who = member(request)
    require(who, "note.read")
    return _note_out(run_for(who, run_id))


@router.put("/runs/{run_id}/note", response={200: NoteOut, **REFUSED})
def write_note(request: HttpRequest, run_id: UUID, body: NoteIn) -> NoteOut:
    """Keep the note's words."""
    who = member(request)
    run = run_for(who, run_id)
    actions.write_note(who, run, body.text, body.version, body.draft)
    return _note_out(run)


@router.post("/runs/{run_id}/note/sign", response={200: NoteOut, **REFUSED})
def sign_note(request: HttpRequest, run_id: UUID, body: NoteSignIn) -> NoteOut:
    """Sign the note; it and its run are frozen."""
    who = member(request)
    run = run_for(who, run_id)
    actions.sign_note(who, run, body.version, body.open_steps)
    return _note_out(run)


@router.post("/runs/{run_id}/note/amendments", response={200: NoteOut, **REFUSED})
def amend_note(request: HttpRequest, run_id: UUID, body: AmendIn) -> NoteOut:
    """Add to a signed note."""
    who = member(request)
    run = run_for(who, run_id)
    actions.amend_note(who, run, body.text)
    return _note_out(run)


def _note_out(run: Run) -> NoteOut:
    note = (
        Note.objects.filter(run=run).select_related("signed_by__user").prefetch_related("amendments__by__user").first()
    )
    now, names = actions.drafted(run), names_of(run)
    return NoteOut(
        run_id=run.pk,
        text=actions.text_now(note, now) if note else now,
        draft=now,
        late_taps=run.late_taps,
        open_steps=run.decisions.filter(answer="").count(),
        after_signing=[LateTapOut(at=e.at, activity=names[e.block], words=tap_words(e)) for e in after_signing(run)],
        version=note.version if note else 0,
        signed_by=_name(note.signed_by) if note else None,
        signed_at=note.signed_at if note else None,
        amendments=[AmendmentOut(text=a.text, by=_name(a.by) or "", at=a.at) for a in note.amendments.all()]
        if note
        else [],
    )


def _name(who: Member | None) -> str | None:
    return who.name if who else None


@router.get("/children/{child_id}/goals", response={200: GoalsOut, **REFUSED})
def read_goals(request: HttpRequest, child_id: int) -> GoalsOut:
    """A child's goals with the attainment T-score at the start and now."""
    who = member(request)
    require(who, "note.read")
    return _goals_out(child_for(who, child_id).pk, who)


@router.post("/children/{child_id}/goals", response={200: GoalsOut, **REFUSED})
def write_goal(request: HttpRequest, child_id: int, body: GoalIn) -> GoalsOut:
    """Write a goal before work on it starts."""
    who = member(request)
    child = child_for(who, child_id)
    actions.write_goal(who, child, body.words, body.levels, body.weight, body.baseline, timezone.localdate())
    return _goals_out(child.pk, who)


@router.post("/goals/{goal_id}/scores", response={200: GoalsOut, **REFUSED})
def score_goal(request: HttpRequest, goal_id: int, body: ScoreIn) -> GoalsOut:
    """Keep where a goal stands today."""
    who = member(request)
    goal = Goal.objects.visible_to(who).filter(pk=goal_id).first()
    if goal is None:
        raise Http404(f"No goal {goal_id} in your clinic.")
    actions.score_goal(who, goal, body.score, timezone.localdate())
    return _goals_out(goal.child_id, who)


def _goals_out(child_id: int, who: Member) -> GoalsOut:
    goals = list(Goal.objects.visible_to(who).filter(child_id=child_id).prefetch_related("scores"))
    shown = [
        GoalOut(
            id=g.pk,
            words=g.words,
            levels=g.levels,
            weight=g.weight,
            baseline=g.baseline,
            written_on=g.written_on,
            scores=[ScoreOut(on=s.on, score=s.score) for s in g.scores.all()],
        )
        for g in goals
    ]
    if not goals:
        return GoalsOut(goals=[], t_start=None, t_now=None)
    weights = [g.weight for g in goals]
    now = [g.scores[-1].score if g.scores else g.baseline for g in shown]
    return GoalsOut(
        goals=shown,
        t_start=attainment_t_score([g.baseline for g in goals], weights),
        t_now=attainment_t_score(now, weights),
    )
