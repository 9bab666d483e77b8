"""What a child learns on the side while the hands work: chosen per child, printed and shown, never scored."""

from collections.abc import Iterable
from dataclasses import dataclass
from types import MappingProxyType


@dataclass(frozen=True)
class Overlay:
    """One thing to learn on the side. words: what to say or do with every try of a block."""

    name: str
    words: str


OVERLAYS = MappingProxyType(
    {
        "count": Overlay("counting", "Count each one aloud together."),
        "colours": Overlay("colours", "Name the colour of each one before it goes."),
        "letters": Overlay("letters of the name", "Say one letter of the name with each one."),
        "sides": Overlay("left and right", "Say left or right before each one."),
        "order": Overlay("first and last", "Ask which one is first, which is next, which is last."),
        "places": Overlay("over, under and beside", "Say where each one goes: over, under, in or beside."),
        "opposites": Overlay("opposites", "Find two that are opposites: big and small, rough and smooth."),
    }
)


def overlay_for(chosen: Iterable[str], place: int) -> str:
    """Return the words for a block by its place in the session: the chosen overlays take turns; empty without any."""
    known = sorted(set(chosen) & OVERLAYS.keys())
    return OVERLAYS[known[place % len(known)]].words if known else ""
