"""Words said for one child: sides by the hand the child uses, laces by the one way of tying that was chosen."""

from types import MappingProxyType

from core.child.profile import Child

_LACES = MappingProxyType(
    {
        "undecided": (
            "the second loop, or the wrap, by this child's method",
            "Choose two loops or one loop for this child first, and never mix them.",
        ),
        "two_loops": ("the second loop", "This child ties two loops: never mix in the other way."),
        "one_loop": ("the wrap round the loop", "This child ties one loop and wraps it: never mix in the other way."),
    }
)
_SIDES = MappingProxyType({"right": ("right", "left"), "left": ("left", "right"), "not_settled": ("skill", "helper")})


def for_child(words: str, child: Child | None = None) -> str:
    """Return words with {skill}, {helper}, {loop} and {lace_method} said for this child.

    For an unsettled hand, or for nobody in particular, the trade's own words stand.
    """
    if "{" not in words:
        return words
    skill, helper = _SIDES[child.skill_hand if child else "not_settled"]
    loop, method = _LACES[child.lace_method if child else "undecided"]
    return (
        words.replace("{skill}", skill)
        .replace("{helper}", helper)
        .replace("{loop}", loop)
        .replace("{lace_method}", method)
    )
