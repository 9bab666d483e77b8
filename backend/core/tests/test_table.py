"""Where the set-up puts a thing on a side, the drawn table shows it on that side. Common practice, no source."""

from unittest import TestCase

from core.child import Child
from core.drawing import lay_out
from core.library import ACTIVITIES
from core.materials import NOT_BESIDE
from core.offers import variants_of
from testing.core_builders import full_house
from testing.sides import sides_in

# Read by hand from the set-ups: on which side each role is said to be.
SAID = {
    "peg_fence": {"bowl": "skill"},
    "crane_pick": {"load": "helper", "bowl": "helper", "pot": "skill"},
    "drop_anchor": {"item": "skill", "pot": "helper"},
    "letter_box": {"item": "helper", "box": "skill"},
    "cargo_sort": {"item": "helper", "tray": "skill"},
    "gangplank_clips": {"clip": "skill"},
    "feather_lift": {"load": "helper", "goal": "skill"},
    "leaf_line": {"leaf": "helper", "peg": "skill"},
    "bilge_pump": {"water": "helper", "cup": "skill"},
    "drawer_day": {"forks": "helper", "spoons": "helper", "drawer": "skill"},
    "sponge_rafts": {"dry": "skill"},
    "ring_tower": {"ring": "helper"},
    "scoop_dock": {"boat": "skill"},
    "two_jobs": {"pot": "skill"},
    "lock_tower": {"block": "helper"},
    "ticket_gate": {"gate": "skill"},
}


class TableTest(TestCase):
    def test_what_the_words_put_on_a_side_stands_there(self) -> None:
        cupboard = full_house(Child(60, hand="right"))
        for activity, roles in SAID.items():
            offer = next(o for v in variants_of(ACTIVITIES[activity]) if (o := cupboard.offer(v)))
            for hand in ("right", "left"):
                stands = lay_out(activity, offer.quantities, hand)
                if not stands:
                    self.assertEqual(len(offer.quantities), 1, activity)
                    continue
                across = {q.role: s.across for q, s in zip(offer.quantities, stands, strict=True)}
                for role, side in roles.items():
                    if role in across:
                        right = (side == "skill") == (hand == "right")
                        self.assertEqual(across[role] > 0.5, right, (activity, role, hand))

    def test_a_thing_stands_where_the_set_up_says(self) -> None:
        """Read from the words of every set-up, by a reader that the drawing does not use."""
        compared = 0
        for activity in ACTIVITIES.values():
            stands = {r.id: r.stands for r in activity.roles}
            for role, place in sides_in(activity.setup, activity.roles).items():
                compared += 1
                self.assertEqual(stands[role], place, (activity.id, role))
        self.assertGreaterEqual(compared, 80)

    def test_what_lies_under_the_others_stands_beside_nothing(self) -> None:
        cupboard = full_house(Child(72, hand="right"))
        seen = set()
        for activity in ACTIVITIES.values():
            under = {r.id for r in activity.roles if r.stands == "under"}
            offer = next((o for v in variants_of(activity) if (o := cupboard.offer(v))), None)
            if not offer or not under:
                continue
            stands = lay_out(activity.id, offer.quantities, "right")
            for q, s in zip(offer.quantities, stands, strict=bool(stands)):
                self.assertEqual(s.zone == "under", q.role in under, (activity.id, q.role))
                seen |= {activity.id} if s.zone == "under" else set()
            if stands:
                self.assertGreaterEqual(sum(s.zone not in NOT_BESIDE for s in stands), 2, activity.id)
        self.assertLessEqual({"rice_dive", "scoop_dock", "edge_pick"}, seen)

    def test_pieces_to_wipe_with_start_on_the_helper_side(self) -> None:
        activity = ACTIVITIES["sponge_rafts"]
        offer = next(o for v in variants_of(activity) if (o := full_house(Child(40, hand="right")).offer(v)))
        stands = lay_out(activity.id, offer.quantities, "right")
        raft = next(s for q, s in zip(offer.quantities, stands, strict=True) if q.role == "raft")
        self.assertLess(raft.across, 0.4)

    def test_paper_lies_near_a_hands_width_from_the_edge(self) -> None:
        cupboard = full_house(Child(72, hand="right"))
        for activity in ("cut_the_lane", "stub_drawing", "half_line_name"):
            offer = next(o for v in variants_of(ACTIVITIES[activity]) if (o := cupboard.offer(v)))
            stands = lay_out(activity, offer.quantities, "right")
            paper = next(s for q, s in zip(offer.quantities, stands, strict=True) if q.role == "sheet")
            tool = next(s for q, s in zip(offer.quantities, stands, strict=True) if q.role in ("pen", "scissors"))
            self.assertLess(paper.away, 0.5)
            self.assertGreater(tool.across, paper.across)

    def test_the_familys_steps_and_the_set_up_name_the_same_sides(self) -> None:
        compared = 0
        for activity in ACTIVITIES.values():
            said, told = (sides_in(text, activity.roles) for text in (activity.setup, " ".join(activity.steps)))
            for role in said.keys() & told.keys():
                compared += 1
                self.assertEqual(told[role], said[role], (activity.id, role))
        self.assertGreaterEqual(compared, 45)
