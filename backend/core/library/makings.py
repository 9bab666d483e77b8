"""Things made at home: what they are made of, with which tools, what only an adult does, how long it takes.

Common practice, no source; minutes from memory.
"""

from collections.abc import Collection, Iterable
from dataclasses import dataclass
from types import MappingProxyType

from core.library.things import MATERIALS


@dataclass(frozen=True)
class Part:
    """One ingredient: any of these things, how many, or a plain supply that no cupboard lists."""

    words: str
    count: int = 1
    any_of: tuple[str, ...] = ()


@dataclass(frozen=True)
class Making:
    """How one material is made. adult_steps are never the child's; child_steps may be."""

    material: str
    parts: tuple[Part, ...]
    tools: tuple[str, ...]
    adult_steps: tuple[str, ...]
    child_steps: tuple[str, ...]
    minutes: int
    makes: int = 1
    tags: tuple[str, ...] = ("adult_cuts",)

    @property
    def name(self) -> str:
        """The name of what is made."""
        return MATERIALS[self.material].name

    def missing(self, have: Collection[str]) -> tuple[Part, ...]:
        """The parts none of whose things are among these material ids; plain supplies count as there."""
        return tuple(p for p in self.parts if p.any_of and not set(p.any_of) & set(have))


def _p(words: str, count: int = 1, any_of: str = "") -> Part:
    return Part(words, count, tuple(any_of.split()))


TAPE, FELT = _p("paper tape"), _p("felt pen")
SHARP_KNIFE = "craft knife (adult)"
CLOTH = _p("old cloth", 1, "dish_cloth washcloth own_shirt")


def _makings() -> Iterable[Making]:
    yield Making(
        "plastic_pot",
        (_p("lidded pot", 1, "wide_bowl jam_jar measuring_jug"), TAPE),
        (SHARP_KNIFE,),
        ("Cut a slot 40 mm long and as wide as the thickest token plus 2 mm", "Tape the cut edges"),
        ("Draw a face round the mouth",),
        10,
    )
    yield Making(
        "narrow_slot_tin",
        (_p("tin or pot with a plastic lid"), TAPE),
        (SHARP_KNIFE,),
        ("Cut a slot 28 mm long, 4 mm wide in the lid", "Tape the cut edges"),
        ("Stick numbers on",),
        10,
    )
    yield Making(
        "hole_tub", (_p("tub with a lid"), TAPE), (SHARP_KNIFE,), ("Cut a round hole 22 mm across", "Tape the cut edge"), (), 8
    )
    yield Making(
        "spaghetti_post",
        (_p("dry spaghetti", 9), _p("dough", 1, "wheat_dough corn_dough soft_putty clay")),
        (),
        ("Break the strands to 12 cm over a bowl",),
        ("Press nine balls of dough down flat", "Stand a post in each"),
        5,
        makes=9,
        tags=(),
    )
    yield Making(
        "stick_in_eggbox",
        (_p("egg box", 1, "egg_box"), _p("blunt thin sticks", 9, "cocktail_stick_blunt cotton_bud lolly_stick")),
        ("pointed scissors (adult)",),
        ("Cut the points off", "Make nine holes in the upturned box"),
        ("Stand a stick in each hole",),
        8,
        makes=9,
    )
    yield Making(
        "dowel_stand",
        (_p("thick stick", 1, "pencil wooden_spoon taped_dowel"), _p("putty or clay", 1, "firm_putty clay soft_putty")),
        (),
        ("Check that the base is wider than the palm and does not tip",),
        ("Press the stick into the lump",),
        5,
        tags=(),
    )
    yield Making(
        "taped_lace",
        (_p("string or wool", 1, "parcel_string soft_wool tipped_cord"), TAPE),
        ("scissors (adult)",),
        ("Cut to 90 cm, knot one end round a bead",),
        ("Roll three turns of tape round the other end",),
        4,
        tags=("adult_cuts",),
    )
    yield Making(
        "tipped_cord",
        (_p("string or wool", 1, "parcel_string soft_wool"), _p("blunt thin stick", 1, "cocktail_stick_blunt cotton_bud"), TAPE),
        ("scissors (adult)",),
        ("Cut to 60 cm", "Tie and tape the stick to one end"),
        ("Tie a bead to the other end as a stop",),
        5,
    )
    yield Making(
        "taped_dowel",
        (_p("thin stick", 1, "bamboo_stick_thin straw"), TAPE),
        ("strong cutters (adult)",),
        ("Cut the point off, rub the end smooth",),
        ("Turn tape round one end until it stops a bead",),
        4,
    )
    yield Making(
        "handled_stick",
        (_p("thin stick", 1, "bamboo_stick_thin pencil taped_dowel"), _p("cork", 1, "cork"), TAPE),
        ("awl (adult)",),
        ("Cut to 16 cm, blunt the tip", "Push the other end into the cork"),
        ("Wrap tape above the cork as a stop",),
        6,
    )
    for kind, cloth, minutes in (
        ("button_cloth", CLOTH, 20),
        ("button_cloth_small", CLOTH, 20),
        ("button_card", _p("index card", 1, "index_card heavy_paper"), 12),
        ("button_card_small", _p("index card", 1, "index_card heavy_paper"), 12),
        ("button_board", _p("box card", 1, "corrugated cereal_card"), 12),
    ):
        small = kind.endswith("small")
        yield Making(
            kind,
            (cloth, _p("three buttons", 3, "big_button"), _p("needle and thread")),
            (SHARP_KNIFE,),
            (
                f"Sew three {'14' if small else '28'} mm buttons on one strip, 6 cm apart",
                f"Cut slits of {'18' if small else '34'} mm (button plus 4 to 6 mm) in the other",
            ),
            ("Colour the edge of each slit",),
            minutes,
        )
    yield Making(
        "slit_ball",
        (_p("tennis ball", 1, "tennis_ball"), FELT),
        (SHARP_KNIFE,),
        ("Cut a slit 60 mm long: ball held in a cup, blade away from the hand", "Press it open a few times"),
        ("Draw eyes above the mouth",),
        6,
    )
    yield Making(
        "soft_slit_ball",
        (_p("soft foam ball"), FELT),
        (SHARP_KNIFE,),
        ("Cut a slit 65 mm long",),
        ("Draw eyes above the mouth",),
        5,
    )
    yield Making(
        "stuffed_roll",
        (_p("two socks", 2, "sock_pair"),),
        (),
        (),
        ("Roll one sock up tight", "Pull the other one over it"),
        3,
        tags=(),
    )
    yield Making(
        "stuffed_roll_2",
        (_p("three socks", 3, "sock_pair"),),
        (),
        ("Check how hard it is by squeezing it yourself",),
        ("Roll two socks up tight, one in the other", "Pull the third one over"),
        4,
        tags=(),
    )
    yield Making(
        "stuffed_roll_3",
        (_p("four socks", 4, "sock_pair"),),
        (),
        ("Check how hard it is by squeezing it yourself",),
        ("Roll two socks up tight, one in the other", "Push a third one in", "Pull the fourth one over"),
        5,
        tags=(),
    )
    yield Making(
        "lolly_gripper",
        (_p("six lolly sticks", 6, "lolly_stick"), _p("two hair bands", 2, "hair_band jar_band"), _p("cork", 1, "cork eraser")),
        (),
        ("One more stick on each side for each layer of stiffness",),
        ("Band the sticks together at one end with the cork between",),
        8,
        tags=(),
    )
    yield Making(
        "number_circles",
        (_p("card", 2, "cereal_card index_card"), FELT),
        ("cup to draw round", "scissors"),
        (),
        ("Draw eight circles round a cup", "Number them 1 to 8", "Cut them out, or an adult does"),
        10,
        makes=8,
    )
    yield Making(
        "old_waistband",
        (_p("outgrown jeans"),),
        ("strong scissors (adult)",),
        ("Cut the waistband off with button and buttonhole",),
        (),
        5,
    )
    yield Making(
        "tea_cosy_line",
        (_p("washing line or cord, 1.5 m", 1, "parcel_string plastic_line"), _p("two chairs")),
        (),
        ("Tie it between the chair legs at the child's chest height", "Mark it with a bright cloth; take it down after"),
        (),
        4,
        tags=("tied_line",),
    )
    yield Making(
        "kitchen_tube",
        (_p("two card tubes", 2, "toilet_tube"), TAPE),
        (),
        ("Tape the row to the table or wall, slanting down",),
        ("Push the tubes one into the other",),
        5,
        tags=(),
    )
    yield Making(
        "counting_string",
        (
            _p("string", 1, "parcel_string taped_lace tipped_cord"),
            _p("ten beads", 10, "wooden_bead_25 wooden_bead_15 cotton_reel foam_slice_thin"),
        ),
        ("scissors (adult)",),
        ("Cut the string to 28 cm, so that it can't go round a neck", "Knot both ends round a clip or a ring"),
        ("Thread five of one colour, five of another",),
        8,
    )
    yield Making(
        "ring_string",
        (
            _p("string", 1, "parcel_string taped_lace tipped_cord"),
            _p("rings and bands", 8, "curtain_ring foam_ring hair_band bracelet metal_washer"),
        ),
        ("scissors (adult)",),
        ("Cut the string to 26 cm", "Tie the ends to two big rings"),
        ("Thread rings, clips and bands in turn",),
        8,
    )
    yield Making(
        "foam_ring",
        (_p("pool noodle or pipe foam"),),
        ("bread knife (adult)",),
        ("Saw off rings 50 mm long: under 3 years nothing smaller",),
        ("Sort them by colour",),
        8,
        makes=10,
    )
    yield Making(
        "colour_wheel",
        (_p("card plate", 1, "card_disc cereal_card"), _p("crayons", 4, "short_crayon thick_crayon thick_marker")),
        ("plate to draw round",),
        ("Cut the plate out",),
        ("Divide it in half, and in half again, until it has eight parts", "Colour each part"),
        10,
    )
    yield Making(
        "sorting_pots",
        (
            _p("small cups or pots", 4, "small_cup jam_jar muffin_case"),
            _p("coloured stickers", 4, "sticker_big sticker_small masking_tape"),
        ),
        (),
        (),
        ("Mark each pot with one colour or one number of dots",),
        5,
        makes=4,
        tags=(),
    )
    yield Making(
        "pencil_holder",
        (_p("two hair bands", 2, "hair_band jar_band"), _p("bead or pom-pom", 1, "wooden_bead_15 pompom_small")),
        (),
        (
            "One band on the wrist, not tight: a finger fits under it",
            "Other band through it, round the pencil, so that it leans back",
            "Hang the bead from the wrist band",
        ),
        ("Hold the bead with the last two fingers",),
        5,
        tags=(),
    )
    yield Making(
        "thick_spoon",
        (_p("spoon", 1, "dinner_spoon tea_spoon"), _p("pipe foam or a folded cloth", 1, "dish_cloth washcloth foam_ring"), TAPE),
        (),
        ("Wrap the handle until it is 28 mm thick, tape it",),
        ("Stick a dot where the index finger goes",),
        5,
        tags=(),
    )
    yield Making(
        "half_line_paper",
        (_p("copy paper", 4, "copy_paper heavy_paper"), _p("highlighter", 1, "highlighter")),
        ("ruler",),
        ("Rule lines 30 mm apart, and one halfway",),
        ("Colour the lower half of each line",),
        10,
        makes=4,
        tags=(),
    )
    yield Making(
        "letter_pieces",
        (_p("stiff card", 2, "cereal_card corrugated"), FELT),
        ("scissors", "cup to draw round"),
        ("Cut 4 straights of 60 mm and 2 of 120 mm, 15 mm wide", "Cut 2 half rings 120 mm across and 2 of 60 mm"),
        ("Mark the top end of each",),
        20,
        makes=10,
    )
    yield Making(
        "bean_bag",
        (_p("sock", 1, "sock_pair"), _p("dry rice or lentils", 1, "dry_rice dry_lentils dry_beans")),
        (),
        ("Knot it twice and sew it shut: nothing may come out",),
        ("Fill a cup of rice into the sock",),
        8,
        makes=1,
        tags=(),
    )
    yield Making(
        "lace_card",
        (_p("stiff card", 1, "corrugated cereal_card"), _p("two laces", 1, "taped_lace flat_lace_two")),
        ("hole punch",),
        ("Punch two rows of five holes, 20 mm apart",),
        ("Draw round a shoe", "Colour it"),
        12,
    )
    yield Making(
        "paper_ball",
        (_p("newspaper", 5, "newspaper copy_paper magazine"),),
        (),
        (),
        ("Scrunch a sheet with both hands, then with one",),
        3,
        makes=5,
        tags=(),
    )
    yield Making(
        "corn_dough",
        (_p("corn flour, baking soda, water"),),
        ("pan (adult)",),
        ("Cook 2 cups soda, 1 cup corn flour, 1½ cups water until thick; let it cool",),
        ("Knead it",),
        20,
        tags=(),
    )
    yield Making(
        "flour_paste", (_p("flour and water"),), (), ("Stir 1 part flour in 2 parts water; cook it once",), ("Stir",), 8, tags=()
    )
    yield Making(
        "peg_tweezer",
        (_p("spring peg", 1, "common_peg wooden_peg weak_peg"), TAPE),
        (),
        (),
        ("Stick a dot for the thumb and one for the index",),
        2,
        makes=2,
        tags=(),
    )
    yield Making(
        "cut_straw",
        (_p("straws", 5, "straw wide_straw"),),
        ("scissors",),
        ("Cut them into 3 cm pieces, or let the child snip",),
        (),
        5,
        makes=30,
    )
    yield Making(
        "stiff_card_edge",
        (_p("cardboard box", 1, "corrugated"),),
        ("strong scissors (adult)",),
        ("Cut one side off, tape the edge",),
        (),
        4,
    )
    yield Making(
        "snap_popper",
        (_p("strip of cloth", 1, "dish_cloth washcloth own_shirt"), _p("six press studs")),
        ("needle and thread",),
        ("Sew the studs on, 3 cm apart, pull-tested",),
        (),
        20,
        tags=(),
    )


MAKINGS = MappingProxyType({m.material: m for m in _makings()})
