"""Things that only some grades bring to the table: something to keep in the hand, a cloth to pick up from, a pot to pour into."""

from core.materials import Role, among, at_most, between

TUCK = Role(
    "tuck", "something soft to keep tucked", "item",
    needs=(among("soft", "soft", True), between("size_mm", 12, 42, "12 to 42 mm"), among("food", "not food", False)),
)  # fmt: skip
KEEP = Role(
    "keep", "a small thing to keep in the palm", "item",
    needs=(at_most("size_mm", 28, "up to 28 mm"), at_most("longest_mm", 40, "up to 40 mm long"), among("sharp", "not sharp", False),
           among("food", "not food", False)),
)  # fmt: skip
GATE = Role("gate", "two pots for a gate", "container", fixed=2)
CLOTH = Role("under", "a cloth to pick up from", "cloth", needs=(among("wet", "dry", False),))
