"""Left and right: the sums have the working side on the left, and here alone that is seen to.

`sided` turns what is asked on its way in and the answer on its way out; between them everything
is toward or away.
"""

from collections.abc import Callable
from functools import wraps
from typing import Any, Concatenate, Literal, ParamSpec, Protocol, Self, TypeAlias, TypeVar

__all__ = ["Side", "Turnable", "sided", "turned_back", "turned_in"]

Side: TypeAlias = Literal["left", "right"]


class Turnable(Protocol):
    """Something that has a left and a right."""

    def mirrored(self) -> Self: ...


class Sided(Turnable, Protocol):
    """Something that says on which side its working side lies."""

    @property
    def side(self) -> Side: ...


T = TypeVar("T", bound=Turnable)
S = TypeVar("S", bound=Sided)
A = TypeVar("A")
P = ParamSpec("P")


def turned_in(side: Side, asked: T) -> T:
    """What is asked, as the sums see it: its working side on the left."""
    return asked if side == "left" else asked.mirrored()


def turned_back(side: Side, answer: A) -> A:
    """The sums' answer on the side that was asked about: one, several, or none."""
    return answer if side == "left" else _mirrored(answer)


def _mirrored(answer: Any) -> Any:
    if answer is None or isinstance(answer, int | float | str):
        return answer
    if isinstance(answer, tuple):
        return tuple(_mirrored(one) for one in answer)
    return answer.mirrored()


def sided(work: Callable[Concatenate[S, P], A]) -> Callable[Concatenate[S, P], A]:
    """Work that is done with the working side on the left, for whatever side it is asked about.

    Its first argument says which; its answer has a mirror image, or is made of such.
    """

    @wraps(work)
    def asked(first: S, /, *args: P.args, **kwargs: P.kwargs) -> A:
        side = first.side
        return turned_back(side, work(turned_in(side, first), *args, **kwargs))

    return asked
