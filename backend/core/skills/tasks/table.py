"""Eating and drinking: each as a chain of steps with the rungs they demand. From memory, no source."""

from core.skills.wanted import WantedTask, step

TASKS = (
    WantedTask(
        "spoon",
        "Eat with a spoon and a fork",
        (
            step("hold the handle", tool_grasp=(2, "cutlery")),
            step("scoop or spear", tool_grasp=(2, "cutlery"), squeeze=2),
            step("bring it level to the mouth", midline=(2, "level")),
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
            step("hold both, a finger along each", finger_isolation=(3, "along")),
            step("hold the food still with the fork", hold_and_act=(4, "holds_against food"), squeeze=3),
            step("saw to and fro", hold_and_act=(4, "holds_against food"), squeeze=3),
            step("lift the piece with the fork", midline=(3, "body")),
        ),
        strand="cutlery",
        level=5,
        at_home="soft food at tea",
    ),
    WantedTask(
        "lunchbox",
        "Open own lunch box and packets",
        (
            step("hold the box still and lift the clip", hold_and_act=(3, "holds pot"), pinch=3),
            step("twist the bottle open", simple_rotation=(3, "lid"), squeeze=3),
            step("tear or pull the packet", together=(4, "tear"), pinch=3),
        ),
        at_home="Saturday lunch out of the box",
    ),
    WantedTask(
        "pour",
        "Pour a drink",
        (
            step("hold the jug and steady the cup", hold_and_act=(3, "holds pot"), squeeze=3),
            step("tip slowly", hold=(2, "level")),
            step("stop in time and set it down", hold=(2, "level")),
        ),
        at_home="water at the table, a tray under the cup",
    ),
    WantedTask(
        "banana",
        "Peel a banana or an orange",
        (
            step("hold it in the other hand", hold_and_act=(3, "holds_against food")),
            step("start the peel", pinch=3),
            step("pull strip after strip", pinch=2, take_turns=(2, "strips")),
        ),
        at_home="fruit after school",
    ),
    WantedTask(
        "spread",
        "Spread bread",
        (
            step("load the knife", tool_grasp=(3, "knife")),
            step("hold the bread flat", hold_and_act=(4, "holds food")),
            step("spread to the edge", hold_and_act=(4, "holds food"), midline=(3, "table")),
        ),
        at_home="Sunday breakfast",
    ),
)
