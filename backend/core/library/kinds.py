"""Which groups of activities feel the same to a child: colouring, tracing and copying are all one more pencil.

Project definition. A group that is not named is a kind of its own.
"""

from types import MappingProxyType

_KINDS = {
    "pencil": (
        "writing aids",
        "colour and trace",
        "copy-a-step drawing",
        "first marks",
        "short-tool drawing and dabbing",
        "homework tools",
    ),
    "squeeze": ("squeezing", "squeeze and carry", "wring and pour"),
    "dough": ("dough", "dough and putty"),
    "paper": ("tear and scrunch", "fold", "glue and assemble", "stickers"),
    "small things": ("pick up and store", "posting", "sorting", "tidy-up", "turn over"),
    "fingers": ("flick and point", "press and pop", "first fingers"),
    "threading": ("threading", "counting string", "copy a pattern"),
    "turning": ("lids, nuts and bolts", "keys and locks", "first turns"),
    "clothes": ("fasteners", "dressing"),
    "whole body": ("wall and floor", "outdoors"),
    "ball": ("toss and catch",),
    "two hands": ("pass along", "two hands meet", "pull and stretch"),
}
KIND_OF_GROUP = MappingProxyType({group: kind for kind, groups in _KINDS.items() for group in groups})
"""Group of activities to the kind of work it is."""
