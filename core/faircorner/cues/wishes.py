"""Why a plan ends farther from what stands along the berth, or nearer, than was wanted.

What forbids more is read off the optimum: a linear program over the figures, held back by the
gaps and limits that are as small there as they may be. The one with the largest multiplier is
named (Kuhn and Tucker 1951). docs/sums/fit.md.
"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from scipy.optimize import linprog

from faircorner.cues.problem import COARSE, INSIDE, SLACKS, WANTED_SPARE, Problem
from faircorner.plane import Floats
from faircorner.said import Length, Said
from faircorner.standards import Finish

__all__ = ["wish_missed"]

# A wish missed by less than this is met, m.
_MET = 0.05
# Figures that over all their ranges could mend no more of it than this share do not reach it; and
# what holds them back leaves no more than that of what they could.
_LEFT = 0.25


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class _Hold:
    """Something that is as small as it may be; slope : (free,), by each figure's share."""

    said: Said
    slope: Floats


def wish_missed(problem: Problem, x: Floats, finish: Finish) -> Said:
    """By how much it ends elsewhere along the berth than wanted, and why; empty where it does not.

    x : (free,), the best figures; finish : what they come to, a batch of one
    """
    berth = problem.berth
    end = berth.end(berth.along)
    if end is None or berth.gap is None:
        return Said()
    off = float(finish.measure(berth.along)[0]) - berth.gap
    if abs(off) < _MET:
        return Said()
    return Said(
        "farther than wanted" if off > 0 else "nearer than wanted",
        by=Length(abs(off)), what=end.name, wanted=Length(berth.gap),
        why=_why(problem, x, off),
    )  # fmt: skip


def _why(problem: Problem, x: Floats, off: float) -> Said:
    """off : m farther off than wanted, negative nearer"""
    rows, slopes = problem.around(x)
    gain, aim = np.sign(off) * slopes[SLACKS], slopes[1]
    free, _ = _most(x, gain, aim, [])
    if free < _LEFT * abs(off):
        return Said("its figures do not reach")
    holds = list(_holds(problem, rows, slopes))
    left, costs = _most(x, gain, aim, holds)
    if left < _LEFT * free:
        return holds[int(np.argmax(costs))].said
    return Said("as the method prefers")


def _holds(problem: Problem, row: Floats, slopes: Floats) -> Iterator[_Hold]:
    """What is as small at a row as it may be; slopes : (n, free), of all of the row."""
    gaps = problem.gaps
    for i, limit in enumerate(problem.limits, SLACKS + 1):
        if row[i] < INSIDE:
            said = Said("else past a limit", limit=Length(limit.at), what=limit.end)
            yield _Hold(said=said, slope=slopes[i])
    for i, name in enumerate(problem.passed, gaps.start):
        if row[i] < WANTED_SPARE + COARSE:
            spare = Length(min(float(row[i]), WANTED_SPARE))
            said = Said("else too little stays free", spare=spare, what=name)
            yield _Hold(said=said, slope=slopes[i])
    for i in range(gaps.stop, len(row)):
        if row[i] < COARSE:
            yield _Hold(said=Said("else over an edge"), slope=slopes[i])


def _most(x: Floats, gain: Floats, aim: Floats, holds: list[_Hold]) -> tuple[float, Floats]:
    """The most by which figures can come nearer to the wish, m to first order, while they keep to
    the aim and no hold gets smaller; and what each hold costs of it.
    """
    if not gain.size:
        return 0.0, np.empty(0)
    slopes = np.array([hold.slope for hold in holds]).reshape(len(holds), len(gain))
    found = linprog(
        gain, A_ub=-slopes, b_ub=np.zeros(len(holds)), A_eq=aim[None], b_eq=[0.0],
        bounds=[(-at, 1.0 - at) for at in np.clip(x, 0.0, 1.0)],
    )  # fmt: skip
    return -float(found.fun), -np.asarray(found.ineqlin.marginals)
