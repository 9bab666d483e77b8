"""Names and passwords people sign in with."""

from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.core.validators import validate_slug

from clinic.problems import ProblemError

SHORTEST_NAME, LONGEST_NAME = 2, 40


def checked_password(password: str, user: User) -> str:
    """Return the password. Raises ProblemError at `password` with every reason Django's validators give."""
    try:
        validate_password(password, user)
    except ValidationError as error:
        raise ProblemError(
            422, "Not saved", "password", "", " ".join(error.messages), "Choose a longer one; a short sentence is good."
        ) from error
    return password


def checked_username(username: str) -> str:
    """Return a sign-in name nobody has, in lower case. Raises ProblemError at `username`."""
    name = username.strip().lower()
    try:
        validate_slug(name)
    except ValidationError as error:
        raise ProblemError(
            422,
            "Not saved",
            "username",
            username,
            "A sign-in name is made of letters without accents, digits and hyphens.",
            "Leave out spaces and other signs.",
        ) from error
    if not SHORTEST_NAME <= len(name) <= LONGEST_NAME:
        raise ProblemError(
            422,
            "Not saved",
            "username",
            username,
            f"A sign-in name has {SHORTEST_NAME} to {LONGEST_NAME} letters.",
            "Choose another.",
        )
    if User.objects.filter(username__iexact=name).exists():
        raise taken(name)
    return name


def taken(name: str) -> ProblemError:
    """What is said of a sign-in name that somebody has."""
    return ProblemError(
        422, "Not saved", "username", name, f"Somebody signs in as {name} already.", "Choose another name."
    )


def stored_username(written: str) -> str:
    """The sign-in name that is meant, however its letters are written: as it is where there is one, else the only one
    that differs in capitals alone, else as written.
    """
    name = written.strip()
    if User.objects.filter(username=name).exists():
        return name
    alike = list(User.objects.filter(username__iexact=name).values_list("username", flat=True)[:2])
    return alike[0] if len(alike) == 1 else name.lower()


def checked_full_name(name: str) -> tuple[str, str]:
    """Return first and last name of a person's name as written. Raises ProblemError at `name` for none."""
    first, _, last = " ".join(name.split()).partition(" ")
    if not first:
        raise ProblemError(422, "Not saved", "name", name, "A person needs a name.", "Write it as colleagues say it.")
    return first[:150], last[:150]
