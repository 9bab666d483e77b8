"""What whoever works with a child has to have in sight all the time, in a few words each."""

from collections.abc import Iterator

from core.child.profile import ALLERGENS, MOUTHING_MONTHS, TEXTURES, Child, Side


def alerts(child: Child) -> tuple[str, ...]:
    """Return what to keep in sight of a child, gravest first: mouthing, allergies, precautions, refused textures.

    Common practice, no source.
    """
    return tuple(_alerts(child))


def _alerts(child: Child) -> Iterator[str]:
    if child.mouthing == "chews":
        yield "Chews sleeves and pencils"
    elif child.mouthing != "never":
        yield f"Mouths things {child.mouthing}"
    elif child.age_months < MOUTHING_MONTHS:
        yield "Under 3: things go in the mouth"
    for allergy in (*(ALLERGENS[a] for a in ALLERGENS if a in child.allergies), *child.other_allergies):
        yield f"Allergy: {allergy}"
    for precaution in child.looked_out_for:
        side: Side = getattr(child, precaution.hand) if precaution.hand else "none"
        words = precaution.name[:1].upper() + precaution.name[1:]
        yield words if side == "none" else f"{words}: {side} hand"
    if child.force_limit_newton:
        yield f"No more than {child.force_limit_newton:.0f} N"
    if child.refuses:
        yield f"Refuses to touch: {', '.join(TEXTURES[t].split(':')[0] for t in TEXTURES if t in child.refuses)}"
