"""The upper rungs of toss and catch: crossing, two at once, one after the other."""

from core.library.declare import Family, axis, checked, cues, step
from core.materials import Role, among, at_most

FLOOR = Role("floor", "clear floor", "floor")
PAIR = Role("bag", "two bags to toss", "bag", needs=(at_most("longest_mm", 190, "fits the hand"),), fixed=2)

FAMILIES = (
    checked(Family(
        id="crossing_ferries", name="Crossing ferries", group="toss and catch",
        trains={"toss_catch": 4.4}, demands={"midline": 3}, tags=("wall",),
        roles=(Role("float", "slow things to toss", "bag", needs=(among("soft", "soft", True), among("firm", "light", False)), fixed=2), FLOOR),
        axes=(
            axis("thing", "Thing", step("floats: scarves or paper bags", float=among("id", "floats", "light_scarf", "paper_bag", "paper_ball")), step("bags or socks", 0.8, float=among("id", "bags or socks", "bean_bag", "sock_pair", "rolled_sock"))),
            axis("way", "Way", step("one, from hand to hand"), step("two at once, straight up", 0.8), step("two at once, crossing", 1.6), step("one after the other, preferred first", 2.4), step("one after the other, other hand first", 3.2)),
        ),
        parts=("warm-up", "main", "stretch"), minutes=(2, 6), counts=(5, 8, 10), unit="caught in a row", posture="standing, feet apart",
        setup="Clear floor, facing a plain wall. One in each hand.",
        cues=cues(spoken="“Up, up, catch, catch”", mark="Two bright spots on the wall", shown="Toss once, slowly", touch="Touch the hand that goes first", steadied="Stand behind, elbows held"),
        watch=("eyes_off", "swaps_hands", "leans"), tidy="One in each hand into the basket.", measures=("row",), themes=("circus", "canal", "ball games"), both_hands=True, setup_minutes=0.1,
    )),
    checked(Family(
        id="two_bag_relay", name="Two-bag relay", group="toss and catch",
        trains={"toss_catch": 4.8, "take_turns": 3.4}, demands={"midline": 3}, tags=("wall",),
        roles=(PAIR, FLOOR),
        axes=(
            axis("way", "Way", step("to and fro with a partner, one bag"), step("each tosses one at the same time", 1.0), step("right to right, then left to left", 2.1), step("left first", 3.0)),
            axis("distance", "Distance", step("1 m"), step("1.5 m", 0.4)),
        ),
        parts=("main", "stretch"), minutes=(2, 6), counts=(5, 8, 10), unit="exchanges", posture="standing, facing a partner",
        setup="Partner opposite, a bag in each {skill} hand, nothing that breaks.",
        cues=cues(spoken="“Ready, swap”", mark="A spot to stand on", shown="Swap once", touch="Touch the tossing hand", steadied="Stand behind, elbows held"),
        watch=("eyes_off", "swaps_hands", "frustrated"), tidy="Toss them into the basket.", measures=("row",), themes=("ball games", "boats"), both_hands=True, setup_minutes=0.1,
    )),
    checked(Family(
        id="harbour_wall", name="Harbour wall", group="toss and catch",
        trains={"toss_catch": 5.0}, demands={"midline": 3}, tags=("wall",),
        roles=(Role("ball", "balls or bags that fit the hand", "bag", needs=(at_most("longest_mm", 130, "fits the hand"),), fixed=2), Role("wall", "clear wall", "wall")),
        axes=(
            axis("way", "Way", step("toss with one hand, catch with the other"), step("hands in turn without a stop", 0.6), step("one in each hand, both at once", 1.3), step("one after the other, preferred first", 2.2), step("one after the other, other hand first", 3.0)),
            axis("rows", "In a row", step("3", count=3), step("6", 0.3, count=6), step("10", 0.6, count=10)),
        ),
        parts=("main", "stretch"), minutes=(2, 6), counts=(3, 6, 10), unit="rebounds caught", posture="standing, a big step from the wall",
        setup="Plain wall, nothing that breaks, a line to stand behind.",
        cues=cues(spoken="“Toss, other hand”", mark="A bright spot on the wall", shown="Toss once", touch="Touch the catching hand", steadied="Stand behind, elbows held"),
        watch=("eyes_off", "swaps_hands", "tires"), tidy="Roll them into the basket with the other hand.", measures=("row",), themes=("ball games", "space"), both_hands=True, setup_minutes=0.1,
    )),
)  # fmt: skip
