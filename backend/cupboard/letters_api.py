"""Letters laid from straight and arc pieces: what a kit builds at once, drawn, and what to cut for a name."""

from collections.abc import Mapping
from dataclasses import asdict

from django.http import HttpRequest
from ninja import Router
from pydantic import Field

from caseload.checks import FieldError
from clinic.auth import member
from clinic.base_schema import Schema
from clinic.problems import Problem
from clinic.routes import KEEPS_NO_KEY, SAYS_UNITS, marked
from core.letters import PIECES, USUAL_KIT, Build, LetterError, build, pieces_for, stroke_of, width_of

router = Router(tags=["cupboard"])
MOST_PIECES = 99


class PieceCount(Schema):
    """A piece of the kit and how many."""

    piece: str
    count: int = Field(ge=0, le=MOST_PIECES)


class LettersIn(Schema):
    """A text to lay, and the kit; an empty kit is the usual one."""

    text: str
    kit: list[PieceCount] = []


class StrokeOut(Schema):
    """A piece as it lies: ends in hundredths of a letter's height, y down; radius 0 is straight, else half a circle.
    number: its turn in writing order.
    """

    number: int
    piece: str
    where: str
    instead_of: str
    x1: float
    y1: float
    x2: float
    y2: float
    radius: float
    clockwise: bool


class LetterOut(Schema):
    """One letter of the text, as wide as its pieces reach."""

    letter: str
    width: float
    strokes: list[StrokeOut]


class LettersOut(Schema):
    """The text as laid; where the kit is short, as it would lie with what is to cut. cut: for every letter in full."""

    letters: list[LetterOut]
    swaps: list[str]
    short: list[PieceCount]
    cut: list[PieceCount]
    usual: list[PieceCount]


@router.post(
    "/letters", response={200: LettersOut, 403: Problem, 422: Problem}, openapi_extra=marked(SAYS_UNITS, KEEPS_NO_KEY)
)
def lay_letters(request: HttpRequest, body: LettersIn) -> LettersOut:
    """What a kit of straights and arcs builds at once, in writing order."""
    member(request)
    kit = {p.piece: p.count for p in body.kit} or dict(USUAL_KIT)
    unknown = sorted(set(kit) - set(PIECES))
    if unknown:
        raise FieldError("kit", unknown[0], "is no piece of the kit", f"Use {', '.join(PIECES)}.")
    try:
        built, cut = build(kit, body.text), pieces_for(body.text)
    except LetterError as error:
        raise FieldError("text", body.text, str(error), "") from error
    drawn = built if built.is_complete else build(cut, body.text)
    return LettersOut(
        letters=_letters(drawn),
        swaps=list(built.swaps),
        short=_counts(built.short),
        cut=_counts(cut),
        usual=_counts(USUAL_KIT),
    )


def _counts(pieces: Mapping[str, int]) -> list[PieceCount]:
    return [PieceCount(piece=p, count=pieces[p]) for p in PIECES if pieces.get(p)]


def _letters(built: Build) -> list[LetterOut]:
    """The placements gathered letter by letter, numbered through the whole text."""
    numbered = list(enumerate(built.placements, start=1))
    result = []
    for at in sorted({p.at for p in built.placements}):
        mine = [(number, p, stroke_of(p)) for number, p in numbered if p.at == at]
        strokes = [
            StrokeOut(number=n, piece=p.piece, where=p.where, instead_of=p.instead_of, **asdict(stroke))
            for n, p, stroke in mine
        ]
        result.append(
            LetterOut(letter=mine[0][1].letter, width=width_of([stroke for *_, stroke in mine]), strokes=strokes)
        )
    return result
