"""How many sets the consumables of a home last for, a row of blocks together."""

from collections.abc import Sequence
from dataclasses import replace

from core.planner.request import Block


def shared_out(blocks: Sequence[Block]) -> tuple[Block, ...]:
    """Return the blocks with no more sets than what is used up lasts for, all of them together.

    Every block keeps one set; what is left goes to further sets, the earlier blocks first. A hand may arrange a row
    that needs more than there is for one set each: then the kit list says what is short.
    """
    left: dict[str, int] = {}
    for block in blocks:
        for stock_id, wanted, have in _used_up(block):
            left[stock_id] = left.get(stock_id, have) - wanted
    return tuple(_within(block, left) for block in blocks)


def _used_up(block: Block) -> list[tuple[str, int, int]]:
    """(stock id, wanted for one set, have) of what a block uses up."""
    return [(q.stock_id, q.wanted // block.sets, q.have) for q in block.quantities if q.single_use]


def _within(block: Block, left: dict[str, int]) -> Block:
    uses = [(stock_id, wanted) for stock_id, wanted, _ in _used_up(block) if wanted]
    more = min([block.sets - 1, *(max(0, left[stock_id]) // wanted for stock_id, wanted in uses)])
    for stock_id, wanted in uses:
        left[stock_id] -= more * wanted
    if more == block.sets - 1:
        return block
    sets = more + 1
    quantities = (replace(q, wanted=q.wanted // block.sets * sets) if q.single_use else q for q in block.quantities)
    return replace(block, sets=sets, quantities=tuple(quantities))
