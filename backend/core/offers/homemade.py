"""What one cupboard can be made into, and whether the made piece and its making are safe for one child."""

from collections.abc import Collection

from core import safety
from core.child import Child, Setting
from core.library.makings import MAKINGS, Making
from core.library.things import MATERIALS
from core.safety import Verdict


def verdict(making: Making, child: Child, setting: Setting) -> Verdict:
    """Return the hazard verdict on the made piece and on its making, for one child in one setting."""
    return safety.worst(
        (safety.assess(MATERIALS[making.material], child, setting), safety.assess_step(making.tags, child, setting))
    )


def makeable(have: Collection[str]) -> tuple[Making, ...]:
    """Return what can be made from these material ids and is not among them, quickest first."""
    found = [m for m in MAKINGS.values() if m.material not in have and not m.missing(have)]
    return tuple(sorted(found, key=lambda m: (m.minutes, m.material)))


__all__ = ["MAKINGS", "Making", "makeable", "verdict"]
