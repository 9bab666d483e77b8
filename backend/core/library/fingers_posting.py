"""Posting, pressing, popping, stickers and sorting."""

from core.library.declare import Clearance, Family, axis, checked, cues, step
from core.library.extras import TUCK
from core.materials import Role, among, at_least, at_most, between

FAMILIES = (
    checked(Family(
        id="letter_box", name="Letter box", group="posting",
        trains={"object_grasp": 3.2}, demands={},
        roles=(Role("item", "things to post", "item", needs=(among("sharp", "not sharp", False),), fixed=0, per_count=1, share=0.4), Role("box", "pot with an opening", "slot_lid"), TUCK),
        clearances=(Clearance("box", "opening_mm", "item", "thin_mm", 1, "the opening wider than the thing"),),
        axes=(
            axis("opening", "Opening", step("wide", box=at_least("opening_mm", 35, "35 mm or wider")), step("a hole", 0.7, box=between("opening_mm", 15, 34.99, "15 to 35 mm")), step("a narrow slot or pinhole", 1.4, box=at_most("opening_mm", 14.99, "under 15 mm"))),
            axis("item", "Thing", step("big, 28 mm or more", item=at_least("size_mm", 28, "28 mm or more")), step("middling, 14 to 28 mm", 0.6, item=between("size_mm", 14, 27.99, "14 to 28 mm")), step("small, under 14 mm", 1.3, item=at_most("size_mm", 13.99, "under 14 mm"))),
            axis("tuck", "Last two fingers", step("free"), step("keep a pom-pom tucked", 1.6, uses="tuck")),
        ),
        parts=("opener", "main", "stretch"), minutes=(3, 7), counts=(6, 10, 20), unit="posted",
        setup="Things on the {helper} side, pot on the {skill} side.",
        cues=cues(spoken="“Tips only”", mark="Bright edge round the opening", shown="Post one", touch="Touch thumb and index tips", steadied="Hold the pot"),
        watch=("whole_hand", "many_fingers", "not_tucked", "thumb_stiff"), tidy="Tip out and count back.", measures=("pace",), themes=("post office", "animals", "shop"),
    )),
    checked(Family(
        id="rain_pop", name="Rain pop", group="press and pop",
        trains={"finger_isolation": 1.6}, demands={}, tags=("resistance",),
        roles=(Role("bubble", "thing to pop or press", "bubble"), TUCK),
        axes=(
            axis("finger", "Finger", step("any finger"), step("index, others folded", 0.8), step("each finger in turn with the thumb", 2.0), step("one finger, the others hold a pom-pom", 3.0, uses="tuck")),
            axis("pattern", "Pattern", step("anywhere"), step("along a row", 0.3), step("marked ones only", 0.6)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(8, 12, 20), unit="popped",
        setup="Sheet flat in front, {helper} hand on its edge.",
        cues=cues(spoken="“Pointer only”", mark="Dots on the ones to pop", shown="Pop one", touch="Touch the finger", steadied="Fold the other fingers gently"),
        watch=("many_fingers", "whole_hand", "thumb_stiff"), tidy="Scrunch the sheet into a ball with one hand.", themes=("weather", "space"), setup_minutes=0.3,
    )),
    checked(Family(
        id="thumb_parade", name="Finger parade", group="press and pop",
        trains={"finger_isolation": 2.4}, demands={},
        roles=(Role("puppet", "finger puppets", "puppet", fixed=2, share=0.5),),
        axes=(
            axis("move", "Move", step("index bows"), step("two fingers talk in turn", 0.8), step("thumb visits each finger", 1.6), step("visits in a called order", 2.4)),
            axis("look", "Looking", step("watching the hand"), step("hand out of sight", 0.7)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(5, 8, 10), unit="right moves",
        setup="Elbow on the table, hand up like a stage.",
        cues=cues(spoken="“Thumb says hello”", mark="Coloured dots on the nails", shown="Do one round", touch="Touch the next finger", steadied="Hold the others still"),
        watch=("many_fingers", "wrist_bent", "eyes_off"), tidy="Puppets off, one pull each.", themes=("animals", "theatre", "family"), setup_minutes=0.3,
    )),
    checked(Family(
        id="harbour_lights", name="Harbour lights", group="stickers",
        trains={"object_grasp": 4.4, "hold_and_act": 2.4}, demands={},
        roles=(Role("sticker", "stickers", "sticker", fixed=0, per_count=1), Role("sheet", "paper", "sheet", needs=(at_least("sheet_gsm", 60, "60 g/m² or more"),))),
        axes=(
            axis("sticker", "Sticker", step("big", sticker=at_least("size_mm", 20, "20 mm or more")), step("small dots", 1.0, sticker=at_most("size_mm", 19.99, "under 20 mm"))),
            axis("place", "Where", step("anywhere"), step("inside a shape", 0.4), step("on a dot", 0.9), step("along a line from one side to the other", 1.3)),
            axis("peel", "Peel", step("corner lifted for them"), step("peels alone", 0.7)),
        ),
        parts=("opener", "main"), minutes=(3, 8), counts=(6, 10, 15), unit="stuck",
        setup="Sticker strip in the {helper} hand, paper taped down.",
        cues=cues(spoken="“Bend, peel, place”", mark="Dots on the paper", shown="Peel one", touch="Touch the tip of the index", steadied="Bend the strip back"),
        watch=("whole_hand", "helper_idle", "swaps_hands"), tidy="Backing paper in the bin, one tear at a time.", themes=("boats", "space", "town"), setup_minutes=0.6,
    )),
    checked(Family(
        id="cargo_sort", name="Cargo sort", group="sorting",
        trains={"midline": 1.8, "object_grasp": 3.4}, demands={},
        roles=(Role("item", "things to sort", "item", needs=(among("sharp", "not sharp", False),), fixed=0, per_count=1, share=0.6), Role("tray", "sorting tray", "tray")),
        axes=(
            axis("groups", "Groups", step("2 groups"), step("3 groups", 0.3), step("5 groups", 0.7)),
            axis("reach", "Reach", step("just past the middle"), step("far side", 0.7), step("far side, trunk still", 1.5), step("whole row, hand does not swap", 2.3)),
            axis("item", "Thing", step("big, 25 mm or more", item=at_least("size_mm", 25, "25 mm or more")), step("small", 0.6, item=at_most("size_mm", 24.99, "under 25 mm"))),
        ),
        parts=("opener", "main"), minutes=(3, 8), counts=(8, 12, 20), unit="sorted",
        setup="Things on the {helper} side, tray on the {skill} side. Feet flat, tummy to the table.",
        cues=cues(spoken="“Same hand all the way”", mark="A stripe down the middle of the table", shown="Carry one over", touch="Touch the working hand", steadied="A hand on the trunk"),
        watch=("swaps_hands", "leans", "eyes_off"), tidy="Tip each group into its own pot.", measures=("pace",), themes=("boats", "farm", "shop"),
    )),
    checked(Family(
        id="empty_pockets", name="Empty pockets", group="tidy-up",
        trains={"to_palm": 1.2}, demands={"object_grasp": 4},
        roles=(Role("item", "what is left on the table", "item", needs=(among("sharp", "not sharp", False), at_most("longest_mm", 45, "up to 45 mm long")), fixed=0, per_count=1, share=0.5), Role("box", "box", "container")),
        axes=(
            axis("store", "Kept in the palm", step("1 at a time"), step("2", 0.7), step("4", 1.6), step("as many as fit", 2.4)),
            axis("item", "Thing", step("middling, 20 mm or more", item=at_least("size_mm", 20, "20 mm or more")), step("small", 0.6, item=at_most("size_mm", 19.99, "under 20 mm"))),
        ),
        parts=("tidy",), minutes=(2, 4), counts=(6, 8, 12), unit="tidied",
        setup="Whatever is left lies loose; the box stands on the far side.",
        cues=cues(spoken="“Pick, hide, pick the next”", shown="Hide two in the palm", touch="Touch the ring finger", steadied="Hold the box close"),
        watch=("two_hands", "not_tucked", "tires"), tidy="Lid on.", themes=("animals", "home"), setup_minutes=0.2, tidy_minutes=0,
    )),
)  # fmt: skip
