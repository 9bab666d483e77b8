"""What is read in a referral's words: sentences written for this, and what a therapist would tick. From memory."""

from unittest import TestCase

from core.ability import start
from core.child import Child
from core.skills import STRANDS, WANTED_TASKS, read_said
from core.skills.said import _BEHIND, _TASKS, _TOLD

SENTENCES = {
    "He can't do up his buttons yet.": ("wish buttons",),
    "Avoids drawing, holds the crayon in a fist.": ("wish drawing", "told tool_grasp 1"),
    "Snips, but can't follow a line with scissors.": ("told cutting 3", "wish scissors"),
    "Undoes his buttons but needs help to do them up.": ("told buttons 1", "wish buttons"),
    "Zips are fine, laces are hard.": ("wish laces",),
    "Wants to tie his shoes like his brother.": ("wish laces",),
    "Handwriting is slow and tires her hand; pencil grip awkward.": (
        "wish page",
        "behind writing",
        "behind tool_grasp",
    ),
    "Trouble with knife and fork; doesn't use both hands together.": ("wish cutlery", "behind together"),
    "Swaps hands in the middle of a task.": ("behind midline",),
    "She catches a ball well.": ("told toss_catch 1",),
    "Loves trains and her little brother.": (),
    "": (),
}


def ticked(text: str) -> tuple[str, ...]:
    """What is read, in short."""
    return tuple(f"{s.kind} {s.id}" + (f" {s.rung}" if s.rung else "") for s in read_said(text))


class SaidTest(TestCase):
    def test_sentences_say_what_a_therapist_would_tick(self) -> None:
        for sentence, expected in SENTENCES.items():
            with self.subTest(sentence):
                self.assertEqual(ticked(sentence), expected)

    def test_each_thing_once_with_the_clause_it_was_read_in(self) -> None:
        said = read_said("Can't do buttons. Buttons are hard; laces too hard")
        self.assertEqual(
            [(s.id, s.words) for s in said], [("buttons", "Can't do buttons"), ("laces", "laces too hard")]
        )

    def test_every_task_is_found_by_its_words_and_every_rung_is_there(self) -> None:
        self.assertEqual(set(_TASKS), set(WANTED_TASKS))
        self.assertLessEqual(set(_BEHIND), set(STRANDS))
        for phrase, strand, rung in _TOLD:
            self.assertLessEqual(rung, STRANDS[strand].top, phrase)
        for task, phrases in _TASKS.items():
            for phrase in phrases.split(","):
                self.assertIn(f"wish {task}", ticked(f"can't manage: {phrase}, yet") + ticked(f"no {phrase}"))


class GuessTest(TestCase):
    def test_what_is_named_lags_even_where_nothing_is_wished(self) -> None:
        named, other = Child(70, behind=frozenset({"tool_grasp"})), Child(70)
        self.assertLess(start(named, "tool_grasp").mean, start(other, "tool_grasp").mean)
        self.assertGreater(start(named, "tool_grasp").sd, start(other, "tool_grasp").sd)

    def test_what_others_say_is_done_is_believed_less_than_what_was_seen_and_more_than_age(self) -> None:
        told = start(Child(70, told=(("cutting", 3),)), "cutting")
        self.assertEqual(told.mean, 3)
        self.assertLess(start(Child(70), "cutting", seen_rung=3).sd, told.sd)
        self.assertLess(told.sd, start(Child(70), "cutting").sd)
