"""Pictures of what is done, made from the declaration, the grade, the home's things and the child's hands."""

from core.drawing.acts import ACTS, InputKind
from core.drawing.hands import hand_mm
from core.drawing.language import picture_issues
from core.drawing.making import draw_recipe, draw_thing
from core.drawing.marks import draw_mark
from core.drawing.picture import Laid, canvases, draw
from core.drawing.table_layout import Stands, lay_out

__all__ = [
    "ACTS",
    "InputKind",
    "Laid",
    "Stands",
    "canvases",
    "draw",
    "draw_mark",
    "draw_recipe",
    "draw_thing",
    "hand_mm",
    "lay_out",
    "picture_issues",
]
