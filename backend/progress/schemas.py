"""What the progress API shows."""

from datetime import date
from typing import Literal
from uuid import UUID

from pydantic import Field

from clinic.base_schema import OwnWords, Schema
from core.child import Hand
from core.progress import MovementKind, StatusId, StepKind
from core.recording import SupportLevel
from core.running import WorkingHand
from progress.models import Answer, NoStep

ListGroup = Literal["all", "due", "ready", "setback", "stuck", "recheck"]
ListSort = Literal["gravest", "name", "due", "seen"]


class EvidenceOut(Schema):
    """One number a decision rests on."""

    label: str
    value: float
    unit: str
    words: str


class DecisionOut(Schema):
    """The proposed next step in one strand."""

    id: int
    run_id: UUID
    strand: str
    strand_name: str
    on: date
    kind: StepKind
    words: str
    evidence: list[EvidenceOut]
    would_change: str
    mean_before: float
    mean_after: float
    sd_before: float
    sd_after: float
    answer: Answer
    answer_kind: StepKind | NoStep
    answer_why: OwnWords


class StandingLine(Schema):
    """How a child stands, and why. id: new, recheck, setback, stuck, ready or steady."""

    id: StatusId
    words: str


class StandingOut(Schema):
    """One child on the list, the gravest standing first."""

    id: int
    first_name: str
    age_months: float
    hand: Hand
    home_name: str
    wanted: list[str]
    last_on: date | None
    due_on: date | None
    is_due: bool
    therapist_name: str
    statuses: list[StandingLine]


class SummaryOut(Schema):
    """A draft in words."""

    words: str


class CaseloadOut(Schema):
    """One page of the list. counts: of every group in the whole of it, by id; total: in the group that is shown."""

    children: list[StandingOut]
    counts: dict[ListGroup, int]
    total: int
    page: int
    pages: int


class SetOut(Schema):
    """One set."""

    on: date
    block: str
    activity_id: str
    name: str
    grade_words: list[str]
    strand: str
    strand_name: str
    difficulty: float
    support: SupportLevel
    support_words: str
    hand: WorkingHand
    tries: int
    successes: int
    drops: int
    seconds: float
    best_hold_seconds: float
    hold_seconds: float
    measured: list[str]
    marks: dict[str, int]


class TogetherOut(Schema):
    """The run of another child at the same table."""

    run_id: UUID
    child_name: str


class ResultsOut(Schema):
    """What a run came to. learned: steps of wanted tasks that count as done alone from now on, in words."""

    run_id: UUID
    plan_id: UUID
    child_id: int
    child_name: OwnWords
    on: date
    sets: list[SetOut]
    decisions: list[DecisionOut]
    skipped: list[str]
    learned: list[str]
    together: list[TogetherOut]


class PointOut(Schema):
    """Where an estimate stood after a day, in rungs."""

    on: date
    mean: float
    sd: float


class ValueOut(Schema):
    """A measure on a day."""

    on: date
    value: float


class SeriesOut(Schema):
    """One measure over sessions, in its unit."""

    id: str
    name: str
    unit: str
    points: list[ValueOut]


class HandOut(Schema):
    """What one hand did in all."""

    hand: WorkingHand
    successes: int
    tries: int


class HelpOut(Schema):
    """How many tries were made on a day at each level of help, least first."""

    on: date
    tries: dict[SupportLevel, int]


class MarkedOut(Schema):
    """A day marked on the line. kind: harder, easier or note."""

    on: date
    kind: Literal["harder", "easier", "note"]
    words: str
    run_id: UUID | None = None


class SeenOut(Schema):
    """The highest rung a child was seen at in one strand: the day, at what, where and with whom. words: where the child
    stands, what is only expected said as probable.
    """

    strand: str
    rung: int | None
    on: date | None
    activity: str
    tries: int
    successes: int
    where: str
    by: str
    words: str


class StrandProgressOut(Schema):
    """One strand over time. change and change_sd in rungs; per_week in rungs a week; nonoverlap from 0 to 1.

    points: where the child stood by everything seen; days: what each day alone says; expected: from the last day on
    """

    strand: str
    name: str
    target: str
    kind: MovementKind
    words: str
    change: float
    change_sd: float
    per_week: float | None
    p: float | None
    nonoverlap: float | None
    sessions: int
    points: list[PointOut]
    days: list[ValueOut]
    expected: list[PointOut]
    sets: list[SetOut]
    measures: list[SeriesOut]
    hands: list[HandOut]
    help: list[HelpOut]
    marked: list[MarkedOut]


class QuestionOut(Schema):
    """One strand worth finding out about: the task it is for, the rung that demands, where the child is thought to
    stand (rungs, with the doubt), the rungs that doubt costs, and from when a look is worth it.
    """

    strand: str
    name: str
    task: str
    task_name: str
    demanded: int
    mean: float
    sd: float
    costs: float
    due: date
    now: bool
    seen_on: date | None
    words: str


class ProgressOut(Schema):
    """Whether anything has moved."""

    child_id: int
    child_name: str
    headline: str
    strands: list[StrandProgressOut]


class AnswerIn(Schema):
    """What the therapist says of a proposed step. kind: where it was changed, to which; over: the answer it had when
    the therapist looked at it, so that nobody's answer is written over unseen.
    """

    answer: Literal["accepted", "changed", "declined"]
    over: Answer = ""
    why: str = Field("", max_length=200)
    kind: StepKind | NoStep = ""
