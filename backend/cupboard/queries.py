"""Reads of a cupboard."""

from django.db.models import QuerySet
from django.http import Http404

from caseload.models import Home
from clinic.models import Member
from clinic.permissions import require
from core.materials import Stock
from cupboard.models import StockItem
from shelf.queries import KnownThings


def items(home: Home) -> QuerySet[StockItem]:
    """The lines of one cupboard; the home was read through visible_to."""
    return StockItem.objects.filter(home=home).order_by("thing_id")


def stock_of(home: Home) -> tuple[Stock, ...]:
    """A cupboard as the rules see it. Lines with none left count as nothing. One query, and one more where it holds
    things of the clinic's own.
    """
    known = KnownThings(home.clinic_id)
    lines = [(i, known.get(i.thing_id)) for i in items(home) if i.count > 0]
    return tuple(Stock(thing, i.count, i.thing_id, i.measured, i.labels) for i, thing in lines if thing is not None)


def item_for(member: Member, item_id: int) -> StockItem:
    """Return one line. Raises Http404."""
    require(member, "cupboard.read")
    item = StockItem.objects.visible_to(member).select_related("home").filter(pk=item_id).first()
    if item is None:
        raise Http404(f"No cupboard line {item_id} in your clinic.")
    return item
