"""Days as they are written in a sentence."""

from datetime import date


def day_words(on: date) -> str:
    """Return a day in words: 3 March 2026."""
    return f"{on.day} {on:%B %Y}"
