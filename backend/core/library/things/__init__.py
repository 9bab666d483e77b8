"""Every household thing Pollicor knows, by id. Figures are typical ones, from memory."""

from types import MappingProxyType

from core.library.things import kitchen, making, outfits, play, stationery, threading
from core.materials import Material


def _indexed() -> MappingProxyType[str, Material]:
    found: dict[str, Material] = {}
    for module in (threading, kitchen, stationery, making, play, outfits):
        for material in module.THINGS:
            if material.id in found:
                raise ValueError(f"thing {material.id!r} is declared twice. Give one another id.")
            found[material.id] = material
    return MappingProxyType(found)


MATERIALS = _indexed()
