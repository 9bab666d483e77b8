"""Add a person to a clinic; the clinic is made where there is none of that name."""

import getpass
from typing import Any, get_args

from django.core.management.base import BaseCommand, CommandError, CommandParser

from clinic.models import Clinic, Role
from clinic.people_actions import new_member
from clinic.problems import ProblemError


class Command(BaseCommand):
    """Adds a sign-in. The password is asked for, never taken from the command line."""

    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        """Who, where, as what."""
        parser.add_argument("username")
        parser.add_argument("clinic")
        parser.add_argument("role", choices=get_args(Role))

    def handle(self, *args: Any, **options: Any) -> None:
        """Make the user and their place in the clinic."""
        clinic, _ = Clinic.objects.get_or_create(name=options["clinic"])
        name = options["username"]
        try:
            new_member(clinic, options["role"], name, name, getpass.getpass("Password: "))
        except ProblemError as error:
            raise CommandError(error.problem.detail) from error
        self.stdout.write(f"{name} may sign in as {options['role']} of {clinic}.")
