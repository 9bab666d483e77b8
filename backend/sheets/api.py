"""Sheets on paper: the prep sheet of a plan and the family's sheet of a home week, as pages and as PDF."""

from typing import Any, Literal
from uuid import UUID

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Router

from caseload.everyday import approach_out
from caseload.facts import approaches_of, skill_hand
from clinic.auth import member
from clinic.models import Member
from clinic.problems import Problem
from core.library import ACTIVITIES, KITS
from core.paper import PrepBlock, prep_sheet
from core.planner import Block, format_of
from planning.queries import plan_for, week_for
from planning.stored import from_json
from planning.weeks_api import week_out
from planning.workbench import Workbench, choices_of, home_workbench, workbench_of
from sheets import paper as on_paper

router = Router(tags=["sheets"])
REFUSED = {403: Problem, 404: Problem, 422: Problem}
Paper = Literal["A4", "Letter"]
ADULTS = {"arms_reach": "adult within arm's reach", "room": "adult in the room", "box": "on their own"}
HANDS = {"right": "right-handed", "left": "left-handed", "not_settled": "hand not settled"}


@router.get("/plans/{plan_id}/sheet", include_in_schema=False)
def prep_page(request: HttpRequest, plan_id: UUID, paper: Paper = "A4") -> HttpResponse:
    """The prep sheet of a plan as a page that prints."""
    context = _prep(member(request), plan_id)
    return on_paper.page(request, "sheets/prep.html", context, paper, f"/api/plans/{plan_id}/sheet.pdf")


@router.get("/plans/{plan_id}/sheet.pdf", include_in_schema=False)
def prep_pdf(request: HttpRequest, plan_id: UUID, paper: Paper = "A4") -> HttpResponse:
    """The prep sheet of a plan as a PDF."""
    context = _prep(member(request), plan_id)
    return on_paper.pdf("sheets/prep.html", context, paper, f"prep-{context['child'].lower()}")


@router.get("/weeks/{week_id}/sheet", include_in_schema=False)
def week_page(request: HttpRequest, week_id: UUID, paper: Paper = "A4") -> HttpResponse:
    """The family's sheet of a home week as a page that prints."""
    context = _week(member(request), week_id)
    return on_paper.page(request, "sheets/week.html", context, paper, f"/api/weeks/{week_id}/sheet.pdf")


@router.get("/weeks/{week_id}/sheet.pdf", include_in_schema=False)
def week_pdf(request: HttpRequest, week_id: UUID, paper: Paper = "A4") -> HttpResponse:
    """The family's sheet of a home week as a PDF."""
    context = _week(member(request), week_id)
    return on_paper.pdf("sheets/week.html", context, paper, f"week-{context['child'].lower()}")


def _prep(who: Member, plan_id: UUID) -> dict[str, Any]:
    plan = plan_for(who, plan_id)
    bench = workbench_of(plan, timezone.localdate())
    _, blocks = bench.stand_all(choices_of(plan))
    sheet = prep_sheet(blocks, bench.cupboard, plan.child.overrides, plan.child.first_name)
    themes = {t for b in blocks for t in ACTIVITIES[b.variant.activity_id].themes} & set(plan.child.likes)
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
        "rows": [_row(p, format_of(plan.format_id).names[p.block.part], skill_hand(plan.child)) for p in sheet.blocks],
    }


def _row(p: PrepBlock, part: str, hand: str) -> dict[str, Any]:
    b = p.block
    return {
        "name": b.name,
        "part": part,
        "minutes": f"{b.minutes:g}",
        "sets": b.sets,
        "count": b.count,
        "unit": b.unit,
        "rest": round(b.rest_seconds),
        "serves": b.serves,
        "chain": b.chain,
        "overlay": b.overlay,
        "stage": b.stage,
        "grade": " · ".join(b.grade_words),
        "expected": b.expected_words,
        "svg": on_paper.table_drawing(p.table, hand),
        "setup": b.setup,
        "posture": f"{b.posture[:1].upper()}{b.posture[1:]}",
        "cues": b.cues,
        "watch": b.watch,
        "easier": p.easier,
        "harder": p.harder,
        "tidy": b.tidy,
        "cautions": p.cautions,
        "say": b.say,
        "do_first": b.do_first,
        "things": [f"{q.wanted} {q.named}" + (f" ({q.cut})" if q.cut else "") for q in b.quantities],
    }


def _week(who: Member, week_id: UUID) -> dict[str, Any]:
    week = week_for(who, week_id)
    bench = home_workbench(week.child, week.targets, timezone.localdate())
    shown = week_out(week)
    sheet = prep_sheet(_once_each(week.days, bench), bench.cupboard, week.child.overrides, week.child.first_name)
    return {
        "child": week.child.first_name,
        "starts_on": week.starts_on,
        "days": shown.days,
        "used_up": ", ".join(shown.used_up),
        "standing": sheet.standing,
        "rows": [_row(p, "", skill_hand(week.child)) for p in sheet.blocks],
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
