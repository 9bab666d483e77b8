"""Which side a text puts a thing on: read from its words, to hold against what the roles say."""

import re

from core.materials import FORMS, Place, Role

_SIDE = re.compile(
    r"(?P<what>[^,.;:]*?)\b(?:on the \{(?P<side>helper|skill)\} side|in front of the \{(?P<hand>helper|skill)\} hand)"
)
_FRONT = re.compile(r"(?P<what>[^,.;:]*?)\bin (?:front|the middle)\b(?! of)")
_IN = re.compile(r"\bin (?:a|an|its|their|the)\b")
_LITTLE = frozenset({"thing", "things", "to", "the", "a", "an", "of", "for", "that", "and", "or", "on", "in", "into"})


def sides_in(text: str, roles: tuple[Role, ...]) -> dict[str, Place]:
    """The roles of which a text says a side; what lies in a pot stands where the pot stands."""
    result: dict[str, Place] = {}
    for found in _SIDE.finditer(text):
        zone: Place = "start" if (found["side"] or found["hand"]) == "helper" else "goal"
        for what in _IN.split(found["what"]):
            meant = _meant(roles, _stems(what))
            if not meant and re.search(r"\b(things|pieces)\b", what, re.IGNORECASE):
                meant = [r.id for r in roles if FORMS[r.form].place == "start"][:1]
            for role in meant:
                result[role] = zone if result.get(role, zone) == zone else "middle"  # one of a pair on either side
    for found in _FRONT.finditer(text):
        for role in _meant(roles, _stems(found["what"])):
            result.setdefault(role, "middle")
    return result


def _meant(roles: tuple[Role, ...], words: frozenset[str]) -> list[str]:
    """The roles these words are about: by their own words, else by what may fill them."""
    for said in ({r.id: f"{r.words} {r.id}" for r in roles}, {r.id: FORMS[r.form].words for r in roles}):
        shared = {role: len(words & _stems(text)) for role, text in said.items()}
        if most := max(shared.values()):
            return [role for role, n in shared.items() if n == most]
    return []


def _stems(words: str) -> frozenset[str]:
    return frozenset(w.removesuffix("s") for w in re.findall(r"[a-z]+", words.lower()) if w not in _LITTLE)
