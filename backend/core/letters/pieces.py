"""Capitals and words from straight and arc pieces: whether a kit builds them at once, in writing order.

Pieces: long and short straights, large and small arcs (half circles). Letter shapes and their order (left
before right, top before bottom, as capitals are written) are project definitions from common practice.
"""

from collections import Counter
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from itertools import product
from types import MappingProxyType

LONG, SHORT, LARGE, SMALL = "long straight", "short straight", "large arc", "small arc"
PIECES = (LONG, SHORT, LARGE, SMALL)

USUAL_KIT = MappingProxyType({SHORT: 4, LONG: 2, LARGE: 2, SMALL: 2})


class LetterError(ValueError):
    """A text that can't be built from capitals."""


@dataclass(frozen=True)
class Placement:
    """One piece to lay: which letter of the text, which piece, where, and what it stands in for."""

    at: int
    letter: str
    piece: str
    where: str
    instead_of: str = ""


@dataclass(frozen=True)
class Build:
    """A text as built, or what is short.

    placements -- in writing order; empty when the kit does not do
    swaps      -- what was swapped, in words
    short      -- piece to how many more would do; empty when it can be built
    """

    placements: tuple[Placement, ...]
    swaps: tuple[str, ...] = ()
    short: Mapping[str, int] = field(default_factory=lambda: MappingProxyType({}))

    @property
    def is_complete(self) -> bool:
        """Whether the kit builds the whole text at once."""
        return not self.short


def _form(*pieces: tuple[str, str]) -> tuple[tuple[str, str], ...]:
    return pieces


# Each letter: its full form, then forms that swap something, in the order they are tried.
FORMS: Mapping[str, tuple[tuple[tuple[str, str], ...], ...]] = MappingProxyType(
    {
        "A": (_form((LONG, "left slant"), (LONG, "right slant"), (SHORT, "across the middle")),),
        "B": (_form((LONG, "upright, left"), (SMALL, "upper bow, right"), (SMALL, "lower bow, right")),),
        "C": (_form((LARGE, "open to the right")),),
        "D": (_form((LONG, "upright, left"), (LARGE, "bow, right")),),
        "E": (
            _form(
                (LONG, "upright, left"),
                (SHORT, "across the top"),
                (SHORT, "across the middle"),
                (SHORT, "across the bottom"),
            ),
        ),
        "F": (_form((LONG, "upright, left"), (SHORT, "across the top"), (SHORT, "across the middle")),),
        "G": (_form((LARGE, "open to the right"), (SHORT, "up from the lower end")),),
        "H": (_form((LONG, "upright, left"), (LONG, "upright, right"), (SHORT, "across the middle")),),
        "I": (_form((LONG, "upright")),),
        "J": (_form((LONG, "upright, right"), (SMALL, "hook, bottom left")),),
        "K": (_form((LONG, "upright, left"), (SHORT, "slant up, right"), (SHORT, "slant down, right")),),
        "L": (_form((LONG, "upright, left"), (SHORT, "across the bottom")),),
        "M": (
            _form((LONG, "upright, left"), (LONG, "slant down"), (LONG, "slant up"), (LONG, "upright, right")),
            _form(
                (LONG, "upright, left"),
                (SHORT, "short slant down"),
                (SHORT, "short slant up"),
                (LONG, "upright, right"),
            ),
        ),
        "N": (_form((LONG, "upright, left"), (LONG, "slant down"), (LONG, "upright, right")),),
        "O": (_form((LARGE, "left half"), (LARGE, "right half")),),
        "P": (_form((LONG, "upright, left"), (SMALL, "upper bow, right")),),
        "Q": (_form((LARGE, "left half"), (LARGE, "right half"), (SHORT, "tail, bottom right")),),
        "R": (_form((LONG, "upright, left"), (SMALL, "upper bow, right"), (SHORT, "leg, bottom right")),),
        "S": (_form((SMALL, "upper bow, open to the right"), (SMALL, "lower bow, open to the left")),),
        "T": (_form((LONG, "upright"), (SHORT, "across the top")),),
        "U": (_form((SHORT, "upright, left"), (SMALL, "bottom"), (SHORT, "upright, right")),),
        "V": (_form((LONG, "slant down, left"), (LONG, "slant up, right")),),
        "W": (
            _form((LONG, "slant down"), (LONG, "slant up"), (LONG, "slant down again"), (LONG, "slant up again")),
            _form(
                (LONG, "slant down"), (SHORT, "short slant up"), (SHORT, "short slant down"), (LONG, "last slant up")
            ),
        ),
        "X": (_form((LONG, "slant down"), (LONG, "slant across")),),
        "Y": (_form((SHORT, "slant down, left"), (SHORT, "slant down, right"), (SHORT, "upright, below")),),
        "Z": (_form((SHORT, "across the top"), (LONG, "slant down"), (SHORT, "across the bottom")),),
    }
)

LONGEST_TEXT = 16  # letters; a name, not a letter home


def build(kit: Mapping[str, int], text: str) -> Build:
    """Return how a kit builds a text at once, with the fewest swaps; or what is short.

    kit  -- piece to how many; pieces not named: none
    text -- capitals or small letters; spaces are left between words
    Raises LetterError for an empty text, one over 16 letters, or a sign that is no letter.
    A long straight may be two short ones end to end; M and W may have short slants.
    """
    letters = _letters(text)
    best: tuple[tuple[int, int], tuple[int, ...]] | None = None
    fewest: dict[str, int] | None = None
    for choice in product(*(range(len(FORMS[c])) for _, c in letters)):
        want = _pieces_for(letters, choice)
        short, halves = _short(kit, want)
        if not short:
            cost = (halves + sum(choice), halves)
            if best is None or cost < best[0]:
                best = (cost, choice)
        elif fewest is None or sum(short.values()) < sum(fewest.values()):
            fewest = short
    if best is None:
        return Build((), short=MappingProxyType(fewest or {}))
    return _laid(kit, letters, best[1])


def pieces_for(text: str) -> Mapping[str, int]:
    """Return what to cut for a text, every letter in its full form. Raises LetterError like build."""
    letters = _letters(text)
    return MappingProxyType(dict(_pieces_for(letters, (0,) * len(letters))))


def _letters(text: str) -> list[tuple[int, str]]:
    result = [(at, c) for at, c in enumerate(text.upper()) if c != " "]
    if not result:
        raise LetterError("Nothing to build: write a letter or a name.")
    if len(result) > LONGEST_TEXT:
        raise LetterError(f"{len(result)} letters are too many to lay at once. Use up to {LONGEST_TEXT}.")
    for _, c in result:
        if c not in FORMS:
            raise LetterError(f"{c!r} has no straight-and-arc form. Use the capitals A to Z.")
    return result


def _pieces_for(letters: list[tuple[int, str]], choice: tuple[int, ...]) -> Counter[str]:
    return Counter(piece for (_, c), form in zip(letters, choice, strict=True) for piece, _ in FORMS[c][form])


def _short(kit: Mapping[str, int], want: Counter[str]) -> tuple[dict[str, int], int]:
    """What is short, and how many long straights are made of two short ones."""
    halves = max(0, want[LONG] - kit.get(LONG, 0))
    short = {p: want[p] - kit.get(p, 0) for p in (LARGE, SMALL) if want[p] > kit.get(p, 0)}
    spare = kit.get(SHORT, 0) - want[SHORT]
    if spare < 0:
        short[SHORT] = -spare
    made = min(halves, max(spare, 0) // 2)
    if made < halves:
        short[LONG] = halves - made
    return short, halves


def _laid(kit: Mapping[str, int], letters: list[tuple[int, str]], choice: tuple[int, ...]) -> Build:
    placements, swaps, longs = [], [], kit.get(LONG, 0)
    for (at, c), form in zip(letters, choice, strict=True):
        if form:
            swaps.append(f"{c} with short slants")
        for piece, where in FORMS[c][form]:
            if piece == LONG and longs == 0:
                swaps.append(f"{c}: two short straights for the {where}")
                placements += list(_halves(at, c, where))
            else:
                longs -= piece == LONG
                placements.append(Placement(at, c, piece, where))
    return Build(tuple(placements), tuple(swaps))


def _halves(at: int, letter: str, where: str) -> Iterator[Placement]:
    yield Placement(at, letter, SHORT, f"{where}, upper half", LONG)
    yield Placement(at, letter, SHORT, f"{where}, lower half", LONG)
