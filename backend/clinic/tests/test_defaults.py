"""How a clinic works, for every child it takes on and every plan it makes."""

from django.test import TestCase

from caseload.models import Child
from planning.workbench import Wish, workbench
from testing.builders import TODAY, Api, make_child, make_member


class DefaultsTest(TestCase):
    """How a clinic works: its approaches for every new child, and the bands its plans aim for."""

    def setUp(self) -> None:
        self.lead = make_member("lead")
        self.api = Api(self.lead)

    def kept(self, **changes: object) -> tuple[int, dict[str, object]]:
        clinic = self.api("get", "/clinic")[1]
        return self.api("put", "/clinic", {**{k: v for k, v in clinic.items() if k != "demo"}, **changes})

    def test_a_new_child_begins_as_the_clinic_works(self) -> None:
        self.assertEqual(self.kept(approaches={"prompt_policy": "most_first"})[0], 200)
        body = {"first_name": "Isa", "birth_date": "2021-03-02", "mouthing": "never", "place": {"name": "Lock cottage"}}
        child = self.api("post", "/children", body)[1]
        self.assertEqual(child["prompt_policy"], "most_first")
        said = {**body, "first_name": "Wyn", "prompt_policy": "least_first"}
        self.assertEqual(self.api("post", "/children", said)[1]["prompt_policy"], "least_first")

    def test_plans_aim_for_the_clinics_bands(self) -> None:
        child = make_child(self.lead)
        bench = workbench(child, child.home, Wish(30, ("grasp",), "home"), TODAY)
        self.assertEqual((bench.request.band("main").low, bench.request.band("main").high), (0.7, 0.85))
        self.assertEqual(self.kept(zones={"main": [0.8, 0.95]})[0], 200)
        child = Child.objects.get(pk=child.pk)
        bench = workbench(child, child.home, Wish(30, ("grasp",), "home"), TODAY)
        self.assertEqual((bench.request.band("main").low, bench.request.band("main").high), (0.8, 0.95))
        self.assertEqual(bench.request.band("opener").low, 0.9)

    def test_what_can_not_be_is_said_at_its_field(self) -> None:
        for changes in ({"approaches": {"prompt_policy": "shout"}}, {"zones": {"main": [0.9, 0.5]}}):
            status, problem = self.kept(**changes)
            self.assertEqual((status, problem["fields"][0]["field"]), (422, next(iter(changes))))
            self.assertTrue(problem["fields"][0]["remedy"])
