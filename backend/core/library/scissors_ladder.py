"""Every path of the scissors ladder in a second and third guise: soft ropes, straws, strips, bends, frames, figures."""

from core.library.cutting_paper import BLADE, PAPER_STEPS, SCISSOR_WATCH
from core.library.declare import Axis, Family, axis, checked, cues, step
from core.materials import Role, at_least, at_most, between

SCRAPS = "Scraps picked up one by one and stored in the palm."
PIECES = Role("sheet", "rough-cut pieces", "sheet", fixed=0, per_count=0.5, share=0.5, pieces=2)


def stop_cue() -> Axis:
    """Help to see the stop or the turn coming, most first."""
    return axis(
        "cue", "Mark ahead",
        step("stop zone in colour"), step("dots ahead of the blades", 0.4), step("a stick to feel", 0.7), step("none", 1.1),
    )  # fmt: skip


FAMILIES = (
    checked(Family(
        id="sausage_snips", name="Sausage snips", group="cut",
        trains={"cutting": 0.7, "hold": 0.9}, demands={}, tags=("cutting_tool",),
        roles=(BLADE, Role("rope", "dough rope to snip", "dough", needs=(at_most("force_newton", 25, "soft"),))),
        axes=(
            axis("path", "Cut", step("open and close, rope held in the blades"), step("one snip through a thin rope", 1.1), step("snips along the rope", 2.1), step("equal pieces at marks", 3.0)),
            axis("hand", "Rope", step("held out by you"), step("held by the helper hand", 0.4)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 6), counts=(4, 6, 10), unit="snips",
        setup="Rope as thick as a finger in the {helper} hand, scissors in the {skill} hand, thumb up. Wipe the blades after.",
        cues=cues(spoken="“Open… close”", mark="Lines across the rope", shown="Snip once", touch="Touch the thumb", steadied="Hold the rope taut"),
        watch=SCISSOR_WATCH, tidy="Press the pieces together and roll a new rope.", measures=("pace",), themes=("kitchen", "snakes", "shop"), setup_minutes=0.6,
    )),
    checked(Family(
        id="reed_chop", name="Reed chop", group="cut",
        trains={"cutting": 1.0, "hold_and_act": 1.8}, demands={}, tags=("cutting_tool",),
        roles=(BLADE, Role("reed", "straws to snip", "stick", needs=(between("size_mm", 4, 12, "4 to 12 mm"), at_least("longest_mm", 180, "as long as a straw")), fixed=0, per_count=0.34, share=0.5)),
        axes=(
            axis("path", "Cut", step("close the blades on the end"), step("one snip, the bit flies off", 0.9), step("snips one after another", 1.9), step("at marks, all the same length", 2.8)),
            axis("arm", "Forearm", step("rests on the table"), step("free", 0.4)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 6), counts=(4, 6, 10), unit="reeds cut",
        setup="Straw in the {helper} hand over a bowl that catches the bits.",
        cues=cues(spoken="“Thumb up, snap”", mark="Rings drawn on the straw", shown="Snip once", touch="Touch the thumb", steadied="Hold the straw"),
        watch=SCISSOR_WATCH, tidy="Thread the bits on a lace for next time.", measures=("pace",), themes=("garden", "birds", "boats"), setup_minutes=0.4,
    )),
    checked(Family(
        id="ticket_office", name="Ticket office", group="cut",
        trains={"cutting": 3.2}, demands={"hold_and_act": 2, "hold": 1}, tags=("cutting_tool",),
        roles=(BLADE, PIECES),
        axes=(
            axis("path", "Cut", step("a narrow strip in two"), step("tickets off a wide strip", 1.0), step("tickets along a 12 mm line", 1.8), step("tickets along a 6 mm line", 2.7)),
            axis("sheet", "Sheet", *PAPER_STEPS),
        ),
        parts=("opener", "main", "stretch"), minutes=(3, 8), counts=(4, 6, 10), unit="tickets",
        setup="Strip in the {helper} hand, thumb on top, cut side to the {skill} hand.",
        cues=cues(spoken="“Push on, open, close”", mark="Bright lines across the strip", shown="Cut one ticket", touch="Touch the helper thumb", steadied="Hold the strip taut"),
        watch=(*SCISSOR_WATCH, "tears"), tidy=SCRAPS, measures=("off_line", "on_line"), themes=("trains", "shop", "boats"), setup_minutes=0.8,
    )),
    checked(Family(
        id="quay_stops", name="Quay stops", group="cut",
        trains={"cutting": 4.6}, demands={"hold_and_act": 3, "hold": 1}, tags=("cutting_tool",),
        roles=(BLADE, PIECES),
        axes=(
            axis("path", "Path", step("straight, to the edge"), step("straight, stop at the quay", 1.2), step("stop, then a corner", 2.6)),
            axis("line", "Line", step("12 mm line"), step("6 mm line", 0.7), step("3 mm line", 1.3)),
            stop_cue(),
        ),
        parts=("main", "stretch"), minutes=(4, 9), counts=(3, 4, 6), unit="quays reached",
        setup="Rough-cut piece in the {helper} hand; the quay is on the far side.",
        cues=cues(spoken="“Slow… stop”", mark="Coloured stop zone", shown="Cut to the stop", touch="Touch the closing finger", steadied="Forearm rests on the table"),
        watch=SCISSOR_WATCH, tidy=SCRAPS, measures=("overshoot", "off_line", "on_line"), themes=("boats", "trains", "roads"), setup_minutes=1,
    )),
    checked(Family(
        id="river_bends", name="River bends", group="cut",
        trains={"cutting": 8.4, "hold_and_act": 4.2}, demands={"hold": 1}, tags=("cutting_tool",),
        roles=(BLADE, PIECES),
        axes=(
            axis("bend", "Bend", step("one wide bend"), step("two bends", 0.8), step("round pond", 1.6), step("tight bends", 3.2)),
            axis("line", "Line", step("12 mm line"), step("6 mm line", 0.5), step("3 mm line", 1.0)),
        ),
        parts=("main", "stretch"), minutes=(4, 10), counts=(2, 3, 4), unit="rivers",
        setup="Start on the {skill} side of the piece; the {helper} hand feeds it round.",
        cues=cues(spoken="“Turn the paper, not the arm”", mark="Arrow where to start and dots at each bend", shown="Cut one bend", touch="Touch the helper hand", steadied="Guide the edge of the paper"),
        watch=(*SCISSOR_WATCH, "tears"), tidy=SCRAPS, measures=("off_line", "on_line"), themes=("canal", "boats", "garden"), setup_minutes=1,
    )),
    checked(Family(
        id="spiral_spring", name="Spiral spring", group="cut",
        trains={"cutting": 8.8, "midline": 2.8}, demands={"hold_and_act": 4, "hold": 2}, tags=("cutting_tool",),
        roles=(BLADE, PIECES),
        axes=(
            axis("spiral", "Spiral", step("half a turn, wide"), step("one turn", 1.2), step("two turns", 2.2), step("three turns, tight in the middle", 3.4)),
            axis("sheet", "Sheet", *PAPER_STEPS),
        ),
        parts=("main", "stretch"), minutes=(4, 10), counts=(1, 2, 3), unit="springs",
        setup="Round blank, start at the edge. The {helper} hand keeps turning it in.",
        cues=cues(spoken="“Follow the snail”", mark="Arrow at the edge and dots along", shown="Cut a quarter turn", touch="Touch the helper hand", steadied="Guide the edge of the paper"),
        watch=(*SCISSOR_WATCH, "tears"), tidy=SCRAPS, measures=("off_line", "on_line"), themes=("snakes", "space", "animals"), setup_minutes=0.8,
    )),
    checked(Family(
        id="cabin_windows", name="Cabin windows", group="cut",
        trains={"cutting": 7.6}, demands={"hold_and_act": 4, "hold": 1}, tags=("cutting_tool",),
        roles=(BLADE, PIECES),
        axes=(
            axis("frame", "Shape", step("one corner off"), step("corner cut in", 0.9), step("triangle", 2.0), step("square", 3.2)),
            axis("line", "Line", step("12 mm line"), step("6 mm line", 0.5), step("3 mm line", 1.0)),
            axis("cue", "At the corner", step("a stop dot"), step("none", 0.5)),
        ),
        parts=("main", "stretch"), minutes=(4, 9), counts=(2, 3, 4), unit="windows",
        setup="Piece as big as a hand. Stop at each corner, turn the piece, go on.",
        cues=cues(spoken="“Stop, turn, go”", mark="A dot at each corner", shown="Cut one corner", touch="Touch the helper hand", steadied="Turn the piece with them"),
        watch=SCISSOR_WATCH, tidy=SCRAPS, measures=("overshoot", "off_line", "on_line"), themes=("boats", "castles", "trains"), setup_minutes=1,
    )),
    checked(Family(
        id="paper_crew", name="Paper crew", group="cut",
        trains={"cutting": 10.8, "hold_and_act": 4.8}, demands={"hold": 2}, tags=("cutting_tool",),
        roles=(BLADE, PIECES),
        axes=(
            axis("figure", "Figure", step("fish: two wide curves and a tail"), step("duck: curves both ways", 1.0), step("boat with a mast: corners and curves", 1.9), step("crew hand in hand, folded sheet", 2.6)),
            axis("line", "Line", step("6 mm line"), step("3 mm line", 0.4), step("1 mm line", 0.8)),
        ),
        parts=("main", "stretch"), minutes=(5, 12), counts=(1, 2, 2), unit="figures",
        setup="Rough-cut round the figure first; the {helper} hand turns it.",
        cues=cues(spoken="“Next bit, turn, go”", mark="Dots where the direction changes", shown="Cut one bend", touch="Touch the helper hand", steadied="Guide the edge of the paper"),
        watch=(*SCISSOR_WATCH, "tears"), tidy=SCRAPS, measures=("off_line", "on_line"), themes=("boats", "animals", "dressing up"), setup_minutes=1,
    )),
    checked(Family(
        id="snow_windows", name="Snow windows", group="cut",
        trains={"cutting": 10.4, "together": 3.4}, demands={"hold_and_act": 5, "hold": 2}, tags=("cutting_tool",),
        roles=(BLADE, Role("sheet", "thin sheets to fold and cut", "sheet", needs=(between("sheet_gsm", 15, 120, "15 to 120 g/m²"),), fixed=0, per_count=1, share=0.5)),
        axes=(
            axis("fold", "Folded", step("once"), step("twice", 0.7), step("three times", 1.4)),
            axis("holes", "Holes", step("small corners"), step("half moons", 0.8), step("corners, moons and points, to a drawing", 1.7)),
        ),
        parts=("main", "stretch"), minutes=(4, 10), counts=(1, 2, 2), unit="windows",
        setup="Fold with both hands, press the edge, then cut from the folded side.",
        cues=cues(spoken="“Fold, press, snip”", mark="Holes drawn on the fold", shown="Cut one hole", touch="Touch the helper fingers: clear of the blades", steadied="Hold the folded edge"),
        watch=(*SCISSOR_WATCH, "tears"), tidy=SCRAPS, themes=("winter", "weather", "castles"), setup_minutes=0.6,
    )),
)  # fmt: skip
