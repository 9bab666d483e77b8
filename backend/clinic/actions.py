"""How a write happens: permission, change and audit in one transaction."""

from collections.abc import Callable
from dataclasses import dataclass, field
from functools import update_wrapper
from typing import Any, Concatenate, Generic, ParamSpec, TypeVar

from django.db import models, transaction

from clinic.models import AuditEntry, Clinic, Member
from clinic.permissions import require

P = ParamSpec("P")
T = TypeVar("T")


class StaleEdit(Exception):
    """It has changed meanwhile, by somebody else or by what came in. Carries both versions."""

    def __init__(
        self,
        theirs: dict[str, Any],
        yours: dict[str, Any],
        words: str = "Somebody else changed this meanwhile. Look at both versions and save again.",
    ) -> None:
        super().__init__(words)
        self.theirs, self.yours = theirs, yours


@dataclass(frozen=True)
class Done(Generic[T]):
    """What an action hands back: its result, what it was done to, and what the audit log keeps."""

    result: T
    subject: models.Model
    child: int | None = None
    detail: dict[str, Any] = field(default_factory=dict)


def acting(name: str) -> Callable[[Callable[Concatenate[Member, P], Done[T]]], Callable[Concatenate[Member, P], T]]:
    """Make a function an action: checked first, one transaction, audited."""

    def wrap(action: Callable[Concatenate[Member, P], Done[T]]) -> Callable[Concatenate[Member, P], T]:
        def run(member: Member, /, *args: P.args, **kwargs: P.kwargs) -> T:
            require(member, name)
            with transaction.atomic():
                done = action(member, *args, **kwargs)
                log(member, name, done.subject, done.child, done.detail)
            return done.result

        update_wrapper(run, action)
        return run

    return wrap


def log(
    member: Member, action: str, subject: models.Model, child: int | None, detail: dict[str, Any] | None = None
) -> None:
    """Add one line to the audit log."""
    _add(member.clinic_id, member, action, subject, child, detail)


def log_background(clinic: Clinic, action: str, subject: models.Model, detail: dict[str, Any]) -> None:
    """Add one line for what the background did by itself, for nobody."""
    _add(clinic.pk, None, action, subject, None, detail)


def _add(
    clinic: int,
    member: Member | None,
    action: str,
    subject: models.Model,
    child: int | None,
    detail: dict[str, Any] | None,
) -> None:
    AuditEntry.objects.create(
        clinic_id=clinic,
        member=member,
        action=action,
        subject=f"{subject._meta.model_name}:{subject.pk}",
        child=child,
        detail=detail or {},
    )
