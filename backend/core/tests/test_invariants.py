"""What must hold of every activity, thing, grade and age, whatever is in the library.

Common practice, no source, unless a rule names one.
"""

from dataclasses import replace
from functools import cache
from itertools import product
from unittest import TestCase

from core.child import ALLERGENS, PRECAUTIONS, TEXTURES, Child, Setting, Supervision
from core.library import ACTIVITIES, THINGS
from core.materials import MeasureError, Stock, measured_thing
from core.offers import Variant, difficulty, room, tags_of, variants_of
from core.planner import Block, PlannedBlock, stand
from core.planner.candidates import all_candidates, candidate
from core.safety import STEP_TAGS, Verdict, assess, assess_step, assess_stock, assess_together, general_cautions
from core.skills import STRANDS
from testing.core_builders import everything, full_house, request_for
from testing.tags import slow

full_house_of = cache(full_house)
NEAR, ROOM, BOX = (Setting("home", s) for s in ("arms_reach", "room", "box"))
AGES = (20, 30, 42, 54, 66, 84, 108, 144)
FALLING = {"walking", "lying", "weight_on_hands"}


def verdicts(child: Child, setting: Setting = NEAR) -> list[Verdict]:
    """Every verdict there is on things and steps for one child."""
    things = [assess(t, child, setting) for t in THINGS.values()]
    return things + [assess_step([tag], child, setting) for tag in STEP_TAGS]


class HazardInvariantsTest(TestCase):
    def test_no_sharp_thing_fills_a_role_it_is_not_asked_for(self) -> None:
        """Drawing pins and toothpicks in dough, in tongs, in a slit ball."""
        sharp = [t for t in THINGS.values() if t.sharp]
        self.assertTrue(sharp)
        for activity in ACTIVITIES.values():
            for role in activity.roles:
                self.assertFalse(role.sharp and role.form == "item", (activity.id, role.id))
                for thing in sharp:
                    self.assertFalse(role.filled_by(thing) and not role.sharp, (activity.id, role.id, thing.id))

    def test_every_long_cord_speaks_whatever_it_is_part_of(self) -> None:
        """A belt, a satchel strap, the lace in a boot, a ribbon."""
        cords = [t for t in THINGS.values() if t.cord_like and (t.cord_mm or 0) > 300]
        self.assertLessEqual({"gown_belt", "satchel", "lace_boot", "ribbon_parcel"}, {t.id for t in cords})
        for thing in cords:
            self.assertIn("cord", {h.rule for h in assess(thing, Child(60), NEAR).hits}, thing.id)
            self.assertEqual(assess(thing, Child(59), ROOM).status, "barred", thing.id)
            self.assertEqual(assess(thing, Child(26), BOX).status, "barred", thing.id)

    @slow
    def test_every_precaution_allergen_and_texture_changes_a_verdict(self) -> None:
        """A box that does nothing is worse than none; most change what is allowed, not only what is said."""
        plain = Child(72, hand="right")
        before = verdicts(plain)
        only_said = set()
        for precaution in PRECAUTIONS:
            child = replace(plain, precautions=frozenset({precaution}), assisting_hand="left", splint_hand="left")
            after = verdicts(child)
            self.assertNotEqual(after, before, precaution)
            if [v.status == "barred" for v in after] == [v.status == "barred" for v in before]:
                only_said.add(precaution)
        self.assertLessEqual(only_said, {"vision", "seizures", "low_tone"})  # how close an adult is: see the next test
        for allergen in ALLERGENS:
            self.assertNotEqual(verdicts(replace(plain, allergies=frozenset({allergen}))), before, allergen)
        for texture in TEXTURES:
            self.assertNotEqual(verdicts(replace(plain, refuses=frozenset({texture}))), before, texture)
        self.assertNotEqual(verdicts(replace(plain, other_allergies=("kiwi",))), before)
        self.assertNotEqual(verdicts(replace(plain, food_as_material=False)), before)

    def test_seizures_bring_the_adult_within_reach_of_water_blades_and_sticks(self) -> None:
        old = Child(130, hand="right")
        ill = replace(old, precautions=frozenset({"seizures"}))
        self.assertIn("seizures", {h.rule for h in general_cautions(ill, NEAR)})
        self.assertEqual(general_cautions(old, NEAR), ())
        blind = replace(old, precautions=frozenset({"vision"}))
        self.assertEqual(assess_step(["cutting_tool"], blind, ROOM).status, "barred")
        for thing in ("water_bowl", "dowel_stand"):
            self.assertNotEqual(assess(THINGS[thing], old, ROOM).status, "barred", thing)
            self.assertEqual(assess(THINGS[thing], ill, ROOM).status, "barred", thing)
        for tag in ("cutting_tool", "knife"):
            self.assertNotEqual(assess_step([tag], old, ROOM).status, "barred", tag)
            self.assertEqual(assess_step([tag], ill, ROOM).status, "barred", tag)

    def test_nothing_wet_for_a_child_who_refuses_wet_and_no_food_where_there_is_none(self) -> None:
        for child, bad in (
            (Child(60, refuses=frozenset({"wet"})), lambda t: t.wet),
            (Child(60, food_as_material=False), lambda t: t.food or t.made_of_food),
        ):
            offered = {q.thing_id for o in full_house(child).offers() for q in o.quantities}
            self.assertTrue(offered)
            self.assertEqual({i for i in offered if bad(THINGS[i])}, set())
        for grain in ("dry_rice", "dry_lentils", "dry_beans", "wheat_dough", "corn_dough", "flour_paste", "bean_bag"):
            self.assertTrue(THINGS[grain].food or THINGS[grain].made_of_food, grain)

    def test_no_independent_box_under_four_nor_for_a_child_who_mouths(self) -> None:
        for child in (Child(20), Child(47), Child(70, mouthing="sometimes")):
            self.assertFalse(list(full_house(child, BOX).offers()))
        four = {q.thing_id for o in full_house(Child(54), BOX).offers() for q in o.quantities}
        self.assertTrue(four)
        for thing in (THINGS[i] for i in four):
            self.assertFalse(thing.glass or thing.film or thing.depth_mm or "blade" in thing.forms, thing.id)
            self.assertFalse(thing.cord_like and (thing.cord_mm or 0) > 300, thing.id)
            self.assertNotIn("small_part", {h.rule for h in assess(thing, Child(54), BOX).hits}, thing.id)

    def test_never_mouths_counts_as_sometimes_under_three_unless_a_therapist_says_otherwise(self) -> None:
        self.assertEqual(assess(THINGS["wheat_dough"], Child(30), NEAR).status, "barred")
        self.assertEqual(assess(THINGS["wheat_dough"], Child(37), NEAR).status, "caution")
        told = Child(30, overrides=frozenset({"mouthing_age"}))
        self.assertEqual(assess(THINGS["wheat_dough"], told, NEAR).status, "caution")

    def test_too_strict_is_a_fault_too(self) -> None:
        """A twelve-year-old cuts with an adult in the room; soft food is how a toddler practises a pincer."""
        self.assertEqual(assess_step(["cutting_tool"], Child(144), ROOM).status, "caution")
        self.assertEqual(assess_step(["cutting_tool"], Child(90, cutting_rung=6.0), ROOM).status, "caution")
        self.assertEqual(assess_step(["cutting_tool"], Child(90), ROOM).status, "barred")
        self.assertEqual(assess_step(["knife"], Child(100), ROOM).status, "caution")
        self.assertEqual(assess(THINGS["puffed_rice"], Child(14), NEAR).status, "caution")
        self.assertEqual(assess(THINGS["puffed_rice"], Child(8), NEAR).status, "barred")
        self.assertEqual(assess(THINGS["raisin"], Child(50), NEAR).status, "barred")
        self.assertNotEqual(assess(THINGS["taped_lace"], Child(108), ROOM).status, "barred")
        self.assertNotEqual(
            assess_step(["lying"], Child(60, precautions=frozenset({"wrist_weight"})), NEAR).status, "barred"
        )

    @slow
    def test_no_offer_holds_what_must_not_pass(self) -> None:
        """The list of set-ups that once passed, over ages, mouthing and supervision: none may."""
        supervision: tuple[Supervision, ...] = ("arms_reach", "room", "box")
        for age, mouthing, how in product(AGES[:5], ("never", "sometimes", "often"), supervision):
            child, setting = Child(age, hand="right", mouthing=mouthing), Setting("home", how)
            for offer in full_house(child, setting).offers():
                where = (age, mouthing, how, offer.variant)
                things = [THINGS[q.thing_id] for q in offer.quantities]
                tags = set(tags_of(ACTIVITIES[offer.variant.activity_id], offer.variant.grade))
                self.assertFalse(any(t.sharp for t in things), where)
                self.assertFalse(any(t.round_hard_food for t in things) and age < 60, where)
                if how != "arms_reach":
                    close = 72 if how == "box" else 48  # a hand-wash in the room, one's own laces there: see the rules
                    self.assertFalse(any((t.depth_mm or 0) > (60 if age >= close else 0) for t in things), where)
                    cords = [t for t in things if t.cord_like and (t.cord_mm or 0) > 300]
                    self.assertFalse(age < 72 and any(not t.worn or age < 60 or how == "box" for t in cords), where)
                if age < 36 or mouthing != "never":
                    self.assertFalse(any(t.film for t in things), where)
                if mouthing == "often":
                    self.assertFalse(any("dough" in t.forms or t.grain_mm or t.friable for t in things), where)
                if tags & FALLING:
                    self.assertFalse(any(t.food or t.pointed for t in things), where)


class FitInvariantsTest(TestCase):
    @slow
    def test_what_is_posted_passes_what_is_strung_fits_and_what_is_poured_is_held(self) -> None:
        """Every fill of every grade at several ages, by the sizes and not by the code that chose it."""
        for age in AGES:
            for offer in full_house(Child(age, hand="right")).offers():
                activity = ACTIVITIES[offer.variant.activity_id]
                fill = {q.role: (THINGS[q.thing_id], q) for q in offer.quantities}
                for fit in activity.fits:
                    if fit.outer not in fill or fit.inner not in fill:
                        continue
                    (outer, _), (inner, q) = fill[fit.outer], fill[fit.inner]
                    where = (offer.variant, outer.id, inner.id)
                    self.assertGreaterEqual(room(fit, outer, inner), q.wanted, where)
                    if fit.kind == "passes" and not inner.soft:
                        sides = sorted(inner.shape.extents_mm)[:2]
                        gaps = sorted(g for g in (outer.opening_mm, outer.slit_mm or outer.opening_mm) if g)
                        self.assertTrue(all(s < g for s, g in zip(sides, gaps, strict=True)), where)
                    if fit.kind == "strings":
                        self.assertLess(q.wanted * inner.shape.along_mm, outer.cord_mm or 0, where)
                    if fit.kind == "stacks":
                        self.assertLess(q.wanted * inner.shape.along_mm, outer.longest_mm, where)
                        self.assertGreaterEqual(inner.hole_mm or 0, outer.size_mm + 4, where)

    def test_the_odd_fills_of_old_are_gone(self) -> None:
        """Searched over every thing and role, by what each role is for."""
        odd = {
            ("gripper_ferry", "tool"): {"garlic_press", "hole_punch", "spray_bottle", "bulb_baster", "soft_bottle"},
            ("bilge_pump", "tool"): {"hole_punch", "slit_ball", "lolly_gripper", "garlic_press"},
            ("bilge_pump", "cup"): {"muffin_case"},
            ("wake_the_worm", "tool"): {"spray_bottle", "garlic_press", "hole_punch"},
            ("lace_the_rigging", "board"): {"taped_lace", "gown_belt", "flat_lace_two"},
            ("bow_steps", "lace"): {"taped_lace", "gown_belt"},
            ("snap_harbour", "stud"): {"big_brick", "small_brick", "suction_cups"},
            ("bear_walk", "floor"): {"kneeling_cushion"},
            ("roll_to_me", "ball"): {"sock_pair"},
            ("barge_push", "barge"): {"muffin_tin"},
            ("beach_comb", "mat"): {"muffin_tin", "ice_tray", "egg_box"},
            ("fog_window", "tray"): {"muffin_tin", "ice_tray", "egg_box", "rubber_mat"},
            ("seed_drop", "bed"): {"rubber_mat", "table_tray"},
            ("reed_chop", "reed"): {"taped_dowel", "handled_stick", "pencil"},
            ("low_deck_letters", "pen"): {"cotton_bud", "finger_paint"},
            ("low_deck_letters", "marker"): {"finger_paint", "thick_marker"},
            ("name_planks", "piece"): {"toilet_tube", "wooden_hammer", "rolling_pin", "lolly_stick"},
            ("peg_fence", "peg"): {"paper_clip"},
            ("wash_day", "cloth"): {"sponge"},
            ("fill_the_lock", "jug"): {"muffin_case"},
            ("letter_box", "item"): {"washcloth", "scrap_bits", "pencil", "chenille_stem"},
            ("captains_table", "plate"): {"laundry_basket"},
            ("stir_and_serve", "food"): {"hair_band", "muffin_case", "jar_band"},
            ("page_turner", "book"): {"index_card", "colour_wheel"},
            ("squirrel_store", "item"): {"dry_beans", "popping_corn", "grape", "raisin"},
            ("post_hammer", "hammer"): {"cork", "eraser", "toilet_tube", "jigsaw"},
            ("post_hammer", "post"): {"pencil", "taped_dowel", "thick_marker", "wooden_spoon", "rolling_pin"},
            ("poke_the_holes", "pot"): {"envelope"},
            ("treasure_dig", "treasure"): {"scrap_bits", "pencil", "push_pin", "building_block", "cork"},
            ("log_saw", "mat"): {"table_tray"},
            ("spin_and_go", "mat"): {"washcloth", "rubber_mat"},
            ("squash_prints", "tray"): {"washcloth"},
            ("fill_the_lock", "under_all"): {"washcloth", "rubber_mat"},
            ("sponge_rafts", "raft"): {"sock_pair"},
            ("sponge_rafts", "water"): {"hand_pump"},
            ("touch_dominoes", "cloth"): {"washcloth"},
            ("scoop_dock", "boat"): {"plastic_pot", "laundry_basket", "toy_crate"},
            ("thumb_post", "box"): {"lidded_tub", "laundry_basket", "muffin_tin"},
            ("spin_the_mast", "stick"): {"handled_stick"},
            ("parcel_ribbon", "parcel"): {"gown_belt", "old_shoe"},
        }
        for (activity, role_id), never in odd.items():
            role = next(r for r in ACTIVITIES[activity].roles if r.id == role_id)
            self.assertEqual({i for i in never if role.filled_by(THINGS[i])}, set(), (activity, role_id))

    def test_water_can_be_poured_and_sorting_pots_sort_and_the_pencil_holder_is_used(self) -> None:
        stock = full_house(Child(72, hand="right"))
        used = {
            q.thing_id
            for activity in ("fill_the_lock", "cargo_sort", "page_a_day")
            for o in stock.offers([ACTIVITIES[activity]])
            for q in o.quantities
        }
        self.assertTrue(used & {"water_bowl", "wash_tub"})
        roles = [r for activity in ACTIVITIES.values() for r in activity.roles]
        self.assertTrue(any(r.filled_by(THINGS["sorting_pots"]) for r in roles if r.form == "sorter"))
        self.assertIn("pencil_holder", used)


class PrecautionTest(TestCase):
    @slow
    def test_loose_joints_halve_sets_against_resistance_and_cap_the_force(self) -> None:
        """60 % of the usual force, half sets: domain defaults, common practice."""
        usual, lax = Child(84, hand="right"), Child(84, hand="right", precautions=frozenset({"joint_laxity"}))
        self.assertAlmostEqual(lax.force_cap_newton or 0, 0.6 * usual.usual_force_newton)
        capped = replace(lax, force_limit_newton=5)
        self.assertEqual(capped.force_cap_newton, 5)
        halved = 0
        for offer in full_house(lax).offers():
            activity = ACTIVITIES[offer.variant.activity_id]
            full = full_house_of(usual).offer(offer.variant)
            if full and {"resistance", "long_hold"} & set(tags_of(activity, offer.variant.grade)):
                self.assertEqual(offer.count, -(-full.count // 2), offer.variant)
                halved += 1
            for q in offer.quantities:
                self.assertLessEqual(THINGS[q.thing_id].force_newton or 0, lax.force_cap_newton or 0)
        self.assertTrue(halved)

    @slow
    def test_an_assisting_hand_is_watched_for_coming_unasked(self) -> None:
        child = Child(84, hand="right", assisting_hand="left", precautions=frozenset({"one_hand_assists"}))
        block = stand(request_for(child, everything()), PlannedBlock("main", Variant("zip_train", (0, 0)), 5))
        self.assertIsInstance(block, Block)
        self.assertIn("assists_unasked", {w.id for w in block.watch})
        self.assertIn("held down by the left hand", block.setup)

    def test_a_measured_thing_that_is_allowed_by_its_measure_says_so(self) -> None:
        """A bigger bead than usual is no small part; plan and sheet say why it is there."""
        usual = THINGS["wooden_bead_25"]
        big = Stock(usual, 12, "b", {"size_mm": 48.0})
        self.assertEqual(assess(usual, Child(30), NEAR).status, "barred")
        verdict = assess_stock(big, Child(30), NEAR)
        self.assertEqual((verdict.status, "measured" in {h.rule for h in verdict.hits}), ("caution", True))
        for field, value in (("hole_mm", 40.0), ("size_mm", 200.0)):
            with self.assertRaisesRegex(MeasureError, "far from"):
                measured_thing(usual, {field: value})


class AgeInvariantsTest(TestCase):
    @slow
    def test_a_guise_below_thirty_months_ends_at_five_and_a_half(self) -> None:
        """Banging lids with an eight-year-old: planned no more, though it may be chosen by hand."""
        for f in ACTIVITIES.values():
            windows = [STRANDS[s].nearest(max(difficulty(v)[s] for v in variants_of(f))).age_months for s in f.trains]
            if not f.itself and all(w is not None and w <= 30 for w in windows):
                self.assertLessEqual(f.until_months or 999, 66, f.id)
        for months, there in ((60, True), (66, False), (100, False)):
            request = request_for(Child(months, hand="right"), everything(), targets=("grasp", "bilateral", "daily"))
            young = {c.activity.id for c in all_candidates(request) if c.activity.until_months == 66}
            self.assertEqual(bool(young), there, months)
        by_hand = candidate(request.cupboard.offer(variants_of(ACTIVITIES["lid_drums"])[-1]), "opener", request)
        self.assertIsNotNone(by_hand)

    def test_every_seconds_a_try_is_given_and_possible(self) -> None:
        for activity in ACTIVITIES.values():
            self.assertTrue(1 <= activity.seconds <= 200, activity.id)

    def test_company_is_judged_at_every_grade(self) -> None:
        """Walking with a spoon wants an adult within reach; walking with anything that pokes is barred."""
        spoon, pencil = THINGS["dinner_spoon"], THINGS["pencil"]
        self.assertEqual(assess_together([spoon], ("walking",), Child(60), NEAR).status, "caution")
        self.assertEqual(assess_together([spoon], ("walking",), Child(60), ROOM).status, "barred")
        self.assertEqual(assess_together([pencil], ("walking",), Child(60), NEAR).status, "barred")
        self.assertEqual(assess_together([THINGS["mandarin"]], ("lying",), Child(60), NEAR).status, "barred")
