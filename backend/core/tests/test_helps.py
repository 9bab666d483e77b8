"""What helps what: every activity whose hands do a wanted task's job, against a table written down beforehand."""

import re
from dataclasses import replace
from unittest import TestCase

from core.ability import suggested_aims
from core.child import Child
from core.library import ACTIVITIES
from core.planner import plan_session
from core.skills import JOBS, STRANDS, WANTED_TASKS
from testing.core_builders import everything, request_for
from testing.tags import slow

HELPS = {
    ("hold_and_act", "buttons"): "button_snake porthole_buttons tight_slits waistband_round wash_day",
    ("hold_and_act", "zip"): "case_open coat_race pocket_post",
    ("hold_and_act", "buckles"): "bag_clips buckle_up strap_down",
    ("hold_and_act", "laces"): "clip_chain load_the_barge signal_string string_tools",
    ("hold_and_act", "scissors"): "long_lanes opening_card paper_crew river_bends spiral_spring turn_the_sheet",
    ("hold_and_act", "cutlery"): "banana_boats peel_and_share picnic_plate",
    ("hold_and_act", "name"): "fill_the_hull paper_weave paste_up",
    ("hold_and_act", "tools"): "harbour_bolts ruler_line sharpen_up soap_works",
    ("hold_and_act", "bricks"): "lock_tower",
    ("together", "studs"): "band_stretch brick_pull snap_harbour",
    ("together", "laces"): "parcel_ribbon rope_knots",
    ("together", "socks"): "coat_flip sock_on trousers_up tshirt_on",
    ("together", "lunchbox"): "fold_and_wipe packet_day storm_clouds",
    ("together", "ball"): "roll_to_me",
    ("take_turns", "buttons"): "cardigan_bridge mesh_stitch",
    ("take_turns", "laces"): "bow_steps loop_school two_colour_lace",
    ("midline", "spoon"): "snack_spoon steady_hold",
    ("midline", "ball"): "roll_to_me target_toss",
    ("tool_grasp", "name"): "colouring_mile dab_the_tide fill_the_hull lying_painter rain_marks stub_drawing"
    " trace_the_route",
    ("tool_grasp", "spoon"): "soup_kitchen stir_and_serve stir_the_hold",
    ("finger_isolation", "scissors"): "",
    ("finger_isolation", "buttons"): "rice_dive touch_dominoes treasure_dig",
    ("simple_rotation", "lunchbox"): "big_dial cap_swap harbour_bolts lid_lineup soap_works",
    ("push", "tools"): "hole_by_hole",
}
"""By strand and wanted task, the activities that help it. From memory, no source: written by hand, not worked out."""

BECAUSE = re.compile(r"^(?P<strand>.+), because “(?P<task>.+)” needs more of it to (?P<step>.+)$")


def helping(strand: str, task: str) -> set[str]:
    """The activities whose job in a strand is one of the task's."""
    return {
        a.id
        for a in ACTIVITIES.values()
        if strand in a.trains and WANTED_TASKS[task].helped_by(strand, a.jobs.get(strand, ""))
    }


class HelpsTest(TestCase):
    def test_what_helps_a_task_is_what_was_written_down(self) -> None:
        for (strand, task), activities in HELPS.items():
            with self.subTest(strand=strand, task=task):
                self.assertEqual(helping(strand, task), set(activities.split()))

    def test_every_step_that_demands_such_a_strand_says_what_the_hands_do(self) -> None:
        for task in WANTED_TASKS.values():
            for step in task.steps:
                for strand in step.demands:
                    if strand in JOBS:
                        self.assertIn(step.jobs.get(strand), JOBS[strand], (task.id, step.words, strand))

    @slow
    def test_no_plan_claims_what_does_not_help(self) -> None:
        names = {t.name: t for t in WANTED_TASKS.values()}
        strands = {s.name: s.id for s in STRANDS.values()}
        said = 0
        for months, wanted in (
            (40, ("zip", "spoon")),
            (52, ("buttons", "scissors")),
            (64, ("scissors", "name")),
            (76, ("laces", "cutlery")),
            (90, ("cutlery", "studs")),
            (104, ("page", "laces")),
            (128, ("copying", "tools")),
        ):
            request = request_for(Child(months, wanted=wanted), everything(), 35)
            behind = {s: replace(e, mean=max(0.5, e.mean - 1)) for s, e in request.estimates.items()}
            aims = tuple(a.target for a in suggested_aims(wanted, behind))
            plan = plan_session(replace(request, estimates=behind, targets=aims))
            for block in plan.blocks:
                claim = BECAUSE.match(block.serves)
                if not claim:
                    continue
                said += 1
                strand, task = strands[claim["strand"]], names[claim["task"]]
                job = ACTIVITIES[block.variant.activity_id].jobs.get(strand, "")
                step = next(s for s in task.steps if s.words == claim["step"])
                self.assertIn(strand, step.demands)
                if strand in JOBS:
                    self.assertEqual(job, step.jobs[strand], (block.name, block.serves))
                self.assertNotEqual(block.part, "opener")
        self.assertGreaterEqual(said, 3)
