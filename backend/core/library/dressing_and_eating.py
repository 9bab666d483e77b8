"""Both ends of the daily-life ladders: first straps and first spoons, whole bows and soft food."""

from core.library.daily_life import WORN
from core.library.declare import Family, axis, checked, cues, step
from core.materials import Role, among, at_least, at_most, between

SOFT_FOOD = Role(
    "food",
    "soft food pieces",
    "item",
    needs=(among("food", "food", True), among("soft", "soft", True), at_least("size_mm", 15, "15 mm or more")),
    fixed=0,
    per_count=1,
    share=0.5,
)

FAMILIES = (
    checked(Family(
        id="flag_tabs", name="Flag tabs", group="fasteners",
        trains={"fasteners": 0.7, "pinch": 0.8}, demands={},
        roles=(Role("strap", "hook-and-loop thing", "puller", needs=(at_least("opening_mm", 25, "a broad strap"),)),),
        axes=(
            axis("way", "Way", step("last bit left to pull"), step("pull it right off", 0.4), step("pull off and press back", 0.9)),
            axis("tab", "Tab", step("folded back, easy to pinch"), step("flat", 0.4)),
        ),
        parts=("opener", "daily", "main"), minutes=(2, 4), counts=(3, 4, 6), unit="flags pulled",
        setup="Flat on the table, tab to the {skill} side, the {helper} hand holds the other end.",
        cues=cues(spoken="“Pinch and peel”", mark="Bright tab", shown="Pull one", touch="Touch thumb and index", steadied="Hold the far end"),
        watch=("whole_hand", "helper_idle"), tidy="Press all tabs shut.", themes=("boats", "castles"), setup_minutes=0.2,
    )),
    checked(Family(
        id="pocket_post", name="Pocket post", group="fasteners",
        trains={"fasteners": 1.0, "hold_and_act": 2.0}, demands={},
        roles=(Role("pocket", "bag, shoe or strip that opens and shuts", "fastener", needs=(at_least("opening_mm", 13, "easy to see and hold"), at_least("force_newton", 5, "it grips"))),),
        axes=(
            axis("kind", "Fastening", step("hook-and-loop", pocket=at_least("opening_mm", 28, "hook-and-loop")), step("press stud", 1.0, pocket=between("opening_mm", 13, 27.99, "a press stud"))),
            axis("way", "Way", step("open"), step("open, post, leave open", 0.3), step("open, post and shut", 0.8)),
            WORN,
        ),
        parts=("opener", "daily", "main"), minutes=(2, 5), counts=(3, 4, 5), unit="posted",
        setup="Facing as it is worn. A letter or a token to post inside.",
        cues=cues(spoken="“Open, post, shut”", mark="Bright edge on the flap", shown="Post one", touch="Touch the helper hand", steadied="Hold the bag open"),
        watch=("helper_idle", "whole_hand", "frustrated"), tidy="Empty the pockets.", themes=("post office", "boats", "space"), setup_minutes=0.2,
    )),
    checked(Family(
        id="cast_off", name="Cast off", group="laces",
        trains={"laces": 0.7, "pinch": 1.0}, demands={},
        roles=(Role("lace", "lace on a board or shoe", "lace_board", needs=(at_least("cord_mm", 650, "65 cm or longer"),)),),
        axes=(
            axis("way", "Way", step("pull one end, the bow opens"), step("pull and draw the lace loose", 0.5), step("open a knot with a finger under it", 1.1)),
            axis("where", "Where", step("on a board"), step("shoe on the lap", 0.3), step("on the foot", 0.6)),
        ),
        parts=("opener", "daily"), minutes=(2, 4), counts=(2, 4, 5), unit="cast off",
        setup="You tie the bow, the child sets the boat free. Toe away, as worn.",
        cues=cues(spoken="“Find the tail, pull”", mark="Bright tape on the tail", shown="Pull one open", touch="Touch thumb and index", steadied="Hold the board"),
        watch=("whole_hand", "helper_idle"), tidy="Lace ends together, board away.", themes=("boats", "animals"), setup_minutes=0.2,
    )),
    checked(Family(
        id="parcel_ribbon", name="Parcel ribbon", group="laces",
        trains={"laces": 1.2, "together": 2.6}, demands={"pinch": 2},
        roles=(Role("parcel", "parcel with a ribbon, or a lace board", "lace_board", needs=(at_least("cord_mm", 900, "90 cm or longer"), at_least("cord_width_mm", 4, "4 mm or wider"))),),
        axes=(
            axis("step", "Step", step("cross the ribbon"), step("cross and tuck under", 0.8), step("first knot, finger on it", 1.7), step("a loop, then {loop}", 2.6), step("whole bow", 3.6)),
            axis("tension", "Under", step("slack"), step("round a soft parcel", 0.5), step("round a full parcel, kept tight", 1.0)),
        ),
        parts=("daily", "main", "stretch"), minutes=(3, 7), counts=(2, 3, 4), unit="ribbons",
        setup="Parcel in front, ends to both sides. {lace_method}",
        cues=cues(spoken="“Cross, tuck, pull flat”", mark="Two ribbon colours", shown="One step only", touch="Touch the next end", steadied="Finger on the knot"),
        watch=("frustrated", "helper_idle", "swaps_hands"), tidy="Pull it open and roll the ribbon up.", themes=("shop", "post office", "boats"), setup_minutes=0.3,
    )),
    checked(Family(
        id="shore_leave", name="Shore leave", group="laces",
        trains={"laces": 3.6}, demands={"pinch": 2, "object_grasp": 6, "take_turns": 3},
        roles=(Role("shoe", "shoe with laces", "fastener", needs=(at_least("cord_mm", 750, "75 cm or longer"),)),),
        axes=(
            axis("step", "Step", step("loop or loops and pull"), step("whole bow", 0.9), step("whole bow that holds for ten steps", 1.5)),
            axis("where", "Where", step("shoe on the table"), step("shoe on the lap", 0.4), step("on the foot, seated on a low stool", 1.0)),
        ),
        parts=("daily", "main"), minutes=(3, 7), counts=(2, 2, 3), unit="bows",
        setup="Toe away from the child, tongue straight, laces even. One method per child, never mixed.",
        cues=cues(spoken="“Tight, loop, pull”", mark="Two lace colours", shown="One bow slowly", touch="Touch the next lace", steadied="Finger on the knot"),
        watch=("frustrated", "thumb_stiff", "swaps_hands"), tidy="Walk ten steps to test it, then pull it open.", measures=("pace",), themes=("boats", "ball games", "dressing up"), setup_minutes=0.2,
    )),
    checked(Family(
        id="scoop_dock", name="Scoop dock", group="cutlery",
        trains={"cutlery": 0.7, "hold_and_act": 1.4}, demands={},
        roles=(Role("scoop", "spoon", "spoon"), Role("cargo", "dry cargo to scoop", "filler"), Role("boat", "bowl or cup to fill", "container", needs=(at_least("opening_mm", 30, "30 mm or wider"),))),
        axes=(
            axis("boat", "Into", step("wide bowl", boat=at_least("opening_mm", 120, "120 mm or wider")), step("cup", 0.7, boat=between("opening_mm", 50, 119.99, "50 to 120 mm")), step("narrow cup", 1.3, boat=at_most("opening_mm", 49.99, "under 50 mm"))),
            axis("way", "Way", step("scoop and tip"), step("scoop level, tip without a spill", 0.7)),
        ),
        parts=("opener", "daily", "main"), minutes=(2, 5), counts=(4, 6, 8), unit="scoops",
        setup="Tub on the {helper} side, bowl on the {skill} side, tray under both. Away from meals.",
        cues=cues(spoken="“Dig, lift, tip”", mark="A line inside the spoon", shown="One scoop", touch="Touch the thumb", steadied="A hand under the forearm"),
        watch=("wrist_bent", "helper_idle", "mouths"), tidy="Tip it back and brush up the spill.", measures=("spills",), themes=("boats", "farm", "kitchen"), setup_minutes=0.5, tidy_minutes=1,
    )),
    checked(Family(
        id="stir_and_serve", name="Stir and serve", group="cutlery",
        trains={"cutlery": 1.0, "tool_grasp": 1.2}, demands={},
        roles=(Role("spoon", "spoon", "spoon"), Role("plates", "cups or bowls to serve into", "container", fixed=2, share=0.5), Role("food", "soft things to serve", "item", needs=(among("soft", "soft", True), at_most("longest_mm", 65, "up to 65 mm")), fixed=0, per_count=1, share=0.5)),
        axes=(
            axis("food", "Serve", step("big, 30 mm or more", food=at_least("size_mm", 30, "30 mm or more")), step("middling, 14 to 30 mm", 0.6, food=between("size_mm", 14, 29.99, "14 to 30 mm")), step("small, under 14 mm", 1.2, food=at_most("size_mm", 13.99, "under 14 mm"))),
            axis("grip", "Hold", step("any hold"), step("thumb on top, elbow down", 0.6)),
        ),
        parts=("opener", "daily", "main"), minutes=(2, 5), counts=(4, 6, 8), unit="served",
        setup="Full bowl in the middle, plates from the {helper} side to the {skill} side. Away from meals.",
        cues=cues(spoken="“Level… and serve”", mark="Dot on the handle for the thumb", shown="Serve one", touch="Touch the thumb", steadied="Forearm on the table"),
        watch=("wrist_bent", "arm_floats", "swaps_hands"), tidy="Serve it all back.", measures=("spills",), themes=("kitchen", "shop", "animals"), setup_minutes=0.4,
    )),
    checked(Family(
        id="picnic_plate", name="Picnic plate", group="cutlery",
        trains={"cutlery": 4.4, "hold_and_act": 3.6}, demands={"finger_isolation": 3}, tags=("cutting_tool",),
        roles=(Role("fork", "fork", "fork"), Role("knife", "child's knife", "knife"), SOFT_FOOD),
        axes=(
            axis("cut", "Cut", step("press through"), step("saw and push the piece off", 0.6), step("bite-sized pieces, one after another", 1.2), step("cut, spear and lift", 1.8)),
            axis("cue", "Fingers", step("dots on both handles"), step("no dots", 0.4)),
        ),
        parts=("daily", "main"), minutes=(3, 8), counts=(3, 4, 6), unit="pieces cut",
        setup="Feet supported, non-slip mat. Fork in the {helper} hand, knife just in front of it. Seated, adult beside.",
        cues=cues(spoken="“Pin it, saw, push off”", mark="Dots for both index fingers", shown="Cut one", touch="Touch the pointing finger", steadied="Hold the fork upright"),
        watch=("helper_idle", "wrist_bent", "tears"), tidy="Scrape the plate with the knife, across the middle.", themes=("kitchen", "animals"), setup_minutes=0.6,
    )),
    checked(Family(
        id="captains_table", name="Captain's table", group="cutlery",
        trains={"cutlery": 4.8}, demands={"finger_isolation": 3, "hold_and_act": 4}, tags=("cutting_tool",),
        roles=(Role("fork", "fork", "fork"), Role("knife", "child's knife", "knife"), SOFT_FOOD, Role("plate", "plate or bowl", "container", needs=(at_least("opening_mm", 150, "150 mm or wider"),))),
        axes=(
            axis("part", "Part of the meal", step("first piece"), step("three pieces, then rest", 0.5), step("half the plate", 1.0), step("the whole plate", 1.6)),
            axis("table", "With", step("therapist only"), step("at a set table", 0.3)),
        ),
        parts=("daily", "main"), minutes=(4, 10), counts=(3, 4, 6), unit="mouthfuls cut alone",
        setup="Table set as at home. Feet supported, non-slip mat, knife in the {skill} hand.",
        cues=cues(spoken="“Pin, saw, lift”", mark="Dots for both index fingers", shown="One piece", touch="Touch the pointing finger", steadied="Hold the plate"),
        watch=("helper_idle", "wrist_bent", "frustrated"), tidy="Clear the table: one thing in each hand.", themes=("kitchen", "boats"), setup_minutes=1, tidy_minutes=1,
    )),
)  # fmt: skip
