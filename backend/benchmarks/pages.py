"""What pages cost against their own SQL, and taps against a bare insert."""

import json
from statistics import median
from time import perf_counter
from uuid import uuid4

from django.db import connection
from django.test.utils import CaptureQueriesContext

from clinic.models import Member
from progress.actions import finish_run
from running.models import RunEvent
from testing.builders import TODAY, Api, make_child, make_home, make_member, run_for_child, tap_all, tries

TIMES = 9


def fill(children: int = 60, sessions: int = 3) -> tuple[Member, list]:  # type: ignore[type-arg]
    """A clinic with children, some of them with histories."""
    from datetime import timedelta

    lead = make_member()
    home = make_home(lead)
    made = [make_child(lead, home, first_name=f"Child {n}") for n in range(children)]
    for child in made[:6]:
        for week in range(sessions):
            run = run_for_child(lead, child, TODAY - timedelta(days=7 * (sessions - week)))
            tap_all(lead, run)
            finish_run(lead, run)
    return lead, made


def pages(say) -> None:  # type: ignore[no-untyped-def]
    """Each page's data against running its own queries bare."""
    lead, children = fill()
    api, child = Api(lead), children[0]
    run = run_for_child(lead, child)
    plan = run.plan
    block = plan.blocks.first()
    dial = {"part": block.part, "family": block.family, "grade": block.grade, "minutes": block.minutes}
    for name, method, path, body in (
        ("caseload", "get", "/caseload", None),
        ("child", "get", f"/children/{child.pk}", None),
        ("cupboard", "get", f"/homes/{child.home_id}/cupboard?child_id={child.pk}", None),
        ("progress", "get", f"/children/{child.pk}/progress", None),
        ("run", "get", f"/runs/{run.pk}", None),
        ("plan", "get", f"/plans/{plan.pk}", None),
        ("dial turn", "post", f"/plans/{plan.pk}/forecast", dial),
    ):
        api(method, path, body)
        whole = median(_timed(lambda m=method, p=path, b=body: api(m, p, b)) for _ in range(TIMES))
        with CaptureQueriesContext(connection) as caught:
            api(method, path, body)
        bare = median(_timed(lambda c=caught: _bare(c.captured_queries)) for _ in range(TIMES))
        say(f"page {name}: {whole * 1e3:.1f} ms, {whole / bare:.1f} times its {len(caught)} queries bare ({bare * 1e3:.1f} ms)")


def taps(say) -> None:  # type: ignore[no-untyped-def]
    """200 taps through the API against a bare bulk insert of the same rows."""
    lead = make_member()
    run = run_for_child(lead, make_child(lead))
    api = Api(lead)
    ours, bare = [], []
    for _ in range(TIMES):
        events = tries(run, 0, "10" * 100)
        body = [{"id": e.id, "block": e.block, "kind": e.kind, "at": e.at.isoformat(), "value": dict(e.value)} for e in events]
        ours.append(_timed(lambda b=body: api("post", f"/runs/{run.pk}/events", b)))
        rows = [
            RunEvent(pk=uuid4(), run=run, block=e.block, kind=e.kind, at=e.at, value=json.loads(json.dumps(dict(e.value))))
            for e in events
        ]
        bare.append(_timed(lambda r=rows: RunEvent.objects.bulk_create(r)))
    say(f"200 taps: {median(ours) * 1e3:.1f} ms, {median(ours) / median(bare):.1f} times a bare bulk insert")


def _timed(work) -> float:  # type: ignore[no-untyped-def]
    start = perf_counter()
    work()
    return perf_counter() - start


def _bare(queries: list[dict[str, str]]) -> None:
    with connection.cursor() as cursor:
        for query in queries:
            sql = query["sql"]
            if sql.startswith("SELECT"):
                cursor.execute(sql)
                cursor.fetchall()
            elif sql.startswith("INSERT"):
                cursor.execute(sql)
