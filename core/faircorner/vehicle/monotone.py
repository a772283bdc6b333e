"""A smooth curve through rising points that never turns back. docs/sums/steering.md.

SciPy's PchipInterpolator says the same; loading it takes longer than all that is asked of it.
"""

from collections.abc import Callable

import numpy as np

from faircorner.plane import Floats

__all__ = ["monotone_cubic"]


def monotone_cubic(x: Floats, y: Floats) -> Callable[[Floats], Floats]:
    """The monotone cubic (Fritsch and Butland 1984) through places (n,) that rise, n at least 2.

    Returns a function of (...) within them, of the unit of y.

    >>> curve = monotone_cubic(np.array([0.0, 1.0, 3.0]), np.array([0.0, 2.0, 3.0]))
    >>> curve(np.array([0.0, 0.5, 1.0, 3.0])).round(3).tolist()
    [0.0, 1.205, 2.0, 3.0]
    """
    slopes = _slopes(np.diff(x), np.diff(y) / np.diff(x))

    def curve(at: Floats) -> Floats:
        node = np.clip(np.searchsorted(x, at, side="right") - 1, 0, len(x) - 2)
        step = x[node + 1] - x[node]
        t = (at - x[node]) / step
        rise = y[node + 1] - y[node]
        begin, end = slopes[node] * step - rise, rise - slopes[node + 1] * step
        return np.asarray(y[node] + t * rise + t * (1 - t) * (begin * (1 - t) + end * t))

    return curve


def _slopes(widths: Floats, rises: Floats) -> Floats:
    """At every place, (n,): weighted harmonic means of the rises (n - 1,) on either side."""
    if len(rises) == 1:
        return np.repeat(rises, 2)
    before, after = widths[:-1], widths[1:]
    near, far = before + 2 * after, 2 * before + after
    within = (near + far) / (near / rises[:-1] + far / rises[1:])
    return np.concatenate((
        [_end(widths[0], widths[1], rises[0], rises[1])],
        within,
        [_end(widths[-1], widths[-2], rises[-1], rises[-2])],
    ))  # fmt: skip


def _end(width: float, other: float, rise: float, next_rise: float) -> float:
    """The slope of a parabola through three places, at the first; level where it would fall."""
    return float(max(((2 * width + other) * rise - width * next_rise) / (width + other), 0.0))
