"""The steps of a method, put in order from memory."""

from collections.abc import Sequence
from dataclasses import dataclass

from faircorner.errors import InputError
from faircorner.said import Said

__all__ = ["Recall", "recall"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Recall:
    """steps : how many there are; in_place : how many stand where they belong

    first_wrong : the first place that another step holds, from 0 on; None where all are right
    """

    steps: int
    in_place: int
    first_wrong: int | None


def recall(order: Sequence[int], steps: int) -> Recall:
    """What an order from memory comes to, steps being numbered from 0 as the method has them.

    Raises InputError unless every step is named once.
    """
    if sorted(order) != list(range(steps)):
        raise InputError("from_memory", Said("each step once", steps=steps))
    wrong = [place for place, step in enumerate(order) if place != step]
    return Recall(steps=steps, in_place=steps - len(wrong), first_wrong=wrong[0] if wrong else None)
