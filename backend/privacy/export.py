"""Everything that is stored about one child, in an open form: worked out from the foreign keys, so that nothing that is
added later is forgotten.
"""

from collections.abc import Iterator
from typing import Any

from django.core import serializers
from django.db.models import ForeignKey, Model, QuerySet

from caseload.models import Child, Home
from clinic.models import AuditEntry
from cupboard.models import StockItem
from planning.models import GroupSession

FORMAT = "pollicor-child-2"


def everything(child: Child) -> dict[str, Any]:
    """Return every row about a child, by table, as plain values: what JSON can hold. The places it is seen at come with
    their cupboards; of what several children share, the whole.
    """
    tables: dict[str, list[dict[str, Any]]] = {}
    for rows in _rows(child):
        name = rows.model._meta.model_name or ""
        plain = serializers.serialize("python", rows)
        tables[name] = [{"id": row["pk"], **row["fields"]} for row in plain]
    return {"format": FORMAT, "child": child.first_name, "home": child.home.name, "tables": tables}


def tables_about_children() -> list[tuple[type[Model], str]]:
    """Return every model whose rows belong to a child, straight or through others that do, each with the way to the
    child as a query says it: `run__child`.
    """
    ways: dict[type[Model], str] = {Child: ""}
    waiting: list[type[Model]] = [Child]
    while waiting:
        model = waiting.pop(0)
        for relation in model._meta.related_objects:
            field, rows = relation.field, relation.related_model
            if not isinstance(field, ForeignKey) or isinstance(rows, str) or rows in ways:
                continue
            ways[rows] = f"{field.name}__{ways[model]}" if ways[model] else field.name
            waiting.append(rows)
    return [(model, way) for model, way in ways.items() if model is not Child]


def _rows(child: Child) -> Iterator[QuerySet[Any]]:
    yield Child.objects.filter(pk=child.pk)
    for model, way in tables_about_children():
        yield model._default_manager.filter(**{way: child}).order_by("pk")
    places = Home.objects.filter(pk__in=[child.home_id, *child.also_at.values_list("pk", flat=True)])
    yield places.order_by("pk")
    yield StockItem.objects.filter(home__in=places).order_by("pk")
    yield GroupSession.objects.filter(children=child).order_by("pk")
    yield AuditEntry.objects.filter(child=child.pk).order_by("pk")
