"""Plans that are refused, and whether a long search by pinned figures drives them all the same.

`python -m tests.core.refusals 60` takes so many refused ones, and prints those that can be driven.
"""

import sys
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace
from itertools import islice

import numpy as np
from faircorner.cues import Scene, make_plan
from faircorner.cues.prepare import prepare
from faircorner.cues.problem import LEAST_SPARE, Problem
from faircorner.documents.library import methods
from faircorner.ground import (
    Bay,
    Corner,
    Ground,
    Stretch,
    Turnabout,
    lay_bay,
    lay_kerb,
    lay_road,
    with_behind,
)
from faircorner.sides import turned_in
from faircorner.standards import goal_of
from scipy.optimize import differential_evolution

from tests.core.held import CARS, built
from tests.core.scenes import scene

__all__ = ["driven_all_the_same", "tight_scene"]

# How many sets of figures there are for each figure that is free, and how often they are bettered.
_EACH, _ROUNDS = 24, 80


def _tight_place(manoeuvre: str, rng: np.random.Generator) -> Ground:
    match goal_of(manoeuvre):
        case "kerbside":
            quay = lay_kerb("k", goal_ahead=rng.uniform(0.8, 2.0))
            return with_behind(quay, rng.uniform(5.0, 8.0)) if rng.random() < 0.7 else quay
        case "bay":
            nose = "in" if manoeuvre == "bay forward" else "out"
            bay = Bay(width=rng.uniform(2.2, 3.0), nose=nose)
            return lay_bay("b", bay=bay, aisle=rng.uniform(4.5, 8.0))
        case "turnabout":
            return lay_road("t", Turnabout(), road_width=rng.uniform(5.0, 9.0))
        case "corner":
            corner = Corner(radius=rng.uniform(3, 9))
            return lay_road("c", corner, road_width=rng.uniform(5.5, 8))
        case _:
            return lay_road("s", Stretch(), road_width=rng.uniform(5, 8))


def tight_scene(seed: int) -> Scene:
    """Any method with any car at a place of its kind, often too tight for it."""
    rng = np.random.default_rng(seed)
    names = sorted(methods())
    method = methods()[names[rng.integers(len(names))]].build()
    car = CARS[sorted(CARS)[rng.integers(4)]]
    return scene(*built(car), _tight_place(method.manoeuvre, rng), method)


def driven_all_the_same(asked: Scene) -> dict[str, float] | None:
    """Figures, by name in SI, that drive what was refused; None where a long search has none.

    Differential evolution (Storn and Price 1997), which knows nothing of slopes; what it finds is
    pinned and planned anew.
    """
    ready, given = prepare(turned_in(asked.side, asked))
    problem = Problem(ready, given)
    free, gaps = len(problem.free), problem.gaps
    if free == 0:
        return None

    def short(x: np.ndarray) -> np.ndarray:
        """By how much, in metres, each column of x misses being drivable."""
        rows = problem.rows(np.atleast_2d(x.T))
        close = np.maximum(0.0, LEAST_SPARE + 0.015 - rows[:, gaps].min(axis=1, initial=np.inf))
        aim = np.maximum(0.0, np.abs(rows[:, 1]) - 0.003)
        return aim + close + rows[:, 2] + np.maximum(0.0, -rows[:, 3:]).sum(axis=1)

    found = differential_evolution(
        short, [(0.0, 1.0)] * free, popsize=_EACH, maxiter=_ROUNDS, vectorized=True, polish=False,
        updating="deferred", rng=np.random.default_rng(1),
        callback=lambda intermediate_result: intermediate_result.fun <= 0,
    )  # fmt: skip
    values = problem.values(found.x[None])[0]
    figures = {u.name: float(v) for u, v in zip(ready.method.unknowns, values, strict=True)}
    pinned = make_plan(replace(asked, options=replace(asked.options, pinned=figures)))
    return figures if pinned.feasible else None


def _looked_at(seed: int) -> tuple[int, bool, dict[str, float] | None]:
    asked = tight_scene(seed)
    refused = not make_plan(asked).feasible
    return seed, refused, driven_all_the_same(asked) if refused else None


def _main(wanted: int) -> None:
    with ProcessPoolExecutor() as pool:
        looked = (one for one in pool.map(_looked_at, range(10 * wanted)) if one[1])
        found = list(islice(looked, wanted))
    for seed, _, figures in found:
        if figures is not None:
            print(f"{seed}: {tight_scene(seed).method.name} is driven with {figures}")
    print(f"{len(found)} refused, {sum(f is not None for *_, f in found)} driven all the same")


if __name__ == "__main__":
    _main(int(sys.argv[1]))
