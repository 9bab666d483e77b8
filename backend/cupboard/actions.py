"""Adding, changing and taking out lines of a cupboard."""

from typing import Any

from django.utils import timezone

from caseload.checks import FieldError
from caseload.facts import facts_of, setting_of
from caseload.models import Home
from clinic.actions import Done, StaleEdit, acting
from clinic.models import Member
from clinic.permissions import require
from core.materials import Thing, labelled_thing, measured_thing
from core.safety import lifted_bars
from cupboard.models import StockItem
from shelf.queries import KnownThings

MOST = 9999


@acting("cupboard.edit")
def add_item(member: Member, home: Home, thing_id: str, count: int, measured: dict[str, float]) -> Done[StockItem]:
    """Add a thing to a cupboard, or add to the count where it is there already."""
    usual = checked_line(thing_id, count, measured, KnownThings(home.clinic_id))
    line, new = StockItem.objects.select_for_update().get_or_create(
        home=home, thing_id=thing_id, defaults={"count": count, "measured": measured}
    )
    before = usual if new else measured_thing(usual, line.measured)
    after = measured_thing(usual, measured if new else {**line.measured, **measured})
    labels = {} if new else line.labels
    lifted = _lifted(member, home, labelled_thing(before, labels), labelled_thing(after, labels))
    if not new:
        line.count = min(line.count + count, MOST)
        line.measured = {**line.measured, **measured}
        line.version += 1
        line.save()
    return Done(line, line, None, {"thing_id": thing_id, "count": line.count, **lifted})


@acting("cupboard.edit")
def edit_item(member: Member, item: StockItem, count: int, measured: dict[str, float], version: int) -> Done[StockItem]:
    """Change how many there are and what was measured. Raises StaleEdit when somebody else did so since."""
    usual = checked_line(item.thing_id, count, measured, KnownThings(item.home.clinic_id))
    now = StockItem.objects.select_for_update().get(pk=item.pk)
    if now.version != version:
        raise StaleEdit(_plain(now), {"count": count, "measured": measured})
    before = _plain(now)
    known, found = (labelled_thing(measured_thing(usual, m), now.labels) for m in (now.measured, measured))
    lifted = _lifted(member, item.home, known, found)
    now.count, now.measured, now.version = count, measured, now.version + 1
    now.save()
    return Done(now, now, None, {"before": before, "after": _plain(now), **lifted})


@acting("cupboard.edit")
def answer_label(member: Member, item: StockItem, allergen: str, holds: bool | None) -> Done[StockItem]:
    """Keep what a label says of an allergen that some makes of a thing hold; holds None: take the answer back.

    Raises MeasureError where that is not for a label to say.
    """
    if holds is False:  # a child who comes later may be allergic to it
        require(member, "cupboard.lift_bar")
    usual = KnownThings(item.home.clinic_id).checked(item.thing_id)
    now = StockItem.objects.select_for_update().get(pk=item.pk)
    labels = {**now.labels, allergen: holds}
    labels = {a: held for a, held in labels.items() if held is not None}
    known, read = (labelled_thing(measured_thing(usual, now.measured), said) for said in (now.labels, labels))
    lifted = _lifted(member, item.home, known, read)
    now.labels, now.version = labels, now.version + 1
    now.save()
    return Done(now, now, None, {"thing_id": now.thing_id, "label": {allergen: holds}, **lifted})


@acting("cupboard.edit")
def remove_item(member: Member, item: StockItem) -> Done[None]:
    """Take a line out of the cupboard."""
    done: Done[None] = Done(None, StockItem(pk=item.pk), None, _plain(item))
    item.delete()
    return done


def _lifted(member: Member, home: Home, before: Thing, after: Thing) -> dict[str, Any]:
    """What the audit log keeps where a measurement lifts a bar. Raises NotAllowed for who may not do that."""
    today = timezone.localdate()
    children = [facts_of(c, today) for c in [*home.children.all(), *home.visitors.all()]]
    rules = lifted_bars(before, after, children, setting_of(home))
    if rules:
        require(member, "cupboard.lift_bar")
    return {"bars_lifted": list(rules)} if rules else {}


def checked_line(thing_id: str, count: int, measured: dict[str, float], known: KnownThings) -> Thing:
    """Return the thing of a line, as it usually is. Raises FieldError or MeasureError for a line that can't be."""
    thing = known.checked(thing_id)
    checked_count(count)
    measured_thing(thing, measured)
    return thing


def checked_count(count: int) -> None:
    """Raise FieldError for a number of things that can't be."""
    if not 0 <= count <= MOST:
        raise FieldError("count", count, f"{count} is not a possible number of things.", f"Count again: 0 to {MOST}.")


def _plain(item: StockItem) -> dict[str, Any]:
    return {
        "thing_id": item.thing_id,
        "count": item.count,
        "measured": item.measured,
        "labels": item.labels,
        "version": item.version,
    }
