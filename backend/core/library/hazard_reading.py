"""What a clinic writes itself, read for hazards: every word that speaks of one asks a question with yes or no.

An answer is kept with the values, under `answers`. A yes says to the hazard rules what no box was ticked for; a no
stands with whoever said it. What the figures, forms and tags already say is not asked.
"""

import re
import unicodedata
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cache
from typing import Any

from core.library.files import blank, shipped_activities, shipped_things
from core.library.hazard_words import HAZARD_WORDS, HazardWords
from core.library.source import Issue
from core.library.work import WORK

READ = frozenset(
    {"name", "one", "many", "instead", "does", "steps", "setup", "say", "counts_when", "why", "tidy", "posture", "stop"}
    | {"cues", "words", "tell", "grip", "themes"}
)  # the fields that hold words somebody wrote
TYPED_LETTERS = 5  # from this length on a word one letter off is taken for the word
LISTED_ONLY = frozenset(h.id for h in HAZARD_WORDS if h.sets)  # in an activity: judged as one of its things alone


@dataclass(frozen=True)
class HazardQuestion(Issue):
    """What has to be answered before an entry is shared: what an answer is kept under, and the word that asked."""

    hazard: str
    word: str


def hazard_questions(kind: str, values: Mapping[str, Any]) -> Iterator[HazardQuestion]:
    """What has to be answered before an entry is used, each hazard once, at the first field that speaks of it.

    kind -- activity or thing; nothing is asked of anything else. values -- as written, right or wrong
    """
    if kind not in ("activity", "thing"):
        return
    answers = values.get("answers")
    answers = answers if isinstance(answers, dict) else {}
    asked: set[str] = set()
    for at, text in _texts(values):
        if kind == "activity" and text.strip() in _library_sentences():
            continue
        for hazard, word in _spoken(text):
            if hazard.id in asked or _is_said(hazard, kind, values):
                continue
            answer = answers.get(hazard.id)
            said = answer.get("yes") if isinstance(answer, dict) else None
            if said is False or (said is True and not _wants_more(hazard, kind)):
                continue
            asked.add(hazard.id)
            yield _question(kind, at, hazard, word, said is True)


def _question(kind: str, at: str, hazard: HazardWords, word: str, is_yes: bool) -> HazardQuestion:
    what = hazard.what.partition(", or ")[0]
    remedy = "Answer yes or no."
    if is_yes and kind == "thing":
        reason, remedy = f"“{word}”: how long it is decides.", "Give its length as a cord, or the way round its loop."
    elif is_yes:
        reason = f"“{word}”: something in it is {what}."
        remedy = "Add it to the things it needs, so that it is judged as one, or write it without."
    elif kind == "thing":
        reason = f"“{word}”: is it {hazard.what}?"
    elif hazard.id in LISTED_ONLY:
        reason = f"“{word}”: is there anything, not listed among its things, that is {what}?"
    else:
        reason = f"“{word}”: is any of it {hazard.what}?"
    return HazardQuestion(at, reason, remedy, hazard.id, word)


def _wants_more(hazard: HazardWords, kind: str) -> bool:
    """Whether a yes alone does not tell the rules enough: a length, or the thing itself."""
    return hazard.sets == "cord_mm" if kind == "thing" else hazard.id in LISTED_ONLY


def _is_said(hazard: HazardWords, kind: str, values: Mapping[str, Any]) -> bool:
    """Whether the rules know already: a figure, a form or a tag says it."""
    forms = set(_strings(values.get("forms")))
    tags = set(_strings(values.get("tags")))
    if kind == "activity":
        forms |= {str(r.get("form")) for r in _dicts(values.get("roles"))}
        tags |= {t for a in _dicts(values.get("axes")) for s in _dicts(a.get("steps")) for t in _strings(s.get("tags"))}
        return bool(forms & hazard.forms or tags & (hazard.tags | {hazard.id}))
    field, _, one = hazard.sets.partition(":")
    known = values.get(field)
    if one:
        return one in (*_strings(known), *_strings(values.get(f"{field}_perhaps")))
    return bool(known or forms & hazard.forms or any(values.get(f) for f in hazard.figures))


def _strings(value: Any) -> list[str]:
    return [v for v in value if isinstance(v, str)] if isinstance(value, list | tuple) else []


def _dicts(value: Any) -> list[dict[str, Any]]:
    return [v for v in value if isinstance(v, dict)] if isinstance(value, list | tuple) else []


def _texts(value: Any, at: str = "", is_words: bool = False) -> Iterator[tuple[str, str]]:
    """Every text somebody wrote, with its place."""
    if isinstance(value, str):
        if is_words:
            yield at, value
    elif isinstance(value, Mapping):
        for key, inner in value.items():
            if key != "answers":
                yield from _texts(
                    inner, f"{at}.{key}".lstrip("."), key in READ or (is_words and isinstance(inner, str))
                )
    elif isinstance(value, list | tuple):
        for i, inner in enumerate(value):
            yield from _texts(inner, f"{at}.{i}", is_words)


def _spoken(text: str) -> Iterator[tuple[HazardWords, str]]:
    """The hazards a text speaks of, each with the word that does."""
    tokens = _tokens(text)
    for i, token in enumerate(tokens):
        for word in _meant(token):
            for second, hazard in _phrases()[word]:
                later = next((t for t in tokens[i + 1 : i + 3] if second in _meant(t)), "")
                if later or not second:
                    yield hazard, f"{token} {later}".strip()


def _tokens(text: str) -> list[str]:
    plain = unicodedata.normalize("NFKD", text.lower()).encode("ascii", "ignore").decode()
    return re.findall(r"[a-z]+", plain)


@cache
def _phrases() -> Mapping[str, list[tuple[str, HazardWords]]]:
    """What a word begins: by the word, what has to follow it (nothing for a word alone) and the hazard. A phrase may be
    written as one word.
    """
    result: dict[str, list[tuple[str, HazardWords]]] = {}
    for group in HAZARD_WORDS:
        for words in group.words:
            first, _, second = words.partition(" ")
            result.setdefault(first, []).append((second, group))
            if second:
                result.setdefault(first + second, []).append(("", group))
                result.setdefault(second, [])
    return result


@cache
def _stems() -> Mapping[str, frozenset[str]]:
    """Every form a hazard's word may be written in, with the words it may be of."""
    result: dict[str, set[str]] = {}
    for word in _phrases():
        for form in _forms(word):
            result.setdefault(form, set()).add(word)
    return {form: frozenset(words) for form, words in result.items()}


def _forms(word: str) -> Iterator[str]:
    """A word as it is inflected: plural, and what is done, in both spellings."""
    yield word
    if word.endswith("fe"):
        yield f"{word[:-2]}ves"
    base = word[:-1] if word.endswith(("e", "y")) else word
    ends = ("s", "es", "d", "ed", "ing", "er", "ers", "y", "ies", "ied", "n")
    yield from (stem + end for stem in {word, base, word + word[-1]} for end in ends)


@cache
def _meant(token: str) -> frozenset[str]:
    """The hazards' words a written word may be: one of their forms, or one letter off a long one that is no other."""
    stems = _stems()
    if token in stems:
        return stems[token]
    if len(token) < TYPED_LETTERS or token in _library_words():
        return frozenset()
    near = (f for f in stems if len(f) >= TYPED_LETTERS and f[0] == token[0] and _one_off(token, f))
    return frozenset(w for f in near for w in stems[f] if len(w) >= TYPED_LETTERS)


def _one_off(a: str, b: str) -> bool:
    """Whether one letter put in, left out, changed or swapped with its neighbour makes one word of the other."""
    if abs(len(a) - len(b)) > 1:
        return False
    i = next((i for i, (x, y) in enumerate(zip(a, b, strict=False)) if x != y), min(len(a), len(b)))
    swapped = a[i : i + 2] == b[i : i + 2][::-1] and a[i + 2 :] == b[i + 2 :]
    return swapped or b[i + 1 :] in (a[i:], a[i + 1 :]) or a[i + 1 :] == b[i:]


@cache
def _library_sentences() -> frozenset[str]:
    """What the library's own activities and blanks say: nothing a clinic added."""
    written = [*shipped_activities(), *(blank(kind) for kind in WORK)]
    return frozenset(text.strip() for values in written for _, text in _texts(values))


@cache
def _library_words() -> frozenset[str]:
    """The words the library uses of what is safe: none of them is a slip of the pen."""
    of_things = (text for values in shipped_things() for _, text in _texts(values))
    return frozenset(_tokens(" ".join((*_library_sentences(), *of_things))))
