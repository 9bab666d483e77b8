"""What a hazard rule is and says: its id, source and whether it can be overridden stand at the rule, and nowhere else.

A hazard is never weighed against a benefit. Supports, and does not replace, a licensed therapist's judgement; local
rules come first.
"""

import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, replace
from typing import Any, Literal

from core.child import Child, PrecautionId, Setting, Supervision

Status = Literal["allowed", "caution", "barred"]
Scope = Literal["thing", "stock", "step", "together"]
RANK: dict[Status, int] = {"allowed": 0, "caution": 1, "barred": 2}

CPSC_CYLINDER = "16 CFR 1501.4"
CPSC_BALL = "16 CFR 1500.18(a)(17)"
CPSC_BALLOON = "16 CFR 1500.19"
COMMON = "common practice, no source"
MEMORY = "from memory"


@dataclass(frozen=True)
class Finding:
    """What a rule finds: how grave, why, what to do, and how close an adult has to be for it to stay a caution.

    plain -- the reason as a family reads it, where the trade's words are others
    law   -- whether this finding is the law's, or a small part under three years: nobody overrides it
    """

    status: Status
    reason: str
    remedy: str
    wants: Supervision | None = None
    plain: str = ""
    law: bool = False


@dataclass(frozen=True)
class Rule:
    """A hazard rule: what it looks at (a thing, a step or a combination), its source, and what it is about in words.

    fixed    -- why nobody may override it for a child, and what to do instead; empty where a therapist may, with a
                reason, until a day
    always   -- a rule of kind step that speaks whatever is done, once for a whole session
    in_reach -- a rule of kind thing whose hazard is there for a child beside the one who works with the thing: what it
                bars is off a shared table. Where it is not, the hazard is in the child's own work with it
    watched  -- whether its caution, for a young child, wants an adult who watches that child alone
    halves   -- the precautions with which a set of such work has half the tries
    loads    -- whether such work loads the joints of the hand: hands that are spared rest longer after it
    """

    id: str
    scope: Scope
    source: str
    about: str
    find: Callable[..., Iterator[Finding]]
    fixed: str = ""
    always: bool = False
    in_reach: bool = False
    watched: bool = False
    halves: frozenset[PrecautionId] = frozenset()
    loads: bool = False

    @property
    def topic(self) -> str:
        """What it is about, in its first words: scissors, balloons."""
        return re.split(r"[:,]", self.about)[0]

    def hits(self, *args: Any) -> Iterator["Hit"]:
        """What the rule finds, each with the rule's own id, source and whether a therapist may override it."""
        for f in self.find(*args):
            may = not self.fixed and not f.law
            yield Hit(self.id, f.status, f.reason, self.source, f.remedy, f.wants, may, f.plain)


RULES: dict[str, Rule] = {}  # every rule by id, in the order they speak; filled by @rule


def rule(
    id: str,
    scope: Scope,
    source: str,
    about: str,
    fixed: str = "",
    always: bool = False,
    in_reach: bool | None = None,
    watched: bool = False,
    halves: frozenset[PrecautionId] = frozenset(),
    loads: bool = False,
) -> Callable[[Callable[..., Iterator[Finding]]], Rule]:
    """Make a function a hazard rule: it yields findings, the decorator says whose they are.

    Raises ValueError for a second rule of one id, and for a rule of a thing that does not say whether it holds within
    reach of it.
    """

    def register(find: Callable[..., Iterator[Finding]]) -> Rule:
        if id in RULES:
            raise ValueError(f"there are two rules {id!r}: give one of them another id")
        if (scope == "thing") != (in_reach is not None):
            raise ValueError(f"rule {id!r}: a rule of a thing, and no other, says whether it holds within reach")
        RULES[id] = Rule(id, scope, source, about, find, fixed, always, bool(in_reach), watched, halves, loads)
        return RULES[id]

    return register


@dataclass(frozen=True)
class Hit:
    """One rule that speaks, with what it says; plain, to a family, where that is said in other words.

    overridden -- whether it only cautions because a therapist overrides it for this child
    """

    rule: str
    status: Status
    reason: str
    source: str
    remedy: str
    wants: Supervision | None = None
    overridable: bool = False
    plain: str = ""
    overridden: bool = False


@dataclass(frozen=True)
class Verdict:
    """The worst status of all hits, and the hits."""

    status: Status
    hits: tuple[Hit, ...] = ()


ALLOWED = Verdict("allowed")


def worst(verdicts: Iterable[Verdict]) -> Verdict:
    """Return one verdict with the worst status and every different hit."""
    return _ordered(dict.fromkeys(hit for v in verdicts for hit in v.hits))


def judged(hits: Iterable[Hit], child: Child, setting: Setting) -> Verdict:
    """Return the verdict of hits. A therapist's overrides apply; a caution that nobody can watch over is barred."""
    return _ordered(_in_this_setting(hit, child, setting) for hit in hits)


def _ordered(hits: Iterable[Hit]) -> Verdict:
    ranked = tuple(sorted(hits, key=lambda h: -RANK[h.status]))
    return Verdict(ranked[0].status, ranked) if ranked else ALLOWED


CLOSE: dict[Supervision, str] = {"arms_reach": "within arm's reach", "room": "in the room", "box": ""}


def _in_this_setting(hit: Hit, child: Child, setting: Setting) -> Hit:
    hit = _overridden(hit, child, setting)
    if hit.status == "caution" and hit.wants and not setting.offers(hit.wants):
        close = CLOSE[hit.wants]
        reason = f"{hit.reason} Needs an adult {close}, and none is available here."
        remedy = f"Have an adult {close}, or choose something else."
        may = hit.overridable and setting.supervision == "room"
        return replace(hit, status="barred", reason=reason, remedy=remedy, overridable=may)
    return hit


def _overridden(hit: Hit, child: Child, setting: Setting) -> Hit:
    """The hit as a therapist overrides it: of a bar a caution, of a caution an adult no closer than that."""
    wants: Supervision | None = (
        "room" if hit.rule in child.overrides_in_room else "arms_reach" if hit.rule in child.overrides else None
    )
    if not hit.overridable or wants is None:
        return hit
    if hit.status == "caution" and (hit.wants is None or setting.offers(hit.wants)):
        return hit
    reason = f"{hit.reason} Allowed by a therapist, with an adult {CLOSE[wants]}."
    return replace(hit, status="caution", reason=reason, wants=wants, overridden=True)
