"""What a clinic's pages cost beside 10, 100 and 1,000 other clinics of 200 children each, against none."""

from collections.abc import Callable
from functools import partial
from time import perf_counter
from typing import Any

from django.contrib.auth.models import User
from django.db import connection
from django.db.models import AutoField, BigAutoField, Model, UUIDField

from benchmarks.pages import TIMES, fill
from caseload.models import Child, Home, StrandEstimate
from clinic.models import AuditEntry, Clinic, Member
from cupboard.models import StockItem
from planning.models import Plan, PlanBlock
from progress.models import DecisionRecord
from running.models import Run, RunEvent, SetRecord
from testing.builders import Api, run_for_child, tries

CHILDREN = 200
CLINICS = (10, 100, 1000)
APART = 1_000_000  # between the numbers of one clinic's rows and of the next one's
COPIED: tuple[type[Model], ...] = (
    *(User, Clinic, Member, Home, Child, StrandEstimate, StockItem),
    *(Plan, PlanBlock, Run, RunEvent, SetRecord, DecisionRecord, AuditEntry),
)


def report(say: Callable[[str], None]) -> None:
    """Fill up with copies of one clinic, and time its pages and a tap each time."""
    lead, children = fill(children=CHILDREN)
    child, run = children[0], run_for_child(lead, children[0])
    api = Api(lead)
    asked: dict[str, Callable[[], Any]] = {
        name: partial(api, "get", path)
        for name, path in (
            ("caseload", "/caseload"),
            ("a child", f"/children/{child.pk}"),
            ("cupboard", f"/homes/{child.home_id}/cupboard?child_id={child.pk}"),
            ("progress", f"/children/{child.pk}/progress"),
            ("run", f"/runs/{run.pk}"),
            ("people", "/people"),
            ("audit log", "/audit"),
            ("finding", "/children?letters=child%201"),
        )
    }
    asked["a tap"] = lambda: api("post", f"/runs/{run.pk}/events", [plain(e) for e in tries(run, 0, "1")])
    with connection.cursor() as cursor:
        for model in COPIED:
            cursor.execute(f"create temp table kept_{model._meta.db_table} as select * from {model._meta.db_table}")
    alone, there = _times(asked), 1
    for clinics in CLINICS:
        _copy(there, clinics)
        there = clinics + 1
        beside = _times(asked)
        rows = _size()
        each = ", ".join(f"{name} {1e3 * beside[name]:.0f} ms ({beside[name] / alone[name]:.2f})" for name in asked)
        say(f"beside {clinics} clinics of {CHILDREN} children ({rows}), and times that alone: {each}")


def plain(event: Any) -> dict[str, Any]:
    """A tap as a tablet sends it."""
    return {**event, "id": str(event["id"]), "at": event["at"].isoformat()}


def _times(asked: dict[str, Callable[[], Any]]) -> dict[str, float]:
    result = {}
    for name, ask in asked.items():
        status, _ = ask()
        if status != 200:
            raise RuntimeError(f"{name} was answered {status}")
        result[name] = min(_timed(ask) for _ in range(TIMES))
    return result


def _timed(ask: Callable[[], Any]) -> float:
    begun = perf_counter()
    ask()
    return perf_counter() - begun


def _size() -> str:
    with connection.cursor() as cursor:
        cursor.execute("select pg_size_pretty(pg_database_size(current_database()))")
        return str(cursor.fetchone()[0])


def _copy(first: int, last: int) -> None:
    """Copy the clinic as number first to last, every row with numbers of its own, inside the database."""
    with connection.cursor() as cursor:
        for model in COPIED:
            table, fields = model._meta.db_table, model._meta.concrete_fields
            columns = ", ".join(f'"{f.column}"' for f in fields)
            values = ", ".join(_value(f) for f in fields)
            cursor.execute(
                f"insert into {table} ({columns}) select {values} from kept_{table} t, generate_series(%s, %s) k",
                [first, last],
            )
        cursor.execute("analyze")


def _value(field: Any) -> str:
    """What a column of the copy holds: a number or an id of its own, a name nobody has, or the same."""
    target = field.related_model if field.is_relation else field.model if field.primary_key else None
    if field.column == "username":
        return "t.username || '-' || k"
    if target is AuditEntry or target in COPIED:
        key = target._meta.pk
        if isinstance(key, UUIDField):
            return f'case when t."{field.column}" is null then null else md5(t."{field.column}"::text || k)::uuid end'
        if isinstance(key, AutoField | BigAutoField):
            return f't."{field.column}" + k * {APART}'
    if field.column == "child" and field.model is AuditEntry:
        return f"t.child + k * {APART}"
    return f't."{field.column}"'
