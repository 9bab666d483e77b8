"""Where a home keeps its things, so that somebody looking through it goes from drawer to drawer. Project definition."""

from types import MappingProxyType
from typing import Literal

Kept = Literal["kitchen", "craft", "bathroom", "wardrobe", "toys", "outdoors", "room", "made"]

KEPT: MappingProxyType[Kept, str] = MappingProxyType(
    {
        "kitchen": "Kitchen",
        "craft": "Desk and craft box",
        "bathroom": "Bathroom",
        "wardrobe": "Wardrobe and hall",
        "toys": "Toys",
        "outdoors": "Shed and outdoors",
        "room": "The room itself",
        "made": "Made at home",
    }
)
