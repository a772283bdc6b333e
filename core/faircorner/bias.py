"""What single differences come to: which way they lie in the mean, and how far apart."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scipy.stats import t

__all__ = ["LEVEL", "Bias", "bias_of"]

# How sure an interval is meant to be.
LEVEL = 0.95


@dataclass(frozen=True, slots=True, kw_only=True)
class Bias:
    """The mean of differences and how they lie about it, in their own unit.

    bias : the mean; spread : one standard deviation
    low, high : where the bias lies, at `LEVEL`; None, as spread, of a single difference
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


def bias_of(differences: Sequence[float]) -> Bias:
    """Their mean and its interval by Student's t (Biometrika 6, 1908, 1).

    Raises ValueError for none at all.
    """
    if not differences:
        raise ValueError("no difference to sum up")
    bias, count = float(np.mean(differences)), len(differences)
    if count == 1:
        return Bias(count=1, bias=bias, spread=None, low=None, high=None)
    spread = float(np.std(differences, ddof=1))
    reach = float(t.ppf((1 + LEVEL) / 2, count - 1)) * spread / float(np.sqrt(count))
    return Bias(count=count, bias=bias, spread=spread, low=bias - reach, high=bias + reach)
