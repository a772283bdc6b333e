"""The chance that the next attempt is without a fault: driven again by hands like the learner's.

Derivation and choices: docs/sums/shift.md.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Literal, TypeAlias

import numpy as np
from scipy.optimize import nnls
from scipy.stats import binomtest, multivariate_t

from faircorner.cues import Scene, redrive
from faircorner.plane import Bools, Floats
from faircorner.shift.finishes import FLOOR, FinishSet
from faircorner.standards import Finish

__all__ = ["Chance", "Driving", "chance", "driving", "put_off", "scatter_share", "scatters"]

# Which of a batch are without a fault: late (k, calls) m, and what of each finish no call explains,
# rest (k, p), in the order of MEASURED.
Driving: TypeAlias = Callable[[Floats, Floats], Bools]

_DRAWS = 400
# Nobody's hand is steadier than this at a call, m; and no chance is told as certainty.
_STEADY, _MOST = 0.02, 0.99
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
    """Drives a plan's figures late and judges all of it: every limit taped, both gaps, every touch.

    along : which gap is the last of the finish's columns
    """
    vehicle, bands = scene.vehicle, scene.bands

    def driven(late: Floats, rest: Floats) -> Bools:
        found = redrive(scene, values, late)
        finish = put_off(found.finish, rest, vehicle.wheelbase, along)
        kept = np.all([band.holds(finish) for band in bands], axis=0)
        return np.asarray(kept & found.whole & ~found.kerb_touched & ~found.body_touched)

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


def chance(
    finishes: FinishSet, sensitivity: Floats, drive: Driving, rng: np.random.Generator,
    *, blamed: Floats, moved: Floats,
) -> Chance:  # fmt: skip
    """How likely the next attempt is without a fault.

    sensitivity : (p, calls), finish per metre of lateness; drive : see `driving`
    blamed : (calls,), m, how late the calls come that are held to come late
    moved : (calls,), m, by how much later they are told from now on
    The next finish is a multivariate t about the mean (so few tries count less); its calls come
    late as they most likely would for such a finish, and what that leaves open is drawn.
    """
    n, p = finishes.count, len(finishes.bias)
    spread = finishes.covariance * (n + 1) / n
    t = multivariate_t(loc=finishes.bias, shape=spread, df=max(n - p, 1), seed=rng)
    off = t.rvs(_DRAWS).reshape(-1, p)
    variances = np.diag(scatters(finishes.covariance, sensitivity) ** 2)
    seen = sensitivity @ variances @ sensitivity.T + np.diag(FLOOR[:p] ** 2)
    gain = variances @ sensitivity.T @ np.linalg.inv(seen)
    values, vectors = np.linalg.eigh(variances - gain @ sensitivity @ variances)
    hidden = vectors * np.sqrt(np.maximum(values, 0))
    late = (off - sensitivity @ blamed) @ gain.T + blamed
    late += rng.normal(size=late.shape) @ hidden.T
    rest = off - late @ sensitivity.T
    good = int(drive(late + moved, rest).sum())
    share = min((good + 0.5) / (_DRAWS + 1), _MOST)
    # As sure as so many attempts make a share (Wilson 1927).
    found = binomtest(round(share * n), n).proportion_ci(_LEVEL, method="wilson")
    return Chance(share, min(found.low, share), max(min(found.high, _MOST), share))


def scatters(covariance: Floats, sensitivity: Floats) -> Floats:
    """How unsteady each call must be held to be, (calls,) m, to scatter finishes so.

    covariance : (p, p) of finishes; sensitivity : (p, calls), finish per metre of lateness
    A call that the finish does not show is held to be as unsteady as the rest.
    """
    variances, shown = _variances(covariance, sensitivity)
    usual = float(variances[shown].mean()) if shown.any() else _STEADY**2
    return np.sqrt(np.maximum(np.where(shown, variances, usual), _STEADY**2))


def scatter_share(covariance: Floats, sensitivity: Floats) -> Floats:
    """Parts (calls,) of the scatter that unsteady calls explain; sums to 1, or all 0."""
    variances, _ = _variances(covariance, sensitivity)
    scale = 1 / np.sqrt(np.diag(covariance))
    parts = variances * ((sensitivity * scale[:, None]) ** 2).sum(axis=0)
    total = parts.sum()
    return np.asarray(parts / total if total > 0 else parts)


def _variances(covariance: Floats, sensitivity: Floats) -> tuple[Floats, Bools]:
    """Of each call, m², and which calls the finish shows at all.

    Non-negative least squares (Lawson and Hanson 1974) of the covariance on each call's own.
    """
    scale = 1 / np.sqrt(np.diag(covariance))
    seen = sensitivity * scale[:, None]
    own = np.stack([np.outer(j, j).ravel() for j in seen.T], axis=1)
    variances, _ = nnls(own, (covariance * np.outer(scale, scale)).ravel())
    return variances, np.abs(sensitivity).max(axis=0) > 0.01
