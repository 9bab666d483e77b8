"""What has to be looked out for with a child: one record each, and everything it changes said there.

Which rules speak is named by their ids, and checked against the verdicts. Common practice, no source.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Literal

PrecautionId = Literal[
    "joint_laxity",
    "wrist_weight",
    "fracture",
    "splint",
    "pain",
    "seizures",
    "skin",
    "swallowing",
    "one_hand_assists",
    "vision",
    "tube",
    "pica",
    "immune",
    "low_tone",
    "dust",
]
HandField = Literal["splint_hand", "assisting_hand"]


_NOTHING: Mapping[str, str] = MappingProxyType({})


@dataclass(frozen=True)
class Precaution:
    """One precaution.

    bars, cares -- the hazard rules that bar something because of it, or ask for more care; in words, where the words
                   before do not cover it already
    also    -- what else it changes, in words
    watches -- marks that are watched in every block; reads -- measures read off in every block
    hand    -- the field of the profile that says which hand, where it is about one
    spares_hands -- whether sets are halved and rests longer
    body_first   -- whether the whole body warms up before the hands
    close_to_blades -- whether an adult is within reach of a blade at any age
    counts_as_mouthing -- whether everything is judged as if it often went in the mouth
    force_share  -- the most of the usual working force anything may take; None: no limit
    """

    id: PrecautionId
    name: str
    bars: Mapping[str, str] = field(default_factory=lambda: _NOTHING)
    cares: Mapping[str, str] = field(default_factory=lambda: _NOTHING)
    also: str = ""
    watches: tuple[str, ...] = ()
    reads: tuple[str, ...] = ()
    hand: HandField | None = None
    spares_hands: bool = False
    body_first: bool = False
    close_to_blades: bool = False
    counts_as_mouthing: bool = False
    force_share: float | None = None

    @property
    def changes(self) -> str:
        """What it changes in every plan, in a sentence or two, made of what the rules do."""
        barred = [w for w in self.bars.values() if w]
        care = [w for w in (*self.cares.values(), self.also) if w]
        sentences = [f"Bars {'; '.join(barred)}" if barred else "", "; ".join(care)]
        return " ".join(f"{s[0].upper()}{s[1:]}." for s in sentences if s)


_BY_HAND = "weight or a push through the hands"
_ALL = (
    Precaution(
        "joint_laxity",
        "loose joints",
        bars={
            "force": "what takes more than 60 % of the usual force",
            "pull_apart": "pull-aparts over 10 N",
            "firm_wringing": "firm wringing",
        },
        cares={
            "long_hold": "half as many tries in long holds, against resistance and with weight on the hands, "
            "with a rest between",
            "weight_on_hands": "weight on the hands only within arm's reach",
            "resistance": "",
            "pain": "pain is asked before, during and after",
        },
        watches=("joint_caves", "asks_pain"),
        reads=("pain",),
        spares_hands=True,
        force_share=0.6,
    ),
    Precaution(
        "wrist_weight",
        "no weight on the hands or wrists",
        bars={"weight_on_hands": _BY_HAND, "firm_wringing": "firm wringing"},
        also="the forearms may still bear weight",
    ),
    Precaution(
        "fracture",
        "recent fracture or surgery",
        bars={
            "weight_on_hands": _BY_HAND,
            "resistance": "work against resistance",
            "firm_wringing": "firm wringing",
            "impact": "knocks",
            "catching": "catching",
        },
        cares={"lying": "propping on the forearms"},
    ),
    Precaution(
        "splint",
        "wears a splint",
        bars={
            "splint": "water, dough and loose grain",
            "weight_on_hands": _BY_HAND,
            "resistance": "work against resistance",
            "firm_wringing": "firm wringing",
            "other_hand": "the grades that hand can't do",
        },
        cares={"splint_worn": "on or off as agreed, and the skin is looked at after"},
        hand="splint_hand",
    ),
    Precaution(
        "pain",
        "pain in the hand",
        bars={
            "weight_on_hands": _BY_HAND,
            "impact": "knocks",
            "catching": "catching",
            "long_hold": "long holds",
            "resistance": "work against resistance",
            "firm_wringing": "firm wringing",
        },
        cares={"pain": "pain is asked before, during and after"},
        watches=("asks_pain",),
        reads=("pain",),
        spares_hands=True,
    ),
    Precaution(
        "seizures",
        "seizures",
        cares={
            "water": "water, blades and upright sticks only within arm's reach of an adult",
            "cutting_tool": "",
            "knife": "",
            "stood_up": "",
            "upright": "",
            "walking": "an adult walks beside",
            "seizures": "on the floor or in a seat with arms, the family's plan at hand",
        },
        close_to_blades=True,
    ),
    Precaution(
        "skin",
        "sensitive or broken skin",
        bars={"skin": "what dries or stings: salt, sand, lentils, glue, paint, latex"},
        cares={"skin": "wet work is short"},
    ),
    Precaution(
        "swallowing",
        "trouble swallowing",
        bars={"swallowing": "food, dough and small parts", "grain": "loose grain"},
        also="a kit of the child's own",
    ),
    Precaution(
        "one_hand_assists",
        "one hand assists (hemiplegia)",
        bars={"other_hand": "the preferred hand's grades for the assisting hand"},
        cares={
            "assisting": "it keeps its own role: it holds, steadies, carries",
            "weight_on_hands": "weight on it only within arm's reach",
        },
        watches=("assists_unasked",),
        reads=("unasked",),
        hand="assisting_hand",
    ),
    Precaution(
        "vision",
        "low vision",
        cares={
            "vision": "strong contrast, fixed places and good light in every activity",
            "cutting_tool": "an adult within arm's reach of blades and beside a child who walks",
            "knife": "",
            "walking": "",
        },
        close_to_blades=True,
    ),
    Precaution(
        "tube",
        "tube or line",
        bars={"lying": "lying on the front"},
        cares={"long_tube": "long cords only within arm's reach"},
    ),
    Precaution(
        "pica",
        "eats what is not food",
        bars={
            "raw": "all that is barred for a child who often mouths things",
            **dict.fromkeys(("balloon_mouthed", "blade_inside", "dough", "film", "friable", "glass", "grain"), ""),
            **dict.fromkeys(("hard_food", "pointed", "sharp", "small_ball"), ""),
            "small_part": "",
        },
        cares={"soft_food": "small soft food, and forks at the table, only within arm's reach", "pointed": ""},
        counts_as_mouthing=True,
    ),
    Precaution(
        "immune",
        "weakened immunity",
        bars={"own_kit": "what passes from hand to hand and can't be washed"},
        cares={"own_kit": "the child's own things, washed or new"},
    ),
    Precaution(
        "low_tone",
        "low muscle tone",
        cares={"weight_on_hands": "weight on the hands only within arm's reach"},
        also="warms up with the whole body, and has a block on the feet between seated ones",
        body_first=True,
    ),
    Precaution("dust", "asthma or dust allergy", bars={"dust": "chalk, flour and other dusty things"}),
)
PRECAUTIONS: Mapping[PrecautionId, Precaution] = MappingProxyType({p.id: p for p in _ALL})


def known_precautions(ids: Iterable[str]) -> frozenset[PrecautionId]:
    """Return these ids as precautions. Raises KeyError for one that is none."""
    known = {str(id): id for id in PRECAUTIONS}
    return frozenset(known[id] for id in ids)
