"""Frames side by side as one SVG: one look, words that stand for it, nothing outside a frame."""

from collections.abc import Sequence
from html import escape

from core.drawing.canvas import INK, LINE, Canvas

GAP = 8
FRAME = "#fffdf8"


def svg(frames: Sequence[Canvas], said: str, wide: float, high: float) -> str:
    """Return frames of one size in a row, with what a reader who can't see them is told."""
    whole = len(frames) * (wide + GAP) - GAP
    box = f'viewBox="0 0 {whole:g} {high:g}" width="{whole:g}" height="{high:g}"'
    look = f'fill="none" stroke="{INK}" stroke-width="{LINE}" stroke-linecap="round" stroke-linejoin="round"'
    parts = (
        f'<svg x="{i * (wide + GAP):g}" y="0" width="{wide:g}" height="{high:g}" viewBox="0 0 {wide:g} {high:g}">'
        f'<rect class="pk-frame" width="{wide:g}" height="{high:g}" rx="8" fill="{FRAME}" stroke="none"/>'
        f"{canvas.markup()}</svg>"
        for i, canvas in enumerate(frames)
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" class="picture" role="img" aria-label="{escape(said)}" {box} {look}>'
        f"{''.join(parts)}</svg>"
    )
