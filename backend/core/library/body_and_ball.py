"""Tubes, tosses, walls and floors: two hands and the whole arm."""

from core.library.declare import Clearance, Family, axis, checked, cues, step
from core.materials import Role, among, at_least, at_most, between

FAMILIES = (
    checked(Family(
        id="culvert", name="Culvert run", group="pass along",
        trains={"take_turns": 0.9, "midline": 1.8}, demands={},
        roles=(Role("tube", "tube", "tube", needs=(at_least("size_mm", 20, "20 mm or wider"),)), Role("item", "things to pass", "item", needs=(among("sharp", "not sharp", False),), fixed=0, per_count=1, share=0.3)),
        clearances=(Clearance("tube", "opening_mm", "item", "size_mm", 1, "the tube wider than the thing"),),
        axes=(
            axis("tube", "Tube", step("wide", tube=at_least("opening_mm", 35, "35 mm or wider")), step("narrow", 0.6, tube=at_most("opening_mm", 34.99, "under 35 mm"))),
            axis("where", "Where", step("on the table"), step("held in the air", 0.7), step("taped to a wall", 1.3, tags="wall")),
            axis("beat", "Beat", step("own time"), step("hand over hand", 0.9), step("in a steady beat", 1.7)),
        ),
        parts=("opener", "warm-up", "main"), minutes=(2, 6), counts=(6, 10, 16), unit="through",
        setup="One hand posts on the {helper} side, the other receives on the {skill} side; then change over.",
        cues=cues(spoken="“Post… and catch”", mark="Arrow on the tube", shown="Send one", touch="Touch the catching hand", steadied="Hold the tube"),
        watch=("helper_idle", "swaps_hands", "leans"), tidy="Send the last ones into the pot.", themes=("canal", "trains", "moles"), both_hands=True, setup_minutes=0.6,
    )),
    checked(Family(
        id="bag_over", name="Bag over the bridge", group="toss and catch",
        trains={"toss_catch": 0.6}, demands={"together": 2},
        roles=(Role("bag", "things to toss", "bag", needs=(at_most("longest_mm", 520, "not too big"),), fixed=1), Role("floor", "clear floor", "floor")), tags=("wall",),
        axes=(
            axis("bag", "Thing", step("floats: scarf or paper bag", bag=among("id", "floats", "light_scarf", "paper_bag")), step("bag or sock", 0.5, bag=among("id", "bag or rolled sock", "bean_bag", "rolled_sock", "sock_pair")), step("ball", 1.1, bag=among("id", "ball", "soft_ball", "tennis_ball", "paper_ball"))),
            axis("way", "Way", step("two hands, from an adult close by"), step("one hand, preferred", 1.0), step("one hand, other", 1.8), step("toss one hand, catch the other", 2.8), step("to and fro without a stop", 3.8), step("two bags, crossing", 4.8)),
            axis("distance", "Distance", step("half a metre"), step("1.5 m", 0.5)),
        ),
        parts=("opener", "warm-up", "main", "stretch"), minutes=(3, 7), counts=(6, 10, 10), unit="catches", posture="standing, feet apart",
        setup="Clear floor, adult in front, nothing that breaks.",
        cues=cues(spoken="“Watch it into your hands”", mark="Bright spot on the bag", shown="One slow toss", touch="Touch both hands ready", steadied="Stand behind, arms round"),
        watch=("eyes_off", "two_hands", "swaps_hands"), tidy="Toss them into the basket.", measures=("row",), themes=("ball games", "boats"), setup_minutes=0.4,
    )),
    checked(Family(
        id="hold_the_lock_gate", name="Hold the lock gate", group="wall and floor",
        trains={"push": 0.8}, demands={}, tags=("wall",), tiring=True,
        roles=(Role("wall", "clear wall", "wall"),),
        axes=(
            axis("way", "Way", step("flat hands, push"), step("hands walk up and down", 0.8), step("one hand pushes, one draws", 1.8)),
            axis("time", "Time", step("5 seconds"), step("15 seconds", 0.5), step("a minute", 1.2)),
        ),
        parts=("warm-up",), minutes=(2, 4), counts=(3, 4, 5), unit="pushes", posture="standing at a wall",
        setup="Feet a step from the wall, hands at shoulder height.",
        cues=cues(spoken="“Long arms, strong gate”", mark="Hand outlines on the wall", shown="Push once", touch="Touch the elbows", steadied="Hands on the shoulders"),
        watch=("leans", "wrist_bent", "tires"), tidy="Shake out both hands.", measures=("hold",), themes=("canal", "castles"), setup_minutes=0.2, tidy_minutes=0.1,
    )),
    checked(Family(
        id="otter_floor", name="Otter on the bank", group="wall and floor",
        trains={"push": 2.4}, demands={}, tags=("wall", "weight_on_hands"), tiring=True,
        roles=(Role("floor", "clear floor", "floor"), Role("item", "something to move", "item", fixed=4, share=0.5, needs=(at_least("size_mm", 20, "20 mm or more"),))),
        axes=(
            axis("way", "Way", step("propped on forearms"), step("weight on both hands", 0.9), step("weight on one hand, other works", 1.8)),
            axis("time", "Time", step("15 seconds"), step("30 seconds", 0.4), step("a minute", 1.0)),
        ),
        parts=("warm-up",), minutes=(2, 4), counts=(3, 4, 5), unit="holds", posture="on the floor, on the tummy",
        setup="Firm cushion under the chest, things within reach.",
        cues=cues(spoken="“Tummy strong”", shown="Show the position", touch="Touch between the shoulders", steadied="Hold the hips"),
        watch=("leans", "tires", "wrist_bent"), tidy="Roll up to sitting.", measures=("hold",), themes=("animals", "canal"), setup_minutes=0.6,
    )),
    checked(Family(
        id="wring_the_deck", name="Wring the deck cloth", group="wring and pour",
        trains={"together": 3.0, "squeeze": 1.8}, demands={}, tags=("wet_floor",), tiring=True,
        roles=(Role("cloth", "cloth or sponge", "cloth", needs=(among("soft", "soft", True), between("longest_mm", 100, 520, "hand-sized"))), Role("water", "bowl of water", "water")),
        axes=(
            axis("cloth", "Cloth", step("sponge", cloth=at_most("longest_mm", 150, "up to 15 cm")), step("small cloth", 0.7, cloth=between("longest_mm", 150.01, 310, "15 to 31 cm"))),
            axis("way", "Way", step("squeeze between both hands"), step("twist once", 0.7), step("twist till no drop falls", 1.4)),
        ),
        parts=("warm-up", "main", "tidy"), minutes=(2, 5), counts=(3, 5, 6), unit="wrung",
        setup="Bowl in front on a towel, sleeves up.",
        cues=cues(spoken="“One hand forward, one back”", mark="Two coloured ends", shown="Twist once", touch="Touch the second hand", steadied="Hold one end"),
        watch=("wrist_bent", "helper_idle", "tires"), tidy="Wipe the table from one side to the other.", themes=("boats", "home"), setup_minutes=1.2, tidy_minutes=1,
    )),
)  # fmt: skip
