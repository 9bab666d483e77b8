"""Flicking, pointing, pinning, turning and telling the fingers apart."""

from core.library.declare import Clearance, Family, axis, checked, cues, step
from core.library.extras import GATE, KEEP
from core.materials import Role, among, at_least, at_most, between

SMALL = (among("sharp", "not sharp", False), at_most("longest_mm", 45, "up to 45 mm long"))

FAMILIES = (
    checked(Family(
        id="puck_flick", name="Puck flick", group="flick and point",
        trains={"finger_isolation": 2.8}, demands={},
        roles=(Role("puck", "flat things to flick", "item", needs=(at_most("thin_mm", 17, "flat, up to 17 mm"), between("size_mm", 15, 45, "15 to 45 mm"), among("soft", "firm", False)), fixed=0, per_count=1, share=0.25), GATE),
        axes=(
            axis("finger", "Finger", step("index pushes"), step("index flicks from the thumb", 0.8), step("each finger in turn", 1.8)),
            axis("goal", "Goal", step("over the edge"), step("between two pots", 0.5, uses="gate"), step("onto a mark", 1.1)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 6), counts=(5, 8, 12), unit="in the goal",
        setup="Goal on the far side, three finger-widths apart from the puck.",
        cues=cues(spoken="“Round window, flick”", mark="Dot on the nail", shown="Flick one", touch="Touch the index nail", steadied="Hold the other fingers"),
        watch=("many_fingers", "whole_hand", "wrist_bent"), tidy="Flick the last ones into the box.", themes=("ball games", "space"), setup_minutes=0.3,
    )),
    checked(Family(
        id="star_pointer", name="Star pointer", group="flick and point",
        trains={"finger_isolation": 1.2, "midline": 2.0}, demands={},
        roles=(Role("sticker", "stickers", "sticker", fixed=0, per_count=1, share=0.5),),
        axes=(
            axis("finger", "Finger", step("any finger points"), step("index, others folded", 0.7), step("a called finger", 1.8)),
            axis("where", "Where", step("in front"), step("far side, same hand", 0.7), step("in a called order", 1.2)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(5, 8, 12), unit="touched",
        setup="Stars spread on the table from the {helper} side to the {skill} side.",
        cues=cues(spoken="“Pointer out”", mark="Bright star", shown="Touch one", touch="Touch the index", steadied="Fold the other fingers gently"),
        watch=("many_fingers", "swaps_hands", "leans"), tidy="Peel the stars off.", themes=("space", "night"), setup_minutes=0.4,
    )),
    checked(Family(
        id="pin_the_shaker", name="Pin the shaker", group="posting",
        trains={"object_grasp": 4.8, "shift": 1.6}, demands={},
        roles=(Role("pin", "thin blunt sticks", "stick", needs=(at_most("size_mm", 7.5, "up to 7.5 mm thick"), among("sharp", "blunt", False), at_most("longest_mm", 200, "up to 20 cm")), fixed=0, per_count=1, share=0.4), Role("pot", "pot with small holes", "slot_lid", needs=(at_most("opening_mm", 45, "opening up to 45 mm"),))),
        clearances=(Clearance("pot", "opening_mm", "pin", "size_mm", 0, "the hole at least as wide as the stick"),),
        axes=(
            axis("hole", "Hole", step("wide", pot=at_least("opening_mm", 15, "15 mm or wider")), step("as small as the stick", 1.0, pot=at_most("opening_mm", 14.99, "under 15 mm"))),
            axis("hold", "Sticks", step("one from the table"), step("one from the other hand", 0.4), step("three in the palm, one at a time", 1.6)),
        ),
        parts=("opener", "main", "stretch"), minutes=(3, 7), counts=(6, 10, 15), unit="posted",
        setup="Sticks across a tray, pot on the {skill} side.",
        cues=cues(spoken="“Stand it up, let it drop”", mark="Ring round the hole", shown="Post one", touch="Touch thumb and index tips", steadied="Hold the pot"),
        watch=("whole_hand", "many_fingers", "not_tucked"), tidy="Shake them out.", themes=("hedgehogs", "kitchen"), setup_minutes=0.4,
    )),
    checked(Family(
        id="spin_the_mast", name="Spin the mast", group="pencil and stick moves",
        trains={"simple_rotation": 2.2}, demands={"tool_grasp": 2},
        roles=(Role("stick", "stick or pencil", "stick", needs=(among("sharp", "not sharp", False), at_least("longest_mm", 60, "6 cm or longer"))), KEEP),
        axes=(
            axis("stick", "Stick", step("thick, 13 mm or more", stick=at_least("size_mm", 13, "13 mm or thicker")), step("pencil-thick", 0.6, stick=between("size_mm", 7, 12.99, "7 to 13 mm")), step("thin", 1.2, stick=at_most("size_mm", 6.99, "under 7 mm"))),
            axis("turns", "Turns", step("half a turn"), step("five whole turns", 0.7), step("both ways, elbow still", 1.3), step("a small thing kept in the palm", 2.2, uses="keep")),
        ),
        parts=("opener", "warm-up", "main", "stretch"), minutes=(2, 5), counts=(4, 6, 8), unit="spins",
        setup="Stick upright between the pads, elbow on the table.",
        cues=cues(spoken="“Roll between the pads”", mark="A flag on the stick", shown="Spin once", touch="Touch the middle finger", steadied="Hold the forearm still"),
        watch=("arm_floats", "two_hands", "wrist_bent"), tidy="Stick in the pot.", measures=("drops",), themes=("boats", "helicopters"), setup_minutes=0.2,
    )),
    checked(Family(
        id="ball_bearings", name="Ball bearings", group="dough and putty",
        trains={"simple_rotation": 2.4}, demands={"object_grasp": 5},
        roles=(Role("dough", "dough or putty", "dough"),),
        axes=(
            axis("size", "Ball", step("as big as a walnut"), step("as big as a grape", 0.6), step("as small as a pea", 1.2)),
            axis("hand", "How", step("between the palms"), step("between the pads of both hands", 0.7), step("between thumb and index of one hand", 1.6), step("one hand, another ball in the palm", 2.6)),
        ),
        parts=("warm-up", "main", "stretch"), minutes=(3, 7), counts=(4, 6, 10), unit="round balls",
        setup="Own pot of dough; a tray with marks to put the balls on.",
        cues=cues(spoken="“Tiny circles”", mark="Circles to match the size", shown="Roll one", touch="Touch the index pad", steadied="Hold the wrist still"),
        watch=("two_hands", "whole_hand", "mouths"), tidy="Press all balls into one.", themes=("kitchen", "workshop"), setup_minutes=0.4,
    )),
    checked(Family(
        id="domino_flip", name="Domino flip", group="turn over",
        trains={"complex_rotation": 1.0}, demands={"object_grasp": 5},
        roles=(Role("tile", "flat pieces with two sides", "item", needs=(at_most("thin_mm", 16, "flat"), between("longest_mm", 20, 60, "2 to 6 cm"), among("soft", "firm", False)), fixed=0, per_count=1, share=0.4),),
        axes=(
            axis("tile", "Piece", step("40 mm or longer", tile=at_least("longest_mm", 40, "40 mm or longer")), step("25 to 40 mm", 0.6, tile=between("longest_mm", 25, 39.99, "25 to 40 mm")), step("under 25 mm", 1.2, tile=at_most("longest_mm", 24.99, "under 25 mm"))),
            axis("how", "How", step("with a touch on the table"), step("in the air", 1.0), step("in the air, another piece in the palm", 2.2)),
        ),
        parts=("main", "stretch"), minutes=(2, 6), counts=(5, 8, 10), unit="flipped",
        setup="Pieces face down in a row from the {helper} side.",
        cues=cues(spoken="“Middle finger pushes”", mark="A dot on the far edge", shown="Flip one slowly", touch="Touch the middle finger", steadied="Hold the near edge"),
        watch=("two_hands", "not_tucked", "swaps_hands"), tidy="Stack them by sides.", measures=("drops",), themes=("shop", "boats"), setup_minutes=0.4,
    )),
    checked(Family(
        id="cap_swap", name="Cap swap", group="turn over",
        trains={"complex_rotation": 1.6, "simple_rotation": 2.6}, demands={"tool_grasp": 3},
        roles=(Role("marker", "pens with caps", "lid_pot", needs=(at_most("size_mm", 25, "pen-thick"), at_least("longest_mm", 80, "8 cm or longer")), fixed=0, per_count=0.34, share=0.5),),
        axes=(
            axis("way", "Way", step("cap off, turn, cap on the other end"), step("turned inside one hand", 1.0), step("twice without a slip", 1.8)),
            axis("count", "Count", step("2", count=2), step("4", 0.3, count=4), step("6", 0.6, count=6)),
        ),
        parts=("main", "stretch"), minutes=(2, 5), counts=(2, 4, 6), unit="swapped",
        setup="Pens in a row, caps towards the {helper} side.",
        cues=cues(spoken="“Nose over tail, click”", mark="Tape on the far end", shown="Swap one", touch="Touch the thumb", steadied="Hold the pen"),
        watch=("two_hands", "thumb_stiff"), tidy="All caps clicked on.", themes=("rockets", "trains"), setup_minutes=0.2,
    )),
    checked(Family(
        id="seed_drop", name="Seed drop", group="pick up and store",
        trains={"from_palm": 1.8, "to_palm": 2.2}, demands={"object_grasp": 5},
        roles=(Role("seed", "small things", "item", needs=(*SMALL, at_most("size_mm", 25, "up to 25 mm")), fixed=0, per_count=1, share=0.5), Role("bed", "tray with cups", "tray")),
        axes=(
            axis("seed", "Seed", step("15 to 25 mm", seed=between("size_mm", 15, 25, "15 to 25 mm")), step("8 to 15 mm", 0.6, seed=between("size_mm", 8, 14.99, "8 to 15 mm")), step("under 8 mm", 1.2, seed=at_most("size_mm", 7.99, "under 8 mm"))),
            axis("hand", "In the palm", step("2"), step("3", 0.6), step("5", 1.4), step("8", 2.2)),
        ),
        parts=("main", "stretch"), minutes=(3, 7), counts=(4, 6, 10), unit="planted one by one",
        setup="Seeds in the {skill} palm, beds from the {helper} side to the {skill} side.",
        cues=cues(spoken="“One seed walks out”", mark="Dots in the beds", shown="Plant two", touch="Touch the thumb pad", steadied="Tilt the hand"),
        watch=("two_hands", "not_tucked", "swaps_hands"), tidy="Tip the tray into the pot.", measures=("tokens", "drops"), themes=("garden", "farm"), setup_minutes=0.4,
    )),
    checked(Family(
        id="page_turner", name="Page turner", group="cards and pages",
        trains={"shift": 0.8, "finger_isolation": 2.0}, demands={},
        roles=(Role("book", "pages", "card", needs=(at_least("longest_mm", 140, "14 cm or longer"),), fixed=1),),
        axes=(
            axis("page", "Page", step("thick", book=at_least("thin_mm", 1.5, "board")), step("paper", 1.0, book=between("thin_mm", 0.2, 5, "paper or card"))),
            axis("how", "How", step("two or three at a time is fine"), step("one at a time", 0.8), step("to a called page", 1.4)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(5, 8, 10), unit="pages, one at a time",
        setup="Book in the middle; the {helper} hand keeps it open.",
        cues=cues(spoken="“Thumb slides one”", mark="Corners folded up", shown="Turn one", touch="Touch the thumb", steadied="Lift the corner"),
        watch=("whole_hand", "helper_idle"), tidy="Close it with both hands.", themes=("animals", "own name"), setup_minutes=0.1,
    )),
)  # fmt: skip
