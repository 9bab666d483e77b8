"""A home week: which days, which one or two activities, how many sets, so that practice is spaced and nothing runs out.
School may have a part in it; the clinic's own session counts as done.

One objective, in well-spent minutes. Hard limits: the days and minutes of each place, one or two activities a day,
no activity on two days running, few different activities in a week, a day for the wanted task itself, consumables that
last, hands that rest, the supervision of each place.
"""

from collections.abc import Iterable, Sequence
from dataclasses import replace
from math import ceil
from types import MappingProxyType

from core.child import Zone
from core.offers import Quantity, checked_variant
from core.planner.candidates import Candidate, all_candidates, candidate_of
from core.planner.choice import MOST_DAY, Site, solve_week, week_options
from core.planner.reasons import as_block, left_out
from core.planner.request import (
    DAYS,
    Block,
    Day,
    PlannedBlock,
    Refusal,
    RequestError,
    SessionRequest,
    WeekPlan,
    WeekRequest,
    check_request,
)
from core.planner.solver import STEP, Option

LEAST_DAY = 5  # minutes of one activity at home, at the least; common practice
TOO_HARD_AT_HOME = "nothing in this home comes off often enough yet to be done without a therapist"
HOME_BAND = Zone(0.8, 0.95)  # a parent's quarter of an hour: mostly success; from memory


def plan_week(request: WeekRequest) -> WeekPlan:
    """Return the best week for one child at home. The same request always gives the same week.

    Raises RequestError when the days are not seven, minutes are not 0 to 90, or a_day is not 1 or 2.
    """
    _check(request)
    session = as_home(request.session)
    candidates = all_candidates(session)
    options = tuple(week_options(candidates))
    if not any(minutes >= LEAST_DAY for minutes in request.minutes_by_day):
        return WeekPlan(
            "infeasible", reason="the family has no day with 5 minutes", fix="Find one day with 5 minutes or more."
        )
    if not options:
        out = left_out(session, frozenset())
        first = next((o for o in out if o.kind in ("missing", "short")), out[0] if out else None)
        fix = f"{first.remedy} (for “{first.name}”: {first.reason})" if first else "Choose another target."
        return WeekPlan(
            "infeasible",
            left_out=out,
            reason=TOO_HARD_AT_HOME
            if candidates
            else "nothing in this home can be done safely with the supervision it has",
            fix=fix,
        )
    kept = tuple((day, _standing(planned, session)) for day, planned in request.kept)
    sites = [Site(session, options, request.minutes_by_day, request.a_day, kept)]
    if request.school is not None:
        school = as_home(request.school)
        sites.append(Site(school, tuple(week_options(all_candidates(school))), request.school_minutes, 1))
    status, rows, well_spent, bound = solve_week(sites, request.elsewhere)
    if status == "infeasible":
        if kept:
            return WeekPlan(
                "infeasible",
                reason="what is kept does not fit together on its days",
                fix="Give its day more minutes, keep one thing less, or put it on another day.",
            )
        least = min(o.time for o in sites[0].options)
        return WeekPlan(
            "infeasible",
            reason="no day is long enough for setting up and one activity",
            fix=f"Find one day with {ceil(least / STEP)} minutes.",
        )
    made = [_blocks(site, row) for site, row in zip(sites, rows, strict=True)]
    stands = {(day, planned.variant) for day, planned in request.kept if planned.locked}
    made[0] = [
        tuple(replace(b, locked=(day, b.variant) in stands) for b in blocks) for day, blocks in enumerate(made[0])
    ]
    at_school = made[1] if len(made) > 1 else [()] * len(DAYS)
    days = tuple(
        Day(name, available, blocks, more)
        for name, available, blocks, more in zip(DAYS, request.minutes_by_day, made[0], at_school, strict=True)
    )
    chosen = frozenset(b.variant.activity_id for d in days for b in d.blocks)
    return WeekPlan(status, days, _used_up(days), left_out(session, chosen), well_spent, bound)


def _standing(planned: PlannedBlock, session: SessionRequest) -> Option[Candidate]:
    """What is kept, as it is for this child in this home today. Raises RequestError where it can't be."""
    result = candidate_of(planned, session)
    if isinstance(result, Refusal):
        raise RequestError("kept", f"{result.name}: {result.reason} {result.remedy}")
    return result.option(planned.sets)


def _blocks(site: Site, rows: Sequence[Sequence[Option[Candidate]]]) -> list[tuple[Block, ...]]:
    return [
        tuple(as_block(o.of, o.sets, site.request, day + place) for place, o in enumerate(row))
        for day, row in enumerate(rows)
    ]


def _check(request: WeekRequest) -> None:
    check_request(replace(request.session, minutes=30))
    for field, minutes in (("minutes_by_day", request.minutes_by_day), ("school_minutes", request.school_minutes)):
        if len(minutes) != len(DAYS):
            raise RequestError(
                field, f"{len(minutes)} days: a week has 7. Give minutes for each, 0 where there is no time."
            )
        if any(not 0 <= m <= 90 for m in minutes):
            raise RequestError(field, "Minutes of a day are 0 to 90. Give 0 where there is no time.")
    for day, planned in request.kept:
        if not 0 <= day < len(DAYS):
            raise RequestError("kept", f"Day {day}: a week has days 0, Monday, to 6, Sunday. Choose one of these.")
        checked_variant(planned.variant)
    if request.a_day not in (1, 2):
        raise RequestError("a_day", f"{request.a_day} activities a day: families do one or two. Choose 1 or 2.")


def as_home(session: SessionRequest) -> SessionRequest:
    """Return a session's request as a family's quarter of an hour is asked for: mostly a success, one activity."""
    zones = replace(
        session.zones, bands=MappingProxyType({**session.zones.bands, "main": HOME_BAND, "daily": HOME_BAND})
    )
    return replace(session, format_id="home", zones=zones, minutes=MOST_DAY * 2, locked=())


def _used_up(days: Iterable[Day]) -> tuple[Quantity, ...]:
    """What the week uses up at home, summed."""
    result: dict[str, Quantity] = {}
    for q in (q for d in days for b in d.blocks for q in b.quantities if q.single_use):
        result[q.stock_id] = replace(q, wanted=q.wanted + result[q.stock_id].wanted) if q.stock_id in result else q
    return tuple(result[k] for k in sorted(result))
