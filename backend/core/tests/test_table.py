"""Where the set-up puts a thing on a side, the drawn table shows it on that side. Common practice, no source."""

from unittest import TestCase

from core.child import Child
from core.library import ACTIVITIES
from core.offers import variants_of
from core.paper.table_layout import lay_out, sides_said
from testing.core_builders import full_house

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

    def test_every_side_that_is_said_is_read(self) -> None:
        for activity, roles in SAID.items():
            said = {r: {"start": "helper", "goal": "skill"}[z] for r, z in sides_said(activity).items()}
            self.assertEqual(said, {**said, **roles}, activity)

    def test_what_lies_under_everything_is_in_the_middle_and_pieces_start_on_the_helper_side(self) -> None:
        cupboard = full_house(Child(72, hand="right"))
        for activity, role, low, high in (
            ("rice_dive", "under_all", 0.3, 0.7),
            ("scoop_dock", "under_all", 0.3, 0.7),
            ("fog_window", "tray", 0.3, 0.7),
            ("sponge_rafts", "raft", 0.0, 0.4),
        ):
            offer = next(
                o
                for v in variants_of(ACTIVITIES[activity])
                if (o := cupboard.offer(v)) and role in {q.role for q in o.quantities}
            )
            for q, s in zip(offer.quantities, lay_out(activity, offer.quantities, "right"), strict=False):
                if q.role == role:
                    self.assertTrue(low <= s.across <= high, (activity, role, s.across))

    def test_paper_lies_near_a_hands_width_from_the_edge(self) -> None:
        cupboard = full_house(Child(72, hand="right"))
        for activity in ("cut_the_lane", "stub_drawing", "half_line_name"):
            offer = next(o for v in variants_of(ACTIVITIES[activity]) if (o := cupboard.offer(v)))
            stands = lay_out(activity, offer.quantities, "right")
            paper = next(s for q, s in zip(offer.quantities, stands, strict=True) if q.role == "sheet")
            tool = next(s for q, s in zip(offer.quantities, stands, strict=True) if q.role in ("pen", "scissors"))
            self.assertLess(paper.away, 0.5)
            self.assertGreater(tool.across, paper.across)
