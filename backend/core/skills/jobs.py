"""What the hands do in a strand, and what with: what decides whether work on it helps a wanted task.

A child who holds a pot still has not learned to turn paper. In the strands named here, work helps a step of a task only
where both name the same job; in every other strand all work of the strand helps. From memory, no source.
"""

from collections.abc import Mapping
from types import MappingProxyType

_SINGLE = {
    "tool_grasp": {
        "pen": "holds a pencil",
        "cutlery": "holds a spoon or fork",
        "knife": "holds a knife",
        "brush": "holds a brush",
        "hammer": "holds a hammer",
    },
    "finger_isolation": {
        "points": "one finger points",
        "presses": "one fingertip presses",
        "tracks": "a finger keeps the place",
        "pokes": "one finger pushes something through",
        "along": "a finger lies along the handle",
        "loops": "thumb and fingers work in the loops",
        "trigger": "a finger pulls the trigger",
        "slides": "a fingertip slides one up",
        "feels": "the fingertips feel for it",
        "winds": "the fingers open a band",
        "each": "each finger moves by itself",
        "thumb": "the thumb moves alone",
    },
    "hold": {
        "tongs": "keeps the tongs shut",
        "level": "carries it level",
        "grips": "keeps hold of it",
        "blades": "opens and closes the blades",
    },
    "push": {"leans": "the arms carry weight", "presses_down": "presses down with the body's weight"},
    "shift": {
        "along_stick": "the fingers move along a stick or pencil",
        "thumb_slides": "the thumb slides one off",
        "along_string": "slides it along a string",
    },
    "simple_rotation": {
        "lid": "turns a lid, nut or tap",
        "stick": "turns a stick in the fingers",
        "piece": "turns a small thing to fit",
        "key": "turns a key",
        "ball": "rolls a ball",
        "twirls": "twirls a top",
        "handle": "winds a handle",
    },
    "together": {
        "apart": "both hands pull apart",
        "press": "both hands press together",
        "pull_on": "both hands pull it up or on",
        "tear": "one hand to you, one away",
        "fold": "both hands bring the edges together",
        "spread": "both hands lay it down",
        "meet": "both hands bring two ends together",
        "tight": "both hands pull a knot tight",
        "rub": "palm rubs on palm",
        "roll": "both hands roll it",
        "twist": "the hands twist against each other",
        "catch": "both hands stop or catch it",
        "bang": "the hands meet",
        "grip": "each hand grips its side",
        "squeeze": "the hand squeezes, then the other",
    },
    "take_turns": {
        "through": "one hand pushes it through, the other takes it",
        "pass": "one hand gives it to the other",
        "ends": "each hand leads its end",
        "rope": "hand over hand",
        "strips": "pulls piece after piece",
        "wash": "one hand sees to the other",
        "winds": "one hand winds",
        "band": "the hands take turns with a band",
        "sides": "each hand on its own side",
        "crawl": "arms take turns on the floor",
    },
    "midline": {
        "carry": "carries it across to the other side",
        "reach": "reaches across in the air or on the wall",
        "sweep": "one hand works right across",
        "body": "brings it to the body or the face",
        "level": "carries a full spoon across",
        "middle": "the hands meet in the middle",
        "catch": "the hands wait in the middle",
        "throw": "throws across",
        "table": "moves across on the table",
        "legs": "arms and legs cross",
        "cross": "one lace goes over the other",
        "turn": "turns it over to the other side",
    },
}
_HELPER = {
    "holds": "holds still",
    "feeds": "feeds along",
    "turns": "turns",
    "lines_up": "lines up two edges of",
    "holds_against": "holds against a pull:",
}
_HELD = ("paper", "cloth", "pot", "cord", "board", "piece", "food", "strap", "ruler", "stick", "hair", "base", "door")

JOBS: Mapping[str, Mapping[str, str]] = MappingProxyType(
    {strand: MappingProxyType(jobs) for strand, jobs in _SINGLE.items()}
    | {
        "hold_and_act": MappingProxyType(
            {f"{job} {held}": f"the helper hand {words} {held}" for job, words in _HELPER.items() for held in _HELD}
        )
    }
)
"""Strand to the jobs of the hands in it, each with what the hands do."""


def same_job(strand: str, job: str, asked: str) -> bool:
    """Return whether work of a job in a strand helps what asks for a job in it: the same one, or any where none is
    named, as in the tasks a clinic writes itself.
    """
    return strand not in JOBS or not asked or job == asked
