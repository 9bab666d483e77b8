"""Let a database role do what the application does, and no more."""

from typing import Any

from django.core.management.base import BaseCommand, CommandParser
from django.db import connection

RIGHTS = (
    "grant usage on schema public to {role}",
    "grant select, insert, update, delete on all tables in schema public to {role}",
    "grant usage, select on all sequences in schema public to {role}",
    "revoke update, delete on clinic_auditentry, clinic_audithead, caseload_erased, django_migrations from {role}",
    "revoke insert on django_migrations from {role}",
)


class Command(BaseCommand):
    """Grants a role, which owns nothing, the rows of every table; of the audit log, its heads and the list of what was
    erased, to read them and to add to them.
    """

    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        """The role; it is there already."""
        parser.add_argument("role")

    def handle(self, *args: Any, **options: Any) -> None:
        """Grant, after each migration again: new tables are let in, what was granted stays."""
        role = connection.ops.quote_name(options["role"])
        with connection.cursor() as cursor:
            for right in RIGHTS:
                cursor.execute(right.format(role=role))
