"""Pages for what watches over a Pollicor: is it ready, and how is it doing."""

from functools import cache

from django.conf import settings
from django.db import OperationalError, connection
from django.db.migrations.executor import MigrationExecutor
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from django.utils import timezone
from django.utils.crypto import constant_time_compare
from prometheus_client import CONTENT_TYPE_LATEST

from upkeep.alive import life
from upkeep.metrics import said


class BehindError(Exception):
    """The database is of an older version than the code."""


def ready(request: HttpRequest) -> JsonResponse:
    """Whether requests can be sent here: 200, or 503 with what is missing."""
    missing, said_of = [], {}
    try:
        check_version()
        with connection.cursor() as cursor:
            cursor.execute("select 1")
        said_of = _background()
    except BehindError:
        missing.append("The database is of an older Pollicor: ./pollicor start brings it up to date.")
    except OperationalError:
        missing.append("The database can't be reached.")
    return JsonResponse({"ready": not missing, "missing": missing, **said_of}, status=503 if missing else 200)


def _background() -> dict[str, object]:
    """When a worker and a backup were last seen. Requests are answered without them, so that they are said and not
    missed; `warnings` is what somebody has to look after.
    """
    found, now = life(), timezone.now()
    warnings = ["No background worker has been heard of lately: nothing is planned overnight or backed up."]
    late = ["No backup has been made for more than a day."]
    return {
        "worker_seen": found.worker,
        "backup_made": found.backup,
        "warnings": warnings * found.is_quiet(now) + late * found.is_late(now),
    }


@cache
def check_version() -> None:
    """Raise BehindError where a migration is missing; once none is, it is not looked for again."""
    executor = MigrationExecutor(connection)
    if executor.migration_plan(executor.loader.graph.leaf_nodes()):
        raise BehindError


def metrics(request: HttpRequest) -> HttpResponse:
    """What was counted, for who has the token (POLLICOR_METRICS_TOKEN); for anybody else there is no such page."""
    token, shown = settings.METRICS_TOKEN, request.headers.get("Authorization", "")
    if not token or not constant_time_compare(shown, f"Bearer {token}"):
        raise Http404
    return HttpResponse(said(), content_type=CONTENT_TYPE_LATEST, headers={"Cache-Control": "no-store"})
