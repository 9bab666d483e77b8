"""What a picture is drawn on: lengths in mm at a scale, a stack of places, one look, and the box of all that was drawn.

The look (line weights, tints) is that of docs/look.md. Everything has a class, so that a page may tint it for the dark;
the attributes beside it print. Classes: pk-ink lines, pk-skin and pk-grown hands, pk-thing and pk-goal things, pk-paper
paper, pk-go arrows, pk-say words.
"""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from html import escape
from itertools import pairwise
from math import atan2, cos, hypot, radians, sin
from typing import Literal

Point = tuple[float, float]
Tint = Literal["none", "ink", "skin", "grown", "thing", "goal", "paper", "go", "wet", "dough"]
Box = tuple[float, float, float, float]

INK = "#16323a"
TINTS: dict[str, str] = {
    "none": "none",
    "ink": INK,
    "skin": "#f7e4d0",
    "grown": "#dfe6e8",
    "thing": "#f0c774",
    "goal": "#cfe0e1",
    "paper": "#ffffff",
    "go": "#17454f",
    "wet": "#b9d9e6",
    "dough": "#e6c9b4",
}
LINE = 1.6  # the weight of a line in a frame, in its own units
LETTER = 0.56  # the width of a letter over its height, on the average: for boxes of words


_LETTERS = f'text-anchor="middle" fill="{INK}" stroke="none" font-family="Atkinson Hyperlegible, sans-serif"'


class Canvas:
    """One frame. flip -- drawn for a left hand: everything is mirrored but words and what is written."""

    def __init__(self, width: float, height: float, flip: bool = False) -> None:
        self.width, self.height, self.flip = width, height, flip
        self._parts: list[str] = []
        self._stack: list[tuple[float, float, float, float, float, float]] = [
            (-1, 0, 0, 1, width, 0) if flip else (1, 0, 0, 1, 0, 0)
        ]
        self._loose = 0
        self.boxes: list[Box] = []
        self.limbs: list[Box] = []
        self.labels: list[tuple[str, Box]] = []

    # places

    @contextmanager
    def at(self, x: float, y: float, scale: float = 1, turn: float = 0, mirror: bool = False) -> Iterator[None]:
        """Draw about (x, y): scale in units a mm, turn in degrees clockwise; mirror upside down before the turn."""
        c, s = cos(radians(turn)) * scale, sin(radians(turn)) * scale
        up = -1 if mirror else 1
        a1, b1, c1, d1, e1, f1 = self._stack[-1]
        a2, b2, c2, d2 = c, s, -s * up, c * up
        self._stack.append(
            (
                a1 * a2 + c1 * b2,
                b1 * a2 + d1 * b2,
                a1 * c2 + c1 * d2,
                b1 * c2 + d1 * d2,
                a1 * x + c1 * y + e1,
                b1 * x + d1 * y + f1,
            )
        )
        yield
        self._stack.pop()

    @contextmanager
    def beyond(self) -> Iterator[None]:
        """What is drawn may run out of the frame: an arm, a table's edge."""
        self._loose += 1
        yield
        self._loose -= 1

    def where(self, x: float, y: float) -> Point:
        """Where a point stands in the frame."""
        a, b, c, d, e, f = self._stack[-1]
        return a * x + c * y + e, b * x + d * y + f

    @property
    def scale(self) -> float:
        """Units a mm here."""
        a, b, *_ = self._stack[-1]
        return hypot(a, b)

    def _seen(self, points: Sequence[Point], spread: float = 0) -> None:
        if self._loose:
            return
        xs, ys = [p[0] for p in points], [p[1] for p in points]
        self.boxes.append((min(xs) - spread, min(ys) - spread, max(xs) + spread, max(ys) + spread))

    # lines and shapes

    def shape(
        self,
        points: Sequence[Point],
        tint: Tint = "none",
        line: float = LINE,
        closed: bool = True,
        dashed: bool = False,
        smooth: bool = False,
    ) -> None:
        """A polygon or a line of points; smooth rounds it through them."""
        placed = [self.where(*p) for p in points]
        self._seen(placed, line / 2)
        d = _smooth(placed, closed) if smooth else _straight(placed)
        self._add(f'<path d="{d}{"Z" if closed else ""}"', tint, line, dashed)

    def band(self, points: Sequence[Point], units: float, tint: Tint) -> None:
        """A rounded line of a tint, its weight in units of the frame."""
        placed = [self.where(*p) for p in points]
        self._parts.append(
            f'<path class="pk-line-{tint}" d="{_smooth(placed, False)}" stroke="{TINTS[tint]}" '
            f'stroke-width="{_n(units)}"/>'
        )

    def road(self, points: Sequence[Point], wide: float, smooth: bool = False) -> None:
        """A road with two sides, wide in mm."""
        placed = [self.where(*p) for p in points]
        width = wide * self.scale
        self._seen(placed, width / 2)
        d = _smooth(placed, False) if smooth else _straight(placed)
        for cls, colour, weight in (("ink", INK, width + 2.4), ("goal", TINTS["goal"], width)):
            self._parts.append(f'<path class="pk-line-{cls}" d="{d}" stroke="{colour}" stroke-width="{_n(weight)}"/>')

    def line(self, points: Sequence[Point], line: float = LINE, dashed: bool = False, smooth: bool = False) -> None:
        """An open line."""
        self.shape(points, "none", line, False, dashed, smooth)

    def round(self, x: float, y: float, across: float, tint: Tint = "none", high: float | None = None) -> None:
        """A circle, or where high is given an ellipse, by its width and height in mm."""
        high = across if high is None else high
        px, py = self.where(x, y)
        a, b, *_ = self._stack[-1]
        rx, ry = across / 2 * self.scale, high / 2 * self.scale
        turned = 0.0 if abs(rx - ry) < 0.05 else atan2(b, a) * 180 / 3.14159265
        half = max(rx, ry) if turned % 90 else 0
        self._seen([(px - (half or rx), py - (half or ry)), (px + (half or rx), py + (half or ry))], LINE / 2)
        rotate = f' transform="rotate({_n(turned)} {_n(px)} {_n(py)})"' if abs(turned) % 180 > 0.5 else ""
        self._add(f'<ellipse cx="{_n(px)}" cy="{_n(py)}" rx="{_n(rx)}" ry="{_n(ry)}"{rotate}', tint, LINE, False)

    def box(self, x: float, y: float, wide: float, high: float, tint: Tint = "none", corner: float = 0) -> None:
        """A rectangle about (x, y), its corners rounded; sizes in mm."""
        w, h = wide / 2, high / 2
        r = min(corner, w, h)
        if r <= 0:
            self.shape([(x - w, y - h), (x + w, y - h), (x + w, y + h), (x - w, y + h)], tint)
            return
        bend = r * 0.3
        self.shape(
            [
                (x - w + r, y - h), (x + w - r, y - h), (x + w - bend, y - h + bend), (x + w, y - h + r),
                (x + w, y + h - r), (x + w - bend, y + h - bend), (x + w - r, y + h), (x - w + r, y + h),
                (x - w + bend, y + h - bend), (x - w, y + h - r), (x - w, y - h + r), (x - w + bend, y - h + bend),
            ],
            tint,
        )  # fmt: skip

    def limb(self, chains: Sequence[tuple[Sequence[Point], float]], tint: Tint, arms: int = 0) -> None:
        """Chains of rounded segments, each with its thickness in mm, as one body: all outlines first, then all fills.

        arms -- so many of the first chains, which run out of the frame, do not count among where it is
        """
        placed = [([self.where(*p) for p in points], thick * self.scale) for points, thick in chains]
        reach = [p for points, _ in placed[arms:] for p in points]
        self.limbs.append(
            (min(p[0] for p in reach), min(p[1] for p in reach), max(p[0] for p in reach), max(p[1] for p in reach))
        )
        for edge, cls, colour in ((2 * LINE, "ink", INK), (0.0, tint, TINTS[tint])):
            body = "".join(
                f'<path d="{_straight(points)}" stroke-width="{_n(width + edge)}"/>' for points, width in placed
            )
            self._parts.append(f'<g class="pk-line-{cls}" stroke="{colour}">{body}</g>')

    def arrow(self, points: Sequence[Point], both: bool = False) -> None:
        """An arrow through the points, in mm here; its head is of one size everywhere."""
        placed = [self.where(*p) for p in points]
        self._seen(placed, 4)
        self._parts.append(
            f'<path class="pk-line-go" d="{_smooth(placed, False)}" stroke="{TINTS["go"]}" stroke-width="2.6"/>'
        )
        self._head(placed[-2], placed[-1])
        if both:
            self._head(placed[1], placed[0])

    def turn(self, x: float, y: float, radius: float, start: float = 200, end: float = 500) -> None:
        """An arrow that goes round (x, y), from one angle to another, in degrees clockwise from the right."""
        steps = [start + (end - start) * i / 8 for i in range(9)]
        self.arrow([(x + radius * cos(radians(a)), y + radius * sin(radians(a))) for a in steps])

    def _head(self, before: Point, tip: Point) -> None:
        angle = atan2(tip[1] - before[1], tip[0] - before[0])
        sides = [(tip[0] - 8 * cos(angle + s), tip[1] - 8 * sin(angle + s)) for s in (0.5, -0.5)]
        ahead = (tip[0] + 2 * cos(angle), tip[1] + 2 * sin(angle))
        d = _straight((ahead, *sides))
        self._parts.append(f'<path class="pk-go" d="{d}Z" fill="{TINTS["go"]}" stroke="none"/>')

    def dots(self, x: float, y: float, wide: float, high: float, many: int) -> None:
        """A loose filler: dots over an area, the same each time."""
        spots = (
            self.where(x + wide * ((i * 0.618034 + 0.31) % 1 - 0.5), y + high * ((i * 0.754878 + 0.17) % 1 - 0.5))
            for i in range(many)
        )
        d = "".join(f"M{_n(a)} {_n(b)}h0" for a, b in spots)
        self._parts.append(f'<path class="pk-line-ink" d="{d}" stroke-width="2"/>')

    # words

    def words(self, x: float, y: float, said: str, size: float = 11, strong: bool = False) -> None:
        """Words about (x, y) in the frame, never mirrored; kept clear of the edges."""
        px, py = self.where(x, y)
        half = len(said) * size * LETTER / 2
        px = min(max(px, half + 3), self.width - half - 3)
        box = (px - half, py - size * 0.8, px + half, py + size * 0.25)
        self.boxes.append(box)
        self.labels.append((said, box))
        weight = ' font-weight="700"' if strong else ""
        self._parts.append(
            f'<text class="pk-say" x="{_n(px)}" y="{_n(py)}" font-size="{_n(size)}" {_LETTERS}{weight}>'
            f"{escape(said)}</text>"
        )

    def corner(self, said: str, size: float = 12) -> None:
        """Words in the upper corner away from where hands come from, wherever things are drawn just now."""
        self._stack.append(self._stack[0])
        self.words(self.width * 0.24, 17, said, size, True)
        self._stack.pop()

    def written(self, x: float, y: float, said: str, high: float) -> None:
        """What is written on paper: as tall as it is, in mm, never mirrored."""
        px, py = self.where(x, y)
        size = high * self.scale * 1.4
        self.boxes.append(
            (px - len(said) * size * 0.28, py - size * 0.8, px + len(said) * size * 0.28, py + size * 0.25)
        )
        self._parts.append(
            f'<text class="pk-ink" x="{_n(px)}" y="{_n(py)}" font-size="{_n(size)}" {_LETTERS}>{escape(said)}</text>'
        )

    # the whole

    def _add(self, opened: str, tint: Tint, line: float, dashed: bool) -> None:
        weight = f' stroke-width="{_n(line)}"' if line != LINE else ""
        dash = ' stroke-dasharray="5 4"' if dashed else ""
        look = f' class="pk-{tint}" fill="{TINTS[tint]}"' if tint != "none" else ' class="pk-bare"'
        self._parts.append(f"{opened}{look}{weight}{dash}/>")

    def markup(self) -> str:
        """All that was drawn, in order."""
        return "".join(self._parts)


def _n(value: float) -> str:
    return f"{value:.1f}".removesuffix(".0")


def _straight(points: Sequence[Point]) -> str:
    return "M" + "L".join(f"{_n(x)} {_n(y)}" for x, y in points)


def _smooth(points: Sequence[Point], closed: bool) -> str:
    """A path through the points by quadratic curves that meet half way."""
    if len(points) < 3:
        return _straight(points)
    mids = [((a[0] + b[0]) / 2, (a[1] + b[1]) / 2) for a, b in pairwise(points)]
    if closed:
        last = ((points[-1][0] + points[0][0]) / 2, (points[-1][1] + points[0][1]) / 2)
        start, curves = last, zip(points, [*mids, last], strict=True)
        return f"M{_n(start[0])} {_n(start[1])}" + "".join(
            f"Q{_n(p[0])} {_n(p[1])} {_n(m[0])} {_n(m[1])}" for p, m in curves
        )
    body = "".join(
        f"Q{_n(p[0])} {_n(p[1])} {_n(m[0])} {_n(m[1])}"
        for p, m in zip(points[1:-1], [*mids[1:-1], points[-1]], strict=True)
    )
    return f"M{_n(points[0][0])} {_n(points[0][1])}{body}"
