"""How well two people's tapes of the same finishes agree. Derivation: docs/sums/tape.md."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import sqrt

from faircorner.bias import Bias, bias_of

__all__ = ["Agreement", "agreement", "one_reading"]

# Within so many standard deviations of the mean lie 95 % of differences (Bland and Altman 1986).
_LIMITS = 1.96
# Two people's wheels and their gaps are looked at together.
_TOGETHER = 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Agreement:
    """Of two people, m.

    reads_more : what the one reads more than the other
    between : 95 % of the differences lie so far from it or nearer; None of a single one
    """

    reads_more: Bias
    between: float | None


def agreement(differences: Sequence[float]) -> Agreement:
    """Sum up readings of the one less the other's, m. Raises ValueError for none at all."""
    found = bias_of(differences, together=_TOGETHER)
    between = None if found.spread is None else _LIMITS * found.spread
    return Agreement(reads_more=found, between=between)


def one_reading(pairs: Sequence[Agreement]) -> float | None:
    """One standard deviation of a single reading, m, by all pairs of people, were all as steady.

    That one of two reads more is no scatter. None where no pair taped two finishes.
    """
    several = [one.reads_more for one in pairs if one.reads_more.spread is not None]
    freedom = sum(one.count - 1 for one in several)
    if not freedom:
        return None
    squares = sum((one.count - 1) * (one.spread or 0.0) ** 2 for one in several)
    return sqrt(squares / freedom / 2)
