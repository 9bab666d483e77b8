"""What a clinic makes itself: named by what it holds, found by that name, uncertain at first; and what it begins as."""

from concurrent.futures import ThreadPoolExecutor
from copy import deepcopy
from datetime import date
from typing import get_args
from unittest import TestCase

from core.ability import SetEvidence, chance, start, update
from core.child import Child, Setting, for_family
from core.drawing import ACTS, draw, hand_mm, picture_issues
from core.drawing.canvas import Canvas
from core.drawing.picture import values_at
from core.drawing.scene import HIGH, WIDE, Scene
from core.errors import NotThere
from core.library import (
    ACTIVITIES,
    THINGS,
    Activity,
    asked_of_forms,
    blank,
    check,
    find_activity,
    issues,
    line_of,
    own_activity,
    own_thing,
    reading_grade,
    thing_as_written,
)
from core.library.work import WORK, WorkKind
from core.materials import Stock, Thing
from core.offers import UsableCupboard, evidence_name, stock_of, told, variants_of
from core.own import SHELF, OwnShelf, is_own
from testing.tags import slow

RIGHT = Child(age_months=60, hand="right")
CLINIC = Setting("clinic", "arms_reach")


class BlanksTest(TestCase):
    @slow
    def test_every_kind_of_work_has_a_blank_that_can_be_used_at_once(self) -> None:
        stock = stock_of(dict.fromkeys(THINGS, 60))
        for kind in get_args(WorkKind):
            activity = check({**blank(kind), "name": "Named"})
            house = UsableCupboard(stock, RIGHT, CLINIC, {activity.id: activity})
            with self.subTest(kind=kind):
                self.assertEqual(activity.work, kind)
                self.assertEqual(issues(blank(kind)), [])
                self.assertEqual(picture_issues(activity), [])
                made = own_activity(blank(kind), f"a test of {kind}")
                house = UsableCupboard(stock, RIGHT, CLINIC, {made.id: made})
                self.assertEqual(len(list(house.offers())), len(variants_of(made)), house.lack(variants_of(made)[0]))
                self.assertIn("<svg", draw(variants_of(made)[0], None, RIGHT))

    def test_its_words_are_plain(self) -> None:
        for kind in WORK:
            made = own_activity(blank(kind), f"a test of {kind}")
            words = told(variants_of(made)[0], RIGHT)
            for text in (words.does, " ".join(words.steps), words.counts_when, words.why, words.stop, *words.grade):
                with self.subTest(kind=kind, text=text):
                    self.assertLessEqual(reading_grade(for_family(text, RIGHT)), 6)


class NamedByContentTest(TestCase):
    def setUp(self) -> None:
        self.addCleanup(SHELF.look_up_with, SHELF.look_up_with(None))

    def test_the_same_words_make_the_same_id_and_one_other_word_another(self) -> None:
        one, again = own_activity(blank("piece"), "a"), own_activity(deepcopy(blank("piece")), "a")
        self.assertIs(one, again)
        self.assertNotEqual(one.id, own_activity({**blank("piece"), "say": "Plop."}, "a").id)
        self.assertNotEqual(one.id, own_activity(blank("piece"), "b").id)

    def test_it_is_found_by_id_and_by_line(self) -> None:
        made = own_activity({**blank("piece"), "name": "Found"}, "a")
        self.assertIs(find_activity(made.id), made)
        self.assertEqual(line_of(made.id), made.line)
        self.assertEqual(line_of("peg_fence"), "peg_fence")
        with self.assertRaises(NotThere):
            find_activity("own-of-nobody")

    def test_what_is_not_at_hand_is_asked_of_the_source_once(self) -> None:
        asked: list[str] = []

        def source(own_id: str) -> None:
            asked.append(own_id)

        SHELF.look_up_with(source)
        self.assertIsNone(SHELF.find("own-elsewhere", Activity))
        self.assertIsNone(SHELF.find("peg_fence", Activity))
        self.assertEqual(asked, ["own-elsewhere"])

    def test_threads_that_look_at_once_find_what_they_ask_for(self) -> None:
        """A shelf for eight, asked for forty by eight threads: something is always on its way out."""
        made = [own_activity({**blank("piece"), "name": f"Made {n}"}, "threads") for n in range(40)]
        by_id = {a.id: a for a in made}
        shelf = OwnShelf(8, by_id.get)
        with ThreadPoolExecutor(8) as pool:
            found = list(pool.map(lambda n: shelf.find(made[n % 40].id, Activity), range(4000)))
        self.assertEqual([f.name for f in found if f], [made[n % 40].name for n in range(4000)])

    def test_no_name_of_the_library_is_taken_for_an_own_one(self) -> None:
        self.assertEqual([i for i in (*ACTIVITIES, *THINGS) if is_own(i)], [])

    def test_a_thing_is_named_likewise_and_no_activity(self) -> None:
        made = own_thing(thing_as_written("cork"), "a")
        self.assertEqual(made.shape, THINGS["cork"].shape)
        with self.assertRaises(NotThere):
            find_activity(made.id)


class LearnedFromScratchTest(TestCase):
    """The rungs of a clinic's own activity are one therapist's guess: they tell less of the child, and move more."""

    def test_it_says_less_of_the_child_than_an_activity_of_the_library(self) -> None:
        made = own_activity(blank("piece"), "a")
        on = date(2026, 3, 2)
        begun = start(RIGHT, "object_grasp", None, on)
        ours = update(begun, [SetEvidence(made.line, 3.0, 20, 19)], on)
        theirs = update(begun, [SetEvidence("cargo_sort", 3.0, 20, 19)], on)
        self.assertLess(theirs.sd, ours.sd)
        self.assertGreater(abs(ours.offset(made.line)[0]), abs(theirs.offset("cargo_sort")[0]))

    def test_a_forecast_of_it_is_less_sure_before_anything_was_seen(self) -> None:
        made = own_activity(blank("piece"), "a")
        begun = start(RIGHT, "object_grasp", 5, date(2026, 3, 2))
        sure = float(chance(begun, 3.0, activity_id="cargo_sort"))
        self.assertLess(float(chance(begun, 3.0, activity_id=made.line)), sure)

    def test_its_sets_count_under_its_line_and_the_other_hand_apart(self) -> None:
        made = own_activity(blank("piece"), "a")
        self.assertEqual(evidence_name(variants_of(made)[0], "right"), made.line)


class HostileTest(TestCase):
    """What somebody writes is words and numbers, and stays so."""

    def test_words_never_become_markup_in_a_picture(self) -> None:
        cork = own_thing(
            {**thing_as_written("cork"), "name": "<img src=x onerror=a()>", "many": "<script>a()</script> & co"}, "a"
        )
        bowl = own_thing({**thing_as_written("wide_bowl"), "one": 'bowl"><x'}, "b")
        made = own_activity({**blank("piece"), "does": 'Your child <script>a()</script> "drops" it.'}, "c")
        stock = (Stock(cork, 12, "cork", {}), Stock(bowl, 1, "bowl", {}))
        house = UsableCupboard(stock, RIGHT, CLINIC, {made.id: made})
        variant = next(iter(house.offers())).variant
        picture = draw(variant, house.offer(variant), RIGHT)
        self.assertIn("&lt;script&gt;", picture)
        for markup in ("<script", "<img", '"><x'):
            self.assertNotIn(markup, picture)

    def test_an_activity_of_endless_grades_or_a_picture_of_endless_pieces_is_refused(self) -> None:
        step = {"words": "a", "tell": "Do it."}
        steps = [step, *({**step, "adds": {"object_grasp": 0.2 * i}} for i in range(1, 8))]
        axes = [{"id": f"a{i}", "words": "Way", "steps": steps} for i in range(4)]
        self.assertIn("axes", {i.at for i in issues({**blank("piece"), "axes": axes})})
        endless = {**blank("piece"), "picture": [{"act": "stack", "thing": "piece", "many": 1_000_000}]}
        self.assertTrue(issues(endless)[0].at.startswith("picture.0.many"))


class LanguageTest(TestCase):
    def test_every_act_says_what_it_takes_and_the_library_gives_no_more(self) -> None:
        self.assertEqual({ACTS["put"].takes[key].kind for key in ("thing", "into", "tool")}, {"role"})
        self.assertIn("child", ACTS["put"].takes["hold"].options)
        for activity in ACTIVITIES.values():
            self.assertEqual(picture_issues(activity), [], activity.id)
            for frame in activity.picture:
                self.assertLessEqual(set(frame.values), set(ACTS[frame.act].takes), activity.id)
        self.assertTrue(all(a.words[0].isupper() for a in ACTS.values()))

    @slow
    def test_an_act_asks_for_nothing_that_it_does_not_say(self) -> None:
        """Each act of every frame of the library, at every grade, on a scene that notes what it is asked for."""

        asked: set[str] = set()

        class Noting(Scene):
            def thing(self, key: str) -> Thing | None:
                asked.add(key)
                return super().thing(key)

            def word(self, key: str, other: str = "") -> str:
                asked.add(key)
                return super().word(key, other)

            def number(self, key: str, other: float = 0) -> float:
                asked.add(key)
                return super().number(key, other)

            def yes(self, key: str) -> bool:
                asked.add(key)
                return super().yes(key)

        for activity in ACTIVITIES.values():
            forms = {r.id: r.form for r in activity.roles}
            for frame in activity.picture:
                for variant in variants_of(activity)[:12]:
                    asked.clear()
                    values = values_at(activity, frame, variant.grade)
                    ACTS[frame.act].draw(
                        Canvas(WIDE, HIGH), Noting(frozenset(forms), {}, forms, {}, values, hand_mm(60))
                    )
                    self.assertLessEqual(asked, set(ACTS[frame.act].takes), (activity.id, frame.act))

    def test_a_word_an_act_does_not_know_is_refused_with_those_it_does(self) -> None:
        (issue,) = ACTS["zip"].issues({"way": "sideways"}, ())
        self.assertEqual(issue, ("way of “zip” can't be 'sideways'.", "Give one of up, down, foot."))

    def test_what_is_worth_measuring_of_a_thing_follows_from_what_activities_ask(self) -> None:
        asked = asked_of_forms(tuple(ACTIVITIES.values()))
        self.assertIn("hole_mm", asked["bead"])
        self.assertEqual(asked["filler"][0], "grain_mm")
        self.assertIn("force_newton", asked["clip"])
        self.assertNotIn("size_mm", {p for props in asked.values() for p in props})
