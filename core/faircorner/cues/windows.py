"""How much earlier or later each call may come, and what the finish owes to each call.

Every figure comes from driving again with the later steps still waiting for their own events.
"""

from dataclasses import dataclass
from typing import TypeAlias

import numpy as np
from numpy.typing import NDArray

from faircorner.cues.driven import Driven, attempt
from faircorner.cues.fit import Fit
from faircorner.cues.problem import Given, settings_for
from faircorner.cues.scene import Scene
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.standards import Band

__all__ = ["REACH", "Window", "breakage", "call_windows"]

Indices: TypeAlias = NDArray[np.int64]

# Windows are searched this far each way, m; beyond it a call is called free.
REACH = 1.0
_NUDGE = 0.05
_GRID, _ROUNDS = 6, 3
# Contact between samples this far apart, m, is missed by 1 mm at most; docs/sums/windows.md.
_SAMPLE = 0.12


@dataclass(frozen=True, slots=True, kw_only=True)
class Window:
    """How far a call may move, m; None when it may move further than was searched.

    early_breaks, late_breaks : what goes wrong just beyond each edge
    """

    early: float | None
    late: float | None
    early_breaks: Said
    late_breaks: Said


def breakage(outcome: Driven, row: int, bands: tuple[Band, ...] = (), *, edge: str = "") -> Said:
    """What one attempt did wrong, in a clause; false when it was good.

    bands : limits on its finish; edge : what stands beside it there
    """
    if outcome.followed.cut[row].any():
        return Said("no room before")
    for name, gap in outcome.gaps.items():
        if gap.metres[row] <= 0:
            return Said("tyre meets" if name in outcome.low else "body meets", what=name)
    if not outcome.followed.reached[row].all():
        return Said("never comes")
    for band in bands:
        if not band.holds(outcome.finish)[row]:
            return Said(band.of.outside, edge=edge)
    return Said()


def call_windows(scene: Scene, fit: Fit, given: Given) -> tuple[tuple[Window, ...], Floats]:
    """One window for each call, and how the finish answers to it. Kerb on the left.

    Calls are the ends of all steps but the last. A bracket is narrowed three times, each time with
    all calls and both ways in one batch; edges are right to 5 mm.
    The answers are (3, calls), finish measure per metre of lateness: rows are kerb (m/m), angle
    (rad/m) and the gap along the berth (m/m), by central differences of 5 cm each way.
    """
    steps = len(scene.method.steps)
    calls = steps - 1
    call = np.repeat(np.arange(calls), 2)
    sign = np.tile([-1.0, 1.0], calls)
    inside, outside = np.zeros(2 * calls), np.full(2 * calls, REACH)
    breaks = [Said()] * (2 * calls)
    free = np.zeros(2 * calls, dtype=np.bool_)
    share = np.arange(1, _GRID + 1) / _GRID
    answers = np.empty((3, calls))
    for round_ in range(_ROUNDS):
        edges = np.flatnonzero(~free)
        if not edges.size:
            break
        offsets = inside[edges, None] + (outside - inside)[edges, None] * share
        late = _displaced(call[edges], sign[edges, None] * offsets, steps)
        # What the finish answers comes with the first batch: one of its own would take longer.
        asked = np.vstack((late, _nudged(calls))) if round_ == 0 else late
        settings = settings_for(fit.values[None], given, steps, asked)
        outcome = attempt(scene, settings, sample=_SAMPLE)
        every = outcome.good(scene.bands) & ~outcome.followed.cut.any(axis=1)
        good = every[: len(late)].reshape(-1, _GRID)
        if round_ == 0:
            free = np.asarray(good.all(axis=1))
            answers = _answers(scene, outcome, calls)
        first = np.where(good.all(axis=1), _GRID - 1, good.argmin(axis=1))
        for i, edge in enumerate(edges):
            # Rounding can make the bracket's own end pass when it is driven again.
            row = i * _GRID + int(first[i])
            found_wrong = breakage(outcome, row, scene.bands, edge=scene.ground.berth.edge)
            breaks[edge] = found_wrong or breaks[edge]
        here = np.arange(len(edges))
        outside[edges] = offsets[here, first]
        before = offsets[here, np.maximum(first - 1, 0)]
        inside[edges] = np.where(first > 0, before, inside[edges])
    found = [None if free[e] else float(inside[e]) for e in range(2 * calls)]
    windows = tuple(
        Window(
            early=found[2 * c],
            late=found[2 * c + 1],
            early_breaks=Said() if free[2 * c] else breaks[2 * c],
            late_breaks=Said() if free[2 * c + 1] else breaks[2 * c + 1],
        )
        for c in range(calls)
    )
    return windows, answers


def _displaced(call: Indices, late: Floats, steps: int) -> Floats:
    """One attempt for each lateness of each call, (calls * tries, steps) m.

    late : (calls, tries), m
    """
    displaced = np.zeros((late.size, steps))
    displaced[np.arange(late.size), np.repeat(call, late.shape[1])] = late.ravel()
    return displaced


def _nudged(calls: int) -> Floats:
    """Each call a little late, then each a little early, (2 * calls, steps) m."""
    late = np.eye(calls, calls + 1) * _NUDGE
    return np.vstack((late, -late))


def _answers(scene: Scene, outcome: Driven, calls: int) -> Floats:
    """(3, calls), from a batch that ends in the nudged attempts."""
    along = outcome.finish.measure(scene.ground.berth.along)
    finish = np.stack([outcome.finish.kerb, outcome.finish.measure("angle"), along])
    late, early = np.split(finish[:, finish.shape[1] - 2 * calls :], 2, axis=1)
    return np.asarray((late - early) / (2 * _NUDGE))
