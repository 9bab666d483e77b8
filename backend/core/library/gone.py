"""An activity a clinic made that its library's checks no longer let through: what was done with it stays readable."""

from collections.abc import Iterator, Mapping, Sequence
from types import MappingProxyType
from typing import Any

from core.library.activity import Activity, Axis, Step, Unit
from core.skills import STRANDS


def as_it_was(own_id: str, line: str, values: Mapping[str, Any], why: str) -> Activity:
    """Return an activity that is gone: its words, strands and grades as they were written, and nothing to do it with.

    line   -- the name its sets count under
    values -- as they were shared; what can't be read of them is left out
    why    -- what keeps it from being used, in words
    Never planned and never run again: `Activity.gone` says why.
    """
    trains = dict(_numbers(values.get("trains"))) or {"hold_and_act": 1.0}
    return Activity(
        id=own_id,
        name=_text(values.get("name")) or "An activity that is gone",
        group=_text(values.get("group")),
        trains=MappingProxyType(trains),
        demands=MappingProxyType(dict(_numbers(values.get("demands")))),
        roles=(),
        axes=tuple(_axes(values.get("axes"), next(iter(trains)))),
        parts=(),
        counts=(5, 8, 10),
        unit=Unit("try", "tries"),
        work="piece",
        seconds=5.0,
        setup=_text(values.get("setup")),
        cues=(),
        watch=(),
        tidy="",
        does=_text(values.get("does")),
        steps=tuple(_text(words) for words in _list(values.get("steps"))),
        counts_when=_text(values.get("counts_when")),
        why=_text(values.get("why")),
        stop=_text(values.get("stop")),
        line=line,
        gone=why or "The checks of the library have changed.",
    )


def _axes(written: Any, strand: str) -> Iterator[Axis]:
    for axis in _list(written):
        if isinstance(axis, Mapping):
            steps = tuple(_step(s, strand) for s in _list(axis.get("steps")) if isinstance(s, Mapping))
            yield Axis(_text(axis.get("id")), _text(axis.get("words")), steps)


def _step(written: Mapping[str, Any], strand: str) -> Step:
    adds = written.get("adds")
    rungs = {strand: float(adds)} if isinstance(adds, int | float) else dict(_numbers(adds))
    return Step(_text(written.get("words")), _text(written.get("tell")), MappingProxyType(rungs))


def _numbers(written: Any) -> Iterator[tuple[str, float]]:
    if isinstance(written, Mapping):
        yield from ((k, float(v)) for k, v in written.items() if k in STRANDS and isinstance(v, int | float))


def _list(written: Any) -> Sequence[Any]:
    return written if isinstance(written, list | tuple) else ()


def _text(written: Any) -> str:
    return written if isinstance(written, str) else ""
