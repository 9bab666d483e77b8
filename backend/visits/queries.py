"""Reads of the calendar, each from who is asking."""

from collections import defaultdict
from dataclasses import dataclass
from datetime import date, timedelta

from django.http import Http404

from caseload.queries import child_for
from clinic.actions import log
from clinic.links import digest
from clinic.models import Member
from clinic.permissions import require
from core.planner import Stop, travel_order
from planning.models import Plan
from running.models import Run
from visits.models import Feed, Visit, VisitStatus

LONGEST = 62  # days that are read at once
FEED_BACK, FEED_AHEAD = timedelta(days=30), timedelta(days=365)


@dataclass(frozen=True)
class Seen:
    """A visit as it stands: done where a session of the child ended that day; the plan that is ready for it."""

    visit: Visit
    status: VisitStatus
    plan: Plan | None
    overlaps: tuple[str, ...]


def visits_between(member: Member, first: date, last: date, mine: bool) -> list[Seen]:
    """The visits of some days, in the order of travel day by day. Four queries."""
    require(member, "visit.read")
    rows = (
        Visit.objects.visible_to(member)
        .filter(on__range=(first, min(last, first + timedelta(days=LONGEST))))
        .select_related("child", "home", "therapist__user")
    )
    visits = list(rows.filter(therapist=member) if mine else rows)
    log(member, "visit.read", member.clinic, None, {"children": sorted({v.child_id for v in visits})})
    return _as_they_stand(visits)


def visit_for(member: Member, visit_id: int) -> Visit:
    """One visit. Raises Http404."""
    require(member, "visit.read")
    found = Visit.objects.visible_to(member).filter(pk=visit_id).first()
    if found is None:
        raise Http404(f"No visit {visit_id} in your clinic.")
    child_for(member, found.child_id, "visit.read")
    return found


def feed_of(token: str) -> tuple[Member, list[Visit]]:
    """Whose calendar a secret link shows, and its visits. Raises Http404 for a link that does not work."""
    feed = Feed.objects.select_related("member__clinic", "member__user").filter(digest=digest(token)).first()
    if feed is None or not feed.member.user.is_active:
        raise Http404("There is no such calendar. Ask its owner for a new link.")
    today = date.today()
    visits = Visit.objects.visible_to(feed.member).filter(
        therapist=feed.member, on__range=(today - FEED_BACK, today + FEED_AHEAD)
    )
    return feed.member, list(visits.select_related("child", "home"))


def _as_they_stand(visits: list[Visit]) -> list[Seen]:
    children = {v.child_id for v in visits}
    days = {v.on for v in visits}
    ran = set(Run.objects.filter(child__in=children, on__in=days, ended_at__isnull=False).values_list("child_id", "on"))
    ready: dict[tuple[int, int], Plan] = {}
    for plan in Plan.objects.filter(child__in=children, used_on=None).exclude(format_id="look").order_by("made_at"):
        ready[plan.child_id, plan.home_id] = plan
    result = []
    by_day: defaultdict[date, list[Visit]] = defaultdict(list)
    for visit in visits:
        by_day[visit.on].append(visit)
    for day in sorted(by_day):
        known = {v.pk: v for v in by_day[day]}
        for stop in travel_order([Stop(v.pk, v.home_id, v.at) for v in by_day[day]]):
            visit = known[stop.id]  # type: ignore[index]
            done = visit.status == "planned" and (visit.child_id, visit.on) in ran
            status: VisitStatus = "done" if done else visit.status
            at_hand = ready.get((visit.child_id, visit.home_id)) if status == "planned" else None
            result.append(Seen(visit, status, at_hand, _overlaps(visit, by_day[day])))
    return result


def _overlaps(visit: Visit, others: list[Visit]) -> tuple[str, ...]:
    """Whom the same therapist sees elsewhere at the same time."""
    if visit.at is None or visit.status in ("cancelled", "no_show"):
        return ()
    begins = visit.at.hour * 60 + visit.at.minute
    names = []
    for other in others:
        if other.pk == visit.pk or other.at is None or other.therapist_id != visit.therapist_id:
            continue
        if other.status in ("cancelled", "no_show") or other.home_id == visit.home_id:
            continue  # several children at one table are no clash
        then = other.at.hour * 60 + other.at.minute
        if then < begins + visit.minutes and begins < then + other.minutes:
            names.append(other.child.first_name)
    return tuple(names)
