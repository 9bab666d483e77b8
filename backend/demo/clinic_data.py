"""The demo clinic on a made-up canal: families, cupboards and children, and the histories they are given.

Invented for this and appearing nowhere else. Histories are played by core.ability.simulation from a fixed seed and
stored through the same actions as real use.
"""

from dataclasses import dataclass
from importlib.resources import files

import yaml

from core.child import Hand, Mouthing, Place, Side, Supervision

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
    """A child, the way each targeted strand learns, and the sessions on record."""

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
    family_words: str = ""
    seating: str = ""
    attention_minutes: int = 30
    every_days: int = 7
    place: str = "home"
    minutes: int = 35
    last_days_ago: int = 6
    helped: bool = False
    assisting_hand: Side = "none"


MEMBERS = (("maren", "Maren Quay", "lead"), ("tove", "Tove Alder", "therapist"), ("ilja", "Ilja Reed", "assistant"))

HOMES = tuple(DemoHome(**home) for home in yaml.safe_load(files("demo").joinpath("homes.yaml").read_text("utf-8")))

CHILDREN = (
    DemoChild(
        "Ansel",
        "Lock cottage",
        58,
        "right",
        ("grasp", "in_hand"),
        ("buttons", "name"),
        ("boats", "animals"),
        14,
        "quick",
        start_shift=-0.6,
        per_week=0.16,
        family_words="Wants to do the buttons on his deckhand jacket himself.",
        seating="Feet on a crate",
        last_days_ago=7,
    ),
    DemoChild(
        "Bryony",
        "Lock cottage",
        31,
        "not_settled",
        ("grasp", "bilateral"),
        ("zip", "cutlery"),
        ("animals",),
        10,
        "slow",
        mouthing="often",
        family_words="Zip her own coat before nursery.",
        attention_minutes=14,
        minutes=20,
        last_days_ago=5,
        seating="High chair with a foot plate",
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
        start_shift=-1.6,
        per_week=0.14,
        family_words="Cut out his models without help.",
        last_days_ago=7,
    ),
    DemoChild(
        "Delphie",
        "Boatyard flat",
        97,
        "right",
        ("in_hand", "strength"),
        ("laces", "coins"),
        ("shop", "trains"),
        13,
        "setback",
        start_shift=-1.2,
        precautions=("joint_laxity",),
        family_words="Tie her own boots on deck days.",
        every_days=14,
        minutes=40,
        last_days_ago=9,
    ),
    DemoChild(
        "Emrys",
        "Narrowboat Wren",
        45,
        "right",
        ("bilateral", "grasp"),
        ("cutlery", "zip"),
        ("animals", "weather"),
        12,
        "prompt_dependent",
        start_shift=-0.3,
        allergies=("egg", "latex"),
        refuses=("sticky",),
        family_words="Eat supper with a fork like his sister.",
        minutes=30,
        last_days_ago=12,
        helped=True,
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
        start_shift=-1.0,
        per_week=0.12,
        allergies=("latex",),
        family_words="Pay at the lock shop on her own.",
        last_days_ago=7,
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
        start_shift=-1.5,
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
        family_words="Hold a pencil at school like the others.",
        attention_minutes=20,
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
        start_shift=-3.0,
        precautions=("one_hand_assists",),
        assisting_hand="left",
        family_words="Do up her own coat for the morning walk along the towpath.",
        seating="Chair with arms, feet on a box",
        attention_minutes=30,
        last_days_ago=5,
    ),
)
