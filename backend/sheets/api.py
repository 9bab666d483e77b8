"""Sheets on paper: the prep sheet of a plan and the family's sheet of a home week, as pages and as PDF."""

from datetime import date
from typing import Any
from uuid import UUID

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from django.utils.safestring import mark_safe
from ninja import Router

from caseload.checks import FieldError
from caseload.everyday import approach_out
from caseload.facts import approaches_of, overrides_of
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.models import Member, Paper
from clinic.problems import Problem
from clinic.routes import LONG_WORK, marked
from core.library import KITS, find_activity
from core.paper import PrepBlock, prep_sheet
from core.planner import Block, PlannedBlock, format_of
from cupboard.queries import items
from cupboard.shown import shelves_of
from planning.bag import packed
from planning.queries import plan_for, week_for
from planning.stored import from_json
from planning.weeks_shown import week_out
from planning.workbench import Wish, Workbench, asked_variant, choices_of, home_workbench, workbench, workbench_of
from sheets import paper as on_paper
from visits.queries import visits_between

router = Router(tags=["sheets"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}
ADULTS = {"arms_reach": "adult within arm's reach", "room": "adult in the room", "box": "on their own"}
HANDS = {"right": "right-handed", "left": "left-handed", "not_settled": "hand not settled"}


@router.get("/plans/{plan_id}/sheet", include_in_schema=False)
@router.get("/plans/{plan_id}/sheet.pdf", include_in_schema=False, openapi_extra=marked(LONG_WORK))
def prep(request: HttpRequest, plan_id: UUID, paper: Paper | None = None) -> HttpResponse:
    """The prep sheet of a plan."""
    context = _prep(member(request), plan_id)
    return _sheet(request, "prep", context, paper, f"prep-{context['child'].lower()}")


@router.get("/plans/{plan_id}/strip", include_in_schema=False)
@router.get("/plans/{plan_id}/strip.pdf", include_in_schema=False, openapi_extra=marked(LONG_WORK))
def strip(request: HttpRequest, plan_id: UUID, paper: Paper | None = None) -> HttpResponse:
    """The child's own strip of a session: its pictures in order, with an end."""
    context = _prep(member(request), plan_id, table=False)
    return _sheet(request, "strip", context, paper, f"strip-{context['child'].lower()}")


@router.get("/children/{child_id}/activities/{activity_id}/card", include_in_schema=False)
@router.get(
    "/children/{child_id}/activities/{activity_id}/card.pdf",
    include_in_schema=False,
    openapi_extra=marked(LONG_WORK),
)
def card(
    request: HttpRequest, child_id: int, activity_id: str, home_id: int, grade: str, paper: Paper | None = None
) -> HttpResponse:
    """One activity on a card for a family, for this child in this home. grade: step places with commas, as 0,2,1."""
    context = _card(member(request), child_id, home_id, activity_id, grade)
    return _sheet(request, "card", context, paper, f"card-{activity_id}")


@router.get("/weeks/{week_id}/sheet", include_in_schema=False)
@router.get("/weeks/{week_id}/sheet.pdf", include_in_schema=False, openapi_extra=marked(LONG_WORK))
def week(request: HttpRequest, week_id: UUID, paper: Paper | None = None) -> HttpResponse:
    """The family's sheet of a home week."""
    context = _week(member(request), week_id)
    return _sheet(request, "week", context, paper, f"week-{context['child'].lower()}")


@router.get("/days/{on}/sheets", include_in_schema=False)
@router.get("/days/{on}/sheets.pdf", include_in_schema=False, openapi_extra=marked(LONG_WORK))
def day(
    request: HttpRequest, on: date, store_id: int | None = None, mine: bool = True, paper: Paper | None = None
) -> HttpResponse:
    """A day in one go: its visits in the order of travel, the bag packed from a store, and the prep sheet of each."""
    who = member(request)
    visits = [s for s in visits_between(who, on, on, mine) if s.status in ("planned", "done")]
    plans = {s.plan.pk: s.plan for s in visits if s.plan}
    bag = packed(who, list(dict.fromkeys(p.child_id for p in plans.values())), store_id) if store_id and plans else None
    context = {
        "on_day": on,
        "visits": visits,
        "bag": bag,
        "sheets": [_prep(who, pk) for pk in plans],
    }
    return _sheet(request, "day", context, paper, f"day-{on}")


@router.get("/homes/{home_id}/checklist", include_in_schema=False)
@router.get("/homes/{home_id}/checklist.pdf", include_in_schema=False, openapi_extra=marked(LONG_WORK))
def checklist(request: HttpRequest, home_id: int, paper: Paper | None = None) -> HttpResponse:
    """Everything a home might have, to tick off in it; what is known to be there is ticked."""
    home = home_for(member(request), home_id)
    counts = {i.thing_id: i.count for i in items(home)}
    shelves = [
        {**s.model_dump(), "things": [{**t.model_dump(), "count": counts.get(t.id)} for t in s.things]}
        for s in shelves_of(member(request))
    ]
    return _sheet(request, "checklist", {"home": home.name, "shelves": shelves}, paper, "checklist")


def _sheet(request: HttpRequest, kind: str, context: dict[str, Any], asked: Paper | None, name: str) -> HttpResponse:
    """A sheet as a page, or as the PDF beside it; on the clinic's paper unless another is asked for."""
    who = member(request)
    paper, units = asked or who.clinic.paper, who.units
    if request.path.endswith(".pdf"):
        return on_paper.pdf(f"sheets/{kind}.html", context, paper, name, units)
    return on_paper.page(request, f"sheets/{kind}.html", context, paper, units)


def _prep(who: Member, plan_id: UUID, table: bool = True) -> dict[str, Any]:
    plan = plan_for(who, plan_id)
    bench = workbench_of(plan, timezone.localdate())
    _, blocks = bench.stand_all(choices_of(plan))
    sheet = prep_sheet(blocks, bench.cupboard, overrides_of(plan.child), plan.child.first_name)
    themes = {t for b in blocks for t in find_activity(b.variant.activity_id).themes} & set(plan.child.likes)
    most_first = plan.child.prompt_policy == "most_first"
    return {
        "cue_order": "most help first, then less" if most_first else "least help first",
        "child": plan.child.first_name,
        "home": plan.home.name,
        "minutes": plan.minutes,
        "adult": ADULTS[plan.supervision],
        "hand": HANDS[plan.child.hand],
        "theme": sorted(themes)[0] if themes else "",
        "kit": KITS.get(plan.kit),
        "approaches": [approach_out(a) for a in approaches_of(plan.child)],
        "sheet": sheet,
        "rows": [_row(p, format_of(plan.format_id).names[p.block.part], bench, table) for p in sheet.blocks],
    }


def _row(p: PrepBlock, part: str, bench: Workbench, table: bool = True) -> dict[str, Any]:
    b = p.block
    return {
        "name": b.name,
        "part": part,
        "minutes": f"{b.minutes:g}",
        "sets": b.sets,
        "boxes": range(b.sets),
        "count": b.count,
        "unit": b.unit,
        "rest": round(b.rest_seconds),
        "serves": b.serves,
        "chain": b.chain,
        "alone": any(step.who == "alone" for step in b.chain),
        "overlay": b.overlay,
        "stage": b.stage,
        "grade": " · ".join(b.grade_words),
        "expected": b.expected_words,
        "picture": mark_safe(bench.picture(b, table)),
        "told": b.told,
        "setup": b.setup,
        "posture": f"{b.posture[:1].upper()}{b.posture[1:]}",
        "cues": b.cues,
        "watch": b.watch,
        "easier": p.easier,
        "harder": p.harder,
        "too_hard": p.too_hard,
        "too_easy": p.too_easy,
        "tidy": b.tidy,
        "cautions": p.cautions,
        "plain_cautions": p.plain_cautions,
        "say": b.say,
        "do_first": b.do_first,
        "things": [f"{q.wanted} {q.named}" + (f" ({q.cut})" if q.cut else "") for q in b.quantities],
    }


def _card(who: Member, child_id: int, home_id: int, activity_id: str, grade: str) -> dict[str, Any]:
    child, home = child_for(who, child_id), home_for(who, home_id)
    bench = workbench(child, home, Wish(30, (), home.kind, home.supervision), timezone.localdate())
    variant = asked_variant(who, activity_id, grade)
    block = bench.stand(PlannedBlock(find_activity(activity_id).parts[0], variant, 1))
    if not isinstance(block, Block):
        raise FieldError("grade", grade, block.reason, block.remedy)
    sheet = prep_sheet([block], bench.cupboard, overrides_of(child), child.first_name)
    return {"child": child.first_name, "rows": [_row(p, "", bench) for p in sheet.blocks]}


def _week(who: Member, week_id: UUID) -> dict[str, Any]:
    week = week_for(who, week_id)
    bench = home_workbench(week.child, week.targets, timezone.localdate())
    shown = week_out(week)
    sheet = prep_sheet(_once_each(week.days, bench), bench.cupboard, overrides_of(week.child), week.child.first_name)
    return {
        "child": week.child.first_name,
        "starts_on": week.starts_on,
        "days": shown.days,
        "used_up": ", ".join(shown.used_up),
        "general_cautions": sheet.general_cautions,
        "rows": [_row(p, "", bench) for p in sheet.blocks],
    }


def _once_each(days: list[list[dict[str, Any]]], bench: Workbench) -> list[Block]:
    """Each activity of the week once, at its longest."""
    result: dict[str, Block] = {}
    for block in (bench.stand(from_json(plain)) for day in days for plain in day):
        if isinstance(block, Block) and (
            block.activity_id not in result or result[block.activity_id].minutes < block.minutes
        ):
            result[block.activity_id] = block
    return list(result.values())
