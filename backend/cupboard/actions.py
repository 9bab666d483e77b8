"""Adding, changing and taking out lines of a cupboard."""

from typing import Any

from caseload.checks import FieldError
from caseload.models import Home
from clinic.actions import Done, StaleEdit, acting
from clinic.models import Member
from core.library.things import MATERIALS
from core.materials import measured_material
from cupboard.models import StockItem

MOST = 9999


@acting("cupboard.edit")
def add_item(member: Member, home: Home, material: str, count: int, measured: dict[str, float]) -> Done[StockItem]:
    """Add a thing to a cupboard, or add to the count where it is there already."""
    checked_line(material, count, measured)
    line, new = StockItem.objects.select_for_update().get_or_create(
        home=home, material=material, defaults={"count": count, "measured": measured}
    )
    if not new:
        line.count = min(line.count + count, MOST)
        line.measured = {**line.measured, **measured}
        line.version += 1
        line.save()
    return Done(line, line, None, {"material": material, "count": line.count})


@acting("cupboard.edit")
def edit_item(member: Member, item: StockItem, count: int, measured: dict[str, float], version: int) -> Done[StockItem]:
    """Change how many there are and what was measured. Raises StaleEdit when somebody else did so since."""
    checked_line(item.material, count, measured)
    now = StockItem.objects.select_for_update().get(pk=item.pk)
    if now.version != version:
        raise StaleEdit(_plain(now), {"count": count, "measured": measured})
    before = _plain(now)
    now.count, now.measured, now.version = count, measured, now.version + 1
    now.save()
    return Done(now, now, None, {"before": before, "after": _plain(now)})


@acting("cupboard.edit")
def remove_item(member: Member, item: StockItem) -> Done[None]:
    """Take a line out of the cupboard."""
    done: Done[None] = Done(None, StockItem(pk=item.pk), None, _plain(item))
    item.delete()
    return done


def checked_line(material: str, count: int, measured: dict[str, float]) -> None:
    """Raise FieldError or MeasureError for a line that can't be."""
    if material not in MATERIALS:
        raise FieldError("material", material, f"{material!r} is not a known thing.", "Choose one from the list.")
    if not 0 <= count <= MOST:
        raise FieldError("count", count, f"{count} of a thing can't be.", f"Count again: 0 to {MOST}.")
    measured_material(MATERIALS[material], measured)


def _plain(item: StockItem) -> dict[str, Any]:
    return {"material": item.material, "count": item.count, "measured": item.measured, "version": item.version}
