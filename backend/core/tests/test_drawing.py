"""Pictures: every activity at every grade, nothing cut off, sides as the words say, mirrored for a left hand."""

from itertools import combinations, pairwise
from unittest import TestCase
from xml.etree import ElementTree

from core.child import Child, Setting
from core.drawing import ACTS, canvases, draw, hand_mm, lay_out
from core.drawing.canvas import Canvas
from core.drawing.hands import ADULT_MM, SIDE, flat_tips, side_points
from core.drawing.picture import MOST_BYTES, values_at
from core.drawing.scene import HIGH, WIDE, Scene
from core.drawing.shapes import CUTS, MARKS
from core.drawing.table import MOST_DRAWN
from core.errors import NotThere
from core.library import ACTIVITIES, THINGS, find_activity
from core.materials import NOT_BESIDE
from core.offers import UsableCupboard, Variant, stock_of, variants_of
from testing.tags import slow

RIGHT = Child(age_months=60, hand="right")
LEFT = Child(age_months=60, hand="left")
FULL = stock_of({t.id: 60 for t in THINGS.values() if "kept_away" not in t.forms})
SVG = "{http://www.w3.org/2000/svg}"


def house(child: Child) -> UsableCupboard:
    return UsableCupboard(FULL, child, Setting("home", "arms_reach"))


class EveryPictureTest(TestCase):
    """What holds of all of them, one by one."""

    @classmethod
    def setUpClass(cls) -> None:
        cls.cupboard = house(RIGHT)
        cls.all = [(v, cls.cupboard.offer(v)) for a in ACTIVITIES.values() for v in variants_of(a)]

    @slow
    def test_every_activity_at_every_grade_draws_small_and_well_formed(self) -> None:
        for variant, offer in self.all:
            with self.subTest(variant=variant):
                drawn = draw(variant, offer, RIGHT)
                self.assertLessEqual(len(drawn.encode()), MOST_BYTES)
                root = ElementTree.fromstring(drawn)
                self.assertEqual(root.get("role"), "img")
                self.assertTrue(root.get("aria-label", "").startswith(find_activity(variant.activity_id).does))
        self.assertGreater(len(self.all), 2000)

    @slow
    def test_nothing_runs_out_of_its_frame_and_no_label_lies_over_another(self) -> None:
        for variant, offer in self.all:
            frames, _ = canvases(variant, offer, RIGHT)
            for at, frame in enumerate(frames):
                with self.subTest(variant=variant, frame=at):
                    for left, top, right, foot in frame.boxes:
                        self.assertTrue(left >= -1 and top >= -1 and right <= WIDE + 1 and foot <= HIGH + 1)
                    for (one, a), (other, b) in combinations(frame.labels, 2):
                        apart = a[2] <= b[0] + 1 or b[2] <= a[0] + 1 or a[3] <= b[1] + 1 or b[3] <= a[1] + 1
                        self.assertTrue(apart, (one, other))

    @slow
    def test_hands_are_in_the_frame_where_they_work(self) -> None:
        for variant, offer in self.all:
            frames, _ = canvases(variant, offer, RIGHT)
            for at, frame in enumerate(frames):
                for left, top, right, foot in frame.limbs:
                    with self.subTest(variant=variant, frame=at):
                        self.assertTrue(left < WIDE and top < HIGH and right > 0 and foot > 0)

    @slow
    def test_the_table_shows_what_the_words_say_and_as_many(self) -> None:
        for variant, offer in self.all:
            stands = lay_out(variant.activity_id, offer.quantities, "right") if offer else ()
            if not stands:
                continue
            (table, *_), said = canvases(variant, offer, RIGHT)
            with self.subTest(variant=variant):
                words = " ".join(label for label, _ in table.labels)
                for q, s in zip(offer.quantities, stands, strict=True):
                    if s.zone not in NOT_BESIDE:
                        self.assertIn(q.named.split()[0], words)
                        self.assertIn(f"{q.wanted} {q.named}", said)


class SidesTest(TestCase):
    """Left and right, a child's hands and an adult's."""

    def test_a_left_hand_gets_the_mirrored_picture_with_its_words_the_right_way_round(self) -> None:
        variant = Variant("fill_the_hull", (2, 0, 1))
        right = canvases(variant, house(RIGHT).offer(variant), RIGHT)[0][-1]
        left = canvases(variant, house(LEFT).offer(variant), LEFT)[0][-1]
        self.assertEqual(len(right.boxes), len(left.boxes))
        for (a, top, b, foot), (c, _, d, _) in zip(right.boxes, left.boxes, strict=True):
            self.assertAlmostEqual(a, WIDE - d, 6)
            self.assertAlmostEqual(b, WIDE - c, 6)
            self.assertLess(top, foot)
        for child in (RIGHT, LEFT):
            self.assertNotIn("scale(-1", draw(variant, house(child).offer(variant), child))

    def test_a_grade_for_the_other_hand_is_drawn_with_the_other_hand(self) -> None:
        preferred, other = (canvases(Variant("peg_fence", (1, 1, hand)), None, RIGHT)[0][0] for hand in (0, 1))
        self.assertEqual((preferred.flip, other.flip), (False, True))

    def test_an_adult_holds_where_the_grade_says_so(self) -> None:
        held, alone = (draw(Variant("peg_fence", (1, target, 0)), None, RIGHT) for target in (0, 1))
        self.assertIn("pk-line-grown", held)
        self.assertNotIn("pk-line-grown", alone)

    def test_hands_grow_with_age_and_stop_at_an_adults(self) -> None:
        self.assertEqual([round(hand_mm(m)) for m in (24, 60, 108)], [107, 125, 149])
        self.assertEqual(hand_mm(240), ADULT_MM)


class GradeTest(TestCase):
    """A change of grade changes the picture where it can be seen."""

    def drawn(self, activity: str, *grade: int) -> str:
        variant = Variant(activity, grade)
        return draw(variant, house(RIGHT).offer(variant), RIGHT)

    def test_a_big_bead_and_a_small_one_look_it(self) -> None:
        def height(hole: int) -> float:
            variant = Variant("load_the_barge", (2, hole, 0))
            offer = house(RIGHT).offer(variant)
            bead = next(q for q in offer.quantities if q.role == "bead")
            return THINGS[bead.thing_id].shape.extents_mm[0]

        self.assertGreater(height(0), height(2))
        self.assertNotEqual(self.drawn("load_the_barge", 2, 0, 0), self.drawn("load_the_barge", 2, 2, 0))

    def test_a_home_that_measured_its_bead_sees_that_bead(self) -> None:
        variant = Variant("load_the_barge", (2, 0, 0))
        offer = house(RIGHT).offer(variant)
        bead = next(q for q in offer.quantities if q.role == "bead")
        other = next(t for t in THINGS.values() if "bead" in t.forms and t.id != bead.thing_id)
        self.assertNotEqual(draw(variant, offer, RIGHT), draw(variant, offer, RIGHT, {bead.stock_id: other}))

    def test_steps_that_change_the_act_change_the_picture(self) -> None:
        for activity in ACTIVITIES.values():
            for frame in activity.picture:
                for value in frame.values.values():
                    axis = getattr(value, "axis", "")
                    if axis:
                        place, _ = activity.axis(axis)
                        self.assertGreater(len(set(value.of)), 0)
                        start = (0,) * len(activity.axes)
                        for at in range(len(value.of)):
                            grade = (*start[:place], at, *start[place + 1 :])
                            self.assertIn(value.of[at], values_at(activity, frame, grade).values())

    def test_the_road_to_cut_is_as_wide_as_the_grade_says(self) -> None:
        wide, thin = self.drawn("cut_the_lane", 0, 0, 0), self.drawn("cut_the_lane", 3, 0, 0)
        self.assertIn("pk-line-goal", wide)
        self.assertNotIn("pk-line-goal", thin)

    def test_more_on_the_table_than_can_be_drawn_is_said(self) -> None:
        variant = Variant("letter_box", (0, 2, 0))
        offer = house(Child(age_months=100, hand="right")).offer(variant)
        (table, *_), _ = canvases(variant, offer, RIGHT)
        wanted = next(q.wanted for q in offer.quantities if q.role == "item")
        self.assertTrue(any(label.startswith(str(wanted)) for label, _ in table.labels))
        self.assertGreaterEqual(MOST_DRAWN, 20)


class LanguageTest(TestCase):
    """The declarations and the acts fit each other."""

    def test_every_act_named_is_there_and_every_act_is_used(self) -> None:
        used = {f.act for a in ACTIVITIES.values() for f in a.picture}
        self.assertEqual(used - ACTS.keys(), set())
        self.assertEqual(ACTS.keys() - used, set())

    def test_a_value_that_names_no_role_is_refused(self) -> None:
        activity = find_activity("peg_fence")
        scene = Scene(frozenset(r.id for r in activity.roles), {}, {}, {}, {"peg": "peg", "edge": "egde"}, 125)
        self.assertIsNone(scene.thing("peg"))
        with self.assertRaisesRegex(ValueError, "no role here"):
            scene.thing("edge")

    def test_a_grade_that_is_not_there_is_refused(self) -> None:
        with self.assertRaises(NotThere):
            draw(Variant("peg_fence", (9, 0, 0)))

    def test_paths_and_shapes_keep_to_their_square(self) -> None:
        for name, lines in (*CUTS.items(), *MARKS.items()):
            for line in lines:
                for x, y in line:
                    self.assertTrue(-0.01 <= x <= 1.01 and -0.01 <= y <= 1.01, name)


class HandTest(TestCase):
    """Hands from joint angles."""

    def test_the_thumb_meets_the_index_as_far_apart_as_the_thing_is_thick(self) -> None:
        for pose in ("pinch", "three_point", "tool", "tucked"):
            for gap in (0.02, 0.1, 0.2):
                index, _, thumb = side_points(SIDE[pose], gap)
                (x1, y1), (x2, y2) = index[-1], thumb[-1]
                self.assertAlmostEqual(((x1 - x2) ** 2 + (y1 - y2) ** 2) ** 0.5, gap + 0.105, delta=0.04)

    def test_segments_keep_their_length_whatever_the_pose(self) -> None:
        for pose in SIDE.values():
            index, rest, _ = side_points(pose, 0.05)
            for chain, long in ((index, 0.45), (rest, 0.49)):
                steps = pairwise(chain)
                self.assertAlmostEqual(sum(((a - c) ** 2 + (b - d) ** 2) ** 0.5 for (a, b), (c, d) in steps), long, 6)

    def test_an_open_hand_is_one_hand_long(self) -> None:
        self.assertAlmostEqual(-min(y for _, y in flat_tips("flat")), 1, delta=0.03)

    def test_a_flipped_canvas_mirrors_places_and_leaves_words_alone(self) -> None:
        plain, flipped = Canvas(100, 50), Canvas(100, 50, flip=True)
        self.assertEqual((plain.where(20, 10), flipped.where(20, 10)), ((20, 10), (80, 10)))
        flipped.words(30, 20, "peg")
        self.assertIn('x="70"', flipped.markup())
        with plain.at(10, 10, 2, 90):
            self.assertAlmostEqual(plain.where(5, 0)[1], 20)
            self.assertAlmostEqual(plain.scale, 2)
