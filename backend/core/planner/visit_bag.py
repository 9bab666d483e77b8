"""The visit bag: for a day's visits, the fewest things to carry, tools once, what is used up summed, homes' own things
left out.
"""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import product
from typing import Any

from core.child import Child, Setting
from core.library import find_activity
from core.materials import Role, Stock
from core.offers import UsableCupboard, Variant, ask_of, asked_of, checked_variant, roles_of, room, tags_of, tries_for
from core.planner.request import PlanStatus
from core.planner.solver import run
from core.safety import assess_together

LINE = 1000  # one more thing to carry weighs more than any number of pieces of it


@dataclass(frozen=True)
class Visit:
    """One child seen that day: what is planned, as (grade, sets), and what that home has."""

    name: str
    child: Child
    setting: Setting
    planned: tuple[tuple[Variant, int], ...]
    home: tuple[Stock, ...]


@dataclass(frozen=True)
class Line:
    """One thing in the bag: how many, for whom, and how it goes from child to child."""

    thing_id: str
    name: str
    count: int
    visits: tuple[str, ...]
    between: str


@dataclass(frozen=True)
class Use:
    """What plays a role at a visit: from the home or from the bag."""

    visit: str
    activity_id: str
    role: str
    name: str
    count: int
    from_home: bool


@dataclass(frozen=True)
class Bag:
    """What to carry. status: optimal, feasible or infeasible (with what is missing)."""

    status: PlanStatus
    lines: tuple[Line, ...] = ()
    uses: tuple[Use, ...] = ()
    missing: tuple[str, ...] = ()


Option = tuple[str, bool]  # a stock id, and whether it is the home's own


@dataclass(frozen=True)
class Want:
    """One role of one planned block at one visit, and what may fill it: (stock id, from home), each with how many."""

    visit: int
    activity_id: str
    role: Role
    options: Mapping[Option, int]
    block: int


def pack_bag(visits: Sequence[Visit], store: Sequence[Stock]) -> Bag:
    """Return the fewest things to carry so that every planned block can be done; among equals the fewest pieces.

    store -- what the clinic has to pack from
    The same request always gives the same bag. What nothing fills is named, the rest is packed.
    """
    wants, missing = wants_of(visits, store)
    chosen, status = _fewest(wants, visits, store)
    if status == "infeasible":
        return Bag(status, missing=(*missing, "the things here do not fit each other: add one more of a kind"))
    carried: defaultdict[str, list[tuple[int, int]]] = defaultdict(list)
    uses = []
    things = {s.id: s for s in store}
    for want, (stock_id, home) in chosen:
        count = want.options[stock_id, home]
        stock = next(s for s in visits[want.visit].home if s.id == stock_id) if home else things[stock_id]
        uses.append(Use(visits[want.visit].name, want.activity_id, want.role.id, stock.thing.name, count, home))
        if not home:
            carried[stock_id].append((count, want.visit))
    lines = tuple(_line(things[k], carried[k], visits) for k in sorted(carried, key=lambda k: things[k].thing.name))
    return Bag(status, lines, tuple(uses), tuple(missing))


def wants_of(visits: Sequence[Visit], store: Sequence[Stock]) -> tuple[list[Want], list[str]]:
    """Every role of every planned block with what may fill it safely for that child; and what nothing fills."""
    wants: list[Want] = []
    missing: list[str] = []
    for at, visit in enumerate(visits):
        cupboards = (
            UsableCupboard(visit.home, visit.child, visit.setting),
            UsableCupboard(store, visit.child, visit.setting),
        )
        for place, (variant, sets) in enumerate(visit.planned):
            activity = checked_variant(variant)
            count = tries_for(ask_of(activity, variant.grade), visit.child)
            for role in (r for r in roles_of(activity, variant.grade) if not r.optional):
                wants_role = _want(at, place, variant, role, count, sets, cupboards)
                wants += [wants_role] if wants_role.options else []
                if not wants_role.options:
                    question = role.asks(asked_of(activity, variant.grade, role.id))
                    missing.append(f"{visit.name}: {question} for {activity.name}")
    return wants, missing


def _want(
    at: int,
    place: int,
    variant: Variant,
    role: Role,
    count: int,
    sets: int,
    cupboards: tuple[UsableCupboard, UsableCupboard],
) -> Want:
    activity = checked_variant(variant)
    options, least = {}, role.least(count)
    for cupboard, home in zip(cupboards, (True, False), strict=True):
        for judged in cupboard.judged:
            stock, thing, verdict = judged.stock, judged.thing, judged.verdict
            together = assess_together([thing], tags_of(activity, variant.grade), cupboard.child, cupboard.setting)
            fits = role.filled_by(thing, asked_of(activity, variant.grade, role.id))
            own_hand = thing.handed is None or cupboard.child.skill_hand in (thing.handed, "not_settled")
            needed = least * sets if thing.single_use else least
            if (
                fits
                and own_hand
                and verdict.status != "barred"
                and together.status != "barred"
                and stock.count >= needed
            ):
                options[stock.id, home] = needed
    return Want(at, activity.id, role, options, place)


def _fewest(
    wants: Sequence[Want], visits: Sequence[Visit], store: Sequence[Stock]
) -> tuple[list[tuple[Want, Option]], PlanStatus]:
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    packed = {s.id: model.new_bool_var(f"pack {s.id}") for s in store}
    pieces = {s.id: model.new_int_var(0, s.count, f"pieces {s.id}") for s in store}
    use: list[dict[Option, Any]] = []
    for i, want in enumerate(wants):
        literals = {o: model.new_bool_var(f"use{i} {o}") for o in want.options}
        model.add_exactly_one(literals.values())
        use.append(literals)
        for (stock_id, home), literal in literals.items():
            if not home:
                model.add_implication(literal, packed[stock_id])
    _different(model, wants, use)
    _going_together(model, wants, use, visits, store)
    _amounts(model, wants, use, visits, {s.id: s for s in store}, pieces)
    model.minimize(LINE * sum(packed.values()) + sum(pieces.values()))
    solver, status = run(model)
    if status == "infeasible":
        return [], status
    return [(w, next(o for o, x in u.items() if solver.value(x))) for w, u in zip(wants, use, strict=True)], status


def _going_together(
    model: Any, wants: Sequence[Want], use: list[dict[Option, Any]], visits: Sequence[Visit], store: Sequence[Stock]
) -> None:
    """A bead and its line, a tube and what goes through it: never two things of a block that do not pass each other."""
    things = {(v, s.id, True): s.thing for v, visit in enumerate(visits) for s in visit.home}
    things |= {(v, s.id, False): s.thing for v in range(len(visits)) for s in store}
    places = {(w.visit, w.block, w.role.id): i for i, w in enumerate(wants)}
    for (visit, block, role), i in places.items():
        for fit in find_activity(wants[i].activity_id).fits:
            other = places.get((visit, block, fit.inner))
            if role != fit.outer or other is None:
                continue
            for outer, inner in product(use[i], use[other]):
                if room(fit, things[visit, *outer], things[visit, *inner]) < wants[other].options[inner]:
                    model.add_bool_or(use[i][outer].negated(), use[other][inner].negated())


def _different(model: Any, wants: Sequence[Want], use: list[dict[Option, Any]]) -> None:
    """One thing plays one role in a block."""
    by_block: defaultdict[tuple[int, int, Option], list[Any]] = defaultdict(list)
    for want, literals in zip(wants, use, strict=True):
        for option, literal in literals.items():
            by_block[want.visit, want.block, option].append(literal)
    for key in sorted(by_block):
        model.add_at_most_one(by_block[key])


def _amounts(
    model: Any,
    wants: Sequence[Want],
    use: list[dict[Option, Any]],
    visits: Sequence[Visit],
    store: dict[str, Stock],
    pieces: dict[str, Any],
) -> None:
    """How many of each: the most any block wants of a tool; the sum of what is used up, or can't be washed between."""
    per_visit: defaultdict[tuple[str, int], list[Any]] = defaultdict(list)
    for want, literals in zip(wants, use, strict=True):
        for (stock_id, home), literal in literals.items():
            if home:
                continue
            if store[stock_id].thing.single_use:
                per_visit[stock_id, want.visit].append(want.options[stock_id, home] * literal)
            else:
                model.add(pieces[stock_id] >= want.options[stock_id, home] * literal)
                if doubled(store[stock_id], visits[want.visit]):
                    most = model.new_int_var(0, want.options[stock_id, home], "")
                    model.add(most >= want.options[stock_id, home] * literal)
                    per_visit[stock_id, want.visit].append(most)
    for stock_id in {k for k, _ in per_visit}:
        model.add(pieces[stock_id] >= sum(sum(v) for (k, _), v in sorted(per_visit.items()) if k == stock_id))


def doubled(stock: Stock, visit: Visit) -> bool:
    """Whether each child needs one of its own: it soaks up or goes in the mouth, and can't be washed on the way."""
    thing = stock.thing
    soaks = thing.shared_risk or (thing.soft and not thing.firm and visit.child.mouths)
    return soaks and not thing.single_use


def _line(stock: Stock, wants: list[tuple[int, int]], visits: Sequence[Visit]) -> Line:
    thing = stock.thing
    at = sorted({v for _, v in wants})
    if thing.single_use:
        count, between = sum(n for n, _ in wants), "used up"
    elif any(doubled(stock, visits[v]) for v in at):
        count, between = sum(n for n, _ in wants), "one each, with the child's name"
    else:
        count = max(n for n, _ in wants)
        mouthed = any(visits[v].child.mouths for v in at)
        between = "" if len(at) == 1 else "washed between children" if mouthed else "used again"
    return Line(thing.id, thing.name, count, tuple(visits[v].name for v in at), between)
