"""Many counts of a cupboard at once, tapped or from a list."""

import csv
from collections.abc import Mapping
from difflib import get_close_matches

from caseload.checks import FieldError, FieldErrors
from caseload.models import Home
from clinic.actions import Done, acting
from clinic.models import Member
from core.library import THINGS
from core.materials import Thing
from cupboard.actions import checked_count, checked_line
from cupboard.models import StockItem
from shelf.queries import KnownThings, things_in_use

MOST_LINES = 1000
MOST_DIGITS = 9  # of a count: no cupboard holds more
MOST_SAID = 20  # of a list's bad lines
MOST_LETTERS = 100_000


@acting("cupboard.edit")
def set_counts(member: Member, home: Home, counts: Mapping[str, int]) -> Done[None]:
    """Say how many there are of several things. What was measured or read stays; a line with none left and nothing
    measured goes. Raises FieldError at the first count that can't be, and keeps none of them then.
    """
    known = KnownThings(home.clinic_id)
    for thing_id, count in counts.items():
        checked_line(thing_id, count, {}, known)
    before = {i.thing_id: i for i in StockItem.objects.select_for_update().filter(home=home, thing_id__in=counts)}
    changed = {t: n for t, n in counts.items() if n != (before[t].count if t in before else 0)}
    said = {t: {"before": before[t].count if t in before else 0, "after": n} for t, n in changed.items()}
    gone = [before[t] for t, n in changed.items() if not n and not before[t].measured and not before[t].labels]
    kept = [before[t] for t in changed if t in before and before[t] not in gone]
    for line in kept:
        line.count, line.version = changed[line.thing_id], line.version + 1
    StockItem.objects.filter(pk__in=[line.pk for line in gone]).delete()
    StockItem.objects.bulk_update(kept, ["count", "version"])
    StockItem.objects.bulk_create(
        [StockItem(home=home, thing_id=t, count=n) for t, n in changed.items() if n and t not in before],
        update_conflicts=True,  # somebody else added it at the same moment: the last word stands
        unique_fields=["home", "thing_id"],
        update_fields=["count"],
    )
    return Done(None, home, None, {"counts": said})


def counts_in(text: str, clinic_id: int) -> dict[str, int]:
    """Read a list of things: comma-separated lines of thing and count, the thing by its name or id, the count left
    out for the usual one. A first line that says "thing,count" is a heading.

    Raises FieldErrors at every line that can't be read, the first twenty of them.
    """
    if len(text) > MOST_LETTERS:
        raise FieldError("list", f"{len(text)} letters", "This list is too long.", "Send it in several parts.")
    things = {**THINGS, **things_in_use(clinic_id)}
    known = {name: i for i, t in things.items() for name in (i, _plain(t.name), _plain(t.one), _plain(t.many))}
    counts: dict[str, int] = {}
    wrong: list[FieldError] = []
    for number, line in enumerate(csv.reader(text.splitlines()), start=1):
        cells = [cell.strip() for cell in line]
        if not any(cells) or (number == 1 and _plain(cells[0]) in ("thing", "name", "item")):
            continue
        try:
            thing_id, count = _line(cells, known, things, suggest=len(wrong) < MOST_SAID)
            counts[thing_id] = counts.get(thing_id, 0) + count
        except FieldError as error:
            wrong.append(FieldError(f"line {number}", error.value, error.reason, error.remedy))
        if number > MOST_LINES:
            raise FieldError("list", number, f"A list has up to {MOST_LINES} lines.", "Send it in several parts.")
    if wrong:
        raise FieldErrors(wrong[:MOST_SAID])
    if not counts:
        raise FieldError("list", "", "This list is empty.", "Write one a line, as: Wooden spoon, 2")
    for count in counts.values():
        checked_count(count)
    return counts


def _line(cells: list[str], known: Mapping[str, str], things: Mapping[str, Thing], suggest: bool) -> tuple[str, int]:
    """suggest -- whether a name nobody knows is held against all the others, which takes its time"""
    name = _plain(cells[0])
    if name not in known:
        near = get_close_matches(name[:60], known, n=1, cutoff=0.6) if suggest else []
        remedy = f"Did you mean “{things[known[near[0]]].name}”?" if near else "Choose a name from the checklist."
        raise FieldError("", cells[0], f"“{cells[0][:40]}” is not a known thing.", remedy)
    thing_id = known[name]
    written = cells[1] if len(cells) > 1 else ""
    if not written:
        return thing_id, things[thing_id].typical_count
    if not written.isdecimal() or len(written) > MOST_DIGITS:
        raise FieldError("", written, f"“{written[:20]}” is not a number of things.", "Write it in digits.")
    checked_count(int(written))
    return thing_id, int(written)


def _plain(name: str) -> str:
    return " ".join(name.lower().replace("-", " ").split())
