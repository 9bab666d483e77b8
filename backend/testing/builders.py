"""Stored things the apps' tests share."""

import json
from datetime import UTC, date, datetime, timedelta
from typing import Any
from uuid import uuid4

from django.contrib.auth.models import User
from django.test import Client
from django.utils import timezone

from caseload.actions import add_child
from caseload.models import Child, Home
from clinic.models import Clinic, Member, Role, SignedIn
from core.child import DEFAULTS
from cupboard.models import StockItem
from planning.actions import make_plan
from planning.models import Plan
from planning.workbench import Wish
from running.actions import keep_events, start_run
from running.models import Run
from running.shown import run_out

TODAY = timezone.localdate()  # the clinic's day; the test runner keeps it for the whole run

STOCK = {
    "wooden_bead_25": 16,
    "chenille_stem": 10,
    "taped_lace": 2,
    "common_peg": 16,
    "wooden_peg": 16,
    "tub_rim": 1,
    "wide_bowl": 3,
    "small_cup": 4,
    "copy_paper": 40,
    "heavy_paper": 20,
    "child_scissors": 1,
    "short_crayon": 8,
    "pencil": 5,
    "counter": 20,
    "cork": 12,
    "plastic_pot": 2,
    "drink_bottle": 4,
    "playing_cards": 52,
    "sticker_big": 30,
    "building_block": 18,
    "corn_dough": 1,
    "toilet_tube": 5,
    "clear_wall": 1,
    "clear_floor": 1,
    "bean_bag": 2,
    "dinner_spoon": 4,
    "table_tray": 1,
    "rolled_sock": 2,
    "button_card": 1,
    "bubble_wrap": 2,
}


def make_member(role: Role = "lead", clinic: Clinic | None = None, username: str | None = None) -> Member:
    """A member, in a clinic of their own unless one is given."""
    user = User.objects.create_user(username or f"user-{uuid4().hex[:8]}", password="a long enough one")
    return Member.objects.create(user=user, clinic=clinic or Clinic.objects.create(name="Clinic"), role=role)


def make_home(member: Member, stock: dict[str, int] | None = None) -> Home:
    """A home with a cupboard."""
    home = Home.objects.create(clinic=member.clinic, name="Lock cottage")
    StockItem.objects.bulk_create(
        StockItem(home=home, thing_id=m, count=n) for m, n in (STOCK if stock is None else stock).items()
    )
    return home


def profile(**changes: Any) -> dict[str, Any]:
    """A child's profile."""
    return {
        "first_name": "Wyn",
        "birth_date": TODAY - timedelta(days=5 * 366),
        "hand": "right",
        "mouthing": "never",
        "allergies": [],
        "precautions": [],
        "refuses": [],
        "likes": ["boats"],
        "wanted": ["buttons"],
        "family_words": "",
        "seating": "",
        "attention_minutes": 30,
        "force_limit_newton": None,
        **DEFAULTS,
        "food_as_material": True,
        "every_days": 7,
        **changes,
    }


def make_child(member: Member, home: Home | None = None, **changes: Any) -> Child:
    """A child with its first guesses."""
    return add_child(member, home or make_home(member), profile(**changes), TODAY)


def plan_for_child(
    member: Member, child: Child, minutes: int = 30, targets: tuple[str, ...] = ("grasp", "bilateral")
) -> Plan:
    """A plan made as the application makes one."""
    return make_plan(member, child, child.home, Wish(minutes, targets, "home"), TODAY)


def run_for_child(member: Member, child: Child, on: date = TODAY) -> Run:
    """A run of a fresh plan."""
    return start_run(member, plan_for_child(member, child), uuid4(), on)


def shown_blocks(run: Run) -> list[dict[str, Any]]:
    """A run's blocks as the API shows them."""
    return [b.model_dump(mode="json") for b in run_out(run, run.by).blocks]


def tries(run: Run, block: int, outcomes: str, support: str = "alone", second: int = 0) -> list[dict[str, Any]]:
    """Events for one block: '1' a success, '0' a miss."""
    shown = shown_blocks(run)[block]
    start = datetime(2026, 3, 2, 9, 0, tzinfo=UTC) + timedelta(seconds=second)
    return [
        {
            "id": str(uuid4()),
            "block": shown["id"],
            "kind": "try",
            "at": start + timedelta(seconds=5 * i),
            "value": {
                "outcome": "success" if o == "1" else "miss",
                "support": support,
                "grade": shown["grade"],
                "hand": "right",
            },
        }
        for i, o in enumerate(outcomes)
    ]


def tap_all(member: Member, run: Run, outcomes: str = "11101111") -> None:
    """Tap the same row of tries on every block."""
    for at in range(len(run.blocks)):
        keep_events(member, run, tries(run, at, outcomes, second=600 * at))


def sign_in(client: Client, member: Member) -> None:
    """Signs a member in on a test's browser, as the sign-in page does, without the password."""
    client.force_login(member.user)
    SignedIn.objects.create(key=client.session.session_key or "", member=member)


class Api:
    """The API as one signed-in member, in JSON."""

    def __init__(self, member: Member | None = None) -> None:
        self.client = Client()
        if member is not None:
            sign_in(self.client, member)

    def __call__(self, method: str, path: str, body: Any = None) -> tuple[int, Any]:
        """Return the status and what came back."""
        data = None if body is None else json.dumps(body, default=str)
        answer = (
            getattr(self.client, method)(f"/api{path}", data=data, content_type="application/json")
            if data
            else getattr(self.client, method)(f"/api{path}")
        )
        return answer.status_code, answer.json() if answer.content else None
