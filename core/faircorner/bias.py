"""What single differences come to: which way they lie in the mean, and how far apart."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import inf, sqrt

import numpy as np

__all__ = ["ENOUGH", "Bias", "bias_of"]

# Evidence ratio from which an effect is reported: false alarms stay below one in 20, however often
# one looks (Ville 1939).
ENOUGH = 20.0
# Prior variance of the bias in units of the spread squared; chosen for the earliest detection, see
# docs/sums/tape.md.
_PRIOR_VARIANCE = 2.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Bias:
    """The mean of differences and how they lie about it, in their own unit.

    bias : the mean; spread : one standard deviation, None of a single difference
    low, high : where the bias lies, however often one looks; None while there are too few to say
    """

    count: int
    bias: float
    spread: float | None
    low: float | None
    high: float | None

    @property
    def biased(self) -> bool:
        """Whether it is more than chance would make it."""
        return self.low is not None and self.high is not None and self.low * self.high > 0


def bias_of(differences: Sequence[float], *, together: int = 1) -> Bias:
    """Mean of differences (n,) with an anytime-valid confidence interval for the bias.

    together : how many such series are looked at together; the chance that any of their intervals
        is ever wrong is at most 1 / `ENOUGH`
    Inverts the Bayes factor of the t-test (Rouder et al., Psychonomic Bulletin & Review 16, 2009,
    225), valid at every look (Pérez-Ortiz et al., Annals of Statistics 52, 2024, 1410).
    Derivation: docs/sums/tape.md. Raises ValueError for an empty series.
    """
    if not differences:
        raise ValueError("no difference to sum up")
    bias, count = float(np.mean(differences)), len(differences)
    if count == 1:
        return Bias(count=1, bias=bias, spread=None, low=None, high=None)
    spread = float(np.std(differences, ddof=1))
    half_width = _half_width(count, ENOUGH * together) * spread
    known = half_width < inf
    return Bias(
        count=count, bias=bias, spread=spread,
        low=bias - half_width if known else None, high=bias + half_width if known else None,
    )  # fmt: skip


def _half_width(count: int, odds: float) -> float:
    """Half width of the interval in units of the spread; infinite with too few differences."""
    inflation = 1 + count * _PRIOR_VARIANCE
    against = (odds**2 * inflation) ** (1 / count)
    if against >= inflation:
        return inf
    return sqrt((against - 1) / (1 - against / inflation) * (count - 1) / count)
