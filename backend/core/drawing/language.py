"""The drawing language as somebody writes in it: what is wrong with a picture, at its frame."""

from collections.abc import Iterator

from core.drawing.acts import ACTS
from core.drawing.picture import values_at
from core.library import Activity, Issue
from core.library.picture import Frame
from core.offers import variants_of


def picture_issues(activity: Activity) -> list[Issue]:
    """Return what keeps a picture from being drawn at some grade, at its frame; nothing where all is well."""
    return [
        Issue(f"picture.{i}", reason, remedy)
        for i, frame in enumerate(activity.picture)
        for reason, remedy in dict.fromkeys(_frame_issues(activity, frame))
    ]


def _frame_issues(activity: Activity, frame: Frame) -> Iterator[tuple[str, str]]:
    if frame.act not in ACTS:
        yield f"There is no act {frame.act!r}.", f"Use one of {', '.join(sorted(ACTS))}."
        return
    roles = {r.id for r in activity.roles}
    for variant in variants_of(activity):
        yield from ACTS[frame.act].issues(values_at(activity, frame, variant.grade), roles)
