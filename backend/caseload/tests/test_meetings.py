"""Foods and textures a child is wary of: how far it went is kept, and never as a hit or a miss."""

from django.test import TestCase

from caseload.models import Child, MeetingRecord
from running.models import SetRecord
from testing.builders import Api, make_child, make_member, profile
from testing.tags import slow


class MeetingTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead)
        Child.objects.filter(pk=self.child.pk).update(wary_of=["banana"], refuses=["wet"])
        self.api = Api(self.lead)

    def meet(self, **more: object) -> tuple[int, dict]:
        body = {"what": "banana", "kind": "food", "step": 3, "seconds": 20, **more}
        return self.api("post", f"/children/{self.child.pk}/meetings", body)

    def test_the_highest_step_and_its_seconds_are_kept(self) -> None:
        self.meet()
        status, child = self.meet(step=2, seconds=60)
        self.assertEqual(status, 200)
        food, texture = child["approaches"]
        self.assertEqual((food["highest"], food["words"]), (3, "moved with a tool, 20 s at the longest"))
        self.assertEqual(food["next_words"], "moved with a tool")  # after a lesser day it starts where that one ended
        self.assertEqual((texture["name"], texture["words"]), ("wet", "not met yet"))
        self.assertEqual(SetRecord.objects.count(), 0)

    def test_what_can_not_be_is_refused_at_its_field(self) -> None:
        for field, more in (
            ("what", {"what": "soup"}),
            ("step", {"step": 13}),
            ("step", {"what": "wet", "kind": "texture", "step": 6}),
            ("seconds", {"seconds": -1}),
        ):
            status, problem = self.meet(**more)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, field), more)
        self.assertEqual(MeetingRecord.objects.count(), 0)

    def test_with_trouble_swallowing_no_food_is_met(self) -> None:
        Child.objects.filter(pk=self.child.pk).update(precautions=["swallowing"])
        self.assertEqual(self.meet()[0], 422)
        self.assertEqual(self.meet(what="wet", kind="texture", step=1)[0], 200)

    def test_a_food_the_child_is_allergic_to_is_never_met(self) -> None:
        for allergies, other, food in ((["banana"], [], "Banana bread"), ([], ["kiwi"], "kiwi")):
            body = profile(allergies=allergies, other_allergies=other, wary_of=[food])
            status, problem = self.api("put", f"/children/{self.child.pk}", {**body, "version": 1})
            self.assertEqual((status, problem["fields"][0]["field"]), (422, "wary_of"))

    @slow
    def test_the_plan_and_its_sheet_say_what_comes_next(self) -> None:
        self.meet()
        wish = {"minutes": 20, "targets": ["grasp"], "home_id": self.child.home_id, "supervision": "arms_reach"}
        _, plan = self.api("post", f"/children/{self.child.pk}/plans", {**wish, "place": "home"})
        self.assertEqual([a["next_words"] for a in plan["approaches"]], ["stirred or poured", "in a closed box"])

    def test_another_clinic_notes_nothing(self) -> None:
        other = Api(make_member())
        body = {"what": "banana", "kind": "food", "step": 1}
        self.assertEqual(other("post", f"/children/{self.child.pk}/meetings", body)[0], 404)
