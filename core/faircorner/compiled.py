"""Loops over attempts, samples and corners, as machine code (Numba).

A search drives thousands of small batches, for which NumPy's cost is the number of its calls and
not the sums. What is compiled here is plain Python over arrays and says the same without it.
"""

import os
import warnings
from collections.abc import Callable
from functools import cache
from typing import ParamSpec, TypeVar

import numpy as np
from numpy.typing import ArrayLike, NDArray

__all__ = ["compiled", "whole"]

P = ParamSpec("P")
R = TypeVar("R")


def compiled(loop: Callable[P, R]) -> Callable[P, R]:
    """The loop compiled at its first call and kept on disk: only a new machine waits for it.

    Dividing by zero gives infinity or NaN, as in NumPy. Other threads run meanwhile.
    NUMBA_DISABLE_JIT=1 returns the loop unchanged and does not load Numba, which takes 0.5 s.
    """
    if os.environ.get("NUMBA_DISABLE_JIT") == "1":
        return loop
    from numba import njit  # noqa: PLC0415

    machine_code: Callable[P, R]
    try:
        machine_code = njit(cache=True, nogil=True, error_model="numpy")(loop)
    except RuntimeError:
        _say_once()
        machine_code = njit(nogil=True, error_model="numpy")(loop)
    return machine_code


@cache
def _say_once() -> None:
    """There is no folder to keep compiled loops in: each start waits for them, and says why."""
    warnings.warn(
        "the core's loops are compiled anew at every start, which takes some seconds: there is "
        "no folder to keep them in; name one that can be written in NUMBA_CACHE_DIR",
        stacklevel=2,
    )


def whole(values: ArrayLike) -> NDArray[np.float64]:
    """The same floats in one piece, copied only where it is a view or frozen.

    Every other layout would be compiled once more.
    """
    array = np.asarray(values, dtype=np.float64)
    return array if array.flags.c_contiguous and array.flags.writeable else array.copy()
