"""How fast this machine is in the seconds in which something is measured.

Machines that are shared differ by half from one minute to the next. A fixed loop in C and one in
Python are timed before and after each figure; a figure per reference stays what it is.
"""

import ctypes
import math
import shutil
import time
from collections.abc import Callable
from pathlib import Path

from house.shell import ROOT, RUN, Trouble, run

__all__ = ["Reference"]

# So much work that each loop takes some ten milliseconds.
_C_ROUNDS, _PYTHON_ROUNDS = 400_000, 200_000
_TRIES = 3


class Reference:
    """Times the fixed loops; each figure gets the mean of those before and after it."""

    def __init__(self) -> None:
        self._in_c = _compiled()
        self._before = self._now()

    def ms(self) -> float:
        """ms of the reference around whatever was measured since this was asked for last."""
        after = self._now()
        around = math.sqrt(self._before * after)
        self._before = after
        return around

    def _now(self) -> float:
        """Geometric mean of both loops, the quickest of some tries: what disturbs only adds."""
        taken = [min(_taken(work) for _ in range(_TRIES)) for work in (self._c, _python)]
        return math.sqrt(taken[0] * taken[1]) * 1000

    def _c(self) -> None:
        self._in_c(_C_ROUNDS)


def _taken(work: Callable[[], None]) -> float:
    begun = time.perf_counter()
    work()
    return time.perf_counter() - begun


def _python() -> None:
    total = 0
    for i in range(_PYTHON_ROUNDS):
        total += i & 7


def _compiled() -> Callable[[int], float]:
    if shutil.which("gcc") is None:
        raise Trouble("the bench times a reference in C: apt-get install gcc libc6-dev")
    library = RUN / "reference.so"
    source: Path = ROOT / "bench" / "reference.c"
    run(["gcc", "-O2", "-shared", "-fPIC", "-o", library, source, "-lm"])
    function = ctypes.CDLL(str(library)).reference
    function.restype = ctypes.c_double
    found: Callable[[int], float] = function
    return found
