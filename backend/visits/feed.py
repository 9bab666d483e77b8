"""A therapist's visits as an iCalendar file (RFC 5545), by a standard package."""

from collections.abc import Iterable
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from icalendar import Calendar, Event

from clinic.models import Member
from visits.models import Visit


def as_calendar(member: Member, visits: Iterable[Visit]) -> bytes:
    """Return the visits as a calendar in the clinic's time zone: first names and places, nothing of a record."""
    zone = ZoneInfo(member.clinic.time_zone)
    calendar = Calendar()
    calendar.add("prodid", "-//Pollicor//Visits//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", f"{member.name}: visits")
    for visit in visits:
        calendar.add_component(_event(visit, zone))
    calendar.add_missing_timezones()
    return bytes(calendar.to_ical())


def _event(visit: Visit, zone: ZoneInfo) -> Event:
    event = Event()
    event.add("uid", f"visit-{visit.pk}@pollicor")
    event.add("summary", f"{visit.child.first_name}, {visit.home.name}")
    event.add("location", visit.home.name)
    event.add("sequence", visit.version)
    event.add("dtstamp", datetime.now(ZoneInfo("UTC")))
    event.add("status", "CANCELLED" if visit.status == "cancelled" else "CONFIRMED")
    if visit.at is None:
        event.add("dtstart", visit.on)
    else:
        begins = datetime.combine(visit.on, visit.at, tzinfo=zone)
        event.add("dtstart", begins)
        event.add("dtend", begins + timedelta(minutes=visit.minutes))
    return event
