"""Reads of the calendar, each from who is asking."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, timedelta

from django.db.models import Q, QuerySet
from django.http import Http404
from django.utils import timezone

from caseload.checks import FieldError
from caseload.queries import child_for
from clinic.actions import log
from clinic.links import digest
from clinic.models import Member
from clinic.permissions import require
from core.planner import LOOK
from planning.models import Plan
from running.models import Run
from visits.day_order import Stop, clashes, travel_order
from visits.models import Feed, Visit, VisitStatus

LONGEST = 62  # days that are read at once
FEED_BACK, FEED_AHEAD = timedelta(days=30), timedelta(days=365)
OF_ENDED_CARE = Q(status="planned") & ~Q(child__care="open")  # left off the calendar until the child is back


@dataclass(frozen=True)
class VisitSeen:
    """A visit as it stands. ran: a session of the child ended that day, which makes a booked visit done; plan: that is
    ready for it; overlaps: whom the same therapist sees elsewhere at that time.
    """

    visit: Visit
    status: VisitStatus
    ran: bool
    plan: Plan | None
    overlaps: tuple[str, ...]


def visits_between(member: Member, first: date, last: date, mine: bool) -> list[VisitSeen]:
    """The visits of some days, in the order of travel day by day. Four queries. Raises FieldError for too many days."""
    if (last - first).days > LONGEST:
        raise FieldError("last", last, f"Up to {LONGEST} days are read at once.", "Ask for fewer days.")
    rows = _visits(member).filter(on__range=(first, last))
    visits = list(rows.filter(therapist=member) if mine else rows)
    log(member, "visit.read", member.clinic, None, {"children": sorted({v.child_id for v in visits})})
    return as_they_stand(visits)


def visit_for(member: Member, visit_id: int) -> Visit:
    """One visit. Raises Http404."""
    found = _visits(member).filter(pk=visit_id).first()
    if found is None:
        raise Http404(f"No visit {visit_id} in your clinic.")
    child_for(member, found.child_id, "visit.read")
    return found


def feed_of(token: str) -> tuple[Member, list[Visit]]:
    """Whose calendar a secret link shows, and its visits, and note the read. Raises Http404 for a link that does not
    work.
    """
    feed = Feed.objects.select_related("member__clinic", "member__user").filter(digest=digest(token)).first()
    if feed is None or not feed.member.user.is_active:
        raise Http404("There is no such calendar. Ask its owner for a new link.")
    who = feed.member
    with timezone.override(who.clinic.time_zone):
        today = timezone.localdate()
    shown = _visits(who).filter(therapist=who, on__range=(today - FEED_BACK, today + FEED_AHEAD))
    visits = list(shown)
    log(who, "visit.feed", feed, None, {"children": sorted({v.child_id for v in visits})})
    return who, visits


def _visits(member: Member) -> QuerySet[Visit]:
    require(member, "visit.read")
    return Visit.objects.visible_to(member).exclude(OF_ENDED_CARE).select_related("child", "home", "therapist__user")


def as_they_stand(visits: Iterable[Visit]) -> list[VisitSeen]:
    """Visits with what is known of them today, in the order of travel day by day. Two queries."""
    by_day: defaultdict[date, list[Visit]] = defaultdict(list)
    for visit in visits:
        by_day[visit.on].append(visit)
    children = {v.child_id for day in by_day.values() for v in day}
    ended = Run.objects.filter(child__in=children, on__in=by_day, ended_at__isnull=False)
    ran = set(ended.values_list("child_id", "on"))
    plans = Plan.objects.filter(child__in=children, used_on=None).exclude(format_id=LOOK).order_by("made_at")
    ready = {(plan.child_id, plan.home_id): plan for plan in plans}  # the newest of each
    return [seen for on in sorted(by_day) for seen in _one_day(by_day[on], ran, ready)]


def _one_day(
    visits: list[Visit], ran: set[tuple[int, date]], ready: dict[tuple[int, int], Plan]
) -> Iterable[VisitSeen]:
    known = {v.pk: v for v in visits}
    stops = [Stop(v.pk, v.home_id, v.at, v.minutes, v.therapist_id) for v in visits]
    clash = clashes([s for s in stops if known[s.id].status in ("planned", "done")])
    for stop in travel_order(stops):
        visit = known[stop.id]
        was_run = (visit.child_id, visit.on) in ran
        status: VisitStatus = "done" if was_run and visit.status == "planned" else visit.status
        plan = ready.get((visit.child_id, visit.home_id)) if status == "planned" else None
        overlaps = tuple(known[other].child.first_name for other in clash.get(stop.id, ()))
        yield VisitSeen(visit, status, was_run, plan, overlaps)
