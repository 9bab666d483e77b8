"""The same words ask the same rung; set-ups read well and name nothing that is not there.

Common practice, no source.
"""

import re
from functools import cache
from itertools import product
from unittest import TestCase

from core.child import Child, Hand, Setting, for_child
from core.library import ACTIVITIES
from core.offers import difficulty, grade_words, tags_of, variants_of
from core.skills import STRANDS
from testing.core_builders import full_house

full_house_of = cache(full_house)
NEAR, ROOM, BOX = (Setting("home", s) for s in ("arms_reach", "room", "box"))
AGES = (20, 30, 42, 54, 66, 84, 108, 144)


SAME_WORDS = {
    # what is asked, and the rung of cutting the ladder gives it
    "straight to the edge, 12 mm": (5, {"cut_the_lane": (0, 0, 0), "ticket_office": (2, 0)}),
    "straight to the edge, 6 mm": (6, {"cut_the_lane": (1, 0, 0), "ticket_office": (3, 0)}),
    "stop at a mark, 6 mm": (7, {"cut_the_lane": (1, 2, 0), "quay_stops": (1, 1, 3)}),
    "corner, 6 mm": (8, {"turn_the_sheet": (0, 0, 0), "quay_stops": (2, 1, 3), "cabin_windows": (0, 1, 1)}),
    "wide curve, 6 mm": (9, {"turn_the_sheet": (1, 0, 0), "river_bends": (0, 1)}),
    "circle, 6 mm": (10, {"turn_the_sheet": (2, 0, 0), "river_bends": (2, 1)}),
    "square, 6 mm": (11, {"turn_the_sheet": (3, 0, 0), "cabin_windows": (3, 1, 1)}),
    "tight curve, 6 mm": (12, {"turn_the_sheet": (4, 0, 0), "river_bends": (3, 1)}),
    "strip cut in two": (4, {"grass_fringe": (3, 0, 1), "ticket_office": (0, 0)}),
    "one snip": (2, {"grass_fringe": (1, 0, 1), "reed_chop": (1, 1)}),
}
OTHER_WORDS = {
    # strand: grades whose words are those of one of its rungs, and its number
    "to_palm": (("squirrel_store", (1, 0, 0), 2), ("squirrel_store", (1, 1, 3), 4)),
    "shift": (("ladder_walk", (1, 1), 3), ("mast_climb", (2, 0), 3), ("mast_climb", (3, 0), 4)),
    "hold": (("statue_grip", (0, 0), 1), ("statue_grip", (1, 0), 2), ("feather_lift", (2, 0), 3)),
    "laces": (("bow_steps", (1, 0), 2), ("bow_steps", (4, 0), 5), ("shore_leave", (1, 2), 6)),
    "buttons": (
        ("porthole_buttons", (1, 0, 0, 0), 2),
        ("porthole_buttons", (1, 1, 0, 0), 3),
        ("cardigan_bridge", (0, 1, 0), 2),
    ),
    "zip": (("zip_train", (0, 0), 1), ("zip_train", (1, 0), 2), ("zip_train", (3, 0), 4)),
    "studs": (("strap_down", (0, 0), 1), ("snap_harbour", (0, 0), 3), ("snap_harbour", (0, 1), 4)),
    "writing": (("stroke_by_stroke", (0, 1), 2), ("stroke_by_stroke", (1, 1), 3), ("roof_lines", (2, 1), 5)),
    "from_palm": (("shell_feed", (1, 1), 2), ("ticket_gate", (0, 1, 0), 3)),
    "push": (("hold_the_lock_gate", (0, 0), 1), ("otter_floor", (0, 1), 3)),
}


class LadderInvariantsTest(TestCase):
    def test_the_same_cut_has_one_rung_whatever_the_activity(self) -> None:
        for words, (rung, grades) in SAME_WORDS.items():
            for activity, grade in grades.items():
                asked = next(difficulty(v)["cutting"] for v in variants_of(ACTIVITIES[activity]) if v.grade == grade)
                self.assertAlmostEqual(asked, rung, delta=0.3, msg=f"{words}: {activity} {grade}")

    def test_a_grade_asks_the_rung_whose_words_it_shares(self) -> None:
        for strand, grades in OTHER_WORDS.items():
            for activity, grade, rung in grades:
                asked = next(difficulty(v)[strand] for v in variants_of(ACTIVITIES[activity]) if v.grade == grade)
                words = STRANDS[strand].rung(rung).words
                self.assertAlmostEqual(asked, rung, delta=0.3, msg=f"{activity} {grade}: {words}")

    def test_a_zip_proves_no_thirty_newton_pinch(self) -> None:
        for v in variants_of(ACTIVITIES["zip_train"]):
            self.assertNotIn("pinch", difficulty(v))
            self.assertLess(difficulty(v)["key_pinch"], 3)


OBJECTS = [
    "bowl",
    "tray",
    "towel",
    "mat",
    "cushion",
    "basket",
    "cup",
    "pot",
    "tub",
    "jar",
    "plate",
    "bucket",
    "card",
    "cards",
    "box",
]
MEANS = {
    # an object a set-up may name, and words of roles that are it
    "box": {"box", "pot", "case", "container"},
    "cup": {"cup", "cups", "jug", "pot"},
    "pot": {"pot", "pots", "bowl", "tub", "jar", "dough", "box"},
    "tub": {"tub", "bowl", "filler", "cargo", "pot"},
    "bowl": {"bowl", "bowls", "pot", "basket", "frog", "loads"},
    "jar": {"lid", "jar"},
    "mat": {"mat", "tray"},
    "tray": {"tray", "mat", "filler", "cups"},
    "bucket": {"bucket", "water"},
    "card": {"card", "cards", "sheet", "strip"},
    "cards": {"card", "cards", "pages"},
}


class WordInvariantsTest(TestCase):
    def test_a_setup_reads_well_whichever_hand(self) -> None:
        hands: tuple[Hand, ...] = ("right", "left", "not_settled")
        for activity, hand in product(ACTIVITIES.values(), hands):
            words = [
                activity.setup,
                *(c.words for c in activity.cues),
                *(w for v in variants_of(activity)[:1] for w in grade_words(v)),
            ]
            for text in (for_child(w, Child(60, hand=hand)) for w in words):
                self.assertNotRegex(text, r"hand hand|hand-hander|-hand hand|\{", (activity.id, hand))
                self.assertNotRegex(text, r"in each (right|left) hand", (activity.id, hand))

    def test_an_assisting_hand_keeps_its_role(self) -> None:
        """The side that assists is the helper in every set-up, whatever is noted of preference."""
        child = Child(84, hand="not_settled", assisting_hand="left", precautions=frozenset({"one_hand_assists"}))
        self.assertEqual(for_child("{skill} works, {helper} holds", child), "right works, left holds")
        for offer in full_house(child).offers():
            self.assertNotIn("other_hand", tags_of(ACTIVITIES[offer.variant.activity_id], offer.variant.grade))

    def test_every_object_a_setup_names_is_a_role(self) -> None:
        for activity in ACTIVITIES.values():
            roles = " ".join(r.words.lower() for r in activity.roles)
            role_words = set(re.findall(r"[a-z]+", roles))
            for name in OBJECTS:
                if re.search(rf"\b{name}s?\b", activity.setup.lower()):
                    known = {name, f"{name}s", *MEANS.get(name, ())}
                    self.assertTrue(role_words & known, f"{activity.id}: {name} in “{activity.setup}”, roles: {roles}")

    def test_two_handed_work_names_the_role_of_each_hand(self) -> None:
        for activity in ACTIVITIES.values():
            if "hold_and_act" in activity.trains:
                said = " ".join([activity.setup, *(s.words for a in activity.axes for s in a.steps)])
                self.assertRegex(said, r"\{helper\}|helper hand", activity.id)
