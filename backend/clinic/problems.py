"""Problem details: what is wrong, with which value, why, and what to do. After RFC 9457."""

from typing import Any

from clinic.base_schema import Schema


class FieldProblem(Schema):
    """One field's problem."""

    field: str
    value: str = ""
    reason: str
    remedy: str = ""


class Problem(Schema):
    """An answer that says no."""

    title: str
    status: int
    detail: str
    fields: list[FieldProblem] = []
    theirs: dict[str, Any] | None = None
    yours: dict[str, Any] | None = None


class ProblemError(Exception):
    """Raised where the API says no, about one field."""

    def __init__(self, status: int, title: str, field: str, value: object, reason: str, remedy: str = "") -> None:
        super().__init__(reason)
        words = [_sendable(text) for text in (field, str(value)[:200], reason, remedy)]
        self.problem = Problem(
            title=title,
            status=status,
            detail=words[2],
            fields=[FieldProblem(field=words[0], value=words[1], reason=words[2], remedy=words[3])],
        )


def _sendable(text: str) -> str:
    """Text without half characters, which no answer can carry: each becomes a question mark."""
    return text.encode("utf-8", "replace").decode()
