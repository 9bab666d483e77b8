"""What pages cost against their own SQL, and taps against a bare insert."""

import json
from collections.abc import Callable, Iterable
from functools import partial
from time import perf_counter
from uuid import uuid4

from django.db import connection
from django.test.utils import CaptureQueriesContext

from caseload.models import Child
from clinic.models import Member
from progress.actions import finish_run
from running.models import Run, RunEvent, SetRecord
from testing.builders import TODAY, Api, make_child, make_home, make_member, run_for_child, tap_all, tries

TIMES = 15


def fill(children: int = 60, sessions: int = 3) -> tuple[Member, list[Child]]:
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


def pages(say: Callable[[str], None]) -> None:
    """Each page's data against running its own queries bare."""
    lead, children = fill()
    api, child = Api(lead), children[0]
    run = run_for_child(lead, child)
    plan = run.plan
    block = plan.blocks.all()[0]
    dial = {"part": block.part, "activity_id": block.activity_id, "grade": block.grade, "sets": block.sets}
    for name, method, path, body in (
        ("caseload", "get", "/caseload", None),
        ("child", "get", f"/children/{child.pk}", None),
        ("cupboard", "get", f"/homes/{child.home_id}/cupboard?child_id={child.pk}", None),
        ("progress", "get", f"/children/{child.pk}/progress", None),
        ("run", "get", f"/runs/{run.pk}", None),
        ("plan", "get", f"/plans/{plan.pk}", None),
        ("dial turn", "post", f"/plans/{plan.pk}/forecast", dial),
    ):
        _against_bare(say, f"page {name}", api, method, path, body)


def year(say: Callable[[str], None]) -> None:
    """The progress of a child seen weekly for a year, against the queries it makes."""
    lead, children = fill(children=1, sessions=48)
    _against_bare(say, "a year of one child's sessions", Api(lead), "get", f"/children/{children[0].pk}/progress", None)


def _against_bare(say: Callable[[str], None], name: str, api: Api, method: str, path: str, body: object) -> None:
    api(method, path, body)
    whole = best(_timed(lambda: api(method, path, body)) for _ in range(TIMES))
    with CaptureQueriesContext(connection) as caught:
        api(method, path, body)
    bare = best(_timed(lambda: _bare(caught.captured_queries)) for _ in range(TIMES))
    say(f"{name}: {whole * 1e3:.1f} ms, {whole / bare:.1f} times its {len(caught)} queries bare ({bare * 1e3:.1f} ms)")


def growth(say: Callable[[str], None]) -> None:
    """The pages that read sets, with 10,000 sets in the database and with 1,000,000 (of 2,000 other
    children's runs).
    """
    lead, children = fill(children=12, sessions=40)
    child = children[0]
    api, run = Api(lead), child.runs.earliest("on")
    paths = {
        "caseload": "/caseload",
        "a year's progress": f"/children/{child.pk}/progress",
        "results": f"/runs/{run.pk}/results",
    }
    cost: dict[int, dict[str, float]] = {}
    for wanted in (10_000, 1_000_000):
        _pad_sets(run, wanted)
        for path in paths.values():
            api("get", path)
        cost[wanted] = {
            name: best(_timed(partial(api, "get", path)) for _ in range(TIMES)) for name, path in paths.items()
        }
    for name in paths:
        few, many = cost[10_000][name], cost[1_000_000][name]
        say(f"page {name}: {many * 1e3:.1f} ms with 1,000,000 sets, {many / few:.2f} times that with 10,000")


def many_children(say: Callable[[str], None]) -> None:
    """The list, a search in it and finding by letters, with 2,000 children against 60."""
    lead, _ = fill()
    api, home = Api(lead), Child.objects.filter(clinic=lead.clinic)[0].home
    paths = {
        "the list": "/caseload",
        "a page of it by name": "/caseload?sort=name&page=2",
        "a search in it": "/caseload?letters=child%201",
        "finding by letters": "/children?letters=ch",
    }
    few = {name: best(_timed(partial(api, "get", path)) for _ in range(TIMES)) for name, path in paths.items()}
    born = {"birth_date": TODAY.replace(year=TODAY.year - 5, day=1), "therapist": lead}
    Child.objects.bulk_create(
        Child(clinic=lead.clinic, home=home, first_name=f"Child {n}", **born) for n in range(60, 2000)
    )
    for name, path in paths.items():
        many = best(_timed(partial(api, "get", path)) for _ in range(TIMES))
        say(f"{name}: {many * 1e3:.0f} ms with 2,000 children, {many / few[name]:.1f} times that with 60")


def _pad_sets(run: Run, wanted: int) -> None:
    """Fill up with sets of runs of other children of the clinic, copied inside the database."""
    with connection.cursor() as cursor:
        cursor.execute("SELECT count(*) FROM running_setrecord")
        have = cursor.fetchone()[0]
        columns = [f.column for f in SetRecord._meta.concrete_fields if f.column not in ("id", "run_id", "child_id")]
        others = list(Run.objects.exclude(child_id=run.child_id).values_list("pk", "child_id")[:200])
        listed = ", ".join(f'"{c}"' for c in columns)
        share = max(0, wanted - have) // len(others) + 1
        for run_id, child_id in others:
            cursor.execute(
                f"INSERT INTO running_setrecord (run_id, child_id, {listed}) SELECT %s, %s, {listed} "
                "FROM (SELECT * FROM running_setrecord WHERE run_id = %s LIMIT 1) one, generate_series(1, %s)",
                [run_id, child_id, run.pk, share],
            )
        cursor.execute("ANALYZE running_setrecord")


def taps(say: Callable[[str], None]) -> None:
    """200 taps through the API against a bare bulk insert of the same rows."""
    lead = make_member()
    run = run_for_child(lead, make_child(lead))
    api = Api(lead)
    ours, bare = [], []
    for _ in range(TIMES):
        events = tries(run, 0, "10" * 100)
        body = [{**e, "at": e["at"].isoformat()} for e in events]
        ours.append(_timed(partial(api, "post", f"/runs/{run.pk}/events", body)))
        rows = [
            RunEvent(
                pk=uuid4(),
                run=run,
                block=e["block"],
                kind=e["kind"],
                at=e["at"],
                value=json.loads(json.dumps(e["value"])),
            )
            for e in events
        ]
        bare.append(_timed(partial(RunEvent.objects.bulk_create, rows)))
    say(f"200 taps: {best(ours) * 1e3:.1f} ms, {best(ours) / best(bare):.1f} times a bare bulk insert")


def best(seconds: Iterable[float]) -> float:
    """The least of several goes: what else the machine does only ever adds."""
    return min(seconds)


def _timed(work: Callable[[], object]) -> float:
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
