"""The table as it is set out, seen from above by the child who sits at it: in proportion, apart and named."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from core.drawing.canvas import LETTER, Canvas
from core.drawing.scene import HIGH, WIDE
from core.drawing.table_layout import Stands
from core.drawing.things import above, size_mm
from core.materials import NOT_BESIDE, Thing
from core.offers import Quantity

WIDE_MM = 640.0
MOST_DRAWN = 20  # of one thing; more of it is said in its label
FARTHER = (1.0, 0.85, 0.72, 0.6, 0.5, 0.42, 0.34)  # of the usual scale, until everything stands apart
LEFT, RIGHT, TOP, FOOT = 12.0, WIDE - 12.0, 14.0, HIGH - 24.0
FULL = 0.62 * (RIGHT - LEFT) * (FOOT - TOP)  # more than that never comes apart
WORDS, ROW = 9.5, 11.0
TRIES = 24
LONGEST = 17  # letters in a row of a label


@dataclass
class _Group:
    """So many of one thing, in rows, with their label below: a box about (x, y)."""

    thing: Thing
    form: str
    stands: Stands
    many: int
    along: int
    each: tuple[float, float]
    unit: float
    label: list[str]
    wide: float
    high: float
    x: float = 0
    y: float = 0

    @property
    def rows(self) -> int:
        return -(-self.many // self.along)

    @property
    def things_high(self) -> float:
        return self.rows * (self.each[1] + 3)


def set_out(
    canvas: Canvas,
    forms: Mapping[str, str],
    quantities: Iterable[Quantity],
    stands: Iterable[Stands],
    things: Mapping[str, Thing],
) -> None:
    """Draw the table with everything on it. forms and things are by role; stands says where, one for each quantity."""
    canvas.box(WIDE / 2, (TOP + FOOT) / 2, WIDE - 12, FOOT - TOP + 16, "none", 10)
    x = WIDE / 2
    canvas.shape(
        [(x - 26, HIGH - 1), (x - 20, HIGH - 11), (x, HIGH - 13), (x + 20, HIGH - 11), (x + 26, HIGH - 1)],
        "skin",
        smooth=True,
    )
    pairs = list(zip(quantities, stands, strict=True))
    for q, s in pairs:
        if s.zone == "under":
            wide, high = size_mm(things[q.role])
            unit = min(WIDE / WIDE_MM, WIDE * 0.6 / wide, HIGH * 0.6 / high)
            wide, high = wide * unit / 2, high * unit / 2
            x, y = WIDE / 2, (TOP + FOOT) / 2
            canvas.shape(
                [(x - wide, y - high), (x + wide, y - high), (x + wide, y + high), (x - wide, y + high)], dashed=True
            )
    for farther in FARTHER:
        groups = [_group(q, s, things[q.role], forms[q.role], farther) for q, s in pairs if s.zone not in NOT_BESIDE]
        if sum(g.wide * g.high for g in groups) <= FULL and _apart(groups):
            break
    for g in groups:
        _draw(canvas, g)


def _group(q: Quantity, s: Stands, thing: Thing, form: str, farther: float) -> _Group:
    unit = WIDE / WIDE_MM * farther
    wide, high = (max(v * unit, 3.0) for v in size_mm(thing))
    shrink = min(1.0, WIDE * 0.36 / wide, HIGH * 0.42 / high)
    unit, each = unit * shrink, (wide * shrink, high * shrink)
    many = min(s.count, MOST_DRAWN)
    along = max(1, min(many, int(92 / (each[0] + 3)))) if many > 1 else 1
    while -(-many // along) * (each[1] + 3) > 96 and many > along:
        many -= along
    said = f"{q.wanted} {q.named}" if q.wanted > 1 else q.named
    label = _rows(said)
    rows = -(-many // along)
    words = max(len(row) for row in label) * WORDS * LETTER
    box = max(along * (each[0] + 3), words) + 4, rows * (each[1] + 3) + ROW * len(label) + 4
    return _Group(thing, form, s, many, along, each, unit, label, *box)


def _rows(said: str) -> list[str]:
    """A label in rows that are not too long."""
    rows = [""]
    for word in said.split():
        if rows[-1] and len(rows[-1]) + 1 + len(word) > LONGEST:
            rows.append("")
        rows[-1] = f"{rows[-1]} {word}".strip()
    return rows


def _apart(groups: list[_Group]) -> bool:
    """Move groups from where they stand until none touches another; False where that does not come about."""
    for g in groups:
        g.x = LEFT + (RIGHT - LEFT) * g.stands.across
        g.y = FOOT - (FOOT - TOP) * g.stands.away
        _keep(g)
    for _ in range(TRIES):
        touching = False
        for i, a in enumerate(groups):
            for b in groups[i + 1 :]:
                over_x = (a.wide + b.wide) / 2 - abs(a.x - b.x)
                over_y = (a.high + b.high) / 2 - abs(a.y - b.y)
                if over_x <= 0 or over_y <= 0:
                    continue
                touching = True
                first, second = (a, b) if (a.y, a.x) <= (b.y, b.x) else (b, a)
                if over_y <= over_x:
                    first.y -= over_y / 2 + 0.5
                    second.y += over_y / 2 + 0.5
                else:
                    left, right = (a, b) if a.x <= b.x else (b, a)
                    left.x -= over_x / 2 + 0.5
                    right.x += over_x / 2 + 0.5
                _keep(a)
                _keep(b)
        if not touching:
            return True
    return False


def _keep(g: _Group) -> None:
    """Keep a group on the table, and on its own side of it."""
    low, high = LEFT + g.wide / 2, RIGHT - g.wide / 2
    if g.stands.across < 0.4:
        high = min(high, max(WIDE / 2 - g.wide * 0.3, low))
    elif g.stands.across > 0.6:
        low = max(low, min(WIDE / 2 + g.wide * 0.3, high))
    g.x = min(max(g.x, low), max(high, low))
    g.y = min(max(g.y, TOP + g.high / 2), max(FOOT - g.high / 2, TOP + g.high / 2))


def _draw(canvas: Canvas, g: _Group) -> None:
    top = g.y - g.high / 2
    middle = top + g.things_high / 2
    for i in range(g.many):
        in_row = min(g.many - (i // g.along) * g.along, g.along)
        x = g.x + (i % g.along - (in_row - 1) / 2) * (g.each[0] + 3)
        y = middle + (i // g.along - (g.rows - 1) / 2) * (g.each[1] + 3)
        with canvas.at(x, y, g.unit):
            above(canvas, g.thing, g.form, "goal" if g.stands.zone == "goal" else "thing")
    for i, row in enumerate(g.label):
        canvas.words(g.x, top + g.things_high + ROW * (i + 0.85), row, WORDS)
