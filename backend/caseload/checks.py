"""What a child's profile may say: each refusal names the field, the value, the reason and the remedy."""

from collections.abc import Collection, Mapping, Sequence
from datetime import date
from typing import Any

from clinic.models import Member
from core.child import ALLERGENS, OVERLAYS, PRECAUTIONS, Place, Supervision
from core.errors import NotThere
from core.recording import APPROACH_STEPS, Met
from core.skills import STRANDS, WANTED_TASKS, find_task, is_own

OLDEST_YEARS = 21
MOST_ADULTS = 6
LONGEST_NAME = 40
MOST_LIKES = 20
LONGEST_MEETING = 1800  # seconds
LISTED: dict[str, frozenset[str]] = {
    "allergies": frozenset(ALLERGENS),
    "precautions": frozenset[str](PRECAUTIONS),
    "wanted": frozenset(WANTED_TASKS),
    "overlays": frozenset(OVERLAYS),
    "behind": frozenset(STRANDS),
    "told": frozenset(STRANDS),
}


class FieldError(ValueError):
    """A value that can't be kept, at one field."""

    def __init__(self, field: str, value: object, reason: str, remedy: str) -> None:
        super().__init__(f"{reason} {remedy}")
        self.field, self.value, self.reason, self.remedy = field, value, reason, remedy


class FieldErrors(ValueError):
    """Several values that can't be kept, each at its own field."""

    def __init__(self, errors: Sequence[FieldError]) -> None:
        super().__init__(" ".join(str(e) for e in errors))
        self.errors = tuple(errors)


def checked_home(name: str, kind: Place, supervision: Supervision, adults: int = 1, who: str = "") -> dict[str, Any]:
    """Return a place's fields, words trimmed. Raises FieldError for no name, or a number of adults that can't be."""
    if not name.strip():
        raise FieldError("name", name, "A home needs a name.", "Write what the family or the clinic calls it.")
    if not 1 <= adults <= MOST_ADULTS:
        raise FieldError(
            "adults", adults, f"There are 1 to {MOST_ADULTS} adults at a table.", "Choose a number between these."
        )
    return {"name": name.strip(), "kind": kind, "supervision": supervision, "adults": adults, "who": who.strip()}


def may_see_children(colleague: Member) -> bool:
    """Whether somebody may be a child's therapist: leads and therapists who may sign in."""
    return colleague.role != "assistant" and colleague.user.is_active


def checked_therapist(colleague: Member) -> Member:
    """Return somebody who may be a child's therapist. Raises FieldError for anybody else."""
    if not may_see_children(colleague):
        raise FieldError(
            "therapist_id", colleague.pk, f"{colleague.name} can't be a child's therapist.", "Choose another colleague."
        )
    return colleague


def checked_profile(profile: Mapping[str, Any], on: date, clinic_id: int) -> dict[str, Any]:
    """Return the profile, names trimmed. Raises FieldError at the first thing that can't be kept."""
    kept = dict(profile)
    kept["first_name"] = " ".join(str(kept["first_name"]).split())
    if not kept["first_name"]:
        raise FieldError("first_name", "", "A child needs a name.", "Write the first name or what the child is called.")
    _check_birth_date(kept["birth_date"], on)
    for name, known in LISTED.items():
        for value in kept.get(name, ()):
            if value not in known and not (name == "wanted" and _is_own_task(value, clinic_id)):
                raise FieldError(
                    name, value, f"{value!r} is not known here.", f"Use one of {', '.join(sorted(known))}."
                )
    _check_told(kept.get("told", {}))
    _check_details(kept)
    _check_foods(kept)
    kept["likes"] = _short_words(kept.get("likes", []))
    _check_numbers(kept)
    return kept


def _check_told(told: Mapping[str, int]) -> None:
    """Rungs others say are done: rungs there are."""
    for strand, rung in told.items():
        if not 1 <= rung <= STRANDS[strand].top:
            name = STRANDS[strand].name
            reason = f"{name} has no rung {rung}."
            raise FieldError("told", rung, reason, f"Choose 1 to {STRANDS[strand].top}.")


def _is_own_task(task: str, clinic_id: int) -> bool:
    """Whether it is a wanted task this very clinic made."""
    if not is_own(task):
        return False
    try:
        return find_task(task).owner == f"clinic {clinic_id}"
    except NotThere:
        return False


def checked_meeting(met: Met, wary_of: Collection[str], refuses: Collection[str], precautions: Collection[str]) -> Met:
    """Return a meeting that can be kept. Raises FieldError for what the child is not wary of, or what is barred."""
    known = wary_of if met.kind == "food" else refuses
    if met.what not in known:
        raise FieldError("what", met.what, f"{met.what!r} is not in the profile.", "Add it to the profile first.")
    if met.kind == "food" and "swallowing" in precautions:
        reason = "This child has trouble swallowing: leave food to the person who treats the swallowing."
        raise FieldError("what", met.what, reason, "Leave it to them, and work on textures of the hand.")
    steps = len(APPROACH_STEPS[met.kind])
    if not 0 <= met.step <= steps:
        raise FieldError("step", met.step, f"Step {met.step}: there are {steps}.", f"Choose 0 to {steps}.")
    if not 0 <= met.seconds <= LONGEST_MEETING:
        reason = f"{met.seconds:g} seconds is not a possible meeting."
        raise FieldError("seconds", met.seconds, reason, f"Choose 0 to {LONGEST_MEETING}.")
    return met


def _short_words(likes: Sequence[str]) -> list[str]:
    """Interests, trimmed, each once. Raises FieldError for more than a child can have, or for whole sentences."""
    kept = list(dict.fromkeys(w.strip().lower() for w in likes if w.strip()))
    if len(kept) > MOST_LIKES:
        raise FieldError("likes", len(kept), f"{len(kept)} interests are too many to plan by.", f"Keep {MOST_LIKES}.")
    for like in kept:
        if len(like) > LONGEST_NAME:
            reason = f"“{like[:20]}…” is too long for one interest."
            raise FieldError("likes", like, reason, "Write it in a word or two.")
    return kept


def _check_foods(kept: dict[str, Any]) -> None:
    """Foods a child is wary of, in words; never one the child is allergic to."""
    kept["wary_of"] = [w.strip().lower() for w in kept.get("wary_of", []) if w.strip()]
    allergic = {ALLERGENS[a] for a in kept["allergies"]} | {w.lower() for w in kept["other_allergies"]}
    for food in kept["wary_of"]:
        if len(food) > LONGEST_NAME:
            raise FieldError("wary_of", food, f"“{food[:20]}…” is too long for one food.", "Write it in a word or two.")
        if any(a.rstrip("s") in food for a in allergic):
            reason = f"This child is allergic to {food}: keep it away from this child."
            raise FieldError("wary_of", food, reason, "Take it out here.")


def checked_steps(task: str, wanted: Collection[str], steps_alone: int) -> int:
    """Return how many steps of a wanted task were done alone. Raises FieldError where that can't be."""
    if task not in wanted:
        raise FieldError(
            "task",
            task,
            f"{task!r} is not a task this family wants.",
            "Add it to the profile first, or choose another.",
        )
    steps = len(find_task(task).steps)
    if not 0 <= steps_alone <= steps:
        reason = f"{steps_alone} steps alone: “{find_task(task).name}” has {steps}."
        raise FieldError("steps_alone", steps_alone, reason, f"Choose 0 to {steps}.")
    return steps_alone


def _check_details(kept: dict[str, Any]) -> None:
    """A precaution comes with its detail, and a detail with its precaution."""
    kept["other_allergies"] = [w.strip() for w in kept.get("other_allergies", []) if w.strip()]
    for words in kept["other_allergies"]:
        if len(words) > LONGEST_NAME:
            reason = f"“{words[:20]}…” is too long for one allergy."
            raise FieldError("other_allergies", words, reason, "Write one thing, in a word or two.")
    for id, precaution in PRECAUTIONS.items():
        detail = precaution.hand
        if detail is None:
            continue
        if id not in kept["precautions"]:
            kept[detail] = "none"
        elif kept.get(detail, "none") == "none":
            raise FieldError(detail, "none", f"Which hand? “{precaution.name}” is ticked.", "Say right or left.")
    if kept.get("assisting_hand", "none") == kept["hand"]:
        reason = f"The {kept['hand']} hand can't both be preferred and assist."
        raise FieldError("assisting_hand", kept["assisting_hand"], reason, "Change one of the two.")


def _check_birth_date(born: date, on: date) -> None:
    if born > on:
        raise FieldError("birth_date", born, f"The birth date {born:%d %b %Y} is in the future.", "Check the year.")
    if (on - born).days > OLDEST_YEARS * 366:
        raise FieldError(
            "birth_date",
            born,
            f"The birth date {born:%d %b %Y} is more than {OLDEST_YEARS} years ago.",
            "Check the year.",
        )


def _check_numbers(kept: dict[str, Any]) -> None:
    if not 2 <= kept["attention_minutes"] <= 120:
        raise FieldError(
            "attention_minutes",
            kept["attention_minutes"],
            "An attention span has 2 to 120 minutes.",
            "Choose a number between these.",
        )
    if not 1 <= kept["every_days"] <= 180:
        raise FieldError(
            "every_days", kept["every_days"], "Visits are 1 to 180 days apart.", "Choose a number between these."
        )
    limit = kept.get("force_limit_newton")
    if limit is not None and not 0 < limit <= 500:
        raise FieldError(
            "force_limit_newton",
            limit,
            f"A limit of {limit:g} N is not possible.",
            "Use more than 0, up to 500 N, or leave it empty.",
        )
