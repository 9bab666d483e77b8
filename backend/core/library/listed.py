"""Whether what an activity's words speak of is in its list: a family can't set out what nobody told them to bring.

Every noun of the setup, the steps and the grades that is a thing has to be among the things that grade asks for. The
nouns are the library's own names of things and some the library does not have; words are compared by their stems.
Common practice, no source.
"""

import re
from collections.abc import Collection, Iterator
from dataclasses import dataclass
from functools import cache

import snowballstemmer

from core.library.activity import Activity
from core.materials import FORMS, Role, Thing

NOT_IN_THE_LIBRARY = "picture photo drawing model towel mirror blanket apron bucket pillow pebble napkin timer ladder"
"""Things that words may speak of and no cupboard of the library holds, or only under another name."""

NEVER_ALONE = """
aid band bar bud button can card circle cleaner clip cut edge figure fill filler fix hammer hook lace letter light line
note outline page pair pick piece pin press pump quarter rim ring roll set side spread square stamp stand straight strap
stretch strip stub thing tie tool top upright write zip
"""  # names that are as often what is done, a place or a part of something: not read
IN_ANY_ROOM = "table chair floor door"
COMPARED = re.compile(r"\bas \w+ as [^.,;:]*|\blike an? [^.,;:]*|\b\w+['’]s width|\bstick(?:s)? (?:it|them|out)\b")
"""What is only compared with a thing, and the verb that is spelt like one."""


@dataclass(frozen=True)
class Unlisted:
    """A word for a thing that is spoken of where nothing in the list of that grade is one, and its place."""

    at: str
    word: str


class Names:
    """The library's names of things, by which words of an activity are read."""

    def __init__(self, things: Collection[Thing]) -> None:
        heads = {*(_head(t.one) for t in things), *(_head(f.words) for f in FORMS.values())}
        unread = {_stem(word) for word in _words(f"{NEVER_ALONE} {IN_ANY_ROOM}")}
        self._nouns = {_stem(word) for word in heads | set(NOT_IN_THE_LIBRARY.split())} - unread
        self._by_form: dict[str, set[str]] = {}
        for t in things:
            heads_of = {_stem(_head(t.name)), _stem(_head(t.one))}
            called = heads_of | {s for s in _stems(f"{t.name} {t.one}") if s not in self._nouns}
            for form in t.forms:
                self._by_form.setdefault(form, set()).update(called)

    def unlisted(self, activity: Activity) -> Iterator[Unlisted]:
        """What an activity asks for and does not list, in its setup, its steps and every grade. What its file says is
        named only is left out.
        """
        at_some_grades = {role for a in activity.axes for s in a.steps for role in s.uses}
        always = [r for r in activity.roles if r.id not in at_some_grades]
        for at, text in (("setup", activity.setup), *((f"steps.{i}", text) for i, text in enumerate(activity.steps))):
            yield from self._unlisted(activity, at, text, always)
        for i, axis in enumerate(activity.axes):
            for j, step in enumerate(axis.steps):
                roles = [r for r in activity.roles if r in always or r.id in step.uses]
                for text in (step.tell, *step.steps):
                    yield from self._unlisted(activity, f"axes.{i}.steps.{j}", text, roles)

    def _unlisted(self, activity: Activity, at: str, text: str, roles: Collection[Role]) -> Iterator[Unlisted]:
        named_only = {_stem(word) for word in activity.named_only}
        forms = {r.form for r in roles}
        listed = {s for r in roles for s in _stems(r.words)}
        listed |= {s for form in forms for s in self._by_form.get(form, ())}
        for word in dict.fromkeys(_words(COMPARED.sub(" ", text.lower()))):
            stem = _stem(word)
            lacks = (word not in DRAWS and stem in self._nouns - listed) or (
                word in DRAWS and not any(FORMS[f].marks for f in forms)
            )
            if lacks and stem not in named_only:
                yield Unlisted(at, word)


def _head(name: str) -> str:
    """The noun a name hangs on: the last word before what it is of, in or with."""
    before = re.split(r"\b(?:of|in|with|from|for|on|to|at|that|and|or)\b|,", name.lower())[0]
    return (_words(before) or _words(name.lower()))[-1]


def _words(text: str) -> list[str]:
    return re.findall(r"[a-z]+", text)


def _stems(text: str) -> Iterator[str]:
    return (_stem(word) for word in _words(text.lower()))


_STEMMER = snowballstemmer.stemmer("english")


@cache
def _stem(word: str) -> str:
    return str(_STEMMER.stemWord(word))


DRAWS = frozenset({"draw", "draws", "drawn", "write"})  # done with something that marks
