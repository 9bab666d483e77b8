"""A cupboard with its hazard verdicts for one child; and the list of things there are."""

from typing import Any

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from caseload.facts import facts_of, setting_of
from caseload.models import Child, Home
from caseload.queries import child_for, home_for
from clinic.auth import member
from clinic.problems import Problem
from clinic.routes import SAYS_UNITS, marked
from core.child import ALLERGENS
from core.drawing import draw_thing
from core.library import THINGS
from core.materials import FORMS, Stock, Thing
from core.safety import assess_stock
from cupboard import actions, queries
from cupboard.models import StockItem
from cupboard.schemas import CupboardOut, ItemEdit, ItemOut, LabelIn, LabelOut, NewItem, ThingOut, VerdictOut
from shelf.queries import KnownThings, things_in_use

router = Router(tags=["cupboard"])
REFUSED = {403: Problem, 404: Problem, 409: Problem, 422: Problem}


@router.get("/things", response=list[ThingOut], openapi_extra=marked(SAYS_UNITS))
def list_things(request: HttpRequest) -> list[ThingOut]:
    """Every household thing the library knows and the clinic made, by name."""
    known = {**THINGS, **things_in_use(member(request).clinic_id)}
    return [thing_out(m, thing_id) for thing_id, m in sorted(known.items(), key=lambda k: k[1].name)]


@router.get("/homes/{home_id}/cupboard", response={200: CupboardOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def read_cupboard(request: HttpRequest, home_id: int, child_id: int | None = None) -> CupboardOut:
    """A cupboard; with a child, each thing's hazard verdict for that child there."""
    who = member(request)
    home = home_for(who, home_id)
    child = child_for(who, child_id) if child_id else None
    known = KnownThings(home.clinic_id)
    return CupboardOut(
        home_id=home.pk,
        home_name=home.name,
        kind=home.kind,
        items=[item_out(i, home, child, known) for i in queries.items(home)],
    )


@router.post("/homes/{home_id}/cupboard", response={201: ItemOut, **REFUSED}, openapi_extra=marked(SAYS_UNITS))
def add_item(request: HttpRequest, home_id: int, body: NewItem, child_id: int | None = None) -> tuple[int, ItemOut]:
    """Put a thing in."""
    who = member(request)
    home = home_for(who, home_id)
    child = child_for(who, child_id) if child_id else None
    item = actions.add_item(who, home, body.thing_id, body.count, body.measured)
    return 201, item_out(item, home, child)


@router.put("/cupboard-items/{item_id}", response={200: ItemOut, **REFUSED})
def edit_item(request: HttpRequest, item_id: int, body: ItemEdit, child_id: int | None = None) -> ItemOut:
    """Change a line; 409 with both versions when somebody else did so meanwhile."""
    who = member(request)
    item = queries.item_for(who, item_id)
    child = child_for(who, child_id) if child_id else None
    changed = actions.edit_item(who, item, body.count, body.measured, body.version)
    return item_out(changed, item.home, child)


@router.put("/cupboard-items/{item_id}/label", response={200: ItemOut, **REFUSED})
def answer_label(request: HttpRequest, item_id: int, body: LabelIn, child_id: int | None = None) -> ItemOut:
    """Keep what the label of a thing says of an allergen some makes of it hold."""
    who = member(request)
    item = queries.item_for(who, item_id)
    child = child_for(who, child_id) if child_id else None
    return item_out(actions.answer_label(who, item, body.allergen, body.holds), item.home, child)


@router.delete("/cupboard-items/{item_id}", response={204: None, **REFUSED})
def remove_item(request: HttpRequest, item_id: int) -> tuple[int, None]:
    """Take a line out."""
    who = member(request)
    actions.remove_item(who, queries.item_for(who, item_id))
    return 204, None


def item_out(item: StockItem, home: Home, child: Child | None, known: KnownThings | None = None) -> ItemOut:
    """A line as the API shows it."""
    usual = (known or KnownThings(home.clinic_id)).checked(item.thing_id)
    stock = Stock(usual, item.count, item.thing_id, item.measured, item.labels)
    thing, verdict, asked = stock.thing, None, set(item.labels)
    if child is not None:
        facts = facts_of(child, timezone.localdate())
        verdict = VerdictOut.model_validate(assess_stock(stock, facts, setting_of(home)))
        asked |= facts.allergies & usual.label_questions
    return ItemOut(
        id=item.pk,
        thing=thing_out(thing, item.thing_id),
        count=item.count,
        measured=item.measured,
        labels=[LabelOut(allergen=a, words=ALLERGENS[a], holds=item.labels.get(a)) for a in sorted(asked)],
        version=item.version,
        verdict=verdict,
        picture=draw_thing(thing),
    )


def thing_out(m: Thing, thing_id: str = "") -> ThingOut:
    """A thing as the API shows it, by its name in cupboards."""
    same = (
        "name",
        "hole_mm",
        "slit_mm",
        "cord_mm",
        "force_newton",
        "sheet_gsm",
        "opening_mm",
        "soft",
        "typical_count",
        "measure_words",
    )
    values: dict[str, Any] = {"id": thing_id or m.id, **{name: getattr(m, name) for name in same}}
    forms = [FORMS[f].words for f in sorted(m.forms)]
    return ThingOut(
        **values,
        forms=forms,
        sides_mm=list(m.shape.extents_mm),
        shape=type(m.shape).__name__.lower(),
    )
