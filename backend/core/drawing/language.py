"""The drawing language as somebody writes in it: what each act shows and what it takes, and what is wrong with a
picture.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from typing import Literal

from core.drawing.acts import ACTS
from core.drawing.canvas import Canvas
from core.drawing.hands import hand_mm
from core.drawing.picture import USUAL_AGE, values_at
from core.drawing.scene import HIGH, WIDE, Scene
from core.library import ACTIVITIES, Activity, Issue
from core.library.picture import ByStep, Frame
from core.materials import Thing
from core.offers import variants_of

InputKind = Literal["role", "word", "number", "yes"]


@dataclass(frozen=True)
class Input:
    """One thing an act takes: a role of the activity, a word out of `options`, a number, or yes or no."""

    key: str
    kind: InputKind
    options: tuple[str, ...] = ()


@dataclass(frozen=True)
class ActWords:
    """One act: what it shows, in words, and what it takes."""

    id: str
    words: str
    takes: tuple[Input, ...]


@cache
def act_language() -> tuple[ActWords, ...]:
    """Return every act with what it takes; the words it knows are those the library's own pictures use."""
    return tuple(_act_words(name) for name in sorted(ACTS))


def picture_issues(activity: Activity) -> list[Issue]:
    """Return what keeps a picture from being drawn at some grade, at its frame; nothing where all is well."""
    result = []
    for i, frame in enumerate(activity.picture):
        issue = _frame_issue(activity, frame)
        if issue:
            result.append(Issue(f"picture.{i}", *issue))
    return result


def _frame_issue(activity: Activity, frame: Frame) -> tuple[str, str] | None:
    if frame.act not in ACTS:
        return f"There is no act {frame.act!r}.", f"Use one of {', '.join(sorted(ACTS))}."
    for variant in variants_of(activity):
        scene = Scene(
            frozenset(r.id for r in activity.roles),
            {},
            {r.id: r.form for r in activity.roles},
            {},
            values_at(activity, frame, variant.grade),
            hand_mm(USUAL_AGE),
        )
        try:
            ACTS[frame.act](Canvas(WIDE, HIGH), scene)
        except (ValueError, LookupError, TypeError, ArithmeticError) as error:
            return f"It can't be drawn: {error}", "Choose a role, a word or a number that the act knows."
    return None


class _Heard(Scene):
    """A scene that notes what an act asks it for."""

    def thing(self, key: str) -> Thing | None:
        self._note(key, "role")
        return None

    def form(self, key: str) -> str:
        self._note(key, "role")
        return "item"

    def word(self, key: str, other: str = "") -> str:
        self._note(key, "word")
        return other

    def number(self, key: str, other: float = 0) -> float:
        self._note(key, "number")
        return other

    def yes(self, key: str) -> bool:
        self._note(key, "yes")
        return False

    def _note(self, key: str, kind: InputKind) -> None:
        self.heard.setdefault(key, kind)

    @property
    def heard(self) -> dict[str, InputKind]:
        """What was asked for so far, and as what."""
        noted: dict[str, InputKind] = self.__dict__.setdefault("_heard", {})
        return noted


def _act_words(name: str) -> ActWords:
    scene = _Heard(frozenset(), {}, {}, {}, {}, hand_mm(USUAL_AGE))
    ACTS[name](Canvas(WIDE, HIGH), scene)
    used: dict[str, list[str]] = {}
    kinds = dict(scene.heard)
    for key, value, is_role in _used_in_library(name):
        kinds.setdefault(key, "role" if is_role else _kind_of(value))
        if kinds[key] == "word" and str(value) not in used.setdefault(key, []):
            used[key].append(str(value))
    takes = tuple(Input(key, kind, tuple(used.get(key, ()))) for key, kind in kinds.items())
    words = " ".join((ACTS[name].__doc__ or name).split()).split(". ")[0].split(". Takes")[0].rstrip(".")
    return ActWords(name, words, takes)


def _used_in_library(name: str) -> Iterator[tuple[str, object, bool]]:
    for activity in ACTIVITIES.values():
        roles = {r.id for r in activity.roles}
        for frame in activity.picture:
            if frame.act == name:
                for key, value in frame.values.items():
                    for v in value.of if isinstance(value, ByStep) else (value,):
                        yield key, v, v in roles


def _kind_of(value: object) -> InputKind:
    return "yes" if isinstance(value, bool) else "number" if isinstance(value, int | float) else "word"
