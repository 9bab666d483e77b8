"""Whether the words of an activity ask only for what its list brings. Common practice, no source."""

import re
from dataclasses import replace
from unittest import TestCase

from core.library import ACTIVITIES, THINGS
from core.library.listed import Names
from core.offers import variants_of
from core.offers.variants import ask_of

NAMES = Names(THINGS.values())
NUMBERS = {w: n for n, w in enumerate(("two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"), 2)}


class ListedTest(TestCase):
    def words(self, activity_id: str, **changed: object) -> set[str]:
        return {u.word for u in NAMES.unlisted(replace(ACTIVITIES[activity_id], **changed))}  # type: ignore[arg-type]

    def test_no_grade_of_the_library_asks_for_what_it_does_not_list(self) -> None:
        for activity in ACTIVITIES.values():
            self.assertEqual(list(NAMES.unlisted(activity)), [], activity.id)

    def test_a_thing_taken_off_the_list_is_missed_wherever_the_words_name_it(self) -> None:
        """Every role whose own noun stands in the words, taken away: found, unless another of that grade is one."""
        named = found = 0
        for activity in ACTIVITIES.values():
            text = " ".join((activity.setup, *activity.steps)).lower()
            for role in activity.roles:
                noun = role.words.split()[-1].rstrip("s")
                if not re.search(rf"\b{noun}s?\b", text) or noun in ("floor", "thing", "piece", "card", "strip"):
                    continue
                named += 1
                rest = tuple(r for r in activity.roles if r is not role)
                found += bool(self.words(activity.id, roles=rest))
        self.assertGreater(named, 150)
        self.assertGreater(found / named, 0.6, (found, named))

    def test_what_is_only_compared_with_a_thing_is_not_asked_for(self) -> None:
        self.assertEqual(self.words("lock_tower", setup="Pieces as big as a walnut, round like a coin."), set())
        self.assertIn("walnut", self.words("lock_tower", setup="Put a walnut beside it."))
        self.assertIn("draw", self.words("lock_tower", setup="Draw where it is to stand."))

    def test_what_is_kept_or_used_at_once_is_there_at_once(self) -> None:
        """Read from the words of every grade: four kept in the palm are four, however few tries a set has."""
        read = 0
        for activity in ACTIVITIES.values():
            for variant in variants_of(activity):
                for axis, at in zip(activity.axes, variant.grade, strict=True):
                    said = re.search(r"\b(?:Keep|Build with|clips?) (\w+)\b(?! s)", axis.steps[at].tell)
                    number = said and (NUMBERS.get(said[1]) or (int(said[1]) if said[1].isdigit() else 0))
                    if not number or number < 2:
                        continue
                    read += 1
                    roles = ask_of(activity, variant.grade).roles
                    least = max(r.least(1) for r in roles)
                    steady = (
                        max(r.least(number) for r in roles if r.share == 1) if any(r.share == 1 for r in roles) else 0
                    )
                    self.assertGreaterEqual(max(least, steady), number, (variant, axis.steps[at].tell))
        self.assertGreater(read, 50)
