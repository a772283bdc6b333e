"""What may be so of a learner's hands, and how likely a set of finishes makes each of it.

Derivation, choices and what came of them: docs/sums/shift.md.
"""

from dataclasses import dataclass

import numpy as np

from faircorner.plane import Floats
from faircorner.shift.finishes import FLOOR, FinishSet

__all__ = ["STEP", "Hypotheses", "hold"]

# How late a call may be held to come, by whole steps either way, m; small ones are likelier.
STEP, _REACH, _USUAL = 0.05, 0.60, 0.20
# How unsteady hands may be at every call, one as likely as another, m.
_SCATTERS = (0.03, 0.05, 0.08, 0.12, 0.18, 0.27)
# How many attempts what is held of the scatter beforehand weighs, besides one for each measure.
_WEIGHT = 4
# How many attempts it weighs that a bias of no call is small: it may well be three scatters. And
# how likely such a bias is held beforehand, beside none.
_SMALL, _ONE_WAY = 0.1, 0.1


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Hypotheses:
    """No call to blame, which comes first; one alone that comes late by one step; and, last, that
    all miss one way by whatever it is.

    late : (h, calls), m, how late each call comes
    about : (h, p), where the finishes lie by it, less the plan
    likely : (scatters, h), logarithms of how likely the finishes make each with each scatter of the
        hands, and it was held before
    before : (h,), logarithms of how likely it was held before, beside no call to blame
    spread : (scatters, h, p, p), what is left of the finishes about where each says they would lie
    freedom : degrees of it, of a next finish's multivariate t
    """

    late: Floats
    about: Floats
    likely: Floats
    before: Floats
    spread: Floats
    freedom: float


def hold(finishes: FinishSet, sensitivity: Floats) -> Hypotheses:
    """Weigh each by a set of finishes.

    sensitivity : (p, calls), finish per metre of lateness
    The covariance is integrated out under inverse Wisharts (Gelman et al. 2013, Bayesian Data
    Analysis, 3.6), one for each scatter of the hands; of the last hypothesis the mean with it, a
    normal law about 0 whose covariance is as many times larger as _SMALL is less than 1.
    Where attempts count for less, their likelihood is raised to what they count for: a power prior
    (Ibrahim and Chen, Statistical Science 15 (2000), 46).
    """
    n, p = finishes.weight, len(finishes.bias)
    late, before = _beforehand(sensitivity.shape[1])
    about = late @ sensitivity.T
    off = finishes.bias - about
    # Of a bias that may be whatever it is, what is held before takes a little away.
    about[-1] = finishes.bias * n / (n + _SMALL)
    weighs = np.full(len(late), n)
    weighs[-1] = n * _SMALL / (n + _SMALL)
    weight = p + _WEIGHT
    hands = sensitivity @ sensitivity.T * np.square(_SCATTERS)[:, None, None]
    held = (hands + np.diag(FLOOR[:p] ** 2)) * (weight - p - 1)
    left = finishes.squares + weighs[:, None, None] * off[:, :, None] * off[:, None, :]
    spread = held[:, None] + left
    likely = weight / 2 * np.linalg.slogdet(held)[1][:, None]
    likely = likely - (weight + n) / 2 * np.linalg.slogdet(spread)[1] + before
    likely[:, -1] += p / 2 * np.log(_SMALL / (n + _SMALL))
    # Where exactly it lies is not known: a next finish lies about it that much more widely.
    spread[:, -1] *= 1 + 1 / (n + _SMALL)
    return Hypotheses(
        late=late, about=about, likely=likely, before=before, spread=spread,
        freedom=weight + n - p + 1,
    )  # fmt: skip


def _beforehand(calls: int) -> tuple[Floats, Floats]:
    """Each call's lateness (h, calls), m, and the logarithm of how likely it is held before any
    finish, (h,), beside no call to blame.
    """
    steps = np.arange(1, round(_REACH / STEP) + 1) * STEP
    steps = np.concatenate((-steps[::-1], steps))
    alone = (np.eye(calls)[:, None, :] * steps[:, None]).reshape(calls * len(steps), calls)
    usual = np.exp(-0.5 * (steps / _USUAL) ** 2)
    share = np.tile(usual / usual.sum() / max(calls, 1), calls)
    none = np.zeros((1, calls))
    before = np.log(np.concatenate(([1.0], share, [_ONE_WAY])))
    return np.concatenate((none, alone, none)), before
