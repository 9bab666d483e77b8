"""The calendar: series, moves, outcomes, the travel order; the feed, read by an independent parser."""

from datetime import date, time, timedelta
from typing import Any
from zoneinfo import ZoneInfo

import icalendar
from django.test import Client, TestCase

from caseload.models import Child
from clinic.models import AuditEntry, Clinic
from progress.actions import finish_run
from testing.builders import TODAY, Api, make_child, make_home, make_member, plan_for_child, run_for_child, tap_all
from testing.tags import slow
from visits.day_order import Stop, clashes, travel_order
from visits.models import Feed, Visit


class CalendarTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member(clinic=Clinic.objects.create(name="Reedbank", time_zone="Europe/Oslo"))
        self.child = make_child(self.lead)
        self.api = Api(self.lead)
        self.body: dict[str, Any] = {
            "child_id": self.child.pk,
            "home_id": self.child.home_id,
            "therapist_id": self.lead.pk,
            "on": str(TODAY),
            "at": "09:30:00",
        }

    def add(self, **changes: Any) -> list[dict[str, Any]]:
        status, made = self.api("post", "/visits", {**self.body, **changes})
        self.assertEqual(status, 201, made)
        return made

    def days(self, first: date = TODAY, last: date | None = None) -> list[dict[str, Any]]:
        return self.api("get", f"/visits?first={first}&last={last or first + timedelta(days=60)}")[1]

    def edit(self, visit: dict[str, Any], **changes: Any) -> tuple[int, Any]:
        fields = ("home_id", "therapist_id", "on", "at", "minutes", "version")
        return self.api("put", f"/visits/{visit['id']}", {**{f: visit[f] for f in fields}, **changes})

    def outcome(self, visit: dict[str, Any], **body: Any) -> tuple[int, Any]:
        return self.api("post", f"/visits/{visit['id']}/outcome", {"version": visit["version"], **body})

    def test_a_series_comes_again_and_again_at_the_same_hour(self) -> None:
        made = self.add(every_weeks=2, times=4)
        self.assertEqual([v["on"] for v in made], [str(TODAY + timedelta(weeks=2 * n)) for n in range(4)])
        self.assertEqual({(v["at"], v["in_series"], v["minutes"]) for v in made}, {("09:30:00", True, 45)})
        self.assertFalse(self.add()[0]["in_series"])

    def test_a_long_series_comes_back_whole_and_too_many_days_are_refused(self) -> None:
        self.assertEqual(len(self.add(times=52)), 52)
        status, answer = self.api("get", f"/visits?first={TODAY}&last={TODAY + timedelta(days=63)}")
        self.assertEqual((status, answer["fields"][0]["field"]), (422, "last"))

    def test_visits_of_ended_care_are_left_off_until_the_child_is_back(self) -> None:
        (visit,) = self.add()
        Child.objects.filter(pk=self.child.pk).update(care="archived", closed_on=TODAY)
        self.assertEqual(self.days(), [])
        self.assertEqual(self.outcome(visit, status="done")[0], 404)
        Child.objects.filter(pk=self.child.pk).update(care="open", closed_on=None)
        self.assertEqual(len(self.days()), 1)

    def test_one_is_moved_and_the_rest_with_it_where_asked(self) -> None:
        first, second, third = self.add(times=3)
        day_after = str(date.fromisoformat(second["on"]) + timedelta(days=1))
        self.assertEqual(self.edit(second, on=day_after, at="11:00:00")[1]["on"], day_after)
        self.assertEqual([v["at"] for v in self.days()], ["09:30:00", "11:00:00", "09:30:00"])
        _, now = self.edit(first, on=str(TODAY + timedelta(days=2)), minutes=30, later=True)
        moved = self.days()
        self.assertEqual(now["version"], 2)
        self.assertEqual([v["minutes"] for v in moved], [30, 30, 30])
        self.assertEqual(moved[2]["on"], str(date.fromisoformat(third["on"]) + timedelta(days=2)))

    def test_the_second_of_two_editors_is_told(self) -> None:
        (visit,) = self.add()
        self.edit(visit, minutes=60)
        status, answer = self.edit(visit, minutes=30)
        self.assertEqual((status, answer["theirs"]["version"]), (409, 2))

    @slow
    def test_what_did_not_take_place_says_why(self) -> None:
        first, *_ = self.add(times=3)
        self.assertEqual(self.outcome(first, status="no_show")[0], 422)
        _, now = self.outcome(first, status="no_show", reason="ill")
        self.assertEqual((now["status"], now["reason"]), ("no_show", "ill"))
        self.assertEqual(self.edit(now, minutes=30)[0], 422)
        _, again = self.outcome(now, status="planned")
        self.assertEqual((again["status"], again["reason"]), ("planned", ""))
        self.outcome(again, status="cancelled", reason="moved away", later=True)
        self.assertEqual([v["status"] for v in self.days()], ["cancelled"] * 3)

    @slow
    def test_a_session_that_was_run_makes_its_visit_done(self) -> None:
        self.add()
        plan = plan_for_child(self.lead, self.child)
        self.assertEqual(self.days()[0]["plan_id"], str(plan.pk))
        run = run_for_child(self.lead, self.child)
        tap_all(self.lead, run)
        finish_run(self.lead, run)
        day = self.days()[0]
        self.assertEqual((day["status"], day["ran"], day["plan_id"]), ("done", True, None))

    def test_what_can_not_be_is_refused_at_its_field_and_nothing_is_kept(self) -> None:
        helper = make_member("assistant", self.lead.clinic)
        shut = make_home(self.lead, {})
        shut.is_archived = True
        shut.save()
        for change, field in (
            ({"times": 0}, "times"),
            ({"times": 53}, "times"),
            ({"times": 2, "every_weeks": 0}, "every_weeks"),
            ({"minutes": 4}, "minutes"),
            ({"on": "2126-01-01"}, "on"),
            ({"on": "soon"}, "on"),
            ({"at": "25:00"}, "at"),
            ({"therapist_id": helper.pk}, "therapist_id"),
            ({"home_id": shut.pk}, "home_id"),
        ):
            status, answer = self.api("post", "/visits", {**self.body, **change})
            self.assertEqual((status, answer["fields"][0]["field"]), (422, field), change)
        self.assertFalse(Visit.objects.exists())
        self.assertEqual(Api(helper)("post", "/visits", self.body)[0], 403)

    def test_another_clinic_sees_no_visit_and_lends_no_place(self) -> None:
        (visit,) = self.add()
        stranger = Api(make_member())
        self.assertEqual(stranger("get", f"/visits?first={TODAY}&last={TODAY}")[1], [])
        self.assertEqual(stranger("post", f"/visits/{visit['id']}/outcome", {"status": "done", "version": 1})[0], 404)
        self.assertEqual(self.api("post", "/visits", {**self.body, "home_id": make_home(make_member()).pk})[0], 404)

    def test_mine_is_mine_and_a_clash_is_said(self) -> None:
        tove = make_member("therapist", self.lead.clinic)
        other = make_child(self.lead, make_home(self.lead, {}), first_name="Isa")
        self.add()
        self.add(child_id=other.pk, home_id=other.home_id, at="10:00:00")
        self.add(therapist_id=tove.pk, at="10:00:00", on=str(TODAY + timedelta(days=1)))
        mine = self.api("get", f"/visits?first={TODAY}&last={TODAY + timedelta(days=9)}&mine=true")[1]
        self.assertEqual([v["overlaps"] for v in mine], [["Isa"], ["Wyn"]])


class TravelTest(TestCase):
    def test_by_time_and_one_without_beside_its_place(self) -> None:
        stops = [
            Stop(1, "mill", time(14)),
            Stop(2, "lock", None),
            Stop(3, "lock", time(9)),
            Stop(4, "weir", None),
            Stop(5, "mill", time(12)),
        ]
        self.assertEqual([s.id for s in travel_order(stops)], [3, 2, 5, 1, 4])


class ClashTest(TestCase):
    def clash(self, *stops: Stop) -> dict[int, tuple[int, ...]]:
        return clashes(stops)

    def test_one_therapist_at_two_places_at_once(self) -> None:
        one = Stop(1, "mill", time(9), 45, "ada")
        for other, met in (
            (Stop(2, "lock", time(9, 30), 45, "ada"), True),
            (Stop(2, "lock", time(9, 45), 45, "ada"), False),
            (Stop(2, "lock", time(8, 15), 45, "ada"), False),
            (Stop(2, "lock", time(8, 15), 46, "ada"), True),
            (Stop(2, "mill", time(9, 30), 45, "ada"), False),
            (Stop(2, "lock", time(9, 30), 45, "bo"), False),
            (Stop(2, "lock", None, 45, "ada"), False),
        ):
            expected = {1: (2,), 2: (1,)} if met else {1: (), 2: ()}
            self.assertEqual(self.clash(one, other), expected, other)


class FeedTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member(clinic=Clinic.objects.create(name="Reedbank", time_zone="Europe/Oslo"))
        self.child = make_child(self.lead)
        self.api = Api(self.lead)
        kept = {"clinic": self.lead.clinic, "child": self.child, "home": self.child.home, "therapist": self.lead}
        Visit.objects.create(**kept, on=TODAY, at=time(9, 30), minutes=30)
        Visit.objects.create(**kept, on=TODAY + timedelta(days=1), status="cancelled", reason="ill")

    def opened(self) -> str:
        status, feed = self.api("post", "/me/calendar")
        self.assertEqual((status, feed["open"]), (201, True))
        return str(feed["address"]).split("/api", 1)[1]

    def read(self, path: str) -> Any:
        return Client().get(f"/api{path}")

    def test_another_calendar_reads_it_by_the_secret_link_alone(self) -> None:
        answer = self.read(self.opened())
        self.assertEqual(answer["Content-Type"], "text/calendar; charset=utf-8")
        events = {str(e["STATUS"]): e for e in icalendar.Calendar.from_ical(answer.content).walk("VEVENT")}
        timed, cancelled = events["CONFIRMED"], events["CANCELLED"]
        begins = timed["DTSTART"].dt
        self.assertEqual(begins.astimezone(ZoneInfo("Europe/Oslo")).time(), time(9, 30))
        self.assertEqual(timed["DTEND"].dt - begins, timedelta(minutes=30))
        self.assertEqual(str(timed["SUMMARY"]), "Wyn, Lock cottage")
        self.assertEqual(cancelled["DTSTART"].dt, TODAY + timedelta(days=1))
        self.assertFalse([e for e in events.values() if "DESCRIPTION" in e], "no reason, nothing of a record")
        self.assertEqual(AuditEntry.objects.get(action="visit.feed").detail, {"children": [self.child.pk]})

    def test_a_new_link_ends_the_old_and_withdrawing_ends_both(self) -> None:
        first, second = self.opened(), self.opened()
        self.assertEqual((self.read(first).status_code, self.read(second).status_code), (404, 200))
        self.assertNotIn(second.split("/")[2].removesuffix(".ics"), str(Feed.objects.values_list()))
        self.assertEqual(self.api("delete", "/me/calendar")[0], 204)
        self.assertEqual((self.read(second).status_code, self.api("get", "/me/calendar")[1]["open"]), (404, False))

    def test_who_left_has_no_calendar(self) -> None:
        link = self.opened()
        self.lead.user.is_active = False
        self.lead.user.save()
        self.assertEqual(self.read(link).status_code, 404)


class DaySheetTest(TestCase):
    @slow
    def test_a_day_prints_in_one_go(self) -> None:
        lead = make_member()
        child = make_child(lead)
        plan = plan_for_child(lead, child)
        kept = {"clinic": lead.clinic, "child": child, "home": child.home, "therapist": lead}
        Visit.objects.create(**kept, on=TODAY, at=time(9, 30))
        Visit.objects.create(**kept, on=TODAY, at=time(15), status="cancelled", reason="x")
        client = Api(lead).client
        text = client.get(f"/api/days/{TODAY}/sheets?store_id={child.home_id}").content.decode()
        self.assertIn("09:30", text)
        self.assertNotIn("15:00", text)
        self.assertIn("<h2>Bag</h2>", text)
        for block in plan.blocks.all():
            self.assertIn(f"{block.sets} × ", text)
        self.assertEqual(text.count('class="leaf"'), 1)
        nobody = Api(make_member()).client.get(f"/api/days/{TODAY}/sheets").content.decode()
        self.assertIn("No visit that day", nobody)
