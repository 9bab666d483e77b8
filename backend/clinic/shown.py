"""Members as they are shown."""

from clinic.models import Member
from clinic.permissions import POLICY, may
from clinic.schemas import Me


def me_out(member: Member) -> Me:
    """A member as the API shows them to themselves."""
    return Me(
        name=member.name,
        username=member.user.get_username(),
        role=member.role,
        clinic=member.clinic.name,
        is_demo=member.clinic.is_demo,
        paper=member.clinic.paper,
        run_hand=member.run_hand,
        theme=member.theme,
        units=member.units,
        may=[action for action in POLICY if may(member, action)],
    )
