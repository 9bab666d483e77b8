"""The skills map: targets, strands, the rungs of each ladder, and what daily tasks demand of them.

Rungs count from 1. Ages are typical windows, from memory: they seed the first guess for a new child
and never label one. ICF codes: World Health Organization, International Classification of
Functioning, Disability and Health (2001), children and youth version (2007).
"""

from dataclasses import dataclass
from types import MappingProxyType

from core.errors import NotThere


@dataclass(frozen=True)
class Target:
    """One of the five aims of the trade, or the daily-life tasks they serve."""

    id: str
    name: str


@dataclass(frozen=True)
class Rung:
    """One step of a ladder that can be seen; age_months is where the window typically opens."""

    number: int
    words: str
    age_months: float | None


@dataclass(frozen=True)
class Strand:
    """A ladder within a target: its name in the trade, and in plain words for those who read beside."""

    id: str
    target: str
    name: str
    plain: str
    icf: tuple[str, ...]
    rungs: tuple[Rung, ...]

    @property
    def top(self) -> int:
        """The number of the highest rung."""
        return len(self.rungs)

    def rung(self, number: int) -> Rung:
        """Return one rung. Raises NotThere where the ladder has no such rung."""
        if not 1 <= number <= self.top:
            raise NotThere(f"rung {number}: {self.name} has rungs 1 to {self.top}. Choose one of these.")
        return self.rungs[number - 1]

    def nearest(self, level: float) -> Rung:
        """Return the rung a level (a float in rungs) stands on or is nearest to."""
        return self.rungs[min(max(round(level), 1), self.top) - 1]


TARGETS = MappingProxyType(
    {
        t.id: t
        for t in (
            Target("grasp", "Grasp"),
            Target("strength", "Hand strength"),
            Target("in_hand", "In-hand manipulation"),
            Target("bilateral", "Two hands together"),
            Target("scissors", "Scissors"),
            Target("daily", "Daily-life tasks"),
        )
    }
)


def _strand(id: str, target: str, name: str, plain: str, icf: str, *rungs: tuple[str, float | None] | str) -> Strand:
    steps = tuple(
        Rung(n, r if isinstance(r, str) else r[0], None if isinstance(r, str) else r[1])
        for n, r in enumerate(rungs, start=1)
    )
    return Strand(id, target, name, plain, tuple(icf.split()), steps)


_STRANDS = (
    _strand(
        "object_grasp",
        "grasp",
        "Object grasp",
        "picking things up",
        "d4400 d4401",
        ("rakes it up with the whole hand", 6),
        ("holds it in the palm, on the thumb side", 7.5),
        ("thumb and fingers, clear of the palm", 9.5),
        ("side pinch, thumb against the side of the index", 10.5),
        ("pad of thumb to pad of index", 12),
        ("tip of thumb to tip of index", 18),
        ("three-point hold: thumb, index and middle", 33),
        ("tip pinch while ring and little finger keep something tucked", 60),
    ),
    _strand(
        "tool_grasp",
        "grasp",
        "Tool grasp",
        "holding tools",
        "d1450 d4401",
        ("holds the tool in a fist", 14),
        ("fingers point down, palm down", 28),
        ("fingers straight along the tool", 36),
        ("still tripod or four-finger hold, moved by wrist and arm", 45),
        ("tripod, lateral tripod or four-finger hold, moved by the fingers", 62),
    ),
    _strand(
        "finger_isolation",
        "grasp",
        "Finger isolation",
        "one finger at a time",
        "d4402 b7601",
        ("fingers move together", 6),
        ("index finger points", 12),
        ("index finger presses with force", 24),
        ("thumb touches each finger in turn", 48),
        ("one finger works while the others hold", 66),
    ),
    _strand(
        "squeeze",
        "strength",
        "Power grip",
        "squeezing with the whole hand",
        "b7300",
        "squeezes very soft things: a sponge, a soft bulb (about 5 N)",
        "squeezes a kitchen bulb or soft dough (about 10 N)",
        "works a light trigger or a slit soft ball (about 20 N)",
        "works a stiff trigger or a stuffed roll (about 35 N)",
        "squeezes a roll with two more layers (about 55 N)",
        "squeezes firm putty or a firm gripper through a whole set (about 80 N)",
    ),
    _strand(
        "pinch",
        "strength",
        "Pinch strength",
        "pinching with thumb and fingers",
        "b7300",
        "opens a very weak clip or pulls soft dough (about 3 N)",
        "opens a light wooden peg (about 6 N)",
        "opens a common spring peg (about 10 N)",
        "opens a stiff peg or a small bulldog clip (about 15 N)",
        "opens a strong clip again and again (about 22 N)",
        "opens a strong clip while the peg holds two things together (about 30 N)",
    ),
    _strand(
        "hold",
        "strength",
        "Sustained grip",
        "keeping hold",
        "b7400",
        "keeps hold for 2 seconds",
        "keeps hold for 5 seconds",
        "keeps hold while carrying across the table (about 8 s)",
        "keeps hold while carrying across the room (about 15 s)",
        "keeps hold while aiming at a small opening (about 20 s)",
    ),
    _strand(
        "push",
        "strength",
        "Weight bearing through the arms",
        "pushing and leaning on the hands",
        "b7603 b7400",
        "pushes with flat hands against a wall",
        "works at a wall for a minute, arms up",
        "lies propped on forearms and plays",
        "weight on both hands for half a minute",
        "weight on one hand while the other works",
    ),
    _strand(
        "to_palm",
        "in_hand",
        "Finger-to-palm translation",
        "tucking things into the palm",
        "d4402 b7601",
        ("tucks one medium-sized thing into the palm, using the table a little", 22),
        ("tucks one small thing away inside the hand", 28),
        ("tucks two to three away, one after another", 38),
        ("stores five small things one by one, none dropped", 60),
        ("stores ten, small and flat", 78),
    ),
    _strand(
        "from_palm",
        "in_hand",
        "Palm-to-finger translation",
        "bringing things back to the fingertips",
        "d4402 b7601",
        ("brings one medium-sized thing out to the fingertips", 30),
        ("brings one small thing out to the fingertips", 40),
        ("brings one out while one other stays in", 60),
        ("brings three out one by one", 72),
        ("brings five or more out one by one into a small opening", 84),
    ),
    _strand(
        "shift",
        "in_hand",
        "Shift",
        "moving along the fingertips",
        "d4402 b7601",
        ("separates two thick pages or cards", 36),
        ("walks the fingers a little along a thick stick", 44),
        ("walks up and back along a pencil, 5 times", 56),
        ("fans cards, parts two thin sheets, walks 10 times", 66),
        ("walks a pencil while a small thing stays tucked", 80),
    ),
    _strand(
        "simple_rotation",
        "in_hand",
        "Simple rotation",
        "rolling and unscrewing with the fingertips",
        "d4402 b7601",
        ("turns a big lid with the whole hand", 24),
        ("unscrews a medium-sized lid with the fingertips", 32),
        ("rolls a small ball between the pads, turns a small cap", 42),
        ("turns a nut off a bolt, one hand still", 56),
        ("turns a small thing while others stay in the palm", 76),
    ),
    _strand(
        "complex_rotation",
        "in_hand",
        "Complex rotation",
        "turning end over end",
        "d4402 b7601",
        ("turns a thick peg over with a touch on the table", 50),
        ("turns a peg over inside the hand", 62),
        ("flips a pencil to its other end", 74),
        ("flips a pencil to its other end, 5 times without a slip", 84),
        ("flips while a small thing stays in the palm", 92),
    ),
    _strand(
        "together",
        "bilateral",
        "Bilateral, symmetrical",
        "both hands the same",
        "b7602 d445",
        ("pulls soft things apart with two hands", 12),
        ("tears thin paper", 22),
        ("rolls and presses dough with both hands", 30),
        ("pulls press studs or suction cups apart", 40),
        ("tears heavy paper along a line, wrings a cloth dry", 56),
    ),
    _strand(
        "hold_and_act",
        "bilateral",
        "Bilateral, stabilise and act",
        "one hand steadies, one works",
        "b7602 d445",
        ("helper hand keeps a pot still", 14),
        ("helper hand holds a stick or line while the other threads", 26),
        ("helper hand holds paper still for drawing", 38),
        ("helper hand moves along as the work goes on", 48),
        ("helper hand turns the work into the tool", 60),
        ("helper hand makes small changes of hold without a look", 76),
    ),
    _strand(
        "take_turns",
        "bilateral",
        "Bilateral, alternating",
        "hands take turns",
        "b7602",
        ("passes a thing from one hand to the other", 9),
        ("hands alternate slowly, one after the other", 30),
        ("hands alternate hand over hand along a line or tube", 44),
        ("hands alternate in a steady beat", 60),
        ("hands do different things in turn, quickly", 78),
    ),
    _strand(
        "midline",
        "bilateral",
        "Crossing midline",
        "reaching across the middle",
        "b7602 d445",
        ("brings both hands to the middle", 8),
        ("reaches across with the trunk turning along", 24),
        ("reaches across, trunk still", 40),
        ("reaches across again and again, hand does not swap", 54),
        ("works a whole row from one side to the other with one hand", 66),
    ),
    _strand(
        "toss_catch",
        "bilateral",
        "Toss and catch",
        "toss and catch",
        "d4454 d4455",
        ("catches one bag with two hands", 48),
        ("10 one-hand catches, preferred hand", 66),
        ("10 one-hand catches, other hand", 72),
        ("tosses with one hand, catches with the other", 78),
        ("to and fro without a stop", 84),
        ("two bags at once, crossing", 96),
        ("two bags one after the other, right first", 104),
        ("two bags one after the other, left first", 110),
    ),
    _strand(
        "cutting",
        "scissors",
        "Cutting",
        "cutting",
        "d4402 d445",
        ("holds scissors thumb up, opens and closes", 22),
        ("one snip in a narrow strip", 27),
        ("snips one after another along", 30),
        ("cuts a strip in two", 34),
        ("straight line within 12 mm", 39),
        ("straight line within 6 mm", 45),
        ("stops at a mark", 48),
        ("corner", 51),
        ("wide curve", 54),
        ("circle", 57),
        ("square", 60),
        ("tight and inside curve", 68),
        ("mixed outline", 78),
    ),
    _strand(
        "fasteners",
        "daily",
        "Fasteners",
        "buttons, zips and the like",
        "d5400 d4402",
        ("hook-and-loop", 24),
        ("big press stud", 32),
        ("pulls a zip up and down", 36),
        ("buckle", 44),
        ("big button", 44.5),
        ("small button", 56),
        ("hook and eye", 66),
        ("engages a zip", 68),
    ),
    _strand(
        "laces",
        "daily",
        "Laces",
        "laces",
        "d5402 d4402",
        ("pulls the bow open", 30),
        ("crosses the laces and tucks one under", 54),
        ("first knot, pulled tight", 62),
        ("makes the loop or loops", 70),
        ("whole bow on a board", 76),
        ("whole bow on the foot", 82),
    ),
    _strand(
        "cutlery",
        "daily",
        "Cutlery",
        "cutlery",
        "d550 d4402",
        ("spoons big things from pot to pot", 20),
        ("spoons small things from pot to pot", 30),
        ("spears soft pieces with a fork", 34),
        ("fork in, knife saws a dough sausage", 54),
        ("cuts soft food and pushes the piece off", 66),
        ("uses both through a meal", 84),
    ),
    _strand(
        "writing",
        "daily",
        "Pre-writing",
        "ready for writing",
        "d1450 d145",
        ("makes marks with a short crayon", 20),
        ("copies lines down and across", 34),
        ("copies a circle", 38),
        ("copies a cross, fills inside a border", 50),
        ("copies a square and own letters from pieces", 58),
        ("copies a triangle, writes the name on a line", 66),
        ("writes words with spaces and even height", 80),
    ),
)

STRANDS = MappingProxyType({s.id: s for s in _STRANDS})


def strands_of(target: str) -> tuple[Strand, ...]:
    """Return the strands of one target, in the order of the map. Unknown target: an empty tuple."""
    return tuple(s for s in _STRANDS if s.target == target)
