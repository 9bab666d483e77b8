"""The demo clinic on a made-up canal: families, cupboards and children, and the histories they are given.

Invented for this and appearing nowhere else. Histories are played by core.ability.simulation from a fixed seed and
stored through the same actions as real use.
"""

from dataclasses import dataclass
from importlib.resources import files

import yaml

from clinic.models import Role
from core.child import Hand, Mouthing, Place, SamenessPolicy, Side, Supervision

CLINIC = "Larkwater Children's Hands"


@dataclass(frozen=True)
class DemoHome:
    """A cupboard. stock: thing ids with counts."""

    name: str
    kind: Place
    supervision: Supervision
    stock: dict[str, int]


@dataclass(frozen=True)
class DemoChild:
    """A child, the way each targeted strand learns, and the sessions on record.

    tasks -- how wanted tasks were seen: task, days ago, steps alone, place
    """

    first_name: str
    home: str
    age_months: int
    hand: Hand
    targets: tuple[str, ...]
    wanted: tuple[str, ...]
    likes: tuple[str, ...]
    sessions: int
    kind: str
    start_shift: float = 0.0
    per_week: float | None = None
    mouthing: Mouthing = "never"
    allergies: tuple[str, ...] = ()
    precautions: tuple[str, ...] = ()
    refuses: tuple[str, ...] = ()
    wary_of: tuple[str, ...] = ()
    reason: str = ""
    family_words: str = ""
    seating: str = ""
    attention_minutes: int = 30
    every_days: int = 7
    place: str = "home"
    minutes: int = 35
    last_days_ago: int = 6
    helped: bool = False
    assisting_hand: Side = "none"
    sameness: SamenessPolicy = "new_guises"
    overlays: tuple[str, ...] = ()
    tasks: tuple[tuple[str, int, int, Place], ...] = ()


MEMBERS: tuple[tuple[str, str, Role], ...] = (
    ("maren", "Maren Quay", "lead"),
    ("tove", "Tove Alder", "therapist"),
    ("ilja", "Ilja Reed", "assistant"),
)

HOMES = tuple(DemoHome(**home) for home in yaml.safe_load(files("demo").joinpath("homes.yaml").read_text("utf-8")))

CHILDREN = (
    DemoChild(
        "Ansel",
        "Lock cottage",
        58,
        "right",
        ("grasp", "bilateral"),
        ("buttons", "name"),
        ("boats", "animals"),
        14,
        "quick",
        start_shift=-0.9,
        reason="Behind in fine motor skills; his teacher sees him avoid crayons and dressing himself.",
        family_words="Wants to do the buttons on his deckhand jacket himself.",
        seating="Feet on a crate",
        last_days_ago=7,
        overlays=("count",),
        tasks=(("buttons", 60, 0, "home"), ("buttons", 21, 2, "home"), ("buttons", 7, 3, "home")),
    ),
    DemoChild(
        "Bryony",
        "Lock cottage",
        31,
        "not_settled",
        ("grasp", "bilateral"),
        ("coat", "spoon"),
        ("animals",),
        10,
        "slow",
        start_shift=-0.6,
        mouthing="often",
        precautions=("low_tone",),
        reason="Low muscle tone, walked at 20 months; puts everything in the mouth.",
        family_words="Get her own coat on before nursery.",
        attention_minutes=12,
        minutes=20,
        last_days_ago=5,
        seating="High chair with a foot plate",
        tasks=(("coat", 40, 1, "home"), ("coat", 5, 1, "home")),
    ),
    DemoChild(
        "Corin",
        "Boatyard flat",
        79,
        "left",
        ("scissors", "strength"),
        ("scissors", "name"),
        ("building site", "trains"),
        15,
        "plateau",
        start_shift=-1.4,
        reason="Clumsy with tools at school: a coordination disorder was named last year.",
        family_words="Cut out his models without help.",
        last_days_ago=7,
        tasks=(("scissors", 30, 2, "school"), ("scissors", 7, 2, "home")),
    ),
    DemoChild(
        "Delphie",
        "Boatyard flat",
        97,
        "right",
        ("in_hand", "daily"),
        ("page", "laces"),
        ("shop", "trains"),
        13,
        "setback",
        start_shift=-0.9,
        precautions=("joint_laxity",),
        reason="Loose joints; her hand aches and slows after ten lines of writing.",
        family_words="Get through a page at school without a sore hand.",
        every_days=14,
        minutes=40,
        last_days_ago=9,
        tasks=(("laces", 50, 3, "home"), ("laces", 9, 4, "home")),
    ),
    DemoChild(
        "Emrys",
        "Narrowboat Wren",
        45,
        "right",
        ("bilateral", "grasp"),
        ("spoon", "zip"),
        ("animals", "weather"),
        12,
        "prompt_dependent",
        start_shift=-0.7,
        allergies=("egg", "latex"),
        refuses=("sticky",),
        wary_of=("banana", "yoghurt"),
        reason="Develops late all round; waits to be told before he starts.",
        family_words="Eat supper with a fork like his sister.",
        minutes=30,
        last_days_ago=12,
        helped=True,
        tasks=(("spoon", 45, 2, "home"), ("spoon", 12, 3, "home")),
    ),
    DemoChild(
        "Fenna",
        "Narrowboat Sedge",
        66,
        "left",
        ("scissors", "in_hand"),
        ("scissors", "coins"),
        ("space", "boats"),
        16,
        "quick",
        start_shift=-1.1,
        allergies=("latex",),
        reason="Born at 29 weeks; school asked for help with scissors and small things.",
        family_words="Pay at the lock shop on her own.",
        last_days_ago=7,
        tasks=(("coins", 40, 3, "clinic"), ("coins", 20, 3, "home"), ("coins", 5, 3, "home")),
    ),
    DemoChild(
        "Garth",
        "Narrowboat Sedge",
        112,
        "right",
        ("strength", "bilateral"),
        ("ball", "lunchbox"),
        ("football",),
        11,
        "patchy",
        start_shift=-1.3,
        reason="Coordination disorder and short attention; drops out of ball games.",
        family_words="Catch well enough to join in at break.",
        every_days=14,
        minutes=40,
        last_days_ago=52,
    ),
    DemoChild(
        "Hollis",
        "Narrowboat Wren",
        52,
        "right",
        ("grasp",),
        ("name",),
        ("weather",),
        0,
        "slow",
        reason="Autistic; draws for hours, one way, with the whole fist. First visit next week.",
        family_words="Hold a pencil at school like the others.",
        attention_minutes=20,
        sameness="own_order",
    ),
    DemoChild(
        "Isla",
        "Narrowboat Wren",
        86,
        "right",
        ("bilateral", "daily"),
        ("zip", "lunchbox", "cutlery"),
        ("horses", "cooking"),
        3,
        "slow",
        start_shift=-1.8,
        precautions=("one_hand_assists",),
        assisting_hand="left",
        reason="Left hemiplegia; the left hand holds if it is asked, seldom unasked.",
        family_words="Do up her own coat for the morning walk along the towpath.",
        seating="Chair with arms, feet on a box",
        attention_minutes=30,
        last_days_ago=5,
        tasks=(("zip", 19, 1, "home"), ("zip", 5, 2, "home")),
    ),
)
