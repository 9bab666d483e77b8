"""The parts of a session, and the band of expected success each aims for."""

from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Literal, get_args

Part = Literal["opener", "warm-up", "main", "stretch", "daily", "tidy"]
PARTS: tuple[Part, ...] = get_args(Part)


@dataclass(frozen=True)
class Zone:
    """A band of expected independent success, as chances from 0 to 1."""

    low: float
    high: float


@dataclass(frozen=True)
class Zones:
    """The band each part of a session aims for. Defaults: common practice, no source."""

    bands: MappingProxyType[Part, Zone] = field(
        default_factory=lambda: MappingProxyType(
            {
                "opener": Zone(0.90, 0.995),
                "warm-up": Zone(0.70, 0.95),
                "main": Zone(0.70, 0.85),
                "stretch": Zone(0.50, 0.70),
                "daily": Zone(0.65, 0.90),
                "tidy": Zone(0.80, 0.99),
            }
        )
    )

    def of(self, part: Part) -> Zone:
        """Return the band for a part of a session."""
        return self.bands[part]
