"""What single differences come to: which way they lie in the mean, and how far apart."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import inf, sqrt

import numpy as np

__all__ = ["ENOUGH", "Bias", "bias_of"]

# Something is said to be so once what was seen is so many times likelier with it than without:
# of those of whom it is not so, no more than one in as many is ever told it, however often one
# looks (Ville 1939).
ENOUGH = 20.0
# How large a bias is looked for, in spreads squared: one and a half of them.
# Chosen: it is named soonest of those tried, see docs/sums/tape.md.
_LARGE = 2.0


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
    """Their mean, and the interval that holds the bias at every look; of so many together.

    Of as many as are looked at `together`, no more than one time in `ENOUGH` is any interval ever
    wrong. It holds each bias that a Bayes factor of the t-test does not tell against (Rouder et
    al., Psychonomic Bulletin & Review 16, 2009, 225; for every look: Pérez-Ortiz et al., Annals of
    Statistics 52, 2024, 1410). Derivation: docs/sums/tape.md.
    Raises ValueError for none at all.
    """
    if not differences:
        raise ValueError("no difference to sum up")
    bias, count = float(np.mean(differences)), len(differences)
    if count == 1:
        return Bias(count=1, bias=bias, spread=None, low=None, high=None)
    spread = float(np.std(differences, ddof=1))
    reach = _reach(count, ENOUGH * together) * spread
    known = reach < inf
    return Bias(
        count=count, bias=bias, spread=spread,
        low=bias - reach if known else None, high=bias + reach if known else None,
    )  # fmt: skip


def _reach(count: int, odds: float) -> float:
    """How many spreads from the mean a bias has such odds against it; infinite where none has."""
    wider = 1 + count * _LARGE
    against = (odds**2 * wider) ** (1 / count)
    if against >= wider:
        return inf
    return sqrt((against - 1) / (1 - against / wider) * (count - 1) / count)
