"""Set-ups that once passed and must not, one by one: the thing, the child, the place, and what the filter says.

Common practice, no source, unless the rule names one.
"""

from itertools import product
from unittest import TestCase

from core.child import Child, Mouthing, Setting, Supervision
from core.library import ACTIVITIES, RECIPES, THINGS
from core.materials import MeasureError, Stock
from core.offers import variants_of
from core.offers.variants import ask_of
from core.safety import Status, assess, assess_step, assess_stock, assess_together
from testing.core_builders import full_house

FAR: tuple[Supervision, ...] = ("room", "box")


def status(
    thing: str, months: float, supervision: Supervision = "arms_reach", mouthing: Mouthing = "never", **more: object
) -> Status:
    child = Child(months, hand="right", mouthing=mouthing, **more)  # type: ignore[arg-type]
    return assess(THINGS[thing], child, Setting("home", supervision)).status


class ThingTest(TestCase):
    def test_pins_picks_and_staples_play_no_role(self) -> None:
        for thing in ("push_pin", "toothpick", "staples", "strong_glue", "magnet_small", "coin_cell_light"):
            for activity in ACTIVITIES.values():
                self.assertFalse([r.id for r in activity.roles if r.filled_by(THINGS[thing])], (thing, activity.id))

    def test_water_is_never_left_with_a_child_under_six(self) -> None:
        for thing, months, how in product(("wash_tub", "water_bowl"), (20, 26, 40), FAR):
            self.assertEqual(status(thing, months, how), "barred", (thing, months, how))
        self.assertEqual(status("wash_tub", 60, "room"), "barred")
        self.assertEqual(status("water_bowl", 60, "room"), "caution", "hands are washed with an adult in the room")
        self.assertEqual(status("wash_tub", 20), "caution")
        self.assertEqual(status("wash_tub", 80, "room"), "caution")
        self.assertEqual(status("wash_tub", 80, "box"), "barred")

    def test_belts_ribbons_laces_and_straps_are_cords(self) -> None:
        self.assertEqual(status("lace_boot", 59, "room"), "barred")
        self.assertEqual(status("lace_boot", 69, "room"), "caution", "one's own shoe in class")
        for thing in ("gown_belt", "ribbon_parcel", "old_shoe", "lace_card", "satchel", "buckle_belt"):
            self.assertEqual(status(thing, 26, "box"), "barred", thing)
            self.assertEqual(status(thing, 60, "room"), "barred", thing)
            self.assertEqual(status(thing, 60), "caution", thing)

    def test_film_under_three_or_in_the_mouth(self) -> None:
        self.assertEqual(status("bubble_wrap", 20, "box", "often"), "barred")
        self.assertEqual(status("bubble_wrap", 34), "barred")
        self.assertEqual(status("bubble_wrap", 50, mouthing="sometimes"), "barred")
        self.assertEqual(status("bubble_wrap", 50), "caution")
        self.assertEqual(status("bubble_wrap", 50, "room"), "barred")

    def test_dough_that_is_not_food(self) -> None:
        for dough in ("soft_putty", "firm_putty", "clay", "corn_dough", "wheat_dough"):
            for months, how in product((20, 72), ("arms_reach", *FAR)):
                self.assertEqual(status(dough, months, how, "often"), "barred", (dough, months, how))
        hits = assess(THINGS["soft_putty"], Child(72, mouthing="often"), Setting()).hits
        self.assertFalse([h for h in hits if "putty" in h.remedy.lower()])

    def test_grain_is_judged_by_the_grain(self) -> None:
        for filler in ("dry_rice", "dry_lentils", "dry_sand"):
            self.assertEqual(status(filler, 20, "box"), "barred", filler)
            self.assertEqual(status(filler, 72, mouthing="often"), "barred", filler)
            self.assertIn("nose", " ".join(h.reason for h in assess(THINGS[filler], Child(50), Setting()).hits))

    def test_what_comes_off_is_judged_too(self) -> None:
        """16 CFR 1501.4 on the cap, the nut, the button."""
        for thing in (
            "thick_marker",
            "drink_bottle",
            "paste_tube",
            "big_bolt",
            "small_bolt",
            "button_card",
            "wooden_peg",
        ):
            self.assertEqual(status(thing, 30), "barred", thing)
            self.assertIn("small_part", {h.rule for h in assess(THINGS[thing], Child(60), Setting()).hits}, thing)

    def test_small_parts_alone_at_three(self) -> None:
        for thing, how in product(("pony_bead", "counter", "dry_beans"), FAR):
            expected = "barred" if how == "box" else "caution"
            self.assertEqual(status(thing, 42, how), expected, (thing, how))

    def test_uprights_before_five(self) -> None:
        for post in ("dowel_stand", "kitchen_roll_holder", "spaghetti_post", "stick_in_eggbox"):
            self.assertEqual(status(post, 50, "room"), "barred", post)
            self.assertEqual(status(post, 50), "caution", post)

    def test_grapes_come_quartered_and_hard_food_never_before_five(self) -> None:
        self.assertIn("quartered", THINGS["grape"].name)
        for food in ("raisin", "popping_corn", "chickpea", "walnut"):
            self.assertEqual(status(food, 59), "barred", food)

    def test_elastic_is_no_substitute_for_latex(self) -> None:
        for thing in ("hair_band", "tennis_ball", "slit_ball", "eraser", "dropper", "bulb_baster", "old_waistband"):
            self.assertEqual(status(thing, 90, allergies=frozenset({"latex"})), "barred", thing)
        child = Child(90, allergies=frozenset({"latex"}))
        read = Stock(THINGS["hair_band"], 4, labels={"latex": False})
        self.assertEqual(assess_stock(read, child, Setting()).status, "caution")


class StepTest(TestCase):
    def test_a_push_at_the_wall_is_weight_on_the_hands(self) -> None:
        for precaution in ("wrist_weight", "fracture", "pain", "splint"):
            child = Child(80, hand="right", precautions=frozenset({precaution}), splint_hand="right")
            house = full_house(child)
            for activity in ("hold_the_lock_gate", "wall_wash", "barge_push", "bear_walk", "barrow_run"):
                self.assertFalse(
                    [v for v in variants_of(ACTIVITIES[activity]) if house.offer(v)], (precaution, activity)
                )

    def test_loose_joints_keep_the_gentle_ways_of_bearing_weight(self) -> None:
        """Half as many tries, an adult beside: never none at all."""
        lax = full_house(Child(40, hand="right", precautions=frozenset({"joint_laxity"})))
        plain = full_house(Child(40, hand="right"))
        for activity in ("wall_wash", "bear_walk", "barge_push"):
            offers = list(lax.offers([ACTIVITIES[activity]]))
            self.assertTrue(offers, activity)
            for offer in offers:
                ask = ask_of(ACTIVITIES[activity], offer.variant.grade)
                self.assertLess(lax.tries(ask), max(2, plain.tries(ask)), activity)

    def test_a_hand_that_was_broken_or_hurts_is_spared_force_and_catching(self) -> None:
        for precaution in ("fracture", "pain"):
            house = full_house(Child(100, hand="right", precautions=frozenset({precaution})))
            for activity, words in (
                ("lock_keeper", "stiff"),
                ("rope_knots", "two knots that hold"),
                ("flag_tabs", "pull it right off"),
                ("log_saw", "firm, 30 to 45 N"),
                ("bag_over", "ball"),
            ):
                axes = ACTIVITIES[activity].axes
                for offer in house.offers([ACTIVITIES[activity]]):
                    way = {axis.steps[g].words for axis, g in zip(axes, offer.variant.grade, strict=True)}
                    self.assertNotIn(words, way, (precaution, activity))
            self.assertEqual(list(house.offers([ACTIVITIES["harbour_wall"]])), [], precaution)

    def test_what_a_label_says_can_be_read_and_then_allowed(self) -> None:
        for thing, allergen in (("short_crayon", "soy"), ("coin_big", "nickel"), ("corn_dough", "wheat")):
            child = Child(100, hand="right", allergies=frozenset({allergen}))
            self.assertEqual(assess(THINGS[thing], child, Setting()).status, "barred")
            read = {held: Stock(THINGS[thing], 6, labels={allergen: held}) for held in (False, True)}
            self.assertEqual(assess_stock(read[False], child, Setting()).status, "caution", thing)
            self.assertEqual(assess_stock(read[True], child, Setting()).hits[0].rule, "allergy", thing)
        for allergen in ("nut", "milk", "egg", "wheat", "sesame", "soy"):
            child = Child(100, allergies=frozenset({allergen}))
            self.assertEqual(assess(THINGS["snack_packet"], child, Setting()).status, "barred", allergen)
            other = Stock(THINGS["snack_packet"], 6, labels={a: False for a in ("nut", "milk") if a != allergen})
            self.assertEqual(assess_stock(other, child, Setting()).status, "barred", allergen)
        with self.assertRaisesRegex(MeasureError, "not for a label to say"):
            _ = Stock(THINGS["walnut"], 6, labels={"nut": False}).thing

    def test_chewing_at_school_age_is_no_mouthing(self) -> None:
        """A six-year-old who chews pencils writes with one; a four-year-old who does is judged as mouthing."""
        for months, expected in ((76, "caution"), (50, "barred")):
            child = Child(months, hand="right", mouthing="chews")
            self.assertEqual(assess(THINGS["pony_bead"], child, Setting()).status, expected, months)
        child = Child(76, hand="right", mouthing="chews")
        pencil = assess(THINGS["pencil"], child, Setting("school", "room"))
        self.assertEqual((pencil.status, [h.rule for h in pencil.hits][-1]), ("caution", "chewing"))
        for activity in ("trace_the_route", "stub_drawing", "half_line_name"):
            self.assertTrue(list(full_house(child).offers([ACTIVITIES[activity]])), activity)

    def test_a_mouth_is_kept_from_balloons_leaves_and_cartons(self) -> None:
        allowed = Child(50, mouthing="often", overrides=frozenset({"balloon"}))
        self.assertEqual(assess(THINGS["balloon"], allowed, Setting()).status, "barred")
        self.assertEqual(assess(THINGS["leaves"], Child(30, mouthing="often"), Setting()).status, "barred")
        swallows = Child(80, precautions=frozenset({"swallowing"}))
        self.assertEqual(assess(THINGS["drink_carton"], swallows, Setting()).status, "barred")
        self.assertEqual(assess(THINGS["sharpener"], Child(40), Setting("home", "room")).status, "barred")
        self.assertEqual(assess(THINGS["dinner_fork"], Child(30, mouthing="often"), Setting()).status, "caution")

    def test_forearms_stay_with_a_wrist_precaution(self) -> None:
        house = full_house(Child(60, hand="right", precautions=frozenset({"wrist_weight"})))
        ways = {o.variant.grade[0] for o in house.offers([ACTIVITIES["otter_floor"]])}
        self.assertEqual(ways, {0})
        self.assertTrue(list(house.offers([ACTIVITIES["lying_painter"]])))

    def test_pain_and_fracture_reach_every_work_against_resistance(self) -> None:
        house = full_house(Child(90, hand="right", precautions=frozenset({"pain"})))
        for activity in ("wring_the_deck", "press_mill", "clay_quarry", "wake_the_worm", "peg_fence", "post_hammer"):
            self.assertFalse(list(house.offers([ACTIVITIES[activity]])), activity)
        grades = {o.variant.grade[0] for o in house.offers([ACTIVITIES["statue_grip"]])}
        self.assertEqual(grades, {0, 1, 2})  # nothing held for 15 seconds

    def test_no_food_lying_down_and_nothing_that_pokes_on_the_way(self) -> None:
        near = Setting("home", "arms_reach")
        for food in ("grape", "walnut", "banana_piece"):
            self.assertEqual(assess_together([THINGS[food]], ("lying",), Child(70), near).status, "barred", food)
        for thing, tag in product(("pencil", "sugar_tongs", "dinner_fork", "taped_dowel"), ("walking", "lying")):
            self.assertEqual(assess_together([THINGS[thing]], (tag,), Child(70), near).status, "barred", (thing, tag))

    def test_sharp_or_pointed_things_are_never_hidden_in_grain(self) -> None:
        things = [THINGS["dry_rice"], THINGS["pencil"]]
        self.assertEqual(assess_together(things, (), Child(70), Setting()).status, "barred")

    def test_scissors_and_knives_by_age_and_by_what_is_sure(self) -> None:
        room = Setting("school", "room")
        self.assertEqual(assess_step(["cutting_tool"], Child(53, cutting_rung=8), room).status, "barred")
        self.assertEqual(assess_step(["cutting_tool"], Child(54, cutting_rung=3), room).status, "caution")
        self.assertEqual(assess_step(["cutting_tool"], Child(84, cutting_rung=2.9), room).status, "barred")
        self.assertEqual(assess_step(["cutting_tool"], Child(84), room).status, "barred")
        close = Child(84, cutting_rung=8, precautions=frozenset({"seizures"}))
        self.assertEqual(assess_step(["cutting_tool"], close, room).status, "barred")
        self.assertEqual(assess_step(["cutting_tool"], Child(120), room).status, "caution")
        self.assertEqual(assess_step(["cutting_tool"], Child(23), Setting()).status, "barred")
        self.assertEqual(assess_step(["cutting_tool"], Child(24), Setting()).status, "caution")
        self.assertEqual([assess_step(["knife"], Child(m), room).status for m in (71, 72)], ["barred", "caution"])


class RecipeTest(TestCase):
    def test_nobody_cuts_up_the_childs_shirt_or_a_jar(self) -> None:
        for recipe in RECIPES.values():
            used = {t for p in recipe.parts for t in p.any_of}
            self.assertFalse(used & {"own_shirt", "own_coat", "own_trousers"}, recipe.thing_id)
            if "adult_cuts" in recipe.tags:
                self.assertFalse([t for t in used if THINGS[t].glass], recipe.thing_id)

    def test_heat_and_sticks_stood_up_are_said(self) -> None:
        for recipe in RECIPES.values():
            text = " ".join((*recipe.adult_steps, *recipe.tools)).lower()
            if re_any(text, ("cook", "oven", "pan ")):
                self.assertIn("hot", recipe.tags, recipe.thing_id)

    def test_small_buttons_are_made_of_small_buttons(self) -> None:
        for thing in ("button_cloth_small", "button_card_small"):
            buttons = {t for p in RECIPES[thing].parts if "button" in p.words for t in p.any_of}
            self.assertEqual(buttons, {"small_button"})
            self.assertEqual(THINGS["small_button"].longest_mm, THINGS[thing].opening_mm)


def re_any(text: str, words: tuple[str, ...]) -> bool:
    return any(w in text for w in words)
