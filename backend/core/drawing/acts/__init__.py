"""The acts of the drawing language, by name: each draws one frame and returns what is seen, in words."""

from core.drawing.acts import body, dressing, fingers, kitchen, paper, reach, strength
from core.drawing.acts.register import ACTS, Act

__all__ = ["ACTS", "Act", "body", "dressing", "fingers", "kitchen", "paper", "reach", "strength"]
