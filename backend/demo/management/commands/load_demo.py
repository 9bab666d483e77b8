"""Load the demo clinic."""

import json
import os
from importlib.resources import files
from typing import Any

import numpy as np
from django.contrib.auth.models import User
from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.db import transaction
from django.utils import timezone

from caseload.models import Home
from clinic.models import Clinic, Member
from cupboard.actions import add_item
from demo.clinic_data import CHILDREN, CLINIC, HOMES, MEMBERS
from demo.histories import add_demo_child, play, show_tasks, visit_weekly
from shelf.actions import questions_of, share, write_draft
from shelf.files import take_in

SEED = 20260


class Command(BaseCommand):
    """Loads the demo clinic into an empty database, and never into another."""

    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        """The password of the demo's members, and whether a filled database is an error."""
        password = os.environ.get("POLLICOR_DEMO_PASSWORD")  # not in the arguments, which every user of a machine sees
        parser.add_argument("--password", default=password, required=password is None)
        parser.add_argument("--if-empty", action="store_true", help="do nothing where there is a clinic already")

    def handle(self, *args: Any, **options: Any) -> None:
        """Make members, homes, cupboards, children and their histories."""
        if Clinic.objects.exists():
            if options["if_empty"]:
                return
            raise CommandError(
                "There is a clinic in this database already: nothing was changed. Load the demo into an empty one."
            )
        with transaction.atomic():  # all of it or nothing: a half-loaded clinic would never be finished
            self._load(options["password"])

    def _load(self, password: str) -> None:
        lead = self._members(password)
        homes = self._homes(lead)
        today = timezone.localdate()
        for number, demo in enumerate(CHILDREN):
            child = add_demo_child(lead, homes, demo, today)
            runs = play(lead, child, demo, today, np.random.default_rng(SEED + number))
            show_tasks(lead, child, demo, today)
            visit_weekly(lead, child, demo, number, today)
            self.stdout.write(f"  {demo.first_name}: {runs} sessions")
        self._own_library(lead)

    def _own_library(self, lead: Member) -> None:
        """What the clinic made itself, from a file as any clinic exports it; the lead answers what its words ask."""
        file = json.loads(files("demo").joinpath("our_library.json").read_text("utf-8"))
        for entry in take_in(lead, file).begun:
            values = entry.draft or {}
            answers = {q.hazard: {"yes": False} for q in questions_of(entry.kind, values)}
            kept = write_draft(lead, entry, {**values, "answers": answers}, entry.version) if answers else entry
            share(lead, kept, kept.version)

    def _members(self, password: str) -> Member:
        clinic = Clinic.objects.create(name=CLINIC, is_demo=True)
        result = []
        for username, name, role in MEMBERS:
            first, last = name.split()
            user = User.objects.create_user(username, password=password, first_name=first, last_name=last)
            result.append(Member.objects.create(user=user, clinic=clinic, role=role))
        return result[0]

    def _homes(self, lead: Member) -> dict[str, Home]:
        homes = {}
        for demo in HOMES:
            home = Home.objects.create(clinic=lead.clinic, name=demo.name, kind=demo.kind, supervision=demo.supervision)
            for thing_id, count in demo.stock.items():
                add_item(lead, home, thing_id, count, {})
            homes[demo.name] = home
        return homes
