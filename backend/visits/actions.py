"""Making, moving and closing visits; the secret link of a feed."""

import secrets
from dataclasses import dataclass
from datetime import date, time, timedelta
from uuid import uuid4

from caseload.checks import FieldError, checked_therapist
from caseload.models import Child, Home
from clinic.actions import Done, StaleEdit, acting
from clinic.links import digest
from clinic.models import Member
from visits.models import Feed, Visit, VisitStatus

MOST_TIMES = 52
MOST_WEEKS = 12  # between two visits of a series
LATEST_DAYS = 3 * 366  # ahead; beyond that a year was mistyped
MINUTES = (5, 240)


@dataclass(frozen=True)
class When:
    """Who comes where and when; at -- None: some time that day."""

    home: Home
    therapist: Member
    on: date
    at: time | None
    minutes: int


@acting("visit.edit")
def add_visits(
    member: Member, child: Child, when: When, every_weeks: int, times: int, today: date
) -> Done[list[Visit]]:
    """Put a visit into the calendar, or a series of them. Raises FieldError for what can't be."""
    _check(when, today)
    if child.care != "open":
        raise FieldError("child_id", child.pk, f"{child.first_name}'s care has ended.", "Bring the child back first.")
    if not 1 <= times <= MOST_TIMES:
        raise FieldError("times", times, f"A series has 1 to {MOST_TIMES} visits.", "Choose a number between these.")
    if times > 1 and not 1 <= every_weeks <= MOST_WEEKS:
        raise FieldError(
            "every_weeks", every_weeks, f"Visits come every 1 to {MOST_WEEKS} weeks.", "Choose a number between these."
        )
    series = uuid4() if times > 1 else None
    made = Visit.objects.bulk_create(
        Visit(
            clinic_id=member.clinic_id,
            child=child,
            home=when.home,
            therapist=when.therapist,
            on=when.on + timedelta(weeks=every_weeks * n),
            at=when.at,
            minutes=when.minutes,
            series=series,
        )
        for n in range(times)
    )
    detail = {"on": str(when.on), "at": str(when.at), "every_weeks": every_weeks, "times": times}
    return Done(made, made[0], child.pk, detail)


@acting("visit.edit")
def move(member: Member, visit: Visit, when: When, later: bool, version: int, today: date) -> Done[Visit]:
    """Change a visit; with `later`, the planned ones of its series after it too, moved by as many days.

    Raises StaleEdit when somebody else changed it since `version`, FieldError for what can't be.
    """
    _check(when, today)
    now = _locked(visit, version)
    if now.status != "planned":
        raise FieldError("on", when.on, "This visit has been closed.", "Make a new one.")
    moved_by = when.on - now.on
    changed = [now]
    if later and now.series:
        changed += Visit.objects.select_for_update().filter(series=now.series, status="planned", on__gt=now.on)
    for v in changed:
        v.on, v.at, v.minutes, v.home, v.therapist = v.on + moved_by, when.at, when.minutes, when.home, when.therapist
        v.version += 1
    Visit.objects.bulk_update(changed, ["on", "at", "minutes", "home", "therapist", "version"])
    return Done(now, now, now.child_id, {"to": str(when.on), "at": str(when.at), "visits": len(changed)})


@acting("visit.close")
def close(member: Member, visit: Visit, status: VisitStatus, reason: str, later: bool, version: int) -> Done[Visit]:
    """Say how a visit went: done, cancelled or no show, the last two with a reason; or planned again. With `later`, a
    cancellation ends the rest of its series, too. Raises StaleEdit, and FieldError without a reason.
    """
    now = _locked(visit, version)
    words = reason.strip()
    if status in ("cancelled", "no_show") and not words:
        raise FieldError("reason", reason, "Say why it did not take place.", "A word is enough: ill, holiday.")
    changed = [now]
    if later and now.series and status == "cancelled":
        changed += Visit.objects.select_for_update().filter(series=now.series, status="planned", on__gt=now.on)
    for v in changed:
        v.status, v.reason = status, words if status in ("cancelled", "no_show") else ""
        v.version += 1
    Visit.objects.bulk_update(changed, ["status", "reason", "version"])
    return Done(now, now, now.child_id, {"status": status, "reason": words, "visits": len(changed)})


@acting("me.edit")
def make_feed(member: Member) -> Done[str]:
    """Make the secret link of one's calendar; the one before stops working. Returns its token, shown this once."""
    token = secrets.token_urlsafe(24)
    feed, _ = Feed.objects.update_or_create(member=member, defaults={"digest": digest(token)})
    return Done(token, feed, None, {"feed": "made"})


@acting("me.edit")
def withdraw_feed(member: Member) -> Done[None]:
    """Make the secret link useless."""
    Feed.objects.filter(member=member).delete()
    return Done(None, member, None, {"feed": "withdrawn"})


def _check(when: When, today: date) -> None:
    if when.home.is_archived:
        raise FieldError("home_id", when.home.pk, f"{when.home.name} is archived.", "Choose another place.")
    checked_therapist(when.therapist)
    if not MINUTES[0] <= when.minutes <= MINUTES[1]:
        raise FieldError(
            "minutes",
            when.minutes,
            f"A visit has {MINUTES[0]} to {MINUTES[1]} minutes.",
            "Choose a number between these.",
        )
    if abs((when.on - today).days) > LATEST_DAYS:
        raise FieldError("on", when.on, f"{when.on:%d %b %Y} is more than three years away.", "Check the year.")


def _locked(visit: Visit, version: int) -> Visit:
    now = Visit.objects.select_for_update().get(pk=visit.pk)
    if now.version != version:
        theirs = {"on": str(now.on), "at": str(now.at), "status": now.status, "version": now.version}
        raise StaleEdit(theirs, {"version": version})
    return now
