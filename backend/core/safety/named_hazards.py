"""Hazards that nobody plans with on purpose, spoken of in what a clinic writes: barred whatever they are part of.

Each is a tag of what is done, and may as well be what a thing is. Common practice, no source.
"""

from collections.abc import Iterator

from core.child import Child, Setting
from core.materials import Thing
from core.safety.verdicts import COMMON, Finding, rule

_NAMED = {
    "heat": (
        "something hot: a glue gun, an iron, an oven, a flame",
        "Something hot is used or stands within reach.",
        "An adult does that part beforehand, away from the child, and lets it cool.",
    ),
    "height": (
        "climbing, or standing on something",
        "The child climbs or stands on something and could fall.",
        "Feet on the floor; hang or lay the thing where the child reaches it.",
    ),
    "round_neck": (
        "round the neck, over the head, or worn to bed",
        "Something goes round the neck, over the head or to bed.",
        "On the wrist, on the table or on a toy, and off before the session ends.",
    ),
    "deep_water": (
        "in or beside a bath, a pool or a pond",
        "In or beside deep water.",
        "A bowl on the table, a hand deep at most, with an adult there.",
    ),
    "running": (
        "running or racing with something in the hand",
        "Running with something in the hand: a fall drives it into mouth or eye.",
        "Carry it walking, or across the table.",
    ),
    "traffic": ("at a road or among vehicles", "At a road or among vehicles.", "Indoors, or behind a closed gate."),
    "chemical": (
        "cleaning stuff, medicine, poison or strong glue",
        "Cleaning stuff, medicine, poison or strong glue: it burns or poisons.",
        "Locked away. Use water, or an empty bottle that never held it.",
    ),
    "power_tool": (
        "mains electricity or a power tool",
        "Mains electricity or a power tool.",
        "Use a tool that a hand turns, or leave it out.",
    ),
    "shut_in": (
        "getting into something that can close",
        "A child can get into it and be shut in.",
        "Take the lid or the door off, or use an open box.",
    ),
    "in_body": (
        "into the mouth, the nose or an ear",
        "Something goes into the mouth, the nose or an ear.",
        "Hands and table only; whoever looks after feeding says what is eaten, and how.",
    ),
    "thrown": (
        "throwing or swinging something hard",
        "Something hard is thrown or swung.",
        "Throw soft things only, into a tub, nobody in the way.",
    ),
}


def _bar(id: str, about: str, reason: str, remedy: str, fixed: str = "") -> None:
    @rule(id, "step", COMMON, about, fixed=fixed)
    def _found(c: Child) -> Iterator[Finding]:
        yield Finding("barred", reason, remedy)

    @rule(f"{id}_thing", "thing", COMMON, f"{about} (said of a thing)", fixed=fixed, in_reach=True)
    def _found_in(m: Thing, c: Child, s: Setting) -> Iterator[Finding]:
        if id in m.hazards:
            yield Finding("barred", reason, remedy)


for _id, _said in _NAMED.items():
    _bar(_id, *_said)
UNANSWERED = "unanswered"  # what stands instead of the answer to a question that nobody has answered yet
_bar(
    UNANSWERED,
    "its own words speak of a hazard, and nobody has said yes or no",
    "Its own words speak of a hazard, and nobody has said yes or no.",
    "Open it in Our library and answer what is asked there.",
    fixed="Answer the question in Our library first.",
)
