"""What the pictures cost: bytes and milliseconds, over every activity at every grade, in a house with everything."""

from collections.abc import Callable
from statistics import median
from time import perf_counter

from core.drawing import draw
from core.library import ACTIVITIES
from core.offers import variants_of
from testing.contact_sheet import CHILD, everything


def figures(say: Callable[[str], None]) -> None:
    """How many pictures, how big, and how long each takes."""
    cupboard, sizes, seconds = everything(), [], []
    for variant in (v for a in ACTIVITIES.values() for v in variants_of(a)):
        offer = cupboard.offer(variant)
        draw(variant, offer, CHILD)
        start = perf_counter()
        drawn = draw(variant, offer, CHILD)
        seconds.append(perf_counter() - start)
        sizes.append(len(drawn.encode()))
    seconds.sort()
    say(f"pictures: {len(sizes)}, median {median(sizes) / 1000:.1f} kB, largest {max(sizes) / 1000:.1f} kB")
    say(
        f"  median {1000 * median(seconds):.1f} ms, 99 of 100 under {1000 * seconds[int(0.99 * len(seconds))]:.1f} ms, "
        f"slowest {1000 * seconds[-1]:.1f} ms"
    )
