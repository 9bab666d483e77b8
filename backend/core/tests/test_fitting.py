"""Whether things fit each other, against worked examples: lengths and volumes by hand.

Room to spare: common practice, no source.
"""

from dataclasses import replace
from math import inf, pi
from unittest import TestCase

from core.child import Child
from core.library import ACTIVITIES, THINGS, Fit, LibraryError, check
from core.materials import Ball, Box, Disc, Ring, Rod
from core.offers import UsableCupboard, Variant, grade_words, room, stock_of, variants_of
from core.offers.variants import roles_of
from core.skills import STRANDS
from testing.core_builders import CLINIC, full_house


def fit(kind: str, spare: float = 1.0) -> Fit:
    return Fit(kind, "outer", "inner", spare, "it fits")  # type: ignore[arg-type]


class RoomTest(TestCase):
    def test_a_coin_goes_through_a_slot_thin_side_first_and_not_through_a_small_hole(self) -> None:
        slot, hole = THINGS["narrow_slot_tin"], THINGS["shaker"]  # 28 × 4 mm; 4 mm across
        for coin, through in (("coin_small", True), ("coin_big", True), ("metal_washer", False)):
            self.assertEqual(room(fit("passes"), slot, THINGS[coin]) > 0, through, coin)
            self.assertEqual(room(fit("passes"), hole, THINGS[coin]), 0, coin)

    def test_a_block_goes_through_a_hole_as_wide_as_the_diagonal_of_its_end(self) -> None:
        tub = replace(THINGS["hole_tub"], opening_mm=22.0)
        self.assertEqual(room(fit("passes"), tub, THINGS["building_block"]), 0)
        self.assertGreater(room(fit("passes"), replace(tub, opening_mm=44.0), THINGS["building_block"]), 0)

    def test_a_soft_thing_is_pressed_through(self) -> None:
        tub = replace(THINGS["hole_tub"], opening_mm=30.0)
        self.assertGreater(room(fit("passes"), tub, THINGS["pompom_big"]), 0)  # 38 mm, pressed to 27
        self.assertEqual(room(fit("passes"), tub, THINGS["bottle_top"]), 0)

    def test_how_many_go_on_a_line(self) -> None:
        """A pipe cleaner of 30 cm leaves 22 cm: four reels of 45 mm, eight beads of 25 mm. Worked by hand."""
        line = THINGS["chenille_stem"]
        self.assertEqual(room(fit("strings"), line, THINGS["cotton_reel"]), 4)
        self.assertEqual(room(fit("strings"), line, THINGS["wooden_bead_25"]), 8)
        self.assertEqual(room(fit("strings"), line, THINGS["big_button"]), 0)  # hole 3 mm on a line of 4 mm

    def test_how_many_go_on_a_post(self) -> None:
        """12 cm of spaghetti takes two foam rings of 5 cm; a hole has to be 4 mm wider than the post."""
        self.assertEqual(room(fit("stacks", 4), THINGS["spaghetti_post"], THINGS["foam_ring"]), 2)
        self.assertEqual(room(fit("stacks", 4), THINGS["dowel_stand"], THINGS["metal_washer"]), 0)  # 11 mm on 8 mm

    def test_how_many_a_cup_holds(self) -> None:
        """A cup of 60 × 70 mm holds 139 ml at 0.7 of its outside; bricks of 49 ml, loose, take 79 ml each: one."""
        cup, brick = THINGS["small_cup"], THINGS["big_brick"]
        self.assertAlmostEqual(cup.shape.volume_mm3, pi * 30**2 * 70)
        self.assertEqual(room(fit("holds", 5), cup, brick), 1)
        self.assertEqual(room(fit("holds", 5), THINGS["shaker"], THINGS["cork"]), 0)

    def test_volumes_and_lengths_of_every_shape(self) -> None:
        """Textbook solids."""
        self.assertAlmostEqual(Ball(20).volume_mm3, 4 / 3 * pi * 10**3)
        self.assertAlmostEqual(Rod(20, 50).volume_mm3, pi * 100 * 50)
        self.assertAlmostEqual(Disc(20, 5).volume_mm3, pi * 100 * 5)
        self.assertEqual(Box(10, 20, 30).volume_mm3, 6000)
        lengths = [s.along_mm for s in (Ball(20), Rod(20, 50), Disc(20, 5), Box(10, 20, 30), Ring(40, 20, 6))]
        self.assertEqual(lengths, [20, 50, 5, 10, 6])

    def test_more_beads_than_the_line_takes_are_strung_in_rounds(self) -> None:
        stock = stock_of({"wooden_bead_25": 20, "chenille_stem": 2})
        offer = UsableCupboard(stock, Child(90, hand="right"), CLINIC).offer(Variant("load_the_barge", (2, 1, 2)))
        beads = next(q for q in offer.quantities if q.role == "bead")
        self.assertEqual((offer.count, beads.wanted, beads.rounds), (20, 8, 3))

    def test_what_suits_the_hand_comes_before_what_there_is_most_of(self) -> None:
        stock = stock_of({"big_brick": 40, "counter": 12, "wide_bowl": 1, "lidded_tub": 1})
        chosen = {}
        for months in (40, 110):
            cupboard = UsableCupboard(stock, Child(months, hand="right"), CLINIC)
            offer = next(cupboard.offers([ACTIVITIES["bucket_chain"]]), None)
            chosen[months] = next(q.thing_id for q in offer.quantities if q.role == "item") if offer else ""
        self.assertEqual(chosen[40], "big_brick")


class CheckTest(TestCase):
    def test_a_fit_a_filler_and_water_say_what_they_must(self) -> None:
        base = {
            "id": "t",
            "name": "T",
            "one": "t",
            "many": "ts",
            "kept": "craft",
            "shape": {"ball": {"diameter_mm": 40}},
        }
        for changed, phrase in (
            ({"forms": ["filler"]}, "grain_mm"),
            ({"forms": ["water"]}, "depth_mm"),
            ({"forms": ["item"], "allergens": ["moonlight"]}, "allergen is unknown"),
            ({"forms": ["item"], "textures": ["blue"]}, "is not a choice here"),
        ):
            with self.subTest(changed=changed), self.assertRaisesRegex(LibraryError, phrase):
                check({**base, **changed})

    def test_forces_between_two_rungs_stand_between_them(self) -> None:
        ladder = STRANDS["squeeze"]
        self.assertAlmostEqual(ladder.rung_of(5), 1)
        self.assertAlmostEqual(ladder.rung_of((10 * 20) ** 0.5), 2.5)  # half way in logarithms
        self.assertEqual(ladder.rung_of(400), ladder.top + 0.5)
        self.assertEqual(ladder.rung_of(0.5), 0)
        with self.assertRaisesRegex(ValueError, "not a ladder of forces"):
            STRANDS["shift"].rung_of(10)


class TrueToSizeTest(TestCase):
    """What a ruler says of things that were once offered together. Geometry; the room to spare is from memory."""

    def test_a_cube_needs_its_diagonal_through_a_round_hole(self) -> None:
        """A 30 mm cube is 42.4 mm from edge to edge of its end: it does not pass a tube of 42 mm, a 29 mm one does."""
        through = fit("passes", 0)
        tube = replace(THINGS["toilet_tube"], opening_mm=42.0, slit_mm=None)
        cube = replace(THINGS["building_block"], shape=Box(30, 30, 30), soft=False)
        self.assertEqual(room(through, tube, cube), 0)
        self.assertEqual(room(through, tube, replace(cube, shape=Box(29, 29, 29))), inf)
        self.assertEqual(room(through, tube, replace(cube, shape=Ball(42))), inf)
        self.assertAlmostEqual(Box(30, 40, 90).girth_mm, 50)

    def test_a_tray_of_cups_takes_what_stands_in_a_cup_and_no_more_than_it_has(self) -> None:
        cups = fit("holds", 0)
        tray = THINGS["ice_tray"]
        brick = replace(THINGS["big_brick"], shape=Box(64, 32, 24))
        self.assertEqual(room(cups, tray, brick), 0)
        bead = replace(THINGS["wooden_bead_25"], shape=Ball(25), soft=False)
        self.assertEqual(room(cups, tray, bead) % 12, 0)
        self.assertGreaterEqual(room(cups, tray, bead), 12)
        self.assertLess(room(cups, tray, bead), inf)

    def test_every_tray_of_cups_says_how_many(self) -> None:
        for thing in THINGS.values():
            if "sorter" in thing.forms:
                self.assertIsNotNone(thing.cups, thing.id)

    def test_a_tower_is_built_from_as_many_pieces_as_it_has(self) -> None:
        """No tower of three from two tubes."""
        cupboard = full_house(Child(60, hand="right"))
        for variant in variants_of(ACTIVITIES["lock_tower"]):
            offer = cupboard.offer(variant)
            if offer is not None:
                pieces = next(q for q in offer.quantities if q.role == "block")
                self.assertGreaterEqual(pieces.wanted, offer.count, variant)
                self.assertEqual(pieces.rounds, 1)

    def test_what_a_grade_asks_for_is_on_its_list(self) -> None:
        """String for a bundle, paper and pen at a wall, a cushion to wrap round, something to wear."""
        for activity, step, role in (
            ("stick_harvest", "bundle tied with a string", "string"),
            ("hold_the_lock_gate", "one hand pushes, one draws", "pen"),
            ("hold_the_lock_gate", "one hand pushes, one draws", "paper"),
            ("porthole_buttons", "wrapped round something big", "cushion"),
        ):
            for variant in variants_of(ACTIVITIES[activity]):
                brought = {r.id for r in roles_of(ACTIVITIES[activity], variant.grade)}
                words = grade_words(variant, Child(80, hand="right"))
                self.assertEqual(step in words, role in brought, (variant, words))
        worn = [v for v in variants_of(ACTIVITIES["porthole_buttons"]) if "worn" in grade_words(v, Child(80))]
        cupboard = full_house(Child(80, hand="right"))
        for variant in worn:
            if (offer := cupboard.offer(variant)) is not None:
                strip = next(q for q in offer.quantities if q.role == "strip")
                self.assertGreaterEqual(THINGS[strip.thing_id].longest_mm, 390)
