"""Helping at home, going out, playing: each as a chain of steps with the rungs they demand. From memory, no source."""

from core.skills.wanted import WantedTask, step

TASKS = (
    WantedTask(
        "coins",
        "Pay with coins",
        (
            step("pick coins up into the palm", to_palm=4, object_grasp=7),
            step("bring out one at a time", from_palm=4),
            step("put it into the hand or the slot", from_palm=4, shift=(2, "thumb_slides")),
        ),
        practised_by=("toll_house", "ticket_gate"),
        at_home="the bakery on Saturday",
    ),
    WantedTask(
        "keys",
        "Use keys and door handles",
        (
            step("hold the key flat, thumb on the side", key_pinch=3),
            step("push it into the lock", key_pinch=3, hold_and_act=(3, "holds door")),
            step("turn the wrist", key_pinch=3, simple_rotation=(2, "key")),
        ),
        at_home="the front door, coming home",
    ),
    WantedTask(
        "soap_bottle",
        "Work pumps, sprays and taps",
        (
            step("hold the bottle still", hold_and_act=(2, "holds pot")),
            step("squeeze or press", squeeze=3),
        ),
        at_home="watering the plants",
    ),
    WantedTask(
        "fold",
        "Fold and put away own clothes",
        (
            step("lay it flat", together=(3, "fold")),
            step("bring corner to corner", together=(4, "fold"), midline=(3, "table")),
            step("smooth the fold", together=(3, "fold")),
        ),
        meanwhile=("sail_fold",),
        at_home="the washing on Sunday",
    ),
    WantedTask(
        "parcel",
        "Wrap and tie a present",
        (
            step("fold the paper over", together=(4, "fold")),
            step("tear and stick the tape", pinch=3, hold_and_act=(4, "holds paper")),
            step("tie the ribbon", take_turns=(4, "ends"), pinch=3),
        ),
        at_home="the next birthday",
    ),
    WantedTask(
        "ball",
        "Play ball with others",
        (
            step("stand ready, hands in front", together=(3, "catch")),
            step("watch the ball and catch", together=(3, "catch"), midline=(3, "catch")),
            step("throw back to a friend", midline=(3, "throw")),
        ),
        strand="toss_catch",
        level=2,
        at_home="the park after school",
    ),
    WantedTask(
        "bricks",
        "Build with bricks with friends",
        (
            step("find the piece", object_grasp=5),
            step("hold the base and press it on", hold_and_act=(3, "holds base"), pinch=3),
            step("pull bricks apart", together=(3, "apart"), pinch=3),
        ),
        at_home="half an hour with a friend",
    ),
    WantedTask(
        "jigsaw",
        "Do a jigsaw",
        (
            step("hold the picture's part still", hold_and_act=(3, "holds paper")),
            step("turn the piece in the fingers until it fits", simple_rotation=(3, "piece"), object_grasp=5),
            step("press it in", finger_isolation=(3, "presses")),
        ),
        at_home="a rainy afternoon",
    ),
    WantedTask(
        "toy",
        "Hold and use a hand-held toy or controller",
        (
            step("hold it with both hands", together=(2, "grip"), squeeze=2),
            step("press with one thumb, the other still", finger_isolation=(4, "thumb"), hold=(2, "grips")),
        ),
        at_home="twenty minutes of play",
    ),
)
