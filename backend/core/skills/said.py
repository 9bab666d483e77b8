"""What a referral or a family says of a child, in their words: wished tasks, ladders that lag, rungs that are done.

A proposal to be looked at, never a fact by itself: words are compared by their stems, clause by clause, and a clause
that says what is hard is told from one that says what is done. Common practice, no source.
"""

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cache
from types import MappingProxyType
from typing import Literal

import snowballstemmer

from core.skills.strands import STRANDS
from core.skills.tasks import WANTED_TASKS

SaidKind = Literal["wish", "behind", "told"]

_TASKS: Mapping[str, str] = MappingProxyType(
    {
        "buttons": "button",
        "zip": "zip, zipper",
        "studs": "stud, popper, press fastener",
        "buckles": "buckle",
        "laces": "lace, shoelace, tie shoe, bow",
        "scissors": "scissors, cut out, cut line, cut shape, cut paper, cutting",
        "name": "write name, name writing",
        "page": "write slow, write tires, write hurts, finish writing, handwriting slow, handwriting tire",
        "copying": "copy board, copy blackboard, copy whiteboard",
        "spoon": "spoon, feed",
        "cutlery": "knife, cutlery, cut food, cut meat, fork",
        "lunchbox": "lunch box, lunchbox, packet, wrapper, snack box",
        "pour": "pour",
        "banana": "banana, peel fruit, peel orange",
        "spread": "spread bread, spread butter, butter bread, butter toast",
        "socks": "sock, put shoe, shoes on, dressing, dress",
        "trousers": "trousers, pants, dressing, dress",
        "coat": "coat, jacket",
        "hands": "wash hand",
        "coins": "coin, money",
        "ball": "ball, catch, throw",
        "tools": "ruler, sharpener, hole punch",
        "case": "pencil case, backpack, school bag, schoolbag",
        "pages": "turn page",
        "keys": "key, door handle",
        "bricks": "brick",
        "drawing": "draw, drawing, colouring, coloring",
        "fold": "fold clothes, fold washing",
        "soap_bottle": "tap, pump, spray bottle",
        "parcel": "wrap present, wrap parcel",
        "tshirt": "t-shirt, tshirt, jumper, pullover, dressing, dress",
        "teeth": "tooth, teeth, toothbrush",
        "hair": "brush hair, tie hair, ponytail",
        "wiping": "wipe bottom, wipe toilet, toilet",
        "keyboard": "keyboard, type",
        "jigsaw": "jigsaw, puzzle",
        "toy": "controller, joystick",
    }
)
_BEHIND: Mapping[str, str] = MappingProxyType(
    {
        "tool_grasp": "pencil grip, pencil grasp, hold pencil, hold crayon, hold pen, pencil hold",
        "object_grasp": "pick small, pick tiny, pincer, fingertip",
        "finger_isolation": "isolate finger, index finger, one finger",
        "squeeze": "hand strength, weak hand, weak grip, hand weak, squeeze",
        "pinch": "pinch, peg, weak finger",
        "hold": "drop thing, lose grip",
        "simple_rotation": "lid, bottle top, in-hand manipulation",
        "to_palm": "in-hand manipulation, hold several",
        "together": "both hands, two hands, bilateral",
        "hold_and_act": "helper hand, other hand, steady paper, hold paper",
        "midline": "midline, swap hand, switch hand, change hand",
        "writing": "handwriting, letter, writing, pre-writing",
        "endurance": "writing tires, write tires, tires quickly writing",
        "toss_catch": "catch",
    }
)
_TOLD: tuple[tuple[str, str, int], ...] = (
    ("undo button", "buttons", 1),
    ("unbutton", "buttons", 1),
    ("pull zip", "zip", 2),
    ("undo zip", "zip", 1),
    ("open zip", "zip", 1),
    ("pull bow", "laces", 1),
    ("first knot", "laces", 3),
    ("knot", "laces", 3),
    ("snip", "cutting", 3),
    ("cut line", "cutting", 5),
    ("cut corner", "cutting", 8),
    ("cut circle", "cutting", 10),
    ("scribble", "writing", 1),
    ("copy circle", "writing", 3),
    ("draw circle", "writing", 3),
    ("copy cross", "writing", 4),
    ("copy square", "writing", 6),
    ("write name", "writing", 7),
    ("crayon fist", "tool_grasp", 1),
    ("pencil fist", "tool_grasp", 1),
    ("tripod", "tool_grasp", 4),
    ("use spoon", "cutlery", 2),
    ("eat spoon", "cutlery", 2),
    ("spear fork", "cutlery", 3),
    ("strap", "studs", 2),
    ("catch ball", "toss_catch", 1),
)
"""What is done, said of a child, and the rung of its ladder."""

_CLAUSE = re.compile(r"[.;:!?\n]+|,|\bbut\b|\balthough\b|\bthough\b|\bwhile\b", re.IGNORECASE)
_HARD = re.compile(
    r"n['’]t\b|\b(not|cannot|no|never|unable|only with|struggl\w*|difficult\w*|hard|trouble|problems?|poor|weak\w*"
    r"|avoid\w*|refus\w*|needs?|help|yet|behind|slow\w*|tir\w*|late|wants?|wish\w*|hop\w*|would|goals?|learn\w*"
    r"|clumsy|awkward\w*|swaps?|switch\w*)\b",
    re.IGNORECASE,
)
_DONE = re.compile(
    r"\b(can|manag\w*|able|independent\w*|alone|well|already|easily|fine|good|likes?|loves?|enjoys?)\b", re.IGNORECASE
)


@dataclass(frozen=True)
class Said:
    """What a clause says: a task wished for, a strand that lags, or a rung of one that is done; and the clause itself.

    name -- the task, the strand, or what is done at the rung
    """

    kind: SaidKind
    id: str
    name: str
    words: str
    rung: int | None = None


def read_said(text: str) -> tuple[Said, ...]:
    """Return what a text says of a child, each once, in its order; nothing where it says nothing we know."""
    found: dict[tuple[SaidKind, str], Said] = {}
    before: list[Said] = []
    for clause in (" ".join(c.split()) for c in _CLAUSE.split(text)):
        said = [*_read(clause)] or [*_again(clause, before)]
        for one in said:
            found.setdefault((one.kind, one.id), one)
        before = said or before
    told = {s.id for s in found.values() if s.kind == "told"}
    return tuple(s for s in found.values() if not (s.kind == "behind" and s.id in told))


def _read(clause: str) -> Iterator[Said]:
    stems = _stems(clause)
    if _HARD.search(clause):
        for task, phrases in _TASKS.items():
            if _any(phrases, stems):
                yield Said("wish", task, WANTED_TASKS[task].name, clause)
        for strand, phrases in _BEHIND.items():
            if _any(phrases, stems):
                yield Said("behind", strand, STRANDS[strand].name, clause)
        return
    for phrase, strand, rung in _TOLD:
        if _stems(phrase) <= stems:
            yield Said("told", strand, STRANDS[strand].rung(rung).words, clause, rung)
    if not _DONE.search(clause):
        for task, phrases in _TASKS.items():
            if _any(phrases, stems):
                yield Said("wish", task, WANTED_TASKS[task].name, clause)


def _again(clause: str, before: list[Said]) -> Iterator[Said]:
    """What is hard about what was just said to be done: “undoes buttons, but can't do them up”."""
    if _HARD.search(clause) and re.search(r"\b(it|them|those|one)\b", clause, re.IGNORECASE):
        for ladder in (s.id for s in before if s.kind == "told"):
            tasks = [t for t in WANTED_TASKS.values() if t.strand == ladder]
            if len(tasks) == 1:
                yield Said("wish", tasks[0].id, tasks[0].name, clause)


def _any(phrases: str, stems: frozenset[str]) -> bool:
    return any(_stems(phrase) <= stems for phrase in phrases.split(","))


_STEMMER = snowballstemmer.stemmer("english")


@cache
def _stem(word: str) -> str:
    return str(_STEMMER.stemWord(word))


def _stems(text: str) -> frozenset[str]:
    return frozenset(_stem(word) for word in re.findall(r"[a-z]+", text.lower()))
