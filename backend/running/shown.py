"""Runs as they are shown."""

from django.utils import timezone

from caseload.facts import facts_of
from clinic.base_schema import own_words
from clinic.models import Member
from core.child import alerts
from core.planner import LOOK
from core.recording import SUPPORTS
from core.running import TABLET_RULES, Event
from planning.schemas import BlockOut
from running import queries
from running.frozen import FrozenBlock
from running.models import Run
from running.schemas import AskedOut, GradeOut, RestOut, RunBlockOut, RunOut, SuggestionOut, SupportOut, TabletRulesOut


def run_out(run: Run, who: Member) -> RunOut:
    """A run as the API shows it to whoever runs it."""
    return RunOut(
        id=run.pk,
        plan_id=run.plan_id,
        group_id=run.group_id,
        speed=run.child.speed_policy,
        child_id=run.child_id,
        child_name=run.child.first_name,
        hand=run.child.hand,
        on=run.on,
        ended_at=run.ended_at,
        blocks=[_block_out(b, picture) for b, picture in queries.pictured_blocks(run)],
        events=[_to_the_letter(e) for e in queries.events_of(run)],
        alerts=list(alerts(facts_of(run.child, timezone.localdate()))),
        supports=[SupportOut(id=s.id, name=s.words) for s in SUPPORTS.values()],
        thumb=who.run_hand,
        step_by_step=who.role == "assistant",
        is_look=run.plan.format_id == LOOK,
        help_first=run.child.prompt_policy == "most_first",
        rules=TabletRulesOut.model_validate(TABLET_RULES),
    )


def _to_the_letter(event: Event) -> Event:
    """A tap, with what somebody typed at the table marked as theirs."""
    if event.kind != "note":
        return event
    return event.model_copy(update={"value": event.value.model_copy(update={"text": own_words(event.value.text)})})


def _block_out(frozen: FrozenBlock, picture: str) -> RunBlockOut:
    shown = dict(BlockOut.model_validate(frozen.block))
    return RunBlockOut.model_construct(
        **shown,
        id=frozen.id,
        says=[SuggestionOut.model_validate(s) for s in frozen.says],
        grades=[GradeOut.model_validate(g) for g in frozen.grades],
        if_mouthed=list(frozen.if_mouthed),
        rest=RestOut.model_validate(frozen.rest) if frozen.rest else None,
        measures=[AskedOut.model_validate(m) for m in frozen.measures],
        hand=frozen.hand,
        record=frozen.record,
        picture=picture,
    )
