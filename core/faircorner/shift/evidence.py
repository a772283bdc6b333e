"""Whether finishes show a call that comes early or late, however often one looks.

Derivation, choices and what came of them: docs/sums/shift.md.
"""

from dataclasses import dataclass

import numpy as np

from faircorner.plane import Floats
from faircorner.shift.finishes import FLOOR, FinishSet

__all__ = ["ENOUGH", "STEP", "Evidence", "weigh"]

# A call is named once the finishes are so many times likelier with one to blame than with none:
# of learners with none, no more than one in as many is ever told so, however often one looks
# (Ville 1939).
ENOUGH = 20.0
# How late a call may be held to come, by whole steps either way, m; small ones are likelier.
STEP, _REACH, _USUAL = 0.05, 0.60, 0.20
# How unsteady hands may be at every call, one as likely as another, m.
_SCATTERS = (0.03, 0.05, 0.08, 0.12, 0.18, 0.27)
# How many attempts what is held of the scatter beforehand weighs, besides one for each measure.
_WEIGHT = 4


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Evidence:
    """What finishes say of each call.

    odds : (calls,), how many times likelier the finishes are if that call alone comes early or
        late than if none does
    late : (calls,), m, how late that call would come, negative early, in whole steps
    """

    odds: Floats
    late: Floats

    @property
    def of_any(self) -> float:
        """How many times likelier the finishes are with one call to blame than with none."""
        return float(self.odds.mean())

    @property
    def enough(self) -> bool:
        """Whether a call is to blame, so surely that looking every time makes no mistake of it."""
        return self.of_any >= ENOUGH


def weigh(finishes: FinishSet, sensitivity: Floats) -> Evidence:
    """Hold each call's coming late, by every step, against none doing so.

    sensitivity : (p, calls), finish per metre of lateness
    Bayes factors (Jeffreys 1961) with the covariance integrated out under inverse Wisharts
    (Gelman et al. 2013, Bayesian Data Analysis, 3.6), one for each scatter of the hands.
    """
    steps = np.arange(1, round(_REACH / STEP) + 1) * STEP
    lates = np.concatenate((-steps[::-1], steps))
    calls = sensitivity.shape[1]
    none = np.zeros((1, len(finishes.bias)))
    means = (sensitivity.T[:, None, :] * lates[:, None]).reshape(calls * len(lates), -1)
    likelihood = _likelihood(finishes, sensitivity, np.concatenate((none, means)))
    usual = np.exp(-0.5 * (lates / _USUAL) ** 2)
    gain = likelihood[1:].reshape(calls, -1) - likelihood[0]
    # Beyond such odds nothing is surer.
    weighed = np.exp(np.clip(gain, -50, 50)) * usual / usual.sum()
    odds = weighed.sum(axis=1)
    late = np.round((weighed @ lates) / odds / STEP) * STEP
    return Evidence(odds=odds, late=late)


def _likelihood(finishes: FinishSet, sensitivity: Floats, means: Floats) -> Floats:
    """Logarithms (means,), but for one constant, of the finishes' likelihood about each mean."""
    n, p = finishes.count, len(finishes.bias)
    weight = p + _WEIGHT
    off = finishes.bias - means
    found = []
    for scatter in _SCATTERS:
        expected = scatter**2 * sensitivity @ sensitivity.T + np.diag(FLOOR[:p] ** 2)
        before = expected * (weight - p - 1)
        after = before + finishes.squares
        gone = np.einsum("kp,pq,kq->k", off, np.linalg.inv(after), off)
        spread = np.linalg.slogdet(after)[1] + np.log1p(n * gone)
        found.append(weight / 2 * np.linalg.slogdet(before)[1] - (weight + n) / 2 * spread)
    return np.asarray(np.logaddexp.reduce(found, axis=0))
