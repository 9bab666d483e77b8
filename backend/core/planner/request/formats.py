"""The shapes a session can have: which parts, who may play them, how long, and what holds for all of it. Common
practice.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from types import MappingProxyType

from core.child import PARTS, Part, Supervision, Zone
from core.errors import NotThere
from core.library import KITS
from core.library.activity import Activity
from core.own import SHELF

PAPER_GROUPS = frozenset(
    {
        "cut",
        "fold",
        "tear and scrunch",
        "glue and assemble",
        "colour and trace",
        "copy-a-step drawing",
        "writing aids",
        "short-tool drawing and dabbing",
        "first marks",
        "stickers",
    }
)
BOXES = MappingProxyType({k.stages[0].activity_id: k for k in KITS.values() if k.kind == "box"})
"""The independent box each activity makes, by activity."""
LEAST_AT_HOME = 0.7  # expected success of anything a family does alone; common practice, no source
LOOK = "look"  # the id of the format that is asked step by step
IN_STAGES = Zone(0.65, 0.95)  # a stage is played through, easy or hard; from memory
PART_MINUTES = MappingProxyType(
    {
        # (fewest, most) minutes of one block; common practice: short at both ends, the time goes to the work
        "opener": (2, 4),
        "warm-up": (2, 5),
        "main": (4, 12),
        "stretch": (2, 5),
        "daily": (3, 8),
        "tidy": (2, 3),
    }
)
PART_NAMES = MappingProxyType(
    {
        "opener": "Sure win",
        "warm-up": "Warm-up",
        "main": "Main work",
        "stretch": "Stretch",
        "daily": "Daily life",
        "tidy": "Tidy-up",
    }
)


def _own_parts(activity: Activity) -> tuple[Part, ...]:
    return activity.parts


def _boxes(activity: Activity) -> tuple[Part, ...]:
    """Hand work, then paper, then self-care."""
    if activity.group in PAPER_GROUPS:
        return ("main",) if "main" in activity.parts else ()
    if activity.target == "daily":
        return ("daily",)
    return ("warm-up",) if "main" in activity.parts else ()


def _only_main(activity: Activity) -> tuple[Part, ...]:
    return ("main",) if "main" in activity.parts else ()


def _managed_alone(activity: Activity) -> tuple[Part, ...]:
    return ("main",) if activity.id in BOXES else ()


def _stages(activity: Activity) -> tuple[Part, ...]:
    return ("main",)


@dataclass(frozen=True)
class Format:
    """One session format.

    plays        -- the parts an activity may play in it
    must         -- parts wanted, each with the fewest minutes of session from which it is
    main         -- fewest (in a session of 28 minutes or more; one in a shorter one) and most main blocks
    minutes      -- (fewest, most) minutes of one block, by part
    zones        -- bands that differ from the child's own, by part
    any_strand   -- whether main work may train strands outside the chosen targets
    equal        -- whether all main blocks have the same minutes (children change places together)
    has_task     -- whether the wanted task itself has a part in it
    supervision  -- the only supervision it is for, where there is just one
    most_minutes -- the longest it is asked for, where it is a short one
    planned      -- whether it is planned ahead; a first look is asked step by step instead
    target_parts -- the parts in which a block counts as work on a chosen target
    least_always -- whether the fewest main blocks hold in a short session too
    task_only    -- whether its daily-life part is wanted only where there is a wanted task
    wants_movement, wants_many, wants_assisting -- whether it holds a block on the feet for who needs to move, one of
                    many repetitions, and a job for a hand that assists
    kit_kind     -- the kind of kit it plays through; empty where it plays none
    makes_boxes  -- whether each block is an independent box
    unaided      -- expected success that every block has, where no therapist is there to help; 0 where one is
    """

    id: str
    name: str
    hint: str
    plays: Callable[[Activity], tuple[Part, ...]] = _own_parts
    must: Mapping[str, int] = field(
        default_factory=lambda: MappingProxyType({"opener": 12, "warm-up": 25, "daily": 20, "tidy": 15})
    )
    main: tuple[int, int] = (2, 4)
    minutes: Mapping[str, tuple[int, int]] = field(default_factory=lambda: PART_MINUTES)
    zones: Mapping[str, Zone] = field(default_factory=lambda: MappingProxyType({}))
    names: Mapping[str, str] = field(default_factory=lambda: PART_NAMES)
    any_strand: bool = False
    equal: bool = False
    has_task: bool = False
    ending: str = ""
    supervision: Supervision | None = None
    most_minutes: int | None = None
    planned: bool = True
    target_parts: tuple[Part, ...] = ("main",)
    least_always: bool = False
    task_only: bool = False
    wants_movement: bool = False
    wants_many: bool = False
    wants_assisting: bool = False
    kit_kind: str = ""
    makes_boxes: bool = False
    unaided: float = 0.0


def _minutes(**changed: tuple[int, int]) -> Mapping[str, tuple[int, int]]:
    return MappingProxyType({**PART_MINUTES, **{k.replace("_", "-"): v for k, v in changed.items()}})


FORMATS = MappingProxyType(
    {
        s.id: s
        for s in (
            Format(
                "parts",
                "Opener, work, daily life",
                "Opens with a sure win, ends with something useful.",
                has_task=True,
                task_only=True,
                wants_movement=True,
                wants_many=True,
                wants_assisting=True,
            ),
            Format(
                "boxes",
                "Three boxes",
                "Hand work, then cut, paste and write, then self-care.",
                _boxes,
                MappingProxyType({"warm-up": 10, "main": 10, "daily": 10}),
                (1, 2),
                _minutes(warm_up=(4, 12), main=(4, 12), daily=(3, 12)),
                any_strand=True,
                names=MappingProxyType(
                    {**PART_NAMES, "warm-up": "Box 1: hands", "main": "Box 2: paper", "daily": "Box 3: self-care"}
                ),
                target_parts=("warm-up", "main", "daily"),
                wants_assisting=True,
            ),
            Format(
                "home",
                "One or two activities",
                "Short, from what the home has.",
                _only_main,
                MappingProxyType({}),
                (1, 2),
                has_task=True,
                most_minutes=20,
                unaided=LEAST_AT_HOME,
            ),
            Format(
                "alone",
                "Independent box",
                "Only what is managed alone; finished without an adult.",
                _managed_alone,
                MappingProxyType({}),
                (2, 4),
                _minutes(main=(3, 10)),
                MappingProxyType({"main": Zone(0.90, 0.995)}),
                MappingProxyType({**PART_NAMES, "main": "Alone"}),
                any_strand=True,
                ending="Count the prompts, and bring them to none; the child closes the lid.",
                supervision="box",
                makes_boxes=True,
                unaided=0.85,
            ),
            Format(
                "stations",
                "Stations",
                "Equal stations, changed on a signal.",
                _only_main,
                MappingProxyType({}),
                (3, 5),
                _minutes(main=(3, 10)),
                names=MappingProxyType({**PART_NAMES, "main": "Station"}),
                any_strand=True,
                equal=True,
                least_always=True,
                wants_movement=True,
                wants_assisting=True,
            ),
            Format(
                "kit",
                "One kit, played through",
                "One set-up in stages: set it up, load it, clear it, break it up.",
                _stages,
                MappingProxyType({}),
                (1, 6),
                _minutes(main=(1, 10)),
                MappingProxyType({"main": IN_STAGES}),
                MappingProxyType({**PART_NAMES, "main": "Stage"}),
                any_strand=True,
                kit_kind="kit",
            ),
            Format(
                "project",
                "A project to keep",
                "Something worth keeping, made step by step.",
                _stages,
                MappingProxyType({}),
                (1, 6),
                _minutes(main=(1, 12)),
                MappingProxyType({"main": IN_STAGES}),
                MappingProxyType({**PART_NAMES, "main": "Step"}),
                any_strand=True,
                kit_kind="project",
            ),
            Format(
                LOOK,
                "First look",
                "A new child placed by play, each set chosen by what it would tell.",
                must=MappingProxyType({}),
                names=MappingProxyType({**PART_NAMES, "main": "Look"}),
                any_strand=True,
                most_minutes=20,
                planned=False,
            ),
        )
    }
)

ORDERS = MappingProxyType(
    {"precision_first": "Precise work first, tiring work after", "strength_first": "Strength first, precise work after"}
)


def format_of(format_id: str) -> Format:
    """Return a session format, a common one or a clinic's own. Raises NotThere where there is none of that id."""
    result = FORMATS.get(format_id) or SHELF.find(format_id, Format)
    if result is None:
        raise NotThere(f"{format_id!r} is not a session format. Use one of {', '.join(FORMATS)}.")
    return result


__all__ = ["FORMATS", "LOOK", "ORDERS", "PARTS", "PART_MINUTES", "Format", "format_of"]
