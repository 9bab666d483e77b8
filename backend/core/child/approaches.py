"""Where the trade's schools differ: what each child's record says, and what it changes in the words on screen and
sheet.

Common practice, no source: the schools exist side by side; the defaults are the clinic's to change.
"""

from types import MappingProxyType

from core.child.profile import Child
from core.recording import MARKS

GRIP_COACHED_UNDER_MONTHS = 84  # 7 years: coach towards a tripod before, function first after; common practice
GRIP_MARKS = frozenset({"whole_hand", "many_fingers", "hold_high", "tool_upright", "thumb_stiff"})
NEVER_LATER = frozenset({"mouths", "tires", "frustrated", "leans", "feet_hang", "tears"})
FUNCTION_FIRST = "Any grip that works without pain or tiring will do: note the grip, change nothing."

QUESTIONS = MappingProxyType(
    {
        "prompt_policy": "Help",
        "grip_policy": "Grip of pencil, brush and cutlery",
        "lace_method": "Way of tying laces",
        "correct_policy": "When something goes wrong in a set",
        "speed_policy": "Speed",
        "sameness_policy": "From week to week",
        "chaining_policy": "Teaching a daily task",
    }
)
"""What each choice is about, in words."""

CHOICES = MappingProxyType(
    {
        "prompt_policy": MappingProxyType(
            {"least_first": "Least help first, then add", "most_first": "Most help first, then fade"}
        ),
        "grip_policy": MappingProxyType(
            {
                "by_age": "Coach under 7 years, function first above",
                "coach": "Coach towards a tripod",
                "function": "Function first",
            }
        ),
        "lace_method": MappingProxyType(
            {"undecided": "Not chosen yet", "two_loops": "Two loops", "one_loop": "One loop, wrapped"}
        ),
        "correct_policy": MappingProxyType(
            {"stop_and_fix": "Stop and fix it", "let_run": "Let it run, fix the set-up for the next set"}
        ),
        "speed_policy": MappingProxyType({"off": "No speed games", "own_record": "Against their own record"}),
        "sameness_policy": MappingProxyType(
            {
                "new_guises": "New activities, same rung",
                "keep_same": "Keep what is known",
                "own_order": "Keep what is known, in the same order",
            }
        ),
        "chaining_policy": MappingProxyType(
            {
                "backward": "Last step first: the child finishes",
                "forward": "First step first",
                "whole": "The whole task at once",
            }
        ),
    }
)
"""Each policy with its choices and their words; the first is the default."""

DEFAULTS = MappingProxyType({policy: next(iter(known)) for policy, known in CHOICES.items()})


def coaches_grip(child: Child) -> bool:
    """Whether a tool's grip is coached towards a tripod, or any grip that works is taken."""
    if child.grip_policy == "by_age":
        return child.age_months < GRIP_COACHED_UNDER_MONTHS
    return child.grip_policy == "coach"


def cue_for(mark: str, child: Child, on_tool: bool) -> str:
    """Return what to do when a mark is seen, by this child's policies.

    on_tool -- whether the activity is done with a pencil, brush or cutlery, where the grip policy counts
    """
    cue = MARKS[mark].cue
    if on_tool and mark in GRIP_MARKS and not coaches_grip(child):
        return FUNCTION_FIRST
    if child.correct_policy == "let_run" and mark not in NEVER_LATER:
        return f"Let it run. For the next set: {cue}"
    return cue
