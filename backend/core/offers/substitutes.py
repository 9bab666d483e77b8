"""Another thing in the same role: what the swap does to difficulty, to quantity and to the hazards."""

from dataclasses import dataclass

from core.errors import NotThere
from core.library import find_activity
from core.library.activity import Activity
from core.materials import Role, Thing
from core.offers.usable_cupboard import UsableCupboard
from core.offers.variants import Variant, ask_of, asked_of, checked_variant, difficulty, roles_of, variants_of
from core.safety import Hit


@dataclass(frozen=True)
class Swap:
    """One thing that could stand in.

    variant  -- the grade it makes: the same where it meets the grade's needs, else the nearest it can make
    rungs    -- harder (above 0) or easier (below 0), in rungs
    wanted   -- how many a set wants; have how many are here; rounds over 1 uses the same ones again
    hazards  -- what it brings that the thing now in use does not; gone what it takes away
    barred   -- why it may not be used, empty where it may
    """

    stock_id: str
    name: str
    variant: Variant
    rungs: float
    wanted: int
    have: int
    rounds: int
    hazards: tuple[Hit, ...]
    gone: tuple[str, ...]
    barred: str

    @property
    def grade(self) -> tuple[int, ...]:
        """The chosen step of each axis."""
        return self.variant.grade

    @property
    def words(self) -> str:
        """The effect in words."""
        if self.barred:
            return self.barred
        effort = (
            "same difficulty"
            if abs(self.rungs) < 0.05
            else f"{abs(self.rungs):.1f} rungs {'harder' if self.rungs > 0 else 'easier'}"
        )
        count = f"{self.wanted} wanted, {self.have} here" + (f": {self.rounds} rounds" if self.rounds > 1 else "")
        care = "".join(f"; care: {h.reason}" for h in self.hazards) + "".join(f"; no longer: {g}" for g in self.gone)
        return f"{effort}; {count}{care}"


def swaps(variant: Variant, role_id: str, cupboard: UsableCupboard) -> tuple[Swap, ...]:
    """Return every other thing in the home for one role of a variant: usable ones by how little they change, barred
    ones last.

    Raises NotThere when the activity has no such role; NotThere when activity or grade does not exist.
    """
    activity = checked_variant(variant)
    role = next((r for r in activity.roles if r.id == role_id), None)
    if role is None:
        raise NotThere(
            f"{activity.name} has no role {role_id!r}. Use one of {', '.join(r.id for r in activity.roles)}."
        )
    offer = cupboard.offer(variant)
    now = next((q.stock_id for q in offer.quantities if q.role == role_id), "") if offer else ""
    result = [
        swap
        for at, judged in enumerate(cupboard.judged)
        if judged.stock.id != now and (swap := _swap(variant, activity, role, cupboard, at, now)) is not None
    ]
    return tuple(sorted(result, key=lambda s: (bool(s.barred), abs(s.rungs), s.rounds, s.name)))


def _swap(variant: Variant, activity: Activity, role: Role, cupboard: UsableCupboard, at: int, now: str) -> Swap | None:
    """One thing in a role: at the nearest grade the cupboard can fill with it; else barred, with why, or no swap."""
    stock, thing = cupboard.judged[at].stock, cupboard.judged[at].thing
    grades = _grades_nearest_first(variant, activity, role, thing)
    barred = ""
    for grade in grades:
        ask = ask_of(activity, grade.grade)
        filling = cupboard.filling_with(ask, role.id, at)
        if filling is not None:
            used = next(q for q in filling.quantities if q.role == role.id)
            return _described(variant, grade, cupboard, at, now, (used.wanted, used.rounds))
        barred = barred or cupboard.bar_on(ask, role.id, at)
    if not barred:
        return None  # it does not fit what it has to fit, or there is too little of it
    full = role.quantity(cupboard.tries(ask_of(activity, grades[0].grade)))
    wanted = min(full, stock.count)
    return _described(variant, grades[0], cupboard, at, now, (wanted, max(1, -(-full // wanted))), barred)


def _described(
    variant: Variant,
    grade: Variant,
    cupboard: UsableCupboard,
    at: int,
    now: str,
    amount: tuple[int, int],
    barred: str = "",
) -> Swap:
    """amount -- how many a set wants at once, and in how many rounds"""
    judged, strand = cupboard.judged[at], find_activity(grade.activity_id).strand
    hits, before = judged.verdict.hits, _hits_of(cupboard, now)
    return Swap(
        judged.stock.id,
        judged.thing.name,
        grade,
        difficulty(grade)[strand] - difficulty(variant)[strand],
        amount[0],
        judged.stock.count,
        amount[1],
        tuple(h for h in hits if h.rule not in {b.rule for b in before}),
        tuple(b.reason for b in before if b.rule not in {h.rule for h in hits}),
        barred,
    )


def _hits_of(cupboard: UsableCupboard, stock_id: str) -> tuple[Hit, ...]:
    return next((j.verdict.hits for j in cupboard.judged if j.stock.id == stock_id), ())


def _grades_nearest_first(variant: Variant, activity: Activity, role: Role, thing: Thing) -> list[Variant]:
    """The grades whose needs for the role this thing meets, by steps changed and then by rungs, from the one asked."""

    def distance(v: Variant) -> tuple[int, float]:
        moved = sum(a != b for a, b in zip(v.grade, variant.grade, strict=True))
        return moved, abs(difficulty(v)[activity.strand] - difficulty(variant)[activity.strand])

    touching = [i for i, a in enumerate(activity.axes) if any(role.id in s.needs for s in a.steps)]
    same_elsewhere = (
        v
        for v in variants_of(activity)
        if all(v.grade[i] == variant.grade[i] for i in range(len(v.grade)) if i not in touching)
        and any(r.id == role.id for r in roles_of(activity, v.grade))
        and role.filled_by(thing, asked_of(activity, v.grade, role.id))
    )
    return sorted(same_elsewhere, key=distance)
