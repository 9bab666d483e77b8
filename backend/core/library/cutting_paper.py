"""Scissors, tearing, folding, drawing and building."""

from core.library.declare import Family, axis, checked, cues, step
from core.materials import Role, among, at_least, between

BLADE = Role("scissors", "child's scissors for this hand", "blade")
LINE_STEPS = (step("12 mm line"), step("6 mm line", 0.7), step("3 mm line", 1.3), step("1 mm line", 1.8))
PAPER_STEPS = (
    step("heavy paper, 120 to 200 g/m²", sheet=between("sheet_gsm", 120, 200, "120 to 200 g/m²")),
    step("copy paper, 70 to 120 g/m²", 0.4, sheet=between("sheet_gsm", 70, 119.99, "70 to 120 g/m²")),
    step("thin card, 200 to 400 g/m²", 0.8, sheet=between("sheet_gsm", 200.01, 400, "200 to 400 g/m²")),
)
SCISSOR_WATCH = ("thumb_down", "blades_sideways", "closes_fully", "helper_idle", "arm_floats", "past_stop")

FAMILIES = (
    checked(Family(
        id="grass_fringe", name="Grass fringe", group="cut",
        trains={"cutting": 1.2}, demands={"hold": 1}, tags=("cutting_tool",),
        roles=(BLADE, Role("sheet", "strips to snip", "sheet", fixed=0, per_count=0.25, share=0.5, pieces=4)),
        axes=(
            axis("path", "Cut", step("open and close on the edge"), step("one snip in a narrow strip", 0.8), step("snips one after another", 1.8), step("strip cut in two", 2.6)),
            axis("sheet", "Sheet", *PAPER_STEPS),
            axis("arm", "Forearm", step("rests on the table"), step("free", 0.4)),
        ),
        parts=("opener", "main", "stretch"), minutes=(3, 8), counts=(5, 8, 12), unit="snips",
        setup="Strips in the {helper} hand, scissors in the {skill} hand, thumb in the small loop.",
        cues=cues(spoken="“Thumb looks up”", mark="A dot on the thumbnail", shown="Snip once", touch="Touch the thumb", steadied="Hold the strip taut"),
        watch=SCISSOR_WATCH, tidy="Pick up the snips one by one and hide them in the palm.", measures=("pace",), themes=("garden", "lion", "boats"), setup_minutes=0.8,
    )),
    checked(Family(
        id="cut_the_lane", name="Cut the lane", group="cut",
        trains={"cutting": 4.2}, demands={"hold_and_act": 3, "hold": 1}, tags=("cutting_tool",),
        roles=(BLADE, Role("sheet", "pieces with a lane drawn on", "sheet", fixed=0, per_count=0.5, share=0.5, pieces=2)),
        axes=(
            axis("line", "Line", *LINE_STEPS),
            axis("stop", "Stop", step("to the edge"), step("at a coloured stop zone", 0.9), step("at a plain mark", 1.6)),
            axis("sheet", "Sheet", *PAPER_STEPS),
        ),
        parts=("opener", "main", "stretch"), minutes=(4, 10), counts=(3, 5, 6), unit="lanes",
        setup="Rough-cut pieces the size of a hand. Paper in the {helper} hand, thumb on top.",
        cues=cues(spoken="“Almost shut, push on, open”", mark="Dots ahead of the blades", shown="Cut one lane", touch="Touch the helper thumb", steadied="Forearm rests on the table"),
        watch=SCISSOR_WATCH, tidy="Scraps picked up one by one and stored in the palm.", measures=("off_line", "on_line", "overshoot"), themes=("boats", "roads", "trains"), setup_minutes=1,
    )),
    checked(Family(
        id="turn_the_sheet", name="Turn the sheet", group="cut",
        trains={"cutting": 7.2, "hold_and_act": 4.2}, demands={"object_grasp": 5}, tags=("cutting_tool",),
        roles=(BLADE, Role("sheet", "rough-cut pieces with a shape on", "sheet", fixed=0, per_count=0.5, share=0.5, pieces=2)),
        axes=(
            axis("shape", "Shape", step("one corner"), step("wide curve", 1.0), step("circle", 1.8), step("square", 2.6), step("tight or inside curve", 3.8), step("mixed outline", 5.0)),
            axis("line", "Line", step("6 mm line"), step("3 mm line", 0.6), step("1 mm line", 1.1)),
            axis("sheet", "Sheet", *PAPER_STEPS),
        ),
        parts=("main", "stretch"), minutes=(4, 10), counts=(2, 3, 4), unit="shapes",
        setup="One rough-cut piece at a time. The {helper} hand turns the paper into the blades.",
        cues=cues(spoken="“Paper turns, scissors stay”", mark="Arrow where to start and dots at each turn", shown="Cut a quarter of it", touch="Touch the helper hand", steadied="Guide the edge of the paper"),
        watch=(*SCISSOR_WATCH, "tears"), tidy="Scraps picked up one by one and stored in the palm.", measures=("off_line", "on_line"), themes=("boats", "animals", "space"), setup_minutes=1,
    )),
    checked(Family(
        id="storm_clouds", name="Storm clouds", group="tear and scrunch",
        trains={"together": 1.0, "squeeze": 1.0}, demands={},
        roles=(Role("sheet", "paper to tear", "sheet", fixed=0, per_count=0.5, share=0.5),),
        axes=(
            axis("sheet", "Sheet", step("tissue, up to 30 g/m²", sheet=between("sheet_gsm", 5, 30, "up to 30 g/m²")), step("newspaper, 30 to 70 g/m²", 0.5, sheet=between("sheet_gsm", 30.01, 70, "30 to 70 g/m²")), step("copy paper, 70 to 120 g/m²", 1.2, sheet=between("sheet_gsm", 70.01, 120, "70 to 120 g/m²")), step("heavy paper, over 120 g/m²", 2.2, sheet=between("sheet_gsm", 120.01, 220, "120 to 220 g/m²"))),
            axis("way", "Way", step("tear any way, two-hand scrunch"), step("tear strips, two-hand scrunch", 0.6), step("tear strips, one-hand scrunch", 1.5), step("tear along a line, one-hand scrunch", 2.2)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(3, 7), counts=(4, 6, 10), unit="clouds",
        setup="Paper in the middle; a bowl on the far side to throw into.",
        cues=cues(spoken="“Pinch, one to you, one away”", mark="Small starting nick at the edge", shown="Tear one strip", touch="Touch both thumbs", steadied="Hold the far edge"),
        watch=("whole_hand", "two_hands", "leans"), tidy="Clouds into the bin, one hand.", themes=("weather", "winter", "boats"), setup_minutes=0.4,
    )),
    checked(Family(
        id="sail_fold", name="Sail fold", group="fold",
        trains={"together": 3.2, "hold_and_act": 4.0}, demands={"object_grasp": 5},
        roles=(Role("sheet", "sheets to fold", "sheet", needs=(between("sheet_gsm", 40, 160, "40 to 160 g/m²"),), fixed=0, per_count=1, share=0.5),),
        axes=(
            axis("fold", "Fold", step("in half"), step("quarters", 0.6), step("corner to corner", 1.2), step("three folds to a boat hat", 2.0)),
            axis("guide", "Guide", step("line to fold on"), step("dots at the corners", 0.4), step("none", 0.9)),
        ),
        parts=("opener", "main"), minutes=(3, 8), counts=(2, 3, 5), unit="folds",
        setup="Sheet square in front. The {helper} hand keeps the corners, the {skill} hand irons the fold.",
        cues=cues(spoken="“Corners kiss, then iron”", mark="Coloured corners", shown="Fold one", touch="Touch the holding hand", steadied="Hold the corners together"),
        watch=("helper_idle", "eyes_off", "frustrated"), tidy="Stack the folded sheets.", themes=("boats", "birds"), setup_minutes=0.4,
    )),
    checked(Family(
        id="stub_drawing", name="Stub drawing", group="colour and trace",
        trains={"tool_grasp": 1.8, "writing": 1.0}, demands={},
        roles=(Role("pen", "short thing to draw with", "pen", needs=(among("wet", "dry", False),)), Role("sheet", "paper", "sheet", needs=(at_least("sheet_gsm", 60, "60 g/m² or more"),), fixed=0, per_count=0.34, share=0.5)),
        axes=(
            axis("pen", "Tool", step("short stub", pen=between("longest_mm", 10, 45, "up to 45 mm long")), step("thick crayon or marker", 0.8, pen=(at_least("longest_mm", 60, "6 cm or longer"), at_least("size_mm", 12, "12 mm or thicker"))), step("pencil", 1.5, pen=(at_least("longest_mm", 60, "6 cm or longer"), between("size_mm", 6, 11.99, "6 to 12 mm")))),
            axis("task", "Task", step("free marks"), step("lines down and across", 0.8), step("circles and crosses", 1.6), step("outline, then fill", 2.2), step("square and triangle, one stroke at a time", 3.2)),
            axis("border", "Border", step("thick, 6 mm"), step("thin, 2 mm", 0.4)),
        ),
        parts=("opener", "main", "daily"), minutes=(3, 9), counts=(3, 5, 6), unit="drawings",
        setup="Paper tilted for a {skill}-hander, the {helper} hand on the paper. Big sheet at a wall if the wrist drops.",
        cues=cues(spoken="“Pinch and rest”", mark="Dots at start and end of each stroke", shown="Draw one stroke", touch="Touch the last two fingers: curl", steadied="Forearm on the table"),
        watch=("hold_high", "tool_upright", "arm_floats", "helper_idle", "wrist_bent", "thumb_stiff"), tidy="Stubs back in the tin, one from the palm at a time.", measures=("grip",), themes=("boats", "animals", "space"), setup_minutes=0.5,
    )),
    checked(Family(
        id="name_planks", name="Name planks", group="build and copy",
        trains={"writing": 3.8}, demands={"object_grasp": 4},
        roles=(Role("piece", "straight and arc pieces", "block", needs=(at_least("longest_mm", 60, "6 cm or longer"),), fixed=0, per_count=2, share=0.5),),
        axes=(
            axis("letter", "Letter", step("straight pieces: L, T, I, E, H"), step("slanting pieces: A, V, X", 0.9), step("arcs: C, D, O, U", 1.4), step("mixed: B, P, R, S", 2.2)),
            axis("model", "Model", step("built beside"), step("picture", 0.5), step("from memory", 1.3)),
        ),
        parts=("main", "daily"), minutes=(4, 9), counts=(2, 3, 4), unit="letters",
        setup="Pieces on the {helper} side, space in front. Build in writing order: left before right, top before bottom.",
        cues=cues(spoken="“Where does it start?”", mark="Dot at the starting corner", shown="Lay the first piece", touch="Touch the next piece", steadied="Hold the first piece down"),
        watch=("eyes_off", "frustrated", "swaps_hands"), tidy="Straights in one pot, arcs in another.", themes=("own name", "boats"),
    )),
    checked(Family(
        id="lock_tower", name="Lock tower", group="build and copy",
        trains={"hold_and_act": 1.8, "midline": 2.0}, demands={"object_grasp": 3},
        roles=(Role("block", "building pieces", "block", needs=(at_least("size_mm", 12, "12 mm or more"),), fixed=0, per_count=1, share=0.6),),
        axes=(
            axis("pieces", "Pieces", step("3", count=3), step("5", 0.5, count=5), step("8", 1.0, count=8), step("10", 1.5, count=10)),
            axis("model", "Model", step("built beside, step by step"), step("finished model beside", 0.5), step("picture", 1.0), step("from memory", 1.8)),
        ),
        parts=("opener", "main"), minutes=(3, 9), counts=(4, 6, 10), unit="placed",
        setup="Pieces on the {helper} side, building place a little past the middle.",
        cues=cues(spoken="“Helper holds the tower”", mark="Outline on paper to build on", shown="Place one", touch="Touch the helper hand", steadied="Hold the base"),
        watch=("helper_idle", "swaps_hands", "leans"), tidy="Take it down from the top, one at a time.", measures=("tower",), themes=("canal", "castles", "space"), setup_minutes=0.5,
    )),
)  # fmt: skip
