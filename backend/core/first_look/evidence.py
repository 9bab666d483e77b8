"""What is worth finding out of a child next, and why: a calendar of evidence.

A strand's doubt costs a wanted task what may be lost by going by the likeliest rung: training what is there already, or
leaving out what is short. With a normal belief that is sd × (φ(z) − |z| × Φ(−|z|)) rungs, z being how many spreads the
likeliest rung is from what the task demands (the unit normal loss integral; Raiffa & Schlaifer 1961).
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from scipy.stats import norm

from core.ability import Estimate, on_day
from core.skills import STRANDS, find_task

COSTLY = 0.12  # rungs of expected loss from which a look is worth it; project definition
NEXT_TASK = 0.7  # what the next wanted task counts, of the one before
WEEKS_AHEAD = 26  # looked into; later is no date to keep
OUT_OF_DATE = 6  # weeks without evidence after which a strand a task needs is looked at again; from memory


@dataclass(frozen=True)
class Question:
    """One strand to find out about.

    costs   -- rungs the doubt costs the task, in expectation, today; counted less for tasks wanted less
    due     -- the day from which a look is worth it: today where it is by now
    seen_on -- the day it was last looked at; None where never
    """

    strand: str
    task: str
    demanded: int
    mean: float
    sd: float
    costs: float
    due: date
    seen_on: date | None
    words: str


def loss_of_doubt(mean: float, sd: float, demanded: float) -> float:
    """Return the rungs lost, in expectation, by going by the likeliest rung where the true one is not known."""
    away = abs(demanded - mean) / sd
    return float(sd * (norm.pdf(away) - away * norm.cdf(-away)))


def to_find_out(wanted: Sequence[str], estimates: Mapping[str, Estimate], on: date) -> tuple[Question, ...]:
    """Return what is worth finding out, what is due first and costs most first; each strand once, for the task whose
    doubt it costs most.

    wanted    -- the tasks there is still something to do for, the most wanted first
    estimates -- as they stand on the day `on`
    """
    best: dict[str, Question] = {}
    for place, task in enumerate(wanted):
        for strand, rung in find_task(task).demands.items():
            if strand not in estimates:
                continue
            question = _question(task, strand, rung, estimates[strand], on, NEXT_TASK**place)
            if question is not None and (strand not in best or question.costs > best[strand].costs):
                best[strand] = question
    return tuple(sorted(best.values(), key=lambda q: (q.due, -q.costs)))


def _question(task: str, strand: str, rung: int, e: Estimate, on: date, share: float) -> Question | None:
    costs = share * loss_of_doubt(e.mean, e.sd, rung)
    due = _due(e, rung, on, share)
    if due is None:
        return None
    words = _words(task, strand, rung, e, on, due)
    return Question(strand, task, rung, e.mean, e.sd, costs, due, e.as_of, words)


def _due(e: Estimate, rung: int, on: date, share: float) -> date | None:
    """The first day the doubt is worth a look, today at the earliest; None where that is beyond WEEKS_AHEAD."""
    for week in range(WEEKS_AHEAD + 1):
        day = on + timedelta(weeks=week)
        later = on_day(e, day)
        stale = e.as_of is not None and (day - e.as_of).days > 7 * OUT_OF_DATE
        costly = share * loss_of_doubt(later.mean, later.sd, rung) >= COSTLY
        if costly or (stale and abs(rung - later.mean) < 2 * later.sd):
            return day
    return None


def _words(task: str, strand: str, rung: int, e: Estimate, on: date, due: date) -> str:
    name, wanted = STRANDS[strand].name.lower(), find_task(task).name
    short = float(norm.cdf((rung - e.mean) / e.sd))
    tenths = int(np.clip(round(short * 10), 0, 10))
    chance = f"{'an' if tenths == 8 else 'a'} {tenths} in 10 chance of falling short"
    odds = "as likely to fall short as not" if 4 <= tenths <= 6 else chance
    since = "never looked at" if e.as_of is None else f"last looked at {e.as_of:%-d %b}"
    when = "Now" if due <= on else f"From {due:%-d %b} on"
    return f"{when}: “{wanted}” needs rung {rung} of {name}; {odds}, {since}."
