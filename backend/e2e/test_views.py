"""The main views as they look, at three sizes, light and dark, against the pictures kept beside this file.

A view may differ in up to DIFFERS of its pixels, each by more than BY in one colour: fonts are drawn a little otherwise
from one version of the browser to the next. Kept at half size. `./pollicor views` makes them anew; look at what changed
before committing it.
"""

import os
from datetime import UTC, date, datetime
from io import BytesIO
from itertools import product
from pathlib import Path
from typing import Literal
from unittest.mock import patch
from uuid import uuid4

import numpy as np
import time_machine
from django.test import tag
from django.utils import timezone
from PIL import Image
from playwright.sync_api import Page

from caseload.actions import add_child
from e2e.browser import WATCH_POLICY, BrowserTest
from planning.actions import make_plan
from planning.models import Plan
from planning.workbench import Wish
from running.actions import start_run
from shelf.actions import Begun, begin
from testing.builders import make_home, make_member, profile

KEPT = Path(__file__).parent / "views"
NOW = datetime(2026, 3, 2, 9, 30, tzinfo=UTC)
SIZES = {"phone": (390, 844), "tablet": (820, 1180), "desk": (1280, 800)}
THEMES: tuple[Literal["light", "dark"], ...] = ("light", "dark")
DIFFERS = 0.01  # of the pixels, at the most
BY = 40  # of 255, in one colour
REFRESH = "POLLICOR_REFRESH_VIEWS" in os.environ


@tag("slow")
class ViewsTest(BrowserTest):
    """Each view once in every size and theme; the clock stands still, so that every day's words are the same."""

    def setUp(self) -> None:
        travel = time_machine.travel(NOW)
        travel.start()
        self.addCleanup(travel.stop)
        day = patch.object(timezone, "localdate", lambda *_: NOW.date())  # the runner holds the day it began on
        day.start()
        self.addCleanup(day.stop)
        self.lead = make_member(username="maren")
        self.lead.user.first_name = "Maren"
        self.lead.user.save()
        self.home = make_home(self.lead)
        born = date(2021, 3, 2)
        likes = profile(birth_date=born, wanted=["buttons", "scissors"])
        self.child = add_child(self.lead, self.home, likes, NOW.date())
        self.page = self.new_page()
        self.errors: list[str] = []

    def test_every_view_looks_as_it_is_kept(self) -> None:
        plan = self.planned(30, "grasp", "bilateral")
        run = start_run(self.lead, self.planned(20, "grasp"), uuid4(), NOW.date())
        own = begin(self.lead, "activity", Begun.of_blank("activity", "thread"), None)
        child = f"/children/{self.child.pk}"
        views = {
            "children": "/",
            "child": child,
            "cupboard": f"{child}/cupboard",
            "activities": f"{child}/library",
            "activity": f"{child}/library/peg_fence?grade=2,1,0",
            "ask": f"{child}/plan",
            "bench": f"/plans/{plan.pk}",
            "run": f"/runs/{run.pk}",
            "own": f"/own/{own.pk}",
        }
        KEPT.mkdir(exist_ok=True)
        wrong = []
        page = self.signed_in()
        for size, name in product(SIZES, views):
            width, height = SIZES[size]
            page.set_viewport_size({"width": width, "height": height})
            page.goto(views[name])
            page.wait_for_load_state("networkidle")
            page.wait_for_function("document.fonts.ready.then(() => true)")
            page.locator("[role=status] .bar").first.wait_for(state="detached")
            for theme in THEMES:
                difference = self.compared(f"{name}-{size}-{theme}", self.seen(page, theme))
                if difference is None:
                    wrong.append(f"{name} {size} {theme}: no picture is kept")
                elif difference > DIFFERS:
                    wrong.append(f"{name} {size} {theme}: {difference:.2%} differs")
        page.context.close()
        self.assertEqual(wrong, [], "Look at var/views; ./pollicor views keeps them as they are now.")

    def planned(self, minutes: int, *targets: str) -> Plan:
        return make_plan(self.lead, self.child, self.home, Wish(minutes, targets, "home"), NOW.date())

    def signed_in(self) -> Page:
        context = self.browser.new_context(base_url=self.live_server_url, reduced_motion="reduce", has_touch=True)
        page = context.new_page()
        page.add_init_script(WATCH_POLICY)
        page.clock.set_fixed_time(NOW)
        page.goto("/")
        page.get_by_label("Name").fill("maren")
        page.get_by_label("Password").fill("a long enough one")
        page.get_by_role("button", name="Sign in").click()
        page.get_by_role("heading", level=1).first.wait_for()
        page.get_by_role("link", name="Wyn").first.wait_for()
        return page

    def seen(self, page: Page, theme: Literal["light", "dark"]) -> Image.Image:
        """The page as it stands, in a theme: it is opened once for both."""
        page.emulate_media(color_scheme=theme)
        full = Image.open(BytesIO(self.at_rest(page))).convert("RGB")
        return full.resize((full.width // 2, full.height // 2), Image.Resampling.BOX)

    def at_rest(self, page: Page) -> bytes:
        """The picture once two in a row are the same: however long a busy machine takes to draw it."""
        before = b""
        for _ in range(160):
            shot = page.screenshot(animations="disabled", caret="hide")
            if shot == before:
                return shot
            before = shot
            page.wait_for_timeout(100)
        raise AssertionError(f"{page.url} never came to rest")

    def compared(self, name: str, seen: Image.Image) -> float | None:
        """The share of pixels that differ from the kept picture; None where none is kept."""
        file = KEPT / f"{name}.png"
        if REFRESH:
            seen.quantize(128, dither=Image.Dither.NONE).save(file, optimize=True)
            return 0.0
        if not file.exists():
            return None
        kept = Image.open(file).convert("RGB")
        if kept.size != seen.size:
            return 1.0
        apart = np.abs(np.asarray(kept, dtype=int) - np.asarray(seen, dtype=int)).max(axis=2)
        share = float((apart > BY).mean())
        if share > DIFFERS:
            looked = Path(__file__).resolve().parents[2] / "var" / "views"
            looked.mkdir(parents=True, exist_ok=True)
            both = Image.new("RGB", (kept.width * 2 + 8, kept.height), "red")
            both.paste(kept, (0, 0))
            both.paste(seen, (kept.width + 8, 0))
            both.save(looked / f"{name}.png")
        return share
