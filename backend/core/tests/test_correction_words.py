"""What was found of the library, in words and units; also of what the library no longer has."""

from unittest import TestCase

from core.library import ACTIVITIES
from core.planner import Pace
from core.refit import Correction, Kind, said
from core.skills import STRANDS


def finding(kind: Kind, key: str, shift: float, sd: float = 0.2) -> Correction:
    return Correction(kind, key, shift, sd, 4, 320)


class SayingTest(TestCase):
    def test_a_base_is_named_by_activity_and_strand_with_both_rungs(self) -> None:
        shown = said(finding("base", "load_the_barge/hold_and_act", 0.4))
        library = ACTIVITIES["load_the_barge"].trains["hold_and_act"]
        self.assertEqual((shown.unit, shown.library, shown.activity_id), ("rung", library, "load_the_barge"))
        self.assertAlmostEqual(shown.found, library + 0.4)
        self.assertIn(STRANDS["hold_and_act"].name.lower(), shown.words)

    def test_every_step_that_moves_a_strand_can_be_said(self) -> None:
        for activity in ACTIVITIES.values():
            for axis in activity.axes:
                for at, step in enumerate(axis.steps):
                    for strand, rungs in step.rungs.items():
                        shown = said(finding("step", f"{activity.id}/{axis.id}/{at}/{strand}", 0.1))
                        self.assertAlmostEqual(shown.library, rungs)
                        self.assertTrue(shown.words.startswith(activity.name))

    def test_help_and_seconds_have_units_of_their_own(self) -> None:
        touch, slow = said(finding("help", "touch", 0.2)), said(finding("seconds", "load_the_barge", 1.3))
        self.assertEqual((touch.library, touch.unit, touch.activity_id), (1.0, "rungs easier", ""))
        self.assertAlmostEqual(touch.found, 1.2)
        self.assertEqual((slow.library, slow.found, slow.unit), (1.0, 1.3, "times the library's"))

    def test_what_the_library_no_longer_has_is_named_by_its_id(self) -> None:
        for kind, key in (("base", "gone/pinch"), ("step", "gone/size/1/pinch"), ("seconds", "gone")):
            self.assertIn("gone", said(finding(kind, key, 0.1)).words)  # type: ignore[arg-type]
        self.assertIn("load_the_barge", said(finding("step", "load_the_barge/no_axis/1/pinch", 0.1)).activity_id)

    def test_how_clear_it_is_goes_by_the_doubt_of_seconds_in_the_logarithm(self) -> None:
        self.assertAlmostEqual(finding("base", "a/b", -0.4).spreads_off, 2.0)
        twice, half = finding("seconds", "a", 2.0), finding("seconds", "a", 0.5)
        self.assertAlmostEqual(twice.spreads_off, half.spreads_off)

    def test_a_clock_left_running_teaches_nothing_wild(self) -> None:
        self.assertEqual(Pace(500.0, 8).log_ratio, Pace(3.0, 8).log_ratio)
        self.assertEqual(Pace(0.001, 8).log_ratio, Pace(0.4, 8).log_ratio)
