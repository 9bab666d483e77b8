"""The one page, and the words of the trade."""

from django.test import TestCase

from core.skills import TARGETS
from testing.builders import Api, make_member, sign_in


class PageTest(TestCase):
    def test_the_page_has_a_strict_policy_and_is_never_cached(self) -> None:
        answer = self.client.get("/children/3/plan")
        self.assertEqual(answer.status_code, 200)
        policy = answer["Content-Security-Policy"]
        self.assertIn("script-src 'self'", policy)
        self.assertNotIn("unsafe", policy)
        self.assertEqual(answer["Cache-Control"], "no-cache")
        self.assertIn("csrftoken", answer.cookies)

    def test_an_unknown_path_of_the_api_is_no_page(self) -> None:
        self.assertEqual(self.client.get("/api/nothing").status_code, 404)

    def test_words_carry_the_whole_skills_map(self) -> None:
        _, words = Api(make_member())("get", "/words")
        self.assertEqual({t["id"] for t in words["targets"]}, set(TARGETS))
        self.assertTrue(all(s["rungs"] for s in words["strands"]))

    def test_unreadable_json_is_a_clear_no(self) -> None:
        member = make_member()
        sign_in(self.client, member)
        answer = self.client.post("/api/children", "{not json", content_type="application/json")
        self.assertEqual(answer.status_code, 400)
        self.assertEqual(answer["Content-Type"], "application/problem+json")
