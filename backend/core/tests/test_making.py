"""Single things, recipes and marks as pictures."""

from unittest import TestCase
from xml.etree import ElementTree

from core.drawing import draw_mark, draw_recipe, draw_thing
from core.drawing.marks import _PAINTERS
from core.drawing.picture import MOST_BYTES
from core.library import ACTIVITIES, RECIPES, THINGS
from core.recording import MARKS


class ThingPictureTest(TestCase):
    def test_every_thing_but_a_wall_and_a_floor_has_a_picture_with_its_name(self) -> None:
        bare = set()
        for thing in THINGS.values():
            drawn = draw_thing(thing)
            if not drawn:
                bare.add(thing.id)
                continue
            self.assertLess(len(drawn.encode()), 4000, thing.id)
            self.assertEqual(ElementTree.fromstring(drawn).get("aria-label"), thing.name)
        self.assertEqual(bare, {"clear_wall", "clear_floor", "wall_board"})

    def test_things_that_serve_alike_still_look_their_size(self) -> None:
        pictures = {draw_thing(THINGS[t]) for t in ("weak_peg", "mini_peg", "bag_clip", "bulldog_clip")}
        self.assertEqual(len(pictures), 4)


class RecipePictureTest(TestCase):
    def test_every_recipe_is_drawn_and_most_show_a_step(self) -> None:
        with_steps = 0
        for recipe in RECIPES.values():
            drawn = draw_recipe(recipe)
            self.assertLessEqual(len(drawn.encode()), MOST_BYTES, recipe.name)
            frames = len(ElementTree.fromstring(drawn).findall("{http://www.w3.org/2000/svg}svg"))
            self.assertLessEqual(frames, 4)
            with_steps += frames > 1
        self.assertGreaterEqual(with_steps, 0.9 * len(RECIPES))

    def test_an_adults_step_is_drawn_with_an_adults_hands(self) -> None:
        by_adult = next(r for r in RECIPES.values() if r.adult_steps and r.adult_steps[0].startswith("Cut"))
        self.assertIn("pk-line-grown", draw_recipe(by_adult))
        by_child = next(r for r in RECIPES.values() if not r.adult_steps)
        self.assertNotIn("pk-line-grown", draw_recipe(by_child))


class MarkPictureTest(TestCase):
    def test_a_mark_that_can_be_seen_has_a_picture_in_its_own_words(self) -> None:
        self.assertLessEqual(_PAINTERS.keys(), MARKS.keys())
        for mark in _PAINTERS:
            self.assertEqual(ElementTree.fromstring(draw_mark(mark)).get("aria-label"), MARKS[mark].words)
        self.assertEqual(draw_mark("frustrated"), "")

    def test_most_of_what_the_library_watches_for_is_drawn(self) -> None:
        watched = [m for a in ACTIVITIES.values() for m in a.watch]
        self.assertGreater(sum(bool(draw_mark(m)) for m in watched), 0.6 * len(watched))
