"""The declarations: complete, consistent, and refused with a remedy where they are not. Common practice, no source."""

from dataclasses import replace
from unittest import TestCase

from core.child import Child
from core.library import FAMILIES
from core.library.declare import DeclarationError, axis, checked, step
from core.library.things import MATERIALS
from core.offers import House, Variant, checked_variant, dials, difficulty, equals, grade_words, neighbours, variants_of
from core.offers.usable_cupboard import fillers, stock_of
from core.skills import STRANDS, TARGETS, WANTED_TASKS
from testing.core_builders import CLINIC, everything, full_house


class LibraryTest(TestCase):
    def test_every_strand_of_every_target_is_trained(self) -> None:
        trained = {s for f in FAMILIES.values() for s in f.trains}
        self.assertEqual(set(STRANDS) - trained, set())

    def test_all_targets_have_main_work(self) -> None:
        main = {f.target for f in FAMILIES.values() if "main" in f.parts}
        self.assertEqual(set(TARGETS) - main, set())

    def test_every_role_can_be_filled_by_two_things(self) -> None:
        for f in FAMILIES.values():
            for role in f.roles:
                self.assertGreaterEqual(len(fillers(role)), 2, (f.id, role.id))

    def test_a_thing_only_one_step_wants_is_counted_and_judged_at_that_grade_alone(self) -> None:
        """A pom-pom tucked under the last two fingers is a small part like any other."""
        free, tucked = Variant("fan_and_tuck", (0, 0)), Variant("fan_and_tuck", (0, 1))
        cards_alone = stock_of({"playing_cards": 52})
        with_pompoms = stock_of({"playing_cards": 52, "pompom_small": 20})
        older, mouths = Child(84, hand="right"), Child(84, hand="right", mouthing="often")
        self.assertEqual({q.role for q in House(with_pompoms, older, CLINIC).offer(free).quantities}, {"card"})
        self.assertEqual({q.role for q in House(with_pompoms, older, CLINIC).offer(tucked).quantities}, {"card", "tuck"})
        self.assertIn("small_part", {h.rule for h in House(with_pompoms, older, CLINIC).offer(tucked).verdict.hits})
        self.assertIsNone(House(cards_alone, older, CLINIC).offer(tucked))
        self.assertEqual(House(cards_alone, older, CLINIC).lack(tucked).kind, "missing")
        self.assertIsNotNone(House(with_pompoms, mouths, CLINIC).offer(free))
        self.assertEqual(House(with_pompoms, mouths, CLINIC).lack(tucked).rule, "small_part")

    def test_a_bare_number_says_of_what(self) -> None:
        self.assertEqual(grade_words(Variant("harbour_wall", (0, 1)))[1], "in a row: 6")
        self.assertEqual(grade_words(Variant("fan_and_tuck", (0, 0)))[1], "free")

    def test_a_step_that_speaks_of_a_thing_brings_it(self) -> None:
        for f in FAMILIES.values():
            for s in (s for a in f.axes for s in a.steps):
                if "pom-pom" in s.words or "small thing kept" in s.words:
                    self.assertTrue(s.uses, (f.id, s.words))

    def test_every_rung_of_every_strand_is_trained_by_three_families(self) -> None:
        """A grade trains a rung when it asks for it to within half a rung; project definition."""
        asked: dict[tuple[str, int], set[str]] = {}
        for f in FAMILIES.values():
            for v in variants_of(f):
                for strand, rung in difficulty(v).items():
                    if strand in f.trains:
                        for near in {int(rung), int(rung) + 1}:
                            if abs(near - rung) <= 0.5 + 1e-9:
                                asked.setdefault((strand, near), set()).add(f.id)
        for strand in STRANDS.values():
            for rung in strand.rungs:
                self.assertGreaterEqual(len(asked.get((strand.id, rung.number), ())), 3, f"{strand.name}, rung {rung.number}")

    def test_every_family_can_be_done_somewhere(self) -> None:
        house = full_house()
        for f in FAMILIES.values():
            self.assertTrue(any(house.offer(v) for v in variants_of(f)), f.id)

    def test_harder_steps_are_harder_in_every_trained_strand(self) -> None:
        for f in FAMILIES.values():
            for place, a in enumerate(f.axes):
                low = Variant(f.id, (0,) * len(f.axes))
                rungs = [difficulty(low.moved(place, at)) for at in range(len(a.steps))]
                for strand in f.trains:
                    self.assertEqual(sorted({r[strand] for r in rungs}), [r[strand] for r in rungs], (f.id, a.id))

    def test_no_two_families_are_alike(self) -> None:
        seen = {}
        for f in FAMILIES.values():
            shape = (tuple(f.trains.items()), tuple((a.words, tuple(s.words for s in a.steps)) for a in f.axes))
            self.assertNotIn(shape, seen, f"{f.id} ~ {seen.get(shape)}")
            seen[shape] = f.id

    def test_wanted_tasks_lean_on_rungs_that_exist(self) -> None:
        for task in WANTED_TASKS.values():
            for strand, rung in task.demands.items():
                STRANDS[strand].rung(rung)

    def test_icf_codes_are_well_formed(self) -> None:
        """b or d, then three or four digits: WHO 2001, structure of the classification."""
        for strand in STRANDS.values():
            for code in strand.icf:
                self.assertRegex(code, r"^[bd]\d{3,4}$")

    def test_a_broken_declaration_names_family_axis_and_remedy(self) -> None:
        good = FAMILIES["peg_fence"]
        flat = axis("force", "Spring", step("weak"), step("weaker", -1.0))
        for broken, said in (
            (
                replace(good, axes=(flat,)),
                r"core/tests/test_library\.py: family 'peg_fence': axis 'force': steps must get harder",
            ),
            (replace(good, trains={"grip": 1}), r"strand 'grip' is not in the skills map"),
            (replace(good, watch=("nothing",)), r"mark 'nothing' is unknown"),
            (replace(good, tags=("lava",)), r"hazard tag 'lava' has no rule"),
            (replace(good, demands={"pinch": 1}), r"both trained and demanded"),
            (replace(good, counts=(9, 8, 7)), r"must not fall with age"),
        ):
            with self.assertRaisesRegex(DeclarationError, said):
                checked(broken)


class GradingTest(TestCase):
    def test_difficulty_is_base_plus_steps(self) -> None:
        f = FAMILIES["load_the_barge"]
        v = Variant(f.id, (2, 1, 1))
        added = f.axes[0].steps[2].rungs + f.axes[1].steps[1].rungs + f.axes[2].steps[1].rungs
        self.assertAlmostEqual(difficulty(v)["hold_and_act"], f.trains["hold_and_act"] + added)

    def test_neighbours_change_one_axis_by_one_step(self) -> None:
        house = full_house()
        for offer in list(house.offers())[::7]:
            for side, near in zip((-1, 1), neighbours(offer.variant, house), strict=True):
                if near is not None:
                    moved = [b - a for a, b in zip(offer.variant.grade, near.variant.grade, strict=True)]
                    self.assertEqual(sorted(map(abs, moved))[-2:], [0, 1] if len(moved) > 1 else [1])
                    self.assertEqual(sum(moved), side)
                    self.assertIsNotNone(house.offer(near.variant))

    def test_dials_say_what_a_house_lacks(self) -> None:
        stock = {k: v for k, v in everything().items() if k in ("wooden_bead_25", "taped_lace", "chenille_stem")}
        house = House(stock_of(stock), Child(72, hand="right"), CLINIC)
        line = dials(Variant("load_the_barge", (4, 1, 1)), house)[0]
        missing = [s for s in line.steps if not s.available]
        self.assertTrue(missing)
        self.assertTrue(all(s.why_not and s.remedy for s in missing))

    def test_equals_train_the_same_strand_at_the_same_rung(self) -> None:
        house, v = full_house(), Variant("peg_fence", (1, 1, 0))
        found = equals(v, house)
        self.assertTrue(found)
        for offer in found:
            self.assertNotEqual(offer.variant.family, "peg_fence")
            self.assertLessEqual(abs(difficulty(offer.variant)["pinch"] - difficulty(v)["pinch"]), 0.35)

    def test_a_grade_that_does_not_exist_is_refused(self) -> None:
        for bad in (Variant("peg_fence", (9, 0, 0)), Variant("peg_fence", (0,)), Variant("nothing", ())):
            with self.assertRaises(ValueError):
                checked_variant(bad)


class HouseTest(TestCase):
    def test_barred_things_fill_no_role(self) -> None:
        child = Child(30, hand="right", mouthing="often")
        house = full_house(child)
        barred = {t.id for t, v in zip(house.things, house.verdicts, strict=True) if v.status == "barred"}
        self.assertIn("pony_bead", barred)
        for offer in house.offers():
            self.assertFalse({q.material for q in offer.quantities} & barred, offer)

    def test_a_child_of_short_attention_gets_fewer_tries(self) -> None:
        counts = [
            House(stock_of(everything()), Child(months, attention_minutes=minutes), CLINIC).offer(Variant("squirrel_store", (0, 0, 0))).count
            for months, minutes in ((90, 30), (90, 8), (60, 30), (60, 8), (40, 8))
        ]  # fmt: skip
        self.assertEqual(counts, [10, 8, 8, 6, 6])

    def test_nine_posts_of_four_rings_want_36(self) -> None:
        """The arithmetic of quantities; common practice, no source."""
        role = next(r for r in FAMILIES["ring_tower"].roles if r.id == "ring")
        self.assertEqual(role.quantity(9 * 4), 36)

    def test_too_few_things_are_said_with_the_number_missing(self) -> None:
        house = House(stock_of({"common_peg": 1, "tub_rim": 1}), Child(72, hand="right"), CLINIC)
        lack = house.lack(Variant("peg_fence", (2, 1, 0)))
        self.assertEqual(lack.kind, "short")
        self.assertRegex(lack.reason, r"Needs 4 common spring pegs, 1 here")

    def test_fewer_things_than_tries_are_used_in_rounds(self) -> None:
        house = House(stock_of({"common_peg": 6, "tub_rim": 1}), Child(90, hand="right"), CLINIC)
        pegs = house.offer(Variant("peg_fence", (2, 1, 0))).quantities[0]
        self.assertEqual((pegs.wanted, pegs.have, pegs.rounds), (6, 6, 2))

    def test_right_handed_scissors_do_not_serve_a_left_hander(self) -> None:
        stock = stock_of({"child_scissors": 1, "heavy_paper": 20})
        cut = Variant("cut_the_lane", (0, 0, 0))
        self.assertIsNotNone(House(stock, Child(72, hand="right"), CLINIC).offer(cut))
        lack = House(stock, Child(72, hand="left"), CLINIC).lack(cut)
        self.assertEqual(lack.kind, "hand")

    def test_a_bead_goes_only_on_a_line_that_passes_its_hole(self) -> None:
        house = House(stock_of({"wooden_bead_15": 20, "handled_stick": 1}), Child(72, hand="right"), CLINIC)
        self.assertIsNone(house.offer(Variant("load_the_barge", (0, 2, 0))))

    def test_an_unknown_thing_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "not a known material"):
            stock_of({"moon_rock": 1})

    def test_all_materials_have_measures_that_hold_together(self) -> None:
        self.assertGreaterEqual(len(MATERIALS), 160)
        for m in MATERIALS.values():
            if "bead" in m.forms:
                self.assertLess(m.hole_mm or 0, m.size_mm, m.id)
            if "clip" in m.forms or "squeezer" in m.forms:
                self.assertIsNotNone(m.force_newton, m.id)
            if m.balloon or m.round_hard_food:
                self.assertTrue(m.food or m.balloon, m.id)
