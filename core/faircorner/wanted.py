"""Whether somebody still waits for what is being worked out.

Whoever asks says how to tell; the core looks between two steps of its work and gives up where
nobody does any more. Where nothing was said, somebody does.
"""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar

__all__ = ["Unwanted", "still_wanted", "while_wanted"]

_waits: ContextVar[Callable[[], bool] | None] = ContextVar("waits", default=None)


class Unwanted(Exception):
    """Nobody waits for it any more."""


@contextmanager
def while_wanted(waits: Callable[[], bool]) -> Iterator[None]:
    """What is worked out within is given up, by Unwanted, once `waits` says that nobody does."""
    before = _waits.set(waits)
    try:
        yield
    finally:
        _waits.reset(before)


def still_wanted() -> None:
    """Raises Unwanted where nobody waits any more."""
    waits = _waits.get()
    if waits is not None and not waits():
        raise Unwanted
