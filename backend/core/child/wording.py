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


_UNSETTLED = (
    ("the {skill} side", "one side"),
    ("{skill} hand", "favourite hand"),
    ("{skill} ", ""),
    ("{helper}", "other"),
)


def for_family(words: str, child: Child | None = None) -> str:
    """Return words a family reads, said for one child: right and left; for an unsettled hand, or for nobody in
    particular, “the favourite hand” and “the other hand”, never the trade's words.
    """
    if child is None or child.skill_hand == "not_settled":
        for said, plain in _UNSETTLED:
            words = words.replace(said, plain)
    return for_child(words, child)


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
