"""Squeezing, dough and putty."""

from core.library.declare import Family, axis, checked, cues, step
from core.materials import Role, among, at_least, at_most, between

FORCE_STEPS = (
    step("very soft, under 8 N", tool=at_most("force_newton", 7.99, "under 8 N")),
    step("soft, 8 to 15 N", 1.0, tool=between("force_newton", 8, 14.99, "8 to 15 N")),
    step("light trigger, 15 to 28 N", 2.0, tool=between("force_newton", 15, 27.99, "15 to 28 N")),
    step("stiff, 28 to 45 N", 3.0, tool=between("force_newton", 28, 44.99, "28 to 45 N")),
    step("very stiff, 45 N and more", 4.0, tool=at_least("force_newton", 45, "45 N or more")),
)

FAMILIES = (
    checked(Family(
        id="bilge_pump", name="Bilge pump", group="squeezing",
        trains={"squeeze": 0.8}, demands={}, tags=("wet_floor", "resistance"), tiring=True,
        roles=(Role("tool", "thing that squirts", "squeezer", needs=(among("soft", "hollow", False), at_most("force_newton", 40, "up to 40 N"))), Role("water", "bowl of water", "water"), Role("cup", "cup to fill", "cup")),
        axes=(
            axis("force", "Squeeze", *FORCE_STEPS[:4]),
            axis("aim", "Aim", step("into a wide bowl"), step("into a cup", 0.3), step("knock a paper boat along", 0.7)),
            axis("hand", "Hand", step("preferred hand"), step("other hand", 0.5)),
        ),
        parts=("warm-up", "main"), minutes=(3, 7), counts=(8, 12, 20), unit="squeezes",
        setup="Bowl on the {helper} side, cup on the {skill} side, towel underneath.",
        cues=cues(spoken="“All fingers, slow”", mark="Line on the cup to fill to", shown="One slow squeeze", touch="Touch the ring finger: it helps", steadied="Hold the cup"),
        watch=("thumb_stiff", "wrist_bent", "tires", "two_hands"), tidy="Wipe the table with both hands and wring the cloth.", measures=("newton",), themes=("boats", "fire engine", "garden"), both_hands=True, setup_minutes=1.5, tidy_minutes=1,
    )),
    checked(Family(
        id="feed_the_frog", name="Feed the frog", group="squeezing",
        trains={"squeeze": 1.6, "hold_and_act": 3.4}, demands={"object_grasp": 4}, tags=("adult_cuts", "resistance"), tiring=True,
        roles=(Role("tool", "slit ball", "squeezer", needs=(at_least("slit_mm", 20, "with a slit"),)), Role("food", "things to feed", "item", needs=(at_most("size_mm", 42, "up to 42 mm"),), fixed=0, per_count=1, share=0.34)),
        axes=(
            axis("force", "Ball", step("soft, under 18 N", tool=at_most("force_newton", 17.99, "under 18 N")), step("firm, 18 N and more", 1.2, tool=at_least("force_newton", 18, "18 N or more"))),
            axis("food", "Food", step("big", food=at_least("size_mm", 28, "28 mm or more")), step("middling", 0.5, food=between("size_mm", 14, 27.99, "14 to 28 mm")), step("small or flat", 1.1, food=at_most("size_mm", 13.99, "under 14 mm"))),
            axis("squeezer", "Which hand squeezes", step("preferred hand squeezes"), step("other hand squeezes", 0.6)),
        ),
        parts=("warm-up", "main", "stretch"), minutes=(4, 8), counts=(5, 8, 12), unit="fed",
        setup="Things to feed in a bowl on the {skill} side; the ball sits in the {helper} hand, mouth up.",
        cues=cues(spoken="“Open wide”", mark="Dots for thumb and fingers beside the mouth", shown="Open it once", touch="Touch the thumb", steadied="Hold the ball from below"),
        watch=("thumb_stiff", "two_hands", "tires", "helper_idle"), tidy="Squeeze and shake the food out into its bowl.", measures=("newton", "hold"), themes=("animals", "monsters"), both_hands=True,
    )),
    checked(Family(
        id="wake_the_worm", name="Wake the worm", group="squeezing",
        trains={"squeeze": 1.2}, demands={}, tags=("resistance",), tiring=True,
        roles=(Role("tool", "roll to squeeze", "squeezer", needs=(at_least("size_mm", 40, "fills the hand"),)),),
        axes=(
            axis("force", "Roll", step("soft, under 15 N", tool=at_most("force_newton", 14.99, "under 15 N")), step("one layer, 15 to 28 N", 1.2, tool=between("force_newton", 15, 27.99, "15 to 28 N")), step("two layers, 28 to 45 N", 2.2, tool=between("force_newton", 28, 44.99, "28 to 45 N")), step("three layers, 45 N and more", 3.2, tool=at_least("force_newton", 45, "45 N or more"))),
            axis("hold", "Hold", step("squeeze and let go"), step("hold for 3 seconds", 0.5), step("hold for 6 seconds", 1.0), step("hold for 6 seconds, three in a row", 1.6)),
        ),
        parts=("opener", "warm-up"), minutes=(2, 5), counts=(5, 8, 10), unit="squeezes",
        setup="Roll in the {skill} hand first, then in the other.",
        cues=cues(spoken="“Squeeze till it wakes”", shown="Squeeze once, count aloud", touch="Touch the little finger", steadied="Fold your hand round theirs without pressing"),
        watch=("thumb_stiff", "tires", "wrist_bent"), tidy="Tuck the worm into its box.", measures=("newton", "hold"), themes=("animals", "garden"), both_hands=True, setup_minutes=0.5,
    )),
    checked(Family(
        id="treasure_dig", name="Treasure dig", group="dough",
        trains={"pinch": 1.0, "finger_isolation": 2.4}, demands={"object_grasp": 4}, tags=("resistance",), tiring=True,
        roles=(Role("dough", "dough or putty", "dough"), Role("treasure", "things to hide", "item", needs=(among("firm", "firm", True), among("food", "not food", False)), fixed=0, per_count=1, share=0.5)),
        axes=(
            axis("dough", "Dough", step("soft, under 15 N", dough=at_most("force_newton", 14.99, "under 15 N")), step("soft putty, 15 to 30 N", 1.0, dough=between("force_newton", 15, 29.99, "15 to 30 N")), step("firm putty, 30 N and more", 2.0, dough=at_least("force_newton", 30, "30 N or more"))),
            axis("hide", "How it is hidden", step("half out: a sure win first"), step("just covered", 0.5), step("buried", 1.0)),
            axis("treasure", "Treasure", step("25 mm or more", treasure=at_least("size_mm", 25, "25 mm or more")), step("15 to 25 mm", 0.4, treasure=between("size_mm", 15, 24.99, "15 to 25 mm")), step("under 15 mm", 0.9, treasure=at_most("size_mm", 14.99, "under 15 mm"))),
        ),
        parts=("opener", "warm-up", "main", "stretch"), minutes=(4, 9), counts=(4, 6, 10), unit="found",
        setup="Hide the things before the child sits down. Own pot of dough with the child's name.",
        cues=cues(spoken="“Pinch and pull”", mark="Let one corner show", shown="Pull one free", touch="Touch thumb and index pads", steadied="Hold the dough down"),
        watch=("whole_hand", "many_fingers", "tires", "mouths"), tidy="Roll the dough back into one ball with flat hands.", themes=("pirates", "dinosaurs", "garden"),
    )),
    checked(Family(
        id="roll_and_press", name="Rope maker", group="dough",
        trains={"together": 1.6}, demands={},
        roles=(Role("dough", "dough or putty", "dough"),),
        axes=(
            axis("dough", "Dough", step("soft, under 15 N", dough=at_most("force_newton", 14.99, "under 15 N")), step("soft putty, 15 to 30 N", 0.7, dough=between("force_newton", 15, 29.99, "15 to 30 N")), step("firm, 30 N and more", 1.5, dough=at_least("force_newton", 30, "30 N or more"))),
            axis("shape", "Shape", step("pat it flat"), step("roll a rope", 0.6), step("roll a rope of even thickness", 1.3), step("roll small balls between both palms", 1.8)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(3, 8), counts=(3, 5, 8), unit="made",
        setup="Dough in the middle on a smooth mat.",
        cues=cues(spoken="“Two flat hands”", mark="Two lines as wide as the rope should be", shown="Roll one", touch="Touch the idle hand", steadied="Hands over the backs of theirs, light"),
        watch=("helper_idle", "leans", "arm_floats", "mouths"), tidy="Press it all back into the pot.", themes=("boats", "snakes", "bakery"),
    )),
)  # fmt: skip
