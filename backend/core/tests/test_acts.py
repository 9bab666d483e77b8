"""What the acts draw: as many pieces, as wide a line, as open a hand as the declaration says."""

import re
from collections.abc import Mapping
from unittest import TestCase

from core.drawing import ACTS
from core.drawing.canvas import Box, Canvas
from core.drawing.hands import hand_mm
from core.drawing.scene import HAND_UNITS, HIGH, WIDE, Scene, desk, ground
from core.drawing.shapes import CUTS, MARKS
from core.drawing.things import grip_mm, pot_size, size_mm
from core.library import THINGS
from core.library.picture import Value

HAND = hand_mm(60)


def scene(values: Mapping[str, Value], **things: str) -> Scene:
    """A scene whose roles are named by their things' keys."""
    at_hand = {role: THINGS[thing] for role, thing in things.items()}
    forms = {role: sorted(t.forms)[0] for role, t in at_hand.items()}
    return Scene(frozenset(at_hand), at_hand, forms, dict.fromkeys(at_hand, 1), values, HAND)


def drawn(act: str, values: Mapping[str, Value], **things: str) -> tuple[Canvas, str]:
    """An act on a canvas of its own, and what it says of itself."""
    canvas = Canvas(WIDE, HIGH)
    said = ACTS[act].draw(canvas, scene(values, **things))
    return canvas, said


def width(box: Box) -> float:
    return box[2] - box[0]


class ProportionTest(TestCase):
    """Everything in a frame is at one scale."""

    def test_a_frame_is_two_hands_wide_whoevers_hand_it_is(self) -> None:
        for months in (24, 60, 140):
            canvas = Canvas(WIDE, HIGH)
            one = Scene(frozenset(), {}, {}, {}, {}, hand_mm(months))
            with ground(canvas, one):
                self.assertAlmostEqual(canvas.scale * hand_mm(months), HAND_UNITS)

    def test_something_big_makes_the_scene_stand_farther_off(self) -> None:
        canvas = Canvas(WIDE, HIGH)
        one = scene({})
        with ground(canvas, one, 500, 400):
            far = canvas.scale
            self.assertLessEqual(500 * far, WIDE)
            self.assertLessEqual(400 * far, HIGH)
        with desk(canvas, one):
            self.assertGreater(canvas.scale, far)

    def test_a_thing_twice_as_big_is_drawn_twice_as_big(self) -> None:
        small, _ = drawn("put", {"thing": "item", "into": "pot"}, item="wooden_bead_15", pot="small_cup")
        big, _ = drawn("put", {"thing": "item", "into": "pot"}, item="walnut", pot="small_cup")
        beads = [min(small.boxes, key=lambda b: abs(width(b) - 15 * HAND_UNITS / HAND))]
        walnuts = [min(big.boxes, key=lambda b: abs(width(b) - 35 * HAND_UNITS / HAND))]
        self.assertAlmostEqual(width(walnuts[0]) / width(beads[0]), 35 / 15, delta=0.25)

    def test_fingertips_are_apart_by_the_smaller_side(self) -> None:
        self.assertEqual(grip_mm(THINGS["wooden_bead_25"]), 25)
        self.assertEqual(grip_mm(THINGS["coin_big"]), THINGS["coin_big"].shape.extents_mm[2])
        self.assertEqual(grip_mm(THINGS["curtain_ring"]), 6)

    def test_a_pot_stands_as_high_as_it_is(self) -> None:
        self.assertEqual(pot_size(THINGS["small_cup"]), (60, 70))
        self.assertEqual(size_mm(THINGS["small_cup"]), (60, 60))
        self.assertEqual(size_mm(THINGS["pencil"]), (175, 7.5))


class CountsTest(TestCase):
    """As many as the grade says."""

    def test_a_tower_has_as_many_pieces_as_the_grade(self) -> None:
        for many in (3, 5, 10):
            canvas, said = drawn("stack", {"thing": "block", "many": many}, block="building_block")
            high = 30 * canvas_scale(canvas, many)
            pieces = [b for b in canvas.boxes if abs(b[3] - b[1] - high) < 2.5 and abs(width(b) - high) < 2.5]
            self.assertEqual(len(pieces), many)
            self.assertIn(f"tower of {many}", said)

    def test_the_palm_holds_as_many_as_are_kept(self) -> None:
        for kept in (0, 1, 4):
            canvas, said = drawn("palm", {"thing": "item", "kept": kept, "way": "out"}, item="marble")
            rounds = [b for b in canvas.boxes if abs(width(b) - (b[3] - b[1])) < 0.2]
            self.assertEqual(len(rounds), kept + 1)
            self.assertIn("from the palm to the fingertips", said)

    def test_a_fan_has_as_many_cards(self) -> None:
        for fan in (3, 7):
            canvas, said = drawn("cards", {"thing": "card", "fan": fan}, card="playing_cards")
            self.assertIn(f"{fan} cards", said)
            self.assertEqual(len(re.findall(r'class="pk-paper"', canvas.markup())), fan)

    def test_seconds_are_said_in_the_corner(self) -> None:
        canvas, _ = drawn("squeeze", {"thing": "roll", "seconds": 6}, roll="stuffed_roll")
        self.assertEqual([label for label, _ in canvas.labels], ["6 seconds"])
        plain, _ = drawn("squeeze", {"thing": "roll", "seconds": 0}, roll="stuffed_roll")
        self.assertEqual(plain.labels, [])


def canvas_scale(canvas: Canvas, many: int) -> float:
    """The scale a tower of so many 3 cm blocks is drawn at."""
    with ground(canvas, scene({}), 0, 30 * many + HAND * 0.95, table=False):
        return canvas.scale


class SidesTest(TestCase):
    """Which hand does what, and whose it is."""

    def test_an_adult_holds_or_the_child_or_nobody(self) -> None:
        for hold, tints in (("adult", {"grown", "skin"}), ("child", {"skin"}), ("none", {"skin"})):
            canvas, _ = drawn("clip", {"peg": "peg", "edge": "edge", "hold": hold}, peg="wooden_peg", edge="tub_rim")
            self.assertEqual(set(re.findall(r"pk-line-(skin|grown)", canvas.markup())), tints)

    def test_letting_go_points_down_and_taking_out_points_up(self) -> None:
        for out, up in ((False, False), (True, True)):
            canvas, said = drawn("put", {"thing": "item", "into": "pot", "out": out}, item="cork", pot="small_cup")
            (start, end) = re.findall(r'class="pk-line-go" d="M[\d.]+ ([\d.-]+)L[\d.]+ ([\d.-]+)"', canvas.markup())[0]
            self.assertEqual(float(end) < float(start), up)
            self.assertIn("comes out of" if out else "goes into", said)

    def test_two_hands_pull_apart_or_press_together(self) -> None:
        for press in (False, True):
            canvas, said = drawn("pull", {"kind": "bricks", "thing": "brick", "press": press}, brick="big_brick")
            arrows = re.findall(r'class="pk-line-go" d="M([\d.]+) [\d.-]+L([\d.]+)', canvas.markup())
            for start, end in arrows:
                inward = abs(float(end) - WIDE / 2) < abs(float(start) - WIDE / 2)
                self.assertEqual(inward, press)
            self.assertIn("press together" if press else "pull apart", said)

    def test_without_a_tool_a_finger_draws(self) -> None:
        _, with_pen = drawn("draw", {"pen": "pen", "mark": "circle"}, pen="pencil")
        _, without = drawn("draw", {"mark": "circle"})
        self.assertIn("with pencil", with_pen)
        self.assertIn("with a finger", without)


class PathsTest(TestCase):
    """Lines to cut, to draw, to lay."""

    def test_every_path_and_mark_can_be_drawn(self) -> None:
        for path in CUTS:
            canvas, said = drawn("cut", {"path": path, "width": 3})
            self.assertTrue(said.startswith("scissors cut"), path)
            self.assertGreater(len(canvas.markup()), 500)
        for mark in MARKS:
            for act in ("draw", "lay"):
                self.assertGreater(len(drawn(act, {"mark": mark, "width": 6})[0].markup()), 500)

    def test_a_road_is_as_wide_as_it_is_and_a_line_is_a_line(self) -> None:
        roads = [drawn("cut", {"path": "long", "width": w})[0].markup() for w in (12, 6, 1)]
        weights = [
            re.search(r'class="pk-line-goal" d="[^"]+" stroke="[^"]+" stroke-width="([\d.]+)"', r) for r in roads
        ]
        self.assertIsNone(weights[2])
        self.assertAlmostEqual(float(weights[0][1]) / float(weights[1][1]), 2, delta=0.1)

    def test_from_memory_the_model_is_covered(self) -> None:
        seen, hidden = (drawn("draw", {"mark": "cross", "model": m})[0].markup() for m in ("picture", "memory"))
        self.assertIn(">?</text>", hidden)
        self.assertNotIn(">?</text>", seen)

    def test_a_letter_is_never_mirrored(self) -> None:
        plain, flipped = Canvas(WIDE, HIGH), Canvas(WIDE, HIGH, flip=True)
        for canvas in (plain, flipped):
            ACTS["draw"].draw(canvas, scene({"text": "Name", "line_mm": 12}))
        x = [float(re.search(r'<text class="pk-ink" x="([\d.]+)"', c.markup())[1]) for c in (plain, flipped)]
        self.assertAlmostEqual(x[0], WIDE - x[1], delta=0.2)
        self.assertNotIn("scale(", flipped.markup())

    def test_laces_have_a_picture_for_every_stage(self) -> None:
        stages = ("untie", "loose", "cross", "tuck", "knot", "loop", "second", "bow", "double", "twice")
        said = [drawn("lace", {"stage": s, "thing": "lace"}, lace="lace_card")[1] for s in stages]
        self.assertEqual(len(set(said)), len(stages))
