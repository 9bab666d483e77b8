"""A short way to declare a household thing."""

from core.materials import FORMS, Material, Shape


def thing(id: str, name: str, forms: str, shape: Shape, count: int = 1, allergens: str = "", **properties: object) -> Material:
    """Return a material; forms and allergens are words with spaces between.

    Raises ValueError for a form that no role asks for.
    """
    for form in forms.split():
        if form not in FORMS:
            raise ValueError(f"thing {id!r}: form {form!r} is unknown. Use one of {', '.join(FORMS)}.")
    return Material(id, name, frozenset(forms.split()), shape, typical_count=count,
                    allergens=frozenset(allergens.split()), **properties)  # type: ignore[arg-type]  # fmt: skip
