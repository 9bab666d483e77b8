"""The daily tasks families ask for, and the rung of each strand a task requires. From memory."""

from dataclasses import dataclass
from types import MappingProxyType


@dataclass(frozen=True)
class WantedTask:
    """A daily task a family asks for, and the rung of each strand it requires."""

    id: str
    name: str
    demands: MappingProxyType[str, int]


def _task(id: str, name: str, **demands: int) -> WantedTask:
    return WantedTask(id, name, MappingProxyType(demands))


WANTED_TASKS = MappingProxyType(
    {
        t.id: t
        for t in (
            _task("buttons", "Do own buttons", buttons=5, object_grasp=6, hold_and_act=4, pinch=2, simple_rotation=2),
            _task("zip", "Do own zip", zip=5, object_grasp=5, key_pinch=2, hold_and_act=4),
            _task("laces", "Tie own laces", laces=6, object_grasp=6, pinch=3, take_turns=4, hold_and_act=5),
            _task("scissors", "Cut out what is asked at school", cutting=10, hold_and_act=5, hold=2),
            _task("name", "Write own name", writing=7, tool_grasp=4, finger_isolation=4, shift=3, hold_and_act=3),
            _task("cutlery", "Eat with knife and fork", cutlery=5, finger_isolation=3, hold_and_act=4, squeeze=3),
            _task("lunchbox", "Open own lunch box and packets", together=4, pinch=3, simple_rotation=3, hold_and_act=3),
            _task("coins", "Pay with coins", to_palm=4, from_palm=4, object_grasp=7),
            _task("ball", "Play ball with others", toss_catch=1, midline=3, together=3),
            _task("page", "Write a page without tiring", endurance=4, writing=9, tool_grasp=5),
        )
    }
)
