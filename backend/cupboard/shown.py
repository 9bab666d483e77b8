"""Cupboards as they are shown."""

from functools import cache

from clinic.models import Member
from core.drawing import draw_thing
from core.library import THINGS
from core.materials import KEPT, Thing
from cupboard.schemas import Shelf, ShelfThing
from shelf.queries import things_in_use


def shelves_of(who: Member) -> list[Shelf]:
    """Every thing there is, by where a home keeps it; the common ones first, the clinic's own before them."""
    own = things_in_use(who.clinic_id)
    return [
        shelf.model_copy(update={"things": [_tile(t, i) for i, t in own.items() if t.kept == shelf.id] + shelf.things})
        for shelf in _shelves()
    ]


def _tile(t: Thing, thing_id: str) -> ShelfThing:
    return ShelfThing(id=thing_id, name=t.name, usual_count=t.typical_count, common=t.common, picture=draw_thing(t))


@cache
def _shelves() -> list[Shelf]:
    things = sorted(
        (t for t in THINGS.values() if "kept_away" not in t.forms), key=lambda t: (not t.common, t.name.lower())
    )
    return [
        Shelf(
            id=kept,
            name=name,
            things=[_tile(t, t.id) for t in things if t.kept == kept],
        )
        for kept, name in KEPT.items()
    ]
