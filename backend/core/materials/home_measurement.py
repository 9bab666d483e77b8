"""Measuring odd things at home with what a home has: bags of water, kitchen scales, a row of known things."""

from collections.abc import Sequence

from core.units import NEWTON_PER_KGF

COIN_GRAMS = 7.0  # g, a typical coin, from memory; weigh ten of your own


class NotMeasured(ValueError):
    """A measurement that can't be worked out; the text says what to do."""


def force_from_water(millilitres: float) -> float:
    """Return the force in newton with which a hung bag of water pulls; at the moment a clip opens it is the clip's
    force.

    millilitres -- water in the bag, 1 ml weighing 1 g. Hang it where the fingers press.
    Source: standard gravity, 9.80665 m/s². Raises NotMeasured when not between 1 ml and 10 l.
    """
    return _force_from_grams(millilitres, "ml of water")


def force_from_coins(coins: int, grams_each: float = COIN_GRAMS) -> float:
    """Return the force in newton with which a bag of coins pulls. Raises NotMeasured on an impossible weight."""
    return _force_from_grams(coins * grams_each, "g of coins")


def _force_from_grams(grams: float, what: str) -> float:
    if not 1 <= grams <= 10_000:
        raise NotMeasured(f"{grams:g} {what} can't be right for a clip or a bulb. Measure again: 1 to 10,000.")
    return grams / 1000 * NEWTON_PER_KGF


def sheet_weight(grams: float, sheets: int, sides_mm: tuple[float, float]) -> float:
    """Return the weight of a sheet in g/m² from a pile on kitchen scales.

    Raises NotMeasured when the pile, the number or the sides can't be.
    """
    area = sides_mm[0] * sides_mm[1] / 1e6 * sheets
    if not (grams > 0 and area > 0):
        raise NotMeasured("A pile needs a weight, a number of sheets and two sides, all more than 0.")
    result = grams / area
    if not 5 <= result <= 2000:
        raise NotMeasured(f"{result:.0f} g/m² is no sheet. Weigh more sheets at once, and check the sides are in mm.")
    return result


def hole_between(passes_mm: Sequence[float], stops_mm: Sequence[float]) -> tuple[float, float]:
    """Return (at least, less than) mm for a hole from known widths that pass and that do not.

    An empty side gives 0 or infinity. Raises NotMeasured where a wider thing passes than one that stops.
    """
    low, high = max(passes_mm, default=0.0), min(stops_mm, default=float("inf"))
    if low >= high:
        raise NotMeasured(
            f"A thing of {low:g} mm passes but one of {high:g} mm does not. Try them again, turned straight."
        )
    return low, high
