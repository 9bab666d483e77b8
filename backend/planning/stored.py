"""Blocks as they are stored: rows of a plan, JSON of a week or a group; one shape, the core's PlannedBlock."""

from collections.abc import Iterable, Mapping
from typing import Any

from core.offers import Variant
from core.planner import Block, PlannedBlock, PlannedGroupBlock
from planning.models import PlanBlock


def planned_of(row: PlanBlock) -> PlannedBlock:
    """A row of a plan as the core sees it."""
    return PlannedBlock(row.part, Variant(row.activity_id, tuple(row.grade)), row.sets, row.locked)


def as_planned(block: Block) -> PlannedBlock:
    """A block that stands as the choice it was made from."""
    return PlannedBlock(block.part, block.variant, block.sets, block.locked)


def as_json(planned: PlannedBlock) -> dict[str, Any]:
    """A choice as plain values that go into JSON and come back by from_json."""
    return {
        "part": planned.part,
        "activity_id": planned.variant.activity_id,
        "grade": list(planned.variant.grade),
        "sets": planned.sets,
        "locked": planned.locked,
    }


def from_json(plain: Mapping[str, Any]) -> PlannedBlock:
    """A choice from what as_json made."""
    variant = Variant(plain["activity_id"], tuple(plain["grade"]))
    return PlannedBlock(plain["part"], variant, plain["sets"], plain["locked"])


def group_as_json(planned: PlannedGroupBlock, children: Iterable[int]) -> dict[str, Any]:
    """A shared choice as plain values: each child's grade under the child's id."""
    return {
        "part": planned.part,
        "activity_id": planned.variants[0].activity_id,
        "minutes": planned.minutes,
        "turns": planned.turns,
        "grades": {str(pk): list(v.grade) for pk, v in zip(children, planned.variants, strict=True)},
    }


def group_from_json(plain: Mapping[str, Any], children: Iterable[int]) -> PlannedGroupBlock:
    """A shared choice from what group_as_json made, the children in this order."""
    variants = tuple(Variant(plain["activity_id"], tuple(plain["grades"][str(pk)])) for pk in children)
    return PlannedGroupBlock(plain["part"], plain["minutes"], plain["turns"], variants)
