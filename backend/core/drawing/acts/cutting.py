"""Scissors and what they cut."""

from core.drawing.acts.register import act, number, one_of, yes
from core.drawing.canvas import Canvas, Point
from core.drawing.scene import Scene, desk, over
from core.drawing.shapes import CUTS, SMOOTH
from core.drawing.things import scissors


def scissor_hand(canvas: Canvas, scene: Scene, x: float, y: float) -> None:
    """A hand in the loops of scissors that point away from the child, their pivot at (x, y): thumb on top."""
    h = scene.hand
    with canvas.at(x, y, 1, 90):
        scissors(canvas, 12)
        loop = (44.0, 9.0)
        canvas.limb(
            [
                ([(1.7 * h, -0.55 * h), (0.9 * h, -0.14 * h)], 0.24 * h),
                ([(0.9 * h, -0.14 * h), (0.72 * h, -0.05 * h)], 0.3 * h),
                ([(0.62 * h, 0.06 * h), (loop[0] + 26, 22), (loop[0] - 2, 22)], 0.11 * h),
                ([(0.66 * h, 0.12 * h), (loop[0] + 34, 33), (loop[0] + 8, 34)], 0.11 * h),
                ([(0.68 * h, -0.12 * h), (loop[0] + 26, -26), (loop[0] - 2, -20)], 0.13 * h),
            ],
            "grown" if scene.grown else "skin",
            arms=1,
        )


@act(
    path=one_of(
        "long",
        "corner",
        "corner_in",
        "triangle",
        "square",
        "air",
        "snip",
        "snips",
        "across",
        "half_heart",
        "half_butterfly",
        "half_tree",
        "fish",
        "duck",
        "boat",
        "crew",
        "short",
        "bits",
        "bend",
        "bends",
        "circle",
        "tight",
        "holes_corner",
        "holes_moon",
        "holes_mixed",
        "spiral_half",
        "spiral_one",
        "spiral_two",
        "spiral_three",
        "curve",
        "mixed",
    ),
    width=number(),
    wide=number(),
    long=number(),
    what=one_of("paper", "straw", "dough"),
    folded=yes(),
    stop=one_of("none", "zone", "mark", "dots", "stick"),
    corner_dots=yes(),
    adult=yes(),
)
def cut(canvas: Canvas, scene: Scene) -> str:
    """Scissors cut along a path, away from the child; the other hand holds the paper, thumb on top."""
    path, width = scene.word("path", "long"), scene.number("width", 4)
    wide, long = scene.number("wide", 110), scene.number("long", 120)
    with desk(canvas, scene, max(long * 1.8, scene.hand * 1.7)):
        h = scene.hand
        left, top = (-0.1 if wide > 60 else 0.1) * h - wide / 2, 0.12 * h - long
        kind = scene.word("what", "paper")
        if kind == "straw":
            canvas.round(-0.12 * h, 0.1 * h, 0.9 * h, "goal", 0.5 * h)
            canvas.round(-0.12 * h, 0.1 * h, 0.78 * h, "paper", 0.4 * h)
            canvas.box(-0.36 * h, 0.02 * h, 0.9 * h, 8, "thing", 3)
            for i in range(4):
                canvas.line([(-0.1 * h + i * 18, 0.02 * h - 4), (-0.1 * h + i * 18, 0.02 * h + 4)], 1)
            _hold_paper(canvas, scene, -0.66 * h, 0.12 * h)
            scissor_hand(canvas, scene, 0.06 * h, 0.2 * h)
            return "scissors snip a straw over a bowl that catches the bits"
        if kind == "dough":
            canvas.box(-0.34 * h, 0.0, 1.0 * h, 15, "dough", 7)
            _hold_paper(canvas, scene, -0.6 * h, 0.12 * h, scene.yes("adult"))
            scissor_hand(canvas, scene, 0.04 * h, 0.16 * h)
            return "scissors snip a dough rope"
        canvas.box(left + wide / 2, top + long / 2, wide, long, "paper")

        def put(line: tuple[Point, ...]) -> list[Point]:
            return [(left + x * wide, top + y * long) for x, y in line]

        folded = scene.yes("folded")
        if folded:
            canvas.line([(left, top), (left, top + long)], 3)
        for line in CUTS[path]:
            points = put(line)
            road(canvas, points, width, path in SMOOTH)
        start = put(CUTS[path][0])[0] if CUTS[path] else (left + wide / 2, top + long)
        if scene.word("stop"):
            end = put(CUTS[path][0])[-1]
            canvas.box(
                end[0],
                end[1] - 5,
                42,
                10 if scene.word("stop") == "zone" else 3,
                "thing" if scene.word("stop") == "zone" else "ink",
            )
            if scene.word("stop") == "dots":
                for i in range(3):
                    canvas.round(end[0], end[1] + 12 + 10 * i, 5, "ink")
        if scene.yes("corner_dots"):
            for x, y in put(CUTS[path][0])[1:-1]:
                canvas.round(x, y, 8, "thing")
        _hold_paper(canvas, scene, left - (0.06 * h if folded else -wide * 0.04), top + long * (0.9 if folded else 0.6))
        scissor_hand(
            canvas,
            scene,
            start[0] + (14 if path == "air" else 0),
            max(start[1] + 60 - (26 if path != "air" else 0), 0.2 * h),
        )
        if path in ("circle", "curve", "bend", "bends", "tight", "mixed", "fish", "duck", "boat") or path.startswith(
            "spiral"
        ):
            canvas.turn(left - 0.1 * h, max(top + 0.1 * h, -0.5 * h), 0.18 * h, 30, -110)
    return f"scissors cut {_PATHS.get(path, 'along the line')}, the other hand holds the paper with the thumb on top"


_PATHS = {
    "air": "in the air beside the paper",
    "snip": "one snip",
    "snips": "snip after snip",
    "across": "the strip in two",
    "circle": "round a circle",
}


def _hold_paper(canvas: Canvas, scene: Scene, x: float, y: float, grown: bool = False) -> None:
    over(canvas, scene, "grip", x, y, "helper", turn=22, at="knuckles", grown=grown)


def road(canvas: Canvas, points: list[Point], width: float, smooth: bool) -> None:
    """A line on paper as wide as it is; a wide one is a road with two sides."""
    if width * canvas.scale > 3.4:
        canvas.road(points, width, smooth)
    else:
        canvas.line(points, max(width * canvas.scale, 1), smooth=smooth)
