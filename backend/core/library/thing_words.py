"""What may be said of a thing, in words: how big, and whether it is so. The order is the order it is asked in."""

from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal

PropertyKind = Literal["number", "yes", "word"]


@dataclass(frozen=True)
class PropertyWords:
    """One property: its words, its unit where it is a number, its values where it is one of several.

    is_hazard -- whether a hazard rule reads it, so that it is asked of every thing
    """

    words: str
    kind: PropertyKind = "yes"
    unit: str = ""
    options: tuple[str, ...] = ()
    is_hazard: bool = False


def _mm(words: str) -> PropertyWords:
    return PropertyWords(words, "number", "mm")


def _asked(words: str) -> PropertyWords:
    return PropertyWords(words, is_hazard=True)


PROPERTY_WORDS = MappingProxyType(
    {
        "size_mm": _mm("Middle side, what the fingers close on"),
        "longest_mm": _mm("Longest side"),
        "thin_mm": _mm("Thinnest side"),
        "hole_mm": _mm("Hole, across"),
        "opening_mm": _mm("Opening, across"),
        "cups": PropertyWords("How many cups", "number", ""),
        "slit_mm": _mm("Slit, how long"),
        "edge_mm": _mm("Edge, how thick"),
        "cord_mm": _mm("Cord, how long"),
        "cord_width_mm": _mm("Cord, how thick"),
        "loop_mm": _mm("Closed loop, all the way round"),
        "grain_mm": _mm("One grain, its longest side"),
        "depth_mm": _mm("Water, how deep it stands"),
        "force_newton": PropertyWords("Force it takes to work it", "number", "N"),
        "sheet_gsm": PropertyWords("Weight of the paper", "number", "g/m²"),
        "stiffness": PropertyWords("How stiff", "word", options=("rigid", "stiff", "floppy")),
        "tip": PropertyWords("Its tip", "word", options=("rigid", "taped", "plain")),
        "friction": PropertyWords("How it grips", "word", options=("glass", "wood", "medium", "cloth", "tissue")),
        "handed": PropertyWords("For one hand", "word", options=("right", "left")),
        "sharp": _asked("Can it cut or prick?"),
        "pointed": _asked("Has it a point that pokes?"),
        "glass": _asked("Can it break into splinters?"),
        "friable": _asked("Does it crumble when bitten?"),
        "film": _asked("Is it thin plastic film?"),
        "balloon": _asked("Is it a balloon, or a piece of one?"),
        "strong_magnet": _asked("Is there a strong magnet in it?"),
        "button_cell": _asked("Is there a button battery in it?"),
        "swells_in_water": _asked("Does it swell in water?"),
        "latex": _asked("Is there rubber in it?"),
        "latex_perhaps": _asked("Is it often rubber, so that the label has to be read?"),
        "harsh": _asked("Does it sting or dry the skin: salt, sand, glue?"),
        "wet": _asked("Is it wet?"),
        "food": _asked("Is it eaten?"),
        "made_of_food": _asked("Is it food used as a material?"),
        "raw": _asked("Is it raw, and not to be tasted?"),
        "round_hard_food": _asked("Is it round or hard food, such as a grape or a nut?"),
        "dissolves": _asked("Is it food that goes soft in the mouth at once?"),
        "shared_risk": _asked("Does it pass germs from hand to hand, as grain and dough do?"),
        "soft": PropertyWords("Is it soft?"),
        "firm": PropertyWords("Does it keep its shape?"),
        "floats": PropertyWords("Does it sink slowly through the air?"),
        "rolls": PropertyWords("Does it roll?"),
        "single_use": PropertyWords("Is it used up in one go?"),
        "lidded": PropertyWords("Has it a lid?"),
        "heavy_base": PropertyWords("Does it stand firmly?"),
    }
)
