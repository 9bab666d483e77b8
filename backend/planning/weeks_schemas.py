"""Home weeks as the API takes and shows them."""

from datetime import date, datetime
from uuid import UUID

from clinic.base_schema import OwnWords, Schema
from core.child import Supervision
from core.planner import PlanStatus
from planning.schemas import BlockIn, BlockOut, LeftOutOut


class WeekIn(Schema):
    """What is asked of a home week. minutes_by_day: minutes the family has on each of seven days, Monday first;
    clinic_day: the day of the clinic's session, 0 for Monday; school_id, school_minutes: the school's part in it.
    """

    starts_on: date
    minutes_by_day: list[int]
    a_day: int = 1
    targets: list[str]
    clinic_day: int | None = None
    school_id: int | None = None
    school_minutes: list[int] = [0] * 7


class KeptIn(BlockIn):
    """A block of a week that stays on its day, 0 for Monday."""

    day: int


class WeekEdit(Schema):
    """How a week is planned again: what stays, what is left out, and the family's minutes where they changed; and the
    version that was looked at.
    """

    version: int
    kept: list[KeptIn] = []
    excluded: list[str] = []
    minutes_by_day: list[int] | None = None


class DayOut(Schema):
    """One day of a week. available: minutes the family has; minutes: those that are planned, setting up counted;
    school: what is done at school; clinic: whether the clinic's session is that day.
    """

    name: str
    available: int
    minutes: float
    blocks: list[BlockOut]
    school: list[BlockOut] = []
    clinic: bool = False
    gone: list[str]


class LoadOut(Schema):
    """What one place asks of the hands in a week: tries, minutes at work, and those that tire."""

    place: str
    tries: int
    minutes: float
    tiring_minutes: float


class WeekOut(Schema):
    """A home week, worked out against the child and the cupboard as they are today."""

    id: UUID
    child_id: int
    child_name: OwnWords
    home_name: OwnWords
    starts_on: date
    a_day: int
    targets: list[str]
    supervision: Supervision
    status: PlanStatus
    well_spent: float
    bound: float
    days: list[DayOut]
    used_up: list[str]
    load: list[LoadOut]
    school_name: str = ""
    left_out: list[LeftOutOut]
    made_at: datetime
    version: int


class WeekLine(Schema):
    """A week in a list."""

    id: UUID
    starts_on: date
    activities: list[str]
