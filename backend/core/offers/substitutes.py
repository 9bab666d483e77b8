"""Another thing in the same role: what the swap does to difficulty, to quantity and to the hazards."""

from dataclasses import dataclass

from core.library.declare import Family
from core.materials import Material, Role
from core.offers.grading import difficulty
from core.offers.usable_cupboard import House
from core.offers.variants import Variant, asked_of, checked_variant, roles_of, set_count, variants_of
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


def swaps(variant: Variant, role_id: str, house: House) -> tuple[Swap, ...]:
    """Return every other thing in the house for one role of a variant: usable ones by how little they change, barred ones last.

    Raises ValueError when the activity has no such role; NotThere when family or grade does not exist.
    """
    family = checked_variant(variant)
    role = next((r for r in family.roles if r.id == role_id), None)
    if role is None:
        raise ValueError(f"{family.name} has no role {role_id!r}. Use one of {', '.join(r.id for r in family.roles)}.")
    offer = house.offer(variant)
    now = next((q.stock_id for q in offer.quantities if q.role == role_id), "") if offer else ""
    found = [
        swap for at, stock in enumerate(house.stock)
        if stock.id != now and (swap := _swap(variant, family, role, house, at, now)) is not None
    ]  # fmt: skip
    return tuple(sorted(found, key=lambda s: (bool(s.barred), abs(s.rungs), s.rounds, s.name)))


def _swap(variant: Variant, family: Family, role: Role, house: House, at: int, now: str) -> Swap | None:
    stock, thing = house.stock[at], house.things[at]
    grade = _nearest_grade(variant, family, role, thing)
    if grade is None:
        return None
    count = set_count(family, grade.grade, house.child.counting_months)
    if stock.count < role.least(count):
        return None
    strand, full = family.strand, role.quantity(count)
    hits, before = house.verdicts[at].hits, _hits_of(house, now)
    barred = hits[0].reason if house.verdicts[at].status == "barred" else ""
    return Swap(
        stock.id, thing.name, grade, difficulty(grade)[strand] - difficulty(variant)[strand], min(full, stock.count), stock.count,
        max(1, -(-full // stock.count)), tuple(h for h in hits if h.rule not in {b.rule for b in before}),
        tuple(b.reason for b in before if b.rule not in {h.rule for h in hits}), barred,
    )  # fmt: skip


def _hits_of(house: House, stock_id: str) -> tuple[Hit, ...]:
    return next((v.hits for s, v in zip(house.stock, house.verdicts, strict=True) if s.id == stock_id), ())


def _nearest_grade(variant: Variant, family: Family, role: Role, thing: Material) -> Variant | None:
    """The grade nearest to the one asked, in steps changed and then in rungs, that this thing can play the role at."""

    def distance(v: Variant) -> tuple[int, float]:
        moved = sum(a != b for a, b in zip(v.grade, variant.grade, strict=True))
        return moved, abs(difficulty(v)[family.strand] - difficulty(variant)[family.strand])

    touching = [i for i, a in enumerate(family.axes) if any(role.id in s.needs for s in a.steps)]
    same_elsewhere = (
        v for v in variants_of(family)
        if all(v.grade[i] == variant.grade[i] for i in range(len(v.grade)) if i not in touching)
        and role in roles_of(family, v.grade)
        and role.filled_by(thing, asked_of(family, v.grade, role.id))
    )  # fmt: skip
    return min(same_elsewhere, key=distance, default=None)
