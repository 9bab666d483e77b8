"""What some work asks of the database."""

import re
from collections.abc import Callable

from django.db import connection
from django.test.utils import CaptureQueriesContext


def tables_read(work: Callable[[], object]) -> set[str]:
    """Every table that it reads."""
    with CaptureQueriesContext(connection) as asked:
        work()
    return {table for q in asked.captured_queries for table in re.findall(r'(?:FROM|JOIN) "(\w+)"', q["sql"])}
