"""More of the work inside one hand: both ends of storing, bringing back, shifting and turning over."""

from core.library.declare import Family, axis, checked, cues, step
from core.library.extras import CLOTH, TUCK
from core.library.in_the_hand import FREE
from core.materials import Role, among, at_least, at_most, between

TUCKED = "with a pom-pom tucked under the last two fingers"

FAMILIES = (
    checked(Family(
        id="beach_comb", name="Beach comb", group="pick up and store",
        trains={"to_palm": 0.8, "object_grasp": 2.6}, demands={},
        roles=(Role("item", "things to gather", "item", needs=(*FREE, at_least("size_mm", 8, "8 mm or more")), fixed=0, per_count=1, share=0.5), Role("mat", "cloth or mat to gather from", "tray")),
        axes=(
            axis("item", "Thing", step("25 mm or more", item=at_least("size_mm", 25, "25 mm or more")), step("15 to 25 mm", 0.4, item=between("size_mm", 15, 24.99, "15 to 25 mm")), step("8 to 15 mm", 0.9, item=between("size_mm", 8, 14.99, "8 to 15 mm"))),
            axis("keep", "Keep", step("roll it up the edge into the palm"), step("one inside the hand", 0.6), step("two inside the hand", 1.4), step("four inside the hand", 2.4)),
        ),
        parts=("opener", "main", "tidy"), minutes=(2, 6), counts=(4, 6, 8), unit="gathered",
        setup="Things spread on the mat. The {helper} hand rests in the lap.",
        cues=cues(spoken="“Hide it in your shell”", mark="A dot in the palm", shown="Gather one", touch="Touch the base of the ring finger", steadied="Hold the forearm half turned up"),
        watch=("two_hands", "whole_hand", "swaps_hands"), tidy="Open the hand over the box.", measures=("tokens",), themes=("pirates", "garden", "animals"), setup_minutes=0.4,
    )),
    checked(Family(
        id="coin_hoard", name="Coin hoard", group="pick up and store",
        trains={"to_palm": 3.2}, demands={"object_grasp": 5},
        roles=(Role("coin", "flat tokens", "item", needs=(*FREE, at_most("thin_mm", 8, "flat")), fixed=0, per_count=1, share=0.5), CLOTH),
        axes=(
            axis("coin", "Token", step("25 mm or more", coin=at_least("size_mm", 25, "25 mm or more")), step("under 25 mm", 0.5, coin=at_most("size_mm", 24.99, "under 25 mm"))),
            axis("store", "Kept in the palm", step("4"), step("6", 0.7), step("10", 1.5)),
            axis("from", "Picked up from", step("a folded cloth", uses="under"), step("the bare table", 0.4)),
        ),
        parts=("main", "stretch", "tidy"), minutes=(3, 7), counts=(6, 8, 10), unit="hoarded",
        setup="Tokens in a row from the {helper} side to the {skill} side. One hand only.",
        cues=cues(spoken="“Fingertips, then the cave”", mark="A dot in the palm", shown="Hoard two", touch="Touch the ring finger", steadied="Turn the forearm palm up and hold it there"),
        watch=("two_hands", "not_tucked", "many_fingers"), tidy="Pour the hoard into the box.", measures=("tokens", "drops"), themes=("pirates", "shop", "dragons"), setup_minutes=0.4,
    )),
    checked(Family(
        id="shell_feed", name="Feed the ducks", group="bring back and let go",
        trains={"from_palm": 0.8}, demands={"object_grasp": 4},
        roles=(Role("crumb", "things to feed", "item", needs=(*FREE, at_least("size_mm", 5, "5 mm or more")), fixed=0, per_count=1, share=0.5), Role("duck", "bowl or cup to feed", "container")),
        axes=(
            axis("crumb", "Thing", step("20 mm or more", crumb=at_least("size_mm", 20, "20 mm or more")), step("10 to 20 mm", 0.5, crumb=between("size_mm", 10, 19.99, "10 to 20 mm")), step("under 10 mm", 1.0, crumb=at_most("size_mm", 9.99, "under 10 mm"))),
            axis("kept", "Others in the palm", step("none, palm up helps"), step("none, thumb alone", 0.7), step("1 stays in", 1.6), step("2 stay in", 2.2), step("4 stay in", 3.0)),
        ),
        parts=("opener", "main", "stretch"), minutes=(2, 6), counts=(4, 6, 10), unit="fed one by one",
        setup="Lay the thing in the {skill} palm. Cups from the {helper} side to the {skill} side.",
        cues=cues(spoken="“Thumb rolls it out”", mark="A dot on the thumb pad", shown="Feed one", touch="Touch the thumb pad", steadied="Tilt the hand so that it rolls"),
        watch=("two_hands", "not_tucked", "swaps_hands"), tidy="Pour the cups back.", measures=("tokens", "drops"), themes=("birds", "canal", "farm"), setup_minutes=0.3,
    )),
    checked(Family(
        id="toll_house", name="Toll house", group="bring back and let go",
        trains={"from_palm": 0.9, "finger_isolation": 1.8}, demands={},
        roles=(Role("coin", "tokens", "item", needs=(*FREE, at_most("thin_mm", 20, "up to 20 mm thick")), fixed=0, per_count=1, share=0.4), Role("spots", "cards or lids as toll marks", "card", fixed=0, per_count=0.5, share=0.4)),
        axes=(
            axis("how", "How", step("slides off the fingers"), step("thumb pushes it to the tips", 0.8), step("thumb pushes, one other stays", 1.9), step("thumb pushes, two others stay", 2.6), step("thumb pushes, four others stay", 3.5)),
            axis("spot", "Let go", step("anywhere on the mark"), step("in the middle of the mark", 0.4), step("on edge, leaning", 0.9)),
        ),
        parts=("opener", "main", "stretch"), minutes=(2, 6), counts=(4, 6, 10), unit="tolls paid",
        setup="Marks in a row from the {helper} side to the {skill} side; tokens in the {skill} palm.",
        cues=cues(spoken="“Thumb pays one”", mark="A dot in the middle of each mark", shown="Pay two", touch="Touch the thumb", steadied="Hold the forearm half turned"),
        watch=("two_hands", "thumb_stiff", "not_tucked"), tidy="Collect the tolls into the palm.", measures=("tokens", "drops"), themes=("roads", "canal", "shop"), setup_minutes=0.4,
    )),
    checked(Family(
        id="fan_and_tuck", name="Peacock fan", group="cards and pages",
        trains={"shift": 2.8}, demands={"object_grasp": 5},
        roles=(Role("card", "cards", "card", needs=(between("longest_mm", 60, 210, "6 to 21 cm"),), fixed=0, per_count=0.5, share=0.5), TUCK),
        axes=(
            axis("fan", "Fan", step("three cards, thumb spreads"), step("five cards", 0.6), step("five cards, close again", 1.1), step("seven cards, take out a called one", 1.6)),
            axis("tuck", "Last two fingers", step("free"), step(TUCKED, 0.9, uses="tuck")),
        ),
        parts=("main", "stretch"), minutes=(2, 6), counts=(3, 4, 6), unit="fans",
        setup="Cards squared in the {skill} hand; the {helper} hand waits.",
        cues=cues(spoken="“Thumb draws the rainbow”", mark="A dot in each corner", shown="Fan three", touch="Touch the thumb", steadied="Hold the lower corner"),
        watch=("two_hands", "thumb_stiff", "not_tucked"), tidy="Close the fan and square it.", measures=("drops",), themes=("animals", "birds", "shop"), setup_minutes=0.2,
    )),
    checked(Family(
        id="mast_climb", name="Mast climb", group="pencil and stick moves",
        trains={"shift": 2.6}, demands={"tool_grasp": 3},
        roles=(Role("pen", "pencil or marker", "pen", needs=(at_least("longest_mm", 100, "10 cm or longer"), at_most("size_mm", 16, "up to 16 mm thick"))), TUCK),
        axes=(
            axis("climb", "Climb", step("from the middle to the tip"), step("from end to tip", 0.5), step("from end to tip and back, 5 times", 1.0), step("from end to tip and back, 10 times", 1.5)),
            axis("tuck", "Last two fingers", step("free"), step(TUCKED, 0.9, uses="tuck")),
        ),
        parts=("warm-up", "main", "stretch"), minutes=(2, 5), counts=(3, 5, 6), unit="climbs",
        setup="Pencil in writing hold in the {skill} hand, tip down, then climb to the writing spot.",
        cues=cues(spoken="“Fingers climb, pencil stays”", mark="Stripes on the pencil", shown="Climb once", touch="Touch the finger that moves next", steadied="Hold the far end"),
        watch=("two_hands", "hold_high", "thumb_stiff"), tidy="Pencils in the pot, tip up.", measures=("pace", "drops"), themes=("boats", "climbing", "animals"), setup_minutes=0.1,
    )),
    checked(Family(
        id="pancake_flip", name="Pancake flip", group="turn over",
        trains={"complex_rotation": 0.7, "finger_isolation": 2.4}, demands={"object_grasp": 4},
        roles=(Role("cake", "thick flat things to turn over", "item", needs=(among("sharp", "not sharp", False), between("size_mm", 24, 60, "24 to 60 mm"), at_least("thin_mm", 2, "2 mm or thicker"), at_most("thin_mm", 32, "up to 32 mm thick")), fixed=0, per_count=1, share=0.34),),
        axes=(
            axis("help", "Table", step("lean it on the table"), step("one touch on the table", 0.5), step("free of the table", 1.1), step("free, five in a row", 1.9)),
            axis("hand", "Hand", step("preferred"), step("other", 0.6)),
        ),
        parts=("opener", "main", "stretch"), minutes=(2, 5), counts=(4, 6, 8), unit="turned",
        setup="In a row from the {helper} side, marked side down.",
        cues=cues(spoken="“Tip, roll, over”", mark="A dot on the under side", shown="Turn one", touch="Touch the middle finger: it pushes", steadied="Hold the edge"),
        watch=("two_hands", "swaps_hands", "whole_hand"), tidy="Stack them, marked side up.", measures=("drops",), themes=("kitchen", "shop", "boats"), setup_minutes=0.3,
    )),
    checked(Family(
        id="pencil_somersault", name="Pencil somersault", group="pencil and stick moves",
        trains={"complex_rotation": 2.6}, demands={"shift": 2, "tool_grasp": 3},
        roles=(Role("pen", "pencil with two ends", "stick", needs=(among("sharp", "not sharp", False), at_least("longest_mm", 100, "10 cm or longer"), at_most("size_mm", 16, "up to 16 mm thick"))), TUCK),
        axes=(
            axis("flip", "Flip", step("write, flip, rub out"), step("5 flips, no slip", 0.8), step("10 flips, no slip", 1.4)),
            axis("tuck", "Last two fingers", step("free"), step(TUCKED, 1.0, uses="tuck")),
        ),
        parts=("main", "stretch"), minutes=(2, 5), counts=(3, 5, 6), unit="somersaults",
        setup="Pencil in writing hold, the {helper} hand on the paper.",
        cues=cues(spoken="“Tail up, nose down”", mark="Two colours, one on each end", shown="Flip once, slowly", touch="Touch the middle finger: it pushes", steadied="Catch the end so that it does not fall"),
        watch=("two_hands", "not_tucked", "swaps_hands"), tidy="Pencils in the pot.", measures=("drops", "pace"), themes=("circus", "space", "ball games"), setup_minutes=0.1,
    )),
    checked(Family(
        id="baton_change", name="Baton change", group="turn over",
        trains={"complex_rotation": 3.0}, demands={"simple_rotation": 3},
        roles=(Role("baton", "short stick, ends in two colours", "item", needs=(among("sharp", "not sharp", False), between("longest_mm", 38, 130, "4 to 13 cm long"), at_most("size_mm", 24, "up to 24 mm thick"))), Role("small", "small things to keep", "item", needs=(at_most("longest_mm", 25, "up to 25 mm"), among("sharp", "not sharp", False)), fixed=2, share=0.5)),
        axes=(
            axis("turn", "Turn", step("end over end once"), step("there and back", 0.6), step("there and back, eyes on you", 1.1)),
            axis("palm", "In the palm", step("nothing"), step("one thing stays", 0.9, uses="small"), step("two things stay", 1.5, uses="small")),
        ),
        parts=("main", "stretch"), minutes=(2, 5), counts=(3, 4, 6), unit="changed over",
        setup="Baton in the {skill} hand, red end up. The {helper} hand in the lap.",
        cues=cues(spoken="“Red up, blue up”", mark="Two colours, one on each end", shown="Change once", touch="Touch the middle finger", steadied="Catch the low end"),
        watch=("two_hands", "not_tucked", "eyes_off"), tidy="Stand the batons in a pot.", measures=("drops",), themes=("circus", "ball games", "space"), setup_minutes=0.2,
    )),
)  # fmt: skip
