"""A set of finishes of one cue sheet: its bias and its scatter.

Derivation and choices: docs/sums/shift.md.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike
from scipy.stats import f as f_distribution

from faircorner.errors import InputError
from faircorner.plane import Floats, wrap
from faircorner.said import Said

__all__ = [
    "BY_EYE",
    "FLOOR",
    "LEVEL",
    "MEASURED",
    "FinishSet",
    "describe",
    "least_count",
    "mean_pose",
]

# Columns of a set of finishes: off the kerb or line (m), angle (rad), gap along the berth (m),
# each less the plan.
MEASURED = ("kerb", "angle", "along")
# A bias lies outside its margin less often than this.
LEVEL = 0.05
# Tape and eye leave at least this much scatter, so that a few equal readings are not certainty.
FLOOR = np.array([0.01, np.radians(0.3), 0.015])

# What an attempt counts for whose finish was only looked at, beside one that was taped.
BY_EYE = 0.5


def least_count(measures: int) -> int:
    """How few attempts can carry a judgement on so many measures at once."""
    return measures + 3


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class FinishSet:
    """What a set of finishes says.

    count : attempts; weight : what they count for, as many taped ones
    bias : (p,), mean off the plan; covariance : (p, p), shrunk
    squares : (p, p), of the finishes about their mean, summed
    margin : (p,), half width of each bias's own 95 % interval
    """

    count: int
    weight: float
    bias: Floats
    covariance: Floats
    squares: Floats
    margin: Floats

    @property
    def scatter(self) -> Floats:
        """One standard deviation of each measure, (p,)."""
        return np.sqrt(np.diag(self.covariance))


def mean_pose(poses: ArrayLike, weights: Sequence[float] | None = None) -> Floats:
    """Where finishes lie in the mean: poses (n, 3), headings in any turn; returns (3,)."""
    all_poses = np.array(poses, dtype=np.float64).reshape(-1, 3)
    first = all_poses[0, 2]
    turned = first + np.average(wrap(all_poses[:, 2] - first), weights=weights)
    return np.array([*np.average(all_poses[:, :2], axis=0, weights=weights), turned])


def describe(off: ArrayLike, weights: Sequence[float] | None = None) -> FinishSet:
    """Bias and scatter of finishes.

    off : (attempts, p), finish less plan in the order of MEASURED, p being 2 or 3
    weights : (attempts,), above 0 and up to 1, what each counts for; None: all were taped
    Covariance shrunk toward its own diagonal (Schäfer and Strimmer 2005, target D) with weight
    p / (n + p), never below what tape and eye leave.
    Raises InputError for an empty set or NaN.
    """
    table = np.asarray(off, dtype=np.float64)
    if table.ndim != 2 or table.shape[0] < 2 or table.shape[1] not in (2, 3):
        raise InputError(
            "finishes",
            Said("needs 2 or more attempts", got=str(table.shape)),
        )
    if not np.isfinite(table).all():
        raise InputError("finishes", Said("every attempt needs every measure"))
    n, p = table.shape
    each = np.ones(n) if weights is None else np.asarray(weights, dtype=np.float64)
    counts = float(each.sum())
    bias = np.average(table, axis=0, weights=each)
    squares = (table - bias).T @ (each[:, None] * (table - bias))
    # Of weights that say how much to trust each, unbiased (Galassi et al., GSL manual, 21.4).
    plain = squares / (counts - float(each @ each) / counts) + np.diag(FLOOR[:p] ** 2)
    weight = p / (counts + p)
    shrunk = (1 - weight) * plain + weight * np.diag(np.diag(plain))
    # Student's t by way of F with one degree of freedom.
    reach = np.sqrt(f_distribution.isf(LEVEL, 1, n - 1))
    return FinishSet(
        count=n,
        weight=counts,
        bias=bias,
        covariance=shrunk,
        squares=squares,
        margin=reach * np.sqrt(np.diag(plain) / counts),
    )
