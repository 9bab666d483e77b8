"""Carrying, pulling, stretching, pouring and searching."""

from core.library.declare import Clearance, Family, axis, checked, cues, step
from core.materials import Role, among, at_least, at_most, between

FAMILIES = (
    checked(Family(
        id="lantern_walk", name="Lantern walk", group="squeeze and carry",
        trains={"hold": 1.4}, demands={}, tiring=True,
        roles=(Role("spoon", "spoon", "spoon"), Role("load", "thing to carry", "item", needs=(at_most("longest_mm", 45, "up to 45 mm"), among("sharp", "not sharp", False)), fixed=2, share=0.5), Role("pot", "pot", "container")),
        axes=(
            axis("load", "Load", step("it stays put", load=among("friction", "grips", "tissue", "medium")), step("it rolls or slides", 0.7, load=among("friction", "slips", "wood", "glass"))),
            axis("way", "Way", step("across the table"), step("across the room", 0.9), step("round a chair and back", 1.5), step("with a stop on one foot", 2.2)),
        ),
        parts=("warm-up", "main"), minutes=(2, 6), counts=(3, 4, 6), unit="carried home", posture="standing and walking",
        setup="Full pot at one end, empty pot at the other, nothing to trip over.",
        cues=cues(spoken="“Light in the lantern”", mark="A line on the floor", shown="Walk once", touch="Touch the elbow", steadied="Walk beside, a hand under the wrist"),
        watch=("wrist_bent", "arm_floats", "tires", "two_hands"), tidy="Carry the last one to the box.", measures=("hold", "drops"), themes=("boats", "night", "weather"), both_hands=True, setup_minutes=0.4,
    )),
    checked(Family(
        id="gripper_ferry", name="Gripper ferry", group="squeeze and carry",
        trains={"hold": 2.0, "squeeze": 1.4}, demands={"object_grasp": 4}, tags=("resistance",), tiring=True,
        roles=(Role("tool", "thing that grips when squeezed", "squeezer", needs=(at_least("force_newton", 8, "8 N or more"), among("soft", "firm", False))), Role("load", "loads", "item", needs=(between("size_mm", 12, 45, "12 to 45 mm"),), fixed=0, per_count=1, share=0.34), Role("pot", "pot", "container")),
        axes=(
            axis("force", "Grip", step("under 15 N", tool=at_most("force_newton", 14.99, "under 15 N")), step("15 to 30 N", 0.9, tool=between("force_newton", 15, 29.99, "15 to 30 N")), step("over 30 N", 1.8, tool=at_least("force_newton", 30, "30 N or more"))),
            axis("opening", "Into", step("a wide bowl"), step("a cup", 0.5), step("a small opening, held a moment", 1.1)),
            axis("hand", "Hand", step("preferred hand"), step("other hand", 0.5)),
        ),
        parts=("warm-up", "main", "stretch"), minutes=(3, 7), counts=(4, 6, 8), unit="ferried",
        setup="Loads on the {helper} side, landing on the {skill} side.",
        cues=cues(spoken="“Squeeze, ferry, let go”", mark="A dot for the thumb", shown="Ferry one", touch="Touch the ring finger", steadied="Hold the landing"),
        watch=("thumb_stiff", "two_hands", "tires", "wrist_bent"), tidy="Ferry everything back with the other hand.", measures=("newton", "hold"), themes=("boats", "building site"), both_hands=True,
    )),
    checked(Family(
        id="band_stretch", name="Band stretch", group="pull and stretch",
        trains={"pinch": 1.4, "together": 1.8}, demands={}, tags=("resistance",), tiring=True,
        roles=(Role("band", "bands that stretch", "ring", needs=(at_least("force_newton", 3, "3 N or more"),), fixed=0, per_count=1, share=0.34), Role("post", "thing to stretch over", "tube")),
        axes=(
            axis("band", "Band", step("easy, up to 5 N", band=at_most("force_newton", 5, "up to 5 N")), step("firmer, over 5 N", 0.9, band=at_least("force_newton", 5.01, "over 5 N"))),
            axis("way", "Way", step("off with two hands"), step("on with two hands", 0.7), step("on with thumb and two fingers", 1.6)),
        ),
        parts=("warm-up", "main"), minutes=(2, 6), counts=(4, 6, 8), unit="on or off",
        setup="Tube upright, bands in a bowl on the {skill} side. Away from faces.",
        cues=cues(spoken="“Fingers in, open wide”", mark="Stripes on the tube", shown="One on", touch="Touch the thumbs", steadied="Hold the tube"),
        watch=("thumb_stiff", "many_fingers", "tires", "helper_idle"), tidy="Pull them all off into the bowl.", measures=("newton",), themes=("boats", "zoo"), setup_minutes=0.4,
    )),
    checked(Family(
        id="brick_pull", name="Brick pull", group="pull and stretch",
        trains={"together": 2.2, "pinch": 1.8}, demands={"object_grasp": 4}, tags=("resistance",),
        roles=(Role("brick", "click bricks", "puller", needs=(at_least("force_newton", 8, "8 N or more"), at_most("longest_mm", 80, "up to 8 cm")), fixed=0, per_count=2, share=0.4),),
        axes=(
            axis("brick", "Brick", step("big", brick=at_least("size_mm", 24, "24 mm or more")), step("small", 0.8, brick=at_most("size_mm", 23.99, "under 24 mm"))),
            axis("way", "Way", step("pull apart"), step("press together", 0.5), step("copy a tower of three", 1.2), step("copy from a picture", 1.9)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(3, 8), counts=(4, 6, 10), unit="pulled or pressed",
        setup="Bricks joined in pairs on the {helper} side.",
        cues=cues(spoken="“Two hands, wiggle”", mark="Two colours, pull at the seam", shown="Pull one pair", touch="Touch both thumbs", steadied="Hold one brick"),
        watch=("helper_idle", "leans", "thumb_stiff"), tidy="Snap them into one long train.", themes=("trains", "castles", "space"), setup_minutes=0.4,
    )),
    checked(Family(
        id="fill_the_lock", name="Fill the lock", group="wring and pour",
        trains={"hold_and_act": 2.6, "hold": 1.6}, demands={}, tags=("wet_floor",),
        roles=(Role("jug", "thing to pour from", "cup"), Role("stuff", "thing to pour", "pour"), Role("into", "pot to pour into", "container")),
        axes=(
            axis("stuff", "Pour", step("big dry pieces", stuff=among("wet", "dry", False)), step("rice or water to a line", 0.7)),
            axis("into", "Into", step("wide bowl", into=at_least("opening_mm", 80, "8 cm or wider")), step("cup", 0.6, into=between("opening_mm", 45, 79.99, "4.5 to 8 cm")), step("narrow neck, without a drop beside", 1.4, into=at_most("opening_mm", 44.99, "under 4.5 cm"))),
        ),
        parts=("opener", "main", "daily"), minutes=(2, 6), counts=(3, 4, 6), unit="poured to the line",
        setup="Tray under everything; the {helper} hand holds the cup.",
        cues=cues(spoken="“Lip to lip, slow”", mark="A line to fill to", shown="Pour once", touch="Touch the helper hand", steadied="A hand under the jug"),
        watch=("wrist_bent", "helper_idle", "arm_floats"), tidy="Pour it all back.", measures=("spills",), themes=("canal", "kitchen"), setup_minutes=1, tidy_minutes=1,
    )),
    checked(Family(
        id="rice_dive", name="Rice dive", group="search",
        trains={"finger_isolation": 2.2, "object_grasp": 4.2}, demands={},
        roles=(Role("bin", "dry filler in a tub", "filler", needs=(at_least("longest_mm", 150, "a tub of it"),)), Role("item", "things to find", "item", needs=(among("sharp", "not sharp", False), among("soft", "firm", False), among("food", "not food", False)), fixed=0, per_count=1, share=0.5)),
        axes=(
            axis("look", "Looking", step("watching"), step("eyes closed", 0.7), step("named thing, eyes closed", 1.3)),
            axis("item", "Thing", step("25 mm or more", item=at_least("size_mm", 25, "25 mm or more")), step("12 to 25 mm", 0.5, item=between("size_mm", 12, 24.99, "12 to 25 mm")), step("under 12 mm", 1.1, item=at_most("size_mm", 11.99, "under 12 mm"))),
        ),
        parts=("opener", "warm-up", "main"), minutes=(3, 7), counts=(4, 6, 8), unit="found",
        setup="Tub in front on a tray, things hidden beforehand. Own tub or fresh filler for each child.",
        cues=cues(spoken="“Walk your fingers”", mark="One corner showing", shown="Find one", touch="Touch the index tip", steadied="Hold the tub"),
        watch=("whole_hand", "mouths", "eyes_off"), tidy="Brush the rice back with both hands.", themes=("pirates", "animals", "garden"), setup_minutes=1, tidy_minutes=1,
    )),
    checked(Family(
        id="abacus_string", name="Counting string", group="counting string",
        trains={"shift": 1.2, "midline": 2.4}, demands={"object_grasp": 4},
        roles=(Role("string", "counting string", "cord", needs=(at_least("size_mm", 8, "beads and clips on it"), at_most("cord_mm", 300, "30 cm or shorter"))),),
        axes=(
            axis("move", "Move", step("slide one along"), step("slide one with thumb and index only", 0.7), step("slide and keep the others still", 1.5)),
            axis("count", "Count", step("to 4", count=4), step("to 8", 0.3, count=8), step("to 12", 0.6, count=12)),
        ),
        parts=("opener", "main"), minutes=(2, 5), counts=(4, 8, 12), unit="counted over",
        setup="String flat across the table, beads on the {helper} side.",
        cues=cues(spoken="“One and stop”", mark="Every other bead another colour", shown="Slide two", touch="Touch the thumb", steadied="Hold the end"),
        watch=("many_fingers", "swaps_hands"), tidy="Slide all back.", themes=("shop", "boats"), setup_minutes=0.2,
    )),
    checked(Family(
        id="signal_string", name="Signal string", group="copy a pattern",
        trains={"hold_and_act": 2.6, "shift": 1.8}, demands={"object_grasp": 5},
        roles=(Role("bead", "beads of two kinds", "bead", fixed=0, per_count=1, share=0.6), Role("line", "line", "cord", needs=(at_most("cord_width_mm", 6, "up to 6 mm thick"),))),
        clearances=(Clearance("bead", "hole_mm", "line", "cord_width_mm", 1.0, "the hole at least 1 mm wider than the line"),),
        axes=(
            axis("pattern", "Pattern", step("two kinds in turn"), step("two and one", 0.5), step("copied from a string", 1.0), step("copied from a picture", 1.6)),
            axis("bead", "Bead", step("20 mm or more", bead=at_least("size_mm", 20, "20 mm or more")), step("under 20 mm", 0.7, bead=at_most("size_mm", 19.99, "under 20 mm"))),
        ),
        parts=("main", "stretch"), minutes=(4, 9), counts=(6, 8, 12), unit="in the right place",
        setup="Two bowls on the {helper} side, pattern above the line.",
        cues=cues(spoken="“What comes next?”", mark="Colours on a strip", shown="Start it", touch="Touch the next bowl", steadied="Hold the line"),
        watch=("eyes_off", "helper_idle", "swaps_hands"), tidy="Sort the beads back by kind.", themes=("boats", "jewellery"), setup_minutes=0.8,
    )),
)  # fmt: skip
