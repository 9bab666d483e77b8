"""How a thing is made at home: what it is made of, with which tools, what only an adult does, how long it takes.

Common practice, no source; minutes from memory.
"""

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True)
class Part:
    """One ingredient: any of these things, how many, or a plain supply that no cupboard lists."""

    words: str
    count: int = 1
    any_of: tuple[str, ...] = ()


@dataclass(frozen=True)
class Recipe:
    """How one thing is made. adult_steps are never the child's; child_steps may be."""

    thing_id: str
    name: str
    parts: tuple[Part, ...]
    tools: tuple[str, ...]
    adult_steps: tuple[str, ...]
    child_steps: tuple[str, ...]
    minutes: int
    makes: int = 1
    tags: tuple[str, ...] = ("adult_cuts",)

    def missing(self, have: Mapping[str, int]) -> tuple[Part, ...]:
        """The parts that nothing here makes up in the number wanted; plain supplies count as there.

        have -- how many there are, by thing id
        """
        return tuple(p for p in self.parts if p.any_of and all(have.get(id, 0) < p.count for id in p.any_of))
