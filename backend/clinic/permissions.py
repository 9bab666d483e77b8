"""Who may do what. An action without a line here is open to nobody."""

from dataclasses import dataclass
from types import MappingProxyType

from clinic.models import Member

_ALL = frozenset({"lead", "therapist", "assistant"})
_THERAPISTS = frozenset({"lead", "therapist"})
_LEADS = frozenset({"lead"})


@dataclass(frozen=True)
class Policy:
    """The roles an action is open to, and the action in words: “may not …”."""

    roles: frozenset[str]
    words: str


POLICY = MappingProxyType(
    {
        "clinic.edit": Policy(_LEADS, "change the clinic's settings"),
        "clinic.remove_demo": Policy(_LEADS, "remove the demo clinic"),
        "audit.read": Policy(_LEADS, "read the audit log"),
        "upkeep.read": Policy(_LEADS, "see when backups were made"),
        "record.export": Policy(_THERAPISTS, "take out a child's whole record"),
        "record.delete": Policy(_LEADS, "delete a child's record"),
        "people.read": Policy(_LEADS, "see the clinic's people"),
        "people.edit": Policy(_LEADS, "change a colleague's place"),
        "people.invite": Policy(_LEADS, "invite a colleague or hand out a new password"),
        "me.edit": Policy(_ALL, "change their own account"),
        "caseload.read": Policy(_ALL, "see the caseload"),
        "home.add": Policy(_THERAPISTS, "add a home"),
        "home.edit": Policy(_THERAPISTS, "change a home"),
        "child.read": Policy(_ALL, "read a child's record"),
        "child.add": Policy(_THERAPISTS, "add a child"),
        "child.edit": Policy(_THERAPISTS, "change a child's profile"),
        "child.move": Policy(_THERAPISTS, "change where a child lives"),
        "child.assign": Policy(_THERAPISTS, "assign a child to a therapist"),
        "child.close": Policy(_THERAPISTS, "discharge a child or bring one back"),
        "child.note_mouthing": Policy(
            _ALL, "note that a child mouths things"
        ),  # whoever sits at the table sees it first
        "child.note_task": Policy(_ALL, "note how a daily task went"),
        "child.note_meeting": Policy(_ALL, "note how a food or a texture was met"),
        "child.set_rung": Policy(_THERAPISTS, "set a starting rung"),
        "child.override_hazard": Policy(_THERAPISTS, "override a hazard rule"),
        "child.withdraw_override": Policy(_THERAPISTS, "withdraw the override of a hazard rule"),
        "cupboard.read": Policy(_ALL, "see a cupboard"),
        "cupboard.edit": Policy(_ALL, "change a cupboard"),
        "cupboard.lift_bar": Policy(_THERAPISTS, "save a measurement or a label that makes a barred thing allowed"),
        "visit.read": Policy(_ALL, "see the calendar"),
        "visit.edit": Policy(_THERAPISTS, "change the calendar"),
        "visit.close": Policy(_ALL, "say how a visit went"),
        "plan.read": Policy(_ALL, "read a plan"),
        "plan.make": Policy(_THERAPISTS, "plan a session"),
        "plan.edit": Policy(_THERAPISTS, "change a plan"),
        "run.read": Policy(_ALL, "read a run"),
        "run.start": Policy(_ALL, "start a run"),
        "run.tap": Policy(_ALL, "record a run"),
        "run.finish": Policy(_ALL, "finish a run"),
        "progress.read": Policy(_ALL, "read a child's progress"),
        "decision.answer": Policy(_THERAPISTS, "answer a proposed step"),
        "note.read": Policy(_ALL, "read a note"),
        "note.write": Policy(_ALL, "write a note"),
        "note.sign": Policy(_THERAPISTS, "sign a note"),
        "goal.write": Policy(_THERAPISTS, "write a goal"),
        "library.read_learned": Policy(_LEADS, "see what the clinic's children taught"),
        "library.learn": Policy(_LEADS, "work difficulties out again, or accept them"),
        "child.love": Policy(_ALL, "say what a child loves, and how the family says it"),
        "shelf.read": Policy(_ALL, "see what the clinic has made itself"),
        "shelf.write": Policy(_THERAPISTS, "write activities, things, tasks and session formats for the clinic"),
        "shelf.hide": Policy(_THERAPISTS, "hide an activity of the library"),
        "goal.score": Policy(_THERAPISTS, "score a goal"),
    }
)


class NotAllowed(Exception):
    """A member asked for something the policy does not give their role."""

    def __init__(self, action: str, role: str) -> None:
        policy = POLICY.get(action)
        super().__init__(
            f"A clinic's {role} may not {policy.words if policy else 'do this'}. Ask a therapist or the clinic's lead."
        )
        self.action = action


def may(member: Member, action: str) -> bool:
    """Whether the member's role may do the action; an action without a policy: no."""
    policy = POLICY.get(action)
    return policy is not None and member.role in policy.roles


def require(member: Member, action: str) -> None:
    """Raise NotAllowed unless the member may do the action."""
    if not may(member, action):
        raise NotAllowed(action, member.role)
