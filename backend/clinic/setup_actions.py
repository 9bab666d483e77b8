"""The first start: a clinic and its first lead, made once, by whoever holds the code the start printed."""

import secrets
from collections.abc import Mapping
from zoneinfo import available_timezones

from django.conf import settings
from django.db import connection, transaction

from clinic.actions import Done, StaleEdit, acting, log
from clinic.models import Clinic, Member, Paper, Units
from clinic.people_actions import new_member
from clinic.problems import ProblemError
from core.child import CHOICES, Part

LONGEST_YEARS = 100


def is_open() -> bool:
    """Whether no clinic has been set up yet; the demo is none."""
    return bool(settings.SETUP_CODE) and not Clinic.objects.filter(is_demo=False).exists()


def hold_out_others() -> None:
    """Make a second set-up wait until this transaction has ended. Part of an action."""
    with connection.cursor() as cursor:
        cursor.execute(f"lock table {Clinic._meta.db_table} in share row exclusive mode")


def set_up(
    code: str, clinic: str, time_zone: str, paper: Paper, units: Units, name: str, username: str, password: str
) -> Member:
    """Make the clinic and its first lead. Raises ProblemError 409 once there is one, and at every field."""
    with transaction.atomic():
        hold_out_others()
        if not is_open():
            raise ProblemError(
                409, "Set up already", "code", "", "This Pollicor has a clinic already.", "Sign in, or ask its lead."
            )
        if not secrets.compare_digest(code.strip().encode(), settings.SETUP_CODE.encode()):
            raise ProblemError(
                403,
                "Not set up",
                "code",
                "",
                "That is not the set-up code.",
                "Copy the one that ./pollicor start printed.",
            )
        made = Clinic.objects.create(
            name=checked_clinic_name(clinic), time_zone=checked_zone(time_zone), paper=paper, units=units
        )
        lead = new_member(made, "lead", name, username, password)
        log(lead, "clinic.set_up", made, None, {"name": made.name})
    return lead


@acting("clinic.edit")
def edit_clinic(
    member: Member,
    name: str,
    time_zone: str,
    paper: Paper,
    units: Units,
    keep_years: int | None,
    version: int,
    approaches: Mapping[str, str] | None = None,
    zones: Mapping[Part, tuple[float, float]] | None = None,
) -> Done[Clinic]:
    """Change the clinic's settings. Raises StaleEdit where another lead did so since `version`."""
    now = Clinic.objects.select_for_update().get(pk=member.clinic_id)
    before = plain(now)
    if now.version != version:
        raise StaleEdit(
            before,
            {
                "name": name,
                "time_zone": time_zone,
                "paper": paper,
                "units": units,
                "keep_years": keep_years,
                "approaches": approaches,
                "zones": zones,
            },
        )
    now.name, now.time_zone, now.paper = checked_clinic_name(name), checked_zone(time_zone), paper
    now.units, now.keep_years = units, checked_years(keep_years)
    if approaches is not None:
        now.approaches = checked_approaches(approaches)
    if zones is not None:
        now.zones = checked_zones(zones)
    now.version += 1
    now.save()
    return Done(now, now, None, {"before": before, "after": plain(now)})


def plain(clinic: Clinic) -> dict[str, object]:
    """A clinic's settings as plain values."""
    return {
        "name": clinic.name,
        "time_zone": clinic.time_zone,
        "paper": clinic.paper,
        "units": clinic.units,
        "keep_years": clinic.keep_years,
        "approaches": clinic.approaches,
        "zones": clinic.zones,
        "version": clinic.version,
    }


def checked_approaches(approaches: Mapping[str, str]) -> dict[str, str]:
    """Return how a clinic works, by question. Raises ProblemError at `approaches` for a question or a choice there is
    not.
    """
    for question, choice in approaches.items():
        if choice not in CHOICES.get(question, {}):
            reason = f"{choice!r} is no choice of {question!r}."
            raise ProblemError(422, "Not saved", "approaches", choice, reason, "Choose from the list.")
    return dict(approaches)


def checked_zones(zones: Mapping[Part, tuple[float, float]]) -> dict[Part, list[float]]:
    """Return the bands a clinic aims for, as chances. Raises ProblemError at `zones` for one that can't be."""
    for part, (low, high) in zones.items():
        if not 0.3 <= low < high <= 0.995:
            words = f"{low * 10:g} to {high * 10:g} of 10 is no band for {part}."
            remedy = "A band runs from a lower to a higher number, 3 to 9.9 of 10."
            raise ProblemError(422, "Not saved", "zones", [low, high], words, remedy)
    return {part: list(band) for part, band in zones.items()}


def checked_clinic_name(name: str) -> str:
    """Return a clinic's name. Raises ProblemError at `clinic` for none."""
    words = " ".join(name.split())
    if not words:
        raise ProblemError(
            422, "Not saved", "clinic", name, "A clinic needs a name.", "Write what colleagues and families call it."
        )
    return words


def checked_years(years: int | None) -> int | None:
    """Return how many years a record is to be kept. Raises ProblemError at `keep_years` for none that can be."""
    if years is not None and not 1 <= years <= LONGEST_YEARS:
        raise ProblemError(
            422,
            "Not saved",
            "keep_years",
            years,
            f"Records are kept 1 to {LONGEST_YEARS} years.",
            "Ask what the law here wants, or leave it empty.",
        )
    return years


def checked_zone(time_zone: str) -> str:
    """Return a time zone this machine knows. Raises ProblemError at `time_zone` for another."""
    if time_zone not in available_timezones():
        raise ProblemError(
            422,
            "Not saved",
            "time_zone",
            time_zone,
            f"{time_zone!r} is not a known time zone.",
            "Choose one from the list.",
        )
    return time_zone
