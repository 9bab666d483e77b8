"""The rigid shapes a household thing is taken for when its size decides something. All sizes in mm."""

from dataclasses import dataclass, fields
from math import hypot, pi


class _Sized:
    def __post_init__(self) -> None:
        for field in fields(self):  # type: ignore[arg-type]  # its subclasses are dataclasses
            value = getattr(self, field.name)
            if not value > 0:
                raise ValueError(f"{field.name} is {value}: a size must be more than 0 mm. Measure it again.")


@dataclass(frozen=True)
class Ball(_Sized):
    """A sphere."""

    diameter_mm: float

    @property
    def girth_mm(self) -> float:
        """The round hole it just passes, across."""
        return self.diameter_mm

    @property
    def along_mm(self) -> float:
        """How much of a line it takes when threaded."""
        return self.diameter_mm

    @property
    def volume_mm3(self) -> float:
        """What it fills."""
        return pi * self.diameter_mm**3 / 6

    @property
    def extents_mm(self) -> tuple[float, float, float]:
        """Longest, middle and shortest side of the box around it."""
        return (self.diameter_mm,) * 3


@dataclass(frozen=True)
class Rod(_Sized):
    """A solid cylinder with flat ends."""

    diameter_mm: float
    length_mm: float

    @property
    def girth_mm(self) -> float:
        """The round hole it just passes, across: end first."""
        return self.diameter_mm

    @property
    def along_mm(self) -> float:
        """How much of a line it takes when threaded."""
        return self.length_mm

    @property
    def volume_mm3(self) -> float:
        """What it fills."""
        return pi * self.diameter_mm**2 / 4 * self.length_mm

    @property
    def extents_mm(self) -> tuple[float, float, float]:
        """Longest, middle and shortest side of the box around it."""
        return _sorted_sides(self.diameter_mm, self.diameter_mm, self.length_mm)


@dataclass(frozen=True)
class Disc(_Sized):
    """A flat solid cylinder: a coin, a counter, a lid."""

    diameter_mm: float
    height_mm: float

    @property
    def girth_mm(self) -> float:
        """The round hole it just passes, across: lying flat."""
        return self.diameter_mm

    @property
    def along_mm(self) -> float:
        """How much of a line it takes when threaded."""
        return self.height_mm

    @property
    def volume_mm3(self) -> float:
        """What it fills."""
        return pi * self.diameter_mm**2 / 4 * self.height_mm

    @property
    def extents_mm(self) -> tuple[float, float, float]:
        """Longest, middle and shortest side of the box around it."""
        return _sorted_sides(self.diameter_mm, self.diameter_mm, self.height_mm)


@dataclass(frozen=True)
class Box(_Sized):
    """A block with square corners; a sheet is a thin one."""

    length_mm: float
    width_mm: float
    height_mm: float

    @property
    def girth_mm(self) -> float:
        """The round hole it just passes, across: end first, so that the diagonal of its end decides."""
        _, middle, shortest = self.extents_mm
        return hypot(middle, shortest)

    @property
    def along_mm(self) -> float:
        """How much of a line it takes when threaded."""
        return min(self.length_mm, self.width_mm, self.height_mm)

    @property
    def volume_mm3(self) -> float:
        """What it fills."""
        return self.length_mm * self.width_mm * self.height_mm

    @property
    def extents_mm(self) -> tuple[float, float, float]:
        """Longest, middle and shortest side of the box around it."""
        return _sorted_sides(self.length_mm, self.width_mm, self.height_mm)


@dataclass(frozen=True)
class Ring(_Sized):
    """A flat ring: outer and inner diameter, and how thick it is."""

    outer_mm: float
    inner_mm: float
    thickness_mm: float

    @property
    def girth_mm(self) -> float:
        """The round hole it just passes, across: lying flat."""
        return self.outer_mm

    @property
    def along_mm(self) -> float:
        """How much of a line it takes when threaded."""
        return self.thickness_mm

    @property
    def volume_mm3(self) -> float:
        """What it fills: its hole is of no use to others."""
        return pi * self.outer_mm**2 / 4 * self.thickness_mm

    def __post_init__(self) -> None:
        super().__post_init__()
        if self.inner_mm >= self.outer_mm:
            raise ValueError(
                f"inner_mm is {self.inner_mm}, outer_mm is {self.outer_mm}: the hole of a ring is "
                "smaller than the ring. Swap or measure them again."
            )

    @property
    def extents_mm(self) -> tuple[float, float, float]:
        """Longest, middle and shortest side of the box around it."""
        return _sorted_sides(self.outer_mm, self.outer_mm, self.thickness_mm)


Shape = Ball | Rod | Disc | Box | Ring


def _sorted_sides(a: float, b: float, c: float) -> tuple[float, float, float]:
    longest, middle, shortest = sorted((a, b, c), reverse=True)
    return longest, middle, shortest
