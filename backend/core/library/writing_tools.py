"""Drawing, dabbing, tracing and the aids of early writing."""

from core.library.declare import Family, axis, checked, cues, step
from core.materials import Role, among, at_least, at_most, between

PAPER = Role("sheet", "paper", "sheet", needs=(at_least("sheet_gsm", 60, "60 g/m² or more"),), fixed=0, per_count=0.34, share=0.5)
TOOL = axis(
    "pen", "Tool",
    step("short stub", pen=between("longest_mm", 10, 45, "up to 45 mm long")),
    step("thick", 0.6, pen=(at_least("longest_mm", 60, "6 cm or longer"), at_least("size_mm", 9.5, "9.5 mm or thicker"))),
    step("pencil-thin", 1.2, pen=(at_least("longest_mm", 60, "6 cm or longer"), between("size_mm", 6, 9.49, "6 to 9.5 mm"))),
)  # fmt: skip
PEN = Role("pen", "thing to draw with", "pen", needs=(among("wet", "dry", False),))
PEN_WATCH = ("hold_high", "tool_upright", "arm_floats", "helper_idle", "wrist_bent", "thumb_stiff")

FAMILIES = (
    checked(Family(
        id="dab_the_tide", name="Dab the tide", group="short-tool drawing and dabbing",
        trains={"tool_grasp": 1.2}, demands={},
        roles=(Role("pen", "short thing to dab with", "pen", needs=(at_most("longest_mm", 80, "up to 8 cm long"),)), PAPER),
        axes=(
            axis("pen", "Tool", step("fat", pen=at_least("size_mm", 8, "8 mm or thicker")), step("thin as a bud", 0.8, pen=at_most("size_mm", 7.99, "under 8 mm"))),
            axis("where", "Where", step("anywhere"), step("inside a big shape", 0.6), step("on dots along a line", 1.3), step("on small dots, wrist resting", 2.0)),
        ),
        parts=("opener", "main"), minutes=(3, 7), counts=(8, 12, 20), unit="dabs",
        setup="Paper taped down or at a wall; the tool is too short for a fist.",
        cues=cues(spoken="“Pinch low”", mark="Dots to hit", shown="Dab three", touch="Touch the last two fingers: curl", steadied="Forearm on the table"),
        watch=PEN_WATCH, tidy="Tools back in the tin, one by one.", themes=("boats", "weather", "animals"), setup_minutes=0.5,
    )),
    checked(Family(
        id="fill_the_hull", name="Fill the hull", group="colour and trace",
        trains={"tool_grasp": 2.6, "hold_and_act": 2.2}, demands={},
        roles=(PEN, PAPER),
        axes=(
            TOOL,
            axis("area", "Area", step("big, as wide as a hand"), step("middling", 0.5), step("small, as wide as a thumb", 1.0)),
            axis("border", "Border", step("raised or 8 mm thick"), step("3 mm", 0.4), step("thin", 0.8)),
        ),
        parts=("opener", "main"), minutes=(4, 9), counts=(2, 3, 4), unit="filled within the border",
        setup="Outline first, then fill. Paper tilted for a {skill}-hander, the {helper} hand holds it.",
        cues=cues(spoken="“Edge first, then the middle”", mark="Thick border", shown="Fill one corner", touch="Touch the helper hand", steadied="Forearm on the table"),
        watch=PEN_WATCH, tidy="Caps on, tools in the tin.", measures=("filled", "over_edge"), themes=("boats", "space", "animals"), setup_minutes=0.4,
    )),
    checked(Family(
        id="trace_the_route", name="Trace the route", group="colour and trace",
        trains={"writing": 1.6, "tool_grasp": 2.2}, demands={},
        roles=(PEN, PAPER),
        axes=(
            TOOL,
            axis("path", "Path", step("straight across"), step("zigzag", 0.6), step("waves", 1.1), step("loops", 1.8)),
            axis("width", "Width", step("12 mm"), step("6 mm", 0.5), step("3 mm", 1.0)),
        ),
        parts=("opener", "main", "daily"), minutes=(3, 8), counts=(3, 5, 6), unit="routes inside the banks",
        setup="Start on the {helper} side, harbour on the {skill} side.",
        cues=cues(spoken="“Slow boat”", mark="Start dot and stop dot", shown="Trace one with a finger", touch="Touch the wrist: rest it", steadied="Forearm on the table"),
        watch=PEN_WATCH, tidy="Stack the routes.", measures=("off_line", "on_line"), themes=("boats", "trains", "roads"), setup_minutes=0.4,
    )),
    checked(Family(
        id="stroke_by_stroke", name="Stroke by stroke", group="copy-a-step drawing",
        trains={"writing": 2.4}, demands={"tool_grasp": 3},
        roles=(PEN, PAPER),
        axes=(
            axis("shape", "Shape", step("line down, line across"), step("circle", 0.7), step("cross", 1.4), step("square", 2.2), step("triangle", 3.0)),
            axis("model", "Model", step("drawn beside, stroke by stroke"), step("finished picture", 0.6), step("from memory", 1.3)),
        ),
        parts=("main", "daily", "stretch"), minutes=(3, 8), counts=(3, 4, 6), unit="copied",
        setup="Two papers side by side: yours on the {helper} side.",
        cues=cues(spoken="“Start at the top”", mark="Start dots", shown="One stroke at a time", touch="Touch the starting corner", steadied="Hold the paper"),
        watch=PEN_WATCH, tidy="Hang the best one up.", themes=("boats", "animals", "space"), setup_minutes=0.3,
    )),
    checked(Family(
        id="low_deck_letters", name="Low deck letters", group="writing aids",
        trains={"writing": 4.4}, demands={"tool_grasp": 3},
        roles=(PEN, PAPER, Role("marker", "highlighter", "pen", needs=(at_least("size_mm", 14, "broad tip"),)), Role("space", "a stick for the space between words", "stick", needs=(among("sharp", "not sharp", False),))),
        axes=(
            axis("line", "Line", step("highlighted lower half, 15 mm"), step("highlighted lower half, 10 mm", 0.6), step("plain line", 1.3)),
            axis("words", "Words", step("one letter"), step("own name", 0.9), step("two words, a stick between them", 1.7, uses="space"), step("a line of words", 2.4)),
        ),
        parts=("main", "daily"), minutes=(4, 9), counts=(2, 3, 4), unit="lines sitting on the deck",
        setup="Paper tilted for a {skill}-hander. Colour the lower half of each line first.",
        cues=cues(spoken="“Small ones stay on deck”", mark="The coloured half-line", shown="Write one", touch="Touch where the letter sits", steadied="Hold the paper"),
        watch=PEN_WATCH, tidy="Circle the best one together.", themes=("own name", "boats"), setup_minutes=0.6,
    )),
    checked(Family(
        id="stick_signs", name="Stick signs", group="build and copy",
        trains={"writing": 2.0, "midline": 2.2}, demands={"object_grasp": 4},
        roles=(Role("piece", "sticks", "stick", needs=(at_least("longest_mm", 55, "5.5 cm or longer"), among("sharp", "not sharp", False)), fixed=0, per_count=3, share=0.34),),
        axes=(
            axis("shape", "Shape", step("two sticks: T, L, V"), step("three: A, H, triangle", 0.8), step("four: square, E", 1.4), step("six: house, star", 2.2)),
            axis("model", "Model", step("on top of a drawing"), step("beside a drawing", 0.6), step("from memory", 1.4)),
        ),
        parts=("opener", "main"), minutes=(3, 8), counts=(2, 3, 4), unit="signs",
        setup="Sticks on the {helper} side; build on the {skill} side.",
        cues=cues(spoken="“Which way does it lean?”", mark="Dots at the corners", shown="Lay the first one", touch="Touch the next stick", steadied="Hold the first stick"),
        watch=("swaps_hands", "eyes_off", "frustrated"), tidy="Sticks in a bundle with a band.", themes=("boats", "own name", "space"), setup_minutes=0.4,
    )),
    checked(Family(
        id="paste_up", name="Paste-up", group="glue and assemble",
        trains={"hold_and_act": 2.8, "finger_isolation": 2.0}, demands={"object_grasp": 4},
        roles=(Role("glue", "glue", "glue"), Role("sheet", "paper to stick on and pieces", "sheet", fixed=1, per_count=0.34, share=0.5)),
        axes=(
            axis("piece", "Piece", step("as big as a hand"), step("as big as a thumb", 0.6), step("as small as a nail", 1.2)),
            axis("place", "Place", step("anywhere"), step("inside an outline", 0.5), step("edge to edge", 1.2), step("in order, to a picture", 1.8)),
        ),
        parts=("opener", "main"), minutes=(4, 9), counts=(4, 6, 8), unit="stuck in place",
        setup="Cut or torn pieces on the {helper} side. Glue on the paper, not on the piece.",
        cues=cues(spoken="“Dab, place, press”", mark="Outlines on the paper", shown="Stick one", touch="Touch the pressing finger", steadied="Hold the paper"),
        watch=("helper_idle", "whole_hand", "eyes_off"), tidy="Wipe the table from one side to the other.", themes=("boats", "animals", "garden"), setup_minutes=0.8, tidy_minutes=1,
    )),
)  # fmt: skip
