"""Why an activity is not in a session for children together: one child it does not suit, or not enough for all."""

from dataclasses import replace
from math import ceil

from core.planner.candidates import best_each, shared_candidates, table_for_all
from core.planner.reasons.left_out import gravest_first, left_out
from core.planner.request import GroupRequest, LeftOut

FITS = frozenset({"not_chosen"})
NO_ONE_PART = "A sure win for one child and main work for another: no single part suits everyone."


def left_out_together(request: GroupRequest, chosen: frozenset[str]) -> tuple[LeftOut, ...]:
    """Return what a therapist may miss in a group's plan of these activities: activities for the targets, each with
    the first child it does not suit.

    What suits everybody in one part is short of things where there is not enough for half of the children.
    """
    sessions = table_for_all(request)
    shared = {t.activity.id for t in shared_candidates(sessions)}
    result: dict[str, LeftOut] = {}
    for name, session in zip(request.names, sessions, strict=True):
        for item in left_out(session, chosen):
            if item.kind not in FITS and (item.activity_id not in result or result[item.activity_id].kind in FITS):
                result[item.activity_id] = replace(item, reason=f"For {name}: {item.reason}")
            result.setdefault(item.activity_id, item)
    same_part = {activity for activity, _ in set.intersection(*(set(best_each(s)) for s in sessions))}
    for activity, item in result.items():
        if item.kind in FITS and activity not in shared:
            result[activity] = (
                _short(item, len(sessions))
                if activity in same_part
                else replace(item, reason=NO_ONE_PART, remedy="Take children of nearer rungs.")
            )
    return gravest_first(result.values())


def _short(item: LeftOut, children: int) -> LeftOut:
    reason = f"Not enough of it for {ceil(children / 2)} children at once."
    return replace(item, kind="short", reason=reason, remedy="A second set would bring it in.")
