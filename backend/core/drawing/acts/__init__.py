"""The acts of the drawing language, by name: each draws one frame and returns what is seen, in words."""

from core.drawing.acts import (
    ball,
    body,
    clothes,
    cutting,
    dough,
    fastening,
    fingers,
    kitchen,
    marking,
    paper,
    pulling,
    reach,
    selfcare,
    strength,
    threading,
    turning,
)
from core.drawing.acts.register import ACTS, Act, InputKind

__all__ = [
    "ACTS",
    "Act",
    "InputKind",
    "ball",
    "body",
    "clothes",
    "cutting",
    "dough",
    "fastening",
    "fingers",
    "kitchen",
    "marking",
    "paper",
    "pulling",
    "reach",
    "selfcare",
    "strength",
    "threading",
    "turning",
]
