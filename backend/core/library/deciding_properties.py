"""What the library asks of a thing, by the form it serves as: what is worth measuring of a thing somebody adds."""

from collections.abc import Mapping
from functools import cache
from types import MappingProxyType

from core.library.activity import Activity

_SIZES = frozenset({"size_mm", "longest_mm", "thin_mm"})
_FITS = MappingProxyType(
    {
        "strings": (("cord_mm", "cord_width_mm"), ("hole_mm",)),
        "stacks": ((), ("hole_mm",)),
        "holds": (("opening_mm",), ()),
        "passes": (("opening_mm", "slit_mm"), ()),
        "clears": ((), ()),
    }
)
_ALWAYS = MappingProxyType({"filler": ("grain_mm",), "water": ("depth_mm",), "cord": ("cord_mm", "cord_width_mm")})


@cache
def asked_of_forms(activities: tuple[Activity, ...]) -> Mapping[str, tuple[str, ...]]:
    """Return, by form, the properties that decide where a thing of that form is used, the most often asked first; its
    sizes are left out, since every thing has them.
    """
    counted: dict[str, dict[str, int]] = {form: dict.fromkeys(asked, 1000) for form, asked in _ALWAYS.items()}
    for activity in activities:
        forms = {r.id: r.form for r in activity.roles}
        for role, asked in _asked(activity):
            of_form = counted.setdefault(forms[role], {})
            of_form[asked] = of_form.get(asked, 0) + 1
    return MappingProxyType(
        {form: tuple(sorted(asked, key=lambda p: (-asked[p], p))) for form, asked in counted.items() if asked}
    )


def _asked(activity: Activity) -> list[tuple[str, str]]:
    needs = [(r.id, n.prop) for r in activity.roles for n in r.needs]
    needs += [(role, n.prop) for a in activity.axes for s in a.steps for role, asked in s.needs.items() for n in asked]
    for fit in activity.fits:
        outer, inner = _FITS[fit.kind]
        needs += [(fit.outer, p) for p in (*outer, fit.gap)] + [(fit.inner, p) for p in (*inner, fit.width)]
    return [(role, prop) for role, prop in needs if prop and prop not in _SIZES]
