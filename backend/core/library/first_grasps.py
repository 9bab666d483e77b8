"""The first rungs: whole-hand grasps, both hands to the middle, first tools and first turns."""

from core.library.declare import Family, axis, checked, cues, step
from core.library.extras import GATE, TUCK
from core.materials import Role, among, at_least, at_most, between

BIG_ITEMS = (
    step("big, 45 mm or more", item=at_least("size_mm", 45, "45 mm or more")),
    step("middling, 28 to 45 mm", 1.0, item=between("size_mm", 28, 44.99, "28 to 45 mm")),
    step("small, 18 to 28 mm", 2.0, item=between("size_mm", 18, 27.99, "18 to 28 mm")),
)
BLUNT = among("sharp", "not sharp", False)

FAMILIES = (
    checked(Family(
        id="nest_basket", name="Nest basket", group="first grasps",
        trains={"object_grasp": 0.8}, demands={},
        roles=(Role("item", "things to take out", "item", needs=(BLUNT,), fixed=0, per_count=1, share=0.4), Role("nest", "basket or bowl", "container", needs=(at_least("opening_mm", 100, "100 mm or wider"),))),
        axes=(
            axis("item", "Thing", *BIG_ITEMS),
            axis("from", "Taken from", step("an open hand"), step("the basket, one thing in it", 0.5), step("a full basket", 1.2)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(4, 6, 8), unit="taken out",
        setup="Basket in the middle, a second one on the {skill} side to drop into.",
        cues=cues(spoken="“Take it out”", mark="One bright thing on top", shown="Take one out and drop it", touch="Touch the back of the hand: it opens", steadied="Hold the basket"),
        watch=("whole_hand", "leans", "mouths"), tidy="Everything back in the nest, one by one.", themes=("animals", "birds", "garden"), setup_minutes=0.3,
    )),
    checked(Family(
        id="scarf_pull", name="Scarf pull", group="first grasps",
        trains={"object_grasp": 1.0, "take_turns": 0.8}, demands={},
        roles=(Role("scarf", "soft cloth to pull out", "cloth", needs=(among("wet", "dry", False), among("soft", "soft", True))), Role("tub", "pot to pull it from", "container", needs=(at_least("opening_mm", 20, "20 mm or wider"),))),
        axes=(
            axis("cloth", "Cloth", step("thin and light", scarf=at_most("thin_mm", 3.5, "thin")), step("thick", 0.8, scarf=at_least("thin_mm", 3.51, "thick"))),
            axis("way", "Way", step("half of it hangs out"), step("a corner shows", 0.6), step("hand after hand, without letting go", 1.2)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(3, 4, 6), unit="pulled right out",
        setup="Stuff the cloth in while the child looks. Pot steadied in front.",
        cues=cues(spoken="“Pull… and pull”", mark="A bright corner", shown="Pull it out once", touch="Touch the resting hand", steadied="Hold the pot"),
        watch=("whole_hand", "leans", "helper_idle"), tidy="Stuff it all back in.", themes=("weather", "magic", "animals"), setup_minutes=0.3,
    )),
    checked(Family(
        id="sponge_rafts", name="Sponge rafts", group="first grasps",
        trains={"object_grasp": 1.2, "squeeze": 0.8}, demands={}, tags=("wet_floor",),
        roles=(Role("raft", "sponges or soft cloths", "cloth", needs=(among("soft", "soft", True), at_most("longest_mm", 320, "hand-sized"))), Role("water", "bowl of water", "water")),
        axes=(
            axis("do", "Do", step("lift it out, let it drip"), step("carry it over to a dry bowl", 0.6), step("lift, carry and squeeze it empty", 1.3)),
            axis("hand", "Hand", step("any hand"), step("preferred hand only", 0.4), step("each hand in turn", 0.8)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(3, 5, 6), unit="rafts landed",
        setup="Bowl on a towel in the middle, sleeves up, a dry bowl on the {skill} side.",
        cues=cues(spoken="“Catch the raft”", mark="A bright sponge", shown="Land one", touch="Touch the palm", steadied="Hold the bowl"),
        watch=("whole_hand", "leans", "mouths"), tidy="Squeeze them all and stand them up to dry.", themes=("boats", "canal", "bath"), setup_minutes=0.8, tidy_minutes=1,
    )),
    checked(Family(
        id="bucket_chain", name="Bucket chain", group="pass along",
        trains={"take_turns": 0.8, "midline": 0.8}, demands={},
        roles=(Role("item", "things to pass", "item", needs=(BLUNT,), fixed=0, per_count=1, share=0.4), Role("tub", "bowl to drop into", "container", needs=(at_least("opening_mm", 60, "60 mm or wider"),))),
        axes=(
            axis("item", "Thing", *(step(s.words, s.rungs * 0.5, item=s.needs["item"]) for s in BIG_ITEMS)),
            axis("way", "Way", step("take it, other hand drops it"), step("from side to side through the middle", 0.6), step("one after another without a stop", 1.3)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(4, 6, 10), unit="passed along",
        setup="Give from the {helper} side, bowl on the {skill} side; then change over.",
        cues=cues(spoken="“To your other hand”", mark="A band on the waiting wrist", shown="Pass one along", touch="Touch the waiting hand", steadied="Hold the bowl"),
        watch=("helper_idle", "swaps_hands", "leans"), tidy="Pass them all back.", themes=("fire engines", "canal", "garden"), both_hands=True, setup_minutes=0.2,
    )),
    checked(Family(
        id="lid_drums", name="Lid drums", group="two hands meet",
        trains={"midline": 0.8, "together": 0.8}, demands={},
        roles=(Role("drum", "two things to bang together", "block", needs=(BLUNT, at_least("size_mm", 20, "20 mm or more")), fixed=2),),
        axes=(
            axis("way", "Way", step("together in the middle"), step("in time with a song", 0.5), step("far apart and together again", 1.0), step("over to each side, then the middle", 1.6)),
            axis("long", "How long", step("3 beats", count=3), step("8 beats", 0.4, count=8), step("a whole verse", 0.8, count=16)),
        ),
        parts=("opener", "warm-up"), minutes=(2, 4), counts=(3, 6, 10), unit="beats that met", posture="sitting upright, facing you",
        setup="One in each hand. You have two as well.",
        cues=cues(spoken="“Bang, bang, stop”", mark="A stripe on each block", shown="Bang twice", touch="Touch the resting hand", steadied="A hand under each elbow"),
        watch=("helper_idle", "eyes_off", "leans"), tidy="Stack them in the box with both hands.", themes=("music", "robots", "trains"), both_hands=True, setup_minutes=0.1, tidy_minutes=0.2,
    )),
    checked(Family(
        id="roll_to_me", name="Roll to me", group="two hands meet",
        trains={"midline": 0.9, "together": 0.9}, demands={},
        roles=(Role("ball", "big soft ball or sock roll", "bag", needs=(at_least("size_mm", 55, "55 mm or more"), among("soft", "soft", True))), Role("floor", "clear floor", "floor"), GATE),
        axes=(
            axis("way", "Way", step("stop it with two hands"), step("stop it and push it back", 0.6), step("through a gate", 1.2, uses="gate"), step("from one side, back to the other", 1.8)),
            axis("distance", "Distance", step("legs touching"), step("1 m", 0.3), step("2 m", 0.7)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(4, 6, 10), unit="stopped with two hands", posture="sitting on the floor, legs apart",
        setup="Face to face on the floor. Nothing behind that tips.",
        cues=cues(spoken="“Two hands ready”", mark="A line to stop it on", shown="Stop it once", touch="Touch both hands", steadied="Sit behind, arms round"),
        watch=("helper_idle", "eyes_off", "leans"), tidy="Roll it home into the basket.", themes=("ball games", "animals"), both_hands=True, setup_minutes=0.2, tidy_minutes=0.2, tags=("wall",),
    )),
    checked(Family(
        id="stir_the_hold", name="Stir the hold", group="first tools",
        trains={"tool_grasp": 0.8, "hold_and_act": 0.8}, demands={},
        roles=(Role("spoon", "spoon or stick to stir with", "spoon"), Role("pot", "pot or bowl", "container", needs=(at_least("opening_mm", 60, "60 mm or wider"),)), Role("load", "something to stir", "filler")),
        axes=(
            axis("hand", "Pot", step("on a non-slip mat, held by you"), step("the helper hand rests on it", 0.4), step("the helper hand keeps it still", 0.8)),
            axis("way", "Way", step("any way"), step("round and round", 0.5), step("scrape the edge all round", 1.0), step("chase a thing out with the tip", 1.6)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(3, 5, 8), unit="times round",
        setup="Pot in front, the {helper} hand near its rim. Own tub, or washed between children.",
        cues=cues(spoken="“Round it goes”", mark="A dot on the rim", shown="Stir once", touch="Touch the helper hand", steadied="Hold the pot"),
        watch=("helper_idle", "whole_hand", "mouths"), tidy="Spoon it back into its tub.", themes=("kitchen", "boats", "garden"), setup_minutes=0.5, tidy_minutes=0.8,
    )),
    checked(Family(
        id="post_hammer", name="Post hammer", group="first tools",
        trains={"tool_grasp": 0.9, "hold_and_act": 1.0}, demands={},
        roles=(Role("post", "posts to knock in", "stick", needs=(BLUNT, at_least("longest_mm", 60, "6 cm or longer")), fixed=0, per_count=0.5, share=0.5), Role("dough", "dough to knock them into", "dough", needs=(at_most("force_newton", 45, "up to 45 N"),)), Role("hammer", "wooden hammer or block", "block", needs=(at_least("size_mm", 18, "18 mm or more"),))),
        axes=(
            axis("post", "Post", step("stands on its own"), step("steadied by the helper hand", 0.7), step("three in a row, the helper hand moves along", 1.4)),
            axis("blow", "Blow", step("any blow"), step("small taps from the wrist", 0.7), step("till it is level with a mark", 1.2)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(3, 5, 6), unit="posts in",
        setup="Dough pressed flat on the table, posts a little way in.",
        cues=cues(spoken="“Tap, tap, in”", mark="A stripe to knock down to", shown="Knock one in", touch="Touch the helper fingers", steadied="Hold the post"),
        watch=("helper_idle", "wrist_bent", "mouths"), tidy="Pull the posts out with fingertips.", themes=("workshop", "boats", "garden"), setup_minutes=0.6,
    )),
    checked(Family(
        id="squash_prints", name="Squash prints", group="first fingers",
        trains={"finger_isolation": 0.8}, demands={},
        roles=(Role("dough", "dough or putty", "dough"), Role("tray", "tray or mat", "tray")),
        axes=(
            axis("how", "Press with", step("the whole hand"), step("all fingertips at once", 0.5), step("one finger, any", 1.0), step("a called finger", 1.8), step("each finger in turn, others up", 2.6)),
            axis("dough", "Dough", step("soft, under 15 N", dough=at_most("force_newton", 14.99, "under 15 N")), step("soft putty, 15 to 30 N", 0.5, dough=between("force_newton", 15, 29.99, "15 to 30 N")), step("firm, 30 N and more", 1.0, dough=at_least("force_newton", 30, "30 N or more"))),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(4, 6, 10), unit="prints",
        setup="Own dough pressed flat in front of the {skill} hand.",
        cues=cues(spoken="“Press and lift”", mark="Dots to press on", shown="Press one print", touch="Touch the finger that presses", steadied="Hold the wrist still"),
        watch=("whole_hand", "many_fingers", "mouths"), tidy="Smooth the prints away with a flat hand.", themes=("animals", "dinosaurs", "garden"), setup_minutes=0.3,
    )),
    checked(Family(
        id="poke_the_holes", name="Poke the holes", group="first fingers",
        trains={"finger_isolation": 1.0}, demands={},
        roles=(Role("item", "soft things to poke through", "item", needs=(among("soft", "soft", True), at_most("size_mm", 42, "up to 42 mm")), fixed=0, per_count=1, share=0.4), Role("pot", "pot with a hole", "slot_lid", needs=(at_least("opening_mm", 15, "15 mm or wider"),)), TUCK),
        axes=(
            axis("way", "Way", step("any finger helps"), step("index pokes, others follow", 0.5), step("index alone, others folded", 1.2), step("index pokes while the others hold a pom-pom", 3.4, uses="tuck")),
            axis("fit", "Hole", step("loose"), step("tight: it takes a push", 0.8)),
        ),
        parts=("opener", "main"), minutes=(2, 6), counts=(4, 6, 10), unit="poked through",
        setup="Lay one thing on the hole. The {helper} hand holds the pot.",
        cues=cues(spoken="“Pointer pokes”", mark="A dot on the nail", shown="Poke one through", touch="Touch the index", steadied="Hold the pot"),
        watch=("whole_hand", "many_fingers", "helper_idle"), tidy="Shake them out and count.", themes=("animals", "trains", "moles"), setup_minutes=0.3,
    )),
    checked(Family(
        id="big_dial", name="Harbour dial", group="first turns",
        trains={"simple_rotation": 0.8}, demands={},
        roles=(Role("dial", "things with a wide lid to turn", "lid_pot", needs=(at_least("opening_mm", 25, "25 mm or wider"),)),),
        axes=(
            axis("way", "Way", step("already loose, whole hand"), step("half a turn to go", 0.4), step("two turns to go", 0.9), step("fingertips only, arm still", 1.6)),
            axis("where", "Where", step("held by you on the table"), step("between the child's knees", 0.3), step("in the child's other hand", 0.7)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 4), counts=(2, 4, 6), unit="lids off",
        setup="A small surprise inside each. Arrow on the lid.",
        cues=cues(spoken="“Turn, turn, off”", mark="Arrow on the lid", shown="Turn one off", touch="Touch the fingertips", steadied="Hold the jar"),
        watch=("whole_hand", "wrist_bent", "helper_idle"), tidy="Lids on loosely, ready for next time.", themes=("boats", "space", "kitchen"), setup_minutes=0.4,
    )),
    checked(Family(
        id="wind_the_anchor", name="Wind the anchor", group="first turns",
        trains={"simple_rotation": 0.9, "take_turns": 1.4}, demands={},
        roles=(Role("crank", "something with a winding handle", "bolt", needs=(at_least("longest_mm", 140, "as big as a hand"),)),),
        axes=(
            axis("hand", "Hand", step("whole hand on the handle"), step("fingertips on the handle", 0.7), step("preferred, then the other", 1.1)),
            axis("way", "Way", step("any way"), step("to a stop and back", 0.5), step("slowly, without a stop", 1.0)),
        ),
        parts=("opener", "warm-up"), minutes=(2, 4), counts=(3, 5, 8), unit="turns",
        setup="Steadied on a non-slip mat, handle to the {skill} side.",
        cues=cues(spoken="“Up, over, down”", mark="A flag on the handle", shown="Wind once", touch="Touch the hand on the handle", steadied="Hold the base"),
        watch=("whole_hand", "arm_floats", "swaps_hands"), tidy="Handle down, back on the shelf.", themes=("boats", "machines", "kitchen"), setup_minutes=0.3,
    )),
    checked(Family(
        id="drop_anchor", name="Drop anchor", group="first grasps",
        trains={"hold_and_act": 0.9, "object_grasp": 2.0}, demands={},
        roles=(Role("item", "things to drop in", "item", needs=(BLUNT, at_least("size_mm", 18, "18 mm or more")), fixed=0, per_count=1, share=0.4), Role("pot", "tall pot or bottle", "container", needs=(between("opening_mm", 25, 100, "25 to 100 mm"),))),
        axes=(
            axis("pot", "Pot", step("held by you, wide", pot=at_least("opening_mm", 55, "55 mm or wider")), step("steadied by the child, wide", 0.6, pot=at_least("opening_mm", 55, "55 mm or wider")), step("steadied by the child, narrow", 1.2, pot=at_most("opening_mm", 54.99, "under 55 mm"))),
            axis("where", "Where", step("right in front"), step("on the far side", 0.5), step("up on a box", 0.9)),
        ),
        parts=("opener", "main"), minutes=(2, 5), counts=(4, 6, 10), unit="dropped in",
        setup="Things on the {skill} side, pot in front of the {helper} hand.",
        cues=cues(spoken="“Hold it, drop it”", mark="A ring round the opening", shown="Drop one", touch="Touch the helper hand", steadied="Hold the pot"),
        watch=("helper_idle", "whole_hand", "leans"), tidy="Tip them out and start again.", themes=("boats", "pirates", "animals"), setup_minutes=0.2,
    )),
    checked(Family(
        id="fog_window", name="Fog window", group="first marks",
        trains={"writing": 0.8, "finger_isolation": 1.2}, demands={},
        roles=(Role("tray", "tray with a rim", "tray"), Role("fill", "thin layer to draw in", "filler")),
        axes=(
            axis("mark", "Marks", step("wipe and dab"), step("down and up", 0.7), step("down and across, to a song", 1.2), step("round and closed", 2.0)),
            axis("with", "With", step("whole hand"), step("index finger", 0.4), step("a short stick", 0.8)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 5), counts=(3, 5, 8), unit="marks",
        setup="A thin layer in the tray. The {helper} hand holds the rim.",
        cues=cues(spoken="“Down… stop”", mark="A start dot on the rim", shown="Draw one", touch="Touch the pointing finger", steadied="A hand under the forearm"),
        watch=("whole_hand", "helper_idle", "mouths"), tidy="Shake it smooth and pour it back.", themes=("weather", "trains", "roads"), setup_minutes=0.5, tidy_minutes=0.8,
    )),
    checked(Family(
        id="rain_marks", name="Rain marks", group="first marks",
        trains={"writing": 1.0, "tool_grasp": 1.0}, demands={},
        roles=(Role("pen", "short stub to draw with", "pen", needs=(at_most("longest_mm", 100, "up to 10 cm"), at_least("size_mm", 8, "8 mm or thicker"))), Role("sheet", "big sheet", "sheet", needs=(at_least("longest_mm", 290, "as big as A4"),), fixed=1)),
        axes=(
            axis("mark", "Marks", step("dots and dashes anywhere"), step("rain from a cloud", 0.7), step("rain that stops at the ground", 1.4)),
            axis("where", "Where", step("sheet taped to the table"), step("sheet taped to a wall", 0.3, tags="wall"), step("the helper hand holds the sheet", 0.7)),
        ),
        parts=("opener", "main"), minutes=(2, 6), counts=(4, 6, 10), unit="drops of rain",
        setup="Big sheet, a cloud drawn at the top on the {helper} side.",
        cues=cues(spoken="“Drip, drop, stop”", mark="A thick ground line", shown="Draw three", touch="Touch the last two fingers: curl", steadied="A hand under the forearm"),
        watch=("hold_high", "arm_floats", "helper_idle"), tidy="Stubs back in the tin, one by one.", themes=("weather", "garden", "boats"), setup_minutes=0.3,
    )),
)  # fmt: skip
