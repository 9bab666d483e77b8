"""Marks to watch for as small pictures: what is seen, with a cross where it should not be so."""

from collections.abc import Callable
from functools import cache
from types import MappingProxyType

from core.drawing.canvas import Canvas
from core.drawing.scene import Scene, hold, over
from core.drawing.svg import svg
from core.drawing.things import scissors
from core.recording import MARKS

WIDE, HIGH = 110.0, 84.0
HAND = 125.0
UNIT = 0.52
_NOBODY = Scene(frozenset(), {}, {}, {}, {}, HAND)
Painter = Callable[[Canvas], None]


@cache
def draw_mark(mark_id: str) -> str:
    """Return a mark as a small picture with its words; nothing where it can't be seen in hands or posture."""
    painter = _PAINTERS.get(mark_id)
    if painter is None:
        return ""
    canvas = Canvas(WIDE, HIGH)
    with canvas.at(WIDE / 2, HIGH - 6, UNIT):
        painter(canvas)
    return svg([canvas], MARKS[mark_id].words, WIDE, HIGH)


def _whole_hand(c: Canvas) -> None:
    hold(c, _NOBODY, "fist", -20, -40, turn=30, held=lambda: c.round(-18, -30, 24, "thing"))


def _many_fingers(c: Canvas) -> None:
    over(c, _NOBODY, "cup", 0, -70, at="palm")
    c.round(-20, -116, 14, "thing")


def _not_tucked(c: Canvas) -> None:
    hold(c, _NOBODY, "three_point", -26, -40, turn=24, gap=12, held=lambda: c.round(-26, -40, 12, "thing"))


def _wrist_bent(c: Canvas) -> None:
    c.limb([([(160, -96), (52, -96)], 26), ([(52, -96), (16, -40)], 30), ([(16, -40), (-14, -20)], 15)], "skin", arms=1)
    c.turn(56, -92, 40, 200, 100)


def _pen(c: Canvas, high: float, lean: float) -> None:
    with c.at(-30, -6, 1, -lean):
        c.shape([(0, 0), (14, -5), (130, -5), (130, 5), (14, 5)], "thing")
    with c.at(-30, -6, 1, -lean), c.at(high, 0, 1, lean):
        hold(c, _NOBODY, "tool", 0, 0, turn=30, gap=8)


def _scissors(c: Canvas, turn: float, opened: float) -> None:
    with c.at(-10, -70, 0.9, turn):
        scissors(c, opened)


def _arm_floats(c: Canvas) -> None:
    c.line([(-100, 0), (100, 0)], 2.4)
    hold(c, _NOBODY, "pinch", -40, -74, turn=4, gap=8)
    c.arrow([(60, -40), (60, -10)], both=True)


def _helper_idle(c: Canvas) -> None:
    c.box(-6, -96, 90, 60, "paper")
    over(c, _NOBODY, "pinch", 10, -80, turn=26, at="tips")
    over(c, _NOBODY, "flat", -70, 6, "helper", turn=-10)


def _two_hands(c: Canvas) -> None:
    c.round(0, -74, 26, "thing")
    over(c, _NOBODY, "pinch", -12, -66, "helper", turn=26, at="tips")
    over(c, _NOBODY, "pinch", 12, -66, turn=26, at="tips")


def _swaps(c: Canvas) -> None:
    over(c, _NOBODY, "grip", -44, -60, "helper", turn=8)
    over(c, _NOBODY, "grip", 44, -60, turn=8)
    c.arrow([(38, -128), (0, -142), (-38, -128)])


def _past_stop(c: Canvas) -> None:
    c.box(0, -80, 100, 110, "paper")
    c.box(0, -90, 60, 10, "thing")
    c.line([(0, -25), (0, -124)], 2.4)
    c.arrow([(20, -70), (20, -116)])


def _tears(c: Canvas) -> None:
    c.shape(
        [(-60, -20), (-60, -120), (-8, -120), (4, -96), (-6, -76), (8, -50), (12, -120), (60, -120), (60, -20)], "paper"
    )


def _thumb_stiff(c: Canvas) -> None:
    hold(c, _NOBODY, "key", -24, -50, turn=20)
    c.box(-24, -48, 34, 5, "thing")


def _leans(c: Canvas) -> None:
    c.line([(-100, -2), (100, -2)], 2.4)
    c.limb([([(30, -6), (-14, -70)], 44)], "goal")
    c.limb([([(-14, -70), (-30, -100)], 14)], "skin")
    c.round(-38, -112, 46, "skin")


_PAINTERS: MappingProxyType[str, Painter] = MappingProxyType(
    {
        "whole_hand": _whole_hand,
        "many_fingers": _many_fingers,
        "not_tucked": _not_tucked,
        "thumb_stiff": _thumb_stiff,
        "wrist_bent": _wrist_bent,
        "hold_high": lambda c: _pen(c, 74, 62),
        "tool_upright": lambda c: _pen(c, 34, 88),
        "arm_floats": _arm_floats,
        "helper_idle": _helper_idle,
        "two_hands": _two_hands,
        "swaps_hands": _swaps,
        "blades_sideways": lambda c: _scissors(c, 10, 12),
        "closes_fully": lambda c: _scissors(c, 60, 0),
        "past_stop": _past_stop,
        "tears": _tears,
        "leans": _leans,
    }
)
