"""Points spread evenly over a cube (Halton 1960, On the efficiency of certain sequences).

The one in SciPy brings all of its statistics along, which takes as long to load as a plan to make.
"""

from itertools import count, islice

import numpy as np

from faircorner.plane import Floats

__all__ = ["halton"]


def halton(points: int, dimensions: int) -> Floats:
    """The first points of the sequence, (points, dimensions), each from 0 to below 1.

    >>> halton(4, 2).round(3).tolist()
    [[0.0, 0.0], [0.5, 0.333], [0.25, 0.667], [0.75, 0.111]]
    """
    bases = islice((n for n in count(2) if all(n % d for d in range(2, n))), dimensions)
    columns = [[_inverse(i, base) for i in range(points)] for base in bases]
    return np.array(columns).T.reshape(points, dimensions)


def _inverse(number: int, base: int) -> float:
    """A number's digits mirrored at the point (van der Corput)."""
    mirrored, place = 0.0, 1.0 / base
    while number:
        number, digit = divmod(number, base)
        mirrored += digit * place
        place /= base
    return mirrored
