"""What a clinic makes itself, as tests write it."""

from typing import Any

from django.test import TestCase

from core.library import blank
from testing.builders import Api, make_member

REEL = {
    "name": "Wooden reels",
    "one": "wooden reel",
    "many": "wooden reels",
    "kept": "craft",
    "forms": ["bead", "item"],
    "shape": {"rod": {"diameter_mm": 36, "length_mm": 40}},
    "hole_mm": 12,
    "usual_count": 8,
}


def pot_drop(**changes: Any) -> dict[str, Any]:
    """A whole own activity: the blank of moving a piece, with a name."""
    return {**blank("piece"), "name": "Pot drop", **changes}


class OwnTest(TestCase):
    """A lead who makes things of the clinic's own; each is handed back as the API shows it."""

    def setUp(self) -> None:
        self.lead = make_member("lead")
        self.api = Api(self.lead)

    def begun(self, values: dict[str, Any], kind: str = "activity") -> Any:
        status, entry = self.api("post", "/own", {"kind": kind, "values": values})
        self.assertEqual(status, 201, entry)
        return entry

    def shared(self, values: dict[str, Any], kind: str = "activity") -> Any:
        entry = self.begun(values, kind)
        status, entry = self.api("post", f"/own/{entry['id']}/share", {"version": entry["version"]})
        self.assertEqual(status, 200, entry)
        return entry

    def written(self, entry: dict[str, Any], values: dict[str, Any]) -> Any:
        status, entry = self.api("put", f"/own/{entry['id']}", {"values": values, "version": entry["version"]})
        self.assertEqual(status, 200, entry)
        return self.api("post", f"/own/{entry['id']}/share", {"version": entry["version"]})[1]

    def library(self, child: Any) -> dict[str, dict[str, Any]]:
        rows = self.api("get", f"/children/{child.pk}/library?home_id={child.home_id}")[1]
        return {r["activity_id"]: r for r in rows}
