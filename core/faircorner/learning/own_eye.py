"""Where a driver says that the vehicle stands, against where the tape says: a skill of its own."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scipy.stats import t

from faircorner.standards import MEASURES, Finish, Measure

__all__ = ["LEVEL", "OwnEye", "misjudged", "own_eye"]

# How sure an interval is meant to be.
LEVEL = 0.95


def misjudged(said: Finish, taped: Finish) -> dict[str, float]:
    """What was said more than was taped, by measure, SI; left out what either does not know.

    The distance to the edge is that of both wheels together, as "kerb_rear" and "kerb_front" alone
    would tell the angle twice.
    """
    off = {
        measure.name: float((said.measure(measure.name) - taped.measure(measure.name))[0])
        for measure in _own()
    }
    off = {"kerb": float((said.kerb - taped.kerb)[0]), **off}
    return {name: value for name, value in off.items() if not np.isnan(value)}


def _own() -> list[Measure]:
    return [m for m in MEASURES.values() if m.taped is not None and not m.beside]


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnEye:
    """How far off one measure is said over several attempts, SI.

    bias : said more than it is, on the average, positive; spread : one standard deviation
    low, high : where the bias lies, at `LEVEL`; None of a single attempt
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


def own_eye(off: Sequence[float]) -> OwnEye:
    """What single misjudgements come to: their mean and its interval by Student's t.

    off : SI, one for each attempt. Student, The probable error of a mean, Biometrika 6, 1908.
    Raises ValueError for none at all.
    """
    if not off:
        raise ValueError("no misjudgement to sum up")
    bias, count = float(np.mean(off)), len(off)
    if count == 1:
        return OwnEye(count=1, bias=bias, spread=None, low=None, high=None)
    spread = float(np.std(off, ddof=1))
    reach = float(t.ppf((1 + LEVEL) / 2, count - 1)) * spread / float(np.sqrt(count))
    return OwnEye(count=count, bias=bias, spread=spread, low=bias - reach, high=bias + reach)
