"""What to do before a session: what to bring, what to cut, tie and make, and each block's table, words and cautions."""

from collections.abc import Sequence
from dataclasses import dataclass

from core.child import Override
from core.days import day_words
from core.letters import LetterError, pieces_for
from core.library import find_activity, find_thing
from core.offers import UsableCupboard, neighbours, tags_of
from core.planner import Block
from core.safety import CLOSE, RULES


@dataclass(frozen=True)
class KitLine:
    """One thing to bring: how many at most at once, or in all where it is used up; short where there are too few."""

    thing_id: str
    name: str
    wanted: int
    have: int
    used_up: bool
    blocks: tuple[str, ...]

    @property
    def named(self) -> str:
        """The name for as many as are wanted, in lower case."""
        return find_thing(self.thing_id).named(self.wanted)

    @property
    def short(self) -> int:
        """How many are missing; 0 where there are enough."""
        return max(0, self.wanted - self.have)


@dataclass(frozen=True)
class PrepBlock:
    """One block as it is set up and led.

    easier, harder and cautions in the trade's words; too_hard, too_easy and plain_cautions in a family's
    """

    block: Block
    easier: str
    harder: str
    too_hard: str
    too_easy: str
    cautions: tuple[str, ...]
    plain_cautions: tuple[str, ...]


@dataclass(frozen=True)
class PrepSheet:
    """A whole session on paper. general_cautions: what holds for this child whatever is done."""

    kit: tuple[KitLine, ...]
    cut: tuple[str, ...]
    tie: tuple[str, ...]
    blocks: tuple[PrepBlock, ...]
    overrides: tuple[str, ...]
    general_cautions: tuple[str, ...] = ()


def kit_of(blocks: Sequence[Block]) -> tuple[KitLine, ...]:
    """Return what to bring, by name: what is used again at its most, what is used up summed."""
    lines: dict[str, KitLine] = {}
    for block in blocks:
        for q in block.quantities:
            before = lines.get(q.stock_id)
            wanted = (
                q.wanted
                if before is None
                else before.wanted + q.wanted
                if q.single_use
                else max(before.wanted, q.wanted)
            )
            names = (*(before.blocks if before else ()), block.name)
            lines[q.stock_id] = KitLine(q.thing_id, q.name, wanted, q.have, q.single_use, tuple(dict.fromkeys(names)))
    return tuple(sorted(lines.values(), key=lambda line: line.name))


def prep_sheet(
    blocks: Sequence[Block], cupboard: UsableCupboard, overrides: Sequence[Override], name: str = ""
) -> PrepSheet:
    """Return the sheet for a row of blocks in one home.

    overrides -- what a therapist allows this child although a rule bars it; what matters here is on the sheet
    name      -- the child's, for the letters to cut where letters are built
    """
    overridden = {h.rule for b in blocks for h in b.verdict.hits if h.overridden}
    return PrepSheet(
        kit_of(blocks),
        (*(f"{b.name}: {q.words}: {q.cut}" for b in blocks for q in b.quantities if q.cut), *_letters(blocks, name)),
        tuple(f"{b.name}: {_tied(b)}" for b in blocks if _tied(b)),
        tuple(_prepared(b, cupboard) for b in blocks),
        tuple(_allowed(o) for o in overrides if o.rule in overridden),
        tuple(f"{h.reason} {h.remedy}" for h in cupboard.general_cautions),
    )


def _allowed(override: Override) -> str:
    """An override as the sheet prints it."""
    return (
        f"Allowed by {override.by or 'a therapist'} on {day_words(override.on)}, with an adult "
        f"{CLOSE[override.supervision]}: {RULES[override.rule].about}. Reason: {override.reason.rstrip('.')}. "
        f"Review by {day_words(override.review_on)}."
    )


def _letters(blocks: Sequence[Block], name: str) -> tuple[str, ...]:
    """What to cut for the child's name where an activity builds letters; nothing for a name with other signs than A to
    Z.
    """
    built = [b for b in blocks if any(q.thing_id == "letter_pieces" for q in b.quantities)]
    try:
        pieces = pieces_for(name) if built else {}
    except LetterError:
        return ()
    words = ", ".join(f"{n} {piece}{'s' if n > 1 else ''}" for piece, n in pieces.items())
    return tuple(f"{b.name}: for {name.upper()}, {words}" for b in built)


def _tied(block: Block) -> str:
    activity = find_activity(block.variant.activity_id)
    if "tied_line" in tags_of(activity, block.variant.grade):
        return "an adult ties the line at the child's chest height, marks it with a cloth, and takes it down after"
    cords = [q.named for q in block.quantities if next(r for r in activity.roles if r.id == q.role).form == "cord"]
    return f"a stop at one end of the {cords[0]}: a bead or a few turns of tape" if cords else ""


def _prepared(block: Block, cupboard: UsableCupboard) -> PrepBlock:
    easier, harder = neighbours(block.variant, cupboard, block.strand)
    return PrepBlock(
        block,
        easier.words if easier else "",
        harder.words if harder else "",
        easier.tell if easier else "",
        harder.tell if harder else "",
        tuple(f"{h.reason} {h.remedy}" for h in block.verdict.hits),
        tuple(f"{h.plain or h.reason} {h.remedy}" for h in block.verdict.hits),
    )
