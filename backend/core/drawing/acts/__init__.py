"""The acts of the drawing language, by name: each draws one frame and returns what is seen, in words."""

from core.drawing.acts.register import ACTS, Act

from core.drawing.acts import body, dressing, fingers, kitchen, paper, reach, strength  # noqa: F401, I001  # they register

__all__ = ["ACTS", "Act"]
