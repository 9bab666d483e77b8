"""Django's test runner, for which today is one day however long the tests take: no run of them meets a midnight.

Where POLLICOR_DURATIONS names a file, how long each test took goes there, a line each: seconds, a tab, its name.
"""

import os
from contextlib import ExitStack
from datetime import date, datetime, tzinfo
from time import perf_counter
from typing import Any
from unittest import TestCase, TestResult
from unittest.mock import patch

from django.test.runner import DiscoverRunner, ParallelTestSuite
from django.utils import timezone


class LongestFirst(ParallelTestSuite):
    """Hands out the classes that take long before the others, so that no process works on alone at the end: those that
    drive a browser or whole servers, then those with slow tests, the most tests first.
    """

    def __init__(self, subsuites: Any, *more: Any, **named: Any) -> None:
        def length(suite: Any) -> tuple[bool, bool, int]:
            tests = list(suite)
            is_slow = any(
                "slow" in getattr(getattr(t, t._testMethodName), "tags", getattr(t, "tags", ())) for t in tests
            )
            return type(tests[0]).__module__.startswith("e2e."), is_slow, len(tests)

        super().__init__(sorted(subsuites, key=length, reverse=True), *more, **named)


class OneDayRunner(DiscoverRunner):
    """Runs the tests with the day they started on as the clinic's day."""

    parallel_test_suite = LongestFirst

    def run_tests(self, test_labels: Any, **more: Any) -> int:
        """Run the tests and return how many failed."""
        today, day_of = timezone.localdate(), timezone.localdate

        def localdate(value: datetime | None = None, zone: tzinfo | None = None) -> date:
            return today if value is None else day_of(value, zone)

        with ExitStack() as stack:
            stack.enter_context(patch.object(timezone, "localdate", localdate))
            if kept_in := os.environ.get("POLLICOR_DURATIONS"):
                stack.enter_context(patch.object(TestCase, "run", timed(kept_in)))
            return super().run_tests(test_labels, **more)


def timed(kept_in: str) -> Any:
    """What runs a test and notes how long it took. The processes tests run in are forked from this one, patched."""
    run = TestCase.run

    def and_note(self: TestCase, result: TestResult | None = None) -> TestResult | None:
        start = perf_counter()
        answer = run(self, result)
        with open(kept_in, "a", encoding="utf-8") as notes:
            notes.write(f"{perf_counter() - start:.2f}\t{self.id()}\n")
        return answer

    return and_note
