"""Chances stated to simulated learners on every demo sheet, beside what they truly came to.

`python -m tests.calibration 40` prints them by tenths, for so many learners a sheet.
"""

import sys
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from functools import partial
from itertools import pairwise
from zlib import crc32

import numpy as np
from faircorner.cues import Plan, Scene, make_plan, rehearse
from faircorner.shift import SimulatedLearner, advise, describe, driving
from faircorner.standards import Finish

from server.demo.learners import QUARRY_LEARNERS, SEATS, TIDEWELL_LEARNERS, Learner
from tests.recorded import docket

__all__ = ["Stated", "sheets", "stated"]

_SEED = 20261126
# Attempts driven to know what a chance truly is.
_TRUTH = 400
# What the tape leaves of kerb (m), angle (rad) and gap (m), after two readings at the kerb.
_TAPE = np.array([0.007, 0.0054, 0.010])


@dataclass(frozen=True, slots=True)
class Stated:
    """A chance as it was stated to a learner, and what share of attempts was without a fault."""

    kind: str
    share: float
    true: float


def sheets() -> dict[tuple[str, ...], tuple[Learner, str]]:
    """Every vehicle, place and method of the demo once, with a learner and a school that has it."""
    return {
        (school, SEATS[learner.seat][0].name, learner.place, learner.method): (learner, school)
        for school, learners in (("tidewell", TIDEWELL_LEARNERS), ("quarry", QUARRY_LEARNERS))
        for learner in learners
    }


def stated(sheet: tuple[Learner, str], learners: int) -> list[Stated]:
    """To so many simulated learners on one sheet."""
    scene = docket(*sheet)
    # No two sheets have the same hands, nor does a run have others than the one before.
    seed = [_SEED, crc32(sheet[0].name.encode())]
    return list(_stated_to(scene, make_plan(scene), learners, seed))


def _stated_to(scene: Scene, plan: Plan, learners: int, seed: list[int]) -> Iterator[Stated]:
    """To hands of any steadiness, after 8 to 19 attempts: without bias, late at a call, at all."""
    along = plan.ground.kerb_on_left().berth.along
    drive = driving(scene, plan.values, along)
    calls = plan.sensitivity.shape[1]
    for number in range(learners):
        rng = np.random.default_rng([*seed, number])
        bias = np.zeros(calls)
        if number % 3 == 1:
            bias[rng.integers(calls)] = rng.normal(0, 0.2)
        elif number % 3 == 2:
            bias = rng.normal(0, 0.08, size=calls)
        scatter = np.exp(rng.uniform(np.log(0.03), np.log(0.25))) * rng.uniform(0.5, 1.5, calls)
        hands = SimulatedLearner(bias=bias, scatter=scatter, learning=0.0)
        tried = rehearse(scene, plan, hands.lateness(int(rng.integers(8, 20)), before=0, rng=rng))
        off = _columns(tried.finish, along) - _columns(plan.finish, along)
        off = off[:, : 2 if np.isnan(off).any() else 3]
        off = off + rng.normal(size=off.shape) * _TAPE[: off.shape[1]]
        found = advise(describe(off), plan.sensitivity[: off.shape[1]], drive, rng=rng)
        truth = rehearse(scene, plan, hands.lateness(_TRUTH, before=0, rng=rng)).good.mean()
        yield Stated(found.kind, found.chance.share, float(truth))


def _columns(finish: Finish, along: str) -> np.ndarray:
    return np.stack([finish.kerb, finish.measure("angle"), finish.measure(along)], axis=1)


def _main(learners: int) -> None:
    with ProcessPoolExecutor() as pool:
        found = [one for sheet in pool.map(partial(stated, learners=learners), sheets().values())
                 for one in sheet]  # fmt: skip
    edges = [i / 10 for i in range(11)]
    for low, high in pairwise(edges):
        within = [one for one in found if low <= one.share < high]
        if within:
            share, true = (np.mean([getattr(one, n) for one in within]) for n in ("share", "true"))
            print(f"{low:.1f} to {high:.1f}: {share:.3f} stated, {true:.3f} true, {len(within)}")
    on = [one.true for one in found if one.kind == "move on"]
    print(f"{len(on)} told to move on, least true {min(on):.2f}")


if __name__ == "__main__":
    _main(int(sys.argv[1]))
