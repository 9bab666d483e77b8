"""How the names of a clinic's own activities and things are told from the library's."""

OWN = "own-"  # with a hyphen, which no id of the library may have


def is_own(name: str) -> bool:
    """Whether an id, or a name that work counts under, is of a clinic's own activity or thing."""
    return name.startswith(OWN)
