"""The counting and halving done before a session: sheets into pieces, posts and rings, one kit for two children."""

from dataclasses import dataclass
from math import ceil, log2

A0_MM = (1189, 841)  # mm, ISO 216
LETTER_MM = (279.4, 215.9)  # mm, US Letter 11 x 8.5 in, exact


@dataclass(frozen=True)
class Cutting:
    """How many sheets give the pieces wanted, and how each is folded and cut.

    pieces   -- pieces wanted
    sheets   -- sheets needed
    folds    -- times each sheet is folded in half before it is cut along the folds
    spare    -- pieces left over
    """

    pieces: int
    sheets: int
    folds: int
    spare: int

    @property
    def words(self) -> str:
        """The cutting in words."""
        sheets = "1 sheet" if self.sheets == 1 else f"{self.sheets} sheets"
        if not self.folds:
            return f"{sheets}, uncut"
        times = {1: "once", 2: "twice"}.get(self.folds, f"{self.folds} times")
        spare = f", {self.spare} to spare" if self.spare else ""
        return f"{sheets}, each folded in half {times} and cut: {self.sheets * 2**self.folds} pieces{spare}"


def iso_a(n: int) -> tuple[int, int]:
    """Return the sides of an A-series sheet in mm, longer first.

    Raises ValueError when n is not 0 to 10.
    Source: ISO 216: each size is the one before halved across its longer side, rounded down to a mm.
    """
    if not 0 <= n <= 10:
        raise ValueError(f"A{n} is not a sheet size. Use A0 to A10.")
    long, short = A0_MM
    for _ in range(n):
        long, short = short, long // 2
    return long, short


def halved(sheet_mm: tuple[float, float], folds: int) -> tuple[float, float]:
    """Return the sides in mm, longer first, of the pieces a sheet gives after halving its longer side `folds` times."""
    long, short = max(sheet_mm), min(sheet_mm)
    for _ in range(folds):
        long, short = max(short, long / 2), min(short, long / 2)
    return long, short


def cutting(pieces: int, per_sheet: int) -> Cutting:
    """Return how to cut `pieces` from sheets that give `per_sheet` each by halving.

    per_sheet -- 1, 2, 4, 8 or 16. Raises ValueError for another number: halving gives no other.
    """
    folds = log2(per_sheet) if per_sheet > 0 else -1.0
    if folds < 0 or folds != int(folds) or per_sheet > 16:
        raise ValueError(f"{per_sheet} pieces a sheet can't be had by halving. Use 1, 2, 4, 8 or 16.")
    sheets = max(1, ceil(pieces / per_sheet))
    return Cutting(pieces, sheets, int(folds), sheets * per_sheet - pieces)


def shared(wanted: int, children: int, used_up: bool) -> int:
    """Return how many things `children` at one table want: what is used up is needed for each, a tool once."""
    return wanted * children if used_up else wanted
