"""The chance that the next attempt is without a fault: driven again by hands like the learner's.

Derivation and choices: docs/sums/shift.md.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Literal, TypeAlias

import numpy as np
from numpy.typing import NDArray
from scipy.special import softmax
from scipy.stats import binomtest, chi2, norm, qmc

from faircorner.cues import Scene, movements, redrive
from faircorner.plane import Bools, Floats
from faircorner.shift.finishes import FLOOR, FinishSet
from faircorner.shift.hypotheses import Hypotheses
from faircorner.shift.scatter import scatters
from faircorner.standards import Finish

__all__ = ["Chance", "Driving", "Tries", "chance", "driving", "next_tries", "put_off"]

# Which of a batch are without a fault: late (k, calls) m, and what of each finish no call explains,
# rest (k, p), in the order of MEASURED.
Driving: TypeAlias = Callable[[Floats, Floats], Bools]

_DRAWS = 256
# No chance is told as certainty.
_MOST = 0.99
_LEVEL = 0.90


@dataclass(frozen=True, slots=True)
class Chance:
    """Of an attempt without a fault; low and high : what so few attempts leave open, 90 %."""

    share: float
    low: float
    high: float


def driving(
    scene: Scene, values: Mapping[str, float], along: Literal["ahead", "behind"]
) -> Driving:
    """Drives a plan's figures late and judges all of it.

    Every limit taped, both gaps, every touch, the way to its end, and the movements of the method.
    along : which gap is the last of the finish's columns
    """
    vehicle, bands = scene.vehicle, scene.bands
    taken = {
        "forward_movements": movements(scene.method.steps, 1),
        "reverse_movements": movements(scene.method.steps, -1),
    }
    taken["movements"] = sum(taken.values())
    allowed = all(
        limit.grade(taken[limit.measure]) is None
        for limit in scene.standard.limits
        if limit.measure in taken
    )

    def driven(late: Floats, rest: Floats) -> Bools:
        found = redrive(scene, values, late)
        finish = put_off(found.finish, rest, vehicle.wheelbase, along)
        kept = np.all([band.holds(finish) for band in bands], axis=0)
        clear = ~found.kerb_touched & ~found.body_touched
        return np.asarray(kept & found.whole & clear & allowed)

    return driven


def put_off(
    finish: Finish, rest: Floats, wheelbase: float, along: Literal["ahead", "behind"]
) -> Finish:
    """Finishes with something added to each.

    rest : (k, p), m off the kerb, rad of angle, and where p is 3 m of the gap named by `along`;
        what one gap gains the other loses
    """
    taped = dict(finish.taped)
    lean = np.sin(rest[:, 1]) * wheelbase / 2
    moved = {"kerb_front": rest[:, 0] - lean, "kerb_rear": rest[:, 0] + lean, "angle": rest[:, 1]}
    if rest.shape[1] > 2:
        other = "behind" if along == "ahead" else "ahead"
        moved |= {along: rest[:, 2], other: -rest[:, 2]}
    return Finish(taped=taped | {name: taped[name] + by for name, by in moved.items()})


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Tries:
    """Attempts that may come next.

    count : how many attempts they are drawn from
    late : (k, calls), m, of each call; rest : (k, p), what of the finish no call explains
    """

    count: int
    late: Floats
    rest: Floats


def next_tries(
    finishes: FinishSet, hypotheses: Hypotheses, sensitivity: Floats, rng: np.random.Generator
) -> Tries:
    """Draw attempts that may come next.

    sensitivity : (p, calls), finish per metre of lateness; rng : scrambles the points drawn at
    A hypothesis is drawn by how likely the finishes make it; given that, the next finish is a
    multivariate t about where it says (Gelman et al. 2013, Bayesian Data Analysis, 3.6), so that
    few attempts count less. Its calls come late as they most likely would for such a finish, and
    what that leaves open is drawn.
    """
    p, calls = sensitivity.shape
    # Points that fill the cube evenly (Sobol 1967, scrambled): fewer say as much.
    points = qmc.Sobol(2 + p + calls, rng=rng).random(_DRAWS).T
    scatter, which = _held(hypotheses, points[0])
    # Student's t: a normal law over the root of a chi-squared one.
    root = np.linalg.cholesky(hypotheses.spread[scatter, which])
    normal = np.einsum("kpq,qk->kp", root, norm.ppf(points[2 : 2 + p]))
    off = normal / np.sqrt(chi2.ppf(points[1], hypotheses.freedom))[:, None]
    variances = np.diag(scatters(finishes.covariance, sensitivity) ** 2)
    seen = sensitivity @ variances @ sensitivity.T + np.diag(FLOOR[:p] ** 2)
    gain = variances @ sensitivity.T @ np.linalg.inv(seen)
    values, vectors = np.linalg.eigh(variances - gain @ sensitivity @ variances)
    hidden = vectors * np.sqrt(np.maximum(values, 0))
    # What no call's coming late explains of where the finishes lie is led back with the rest.
    off = off + (hypotheses.about - hypotheses.late @ sensitivity.T)[which]
    late = off @ gain.T + norm.ppf(points[2 + p :]).T @ hidden.T
    return Tries(
        # Whole attempts, as a share is counted in.
        count=max(int(finishes.weight), 1),
        late=late + hypotheses.late[which],
        rest=off - late @ sensitivity.T,
    )


def _held(hypotheses: Hypotheses, points: Floats) -> tuple[NDArray[np.int64], NDArray[np.int64]]:
    """Which hypothesis each point between 0 and 1 stands for: its scatter and its lateness."""
    shares = np.cumsum(softmax(hypotheses.likely.ravel()))
    drawn = np.minimum(np.searchsorted(shares, points), len(shares) - 1)
    scatter, which = np.unravel_index(drawn, hypotheses.likely.shape)
    return scatter, which


def chance(tries: Tries, drive: Driving, moved: Floats) -> Chance:
    """How likely the next attempt is without a fault.

    drive : see `driving`; moved : (calls,), m, by how much later calls are told from now on
    """
    good = int(drive(tries.late + moved, tries.rest).sum())
    share = min((good + 0.5) / (len(tries.late) + 1), _MOST)
    # As sure as so many attempts make a share (Wilson 1927).
    sure = binomtest(round(share * tries.count), tries.count)
    found = sure.proportion_ci(_LEVEL, method="wilson")
    return Chance(share, min(found.low, share), max(min(found.high, _MOST), share))
