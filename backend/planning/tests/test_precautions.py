"""What a child's precautions, hands and the adults at the table change in a plan, through the API."""

from datetime import timedelta

from django.test import TestCase, tag

from clinic.models import AuditEntry
from core.child import Child, Setting
from core.safety import general_cautions
from planning.models import GroupSession
from testing.builders import STOCK, TODAY, Api, make_child, make_home, make_member
from testing.tags import slow


class PrecautionsInPlansTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead)
        self.api = Api(self.lead)

    def plan(self, **profile: object) -> dict:
        child = make_child(self.lead, self.home, **profile)
        wish = {
            "minutes": 30,
            "targets": ["grasp", "bilateral"],
            "place": "home",
            "supervision": "arms_reach",
            "home_id": self.home.pk,
        }
        status, out = self.api("post", f"/children/{child.pk}/plans", wish)
        self.assertEqual(status, 200, out)
        return out

    def test_what_holds_whatever_is_done_is_said_once_above_the_plan(self) -> None:
        out = self.plan(precautions=["vision", "pain"])
        facts = Child(60, hand="right", precautions=frozenset({"vision", "pain"}))
        said = [f"{h.reason} {h.remedy}" for h in general_cautions(facts, Setting("home", "arms_reach"))]
        self.assertEqual(out["general_cautions"], said)
        self.assertEqual(len(said), 2)
        for block in out["blocks"]:
            self.assertFalse({h["rule"] for h in block["verdict"]["hits"]} & {"vision", "pain"}, block["name"])

    def test_a_child_without_precautions_has_nothing_above_the_plan(self) -> None:
        self.assertEqual(self.plan()["general_cautions"], [])

    def test_the_marks_of_a_precaution_are_watched_in_every_block(self) -> None:
        out = self.plan(precautions=["joint_laxity"])
        self.assertTrue(out["blocks"])
        for block in out["blocks"]:
            self.assertIn("joint_caves", {w["id"] for w in block["watch"]}, block["name"])

    def test_the_set_up_names_the_sides_of_an_assisting_hand(self) -> None:
        out = self.plan(hand="not_settled", precautions=["one_hand_assists"], assisting_hand="right")
        words = " ".join(b["setup"] for b in out["blocks"])
        self.assertNotRegex(words, r"\bskill\b|\bhelper\b|\{")
        self.assertRegex(words, r"\b(left|right)\b")

    @slow
    def test_food_is_left_out_for_a_family_that_uses_none(self) -> None:
        home = make_home(self.lead, {**STOCK, "dry_rice": 1, "banana_piece": 8, "wheat_dough": 1})
        self.home = home
        out = self.plan(food_as_material=False)
        used = {q["thing_id"] for b in out["blocks"] for q in b["quantities"]}
        self.assertTrue(used)
        self.assertFalse(used & {"dry_rice", "banana_piece", "wheat_dough"})


class AdultsAtTheTableTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.home = make_home(self.lead, {m: n * 3 for m, n in STOCK.items()})
        self.children = [
            make_child(self.lead, self.home, first_name=name, birth_date=TODAY - timedelta(days=5 * 366))
            for name in ("Ada", "Bo")
        ]
        self.api = Api(self.lead)

    def ask(self, **changes: object) -> tuple[int, dict]:
        body = {
            "children": [c.pk for c in self.children],
            "home_id": self.home.pk,
            "minutes": 30,
            "targets": ["grasp"],
            **changes,
        }
        return self.api("post", "/groups", body)

    @tag("slow")
    def test_how_many_adults_is_kept_and_shown_again(self) -> None:
        for adults in (1, 2):
            status, out = self.ask(adults=adults)
            self.assertEqual((status, out["adults"]), (200, adults), out)
            self.assertEqual(GroupSession.objects.get(pk=out["id"]).adults, adults)
            self.assertEqual(self.api("get", f"/groups/{out['id']}")[1]["adults"], adults)

    @slow
    def test_one_adult_is_assumed(self) -> None:
        self.assertEqual(self.ask()[1]["adults"], 1)

    def test_nobody_and_a_crowd_are_refused_at_the_field_and_nothing_is_kept(self) -> None:
        before = AuditEntry.objects.count()
        for adults in (0, 7, "two"):
            status, out = self.ask(adults=adults)
            self.assertEqual(status, 422, out)
            self.assertIn("adults", str(out))
        self.assertFalse(GroupSession.objects.exists())
        self.assertEqual(AuditEntry.objects.count(), before)
