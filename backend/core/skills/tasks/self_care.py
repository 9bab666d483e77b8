"""Dressing, washing and the toilet: each as a chain of steps with the rungs they demand. From memory, no source."""

from core.skills.wanted import WantedTask, step

TASKS = (
    WantedTask(
        "buttons",
        "Do own buttons",
        (
            step("find the button and its hole", finger_isolation=(3, "feels")),
            step("hold the cloth beside the hole", hold_and_act=(4, "holds cloth")),
            step("pinch the button by its edge", object_grasp=6, pinch=2),
            step("push half of it through", object_grasp=6, hold_and_act=(4, "holds cloth")),
            step("change hands and pull it out", simple_rotation=(2, "piece"), take_turns=(3, "through")),
        ),
        strand="buttons",
        level=5,
        at_home="the pyjama top at bedtime",
    ),
    WantedTask(
        "zip",
        "Do own zip",
        (
            step("bring both sides together at the bottom", hold_and_act=(3, "lines_up cloth")),
            step("put the pin into the box", object_grasp=5, hold_and_act=(4, "lines_up cloth")),
            step("hold the bottom still", hold_and_act=(4, "holds_against cloth")),
            step("hold the tag between thumb and the side of the finger", key_pinch=2),
            step("pull it up to the top", key_pinch=2),
        ),
        strand="zip",
        level=5,
        at_home="the jacket before going out",
    ),
    WantedTask(
        "studs",
        "Do studs, straps and waistbands",
        (
            step("line up the two halves", hold_and_act=(3, "lines_up cloth"), object_grasp=4),
            step("press them shut between thumb and finger", pinch=3),
            step("pull them apart with both hands", together=(3, "apart"), pinch=2),
        ),
        strand="studs",
        level=5,
        at_home="trousers after the toilet",
    ),
    WantedTask(
        "buckles",
        "Do a buckle or a hook",
        (
            step("bring both ends together", together=(3, "meet")),
            step("feed the end through", hold_and_act=(4, "holds_against strap"), object_grasp=5),
            step("press or hook it shut", pinch=2, finger_isolation=(3, "presses")),
        ),
        strand="buckles",
        level=4,
        at_home="the bag on the way to school",
    ),
    WantedTask(
        "laces",
        "Tie own laces",
        (
            step("pull both ends even", together=(3, "tight")),
            step("cross one over the other", midline=(3, "cross"), take_turns=(3, "ends")),
            step("tuck it under and through", object_grasp=6, take_turns=(4, "ends")),
            step("pull tight", pinch=3, together=(3, "tight")),
            step("make a loop and hold it", pinch=3, hold_and_act=(5, "holds cord")),
            step("bring the other lace round", hold_and_act=(5, "holds cord"), take_turns=(4, "ends")),
            step("push it through the gap", object_grasp=6, finger_isolation=(4, "pokes")),
            step("pull both loops tight", pinch=3, together=(3, "tight")),
        ),
        strand="laces",
        level=6,
        at_home="school shoes, at the weekend first",
    ),
    WantedTask(
        "socks",
        "Put on socks and shoes",
        (
            step("open the sock with both thumbs", together=(3, "pull_on"), key_pinch=1),
            step("put the toes in", together=(3, "pull_on"), midline=(2, "body")),
            step("pull it over the heel", key_pinch=2, squeeze=2),
            step("pull it up", key_pinch=2),
        ),
        at_home="getting dressed on Saturday",
    ),
    WantedTask(
        "trousers",
        "Pull up own trousers",
        (
            step("hold the waistband with both hands", together=(2, "pull_on"), squeeze=2),
            step("step in, one foot after the other", together=(2, "pull_on")),
            step("pull up over the bottom", together=(3, "pull_on"), key_pinch=2),
        ),
        at_home="after the bath",
    ),
    WantedTask(
        "coat",
        "Put on own coat",
        (
            step("lay the coat down, collar to the toes", together=(2, "spread")),
            step("both arms in", together=(3, "pull_on")),
            step("over the head and pull down", together=(3, "pull_on"), midline=(2, "body")),
        ),
        at_home="before going out",
    ),
    WantedTask(
        "hands",
        "Wash and dry own hands",
        (
            step("turn on the tap", simple_rotation=(2, "lid"), squeeze=2),
            step("soap, and rub palm on palm", together=(3, "rub")),
            step("rinse and turn off", simple_rotation=(2, "lid")),
            step("dry each hand with the other", take_turns=(2, "wash")),
        ),
        at_home="before tea",
    ),
    WantedTask(
        "tshirt",
        "Put on own T-shirt",
        (
            step("find the label and lay it at the back", finger_isolation=(2, "feels")),
            step("gather it with both hands and pull it over the head", together=(3, "pull_on"), key_pinch=1),
            step("push one arm through, then the other", take_turns=(2, "wash"), midline=(2, "body")),
            step("pull it down with both hands", together=(2, "pull_on"), key_pinch=2),
        ),
        at_home="after the bath, a loose one first",
    ),
    WantedTask(
        "teeth",
        "Brush own teeth",
        (
            step("press the paste onto the brush", squeeze=2, hold_and_act=(3, "holds stick")),
            step("brush on both sides", tool_grasp=(3, "brush"), midline=(3, "body")),
            step("rinse and wipe", take_turns=(2, "wash")),
        ),
        at_home="in the evening, a parent goes over them after",
    ),
    WantedTask(
        "hair",
        "Brush and tie own hair",
        (
            step("brush from the crown to the tips", tool_grasp=(3, "brush"), midline=(3, "body")),
            step("gather it in one hand", squeeze=3, hold_and_act=(4, "holds hair")),
            step("stretch the band and wind it round", finger_isolation=(4, "winds"), take_turns=(4, "band")),
        ),
        meanwhile=("band_stretch",),
        at_home="before school, a doll first",
    ),
    WantedTask(
        "wiping",
        "Wipe after the toilet",
        (
            step("tear off the paper and fold it", together=(3, "tear"), pinch=2),
            step("reach behind and wipe", midline=(3, "body"), hold=(1, "grips")),
            step("drop it in and flush", finger_isolation=(3, "presses")),
        ),
        at_home="at home, unhurried, in the evening",
    ),
)
