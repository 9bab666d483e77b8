"""Add a person to a clinic; the clinic is made where there is none of that name."""

import getpass
from typing import Any

from django.contrib.auth.models import User
from django.core.management.base import BaseCommand, CommandError, CommandParser

from clinic.models import ROLES, Clinic, Member


class Command(BaseCommand):
    """Adds a sign-in. The password is asked for, never taken from the command line."""

    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        """Who, where, as what."""
        parser.add_argument("username")
        parser.add_argument("clinic")
        parser.add_argument("role", choices=[r for r, _ in ROLES])

    def handle(self, *args: Any, **options: Any) -> None:
        """Make the user and their place in the clinic."""
        if User.objects.filter(username=options["username"]).exists():
            raise CommandError(f"There is a user {options['username']} already: choose another name.")
        password = getpass.getpass("Password: ")
        if len(password) < 10:
            raise CommandError("The password has fewer than 10 characters: choose a longer one.")
        clinic, _ = Clinic.objects.get_or_create(name=options["clinic"])
        user = User.objects.create_user(options["username"], password=password)
        Member.objects.create(user=user, clinic=clinic, role=options["role"])
        self.stdout.write(f"{options['username']} may sign in as {options['role']} of {clinic}.")
