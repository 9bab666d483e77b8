"""The daily tasks families ask for, each as a chain of steps with the rungs they demand. From memory, no source."""

from collections.abc import Mapping
from types import MappingProxyType

from core.skills.wanted import TaskStep, WantedTask


def _step(
    words: str, proven_by: Mapping[str, int] = MappingProxyType({}), **demands: int | tuple[int, str]
) -> TaskStep:
    """A step and what it demands: a rung of each strand, with the job of the hands in it where the strand has jobs."""
    rungs = {strand: asked if isinstance(asked, int) else asked[0] for strand, asked in demands.items()}
    jobs = {strand: asked[1] for strand, asked in demands.items() if not isinstance(asked, int)}
    return TaskStep(words, MappingProxyType(rungs), proven_by, MappingProxyType(jobs))


_TASKS = (
    WantedTask(
        "buttons",
        "Do own buttons",
        (
            _step("find the button and its hole", finger_isolation=(3, "feels")),
            _step("hold the cloth beside the hole", hold_and_act=(4, "holds cloth")),
            _step("pinch the button by its edge", object_grasp=6, pinch=2),
            _step("push half of it through", object_grasp=6, hold_and_act=(4, "holds cloth")),
            _step("change hands and pull it out", simple_rotation=(2, "piece"), take_turns=(3, "through")),
        ),
        strand="buttons",
        level=5,
        at_home="the pyjama top at bedtime",
    ),
    WantedTask(
        "zip",
        "Do own zip",
        (
            _step("bring both sides together at the bottom", hold_and_act=(3, "lines_up cloth")),
            _step("put the pin into the box", object_grasp=5, hold_and_act=(4, "lines_up cloth")),
            _step("hold the bottom still", hold_and_act=(4, "holds_against cloth")),
            _step("hold the tag between thumb and the side of the finger", key_pinch=2),
            _step("pull it up to the top", key_pinch=2),
        ),
        strand="zip",
        level=5,
        at_home="the jacket before going out",
    ),
    WantedTask(
        "studs",
        "Do studs, straps and waistbands",
        (
            _step("line up the two halves", hold_and_act=(3, "lines_up cloth"), object_grasp=4),
            _step("press them shut between thumb and finger", pinch=3),
            _step("pull them apart with both hands", together=(3, "apart"), pinch=2),
        ),
        strand="studs",
        level=5,
        at_home="trousers after the toilet",
    ),
    WantedTask(
        "buckles",
        "Do a buckle or a hook",
        (
            _step("bring both ends together", together=(3, "meet")),
            _step("feed the end through", hold_and_act=(4, "holds_against strap"), object_grasp=5),
            _step("press or hook it shut", pinch=2, finger_isolation=(3, "presses")),
        ),
        strand="buckles",
        level=4,
        at_home="the bag on the way to school",
    ),
    WantedTask(
        "laces",
        "Tie own laces",
        (
            _step("pull both ends even", together=(3, "tight")),
            _step("cross one over the other", midline=(3, "cross"), take_turns=(3, "ends")),
            _step("tuck it under and through", object_grasp=6, take_turns=(4, "ends")),
            _step("pull tight", pinch=3, together=(3, "tight")),
            _step("make a loop and hold it", pinch=3, hold_and_act=(5, "holds cord")),
            _step("bring the other lace round", hold_and_act=(5, "holds cord"), take_turns=(4, "ends")),
            _step("push it through the gap", object_grasp=6, finger_isolation=(4, "pokes")),
            _step("pull both loops tight", pinch=3, together=(3, "tight")),
        ),
        strand="laces",
        level=6,
        at_home="school shoes, at the weekend first",
    ),
    WantedTask(
        "scissors",
        "Cut out what is asked at school",
        (
            _step("hold the scissors thumb up", {"cutting": 3}, finger_isolation=(3, "loops")),
            _step("open and close the blades", {"cutting": 3}, hold=(2, "blades"), finger_isolation=(3, "loops")),
            _step("cut along the line", {"cutting": 6}, hold_and_act=(4, "feeds paper")),
            _step("turn the paper with the other hand", {"cutting": 10}, hold_and_act=(5, "turns paper")),
        ),
        strand="cutting",
        level=10,
        meanwhile=("storm_clouds", "crane_pick", "feather_lift"),
        at_home="a picture for the fridge, an adult beside",
    ),
    WantedTask(
        "name",
        "Write own name",
        (
            _step("hold the pencil and the paper", tool_grasp=(4, "pen"), hold_and_act=(3, "holds paper")),
            _step("start each letter at the top", tool_grasp=(4, "pen")),
            _step("write the letters in order", shift=(3, "along_stick"), tool_grasp=(4, "pen")),
        ),
        strand="writing",
        tool="pen",
        level=7,
        at_home="a card for grandparents",
    ),
    WantedTask(
        "page",
        "Write a page without tiring",
        (
            _step("hold the pencil loosely", tool_grasp=(5, "pen")),
            _step("write line after line", tool_grasp=(5, "pen")),
            _step("move the paper up", hold_and_act=(3, "holds paper")),
        ),
        strand="endurance",
        tool="pen",
        level=4,
        at_home="a page of the diary, timed",
    ),
    WantedTask(
        "copying",
        "Copy from the board",
        (
            _step("look up and keep a word in mind", hold_and_act=(2, "holds paper")),
            _step("find the place on the paper", finger_isolation=(3, "tracks")),
            _step("write the word", tool_grasp=(5, "pen"), shift=(3, "along_stick")),
        ),
        strand="writing",
        tool="pen",
        level=9,
        at_home="the shopping list from the fridge door",
    ),
    WantedTask(
        "spoon",
        "Eat with a spoon and a fork",
        (
            _step("hold the handle", tool_grasp=(2, "cutlery")),
            _step("scoop or spear", tool_grasp=(2, "cutlery"), squeeze=2),
            _step("bring it level to the mouth", midline=(2, "level")),
        ),
        strand="cutlery",
        level=3,
        beyond=3.2,
        at_home="the first five minutes of tea",
    ),
    WantedTask(
        "cutlery",
        "Eat with knife and fork",
        (
            _step("hold both, a finger along each", finger_isolation=(3, "along")),
            _step("hold the food still with the fork", hold_and_act=(4, "holds_against food"), squeeze=3),
            _step("saw to and fro", hold_and_act=(4, "holds_against food"), squeeze=3),
            _step("lift the piece with the fork", midline=(3, "body")),
        ),
        strand="cutlery",
        level=5,
        at_home="soft food at tea",
    ),
    WantedTask(
        "lunchbox",
        "Open own lunch box and packets",
        (
            _step("hold the box still and lift the clip", hold_and_act=(3, "holds pot"), pinch=3),
            _step("twist the bottle open", simple_rotation=(3, "lid"), squeeze=3),
            _step("tear or pull the packet", together=(4, "tear"), pinch=3),
        ),
        at_home="Saturday lunch out of the box",
    ),
    WantedTask(
        "pour",
        "Pour a drink",
        (
            _step("hold the jug and steady the cup", hold_and_act=(3, "holds pot"), squeeze=3),
            _step("tip slowly", hold=(2, "level")),
            _step("stop in time and set it down", hold=(2, "level")),
        ),
        at_home="water at the table, a tray under the cup",
    ),
    WantedTask(
        "banana",
        "Peel a banana or an orange",
        (
            _step("hold it in the other hand", hold_and_act=(3, "holds_against food")),
            _step("start the peel", pinch=3),
            _step("pull strip after strip", pinch=2, take_turns=(2, "strips")),
        ),
        at_home="fruit after school",
    ),
    WantedTask(
        "spread",
        "Spread bread",
        (
            _step("load the knife", tool_grasp=(3, "knife")),
            _step("hold the bread flat", hold_and_act=(4, "holds food")),
            _step("spread to the edge", hold_and_act=(4, "holds food"), midline=(3, "table")),
        ),
        at_home="Sunday breakfast",
    ),
    WantedTask(
        "socks",
        "Put on socks and shoes",
        (
            _step("open the sock with both thumbs", together=(3, "pull_on"), key_pinch=1),
            _step("put the toes in", together=(3, "pull_on"), midline=(2, "body")),
            _step("pull it over the heel", key_pinch=2, squeeze=2),
            _step("pull it up", key_pinch=2),
        ),
        at_home="getting dressed on Saturday",
    ),
    WantedTask(
        "trousers",
        "Pull up own trousers",
        (
            _step("hold the waistband with both hands", together=(2, "pull_on"), squeeze=2),
            _step("step in, one foot after the other", together=(2, "pull_on")),
            _step("pull up over the bottom", together=(3, "pull_on"), key_pinch=2),
        ),
        at_home="after the bath",
    ),
    WantedTask(
        "coat",
        "Put on own coat",
        (
            _step("lay the coat down, collar to the toes", together=(2, "spread")),
            _step("both arms in", together=(3, "pull_on")),
            _step("over the head and pull down", together=(3, "pull_on"), midline=(2, "body")),
        ),
        at_home="before going out",
    ),
    WantedTask(
        "hands",
        "Wash and dry own hands",
        (
            _step("turn on the tap", simple_rotation=(2, "lid"), squeeze=2),
            _step("soap, and rub palm on palm", together=(3, "rub")),
            _step("rinse and turn off", simple_rotation=(2, "lid")),
            _step("dry each hand with the other", take_turns=(2, "wash")),
        ),
        at_home="before tea",
    ),
    WantedTask(
        "coins",
        "Pay with coins",
        (
            _step("pick coins up into the palm", to_palm=4, object_grasp=7),
            _step("bring out one at a time", from_palm=4),
            _step("put it into the hand or the slot", from_palm=4, shift=(2, "thumb_slides")),
        ),
        practised_by=("toll_house", "ticket_gate"),
        at_home="the bakery on Saturday",
    ),
    WantedTask(
        "ball",
        "Play ball with others",
        (
            _step("stand ready, hands in front", together=(3, "catch")),
            _step("watch the ball and catch", together=(3, "catch"), midline=(3, "catch")),
            _step("throw back to a friend", midline=(3, "throw")),
        ),
        strand="toss_catch",
        level=2,
        at_home="the park after school",
    ),
    WantedTask(
        "tools",
        "Use ruler, sharpener and punch",
        (
            _step("hold the ruler flat with spread fingers", hold_and_act=(4, "holds ruler")),
            _step(
                "turn the pencil in the sharpener",
                simple_rotation=(3, "stick"),
                hold_and_act=(3, "holds_against piece"),
            ),
            _step("press the punch", push=(2, "presses_down")),
        ),
        at_home="homework time",
    ),
    WantedTask(
        "case",
        "Open own pencil case and backpack",
        (
            _step("hold the case still", hold_and_act=(3, "holds_against cloth")),
            _step("pull the zip or click the clip", key_pinch=2, pinch=2),
        ),
        at_home="packing the bag in the evening",
    ),
    WantedTask(
        "pages",
        "Turn pages one at a time",
        (
            _step("slide the corner up with a finger", finger_isolation=(3, "slides"), shift=(2, "thumb_slides")),
            _step("pinch one page", pinch=1, object_grasp=5),
            _step("turn it over", midline=(2, "turn")),
        ),
        at_home="the bedtime book",
    ),
    WantedTask(
        "keys",
        "Use keys and door handles",
        (
            _step("hold the key flat, thumb on the side", key_pinch=3),
            _step("push it into the lock", key_pinch=3, hold_and_act=(3, "holds door")),
            _step("turn the wrist", key_pinch=3, simple_rotation=(2, "key")),
        ),
        at_home="the front door, coming home",
    ),
    WantedTask(
        "bricks",
        "Build with bricks with friends",
        (
            _step("find the piece", object_grasp=5),
            _step("hold the base and press it on", hold_and_act=(3, "holds base"), pinch=3),
            _step("pull bricks apart", together=(3, "apart"), pinch=3),
        ),
        at_home="half an hour with a friend",
    ),
    WantedTask(
        "drawing",
        "Draw a picture of something",
        (
            _step("hold pencil and paper", tool_grasp=(3, "pen"), hold_and_act=(2, "holds paper")),
            _step("draw the shapes", tool_grasp=(4, "pen")),
        ),
        strand="writing",
        tool="pen",
        level=4,
        beyond=5.0,
        at_home="a picture while tea is made",
    ),
    WantedTask(
        "fold",
        "Fold and put away own clothes",
        (
            _step("lay it flat", together=(3, "fold")),
            _step("bring corner to corner", together=(4, "fold"), midline=(3, "table")),
            _step("smooth the fold", together=(3, "fold")),
        ),
        meanwhile=("sail_fold",),
        at_home="the washing on Sunday",
    ),
    WantedTask(
        "soap_bottle",
        "Work pumps, sprays and taps",
        (
            _step("hold the bottle still", hold_and_act=(2, "holds pot")),
            _step("squeeze or press", squeeze=3),
        ),
        at_home="watering the plants",
    ),
    WantedTask(
        "parcel",
        "Wrap and tie a present",
        (
            _step("fold the paper over", together=(4, "fold")),
            _step("tear and stick the tape", pinch=3, hold_and_act=(4, "holds paper")),
            _step("tie the ribbon", take_turns=(4, "ends"), pinch=3),
        ),
        at_home="the next birthday",
    ),
    WantedTask(
        "tshirt",
        "Put on own T-shirt",
        (
            _step("find the label and lay it at the back", finger_isolation=(2, "feels")),
            _step("gather it with both hands and pull it over the head", together=(3, "pull_on"), key_pinch=1),
            _step("push one arm through, then the other", take_turns=(2, "wash"), midline=(2, "body")),
            _step("pull it down with both hands", together=(2, "pull_on"), key_pinch=2),
        ),
        at_home="after the bath, a loose one first",
    ),
    WantedTask(
        "teeth",
        "Brush own teeth",
        (
            _step("press the paste onto the brush", squeeze=2, hold_and_act=(3, "holds stick")),
            _step("brush on both sides", tool_grasp=(3, "brush"), midline=(3, "body")),
            _step("rinse and wipe", take_turns=(2, "wash")),
        ),
        at_home="in the evening, a parent goes over them after",
    ),
    WantedTask(
        "hair",
        "Brush and tie own hair",
        (
            _step("brush from the crown to the tips", tool_grasp=(3, "brush"), midline=(3, "body")),
            _step("gather it in one hand", squeeze=3, hold_and_act=(4, "holds hair")),
            _step("stretch the band and wind it round", finger_isolation=(4, "winds"), take_turns=(4, "band")),
        ),
        meanwhile=("band_stretch",),
        at_home="before school, a doll first",
    ),
    WantedTask(
        "wiping",
        "Wipe after the toilet",
        (
            _step("tear off the paper and fold it", together=(3, "tear"), pinch=2),
            _step("reach behind and wipe", midline=(3, "body"), hold=(1, "grips")),
            _step("drop it in and flush", finger_isolation=(3, "presses")),
        ),
        at_home="at home, unhurried, in the evening",
    ),
    WantedTask(
        "keyboard",
        "Type on a keyboard",
        (
            _step("find the key with the eyes", finger_isolation=(3, "points")),
            _step("press it with one finger, the others still", finger_isolation=(5, "presses")),
            _step("use both hands, each on its own side", take_turns=(4, "sides")),
        ),
        meanwhile=("rain_pop", "puck_flick", "lid_a_day"),
        at_home="a message to a grandparent",
    ),
    WantedTask(
        "jigsaw",
        "Do a jigsaw",
        (
            _step("hold the picture's part still", hold_and_act=(3, "holds paper")),
            _step("turn the piece in the fingers until it fits", simple_rotation=(3, "piece"), object_grasp=5),
            _step("press it in", finger_isolation=(3, "presses")),
        ),
        at_home="a rainy afternoon",
    ),
    WantedTask(
        "toy",
        "Hold and use a hand-held toy or controller",
        (
            _step("hold it with both hands", together=(2, "grip"), squeeze=2),
            _step("press with one thumb, the other still", finger_isolation=(4, "thumb"), hold=(2, "grips")),
        ),
        at_home="twenty minutes of play",
    ),
)

WANTED_TASKS = MappingProxyType({t.id: t for t in _TASKS})
