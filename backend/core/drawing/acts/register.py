"""Where acts are kept by name."""

from collections.abc import Callable

from core.drawing.canvas import Canvas
from core.drawing.scene import Scene

Act = Callable[[Canvas, Scene], str]
ACTS: dict[str, Act] = {}


def act(draw: Act) -> Act:
    """Keep an act under its own name."""
    ACTS[draw.__name__.rstrip("_")] = draw
    return draw
