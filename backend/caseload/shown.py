"""Children as they are shown."""

from datetime import date

from django.utils import timezone

from caseload import actions
from caseload.everyday import approach_out, task_out
from caseload.facts import age_months, approaches_of, estimates_of, facts_of, overrides_of, standings
from caseload.models import Child
from caseload.schemas import ChildOut, OverrideOut, StrandOut
from core.ability import wanted_rungs
from core.child import Override, alerts
from core.safety import RULES
from core.skills import STRANDS


def child_out(child: Child) -> ChildOut:
    """A child as the API shows it, estimates widened to today."""
    today = timezone.localdate()
    now, facts = estimates_of(child, today), facts_of(child, today)
    rows, overrides = {e.strand: e for e in child.estimates.all()}, overrides_of(child)
    strands = [
        StrandOut(
            strand=s,
            mean=now[s].mean,
            sd=now[s].sd,
            tries=rows[s].tries,
            as_of=rows[s].as_of,
            learned=now[s].learned.version,
            seen_rung=rows[s].seen_rung,
        )
        for s in STRANDS
        if s in rows
    ]
    return ChildOut(
        **actions.profile_of(child),
        id=child.pk,
        version=child.version,
        age_months=age_months(child.birth_date, today),
        usual_minutes=facts.usual_minutes,
        alerts=[*alerts(facts), *(f"Review due: {RULES[o.rule].topic}" for o in overrides if o.due(today))],
        home_id=child.home_id,
        home_name=child.home.name,
        also_at=[h.pk for h in child.also_at.all()],
        therapist_id=child.therapist_id,
        therapist_name=child.therapist.name if child.therapist else "",
        care=child.care,
        closed_on=child.closed_on,
        closing_words=child.closing_words,
        overrides=[override_out(o, today) for o in overrides],
        strands=strands,
        approaches=[approach_out(a) for a in approaches_of(child)],
        tasks=[task_out(standing, child, now) for standing in standings(child)],
        wanted_rungs=wanted_rungs(child.wanted),
    )


def override_out(override: Override, today: date) -> OverrideOut:
    """An override as the API shows it."""
    return OverrideOut(
        rule=override.rule,
        about=RULES[override.rule].about,
        reason=override.reason,
        on=override.on,
        review_on=override.review_on,
        supervision=override.supervision,
        by=override.by,
        due=override.due(today),
        holds=override.holds(today),
    )
