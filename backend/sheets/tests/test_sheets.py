"""Sheets as pages and as PDF: real pages, real sizes, the words a helper needs."""

import re
from datetime import timedelta
from html import unescape
from io import BytesIO
from typing import Any
from unittest.mock import patch
from urllib.parse import quote

from django.test import TestCase, tag
from pypdf import PdfReader

from caseload.models import Child
from core.library import THINGS
from planning.models import Plan
from testing.builders import STOCK, TODAY, Api, make_child, make_home, make_member, plan_for_child
from testing.tags import slow

A4_POINTS = (595.28, 841.89)  # 210 x 297 mm, ISO 216
LETTER_POINTS = (612.0, 792.0)  # 8.5 x 11 in


class PrepSheetTest(TestCase):
    def setUp(self) -> None:
        self.lead = make_member()
        self.child = make_child(self.lead, hand="left")
        self.plan = plan_for_child(self.lead, self.child)
        self.api = Api(self.lead)

    def get(self, path: str) -> Any:
        return self.api.client.get(f"/api{path}")

    def text(self) -> str:
        return self.get(f"/plans/{self.plan.pk}/sheet").content.decode()

    @tag("slow")
    def test_a_name_that_is_no_file_name_makes_a_file_all_the_same(self) -> None:
        """Quotes are escaped and a line break is none (RFC 6266; RFC 9110, 5.5)."""
        Child.objects.filter(pk=self.child.pk).update(first_name='Wyn "the\nfox"')
        answer = self.get(f"/plans/{self.plan.pk}/sheet.pdf")
        self.assertEqual(answer.status_code, 200)
        self.assertIn('\\"the fox\\"', answer["Content-Disposition"])

    @slow
    def test_every_block_is_on_it_with_words_and_cautions(self) -> None:
        text = self.text()
        for block in self.api("get", f"/plans/{self.plan.pk}")[1]["blocks"]:
            self.assertIn(block["name"], text)
            for hit in block["verdict"]["hits"]:
                self.assertIn(hit["remedy"].replace("'", "&#x27;"), text)
        self.assertIn("does not replace a licensed therapist", text)

    @slow
    def test_every_block_has_its_picture_with_words_what_counts_and_when_to_stop(self) -> None:
        text = unescape(self.text())
        blocks = self.api("get", f"/plans/{self.plan.pk}")[1]["blocks"]
        self.assertEqual(text.count('<svg xmlns="http://www.w3.org/2000/svg" class="picture"'), len(blocks))
        for block in blocks:
            for words in (block["told"]["does"], block["told"]["counts_when"], block["told"]["stop"]):
                self.assertIn(words, text)

    @slow
    def test_the_table_is_mirrored_for_a_left_hander(self) -> None:
        self.plan = plan_for_child(self.lead, self.child, targets=("scissors", "grasp"))
        set_up = re.compile(r"On the table: ([^.]*)\.")
        left = set_up.findall(unescape(self.text()))
        self.child.hand = "right"
        self.child.save()
        right = set_up.findall(unescape(self.text()))
        self.assertTrue(left)
        swap = {"on the left": "on the right", "on the right": "on the left"}
        self.assertEqual([re.sub("|".join(swap), lambda m: swap[m[0]], words) for words in left], right)

    @slow
    def test_the_child_has_a_strip_of_pictures_with_an_end(self) -> None:
        text = self.get(f"/plans/{self.plan.pk}/strip").content.decode()
        blocks = self.api("get", f"/plans/{self.plan.pk}")[1]["blocks"]
        self.assertEqual(text.count('class="picture"'), len(blocks))
        self.assertEqual(text.count("☐"), sum(b["sets"] for b in blocks))
        self.assertIn("Done!", text)
        self.assertEqual(self.get(f"/plans/{self.plan.pk}/strip.pdf")["Content-Type"], "application/pdf")

    @slow
    def test_one_activity_goes_on_a_card_at_the_grade_asked_for(self) -> None:
        block = self.api("get", f"/plans/{self.plan.pk}")[1]["blocks"][0]
        grade = ",".join(map(str, block["grade"]))
        path = f"/children/{self.child.pk}/activities/{block['activity_id']}/card?home_id={self.plan.home_id}&grade="
        text = unescape(self.get(path + grade).content.decode())
        for words in (*block["told"]["steps"], *block["told"]["grade"]):
            self.assertIn(words, text)
        self.assertIn(f"grade={quote(grade)}&amp;paper=Letter", self.get(path + grade).content.decode())
        self.assertEqual(self.get(path + "easy").status_code, 422)
        self.assertEqual(self.get(path + "99").status_code, 422)
        self.assertEqual(self.get(path.replace(block["activity_id"], "juggling") + grade).status_code, 422)
        stranger = Api(make_member())
        self.assertEqual(stranger.client.get(f"/api{path}{grade}").status_code, 404)

    @tag("slow")
    def test_the_pdf_is_set_in_the_letters_that_ship(self) -> None:
        page = PdfReader(BytesIO(self.get(f"/plans/{self.plan.pk}/sheet.pdf").content)).pages[0]
        fonts = {str(f.get_object()["/BaseFont"]) for f in page["/Resources"]["/Font"].values()}
        self.assertLessEqual({"Atkinson-Hyperlegible", "Atkinson-Hyperlegible-Bold"}, {f.split("+")[1] for f in fonts})

    @slow
    def test_cues_stand_in_the_order_the_heading_says_and_say_is_always_said(self) -> None:
        spoken = {
            c["words"]
            for b in self.api("get", f"/plans/{self.plan.pk}")[1]["blocks"]
            for c in b["cues"]
            if c["support"] == "spoken"
        }
        self.assertIn("Say or do, least help first", self.text())
        self.child.prompt_policy = "most_first"
        self.child.save()
        text = self.text()
        self.assertIn("Say or do, most help first", text)
        blocks = self.api("get", f"/plans/{self.plan.pk}")[1]["blocks"]
        self.assertEqual({b["say"] for b in blocks}, spoken)
        for block in blocks:
            self.assertEqual(block["do_first"], block["cues"][0]["words"])
            self.assertNotEqual(block["cues"][0]["support"], "spoken")

    @slow
    def test_paper_and_screen_say_the_same_forecast(self) -> None:
        text = self.text()
        for block in self.api("get", f"/plans/{self.plan.pk}")[1]["blocks"]:
            self.assertIn(f"expect {block['expected_words']} alone", text)

    @tag("slow")
    def test_the_pdf_has_the_papers_true_size(self) -> None:
        for paper, size in (("A4", A4_POINTS), ("Letter", LETTER_POINTS)):
            answer = self.get(f"/plans/{self.plan.pk}/sheet.pdf?paper={paper}")
            self.assertEqual(answer["Content-Type"], "application/pdf")
            first = PdfReader(BytesIO(answer.content)).pages[0]
            self.assertAlmostEqual(float(first.mediabox.width), size[0], delta=0.5)
            self.assertAlmostEqual(float(first.mediabox.height), size[1], delta=0.5)
            self.assertIn("Bring", first.extract_text())

    @tag("slow")
    def test_nothing_is_fetched_from_outside(self) -> None:
        with patch("urllib.request.urlopen", side_effect=AssertionError("fetched")):
            self.assertEqual(self.get(f"/plans/{self.plan.pk}/sheet.pdf").status_code, 200)

    def test_an_override_is_on_the_sheet_with_its_reason(self) -> None:
        home = make_home(self.lead, {**STOCK, "balloon": 4})
        child = make_child(self.lead, home, first_name="Fen")
        self.api(
            "post", f"/children/{child.pk}/overrides", {"rule": "balloon", "reason": "Held by the mother, foil only"}
        )
        plan = Plan.objects.create(
            child=child,
            home=home,
            made_by=self.lead,
            place="home",
            supervision="arms_reach",
            minutes=20,
            targets=["bilateral"],
            status="given",
            child_version=1,
            stock_stamp="x",
        )
        plan.blocks.create(
            position=0,
            part="main",
            activity_id="keep_it_up",
            grade=[1, 0],
            sets=1,
            strand="toss_catch",
            expected=0.8,
        )
        text = self.get(f"/plans/{plan.pk}/sheet").content.decode()
        self.assertIn("Reason: Held by the mother, foil only. Review by", text)

    def test_a_paper_that_does_not_exist_and_another_clinic_are_refused(self) -> None:
        self.assertEqual(self.get(f"/plans/{self.plan.pk}/sheet?paper=A9").status_code, 422)
        stranger = Api(make_member())
        self.assertEqual(stranger.client.get(f"/api/plans/{self.plan.pk}/sheet.pdf").status_code, 404)
        self.assertEqual(Api().client.get(f"/api/plans/{self.plan.pk}/sheet").status_code, 401)


class WeekSheetTest(TestCase):
    @slow
    def test_the_family_sheet_says_what_to_set_out_how_many_and_how_to_answer(self) -> None:
        lead = make_member()
        child = make_child(lead)
        api = Api(lead)
        monday = TODAY + timedelta(days=(7 - TODAY.weekday()) % 7)
        ask = {
            "minutes_by_day": [15, 0, 20, 15, 0, 25, 25],
            "a_day": 1,
            "targets": ["grasp", "bilateral"],
            "starts_on": monday,
        }
        _, week = api("post", f"/children/{child.pk}/weeks", ask)
        text = api.client.get(f"/api/weeks/{week['id']}/sheet").content.decode()
        for words in ("You need", "It counts when", "Just right", "How did it go?", "Monday", "no practice"):
            self.assertIn(words, text)
        cards = unescape(re.sub(r"<svg.*?</svg>|<[^>]+>", " ", text.split('class="card"', 1)[1], flags=re.DOTALL))
        self.assertNotRegex(cards, r"\d N\b|g/m²|\brungs?\b|helper side|skill hand|cylinder")
        answer = api.client.get(f"/api/weeks/{week['id']}/sheet.pdf?paper=Letter")
        self.assertGreaterEqual(len(PdfReader(BytesIO(answer.content)).pages), 1)


class ChecklistTest(TestCase):
    def test_every_thing_stands_on_it_once_with_what_is_known(self) -> None:
        lead = make_member()
        home = make_home(lead, {"cork": 7})
        text = unescape(Api(lead).client.get(f"/api/homes/{home.pk}/checklist").content.decode())
        for thing in (t for t in THINGS.values() if "kept_away" not in t.forms):
            self.assertEqual(text.count(f"</span> {thing.name} <span"), 1, thing.id)
        self.assertRegex(text, r"✓</span> Bottle corks <span class=\"many\">7</span>")
        self.assertEqual(text.count("✓"), 1)

    @tag("slow")
    def test_it_prints_on_few_pages_of_the_clinic_s_paper(self) -> None:
        lead = make_member()
        home = make_home(lead, {})
        pages = PdfReader(BytesIO(Api(lead).client.get(f"/api/homes/{home.pk}/checklist.pdf").content)).pages
        self.assertLessEqual(len(pages), 3)
        self.assertAlmostEqual(float(pages[0].mediabox.height), A4_POINTS[1], delta=0.5)
