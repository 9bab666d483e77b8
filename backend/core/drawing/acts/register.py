"""Where acts are kept by name, each with what it takes: docs, forms and checks are made from that."""

from collections.abc import Callable, Collection, Iterator, Mapping
from dataclasses import dataclass
from typing import Literal

from core.drawing.canvas import Canvas
from core.drawing.scene import Scene
from core.library.picture import Value

InputKind = Literal["role", "word", "text", "number", "yes"]
Draw = Callable[[Canvas, Scene], str]


@dataclass(frozen=True)
class Takes:
    """One thing an act takes: a role of the activity, a word out of `options`, any text, a number, or yes or no."""

    kind: InputKind
    options: tuple[str, ...] = ()

    def refuses(self, value: Value, roles: Collection[str]) -> str:
        """What would be right in place of a value, in words; empty where it is right."""
        match self.kind:
            case "role":
                return "" if value in ("none", "", *roles) else f"a role: {', '.join(sorted(roles))}"
            case "word":
                return "" if value in self.options else f"one of {', '.join(self.options)}"
            case "text":
                return "" if isinstance(value, str) else "a text"
            case "number":
                return "" if isinstance(value, int | float) and not isinstance(value, bool) else "a number"
            case _:
                return "" if value in (True, False) else "yes or no"


def role() -> Takes:
    """A role of the activity, by its id; none where nothing plays it."""
    return Takes("role")


def one_of(*words: str) -> Takes:
    """One of these words."""
    return Takes("word", words)


def text() -> Takes:
    """Any text, as it is written."""
    return Takes("text")


def number() -> Takes:
    """A number."""
    return Takes("number")


def yes() -> Takes:
    """Yes or no."""
    return Takes("yes")


@dataclass(frozen=True)
class Act:
    """One act of the drawing language: what it shows, in words, what it takes, and how it is drawn."""

    id: str
    words: str
    takes: Mapping[str, Takes]
    draw: Draw

    def issues(self, values: Mapping[str, Value], roles: Collection[str]) -> Iterator[tuple[str, str]]:
        """What is wrong with values for it, each with what to do; what it does not take, it leaves alone."""
        for key, takes in self.takes.items():
            if key in values and (right := takes.refuses(values[key], roles)):
                yield f"{key} of “{self.id}” can't be {values[key]!r}.", f"Give {right}."


ACTS: dict[str, Act] = {}


def act(**takes: Takes) -> Callable[[Draw], Draw]:
    """Keep an act under its own name, with what it takes."""

    def keep(draw: Draw) -> Draw:
        id = draw.__name__.rstrip("_")
        ACTS[id] = Act(id, " ".join((draw.__doc__ or id).split()).removesuffix("."), takes, draw)
        return draw

    return keep
