"""The top of the strength ladders, and the first seconds of keeping hold."""

from core.library.declare import Family, axis, checked, cues, step
from core.materials import Role, among, at_least, at_most, between

FAMILIES = (
    checked(Family(
        id="press_mill", name="Press mill", group="squeezing",
        trains={"squeeze": 3.6}, demands={}, tags=("resistance",), tiring=True,
        roles=(Role("press", "firm thing to squeeze", "squeezer", needs=(at_least("force_newton", 30, "30 N or more"),)),),
        axes=(
            axis("force", "Force", step("30 to 50 N", press=between("force_newton", 30, 49.99, "30 to 50 N")), step("50 N and more", 1.4, press=at_least("force_newton", 50, "50 N or more"))),
            axis("hold", "Hold", step("squeeze and let go"), step("squeeze for 3 seconds", 0.5), step("squeeze through a whole song", 1.1)),
        ),
        parts=("warm-up", "main", "stretch"), minutes=(2, 5), counts=(4, 6, 8), unit="full squeezes",
        setup="Elbow at the side, wrist straight, one hand at a time.",
        cues=cues(spoken="“Squeeze to the end”", mark="A line the two sides should reach", shown="Squeeze once", touch="Touch the ring and little finger", steadied="Hold the wrist straight"),
        watch=("wrist_bent", "leans", "tires"), tidy="Shake out both hands.", measures=("newton", "hold"), themes=("workshop", "kitchen", "robots"), both_hands=True, setup_minutes=0.3,
    )),
    checked(Family(
        id="clay_quarry", name="Clay quarry", group="dough",
        trains={"squeeze": 2.2}, demands={}, tags=("resistance",), tiring=True,
        roles=(Role("clay", "dough, putty or clay", "dough"),),
        axes=(
            axis("clay", "Lump", step("soft, under 15 N", clay=at_most("force_newton", 14.99, "under 15 N")), step("soft putty, 15 to 30 N", 0.9, clay=between("force_newton", 15, 29.99, "15 to 30 N")), step("firm putty, 30 to 50 N", 1.9, clay=between("force_newton", 30, 49.99, "30 to 50 N")), step("clay, 50 N and more", 2.9, clay=at_least("force_newton", 50, "50 N or more"))),
            axis("way", "Way", step("squeeze flat in one hand"), step("squeeze till it comes out between the fingers", 0.6), step("three times without a rest", 1.1)),
        ),
        parts=("warm-up", "main", "stretch"), minutes=(2, 5), counts=(3, 5, 6), unit="lumps quarried",
        setup="Own lump, as big as fits the fist. One hand, then the other.",
        cues=cues(spoken="“Crush the rock”", mark="A mark to press out", shown="Squeeze one", touch="Touch the last two fingers", steadied="Hold the wrist straight"),
        watch=("two_hands", "wrist_bent", "tires", "mouths"), tidy="Press it back into its pot.", measures=("newton",), themes=("dinosaurs", "workshop", "pirates"), both_hands=True, setup_minutes=0.3,
    )),
    checked(Family(
        id="gangplank_clips", name="Gangplank clips", group="pegs",
        trains={"pinch": 3.6}, demands={"hold_and_act": 2}, tags=("resistance",), tiring=True,
        roles=(Role("clip", "strong clips", "clip", needs=(at_least("force_newton", 10, "10 N or more"),), fixed=0, per_count=0.5, share=0.4), Role("card", "two cards to hold together", "sheet", needs=(at_least("sheet_gsm", 160, "160 g/m² or more"),), fixed=2, share=0.5)),
        axes=(
            axis("clip", "Clip", step("10 to 14 N", clip=between("force_newton", 10, 13.99, "10 to 14 N")), step("14 to 19 N", 1.0, clip=between("force_newton", 14, 18.99, "14 to 19 N")), step("19 N and more", 1.9, clip=at_least("force_newton", 19, "19 N or more"))),
            axis("way", "Way", step("one card"), step("two cards held together", 0.6), step("two cards, pads of thumb and index only", 1.0)),
        ),
        parts=("warm-up", "main", "stretch"), minutes=(2, 5), counts=(3, 5, 8), unit="clipped",
        setup="Cards in the {helper} hand, clips in a row on the {skill} side.",
        cues=cues(spoken="“Wide open, over both”", mark="Dots for thumb and index", shown="Clip one", touch="Touch the thumb pad", steadied="Hold the cards"),
        watch=("many_fingers", "thumb_stiff", "tires"), tidy="Open them all and drop them in the tin.", measures=("newton",), themes=("boats", "shop", "pirates"), setup_minutes=0.3,
    )),
    checked(Family(
        id="statue_grip", name="Statue grip", group="squeeze and carry",
        trains={"hold": 0.8}, demands={},
        roles=(Role("grip", "clip or pick-up tool", "tongs", needs=(at_most("force_newton", 12, "up to 12 N"),)), Role("load", "soft thing to hold", "item", needs=(among("soft", "soft", True), at_most("size_mm", 45, "up to 45 mm")))),
        axes=(
            axis("seconds", "Hold for", step("2 seconds"), step("5 seconds", 0.9), step("8 seconds", 1.6), step("15 seconds", 2.5), step("20 seconds, over a ring", 3.5)),
            axis("arm", "Arm", step("elbow on the table"), step("elbow off the table", 0.4), step("standing", 0.7)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 4), counts=(3, 4, 5), unit="held to the end",
        setup="Pick it up, then freeze. Count aloud together.",
        cues=cues(spoken="“Freeze… two, three”", mark="A ring to stay over", shown="Hold one still", touch="Touch the thumb", steadied="Forearm on the table"),
        watch=("tires", "wrist_bent", "two_hands"), tidy="Let each fall into the pot.", measures=("hold",), themes=("castles", "animals", "space"), setup_minutes=0.2,
    )),
    checked(Family(
        id="feather_lift", name="Crane aim", group="squeeze and carry",
        trains={"hold": 1.0, "midline": 1.8}, demands={},
        roles=(Role("tongs", "pick-up tool", "tongs"), Role("load", "soft or rough things to lift", "item", needs=(among("friction", "not slippery", "tissue", "cloth", "medium", "wood"), at_most("size_mm", 45, "up to 45 mm")), fixed=0, per_count=1, share=0.4), Role("goal", "bowl to let go into", "container")),
        axes=(
            axis("carry", "Carry", step("lift and let go"), step("lift, count to five, let go", 1.0), step("across the table", 1.9), step("across the room", 2.9)),
            axis("goal", "Opening", step("wide, 90 mm or more", goal=at_least("opening_mm", 90, "90 mm or wider")), step("25 to 90 mm", 0.6, goal=between("opening_mm", 25, 89.99, "25 to 90 mm")), step("under 25 mm", 1.3, goal=(at_most("opening_mm", 24.99, "under 25 mm"), at_least("opening_mm", 15, "15 mm or more")))),
        ),
        parts=("opener", "warm-up", "main", "stretch"), minutes=(2, 6), counts=(4, 6, 8), unit="landed",
        setup="Load on the {helper} side, bowl on the {skill} side.",
        cues=cues(spoken="“Squeeze, fly, open”", mark="A ring round the bowl", shown="Fly one over", touch="Touch the thumb", steadied="Forearm on the table"),
        watch=("arm_floats", "tires", "swaps_hands"), tidy="Fly the last ones home.", measures=("hold", "drops"), themes=("birds", "space", "boats"), setup_minutes=0.4,
    )),
    checked(Family(
        id="barge_push", name="Barge push", group="wall and floor",
        trains={"push": 0.7}, demands={}, tags=("wall",),
        roles=(Role("barge", "big box or basket", "container", needs=(at_least("longest_mm", 340, "34 cm or longer"), at_least("size_mm", 240, "24 cm or wider"))), Role("floor", "clear floor", "floor")),
        axes=(
            axis("load", "Load", step("empty"), step("half full", 0.6), step("full", 1.2)),
            axis("way", "Way", step("two hands, walking"), step("two hands, kneeling", 0.7), step("one hand, kneeling", 2.4), step("one hand, propped on the other", 3.2, tags="weight_on_hands")),
        ),
        parts=("warm-up",), minutes=(2, 4), counts=(2, 3, 4), unit="trips", posture="standing or kneeling on the floor",
        setup="Flat hands on the short side, fingers forward.",
        cues=cues(spoken="“Long arms, push”", mark="Hand outlines on the box", shown="Push once", touch="Touch the elbows", steadied="Hands on the hips"),
        watch=("leans", "wrist_bent", "tires"), tidy="Push it home.", themes=("canal", "trains", "farm"), setup_minutes=0.3, tidy_minutes=0.2,
    )),
    checked(Family(
        id="bear_walk", name="Bear walk", group="wall and floor",
        trains={"push": 3.2}, demands={}, tags=("wall", "weight_on_hands"), tiring=True,
        roles=(Role("floor", "clear floor", "floor"),),
        axes=(
            axis("way", "Way", step("on hands and knees, rock forward"), step("on hands and feet", 0.7), step("on hands and feet, one hand taps", 1.3), step("one hand holds, the other draws or moves a piece", 1.9)),
            axis("time", "Time", step("10 seconds"), step("20 seconds", 0.3), step("half a minute", 0.6)),
        ),
        parts=("warm-up",), minutes=(2, 4), counts=(2, 3, 4), unit="walks", posture="on hands and feet",
        setup="Bare feet, clear floor, fingers spread.",
        cues=cues(spoken="“Flat paws, long arms”", shown="Walk three steps", touch="Touch the backs of the hands", steadied="Hold the hips"),
        watch=("wrist_bent", "tires", "leans"), tidy="Curl up like a sleeping bear.", measures=("hold",), themes=("animals", "garden"), setup_minutes=0.2, tidy_minutes=0.1,
    )),
)  # fmt: skip
