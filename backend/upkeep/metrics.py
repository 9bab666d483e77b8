"""What is measured while Pollicor runs, in the text format that Prometheus reads. Each process counts for itself, in
files under var/metrics (prometheus_client's way with several processes); whoever asks is told the sum.
"""

import os
import re
import time
from collections.abc import Callable, Iterable
from typing import Any

from django.db import connection
from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from prometheus_client import CollectorRegistry, Counter, Histogram, generate_latest, multiprocess
from prometheus_client.core import GaugeMetricFamily
from prometheus_client.registry import Collector

from planning.models import Plan
from upkeep.alive import life

BUCKETS = (0.01, 0.025, 0.05, 0.1, 0.3, 1, 3, 10, 30)  # seconds
REQUESTS = Counter("pollicor_requests_total", "Requests answered.", ["method", "route", "status"])
SECONDS = Histogram("pollicor_request_seconds", "How long they took.", ["kind"], buckets=BUCKETS)
PLANS = Counter("pollicor_plans_total", "Plans made, by whether they were proven best.", ["status"])
METHODS = frozenset({"GET", "HEAD", "OPTIONS", "POST", "PUT", "PATCH", "DELETE"})
KINDS = (
    ("tap", re.compile(r"/events$")),
    ("dial", re.compile(r"/forecast$")),
    ("plan", re.compile(r"/(plans|weeks|groups|bags|looks|again|next)$")),
    ("sheet", re.compile(r"\.pdf$")),
)


def counted(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """The middleware, outside all others: counts each answer, by its route and never by whom it was about."""

    def answer(request: HttpRequest) -> HttpResponse:
        begun = time.perf_counter()
        response = get_response(request)
        if getattr(response, "handed_on", False) or request.path == "/health":
            return response  # counted where it was worked out; or asked by what watches over the server
        route = request.resolver_match.route if request.resolver_match else "none"
        method = request.method if request.method in METHODS else "other"  # whoever asks chooses the word
        REQUESTS.labels(method, route, response.status_code).inc()
        SECONDS.labels(kind_of(request.method or "", request.path)).observe(time.perf_counter() - begun)
        return response

    return answer


def kind_of(method: str, path: str) -> str:
    """What is asked for, coarsely: a tap, a dial, a plan, a sheet, or a page's read or write."""
    if not path.startswith("/api/"):
        return "file"
    return next((kind for kind, ends in KINDS if ends.search(path)), "read" if method == "GET" else "write")


def count_plans(sender: type[Plan], instance: Plan, created: bool, **more: Any) -> None:
    """Count a plan when it is stored for the first time."""
    if created:
        PLANS.labels(instance.status).inc()


class Standing(Collector):
    """What is so at the moment it is asked for: jobs that wait, and how old the last backup is."""

    def collect(self) -> Iterable[GaugeMetricFamily]:
        """Yield the gauges."""
        jobs = GaugeMetricFamily("pollicor_jobs", "Work in the background.", labels=["status"])
        with connection.cursor() as cursor:
            cursor.execute("select status::text, count(*) from procrastinate_jobs group by 1")
            found = dict(cursor.fetchall())
        for status in ("todo", "doing", "failed"):
            jobs.add_metric([status], found.get(status, 0))
        yield jobs
        alive, now = life(), timezone.now()
        for name, words, at in (
            ("backup_age", "Since the last backup was begun.", alive.backup),
            ("worker_quiet", "Since a background worker was last heard of.", alive.worker),
        ):
            if at is not None:
                yield GaugeMetricFamily(f"pollicor_{name}_seconds", words, value=(now - at).total_seconds())


def said() -> bytes:
    """All of it, in Prometheus's text format."""
    registry = CollectorRegistry()
    if os.environ.get("PROMETHEUS_MULTIPROC_DIR"):
        multiprocess.MultiProcessCollector(registry)  # type: ignore[no-untyped-call]
    else:
        for one in (REQUESTS, SECONDS, PLANS):
            registry.register(one)
    registry.register(Standing())
    return generate_latest(registry)
