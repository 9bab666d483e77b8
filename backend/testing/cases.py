"""The cases of docs/cases: made-up children with their facts, each with the session planned for it.

A case is a file: facts between two lines of dashes, then what a supervisor reads in the plan.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from datetime import date
from pathlib import Path
from types import MappingProxyType
from typing import Any

import yaml

from core import ability
from core.child import Child, Setting
from core.offers import stock_of
from core.planner import Block, SessionPlan, SessionRequest
from core.skills import STRANDS

SEEN_ON = date(2026, 1, 5)  # any day: what was seen is believed of the steps of a task too
FOLDER = Path(__file__).resolve().parents[2] / "docs" / "cases"
HOMES = Path(__file__).resolve().parents[1] / "demo" / "homes.yaml"


@dataclass(frozen=True)
class Case:
    """One case: its facts, and what its plan has to hold."""

    name: str
    request: SessionRequest
    expect: Mapping[str, Any]


def cases() -> list[Case]:
    """Every case of the folder, by name."""
    homes = {home["name"]: home["stock"] for home in yaml.safe_load(HOMES.read_text("utf-8"))}
    return [_case(path, homes) for path in sorted(FOLDER.glob("*.md")) if path.name != "README.md"]


def _case(path: Path, homes: Mapping[str, dict[str, int]]) -> Case:
    facts = yaml.safe_load(path.read_text("utf-8").split("---")[1])
    sets = ("likes", "precautions", "allergies", "refuses", "overlays")
    known: dict[str, Any] = {k: frozenset(v) if k in sets else v for k, v in facts["child"].items()}
    child = Child(**{**known, "wanted": tuple(facts["child"]["wanted"])})
    stock = {**homes[facts["home"]], **facts.get("also", {})}
    stock = {k: n for k, n in stock.items() if k not in facts.get("without", ())}
    session = facts["session"]
    request = SessionRequest(
        child,
        Setting(session.get("place", "home"), session.get("supervision", "arms_reach")),
        stock_of(stock),
        MappingProxyType(estimates_of(child, facts)),
        session["minutes"],
        tuple(session["targets"]),
        recent=MappingProxyType(facts.get("recent", {})),
        steps_alone=MappingProxyType(facts.get("steps_alone", {})),
        task=session.get("task", ""),
    )
    cutting = request.estimates["cutting"]
    request = replace(request, child=replace(child, cutting_rung=cutting.mean - cutting.sd))
    return Case(path.stem, request, facts.get("expect", {}))


def estimates_of(child: Child, facts: Mapping[str, Any]) -> dict[str, ability.Estimate]:
    """A guess from age, so many rungs behind it; and the rungs that were seen."""
    result = {}
    for strand, ladder in STRANDS.items():
        guess = ability.start(child, strand)
        behind = facts.get("behind", {}).get(ladder.target, facts.get("behind", {}).get("all", 0.0))
        rung = facts.get("seen", {}).get(strand, max(0.5, guess.mean - behind))
        seen = SEEN_ON if strand in facts.get("seen", {}) else None
        result[strand] = ability.Estimate(min(rung, ladder.top + 0.5), 0.6, as_of=seen)
    return result


def in_words(plan: SessionPlan) -> Iterator[str]:
    """A plan as the lines of a table, for a reader."""
    yield "| Part | What | Dose | Expect | For |"
    yield "|---|---|---|---|---|"
    for b in plan.blocks:
        what = f"**{b.name}**: {'; '.join(b.grade_words)}"
        yield f"| {b.part} | {what} | {_dose(b)} | {b.expected_words} | {_purpose(b)} |"
    yield ""
    tries = sum(b.tries for b in plan.blocks)
    yield f"{plan.minutes:g} minutes, {tries} tries, {plan.well_spent:.1f} minutes well spent ({plan.status})."
    for note in plan.notes:
        yield f"{note}"


def _dose(b: Block) -> str:
    return f"{b.sets} × {b.count} {b.unit}, {b.minutes:g} min"


def _purpose(b: Block) -> str:
    taught = next((s.words for s in b.chain if s.who == "taught"), "")
    return f"{b.serves or b.strand_name}{f'; teach “{taught}”' if taught else ''}"
