"""Hazard rules of what is done, whatever it is done with. Common practice, no source, unless a rule says otherwise.

The id of a rule is the tag an activity or a grade carries; those that always speak need none.
"""

from collections.abc import Iterator, Mapping
from types import MappingProxyType

from core.child import Child, PrecautionId
from core.safety.verdicts import COMMON, MEMORY, Finding, rule

SCISSORS_MONTHS = 24  # months: the first snips come at two to two and a half; from memory
SCISSORS_ROOM_MONTHS = 54  # months (4½ years): round-ended ones in a class, one adult to eight; common practice
SCISSORS_ROOM_RUNG = 3.0  # cuts forward along a strip; common practice
SCISSORS_OLD_MONTHS = 120  # months (10 years): an adult in the room will do whatever was seen; from memory
LAX = frozenset[PrecautionId]({"joint_laxity"})
HURT: Mapping[PrecautionId, str] = MappingProxyType(
    {"pain": "pain in the hand", "fracture": "a recent fracture or surgery"}
)
KNIFE_ROOM_MONTHS = 72  # months (6 years): a blunt one on soft food; a sharp one has a rule of its own; from memory


@rule(
    "weight_on_hands",
    "step",
    COMMON,
    "weight on the hands with a wrist precaution, a fracture, a splint, pain or loose joints",
    halves=LAX,
    loads=True,
)
def _weight_on_hands(c: Child) -> Iterator[Finding]:
    kinds: dict[PrecautionId, str] = {
        "wrist_weight": "a wrist precaution",
        "fracture": "a recent fracture or surgery",
        "splint": "a splint",
        "pain": "pain in the hand",
    }
    for precaution, words in kinds.items():
        if precaution in c.precautions:
            yield Finding(
                "barred",
                f"Weight or a push through the hands, and this child has {words}.",
                "Prop on the forearms, elbows bent, or leave it out.",
            )
            return
    if "joint_laxity" in c.precautions:
        yield Finding(
            "caution",
            "Weight on the hands with loose joints.",
            "At a wall or on the forearms first; elbows never locked; half as long, and off at any discomfort.",
            "arms_reach",
        )
    if "one_hand_assists" in c.precautions:
        yield Finding(
            "caution",
            "Weight on the hands with one hand that assists.",
            "Place the assisting hand open under the shoulder; never press it flat.",
            "arms_reach",
        )
    if "low_tone" in c.precautions:
        yield Finding(
            "caution",
            "Weight on the hands with low muscle tone.",
            "Elbows soft; hold the hips, and stop as soon as the back sags.",
            "arms_reach",
        )


@rule("lying", "step", COMMON, "lying on the front: a tube or a line, a meal just eaten, an arm that was broken")
def _lying(c: Child) -> Iterator[Finding]:
    if "tube" in c.precautions:
        yield Finding("barred", "Lying on the front, and this child has a tube or a line.", "Sit or stand instead.")
    else:
        yield Finding("caution", "Lying on the front.", "Not within an hour after a meal; nothing in the mouth.")
    if "fracture" in c.precautions:
        yield Finding(
            "caution",
            "Propped on the forearms, and this child has a recent fracture or surgery.",
            "Ask which bone first; no weight on that arm until whoever treats it allows it.",
            "arms_reach",
        )


@rule("walking", "step", COMMON, "carrying while walking")
def _walking(c: Child) -> Iterator[Finding]:
    yield Finding(
        "caution", "Walking with something in the hand.", "A clear way, walking pace, no socks on a bare floor."
    )
    kinds: dict[PrecautionId, str] = {"seizures": "seizures", "vision": "low vision"}
    for precaution, words in kinds.items():
        if precaution in c.precautions:
            yield Finding("caution", f"Walking, and this child has {words}.", "Walk beside the child.", "arms_reach")


def _hurt(c: Child) -> str:
    """Why a hand must take no knock, in words; empty where it may."""
    return next((words for precaution, words in HURT.items() if precaution in c.precautions), "")


@rule("impact", "step", COMMON, "knocks and blows", watched=True, loads=True)
def _impact(c: Child) -> Iterator[Finding]:
    if hurt := _hurt(c):
        yield Finding("barred", f"Knocks go into the hand, and this child has {hurt}.", "Press instead of hitting.")
        return
    yield Finding(
        "caution",
        "Hammering: fingers and eyes.",
        "Soft base, light hammer, the other hand away before the blow, adult beside.",
        "arms_reach" if c.age_months < 84 else "room",
    )


@rule("catching", "step", COMMON, "catching a ball or a bag in the hands", loads=True)
def _catching(c: Child) -> Iterator[Finding]:
    if hurt := _hurt(c):
        yield Finding("barred", f"A catch jars the hand, and this child has {hurt}.", "Roll it on the table instead.")


@rule("long_hold", "step", COMMON, "a hold of ten seconds or more", halves=LAX, loads=True)
def _long_hold(c: Child) -> Iterator[Finding]:
    if "pain" in c.precautions:
        yield Finding("barred", "A long hold, and this child has pain in the hand.", "Short holds with rests between.")
    elif "joint_laxity" in c.precautions:
        yield Finding("caution", "A long hold with loose joints.", "Half as long; round knuckles; rest between.")


@rule("stood_up", "step", f"{COMMON}; age {MEMORY}", "sticks stood upright in dough or a base")
def _stood_up(c: Child) -> Iterator[Finding]:
    if c.age_months < 60 or "seizures" in c.precautions:
        yield Finding(
            "caution",
            "Sticks stand upright in front of the face.",
            "Under 8 cm and blunt, a cork or a ball on top between turns; adult within arm's reach.",
            "arms_reach",
        )
    else:
        yield Finding("caution", "Sticks stand upright in front of the face.", "Sit straight; blunt ends up.")


@rule("flying_bits", "step", COMMON, "cut bits that fly")
def _flying_bits(c: Child) -> Iterator[Finding]:
    yield Finding("caution", "Cut bits can fly into the eyes.", "Cut inside a bag or a deep bowl, faces back.")


@rule("tied_line", "step", COMMON, "tied lines between furniture")
def _tied_line(c: Child) -> Iterator[Finding]:
    yield Finding(
        "caution",
        "A line tied between furniture.",
        "An adult ties it to chair backs, marks it with a cloth, nobody runs; cleared after.",
        "arms_reach",
    )


@rule("wet_floor", "step", COMMON, "water on the floor")
def _wet_floor(c: Child) -> Iterator[Finding]:
    yield Finding("caution", "Water can reach the floor.", "Towel underneath; wipe at once.")


@rule("wall", "step", COMMON, "unstable wall and floor set-ups")
def _wall(c: Child) -> Iterator[Finding]:
    yield Finding("caution", "Work at a wall or on the floor.", "Clear the space; nothing that can tip or slide.")


@rule(
    "cutting_tool",
    "step",
    f"{COMMON}; ages {MEMORY}",
    "scissors: how close an adult is, by age and by what is sure",
    watched=True,
)
def _cutting_tool(c: Child) -> Iterator[Finding]:
    if c.age_months < SCISSORS_MONTHS:
        yield Finding("barred", "Scissors come too soon under two years.", "Tear paper, or squeeze tongs.")
        return
    sure = c.cutting_rung is not None and c.cutting_rung >= SCISSORS_ROOM_RUNG
    easy = c.age_months >= SCISSORS_OLD_MONTHS or (c.age_months >= SCISSORS_ROOM_MONTHS and sure)
    easy = easy and not c.close_to_blades
    yield Finding(
        "caution",
        "Scissors in use.",
        f"Round-ended scissors, seated, adult {'in the room' if easy else 'within arm’s reach'}, put away after.",
        "room" if easy else "arms_reach",
    )


@rule("knife", "step", f"{COMMON}; age {MEMORY}", "knives: how close an adult is, by age", watched=True)
def _knife(c: Child) -> Iterator[Finding]:
    easy = c.age_months >= KNIFE_ROOM_MONTHS and not c.close_to_blades
    yield Finding(
        "caution",
        "A knife in use.",
        f"Child's knife, seated, adult {'in the room' if easy else 'within arm’s reach'}, put away after.",
        "room" if easy else "arms_reach",
    )


@rule("adult_cuts", "step", COMMON, "cutting a slit or a hole is an adult step")
def _adult_cuts(c: Child) -> Iterator[Finding]:
    yield Finding(
        "caution",
        "A slit or hole has to be cut first.",
        "An adult cuts it before the session and tapes sharp edges.",
    )


@rule("hot", "step", COMMON, "heat while something is made")
def _hot(c: Child) -> Iterator[Finding]:
    yield Finding("caution", "It is cooked or boiled first.", "An adult makes it beforehand and lets it cool.")


@rule("stretched_band", "step", COMMON, "bands that snap back", loads=True)
def _stretched_band(c: Child) -> Iterator[Finding]:
    yield Finding(
        "caution",
        "A stretched band snaps back.",
        "Away from faces; no band on a finger or a wrist for longer than a count of ten; none flicked.",
        "arms_reach" if c.age_months < 72 else "room",
    )


@rule(
    "resistance",
    "step",
    COMMON,
    "resistance with pain, a recent fracture, a splint or loose joints",
    halves=LAX,
    loads=True,
)
def _over_resistance(c: Child) -> Iterator[Finding]:
    if c.precautions & {"pain", "fracture"}:
        yield Finding(
            "barred",
            "Work against resistance, and this child has pain or a recent fracture.",
            "Leave strength work out until the precaution is lifted.",
        )
    elif "joint_laxity" in c.precautions:
        yield Finding(
            "caution",
            "Work against resistance with loose joints.",
            "Round knuckles, half as many, a rest between; stop at any discomfort.",
        )
    if "splint" in c.precautions:
        yield Finding(
            "barred",
            "Work against resistance, and this child wears a splint.",
            "Give the free hand light work instead.",
        )


@rule(
    "firm_wringing",
    "step",
    COMMON,
    "firm wringing with a wrist precaution, a fracture, a splint, pain or loose joints",
    loads=True,
)
def _firm_wringing(c: Child) -> Iterator[Finding]:
    if c.precautions & {"wrist_weight", "fracture", "pain", "splint", "joint_laxity"}:
        yield Finding("barred", "Firm wringing turns the wrists hard.", "Squeeze a sponge in one hand instead.")


@rule("other_hand", "step", COMMON, "grades that ask the other hand, with a hand that assists or wears a splint")
def _other_hand(c: Child) -> Iterator[Finding]:
    if "one_hand_assists" in c.precautions:
        yield Finding(
            "barred",
            "The assisting hand is not put through the preferred hand's grades.",
            "Give it its own role: it holds, steadies, carries.",
        )
    elif "splint" in c.precautions and c.splint_hand not in ("none", c.hand):
        yield Finding("barred", "That hand wears the splint.", "Work with the free hand.")


@rule("assisting", "step", COMMON, "the role of a hand that assists", always=True)
def _assisting(c: Child) -> Iterator[Finding]:
    if "one_hand_assists" in c.precautions:
        hand = c.assisting_hand if c.assisting_hand != "none" else "assisting"
        yield Finding(
            "caution",
            f"The {hand} hand assists.",
            f"It holds and steadies; wait for it to come by itself, and count when the {hand} hand is used unasked.",
        )


@rule("splint_worn", "step", COMMON, "a splint during work", always=True)
def _splint_worn(c: Child) -> Iterator[Finding]:
    if "splint" in c.precautions:
        yield Finding("caution", "This child wears a splint.", "On or off as agreed; look at the skin after.")


@rule("seizures", "step", COMMON, "seizures during work", always=True)
def _seizures(c: Child) -> Iterator[Finding]:
    if "seizures" in c.precautions:
        yield Finding(
            "caution",
            "This child has seizures.",
            "On the floor or in a chair with arms; nothing that flashes; the family's plan at hand.",
        )


@rule("pain", "step", COMMON, "pain during work", always=True)
def _pain(c: Child) -> Iterator[Finding]:
    if c.precautions & {"pain", "joint_laxity"}:
        yield Finding(
            "caution",
            "This child may have pain.",
            "Ask before, during and after, 0 to 10; two points up and the block stops.",
        )


@rule("vision", "step", COMMON, "low vision", always=True)
def _vision(c: Child) -> Iterator[Finding]:
    if "vision" in c.precautions:
        yield Finding(
            "caution", "This child has low vision.", "Dark on light, every thing in its fixed place, light from behind."
        )
