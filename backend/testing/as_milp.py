"""A CP-SAT model read as a mixed-integer linear programme, for a second general solver: HiGHS through scipy."""

from typing import Any

import numpy as np
from scipy.optimize import Bounds, LinearConstraint, milp

FAR = np.inf
NO_BOUND = 1e15  # an exported bound beyond this is none


def best_by_highs(model: Any) -> float:
    """Return the optimum of a model of linear constraints, at-most-one, exactly-one, or, and conditional linear ones.

    Shares nothing with CP-SAT but the exported model. Raises ValueError for a constraint of another kind,
    AssertionError where HiGHS does not prove its optimum.
    """
    proto = model.proto
    count = len(proto.variables)
    low = np.array([v.domain[0] for v in proto.variables], float)
    high = np.array([v.domain[len(v.domain) - 1] for v in proto.variables], float)
    rows: list[np.ndarray] = []
    least: list[float] = []
    most: list[float] = []

    def keep(row: np.ndarray, at_least: float, at_most: float) -> None:
        rows.append(row)
        least.append(at_least)
        most.append(at_most)

    for constraint in proto.constraints:
        _read(constraint, low, high, keep)
    objective = np.zeros(count)
    for place, factor in zip(proto.objective.vars, proto.objective.coeffs, strict=True):
        _add(objective, place, factor)
    result = milp(
        objective,
        constraints=LinearConstraint(np.array(rows), least, most),
        integrality=np.ones(count),
        bounds=Bounds(low, high),
        options={"mip_rel_gap": 0},
    )
    assert result.status == 0, result.message
    scale = proto.objective.scaling_factor or 1
    return float((result.fun + proto.objective.offset) * scale)


def _add(row: np.ndarray, place: int, factor: float) -> None:
    row[place if place >= 0 else -place - 1] += factor


def _literal(row: np.ndarray, place: int, factor: float) -> float:
    """Add factor times a literal to a row; return the constant a negated one leaves."""
    if place >= 0:
        row[place] += factor
        return 0.0
    row[-place - 1] -= factor
    return factor


def _read(constraint: Any, low: np.ndarray, high: np.ndarray, keep: Any) -> None:
    row = np.zeros(len(low))
    if constraint.has_linear():
        linear = constraint.linear
        for place, factor in zip(linear.vars, linear.coeffs, strict=True):
            _add(row, place, factor)
        bounds = (_bound(linear.domain[0]), _bound(linear.domain[len(linear.domain) - 1]))
        _conditional(row, bounds, constraint.enforcement_literal, low, high, keep)
        return
    for kind, at_least, at_most in (
        ("at_most_one", -FAR, 1.0),
        ("exactly_one", 1.0, 1.0),
        ("bool_or", 1.0, FAR),
        ("bool_and", 0.0, 0.0),
    ):
        if getattr(constraint, f"has_{kind}")():
            literals = list(getattr(constraint, kind).literals)
            conditions = list(constraint.enforcement_literal)
            if kind == "bool_and":
                _implies(conditions, literals, len(low), keep)
                return
            if conditions and kind != "bool_or":
                raise ValueError(f"no reading for a conditional {kind}")
            literals += [-c - 1 for c in conditions]
            constant = sum(_literal(row, place, 1.0) for place in literals)
            keep(row, at_least - constant, at_most - constant)
            return
    raise ValueError(f"no reading for {constraint}")


def _bound(number: int) -> float:
    return float(number) if abs(number) < NO_BOUND else float(np.sign(number)) * FAR


def _implies(conditions: list[int], literals: list[int], count: int, keep: Any) -> None:
    for literal in literals:
        row = np.zeros(count)
        constant = _literal(row, literal, 1.0) + sum(_literal(row, c, -1.0) for c in conditions)
        keep(row, 1.0 - len(conditions) - constant, FAR)


def _conditional(
    row: np.ndarray, bounds: tuple[float, float], conditions: Any, low: np.ndarray, high: np.ndarray, keep: Any
) -> None:
    """A linear constraint, switched off by big constants where its conditions do not hold."""
    smallest = float(np.where(row > 0, row * low, row * high).sum())
    largest = float(np.where(row > 0, row * high, row * low).sum())
    for side, bound in zip(("least", "most"), bounds, strict=True):
        if np.isinf(bound):
            continue
        now = row.copy()
        big = max(0.0, bound - smallest) if side == "least" else max(0.0, largest - bound)
        constant = 0.0
        for condition in conditions:
            constant += _literal(now, condition, -big if side == "least" else big)
        slack = big * len(conditions)
        if side == "least":
            keep(now, bound - slack - constant, FAR)
        else:
            keep(now, -FAR, bound + slack - constant)
