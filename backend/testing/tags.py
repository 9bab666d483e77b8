"""Tags for tests of the core, which knows no Django; Django's runner reads them: --exclude-tag slow."""

from collections.abc import Callable
from typing import TypeVar

T = TypeVar("T", bound=Callable[..., object])


def slow(test: T) -> T:
    """Mark a test that takes seconds: left out of `./pollicor test --fast`."""
    test.tags = {"slow"} | getattr(test, "tags", set())  # type: ignore[attr-defined]  # as Django's own tag does
    return test
