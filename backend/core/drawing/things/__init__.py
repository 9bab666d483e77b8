"""Household things from their measured form, at true proportion: from above as they lie, and from the side as they
stand.

Everything is drawn about the origin, in mm. A thing is drawn as the form it serves as (a tub is a pot, or an edge to
clip on); what no form has a drawing for is its plain shape.
"""

from collections.abc import Callable
from types import MappingProxyType

from core.drawing.canvas import Canvas, Tint
from core.drawing.things.plain import plain_above, plain_side
from core.drawing.things.pots import (
    big_sorter_above,
    filler_above,
    lid_above,
    post_above,
    pot_above,
    pot_side,
    screw_pot,
    slot_above,
    slot_side,
    sorter_above,
    sorter_side,
    tray_above,
    tray_side,
    water_above,
    water_side,
)
from core.drawing.things.sizes import grip_mm, pot_size, size_mm
from core.drawing.things.soft import (
    SOCK,
    bag_above,
    books_above,
    bread,
    cloth_above,
    cord_above,
    dough_above,
    leaf,
    mat_above,
    sheet_above,
    shoe,
    shoe_above,
    sock_above,
    strip_above,
)
from core.drawing.things.tools import (
    blade_above,
    bottle,
    bottle_above,
    fork,
    fork_above,
    hammer,
    hammer_above,
    knife,
    knife_above,
    mouth_above,
    mouth_ball,
    peg,
    pen,
    pen_above,
    punch,
    roll,
    ruler,
    scissors,
    spoon,
    spoon_above,
    tongs,
    tongs_above,
)
from core.materials import Thing

__all__ = [
    "SOCK",
    "above",
    "bottle",
    "bread",
    "fork",
    "grip_mm",
    "hammer",
    "knife",
    "mouth_ball",
    "peg",
    "pen",
    "pot_size",
    "roll",
    "scissors",
    "screw_pot",
    "shoe",
    "side",
    "size_mm",
    "spoon",
    "tongs",
]

Painter = Callable[[Canvas, Thing, Tint], None]


def above(canvas: Canvas, thing: Thing, form: str, tint: Tint = "thing") -> None:
    """Draw a thing as it lies on a table, seen from above."""
    _ABOVE.get(form, plain_above)(canvas, thing, tint)


def side(canvas: Canvas, thing: Thing, form: str, tint: Tint = "thing") -> None:
    """Draw a thing from the side: standing on a table, its foot at y = 0; held, its middle at 0."""
    _SIDE.get(form, plain_side)(canvas, thing, tint)


def edge_above(canvas: Canvas, thing: Thing, tint: Tint) -> None:
    """What is clipped on: a pot, a cloth, a line or a card."""
    if "container" in thing.forms:
        pot_above(canvas, thing, tint)
    elif "cloth" in thing.forms:
        cloth_above(canvas, thing, tint)
    elif thing.cord_mm:
        cord_above(canvas, thing, tint)
    else:
        plain_above(canvas, thing, tint)


_ABOVE: MappingProxyType[str, Painter] = MappingProxyType(
    {
        "container": pot_above,
        "plate": pot_above,
        "cup": pot_above,
        "slot_lid": slot_above,
        "sorter": sorter_above,
        "big_sorter": big_sorter_above,
        "flap_box": sorter_above,
        "water": water_above,
        "filler": filler_above,
        "pour": filler_above,
        "tray": tray_above,
        "mat": mat_above,
        "grip": mat_above,
        "cord": cord_above,
        "rope": cord_above,
        "tie_piece": cord_above,
        "sheet": sheet_above,
        "lined": sheet_above,
        "cloth": cloth_above,
        "wipe": cloth_above,
        "clip": peg,
        "blade": blade_above,
        "tongs": tongs_above,
        "gripper": tongs_above,
        "pen": pen_above,
        "highlighter": pen_above,
        "cap_pen": pen_above,
        "spoon": spoon_above,
        "fork": fork_above,
        "knife": knife_above,
        "hammer": hammer_above,
        "squirter": bottle_above,
        "trigger": bottle_above,
        "roll": roll,
        "mouth": mouth_above,
        "dough": dough_above,
        "lid_pot": lid_above,
        "shoe": shoe_above,
        "laced": shoe_above,
        "lace_board": shoe_above,
        "button_strip": strip_above,
        "garment": strip_above,
        "sock": sock_above,
        "sock_on": sock_above,
        "book": books_above,
        "bag": bag_above,
        "ball": bag_above,
        "punch": punch,
        "bread": lambda canvas, thing, tint: bread(canvas),
        "leaf": leaf,
        "ruler": ruler,
        "edge": edge_above,
        "post": post_above,
    }
)


_SIDE: MappingProxyType[str, Painter] = MappingProxyType(
    {
        "container": pot_side,
        "plate": pot_side,
        "cup": pot_side,
        "slot_lid": slot_side,
        "sorter": sorter_side,
        "big_sorter": tray_side,
        "water": water_side,
        "clip": peg,
        "roll": roll,
        "mouth": mouth_above,
        "dough": dough_above,
        "leaf": leaf,
    }
)
