"""The cupboard through the API."""

from typing import Any

from django.test import TestCase

from clinic.models import AuditEntry
from cupboard.models import StockItem
from testing.builders import Api, make_child, make_home, make_member


class CupboardTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead, {"counter": 20, "wooden_bead_15": 10, "bracelet": 4})
        self.child = make_child(self.lead, self.home, mouthing="often")
        self.api = Api(self.lead)

    def item(self, thing_id: str) -> StockItem:
        return StockItem.objects.get(home=self.home, thing_id=thing_id)

    def test_each_thing_shows_its_verdict_for_this_child(self) -> None:
        _, out = self.api("get", f"/homes/{self.home.pk}/cupboard?child_id={self.child.pk}")
        verdicts = {i["thing"]["id"]: i["verdict"] for i in out["items"]}
        self.assertEqual(verdicts["counter"]["status"], "barred")
        self.assertEqual(verdicts["bracelet"]["status"], "allowed")
        hit = verdicts["counter"]["hits"][0]
        self.assertEqual((hit["rule"], hit["source"]), ("small_part", "16 CFR 1501.4"))
        self.assertTrue(hit["remedy"])

    def test_adding_what_is_there_adds_to_the_count(self) -> None:
        self.api("post", f"/homes/{self.home.pk}/cupboard", {"thing_id": "counter", "count": 5})
        self.assertEqual(self.item("counter").count, 25)

    def test_counting_down_to_none_keeps_the_line(self) -> None:
        item = self.item("counter")
        self.assertEqual(self.api("put", f"/cupboard-items/{item.pk}", {"count": 0, "version": item.version})[0], 200)
        self.assertEqual(self.item("counter").count, 0)

    def test_what_can_not_be_is_refused_at_its_field(self) -> None:
        bead = self.item("wooden_bead_15")
        for field, body in (
            ("count", {"count": -1, "version": 1}),
            ("hole_mm", {"count": 1, "measured": {"hole_mm": 30}, "version": 1}),
            ("force_newton", {"count": 1, "measured": {"force_newton": -2}, "version": 1}),
        ):
            status, problem = self.api("put", f"/cupboard-items/{bead.pk}", body)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))
        self.assertEqual(self.api("post", f"/homes/{self.home.pk}/cupboard", {"thing_id": "moon", "count": 1})[0], 422)
        self.assertEqual(self.item("wooden_bead_15").version, 1)

    def test_a_measured_size_changes_the_verdict(self) -> None:
        item = self.item("counter")
        body = {"count": 20, "measured": {"size_mm": 70}, "version": 1}
        _, out = self.api("put", f"/cupboard-items/{item.pk}?child_id={self.child.pk}", body)
        self.assertEqual([h["rule"] for h in out["verdict"]["hits"]], ["measured"])

    def test_a_label_is_asked_once_and_remembered_in_place_of_a_bar(self) -> None:
        self.child.allergies, self.child.mouthing = ["soy"], "never"
        self.child.save()
        item = StockItem.objects.create(home=self.home, thing_id="short_crayon", count=4)
        path, helper = f"/cupboard-items/{item.pk}/label", Api(make_member("assistant", self.lead.clinic))
        line = self.line(item)
        self.assertEqual(line["labels"], [{"allergen": "soy", "words": "soy", "holds": None}])
        self.assertEqual(line["verdict"]["hits"][0]["rule"], "allergy_perhaps")
        self.assertEqual(helper("put", path, {"allergen": "soy", "holds": False})[0], 403)
        status, out = self.api("put", f"{path}?child_id={self.child.pk}", {"allergen": "soy", "holds": False})
        self.assertEqual((status, out["labels"][0]["holds"], out["verdict"]["status"]), (200, False, "caution"))
        self.assertEqual(AuditEntry.objects.latest("pk").detail["bars_lifted"], ["allergy_perhaps"])
        _, out = self.api("put", f"{path}?child_id={self.child.pk}", {"allergen": "soy", "holds": True})
        self.assertEqual(out["verdict"]["hits"][0]["rule"], "allergy")
        _, out = self.api("put", f"{path}?child_id={self.child.pk}", {"allergen": "soy", "holds": None})
        self.assertEqual(out["labels"][0]["holds"], None)
        status, problem = self.api("put", path, {"allergen": "wool", "holds": False})
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "labels"))

    def line(self, item: StockItem) -> dict[str, Any]:
        _, out = self.api("get", f"/homes/{self.home.pk}/cupboard?child_id={self.child.pk}")
        return next(i for i in out["items"] if i["id"] == item.pk)

    def test_an_assistant_may_not_measure_a_bar_away(self) -> None:
        helper = Api(make_member("assistant", self.lead.clinic))
        item = self.item("counter")
        body = {"count": 20, "measured": {"size_mm": 70}, "version": 1}
        status, problem = helper("put", f"/cupboard-items/{item.pk}", body)
        self.assertEqual(status, 403)
        self.assertIn("Ask a therapist", problem["detail"])
        new = {"thing_id": "counter", "count": 1, "measured": {"size_mm": 70}}
        self.assertEqual(helper("post", f"/homes/{self.home.pk}/cupboard", new)[0], 403)
        item.refresh_from_db()
        self.assertEqual((item.measured, item.version), ({}, 1))
        self.assertEqual(helper("put", f"/cupboard-items/{item.pk}", {**body, "measured": {"size_mm": 20}})[0], 200)
        self.assertEqual(self.api("put", f"/cupboard-items/{item.pk}", {**body, "version": 2})[0], 200)
        self.assertEqual(AuditEntry.objects.latest("pk").detail["bars_lifted"], ["small_part"])

    def test_a_size_no_such_thing_has_is_refused(self) -> None:
        status, problem = self.api(
            "put",
            f"/cupboard-items/{self.item('counter').pk}",
            {"count": 1, "measured": {"size_mm": 300}, "version": 1},
        )
        self.assertEqual((status, problem["fields"][0]["field"]), (422, "size_mm"))

    def test_nothing_is_kept_for_a_child_who_is_not_there(self) -> None:
        new = {"thing_id": "counter", "count": 5}
        self.assertEqual(self.api("post", f"/homes/{self.home.pk}/cupboard?child_id=987654", new)[0], 404)
        item = self.item("counter")
        self.assertEqual(
            self.api("put", f"/cupboard-items/{item.pk}?child_id=987654", {"count": 1, "version": 1})[0], 404
        )
        item.refresh_from_db()
        self.assertEqual((item.count, item.version), (20, 1))

    def test_a_stale_count_is_told_both(self) -> None:
        item = self.item("counter")
        self.api("put", f"/cupboard-items/{item.pk}", {"count": 12, "version": 1})
        status, problem = self.api("put", f"/cupboard-items/{item.pk}", {"count": 9, "version": 1})
        self.assertEqual((status, problem["theirs"]["count"], problem["yours"]["count"]), (409, 12, 9))

    def test_taking_a_line_out(self) -> None:
        self.assertEqual(self.api("delete", f"/cupboard-items/{self.item('bracelet').pk}")[0], 204)
        self.assertFalse(StockItem.objects.filter(home=self.home, thing_id="bracelet").exists())


class MakingTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead, {"sock_pair": 8, "tennis_ball": 2, "straw": 10})
        self.child = make_child(self.lead, self.home)
        self.api = Api(self.lead)

    def makings(self) -> dict[str, dict]:
        _, out = self.api("get", f"/homes/{self.home.pk}/recipes?child_id={self.child.pk}")
        return {m["thing_id"]: m for m in out}

    def test_what_can_be_made_says_whose_steps_and_minutes(self) -> None:
        ball = self.makings()["slit_ball"]
        self.assertEqual(ball["parts"][0]["here"], ["Tennis balls"])
        self.assertTrue(ball["adult_steps"] and ball["minutes"])
        self.assertIn("adult_cuts", {h["rule"] for h in ball["verdict"]["hits"]})

    def test_what_was_made_is_in_the_cupboard_and_no_longer_offered(self) -> None:
        self.api("post", f"/homes/{self.home.pk}/cupboard", {"thing_id": "slit_ball", "count": 1})
        self.assertNotIn("slit_ball", self.makings())

    def test_another_clinic_sees_nothing(self) -> None:
        status, _ = Api(make_member())("get", f"/homes/{self.home.pk}/recipes?child_id={self.child.pk}")
        self.assertEqual(status, 404)


class LettersTest(TestCase):
    def setUp(self) -> None:
        self.api = Api(make_member())

    def test_a_name_is_drawn_in_writing_order_or_what_is_short_is_said(self) -> None:
        _, out = self.api("post", "/letters", {"text": "Lo"})
        self.assertEqual([letter["letter"] for letter in out["letters"]], ["L", "O"])
        self.assertEqual([s["number"] for letter in out["letters"] for s in letter["strokes"]], [1, 2, 3, 4])
        self.assertEqual(
            out["cut"],
            [{"piece": p, "count": n} for p, n in (("long straight", 1), ("short straight", 1), ("large arc", 2))],
        )
        _, short = self.api("post", "/letters", {"text": "OOO"})
        self.assertEqual(
            ([x["letter"] for x in short["letters"]], short["short"]), (["O"] * 3, [{"piece": "large arc", "count": 4}])
        )

    def test_a_swap_is_shown_with_what_it_stands_in_for(self) -> None:
        _, out = self.api(
            "post",
            "/letters",
            {"text": "N", "kit": [{"piece": "long straight", "count": 2}, {"piece": "short straight", "count": 2}]},
        )
        self.assertEqual({s["instead_of"] for s in out["letters"][0]["strokes"]}, {"", "long straight"})
        self.assertEqual(len(out["swaps"]), 1)

    def test_what_is_no_letter_and_no_piece_is_refused_at_its_field(self) -> None:
        for field, body in (
            ("text", {"text": "7"}),
            ("text", {"text": ""}),
            ("kit", {"text": "A", "kit": [{"piece": "ring", "count": 1}]}),
        ):
            status, problem = self.api("post", "/letters", body)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field))


class MeasuringTest(TestCase):
    def setUp(self) -> None:
        self.api = Api(make_member())

    def test_a_bag_of_water_becomes_a_force(self) -> None:
        status, out = self.api("post", "/measuring", {"way": "water", "water_ml": 1000})
        self.assertEqual((status, out["field"], out["words"]), (200, "force_newton", "9.8 N"))

    def test_a_pile_of_paper_becomes_a_sheet_weight(self) -> None:
        _, out = self.api(
            "post", "/measuring", {"way": "pile", "pile_grams": 499, "sheets": 100, "side_mm": [297, 210]}
        )
        self.assertEqual(out["words"], "80 g/m²")

    def test_coins_and_known_widths(self) -> None:
        _, coins = self.api("post", "/measuring", {"way": "coins", "coins": 100, "coin_grams": 10})
        _, hole = self.api("post", "/measuring", {"way": "passes", "passes_mm": [4, 6], "stops_mm": [9]})
        self.assertEqual((coins["words"], hole["words"]), ("9.8 N", "at least 6 mm, less than 9 mm"))

    def test_what_can_not_be_is_refused_with_what_to_do(self) -> None:
        for body in (
            {"way": "water", "water_ml": 0},
            {"way": "pile", "pile_grams": 1, "sheets": 0},
            {"way": "passes", "passes_mm": [9], "stops_mm": [4]},
        ):
            status, problem = self.api("post", "/measuring", body)
            self.assertEqual(status, 422, body)
            self.assertTrue(problem["detail"])
