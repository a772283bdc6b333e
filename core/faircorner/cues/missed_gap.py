"""Explain why a plan misses the gap that was set along the berth.

A linear program around the optimum finds how far the unknowns could still close the gap without
shrinking an active constraint; the constraint with the largest multiplier is the reason
(Kuhn and Tucker 1951). Derivation: docs/sums/fit.md.
"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from scipy.optimize import linprog

from faircorner.cues.problem import COARSE, INSIDE, SLACKS, WANTED_SPARE, Problem
from faircorner.plane import Floats
from faircorner.said import Length, Said
from faircorner.standards import Finish

__all__ = ["explain_missed_gap"]

# A gap missed by less than this counts as met, m.
_TOLERANCE = 0.05
# The unknowns cannot reach the gap if they gain less than this share of the miss; a constraint is
# the reason if it leaves less than this share of what they could gain without it.
_SMALL_SHARE = 0.25


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class _ActiveConstraint:
    """A gap or limit at its minimum; gradient : (free,), m per share of a range."""

    reason: Said
    gradient: Floats


def explain_missed_gap(problem: Problem, x: Floats, finish: Finish) -> Said:
    """Return how far the finish misses the gap set along the berth, and why; empty if it is met.

    x : (free,), the optimum, each unknown as a share of its range; finish : its finish, one row
    """
    berth = problem.berth
    end = berth.end(berth.along)
    if end is None or berth.gap is None:
        return Said()
    off = float(finish.measure(berth.along)[0]) - berth.gap
    if abs(off) < _TOLERANCE:
        return Said()
    return Said(
        "farther than wanted" if off > 0 else "nearer than wanted",
        by=Length(abs(off)), what=end.name, wanted=Length(berth.gap),
        why=_reason(problem, x, off),
    )  # fmt: skip


def _reason(problem: Problem, x: Floats, off: float) -> Said:
    """off : the finish's gap minus the gap set, m"""
    row, gradients = problem.around(x)
    gain, aim = np.sign(off) * gradients[SLACKS], gradients[1]
    reachable, _ = _largest_gain(x, gain, aim, [])
    if reachable < _SMALL_SHARE * abs(off):
        return Said("its figures do not reach")
    active = list(_active_constraints(problem, row, gradients))
    left, multipliers = _largest_gain(x, gain, aim, active)
    if left < _SMALL_SHARE * reachable:
        return active[int(np.argmax(multipliers))].reason
    return Said("as the method prefers")


def _active_constraints(
    problem: Problem, row: Floats, gradients: Floats
) -> Iterator[_ActiveConstraint]:
    """Yield every constraint at its minimum. row : (3 + n,); gradients : (3 + n, free)"""
    gaps = problem.gaps
    for i, limit in enumerate(problem.limits, SLACKS + 1):
        if row[i] < INSIDE:
            reason = Said("else past a limit", limit=Length(limit.at), what=limit.end)
            yield _ActiveConstraint(reason=reason, gradient=gradients[i])
    for i, name in enumerate(problem.passed, gaps.start):
        if row[i] < WANTED_SPARE + COARSE:
            spare = Length(min(float(row[i]), WANTED_SPARE))
            reason = Said("else too little stays free", spare=spare, what=name)
            yield _ActiveConstraint(reason=reason, gradient=gradients[i])
    for i in range(gaps.stop, len(row)):
        if row[i] < COARSE:
            yield _ActiveConstraint(reason=Said("else over an edge"), gradient=gradients[i])


def _largest_gain(
    x: Floats, gain: Floats, aim: Floats, active: list[_ActiveConstraint]
) -> tuple[float, Floats]:
    """Return the largest reduction of the miss, m to first order, and each constraint's multiplier.

    gain, aim : (free,), gradients of the reduction and of the distance to the edge, which stays
    """
    if not gain.size:
        return 0.0, np.empty(0)
    gradients = np.array([one.gradient for one in active]).reshape(len(active), len(gain))
    found = linprog(
        gain, A_ub=-gradients, b_ub=np.zeros(len(active)), A_eq=aim[None], b_eq=[0.0],
        bounds=[(-at, 1.0 - at) for at in np.clip(x, 0.0, 1.0)],
    )  # fmt: skip
    return -float(found.fun), -np.asarray(found.ineqlin.marginals)
