"""The cupboard through the API."""

from django.test import TestCase

from cupboard.models import StockItem
from testing.builders import Api, make_child, make_home, make_member


class CupboardTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead, {"counter": 20, "wooden_bead_15": 10, "bracelet": 4})
        self.child = make_child(self.lead, self.home, mouthing="often")
        self.api = Api(self.lead)

    def item(self, material: str) -> StockItem:
        return StockItem.objects.get(home=self.home, material=material)

    def test_each_thing_shows_its_verdict_for_this_child(self) -> None:
        _, out = self.api("get", f"/homes/{self.home.pk}/cupboard?child_id={self.child.pk}")
        verdicts = {i["material"]["id"]: i["verdict"] for i in out["items"]}
        self.assertEqual(verdicts["counter"]["status"], "barred")
        self.assertEqual(verdicts["bracelet"]["status"], "allowed")
        hit = verdicts["counter"]["hits"][0]
        self.assertEqual((hit["rule"], hit["source"]), ("small_part", "16 CFR 1501.4"))
        self.assertTrue(hit["remedy"])

    def test_adding_what_is_there_adds_to_the_count(self) -> None:
        self.api("post", f"/homes/{self.home.pk}/cupboard", {"material": "counter", "count": 5})
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
        self.assertEqual(self.api("post", f"/homes/{self.home.pk}/cupboard", {"material": "moon", "count": 1})[0], 422)
        self.assertEqual(self.item("wooden_bead_15").version, 1)

    def test_a_measured_size_changes_the_verdict(self) -> None:
        item = self.item("counter")
        body = {"count": 20, "measured": {"size_mm": 70}, "version": 1}
        _, out = self.api("put", f"/cupboard-items/{item.pk}?child_id={self.child.pk}", body)
        self.assertEqual(out["verdict"]["status"], "allowed")

    def test_a_stale_count_is_told_both(self) -> None:
        item = self.item("counter")
        self.api("put", f"/cupboard-items/{item.pk}", {"count": 12, "version": 1})
        status, problem = self.api("put", f"/cupboard-items/{item.pk}", {"count": 9, "version": 1})
        self.assertEqual((status, problem["theirs"]["count"], problem["yours"]["count"]), (409, 12, 9))

    def test_taking_a_line_out(self) -> None:
        self.assertEqual(self.api("delete", f"/cupboard-items/{self.item('bracelet').pk}")[0], 204)
        self.assertFalse(StockItem.objects.filter(home=self.home, material="bracelet").exists())
