"""Fasteners, laces and cutlery."""

from core.library.declare import Family, axis, checked, cues, step
from core.materials import Role, among, at_least, at_most, between

WORN = axis(
    "where",
    "Where",
    step("off the body, facing as worn"),
    step("wrapped round something big", 0.4),
    step("on own lap", 0.8),
    step("worn", 1.3),
)

FAMILIES = (
    checked(Family(
        id="porthole_buttons", name="Porthole buttons", group="button slit",
        trains={"fasteners": 4.0, "hold_and_act": 3.4}, demands={"object_grasp": 5},
        roles=(Role("strip", "button strip", "button_strip", fixed=1),),
        axes=(
            axis("way", "Way", step("undo"), step("do up", 0.7)),
            axis("button", "Button", step("big, 22 mm or more", strip=at_least("opening_mm", 22, "22 mm or more")), step("small, under 22 mm", 1.1, strip=at_most("opening_mm", 21.99, "under 22 mm"))),
            axis("cloth", "Slit in", step("firm card", strip=among("soft", "card", False)), step("cloth", 0.5, strip=among("soft", "cloth", True))),
            WORN,
        ),
        parts=("main", "daily"), minutes=(3, 8), counts=(3, 5, 6), unit="buttons",
        setup="Strip facing as it is worn. Undo before do; start from the bottom.",
        cues=cues(spoken="“Push half, pull half”", mark="Bright edge round the slit", shown="Do one slowly", touch="Touch the helper thumb", steadied="Hold the slit open"),
        watch=("helper_idle", "thumb_stiff", "frustrated", "eyes_off"), tidy="Leave it ready, undone.", measures=("pace",), themes=("boats", "dressing up"), setup_minutes=0.4,
    )),
    checked(Family(
        id="snap_harbour", name="Snap harbour", group="fasteners",
        trains={"together": 2.8, "fasteners": 1.6}, demands={"pinch": 2}, tags=("resistance",),
        roles=(Role("stud", "things to pull apart", "puller", needs=(at_least("force_newton", 5, "5 N or more"),), fixed=1),),
        axes=(
            axis("force", "Pull", step("light, under 11 N", stud=at_most("force_newton", 10.99, "under 11 N")), step("middling, 11 to 13.5 N", 0.6, stud=between("force_newton", 11, 13.5, "11 to 13.5 N")), step("firm, over 13.5 N", 1.2, stud=at_least("force_newton", 13.51, "over 13.5 N"))),
            axis("way", "Way", step("pull apart"), step("press together between both hands", 0.7), step("apart and together in the air", 1.3)),
        ),
        parts=("opener", "warm-up", "main", "daily"), minutes=(2, 6), counts=(4, 6, 10), unit="pulled or pressed",
        setup="In both hands in front of the chest. Pressing one-handed on the table does not count.",
        cues=cues(spoken="“Two thumbs, pull”", mark="Dots for the thumbs", shown="Pull one", touch="Touch the second hand", steadied="Hold one side"),
        watch=("helper_idle", "leans", "thumb_stiff"), tidy="Press them all shut.", measures=("newton",), themes=("boats", "space"), setup_minutes=0.3,
    )),
    checked(Family(
        id="zip_train", name="Zip train", group="fasteners",
        trains={"fasteners": 2.6, "pinch": 1.6}, demands={"object_grasp": 4},
        roles=(Role("zip", "zip", "fastener", needs=(between("opening_mm", 6, 13, "a zip pull"), among("soft", "zip", False))),),
        axes=(
            axis("task", "Task", step("open, tag on the pull"), step("open and close", 0.6), step("close, no tag", 1.1), step("engage the foot and close", 4.2, zip=between("opening_mm", 6, 7, "open-ended zip"))),
            WORN,
        ),
        parts=("daily", "main"), minutes=(2, 6), counts=(3, 5, 6), unit="zips",
        setup="Zip straight in front, bottom held down by the {helper} hand.",
        cues=cues(spoken="“Hold low, pull high”", mark="Bright tag on the pull", shown="Once up and down", touch="Touch the helper hand", steadied="Hold the bottom"),
        watch=("helper_idle", "many_fingers", "frustrated"), tidy="Leave it closed.", themes=("trains", "boats"), setup_minutes=0.3,
    )),
    checked(Family(
        id="bow_steps", name="Mooring bow", group="laces",
        trains={"laces": 0.8, "take_turns": 2.6}, demands={"object_grasp": 6, "pinch": 2},
        roles=(Role("lace", "lace on a board or shoe", "lace_board", needs=(at_least("cord_mm", 700, "70 cm or longer"),)),),
        axes=(
            axis("step", "Step", step("pull the bow open"), step("cross and tuck", 1.2), step("first knot, pulled tight", 2.2), step("make a loop, then {loop}", 3.2), step("whole bow", 4.2)),
            axis("where", "Where", step("on a board, off the body"), step("shoe on the lap", 0.5), step("shoe on the foot", 1.0)),
        ),
        parts=("daily", "main"), minutes=(3, 8), counts=(2, 3, 5), unit="steps done",
        setup="Board as the shoe is worn, toe away. {lace_method}",
        cues=cues(spoken="“Cross, tuck, pull”", mark="Two lace colours", shown="One step only", touch="Touch the next lace", steadied="Finger on the knot"),
        watch=("helper_idle", "frustrated", "swaps_hands"), tidy="Pull the bow open: a sure win to end on.", themes=("boats",), setup_minutes=0.4,
    )),
    checked(Family(
        id="soup_kitchen", name="Soup kitchen", group="cutlery",
        trains={"cutlery": 0.8, "tool_grasp": 1.8}, demands={},
        roles=(Role("spoon", "spoon", "spoon"), Role("load", "things to spoon", "item", needs=(at_most("longest_mm", 45, "up to 45 mm"), among("sharp", "not sharp", False)), fixed=0, per_count=1, share=0.4), Role("pots", "two pots", "container", fixed=2, share=0.5)),
        axes=(
            axis("spoon", "Spoon", step("thick handle", spoon=at_least("thin_mm", 20, "thick handle")), step("ordinary", 0.5, spoon=at_most("thin_mm", 19.99, "ordinary handle"))),
            axis("load", "Load", step("big, 20 mm or more", load=at_least("size_mm", 20, "20 mm or more")), step("middling, 10 to 20 mm", 0.7, load=between("size_mm", 10, 19.99, "10 to 20 mm")), step("small, under 10 mm", 1.4, load=at_most("size_mm", 9.99, "under 10 mm"))),
            axis("carry", "Carry", step("pots side by side"), step("pots apart", 0.5), step("across the middle without spilling", 1.0)),
        ),
        parts=("opener", "daily", "main"), minutes=(3, 7), counts=(5, 8, 12), unit="spoonfuls",
        setup="Full pot on the {helper} side, empty pot on the {skill} side. Away from meals.",
        cues=cues(spoken="“Scoop, level, go”", mark="Dot on the handle for the index finger", shown="One spoonful", touch="Touch the thumb", steadied="Forearm on the table"),
        watch=("wrist_bent", "arm_floats", "swaps_hands", "mouths"), tidy="Spoon it all back.", measures=("spills",), themes=("kitchen", "boats"), setup_minutes=0.6,
    )),
    checked(Family(
        id="log_saw", name="Log saw", group="cutlery",
        trains={"cutlery": 3.4, "finger_isolation": 2.6}, demands={"squeeze": 2, "hold_and_act": 3}, tags=("cutting_tool",),
        roles=(Role("fork", "fork", "fork"), Role("knife", "child's knife", "knife"), Role("dough", "dough sausage", "dough", needs=(at_most("force_newton", 45, "up to 45 N"),))),
        axes=(
            axis("dough", "Dough", step("soft, under 15 N", dough=at_most("force_newton", 14.99, "under 15 N")), step("soft putty, 15 to 30 N", 0.7, dough=between("force_newton", 15, 29.99, "15 to 30 N")), step("firm, 30 to 45 N", 1.4, dough=between("force_newton", 30, 45, "30 to 45 N"))),
            axis("cut", "Cut", step("fork holds, push down"), step("fork holds, saw to and fro", 0.8), step("saw at a mark and push the piece off", 1.5)),
        ),
        parts=("daily", "main"), minutes=(3, 7), counts=(4, 6, 8), unit="pieces",
        setup="Non-slip mat, sausage across. Fork in the {helper} hand, knife just in front of it.",
        cues=cues(spoken="“Fork in, saw, push off”", mark="Lines on the sausage", shown="Saw one piece", touch="Touch the pointing finger", steadied="Hold the fork upright"),
        watch=("helper_idle", "tears", "wrist_bent", "hold_high"), tidy="Roll the pieces together again.", themes=("kitchen", "workshop"), setup_minutes=0.8,
    )),
)  # fmt: skip
