"""Django's test runner, for which today is one day however long the tests take: no run of them meets a midnight."""

from datetime import date, datetime, tzinfo
from typing import Any
from unittest.mock import patch

from django.test.runner import DiscoverRunner
from django.utils import timezone


class OneDayRunner(DiscoverRunner):
    """Runs the tests with the day they started on as the clinic's day."""

    def run_tests(self, test_labels: Any, **more: Any) -> int:
        """Run the tests and return how many failed."""
        today, day_of = timezone.localdate(), timezone.localdate

        def localdate(value: datetime | None = None, zone: tzinfo | None = None) -> date:
            return today if value is None else day_of(value, zone)

        with patch.object(timezone, "localdate", localdate):
            return super().run_tests(test_labels, **more)
