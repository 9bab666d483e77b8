"""Notes and goals: drafted, signed, amended; scaled before they start, scored after."""

from collections.abc import Sequence
from datetime import date

from django.utils import timezone

from caseload.checks import FieldError
from caseload.models import Child
from clinic.actions import Done, StaleEdit, acting
from clinic.models import Member
from core.progress import WORDS, RunRecord, Step, draft, priority, redraft
from progress.models import Amendment, Goal, GoalScore, Note
from running.models import Run
from running.queries import folded, names_of

SCALE = (-2, -1, 0, 1, 2)


def drafted(run: Run) -> str:
    """Return the note's draft from what is on record."""
    decisions = sorted(run.decisions.order_by("strand"), key=lambda d: priority(d.kind))
    sets = folded(run)
    done = {s.block for s in sets}
    earlier = (
        Run.objects.filter(child=run.child, ended_at__isnull=False, on__lt=run.on)
        .order_by("-on")
        .values_list("on", flat=True)
        .first()
    )
    return draft(
        RunRecord(
            run.child.first_name,
            run.on,
            sets,
            [name for block_id, name in names_of(run).items() if block_id not in done],
            {d.strand: (d.mean_before, d.mean_after) for d in decisions},
            [
                Step(
                    d.strand,
                    d.words,
                    d.evidence[0]["words"] if d.evidence else "",
                    d.answer,
                    WORDS[d.answer_kind] if d.answer_kind else "",
                )
                for d in decisions
            ],
            earlier,
        )
    )


def text_now(note: Note, draft_now: str) -> str:
    """A note's text: as it was signed, or brought up to date with the record while it is not."""
    return note.text if note.signed_at else redraft(note.drafted_from or draft_now, note.text, draft_now)


@acting("note.write")
def write_note(member: Member, run: Run, text: str, version: int, drafted_from: str = "") -> Done[Note]:
    """Keep a note's text; each one it had stands in the audit log. Raises FieldError for an empty or a signed one,
    StaleEdit where it changed meanwhile.

    drafted_from -- the draft that was shown when it was written; by default as the record stands now
    """
    Run.objects.select_for_update().get(pk=run.pk)  # of two first texts at once, the second is a conflict
    note = Note.objects.select_for_update().filter(run=run).first()
    _may_change(note, version, text)
    now = drafted(run)
    merged = redraft(drafted_from or now, text.strip(), now)
    if note is None:
        note = Note.objects.create(run=run, child=run.child, text=merged, drafted_from=now)
    else:
        note.text, note.drafted_from, note.version = merged, now, note.version + 1
        note.save(update_fields=["text", "drafted_from", "version"])
    return Done(note, note, run.child_id, {"version": note.version, "text": note.text})


def _may_change(note: Note | None, version: int, text: str) -> None:
    if not text.strip():
        raise FieldError("text", "", "A note needs words.", "Keep the draft, or write your own.")
    if note and note.signed_at:
        raise FieldError("text", "", "This note is signed and stays as it is.", "Add an amendment below it.")
    if version != (note.version if note else 0):
        raise StaleEdit(
            {"version": note.version if note else 0, "text": note.text if note else ""}, {"version": version}
        )


@acting("note.sign")
def sign_note(member: Member, run: Run, version: int, open_steps: int = 0) -> Done[Note]:
    """Sign a note: it and its run are locked from then on.

    open_steps -- how many proposed steps the signer knows to be unanswered
    Raises StaleEdit where taps are not counted yet, where steps are open that the signer does not know of, and where
    the record has changed since the text was written.
    """
    locked = Run.objects.select_for_update().get(pk=run.pk)  # a tap on its way is kept before, or kept apart after
    note = Note.objects.select_for_update().filter(run=run).first()
    if note is None:
        raise FieldError("text", "", "There is no note to sign yet.", "Keep the draft or your own words first.")
    _may_change(note, version, note.text)
    if run.ended_at is None:
        raise FieldError("run", "", "The run has not ended yet.", "Finish the run, then sign.")
    _is_up_to_date(locked, note, open_steps)
    note.signed_by, note.signed_at = member, timezone.now()
    note.save(update_fields=["signed_by", "signed_at"])
    Run.objects.filter(pk=run.pk).update(frozen=True)
    return Done(note, note, run.child_id)


def _is_up_to_date(run: Run, note: Note, open_steps: int) -> None:
    late = run.late_taps
    if late:
        reason = f"{late} taps arrived after the run had ended and are not counted yet."
        raise StaleEdit({"late_taps": late}, {}, f"{reason} Count them, read the note again, then sign.")
    unanswered = run.decisions.filter(answer="").count()
    if unanswered != open_steps:
        which = "1 next step is" if unanswered == 1 else f"{unanswered} next steps are"
        reason = f"{which} not answered yet. Answer, or say that you sign all the same."
        raise StaleEdit({"open_steps": unanswered}, {"open_steps": open_steps}, reason)
    if note.drafted_from and note.drafted_from != drafted(run):
        reason = "The record has changed since this note was written. Read it again, then sign."
        raise StaleEdit({"version": note.version}, {"version": note.version}, reason)


@acting("note.sign")
def amend_note(member: Member, run: Run, text: str) -> Done[Amendment]:
    """Add to a signed note; what was signed stays."""
    note = Note.objects.filter(run=run, signed_at__isnull=False).first()
    if note is None:
        raise FieldError("text", text, "Only a signed note is amended.", "Change the draft itself.")
    if not text.strip():
        raise FieldError("text", "", "An amendment needs words.", "Write what is to be added or corrected.")
    made = Amendment.objects.create(note=note, text=text.strip(), by=member)
    return Done(made, made, run.child_id)


@acting("goal.write")
def write_goal(
    member: Member, child: Child, words: str, levels: Sequence[str], weight: float, baseline: int, on: date
) -> Done[Goal]:
    """Write a goal with what each level would look like, before work on it starts."""
    if not words.strip():
        raise FieldError("words", "", "A goal needs words.", "Say what the family wants to see.")
    filled = [level.strip() for level in levels]
    if len(filled) != len(SCALE) or not all(filled):
        raise FieldError(
            "levels", "", "Each of the five levels needs words, from -2 to +2.", "Say what would be seen at each."
        )
    if len(set(filled)) < len(filled):
        raise FieldError("levels", "", "Two levels say the same.", "Make each level different.")
    if not 0 < weight <= 10:
        raise FieldError("weight", weight, f"{weight:g} is no weight.", "Weights are more than 0 and run up to 10.")
    _on_scale("baseline", baseline)
    goal = Goal.objects.create(
        child=child,
        words=words.strip(),
        levels=filled,
        weight=weight,
        baseline=baseline,
        written_on=on,
        written_by=member,
    )
    return Done(goal, goal, child.pk, {"words": goal.words})


@acting("goal.score")
def score_goal(member: Member, goal: Goal, score: int, on: date) -> Done[GoalScore]:
    """Keep where a goal stands today; the last word of the day wins."""
    _on_scale("score", score)
    made, _ = GoalScore.objects.update_or_create(goal=goal, on=on, defaults={"score": score, "by": member})
    return Done(made, made, goal.child_id, {"goal": goal.pk, "score": score})


def _on_scale(field: str, score: int) -> None:
    if score not in SCALE:
        raise FieldError(field, score, f"{score} is off the scale.", "Use -2, -1, 0, +1 or +2.")
