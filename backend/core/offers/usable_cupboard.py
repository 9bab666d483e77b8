"""What one home can offer one child in one setting: which things fill which roles at which grade.

Built once for a child, a cupboard and a setting; every question after that is a few bit operations.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping
from functools import lru_cache
from math import ceil, inf, log2
from types import MappingProxyType

from core import safety
from core.child import Child, Setting
from core.errors import NotThere
from core.library import ACTIVITIES, THINGS
from core.library.activity import Activity
from core.materials import Need, Role, Stock, Thing
from core.offers.fitting import room
from core.offers.homemade import RECIPES
from core.offers.offer import Lack, Offer, Quantity
from core.offers.variants import Variant, asked_of, roles_of, set_count, tags_of, variants_of
from core.safety import RANK, Hit, Verdict, assess_together
from core.units import in_proportion

HARD_ON_JOINTS = frozenset({"resistance", "long_hold"})  # tags of work that loose joints do half as much of


class UsableCupboard:
    """A cupboard as one child may use it in one setting."""

    def __init__(self, stock: Iterable[Stock], child: Child, setting: Setting) -> None:
        self.child, self.setting = child, setting
        self._made_of = stock
        judged = [(s, s.thing, safety.assess_stock(s, child, setting)) for s in stock]
        judged.sort(key=lambda j: (RANK[j[2].status], -j[0].count, j[0].usual.id))
        self.stock = tuple(j[0] for j in judged)
        self.things = tuple(j[1] for j in judged)
        self.verdicts = tuple(j[2] for j in judged)
        self._usable = sum(
            1 << i for i, v in enumerate(self.verdicts) if v.status != "barred" and self._fits_hand(self.things[i])
        )
        self._as_usual = tuple((1 << i, s.usual.id) for i, s in enumerate(self.stock) if not s.measured)
        self._measured = tuple((1 << i, self.things[i]) for i, s in enumerate(self.stock) if s.measured)
        self._sharp = sum(1 << i for i, t in enumerate(self.things) if t.sharp)
        self._met: dict[Need, int] = {}
        self._forms: dict[str, int] = {}
        self._masks: dict[tuple[Role, tuple[Need, ...]], int] = {}
        self._fills: dict[
            tuple[Activity, tuple[Role, ...], tuple[int, ...], tuple[str, ...], int], list[tuple[Role, int]] | None
        ] = {}
        self._orders: dict[str, list[int]] = {}
        self._quantities: dict[tuple[Role, int, int, float], Quantity] = {}
        self._tag_verdicts: dict[tuple[str, ...], Verdict] = {}
        self._together_verdicts: dict[tuple[tuple[str, ...], tuple[int, ...]], Verdict] = {}
        self._verdicts: dict[tuple[tuple[str, ...], tuple[int, ...]], Verdict] = {}
        self._offers: dict[Variant, Offer | None] = {}
        self._have = {s.usual.id: s.count for s in self.stock}

    @property
    def standing(self) -> tuple[Hit, ...]:
        """The cautions that hold for this child here whatever is done."""
        return safety.standing(self.child, self.setting)

    def is_of(self, stock: Iterable[Stock], child: Child, setting: Setting) -> bool:
        """Whether this is the judged cupboard of just these things, this child and this setting."""
        return self._made_of is stock and self.child is child and self.setting is setting

    def _fits_hand(self, thing: Thing) -> bool:
        return thing.handed is None or self.child.skill_hand in (thing.handed, "not_settled")

    def offer(self, variant: Variant) -> Offer | None:
        """Return what this home offers for a variant, or None when something is missing or barred."""
        if variant not in self._offers:
            self._offers[variant] = self._made_offer(variant, ACTIVITIES[variant.activity_id])
        return self._offers[variant]

    def offers(self, activities: Iterable[Activity] | None = None) -> Iterator[Offer]:
        """Every variant on offer, activity by activity."""
        for f in ACTIVITIES.values() if activities is None else activities:
            for variant in variants_of(f):
                result = self.offer(variant)
                if result is not None:
                    yield result

    def tries(self, f: Activity, grade: tuple[int, ...]) -> int:
        """How many tries a set has for this child: with loose joints half as many against resistance or in a hold."""
        count = set_count(f, grade, self.child.counting_months)
        halved = "joint_laxity" in self.child.precautions and HARD_ON_JOINTS & set(tags_of(f, grade))
        return ceil(count / 2) if halved else count

    def verdict_on_steps(self, f: Activity, grade: tuple[int, ...]) -> Verdict:
        """The verdict on what is done at this grade, whatever it is done with."""
        tags = tags_of(f, grade)
        if tags not in self._tag_verdicts:
            self._tag_verdicts[tags] = safety.assess_step(tags, self.child, self.setting)
        return self._tag_verdicts[tags]

    def _made_offer(self, variant: Variant, f: Activity) -> Offer | None:
        steps = self.verdict_on_steps(f, variant.grade)
        if steps.status == "barred":
            return None
        count = self.tries(f, variant.grade)
        chosen = self._chosen(f, variant.grade, count)
        if chosen is None:
            return None
        by_role = {role.id: self.things[at] for role, at in chosen}
        quantities = tuple(self._quantity(role, at, count, _at_once(f, role, by_role)) for role, at in chosen)
        forces = {r.works: force for r, at in chosen if r.works and (force := self.things[at].force_newton)}
        verdict = self._verdict(f, variant.grade, steps, tuple(at for _, at in chosen))
        return Offer(variant, count, quantities, verdict, MappingProxyType(forces))

    def _verdict(self, f: Activity, grade: tuple[int, ...], steps: Verdict, places: tuple[int, ...]) -> Verdict:
        """The verdict on the chosen things, each and together, and on what is done with them."""
        key = (tags_of(f, grade), places)
        if key not in self._verdicts:
            together = self._together(f, grade, places)
            self._verdicts[key] = safety.worst((steps, together, *(self.verdicts[at] for at in places)))
        return self._verdicts[key]

    def _together(self, f: Activity, grade: tuple[int, ...], places: tuple[int, ...]) -> Verdict:
        """The verdict on the chosen things used together at this grade."""
        key = (tags_of(f, grade), places)
        if key not in self._together_verdicts:
            things = [self.things[at] for at in places]
            self._together_verdicts[key] = assess_together(things, key[0], self.child, self.setting)
        return self._together_verdicts[key]

    def _chosen(
        self, f: Activity, grade: tuple[int, ...], count: int, any_company: bool = False
    ) -> list[tuple[Role, int]] | None:
        """Fill every role with a different thing, the preferred ones first, none barred by the company it keeps.

        any_company -- leave that last rule out, to find out whether it is what stops a variant
        """
        masks, roles = [], roles_of(f, grade)
        for role in roles:
            mask = self._mask(role, asked_of(f, grade, role.id)) & self._usable & self._enough(role.least(count))
            if not mask and not role.optional:
                return None
            masks.append(mask)
        if any_company:
            return self._filled(f, roles, masks, [], None, count)
        key = (
            f,
            roles,
            tuple(masks),
            tags_of(f, grade),
            count,
        )  # grades that ask the same of every thing: filled alike
        if key not in self._fills:
            self._fills[key] = self._filled(f, roles, masks, [], grade, count)
        return self._fills[key]

    def _filled(
        self,
        f: Activity,
        roles: tuple[Role, ...],
        masks: list[int],
        taken: list[int],
        grade: tuple[int, ...] | None,
        count: int,
    ) -> list[tuple[Role, int]] | None:
        """Fill the roles from the one after those taken; an optional one stays empty (-1) where nothing is free."""
        here = [at for at in taken if at >= 0]
        if len(taken) == len(masks):
            barred = grade is not None and self._together(f, grade, tuple(here)).status == "barred"
            return None if barred else [(r, at) for r, at in zip(roles, taken, strict=True) if at >= 0]
        role = roles[len(taken)]
        free = [at for at in self._best_first(role.form, masks[len(taken)]) if at not in taken]
        for at in [*free, -1] if role.optional else free:
            if not f.fits or self._fit(f, roles, [*taken, at], count):
                filled = self._filled(f, roles, masks, [*taken, at], grade, count)
                if filled is not None:
                    return filled
        return None

    def _fit(self, f: Activity, roles: tuple[Role, ...], taken: list[int], count: int) -> bool:
        by_role = {r.id: (r, self.things[at]) for r, at in zip(roles, taken, strict=False) if at >= 0}
        return all(
            room(c, by_role[c.outer][1], by_role[c.inner][1]) >= by_role[c.inner][0].least(count)
            for c in f.fits
            if c.outer in by_role and c.inner in by_role
        )

    def _best_first(self, form: str, mask: int) -> list[int]:
        """The things of a mask, what suits a hand of this age first; among equals, what there is most of."""
        if form not in self._orders:
            suits = _suits(form, self.child.age_months)
            self._orders[form] = sorted(
                range(len(self.stock)), key=lambda at: (_care(self.verdicts[at]), suits(self.things[at]), at)
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
            self._forms[form] = sum(1 << i for i, t in enumerate(self.things) if form in t.forms)
        return self._forms[form]

    def _meeting(self, need: Need) -> int:
        if need not in self._met:
            usual = _meeting_as_usual(need)
            self._met[need] = sum(bit for bit, id in self._as_usual if id in usual) + sum(
                bit for bit, thing in self._measured if need.met_by(thing)
            )
        return self._met[need]

    def _enough(self, least: int) -> int:
        key = f"count>={least}"
        if key not in self._forms:
            self._forms[key] = sum(1 << i for i, s in enumerate(self.stock) if s.count >= least)
        return self._forms[key]

    def _quantity(self, role: Role, at: int, count: int, at_once: float) -> Quantity:
        key = (role, at, count, at_once)
        if key not in self._quantities:
            stock, thing = self.stock[at], self.things[at]
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
        f = ACTIVITIES[variant.activity_id]
        steps = self.verdict_on_steps(f, variant.grade)
        if steps.status == "barred":
            hit = steps.hits[0]
            return Lack(variant, "barred", hit.reason, hit.remedy, hit.rule)
        count = self.tries(f, variant.grade)
        for role in roles_of(f, variant.grade):
            result = self._role_lack(variant, role, asked_of(f, variant.grade, role.id), count)
            if result is not None:
                return result
        chosen = self._chosen(f, variant.grade, count, any_company=True)
        if chosen is not None:
            hit = self._together(f, variant.grade, tuple(at for _, at in chosen)).hits[0]
            return Lack(variant, "barred", hit.reason, hit.remedy, hit.rule)
        return Lack(
            variant,
            "missing",
            f"{f.name}: the things here do not fit each other.",
            f"Wanted: {', '.join(c.words for c in f.fits) or 'one more of the same kind'}.",
        )

    def roles_missing(self, variant: Variant) -> int:
        """How many roles of a variant nothing here can fill in the number wanted."""
        f = ACTIVITIES[variant.activity_id]
        count = self.tries(f, variant.grade)
        roles = roles_of(f, variant.grade)
        masks = (
            self._mask(r, asked_of(f, variant.grade, r.id)) & self._usable & self._enough(r.least(count)) for r in roles
        )
        return sum(not mask and not role.optional for role, mask in zip(roles, masks, strict=True))

    def _role_lack(self, variant: Variant, role: Role, extra: tuple[Need, ...], count: int) -> Lack | None:
        if role.optional:
            return None
        mask, least = self._mask(role, extra), role.least(count)
        usable, enough = mask & self._usable, mask & self._enough(least)
        if usable & enough:
            return None
        if usable:
            at = max(_bits(usable), key=lambda i: self.stock[i].count)
            return Lack(
                variant,
                "short",
                f"Needs {least} {self.things[at].name.lower()}, {self.stock[at].count} here.",
                f"Find {least - self.stock[at].count} more.",
            )
        for at in _bits(mask):
            if not self._fits_hand(self.things[at]):
                return Lack(
                    variant,
                    "hand",
                    f"{self.things[at].name}: this child uses the {self.child.skill_hand} hand.",
                    f"Find {role.words} for the {self.child.skill_hand} hand.",
                )
            hit = self.verdicts[at].hits[0]
            return Lack(variant, "barred", hit.reason, hit.remedy, hit.rule)
        return Lack(variant, "missing", f"Needs {role.asks(extra)}; nothing here fits.", self._to_add(role, extra))

    def _to_add(self, role: Role, extra: tuple[Need, ...]) -> str:
        safe = [
            m
            for m in fillers(role, extra)
            if safety.assess(m, self.child, self.setting).status != "barred" and self._fits_hand(m)
        ]
        made = [RECIPES[m.id] for m in safe if m.id in RECIPES and not RECIPES[m.id].missing(self._have)]
        if made:
            quickest = min(made, key=lambda m: (m.minutes, m.thing_id))
            return f"Make {quickest.name.lower()} from what is here ({quickest.minutes} min)."
        names = [m.name.lower() for m in safe]
        return f"Add {' or '.join(names[:3])}." if names else "Nothing known fills it safely for this child."


@lru_cache(maxsize=4096)
def _meeting_as_usual(need: Need) -> frozenset[str]:
    """The things that meet a need by their usual measures."""
    return frozenset(m.id for m in THINGS.values() if need.met_by(m))


def fillers(role: Role, extra: tuple[Need, ...] = ()) -> list[Thing]:
    """Every known thing that can play a role."""
    return [m for m in THINGS.values() if role.filled_by(m, extra)]


def _at_once(f: Activity, role: Role, by_role: Mapping[str, Thing]) -> float:
    """How many of the thing in a role the others take at once; infinity where nothing limits it."""
    inner = by_role[role.id]
    return min(
        (room(c, by_role[c.outer], inner) for c in f.fits if c.inner == role.id and c.outer in by_role), default=inf
    )


HANDLED = frozenset({"item", "bead", "ring", "block", "brick"})  # forms the fingers close on
HAND_SIZES = ((12, 45.0), (36, 32.0), (72, 22.0), (120, 18.0))
"""The size of thing a hand of an age takes most easily: (months, mm); from memory."""
PEN_SIZES = ((18, 14.0), (48, 10.0), (84, 7.5))
"""How thick a pen a hand of an age holds best: (months, mm); from memory."""
USUAL_OPENING_MM = 120.0  # a pot as wide as a hand; from memory


def _care(verdict: Verdict) -> int:
    """How much care a thing wants before another that does as well: an adult close by counts, a word of caution does
    not.
    """
    return RANK["caution"] if any(h.wants for h in verdict.hits) else RANK["allowed"]


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
    for thing_id in counts:
        if thing_id not in THINGS:
            raise NotThere(f"{thing_id!r} is not a known thing. Choose one from the list.")
    return tuple(Stock(THINGS[m], n, m, MappingProxyType({})) for m, n in counts.items())
