"""Picking up and storing, bringing back, shifting, rolling and turning over: work inside one hand."""

from core.library.declare import Family, axis, checked, cues, step
from core.library.extras import CLOTH, KEEP, TUCK
from core.materials import Role, among, at_least, at_most, between

SIZE = axis(
    "item", "Thing",
    step("middling, 20 to 40 mm", item=between("size_mm", 20, 40, "20 to 40 mm")),
    step("small, 10 to 20 mm", 0.6, item=between("size_mm", 10, 19.99, "10 to 20 mm")),
    step("very small or flat", 1.3, item=at_most("size_mm", 9.99, "under 10 mm")),
)  # fmt: skip
FREE = (among("sharp", "not sharp", False), at_most("longest_mm", 45, "up to 45 mm long"))

FAMILIES = (
    checked(Family(
        id="squirrel_store", name="Squirrel store", group="pick up and store",
        trains={"to_palm": 1.0}, demands={"object_grasp": 5},
        roles=(Role("item", "things to store", "item", needs=FREE, fixed=0, per_count=1, share=0.5), Role("pot", "pot", "container"), CLOTH),
        axes=(
            SIZE,
            axis("from", "Picked up from", step("an adult's palm"), step("a cloth or non-slip mat", uses="under", rungs=0.3), step("the bare table", 0.7)),
            axis("store", "Kept in the palm", step("1 at a time"), step("2", 0.8), step("3", 1.4), step("5", 2.2), step("10", 3.2)),
        ),
        parts=("main", "stretch", "tidy"), minutes=(3, 8), counts=(6, 8, 10), unit="stored",
        setup="Things in a row from the {helper} side to the {skill} side, pot at the end. One hand only.",
        cues=cues(spoken="“Fingers to the cave”", mark="A dot in the palm", shown="Store two, slowly", touch="Touch the base of the ring finger", steadied="Turn the forearm palm up and hold it there"),
        watch=("two_hands", "not_tucked", "swaps_hands", "many_fingers"), tidy="The last handful goes in the box.", measures=("tokens", "drops"), themes=("animals", "pirates", "shop"),
    )),
    checked(Family(
        id="ticket_gate", name="Ticket gate", group="pick up and store",
        trains={"from_palm": 1.2}, demands={"to_palm": 2, "object_grasp": 5},
        roles=(Role("item", "tokens", "item", needs=FREE, fixed=0, per_count=1, share=0.5), Role("gate", "opening", "slot_lid")),
        axes=(
            SIZE,
            axis("kept", "Others in the palm", step("none"), step("1 stays in", 1.0), step("2 stay in", 1.6), step("4 stay in", 2.4)),
            axis("gate", "Opening", step("wide", gate=at_least("opening_mm", 35, "35 mm or wider")), step("a hole", 0.4, gate=between("opening_mm", 15, 34.99, "15 to 35 mm")), step("a narrow slot", 0.9, gate=at_most("opening_mm", 14.99, "under 15 mm"))),
        ),
        parts=("main", "stretch"), minutes=(3, 8), counts=(5, 8, 10), unit="paid",
        setup="Tokens start in the {skill} palm. Gate on the {skill} side. The {helper} hand holds the pot.",
        cues=cues(spoken="“Thumb walks it out”", mark="A dot on the thumb pad", shown="Bring one out slowly", touch="Touch the thumb pad", steadied="Tilt the hand so the token meets the fingertips"),
        watch=("two_hands", "not_tucked", "thumb_stiff", "swaps_hands"), tidy="Count the tokens back into the box.", measures=("tokens", "drops"), themes=("trains", "shop", "boats"),
    )),
    checked(Family(
        id="ladder_walk", name="Ladder walk", group="pencil and stick moves",
        trains={"shift": 1.4}, demands={"tool_grasp": 2},
        roles=(Role("stick", "stick or pencil", "stick", needs=(among("sharp", "not sharp", False), at_least("longest_mm", 90, "9 cm or longer"))), TUCK),
        axes=(
            axis("stick", "Stick", step("thick, 13 mm or more", stick=at_least("size_mm", 13, "13 mm or thicker")), step("pencil-thick, 7 to 13 mm", 0.7, stick=between("size_mm", 7, 12.99, "7 to 13 mm")), step("thin", 1.4, stick=at_most("size_mm", 6.99, "under 7 mm"))),
            axis("walk", "Walk", step("up only"), step("up and back", 0.6), step("up and back 10 times", 1.2), step("with a pom-pom tucked under the last two fingers", 2.0, uses="tuck")),
        ),
        parts=("opener", "warm-up", "main", "stretch"), minutes=(2, 5), counts=(4, 6, 10), unit="walks",
        setup="Stick upright in the {skill} hand, elbow on the table.",
        cues=cues(spoken="“Spider up the pole”", mark="Stripes on the stick to reach", shown="Walk up once", touch="Touch the finger that moves next", steadied="Hold the top of the stick"),
        watch=("two_hands", "thumb_stiff", "arm_floats", "wrist_bent"), tidy="Drop the stick in its pot.", measures=("drops", "pace"), themes=("animals", "climbing"), setup_minutes=0.3,
    )),
    checked(Family(
        id="deal_a_hand", name="Deal a hand", group="pencil and stick moves",
        trains={"shift": 0.9}, demands={"object_grasp": 4},
        roles=(Role("card", "cards or pages", "card", needs=(at_least("longest_mm", 40, "4 cm or longer"),), fixed=0, per_count=1, share=0.5),),
        axes=(
            axis("card", "Card", step("thick, 2 mm or more", card=at_least("thin_mm", 2, "2 mm or thicker")), step("stiff card", 0.9, card=between("thin_mm", 0.3, 1.99, "0.3 to 2 mm")), step("thin", 1.7, card=at_most("thin_mm", 0.29, "under 0.3 mm"))),
            axis("move", "Move", step("push one off the pile"), step("deal from the hand", 0.7), step("fan them out", 1.6)),
        ),
        parts=("opener", "main", "stretch"), minutes=(3, 7), counts=(6, 10, 15), unit="dealt",
        setup="Pile in the {helper} hand; the {skill} thumb pushes off.",
        cues=cues(spoken="“Thumb pushes one”", mark="Dot in the corner of each card", shown="Deal two", touch="Touch the thumb", steadied="Hold the pile from below"),
        watch=("thumb_stiff", "two_hands", "helper_idle"), tidy="Square the pile with both hands.", themes=("shop", "post office", "boats"), setup_minutes=0.5,
    )),
    checked(Family(
        id="harbour_bolts", name="Harbour bolts", group="lids, nuts and bolts",
        trains={"simple_rotation": 3.0, "hold_and_act": 3.0}, demands={"object_grasp": 5},
        roles=(Role("bolt", "nuts and bolts", "bolt", needs=(at_most("opening_mm", 60, "nut and thread"),), fixed=0, per_count=0.5, share=0.34), KEEP),
        axes=(
            axis("bolt", "Bolt", step("big", bolt=at_least("opening_mm", 15, "15 mm or more")), step("small", 0.9, bolt=at_most("opening_mm", 14.99, "under 15 mm"))),
            axis("way", "Way", step("off"), step("on", 0.5), step("on, with a small thing kept in the palm", 1.6, uses="keep")),
        ),
        parts=("main", "stretch"), minutes=(3, 8), counts=(3, 5, 8), unit="turned right off or on",
        setup="Bolt upright in the {helper} hand; only the {skill} fingers turn.",
        cues=cues(spoken="“Fingers roll, arm sleeps”", mark="Dot on the nut", shown="Three turns", touch="Touch the index pad", steadied="Hold the bolt"),
        watch=("arm_floats", "swaps_hands", "helper_idle", "wrist_bent"), tidy="Drop nuts in one pot, bolts in another.", measures=("pace",), themes=("boats", "workshop", "space"),
    )),
    checked(Family(
        id="lid_lineup", name="Lid line-up", group="lids, nuts and bolts",
        trains={"simple_rotation": 0.8, "together": 2.0}, demands={},
        roles=(Role("jar", "things with a screw lid", "lid_pot", fixed=0, per_count=0.5, share=0.25),),
        axes=(
            axis("lid", "Lid", step("wide, 50 mm or more", jar=at_least("opening_mm", 50, "50 mm or more")), step("bottle cap, 20 to 50 mm", 1.1, jar=between("opening_mm", 20, 49.99, "20 to 50 mm")), step("tiny cap, under 20 mm", 2.1, jar=at_most("opening_mm", 19.99, "under 20 mm"))),
            axis("way", "Way", step("open"), step("open and close", 0.5), step("close until it holds upside down", 0.9)),
        ),
        parts=("opener", "warm-up", "main", "daily"), minutes=(2, 6), counts=(3, 4, 6), unit="lids",
        setup="Jars in a row from the {helper} side to the {skill} side, something small inside each.",
        cues=cues(spoken="“Helper hugs, tips turn”", mark="Arrow on the lid", shown="Turn one", touch="Touch the fingertips", steadied="Hold the jar"),
        watch=("whole_hand", "helper_idle", "wrist_bent"), tidy="Close each one and put it back.", themes=("shop", "kitchen", "science"), setup_minutes=0.8,
    )),
    checked(Family(
        id="about_turn", name="About turn", group="pencil and stick moves",
        trains={"complex_rotation": 0.8}, demands={"simple_rotation": 3, "to_palm": 2},
        roles=(Role("stick", "thing to turn over", "item", needs=(among("sharp", "not sharp", False), between("longest_mm", 30, 200, "3 to 20 cm long"), at_most("size_mm", 24, "up to 24 mm thick"))), KEEP),
        axes=(
            axis("stick", "Thing", step("short and thick", stick=(between("longest_mm", 30, 80, "3 to 8 cm"), at_least("size_mm", 10, "10 mm or thicker"))), step("short and thin", 0.8, stick=(between("longest_mm", 30, 80, "3 to 8 cm"), at_most("size_mm", 9.99, "under 10 mm"))), step("as long as a pencil", 1.6, stick=at_least("longest_mm", 100, "10 cm or longer"))),
            axis("help", "Table", step("touching the table is fine"), step("free of the table", 0.9), step("5 times without a slip", 1.7), step("with a small thing kept in the palm", 2.4, uses="keep")),
        ),
        parts=("main", "stretch"), minutes=(2, 5), counts=(4, 6, 8), unit="turned",
        setup="One thing in the {skill} hand, the {helper} hand in the lap.",
        cues=cues(spoken="“Nose over tail”", mark="Two colours, one on each end", shown="Turn one over slowly", touch="Touch the middle finger: it pushes", steadied="Catch the end so that it does not fall"),
        watch=("two_hands", "not_tucked", "swaps_hands"), tidy="Stand them in a pot, coloured end up.", measures=("drops", "pace"), themes=("circus", "space"), setup_minutes=0.4,
    )),
)  # fmt: skip
