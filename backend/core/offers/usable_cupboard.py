"""What one home can offer one child in one setting: which things fill which roles at which grade.

Built once for a child, a cupboard and a setting; every question after that is a few bit operations.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache
from math import inf, log2
from types import MappingProxyType

from core import safety
from core.child import Child, Setting
from core.library import ACTIVITIES, THINGS, find_activity, find_thing
from core.library.activity import Activity
from core.materials import Need, Role, Stock, Thing
from core.offers.fitting import room
from core.offers.homemade import RECIPES
from core.offers.offer import Filling, Lack, Offer, Quantity
from core.offers.variants import Ask, Variant, ask_of, asks_of, tries_for
from core.safety import RANK, Hit, Verdict, assess_together
from core.units import in_proportion


@dataclass(frozen=True)
class Judged:
    """One line of a cupboard as it measures here, with the verdict on it for one child in one setting."""

    stock: Stock
    thing: Thing
    verdict: Verdict

    @cached_property
    def care(self) -> int:
        """How much care it wants before another that does as well: an adult close by counts, a word of caution does
        not.
        """
        return RANK["caution"] if any(h.wants for h in self.verdict.hits) else RANK["allowed"]


class UsableCupboard:
    """A cupboard as one child may use it in one setting."""

    def __init__(
        self, stock: Iterable[Stock], child: Child, setting: Setting, activities: Mapping[str, Activity] = ACTIVITIES
    ) -> None:
        """activities -- those the clinic works with, by id: the library's, without what it hides and with its own"""
        self.child, self.setting, self.activities = child, setting, activities
        self._made_of = stock
        judged = (Judged(s, s.thing, safety.assess_stock(s, child, setting)) for s in stock)
        self.judged = tuple(sorted(judged, key=lambda j: (RANK[j.verdict.status], -j.stock.count, j.stock.usual.id)))
        self._usable = sum(
            1 << i for i, j in enumerate(self.judged) if j.verdict.status != "barred" and self._fits_hand(j.thing)
        )
        self._as_usual = _bits_of(j.stock.usual.id if _as_listed(j.stock) else "" for j in self.judged)
        self._measured = tuple((1 << i, j.thing) for i, j in enumerate(self.judged) if not _as_listed(j.stock))
        self._sharp = sum(1 << i for i, j in enumerate(self.judged) if j.thing.sharp)
        self._met: dict[Need, int] = {}
        self._forms: dict[str, int] = {}
        self._counts: dict[int, int] = {}
        self._masks: dict[tuple[Role, tuple[Need, ...]], int] = {}
        self._fillings: dict[Ask, Filling | None] = {}
        self._orders: dict[str, list[int]] = {}
        self._quantities: dict[tuple[Role, int, int, float], Quantity] = {}
        self._tag_verdicts: dict[tuple[str, ...], Verdict] = {}
        self._together_verdicts: dict[tuple[tuple[str, ...], tuple[int, ...]], Verdict] = {}
        self._offers: dict[Variant, Offer] = {}
        self._would_be_barred: dict[str, bool] = {}
        self._have = {j.stock.usual.id: j.stock.count for j in self.judged}

    @property
    def stock(self) -> tuple[Stock, ...]:
        """Its lines, what is allowed first, of these what there is most of."""
        return tuple(j.stock for j in self.judged)

    @property
    def general_cautions(self) -> tuple[Hit, ...]:
        """The cautions that hold for this child here whatever is done."""
        return safety.general_cautions(self.child, self.setting)

    def is_of(self, stock: Iterable[Stock], child: Child, setting: Setting, activities: Mapping[str, Activity]) -> bool:
        """Whether this is the judged cupboard of just these things, this child, this setting and these activities."""
        same = self._made_of is stock and self.child is child and self.setting is setting
        return same and self.activities is activities

    def _fits_hand(self, thing: Thing) -> bool:
        return thing.handed is None or self.child.skill_hand in (thing.handed, "not_settled")

    def offer(self, variant: Variant) -> Offer | None:
        """Return what this home offers for a variant, or None when something is missing or barred."""
        if variant in self._offers:
            return self._offers[variant]
        activity = find_activity(variant.activity_id)
        filling = None if activity.gone else self.filling(ask_of(activity, variant.grade))
        return (
            None if filling is None else self._offers.setdefault(variant, Offer(variant, filling, self.child.learned))
        )

    def offered(self, variant: Variant) -> Offer:
        """The offer of a variant whose things are known to be here. Raises LookupError where they are not."""
        offer = self.offer(variant)
        if offer is None:
            raise LookupError(f"{variant} is not on offer here; ask filling() first.")
        return offer

    def offers(self, activities: Iterable[Activity] | None = None) -> Iterator[Offer]:
        """Every variant on offer, activity by activity."""
        for activity in self.activities.values() if activities is None else activities:
            for ask, variants in asks_of(activity):
                filling = self.filling(ask)
                if filling is not None:
                    for variant in variants:
                        yield self._offers.get(variant) or self._offers.setdefault(
                            variant, Offer(variant, filling, self.child.learned)
                        )

    def tries(self, ask: Ask) -> int:
        """How many tries a set has for this child."""
        return tries_for(ask, self.child)

    def verdict_on_steps(self, tags: tuple[str, ...]) -> Verdict:
        """The verdict on what is done, whatever it is done with."""
        if tags not in self._tag_verdicts:
            self._tag_verdicts[tags] = safety.assess_step(tags, self.child, self.setting)
        return self._tag_verdicts[tags]

    def filling(self, ask: Ask) -> Filling | None:
        """What fills the roles of the grades that ask this, or None when something is missing or barred."""
        if ask not in self._fillings:
            self._fillings[ask] = self._made(ask)
        return self._fillings[ask]

    def filling_with(self, ask: Ask, role_id: str, at: int) -> Filling | None:
        """What fills the roles with one of the things here in this role, or None where it can't play it: the same
        judgement as of any other filling.
        """
        result = self._made(ask, (role_id, at))
        return result if result is not None and any(q.role == role_id for q in result.quantities) else None

    def bar_on(self, ask: Ask, role_id: str, at: int) -> str:
        """Why one of the things here may not play a role whose needs it meets; empty where no rule and no hand stops
        it.
        """
        steps, thing = self.verdict_on_steps(ask.tags), self.judged[at].verdict
        for verdict in (steps, thing):
            if verdict.status == "barred":
                return verdict.hits[0].reason
        if not self._fits_hand(self.judged[at].thing):
            return f"{self.judged[at].thing.name}: this child uses the {self.child.skill_hand} hand."
        chosen = self._chosen(ask, self.tries(ask), any_company=True, forced=(role_id, at))
        if chosen is None:
            return ""
        together = self._together(ask.tags, tuple(place for _, place in chosen))
        return together.hits[0].reason if together.status == "barred" else ""

    def _made(self, ask: Ask, forced: tuple[str, int] | None = None) -> Filling | None:
        steps = self.verdict_on_steps(ask.tags)
        if steps.status == "barred":
            return None
        count = self.tries(ask)
        chosen = self._chosen(ask, count, forced=forced)
        if chosen is None:
            return None
        by_role = {role.id: self.judged[at].thing for role, at in chosen}
        quantities = tuple(
            self._quantity(role, at, count, _at_once(ask.activity, role, by_role)) for role, at in chosen
        )
        forces = {r.works: force for r, at in chosen if r.works and (force := self.judged[at].thing.force_newton)}
        places = tuple(at for _, at in chosen)
        verdicts = (steps, self._together(ask.tags, places), *(self.judged[at].verdict for at in places))
        return Filling(count, quantities, verdicts, MappingProxyType(forces))

    def _together(self, tags: tuple[str, ...], places: tuple[int, ...]) -> Verdict:
        """The verdict on the chosen things used together in this work."""
        key = (tags, places)
        if key not in self._together_verdicts:
            things = [self.judged[at].thing for at in places]
            self._together_verdicts[key] = assess_together(things, tags, self.child, self.setting)
        return self._together_verdicts[key]

    def _chosen(
        self, ask: Ask, count: int, any_company: bool = False, forced: tuple[str, int] | None = None
    ) -> list[tuple[Role, int]] | None:
        """Fill every role with a different thing, the preferred ones first, none barred by the company it keeps.

        any_company -- leave that last rule out, to find out whether it is what stops a variant
        forced      -- a role, and the place in the stock of the only thing that may play it
        """
        masks = []
        for role, needs in zip(ask.roles, ask.needs, strict=True):
            mask = self._mask(role, needs) & self._usable & self._enough(role.least(count))
            if forced is not None and role.id == forced[0]:
                mask &= 1 << forced[1]
                if not mask:
                    return None
            elif not mask and not role.optional:
                return None
            masks.append(mask)
        return self._filled(ask, masks, [], count, any_company)

    def _filled(
        self, ask: Ask, masks: list[int], taken: list[int], count: int, any_company: bool
    ) -> list[tuple[Role, int]] | None:
        """Fill the roles from the one after those taken; an optional one stays empty (-1) where nothing is free."""
        here = [at for at in taken if at >= 0]
        if len(taken) == len(masks):
            barred = not any_company and self._together(ask.tags, tuple(here)).status == "barred"
            return None if barred else [(r, at) for r, at in zip(ask.roles, taken, strict=True) if at >= 0]
        role, f = ask.roles[len(taken)], ask.activity
        free = [at for at in self._best_first(role.form, masks[len(taken)]) if at not in taken]
        for at in [*free, -1] if role.optional else free:
            if not f.fits or self._fit(f, ask.roles, [*taken, at], count):
                filled = self._filled(ask, masks, [*taken, at], count, any_company)
                if filled is not None:
                    return filled
        return None

    def _fit(self, activity: Activity, roles: tuple[Role, ...], taken: list[int], count: int) -> bool:
        by_role = {r.id: (r, self.judged[at].thing) for r, at in zip(roles, taken, strict=False) if at >= 0}
        return all(
            room(c, by_role[c.outer][1], by_role[c.inner][1]) >= by_role[c.inner][0].least(count)
            for c in activity.fits
            if c.outer in by_role and c.inner in by_role
        )

    def _best_first(self, form: str, mask: int) -> list[int]:
        """The things of a mask, what suits a hand of this age first; among equals, what there is most of."""
        if form not in self._orders:
            suits = _suits(form, self.child.age_months)
            self._orders[form] = sorted(
                _bits(self._form(form)), key=lambda at: (self.judged[at].care, suits(self.judged[at].thing), at)
            )
        bits = set(_bits(mask))
        return [at for at in self._orders[form] if at in bits] if len(bits) > 1 else list(bits)

    def _mask(self, role: Role, extra: tuple[Need, ...]) -> int:
        key = (role, extra)
        if key not in self._masks:
            mask = self._form(role.form) & ~(0 if role.sharp else self._sharp)
            for need in (*role.needs, *extra):
                mask &= self._meeting(need)
            self._masks[key] = mask
        return self._masks[key]

    def _form(self, form: str) -> int:
        if form not in self._forms:
            self._forms[form] = sum(1 << i for i, j in enumerate(self.judged) if form in j.thing.forms)
        return self._forms[form]

    def _meeting(self, need: Need) -> int:
        if need not in self._met:
            usual = self._as_usual.keys() & _meeting_as_usual(need)
            self._met[need] = sum(map(self._as_usual.__getitem__, usual)) + sum(
                bit for bit, thing in self._measured if need.met_by(thing)
            )
        return self._met[need]

    def _enough(self, least: int) -> int:
        if least not in self._counts:
            self._counts[least] = sum(1 << i for i, j in enumerate(self.judged) if j.stock.count >= least)
        return self._counts[least]

    def _quantity(self, role: Role, at: int, count: int, at_once: float) -> Quantity:
        key = (role, at, count, at_once)
        if key not in self._quantities:
            stock, thing = self.judged[at].stock, self.judged[at].thing
            full = role.quantity(count)
            most = int(min(full, stock.count, at_once))
            rounds = -(-full // most)
            self._quantities[key] = Quantity(
                role.id,
                role.words,
                stock.id,
                thing.id,
                thing.name,
                most,
                stock.count,
                rounds,
                thing.single_use,
                role.pieces,
            )
        return self._quantities[key]

    def lack(self, variant: Variant) -> Lack | None:
        """Return why a variant is not on offer, or None when it is. The first thing that stops it."""
        if self.offer(variant) is not None:
            return None
        activity = find_activity(variant.activity_id)
        if activity.gone:
            return Lack(
                variant,
                "missing",
                f"{activity.name} is gone: {activity.gone}",
                "Mend it under “Our library”, or leave it out.",
            )
        ask = ask_of(activity, variant.grade)
        steps = self.verdict_on_steps(ask.tags)
        if steps.status == "barred":
            hit = steps.hits[0]
            return _barred_by(variant, hit)
        count = self.tries(ask)
        for role, needs in zip(ask.roles, ask.needs, strict=True):
            result = self._role_lack(variant, role, needs, count)
            if result is not None:
                return result
        chosen = self._chosen(ask, count, any_company=True)
        if chosen is not None:
            hit = self._together(ask.tags, tuple(at for _, at in chosen)).hits[0]
            return _barred_by(variant, hit)
        return Lack(
            variant,
            "missing",
            f"{activity.name}: the things here do not fit each other.",
            f"Wanted: {', '.join(c.words for c in activity.fits) or 'one more of the same kind'}.",
        )

    def roles_missing(self, variant: Variant) -> int:
        """How many roles of a variant nothing here can fill in the number wanted."""
        ask = ask_of(find_activity(variant.activity_id), variant.grade)
        count = self.tries(ask)
        masks = (
            self._mask(role, needs) & self._usable & self._enough(role.least(count))
            for role, needs in zip(ask.roles, ask.needs, strict=True)
        )
        return sum(not mask and not role.optional for role, mask in zip(ask.roles, masks, strict=True))

    def _role_lack(self, variant: Variant, role: Role, extra: tuple[Need, ...], count: int) -> Lack | None:
        if role.optional:
            return None
        mask, least = self._mask(role, extra), role.least(count)
        usable, enough = mask & self._usable, mask & self._enough(least)
        if usable & enough:
            return None
        if usable:
            at = max(_bits(usable), key=lambda i: self.judged[i].stock.count)
            return Lack(
                variant,
                "short",
                f"Needs {least} {self.judged[at].thing.name.lower()}, {self.judged[at].stock.count} here.",
                f"Find {least - self.judged[at].stock.count} more.",
            )
        for at in _bits(mask):
            if not self._fits_hand(self.judged[at].thing):
                return Lack(
                    variant,
                    "hand",
                    f"{self.judged[at].thing.name}: this child uses the {self.child.skill_hand} hand.",
                    f"Find {role.words} for the {self.child.skill_hand} hand.",
                )
            hit = self.judged[at].verdict.hits[0]
            return _barred_by(variant, hit)
        return Lack(variant, "missing", f"Needs {role.asks(extra)}; nothing here fits.", self._to_add(role, extra))

    def _barred(self, thing: Thing) -> bool:
        """Whether a thing of the library would be barred here."""
        if thing.id not in self._would_be_barred:
            self._would_be_barred[thing.id] = safety.assess(thing, self.child, self.setting).status == "barred"
        return self._would_be_barred[thing.id]

    def _to_add(self, role: Role, extra: tuple[Need, ...]) -> str:
        safe = [m for m in fillers(role, extra) if not self._barred(m) and self._fits_hand(m)]
        made = [RECIPES[m.id] for m in safe if m.id in RECIPES and not RECIPES[m.id].missing(self._have)]
        if made:
            quickest = min(made, key=lambda m: (m.minutes, m.thing_id))
            return f"Make {quickest.name.lower()} from what is here ({quickest.minutes} min)."
        names = [m.name.lower() for m in safe]
        return f"Add {' or '.join(names[:3])}." if names else "Nothing known fills it safely for this child."


def _barred_by(variant: Variant, hit: Hit) -> Lack:
    return Lack(variant, "barred", hit.reason, hit.remedy, hit.rule, hit.overridable)


def _bits_of(ids: Iterable[str]) -> dict[str, int]:
    """The bits of things by id; those without one are left out."""
    result: dict[str, int] = {}
    for i, id in enumerate(ids):
        if id:
            result[id] = result.get(id, 0) | 1 << i
    return result


def _as_listed(stock: Stock) -> bool:
    """Whether it is a thing of the library with its usual measures."""
    return stock.as_usual and stock.usual.id in THINGS


@lru_cache(maxsize=4096)
def _meeting_as_usual(need: Need) -> frozenset[str]:
    """The things that meet a need by their usual measures."""
    return frozenset(m.id for m in THINGS.values() if need.met_by(m))


@lru_cache(maxsize=4096)
def fillers(role: Role, extra: tuple[Need, ...] = ()) -> tuple[Thing, ...]:
    """Every known thing that can play a role."""
    return tuple(m for m in THINGS.values() if role.filled_by(m, extra))


def _at_once(activity: Activity, role: Role, by_role: Mapping[str, Thing]) -> float:
    """How many of the thing in a role the others take at once; infinity where nothing limits it."""
    inner = by_role[role.id]
    return min(
        (room(c, by_role[c.outer], inner) for c in activity.fits if c.inner == role.id and c.outer in by_role),
        default=inf,
    )


HANDLED = frozenset({"item", "bead", "ring", "block", "brick"})  # forms the fingers close on
HAND_SIZES = ((12, 45.0), (36, 32.0), (72, 22.0), (120, 18.0))
"""The size of thing a hand of an age takes most easily: (months, mm); from memory."""
PEN_SIZES = ((18, 14.0), (48, 10.0), (84, 7.5))
"""How thick a pen a hand of an age holds best: (months, mm); from memory."""
USUAL_OPENING_MM = 120.0  # a pot as wide as a hand; from memory


def _suits(form: str, age_months: float) -> Callable[[Thing], int]:
    """How far a thing is from what suits a hand of this age, in half doublings of size; 0 is best."""
    if form in HANDLED or form == "pen":
        size = in_proportion(age_months, PEN_SIZES if form == "pen" else HAND_SIZES)
        return lambda thing: round(abs(2 * log2(thing.size_mm / size)))
    if form == "container":
        return lambda thing: round(abs(2 * log2((thing.opening_mm or 1) / USUAL_OPENING_MM)))
    return lambda thing: 0


def _bits(mask: int) -> Iterator[int]:
    while mask:
        low = mask & -mask
        yield low.bit_length() - 1
        mask ^= low


def stock_of(counts: Mapping[str, int]) -> tuple[Stock, ...]:
    """A cupboard from thing ids and counts. Raises NotThere for an unknown thing."""
    return tuple(Stock(find_thing(m), n, m, MappingProxyType({})) for m, n in counts.items())
