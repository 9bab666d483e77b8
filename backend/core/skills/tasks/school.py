"""What school asks: each as a chain of steps with the rungs they demand. From memory, no source."""

from core.skills.wanted import WantedTask, step

TASKS = (
    WantedTask(
        "scissors",
        "Cut out what is asked at school",
        (
            step("hold the scissors thumb up", {"cutting": 3}, finger_isolation=(3, "loops")),
            step("open and close the blades", {"cutting": 3}, hold=(2, "blades"), finger_isolation=(3, "loops")),
            step("cut along the line", {"cutting": 6}, hold_and_act=(4, "feeds paper")),
            step("turn the paper with the other hand", {"cutting": 10}, hold_and_act=(5, "turns paper")),
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
            step("hold the pencil and the paper", tool_grasp=(4, "pen"), hold_and_act=(3, "holds paper")),
            step("start each letter at the top", tool_grasp=(4, "pen")),
            step("write the letters in order", shift=(3, "along_stick"), tool_grasp=(4, "pen")),
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
            step("hold the pencil loosely", tool_grasp=(5, "pen")),
            step("write line after line", tool_grasp=(5, "pen")),
            step("move the paper up", hold_and_act=(3, "holds paper")),
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
            step("look up and keep a word in mind", hold_and_act=(2, "holds paper")),
            step("find the place on the paper", finger_isolation=(3, "tracks")),
            step("write the word", tool_grasp=(5, "pen"), shift=(3, "along_stick")),
        ),
        strand="writing",
        tool="pen",
        level=9,
        at_home="the shopping list from the fridge door",
    ),
    WantedTask(
        "drawing",
        "Draw a picture of something",
        (
            step("hold pencil and paper", tool_grasp=(3, "pen"), hold_and_act=(2, "holds paper")),
            step("draw the shapes", tool_grasp=(4, "pen")),
        ),
        strand="writing",
        tool="pen",
        level=4,
        beyond=5.0,
        at_home="a picture while tea is made",
    ),
    WantedTask(
        "tools",
        "Use ruler, sharpener and punch",
        (
            step("hold the ruler flat with spread fingers", hold_and_act=(4, "holds ruler")),
            step(
                "turn the pencil in the sharpener",
                simple_rotation=(3, "stick"),
                hold_and_act=(3, "holds_against piece"),
            ),
            step("press the punch", push=(2, "presses_down")),
        ),
        at_home="homework time",
    ),
    WantedTask(
        "case",
        "Open own pencil case and backpack",
        (
            step("hold the case still", hold_and_act=(3, "holds_against cloth")),
            step("pull the zip or click the clip", key_pinch=2, pinch=2),
        ),
        at_home="packing the bag in the evening",
    ),
    WantedTask(
        "pages",
        "Turn pages one at a time",
        (
            step("slide the corner up with a finger", finger_isolation=(3, "slides"), shift=(2, "thumb_slides")),
            step("pinch one page", pinch=1, object_grasp=5),
            step("turn it over", midline=(2, "turn")),
        ),
        at_home="the bedtime book",
    ),
    WantedTask(
        "keyboard",
        "Type on a keyboard",
        (
            step("find the key with the eyes", finger_isolation=(3, "points")),
            step("press it with one finger, the others still", finger_isolation=(5, "presses")),
            step("use both hands, each on its own side", take_turns=(4, "sides")),
        ),
        meanwhile=("rain_pop", "puck_flick", "lid_a_day"),
        at_home="a message to a grandparent",
    ),
)
