"""The letter kit, checked by an independent count with integer programming (scipy's HiGHS)."""

import random
import string
from collections import Counter
from math import cos, hypot, pi, sin
from unittest import TestCase

import numpy as np
from scipy.optimize import Bounds, LinearConstraint, milp

from core.letters import PIECES, USUAL_KIT, LetterError, build, pieces_for, stroke_of, width_of
from core.letters.pieces import FORMS, LARGE, LONG, SHORT, SMALL, Placement
from core.letters.strokes import Stroke
from testing.tags import slow


def can_be_built(kit: dict[str, int], text: str) -> bool:
    """Whether an integer programme finds a choice of forms and of longs halved that the kit covers."""
    forms = [(i, Counter(p for p, _ in form)) for i, c in enumerate(text) for form in FORMS[c]]
    halved = len(forms)
    rows, low, high = [], [], []
    for i in range(len(text)):
        rows.append([float(letter == i) for letter, _ in forms] + [0.0])
        low.append(1.0)
        high.append(1.0)
    for piece in PIECES:
        swap = {LONG: -1.0, SHORT: 2.0}.get(piece, 0.0)
        rows.append([float(want[piece]) for _, want in forms] + [swap])
        low.append(-np.inf)
        high.append(float(kit.get(piece, 0)))
    bounds = Bounds([0.0] * (halved + 1), [1.0] * halved + [60.0])
    done = milp(
        np.zeros(halved + 1),
        constraints=LinearConstraint(np.array(rows), low, high),
        integrality=np.ones(halved + 1),
        bounds=bounds,
    )
    return bool(done.success)


class LettersTest(TestCase):
    def test_the_usual_kit_makes_most_capitals(self) -> None:
        """4 short, 2 long, 2 large and 2 small arcs: most capitals; common practice, no source."""
        made = {c for c in string.ascii_uppercase if build(USUAL_KIT, c).is_complete}
        self.assertGreaterEqual(len(made), 24)

    def test_but_not_all_at_once(self) -> None:
        self.assertFalse(build(USUAL_KIT, string.ascii_uppercase[:16]).is_complete)

    def test_n_m_and_w_want_a_third_long_straight_or_a_stated_swap(self) -> None:
        for c in "NMW":
            self.assertTrue(build(USUAL_KIT, c).swaps, c)
            self.assertEqual(build({**USUAL_KIT, LONG: 4}, c).swaps, ())

    @slow
    def test_agrees_with_integer_programming(self) -> None:
        rng = random.Random(4)
        outcomes = Counter()
        for _ in range(250):
            text = "".join(rng.choices(string.ascii_uppercase, k=rng.randint(1, 6)))
            kit = {
                SHORT: rng.randint(0, 14),
                LONG: rng.randint(0, 8),
                LARGE: rng.randint(0, 4),
                SMALL: rng.randint(0, 5),
            }
            expected = can_be_built(kit, text)
            self.assertEqual(build(kit, text).is_complete, expected, (text, kit))
            outcomes[expected] += 1
        self.assertGreater(min(outcomes.values()), 25)

    def test_what_is_laid_is_in_the_kit(self) -> None:
        kit = {SHORT: 40, LONG: 3, LARGE: 4, SMALL: 6}
        used = Counter(p.piece for p in build(kit, "wren mow").placements)
        self.assertTrue(used)
        for piece, n in used.items():
            self.assertLessEqual(n, kit[piece])

    def test_what_is_short_is_enough_when_added(self) -> None:
        rng = random.Random(8)
        for _ in range(60):
            text = "".join(rng.choices(string.ascii_uppercase, k=4))
            missing = build({LONG: 1, SHORT: 2}, text).short
            kit = Counter({LONG: 1, SHORT: 2}) + Counter(missing)
            self.assertTrue(build(kit, text).is_complete, (text, missing))

    def test_writing_order_letter_by_letter(self) -> None:
        placed = build({**USUAL_KIT, LONG: 6}, "LE").placements
        self.assertEqual([p.at for p in placed], sorted(p.at for p in placed))
        self.assertEqual(
            [p.where for p in placed if p.letter == "E"],
            ["upright, left", "across the top", "across the middle", "across the bottom"],
        )

    def test_uprights_and_lefts_come_before_rights_and_tops_before_bottoms(self) -> None:
        rank = {"left": 0, "right": 1}
        for letter, forms in FORMS.items():
            for form in forms:
                sides = [rank[w] for _, where in form for w in rank if where.endswith(f"upright, {w}")]
                self.assertEqual(sides, sorted(sides), letter)
                heights = [where.split("the ")[-1] for _, where in form if where.startswith("across the")]
                self.assertEqual(heights, sorted(heights, key=["top", "middle", "bottom"].index), letter)

    def test_what_to_cut_for_a_name(self) -> None:
        self.assertEqual(dict(pieces_for("Tim")), {LONG: 6, SHORT: 1})

    def test_refusals_say_what_to_do(self) -> None:
        for text, phrase in (("", "write a letter"), ("Zoë", "capitals A to Z"), ("A" * 17, "Use up to 16")):
            with self.assertRaisesRegex(LetterError, phrase):
                build(USUAL_KIT, text)


class StrokeTest(TestCase):
    """Drawn letters are made of the pieces they name: a long straight twice a short one, arcs half circles."""

    KIT = dict.fromkeys(PIECES, 99)

    def test_every_piece_of_every_form_lies_somewhere_and_has_its_own_size(self) -> None:
        for letter, forms in FORMS.items():
            for form in forms:
                for piece, where in form:
                    stroke = stroke_of(Placement(0, letter, piece, where))
                    across = hypot(stroke.x2 - stroke.x1, stroke.y2 - stroke.y1)
                    wanted = 100 if piece in (LONG, LARGE) else 50
                    self.assertAlmostEqual(across, wanted, delta=0.13 * wanted, msg=f"{letter}: {where}")
                    self.assertEqual(stroke.radius, wanted / 2 if piece in (LARGE, SMALL) else 0, f"{letter}: {where}")

    def test_two_halves_lie_where_the_long_one_would(self) -> None:
        built = build(USUAL_KIT, "N")
        halves = [stroke_of(p) for p in built.placements if p.instead_of]
        self.assertEqual((halves[0].x2, halves[0].y2), (halves[1].x1, halves[1].y1))
        self.assertEqual((halves[0].y1, halves[1].y2), (0, 100))

    def test_pieces_of_a_letter_hang_together(self) -> None:
        """Every piece touches another one: shares an end with it or ends on it, by points along both."""
        for letter in FORMS:
            strokes = [stroke_of(p) for p in build(self.KIT, letter).placements]
            for one in strokes if len(strokes) > 1 else ():
                near = min(_apart(one, other) for other in strokes if other is not one)
                self.assertLess(near, 12, letter)

    def test_a_letters_width_holds_its_bows(self) -> None:
        self.assertEqual(width_of([stroke_of(p) for p in build(self.KIT, "D").placements]), 50)
        self.assertEqual(width_of([stroke_of(p) for p in build(self.KIT, "C").placements]), 50)
        self.assertEqual(width_of([stroke_of(p) for p in build(self.KIT, "O").placements]), 100)


def _apart(one: Stroke, other: Stroke) -> float:
    return min(hypot(a - c, b - d) for a, b in _along(one) for c, d in _along(other))


def _along(s: Stroke) -> list[tuple[float, float]]:
    if not s.radius:
        return [(s.x1 + (s.x2 - s.x1) * t / 20, s.y1 + (s.y2 - s.y1) * t / 20) for t in range(21)]
    middle, turn = complex(s.x1 + s.x2, s.y1 + s.y2) / 2, 1 if s.clockwise else -1
    start = complex(s.x1, s.y1) - middle
    points = [middle + start * complex(cos(turn * pi * t / 20), sin(turn * pi * t / 20)) for t in range(21)]
    return [(p.real, p.imag) for p in points]
