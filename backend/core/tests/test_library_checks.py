"""What a library file may not say, field by field: fits, roles, steps, cues, and what a thing has to tell of itself."""

from copy import deepcopy
from importlib.resources import files
from typing import Any
from unittest import TestCase

import yaml

from core.library import ACTIVITIES, THINGS, LibraryError, check


def written(name: str) -> dict[str, Any]:
    """An activity as its file has it."""
    return yaml.safe_load(files("core.library").joinpath("activities", f"{name}.yaml").read_text("utf-8"))


def thing(file: str, id: str) -> dict[str, Any]:
    """A thing as its file has it."""
    things = yaml.safe_load(files("core.library").joinpath("things", f"{file}.yaml").read_text("utf-8"))
    return next(t for t in things if t["id"] == id)


class ActivityFileTest(TestCase):
    def refused(self, values: dict[str, Any], phrase: str) -> LibraryError:
        with self.assertRaisesRegex(LibraryError, phrase) as refused:
            check(values, "some_file.yaml")
        self.assertEqual(refused.exception.where, "some_file.yaml")
        self.assertTrue(refused.exception.remedy)
        return refused.exception

    def test_a_fit_between_roles_that_are_not_there(self) -> None:
        values = written("letter_box")
        values["fits"] = [{**values["fits"][0], "inner": "letter"}]
        self.refused(values, "Role letter is not declared")

    def test_gap_and_width_belong_to_one_kind_of_fit(self) -> None:
        values = written("letter_box")
        values["fits"] = [{**values["fits"][0], "gap": "opening_mm", "width": "size_mm"}]
        self.assertTrue(self.refused(values, "kind clears").field.startswith("fits.0"))
        values = written("peg_fence")
        values["fits"] = [{k: v for k, v in values["fits"][0].items() if k != "gap"}]
        self.refused(values, "kind clears")

    def test_a_kind_of_fit_nobody_knows(self) -> None:
        values = written("letter_box")
        values["fits"] = [{**values["fits"][0], "kind": "squeezes"}]
        self.assertEqual(self.refused(values, "clears").field, "fits.0.kind")

    def test_a_fit_with_less_than_nothing_to_spare(self) -> None:
        values = written("letter_box")
        values["fits"] = [{**values["fits"][0], "spare_mm": -1}]
        self.assertEqual(self.refused(values, "less than 0").field, "fits.0.spare_mm")

    def test_two_roles_with_one_id(self) -> None:
        values = written("letter_box")
        values["roles"] = [*values["roles"], values["roles"][0]]
        self.refused(values, "Two roles have one id")

    def test_a_step_that_uses_a_role_nobody_declared(self) -> None:
        values = written("rain_pop")
        values["axes"][0]["steps"][-1]["uses"] = ["moon"]
        self.refused(values, "Role moon is not declared")

    def test_a_first_step_is_where_the_others_are_counted_from(self) -> None:
        values = written("squash_prints")
        values["axes"][0]["steps"][0]["adds"] = 0.5
        self.refused(values, "let it add none|easiest step")

    def test_with_several_strands_a_step_says_which_it_makes_harder(self) -> None:
        values = written("sock_twins")
        values["axes"][0]["steps"][1]["adds"] = 0.5
        self.refused(values, "in which strand")

    def test_a_step_is_easier_in_no_strand(self) -> None:
        values = written("sock_twins")
        steps = values["axes"][0]["steps"]
        steps[2], steps[1] = deepcopy(steps[1]), deepcopy(steps[2])
        self.refused(values, "is not harder than")

    def test_a_step_past_the_top_of_a_ladder(self) -> None:
        """Half a rung over the top is the most a grade may ask."""
        values = written("squash_prints")
        values["axes"][0]["steps"][-1]["adds"] = 11
        error = self.refused(values, "asks rung")
        self.assertIn("The ladder ends at", error.remedy)

    def test_seconds_are_those_of_its_kind_of_work(self) -> None:
        for seconds, work in ((60, "piece"), (1, "shape")):
            self.refused({**written("sock_twins"), "seconds": seconds, "work": work}, "seconds a try is not")

    def test_a_guise_ends_at_an_age(self) -> None:
        self.assertEqual(self.refused({**written("lid_drums"), "until_months": 0}, "more than 0").field, "until_months")

    def test_a_cue_for_help_that_does_not_exist(self) -> None:
        values = written("sock_twins")
        values["cues"]["shouted"] = "Now!"
        self.assertTrue(self.refused(values, "There is no such field|not|unknown").field.startswith("cues"))

    def test_a_misspelt_field_is_named(self) -> None:
        self.assertEqual(self.refused({**written("sock_twins"), "tirring": True}, "no such field").field, "tirring")


class ThingFileTest(TestCase):
    def refused(self, values: dict[str, Any], phrase: str) -> LibraryError:
        with self.assertRaisesRegex(LibraryError, phrase) as refused:
            check(values)
        self.assertEqual(refused.exception.where, values["id"])
        return refused.exception

    def test_a_filler_says_how_long_a_grain_is(self) -> None:
        values = thing("kitchen", "dry_rice")
        self.assertEqual(check(values), THINGS["dry_rice"])
        self.refused({k: v for k, v in values.items() if k != "grain_mm"}, "judged by its grain")

    def test_water_says_how_deep_it_stands(self) -> None:
        values = thing("kitchen", "water_bowl")
        self.assertEqual(check(values), THINGS["water_bowl"])
        self.refused({k: v for k, v in values.items() if k != "depth_mm"}, "judged by its depth")

    def test_what_comes_off_has_a_size(self) -> None:
        values = thing("kitchen", "drink_bottle")
        self.assertTrue(values["loose_part"])
        values["loose_part"] = {**values["loose_part"], "shape": {"disc": {"diameter_mm": 0, "height_mm": 5}}}
        self.assertTrue(self.refused(values, "more than 0 mm").field.startswith("loose_part"))

    def test_textures_and_allergens_are_those_a_profile_offers(self) -> None:
        values = thing("kitchen", "dry_rice")
        self.assertTrue(self.refused({**values, "textures": ["tickly"]}, "sticky").field.startswith("textures"))
        self.assertTrue(self.refused({**values, "allergens": ["moon"]}, "allergen").field.startswith("allergens"))


class LoadedTest(TestCase):
    def test_every_set_up_says_something_and_ends_like_a_sentence(self) -> None:
        for activity in ACTIVITIES.values():
            self.assertRegex(activity.setup, r"[.}]$", activity.id)
            self.assertRegex(activity.tidy, r"\.$", activity.id)

    def test_no_two_things_have_one_name(self) -> None:
        names = [t.name.lower() for t in THINGS.values()]
        self.assertEqual(len(names), len(set(names)))
