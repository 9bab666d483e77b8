"""How hard a text is to read."""


def reading_grade(words: str) -> float:
    """Return the school grade a text reads at: Flesch–Kincaid (Kincaid and others 1975), by textstat. 0 for nothing."""
    import textstat

    return float(textstat.flesch_kincaid_grade(words)) if words.strip() else 0.0
