"""Children through the API: what is kept, what is refused, and two people at once."""

from datetime import date, timedelta
from importlib import import_module
from unittest import TestCase as PlainTestCase

from django.apps import apps
from django.db import IntegrityError, transaction
from django.test import TestCase
from django.utils import timezone

from caseload.actions import note_mouthing
from caseload.facts import age_months, facts_of
from caseload.models import Child, EstimatePoint
from core.skills import STRANDS
from testing.builders import TODAY, Api, make_child, make_home, make_member, profile


class AgeTest(PlainTestCase):
    def test_whole_months_count_from_the_day(self) -> None:
        self.assertAlmostEqual(age_months(date(2023, 3, 15), date(2026, 3, 15)), 36)
        self.assertLess(age_months(date(2023, 3, 15), date(2026, 3, 14)), 36)

    def test_ages_never_fall_from_one_day_to_the_next(self) -> None:
        for born in (date(2022, 1, 31), date(2024, 2, 29), date(2023, 12, 1)):
            ages = [age_months(born, born + timedelta(days=d)) for d in range(900)]
            self.assertEqual(ages, sorted(ages), born)


class ChildTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    def put(self, **changes: object) -> tuple[int, dict]:
        return self.api("put", f"/children/{self.child.pk}", {**profile(), "version": self.child.version, **changes})

    def test_a_new_child_has_a_guess_in_every_strand(self) -> None:
        home = make_home(self.lead)
        status, out = self.api("post", "/children", {**profile(first_name="Nell"), "home_id": home.pk})
        self.assertEqual(status, 201)
        self.assertEqual({s["strand"] for s in out["strands"]}, set(STRANDS))

    def test_whether_things_go_to_the_mouth_is_asked_and_never_assumed(self) -> None:
        """Neither left out nor left empty: an answer about safety has no default."""
        body = {**profile(first_name="Nell"), "home_id": make_home(self.lead).pk}
        without = {k: v for k, v in body.items() if k != "mouthing"}
        for answer in (without, {**body, "mouthing": ""}):
            status, problem = self.api("post", "/children", answer)
            self.assertEqual((status, [f["field"] for f in problem["fields"]]), (422, ["mouthing"]))
            self.assertRegex(problem["fields"][0]["remedy"], "Fill it in|Choose one: never, chews, sometimes or often")
        self.assertFalse(Child.objects.filter(first_name="Nell").exists())
        with self.assertRaises(IntegrityError), transaction.atomic():
            Child.objects.create(clinic=self.lead.clinic, home=self.child.home, first_name="Nell", birth_date=TODAY)

    def test_what_is_wrong_with_a_form_is_said_in_plain_words(self) -> None:
        """All fields at once, each with what to do, and no word of the program's."""
        bad = {"first_name": "", "birth_date": "", "attention_minutes": "long", "hand": "both"}
        status, problem = self.api("post", "/children", {**profile(), "home_id": self.child.home_id, **bad})
        self.assertEqual((status, {f["field"] for f in problem["fields"]}), (422, set(bad)))
        words = " ".join(f["reason"] + f["remedy"] for f in problem["fields"])
        self.assertNotRegex(words, "Input|valid|string|datetime|parse")
        self.assertIn("Enter day, month and year", words)

    def test_a_clinic_with_nothing_in_it_gets_its_first_home_and_child(self) -> None:
        api = Api(make_member())
        status, home = api("post", "/homes", {"name": " Weir house ", "kind": "home", "supervision": "room"})
        self.assertEqual((status, home["name"]), (201, "Weir house"))
        status, child = api(
            "post",
            "/children",
            {
                "first_name": "Nell",
                "birth_date": TODAY - timedelta(days=1500),
                "mouthing": "never",
                "home_id": home["id"],
            },
        )
        self.assertEqual((status, child["home_name"]), (201, "Weir house"))
        self.assertEqual([c["first_name"] for c in api("get", "/caseload")[1]["children"]], ["Nell"])

    def test_a_home_that_can_not_be_is_refused_at_its_field(self) -> None:
        for field, body in (
            ("name", {"name": "  "}),
            ("name", {"name": "x" * 81}),
            ("kind", {"name": "Weir house", "kind": "castle"}),
            ("supervision", {"name": "Weir house", "supervision": "cctv"}),
        ):
            status, problem = self.api("post", "/homes", body)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))
        helper = Api(make_member("assistant", self.lead.clinic))
        self.assertEqual(helper("post", "/homes", {"name": "Weir house"})[0], 403)

    def test_an_assistant_notes_that_a_child_mouths_things(self) -> None:
        helper = Api(make_member("assistant", self.lead.clinic))
        status, child = helper("post", f"/children/{self.child.pk}/mouthing")
        self.assertEqual((status, child["mouthing"]), (200, "sometimes"))

    def test_noting_mouthing_takes_part_in_the_version_guard(self) -> None:
        stale = Child.objects.get(pk=self.child.pk)
        self.assertEqual(self.put(first_name="Ada")[0], 200)
        note_mouthing(self.lead, stale)  # read before the other edit, written after it
        now = Child.objects.get(pk=self.child.pk)
        self.assertEqual((now.first_name, now.mouthing, now.version), ("Ada", "sometimes", 3))
        self.assertEqual(self.put(mouthing="never", version=2)[0], 409)

    def test_what_can_not_be_is_refused_at_its_field_and_nothing_is_kept(self) -> None:
        for field, value, phrase in (
            ("birth_date", TODAY + timedelta(days=1), "in the future"),
            ("birth_date", TODAY - timedelta(days=40 * 366), "more than 21 years"),
            ("first_name", "   ", "needs a name"),
            ("hand", "both", "not a choice"),
            ("allergies", ["moonlight"], "not known"),
            ("attention_minutes", 0, "2 to 120"),
            ("every_days", 0, "1 to 180"),
            ("force_limit_newton", -3, "not possible"),
            ("wanted", ["flying"], "not known"),
        ):
            status, problem = self.put(**{field: value})
            self.assertEqual(status, 422, field)
            self.assertEqual(problem["fields"][0]["field"], field)
            self.assertIn(phrase, problem["fields"][0]["reason"])
            self.assertTrue(problem["fields"][0]["remedy"])
        self.child.refresh_from_db()
        self.assertEqual(self.child.version, 1)

    def test_text_where_a_number_belongs_names_the_field(self) -> None:
        status, problem = self.put(attention_minutes="long")
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "attention_minutes"))

    def test_the_later_of_two_edits_is_told_and_shown_both(self) -> None:
        self.assertEqual(self.put(first_name="Ada")[0], 200)
        status, problem = self.put(first_name="Ida")
        self.assertEqual(status, 409)
        self.assertEqual((problem["theirs"]["first_name"], problem["yours"]["first_name"]), ("Ada", "Ida"))
        self.assertEqual(Child.objects.get(pk=self.child.pk).first_name, "Ada")

    def test_a_seen_rung_becomes_the_estimate(self) -> None:
        status, out = self.api("post", f"/children/{self.child.pk}/rungs", {"strand": "cutting", "rung": 7})
        self.assertEqual(status, 200)
        strand = next(s for s in out["strands"] if s["strand"] == "cutting")
        self.assertEqual((strand["mean"], strand["seen_rung"]), (7, 7))
        self.assertTrue(EstimatePoint.objects.filter(child=self.child, strand="cutting", mean=7).exists())

    def test_the_words_of_a_referral_are_read_and_nothing_is_kept(self) -> None:
        status, said = self.api("post", "/children/said", {"words": "Can't do buttons; snips already."})
        self.assertEqual(status, 200)
        self.assertEqual(
            [(s["kind"], s["id"], s["rung"]) for s in said], [("wish", "buttons", None), ("told", "cutting", 3)]
        )
        self.assertEqual(said[1]["strand_name"], "Cutting")
        self.assertEqual(self.api("post", "/children/said", {"words": "x" * 1001})[0], 422)
        helper = Api(make_member("assistant", self.lead.clinic))
        self.assertEqual(helper("post", "/children/said", {"words": "buttons"})[0], 403)

    def test_what_is_wished_or_named_later_is_guessed_from_where_nothing_was_seen(self) -> None:
        def means() -> dict[str, float]:
            return dict(self.child.estimates.values_list("strand", "mean"))

        self.api("post", f"/children/{self.child.pk}/rungs", {"strand": "pinch", "rung": 2})
        before = means()
        status, _ = self.put(wanted=["laces"], behind=["tool_grasp", "pinch"], told={"cutting": 3})
        self.assertEqual(status, 200)
        after = means()
        self.assertLess(after["laces"], before["laces"])
        self.assertLess(after["tool_grasp"], before["tool_grasp"])
        self.assertEqual((after["pinch"], after["cutting"]), (before["pinch"], 3))
        for bad in ({"told": {"cutting": 40}}, {"told": {"none": 1}}, {"behind": ["none"]}):
            self.child.refresh_from_db()
            status, problem = self.put(**bad)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, next(iter(bad))))

    def test_a_rung_or_strand_that_does_not_exist_is_refused(self) -> None:
        for body, phrase in (
            ({"strand": "cutting", "rung": 40}, "has rungs 1 to 13"),
            ({"strand": "juggling", "rung": 1}, "not a strand"),
        ):
            status, problem = self.api("post", f"/children/{self.child.pk}/rungs", body)
            self.assertEqual(status, 422)
            self.assertIn(phrase, problem["detail"])

    def test_an_override_stored_before_it_named_its_supervision_is_read(self) -> None:
        """As the version before kept it; and back."""
        review_on = (TODAY + timedelta(days=30)).isoformat()
        kept = {"reason": "Held throughout.", "on": TODAY.isoformat(), "review_on": review_on, "by": ""}
        self.child.overrides = {"cutting_tool": {**kept, "watched": "room"}}
        self.child.save()
        renamed = import_module("caseload.migrations.0021_an_override_names_its_supervision")
        renamed.to_supervision(apps, None)
        self.child.refresh_from_db()
        self.assertEqual(facts_of(self.child, TODAY).overrides_in_room, {"cutting_tool"})
        renamed.to_watched(apps, None)
        self.child.refresh_from_db()
        self.assertEqual(self.child.overrides["cutting_tool"]["watched"], "room")

    def test_an_override_needs_a_rule_that_allows_it_a_reason_and_a_day(self) -> None:
        path, why = f"/children/{self.child.pk}/overrides", "Held by the therapist throughout."
        today = timezone.localdate()
        late, past = (today + timedelta(days=d) for d in (400, 0))
        for body, field in (
            ({"rule": "never", "reason": why}, "rule"),
            ({"rule": "allergy", "reason": why}, "rule"),
            ({"rule": "balloons", "reason": why}, "rule"),
            ({"rule": "balloon", "reason": "ok"}, "reason"),
            ({"rule": "balloon", "reason": why, "review_on": late.isoformat()}, "review_on"),
            ({"rule": "balloon", "reason": why, "review_on": past.isoformat()}, "review_on"),
        ):
            status, problem = self.api("post", path, body)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))
        status, out = self.api("post", path, {"rule": "balloon", "reason": why})
        self.assertEqual(status, 200)
        kept = out["overrides"][0]
        self.assertEqual(
            (kept["rule"], kept["reason"], kept["supervision"], kept["due"]), ("balloon", why, "arms_reach", False)
        )
        self.assertEqual(kept["review_on"], (today + timedelta(days=91)).isoformat())
        self.assertTrue(kept["by"])

    def test_an_override_comes_up_for_review_then_bars_again_and_can_be_withdrawn(self) -> None:
        path, why = f"/children/{self.child.pk}/overrides", "Held by the therapist throughout."
        today = timezone.localdate()
        body = {"rule": "cutting_tool", "reason": why, "supervision": "room"}
        self.api("post", path, {**body, "review_on": (today + timedelta(days=10)).isoformat()})
        self.child.refresh_from_db()
        self.assertEqual(facts_of(self.child, today).overrides_in_room, {"cutting_tool"})
        self.assertEqual(facts_of(self.child, today + timedelta(days=10)).overrides_in_room, {"cutting_tool"})
        self.assertEqual(facts_of(self.child, today + timedelta(days=11)).overrides_in_room, set())
        _, out = self.api("get", f"/children/{self.child.pk}")
        self.assertTrue(out["overrides"][0]["due"])
        self.assertTrue(any(a == "Review due: scissors" for a in out["alerts"]))
        _, lines = self.api("get", "/caseload")
        line = next(c for c in lines["children"] if c["id"] == self.child.pk)
        self.assertIn("review", [s["id"] for s in line["statuses"]])
        status, out = self.api("delete", f"{path}/cutting_tool")
        self.assertEqual((status, out["overrides"]), (200, []))
        self.assertEqual(self.api("delete", f"{path}/cutting_tool")[0], 422)

    def test_a_precaution_without_its_detail_is_asked_for_at_the_field(self) -> None:
        path = f"/children/{self.child.pk}"
        _, now = self.api("get", path)
        for precaution, detail in (("splint", "splint_hand"), ("one_hand_assists", "assisting_hand")):
            body = {**now, "precautions": [precaution]}
            status, problem = self.api("put", path, body)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, detail))
            self.assertIn("Which hand?", problem["detail"])
            other = "left" if now["hand"] != "left" else "right"
            status, now = self.api("put", path, {**body, detail: other})
            self.assertEqual((status, now[detail]), (200, other))

    def test_a_detail_goes_with_its_precaution(self) -> None:
        path = f"/children/{self.child.pk}"
        _, now = self.api("get", path)
        _, kept = self.api("put", path, {**now, "precautions": [], "splint_hand": "left"})
        self.assertEqual(kept["splint_hand"], "none")

    def test_the_preferred_hand_cannot_be_the_one_that_assists(self) -> None:
        path = f"/children/{self.child.pk}"
        _, now = self.api("get", path)
        body = {**now, "hand": "left", "precautions": ["one_hand_assists"], "assisting_hand": "left"}
        status, problem = self.api("put", path, body)
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "assisting_hand"))

    def test_other_allergies_are_kept_in_the_familys_words(self) -> None:
        path = f"/children/{self.child.pk}"
        _, now = self.api("get", path)
        _, now = self.api("put", path, {**now, "other_allergies": [" kiwi ", ""]})
        self.assertEqual(now["other_allergies"], ["kiwi"])
        status, problem = self.api("put", path, {**now, "other_allergies": ["x" * 50]})
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "other_allergies"))


class PlacesTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        self.api = Api(self.lead)

    def edit(self, home_id: int, **changes: object) -> tuple[int, dict]:
        body = {"name": "Weir house", "kind": "home", "supervision": "room", "version": 1, **changes}
        return self.api("put", f"/homes/{home_id}", body)

    def places(self, home_id: int, also: list[int], version: int) -> tuple[int, dict]:
        body = {"home_id": home_id, "also_at": also, "version": version}
        return self.api("put", f"/children/{self.child.pk}/places", body)

    def test_a_place_is_renamed_and_the_second_of_two_is_told(self) -> None:
        status, home = self.edit(self.child.home_id)
        self.assertEqual((status, home["name"], home["supervision"], home["version"]), (200, "Weir house", "room", 2))
        status, problem = self.edit(self.child.home_id, name="Other")
        self.assertEqual((status, problem["theirs"]["name"]), (409, "Weir house"))
        self.assertEqual(self.edit(self.child.home_id, name=" ", version=2)[0], 422)

    def test_how_many_adults_and_who_else_is_there(self) -> None:
        home = self.api("get", "/homes")[1][0]
        changed = {**home, "adults": 2, "who": " a sister of two "}
        _, now = self.api("put", f"/homes/{home['id']}", changed)
        self.assertEqual((now["adults"], now["who"]), (2, "a sister of two"))
        for adults in (0, 7):
            status, answer = self.api("put", f"/homes/{home['id']}", {**now, "adults": adults})
            self.assertEqual((status, answer["fields"][0]["field"]), (422, "adults"))

    def test_a_place_somebody_lives_in_is_not_archived(self) -> None:
        status, problem = self.edit(self.child.home_id, is_archived=True)
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "is_archived"))
        self.assertIn(self.child.first_name, problem["detail"])

    def test_a_child_moves_and_the_old_place_is_archived(self) -> None:
        old, new, gran = self.child.home_id, make_home(self.lead).pk, make_home(self.lead).pk
        status, out = self.places(new, [old, gran, new], self.child.version)
        self.assertEqual((status, out["home_id"], sorted(out["also_at"])), (200, new, sorted([old, gran])))
        self.assertEqual(self.places(new, [], self.child.version)[0], 409)
        self.assertEqual(self.edit(old, is_archived=True)[0], 200)
        _, out = self.api("get", f"/children/{self.child.pk}")
        self.assertEqual(out["also_at"], [gran])
        status, problem = self.places(old, [], out["version"])
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "home_id"))

    def test_another_clinics_place_is_no_place_for_a_child(self) -> None:
        theirs = make_home(make_member())
        self.assertEqual(self.places(theirs.pk, [], self.child.version)[0], 404)
        self.assertEqual(self.places(self.child.home_id, [theirs.pk], self.child.version)[0], 404)


class FindTest(TestCase):
    def test_children_are_found_by_the_first_letters_of_a_name(self) -> None:
        lead = make_member()
        home = make_home(lead)
        for name in ("Ansel", "Anneke Maria", "Corin"):
            make_child(lead, home, first_name=name)
        make_child(make_member(), first_name="Anders")
        api = Api(lead)

        def names(letters: str) -> list[str]:
            return [c["first_name"] for c in api("get", f"/children?letters={letters}")[1]]

        self.assertEqual(names("an"), ["Anneke Maria", "Ansel"])
        self.assertEqual((names("ma"), names("nsel"), len(names(""))), (["Anneke Maria"], [], 3))
