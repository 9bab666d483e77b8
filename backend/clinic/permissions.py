"""Who may do what. An action without a line here is open to nobody."""

from types import MappingProxyType

from clinic.models import Member

_ALL = frozenset({"lead", "therapist", "assistant"})
_THERAPISTS = frozenset({"lead", "therapist"})

POLICY = MappingProxyType(
    {
        "caseload.read": _ALL,
        "child.read": _ALL,
        "child.add": _THERAPISTS,
        "child.edit": _THERAPISTS,
        "child.set_rung": _THERAPISTS,
        "child.override_hazard": _THERAPISTS,
        "cupboard.read": _ALL,
        "cupboard.edit": _ALL,
        "plan.read": _ALL,
        "plan.make": _THERAPISTS,
        "plan.edit": _THERAPISTS,
        "run.read": _ALL,
        "run.start": _ALL,
        "run.tap": _ALL,
        "run.finish": _ALL,
        "progress.read": _ALL,
        "decision.answer": _THERAPISTS,
        "note.read": _ALL,
        "note.write": _ALL,
        "note.sign": _THERAPISTS,
        "goal.write": _THERAPISTS,
        "goal.score": _THERAPISTS,
    }
)


class NotAllowed(Exception):
    """A member asked for something the policy does not give their role."""

    def __init__(self, action: str, role: str) -> None:
        super().__init__(f"{action} is not open to the role “{role}”. Ask the clinic's lead.")
        self.action = action


def may(member: Member, action: str) -> bool:
    """Whether the member's role may do the action; an action without a policy: no."""
    return member.role in POLICY.get(action, frozenset())


def require(member: Member, action: str) -> None:
    """Raise NotAllowed unless the member may do the action."""
    if not may(member, action):
        raise NotAllowed(action, member.role)
