"""Whether finishes show a call that comes early or late, however often one looks.

Derivation, choices and what came of them: docs/sums/shift.md.
"""

from dataclasses import dataclass

import numpy as np
from scipy.special import logsumexp

from faircorner.bias import ENOUGH
from faircorner.plane import Floats
from faircorner.shift.hypotheses import STEP, Hypotheses

__all__ = ["Evidence", "weigh"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Evidence:
    """What finishes say of each call.

    odds : (calls,), how many times likelier the finishes are if that call alone comes early or
        late than if none does
    late : (calls,), m, how late that call would come, negative early, in whole steps
    one_way : how many times likelier they are if all miss one way, by whatever it is, than if none
        does
    """

    odds: Floats
    late: Floats
    one_way: float

    @property
    def of_any(self) -> float:
        """How many times likelier the finishes are with one call to blame than with none; 0 where
        the method has no call.
        """
        return float(self.odds.mean()) if self.odds.size else 0.0

    @property
    def enough(self) -> bool:
        """Whether a call is to blame, so surely that looking every time makes no mistake of it."""
        return self.of_any >= ENOUGH

    @property
    def biased(self) -> bool:
        """Whether all miss one way, a call to blame or not, as surely."""
        return self.one_way >= ENOUGH


def weigh(hypotheses: Hypotheses) -> Evidence:
    """Hold each call's coming late, by every step, against none doing so; and a bias of any kind.

    Bayes factors (Jeffreys 1961).
    """
    told = logsumexp(hypotheses.likely, axis=0)
    calls = hypotheses.late.shape[1]
    # Beyond such odds nothing is surer.
    *against, one_way = np.exp(np.clip(told[1:] - told[0], -50, 50))
    each = np.reshape(against, (calls, len(against) // max(calls, 1)))
    steps = hypotheses.late[1:-1].sum(axis=1).reshape(each.shape)
    odds = each.sum(axis=1)
    late = np.round((each * steps).sum(axis=1) / odds / STEP) * STEP
    # Every call is held before as likely to be the one as any other, together as likely as none.
    return Evidence(
        odds=odds * calls,
        late=late,
        one_way=float(one_way / np.exp(hypotheses.before[-1])),
    )
