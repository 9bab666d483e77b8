"""What a child's profile may say: each refusal names the field, the value, the reason and the remedy."""

from collections.abc import Collection, Mapping
from datetime import date
from typing import Any

from core.child import ALLERGENS, OVERLAYS, PRECAUTIONS, Place, Supervision
from core.skills import WANTED_TASKS

OLDEST_YEARS = 21
LONGEST_ALLERGY = 40
LISTED: dict[str, frozenset[str]] = {
    "allergies": frozenset(ALLERGENS),
    "precautions": frozenset(PRECAUTIONS),
    "wanted": frozenset(WANTED_TASKS),
    "overlays": frozenset(OVERLAYS),
}


class FieldError(ValueError):
    """A value that can't be kept, at one field."""

    def __init__(self, field: str, value: object, reason: str, remedy: str) -> None:
        super().__init__(f"{reason} {remedy}")
        self.field, self.value, self.reason, self.remedy = field, value, reason, remedy


def checked_home(name: str, kind: Place, supervision: Supervision) -> dict[str, str]:
    """Return a place's fields, its name trimmed. Raises FieldError for an empty name."""
    if not name.strip():
        raise FieldError("name", name, "A home needs a name.", "Write what the family or the clinic calls it.")
    return {"name": name.strip(), "kind": kind, "supervision": supervision}


def checked_profile(profile: Mapping[str, Any], on: date) -> dict[str, Any]:
    """Return the profile, names trimmed. Raises FieldError at the first thing that can't be kept."""
    kept = dict(profile)
    kept["first_name"] = str(kept["first_name"]).strip()
    if not kept["first_name"]:
        raise FieldError("first_name", "", "A child needs a name.", "Write the first name or what the child is called.")
    _check_birth_date(kept["birth_date"], on)
    for name, known in LISTED.items():
        for value in kept.get(name, ()):
            if value not in known:
                raise FieldError(
                    name, value, f"{value!r} is not known here.", f"Use one of {', '.join(sorted(known))}."
                )
    _check_details(kept)
    _check_numbers(kept)
    return kept


def checked_steps(task: str, wanted: Collection[str], steps_alone: int) -> int:
    """Return how many steps of a wanted task were done alone. Raises FieldError where that can't be."""
    if task not in wanted:
        raise FieldError(
            "task",
            task,
            f"{task!r} is not a task this family wants.",
            "Add it to the profile first, or choose another.",
        )
    steps = len(WANTED_TASKS[task].steps)
    if not 0 <= steps_alone <= steps:
        reason = f"{steps_alone} steps alone: “{WANTED_TASKS[task].name}” has {steps}."
        raise FieldError("steps_alone", steps_alone, reason, f"Choose 0 to {steps}.")
    return steps_alone


def _check_details(kept: dict[str, Any]) -> None:
    """A precaution comes with its detail, and a detail with its precaution."""
    kept["other_allergies"] = [w.strip() for w in kept.get("other_allergies", []) if w.strip()]
    for words in kept["other_allergies"]:
        if len(words) > LONGEST_ALLERGY:
            reason = f"“{words[:20]}…” is too long for one allergy."
            raise FieldError("other_allergies", words, reason, "Write one thing, in a word or two.")
    for id, precaution in PRECAUTIONS.items():
        for detail in precaution.details:
            if id not in kept["precautions"]:
                kept[detail] = "none"
            elif kept.get(detail, "none") == "none":
                reason = f"“{precaution.name}” is ticked, and nobody said which hand."
                raise FieldError(detail, "none", reason, "Say right or left: the plans need it.")
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
