"""Which exercises a test is made of: drawn by a rule, every way to keep it equally likely."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from random import Random

from faircorner.errors import InputError
from faircorner.said import Said

__all__ = ["DrawRule", "draw", "redraw"]


@dataclass(frozen=True, slots=True, kw_only=True)
class DrawRule:
    """So many exercises of what `of` names, so many of them in reverse, none twice in a row.

    of : manoeuvres; small_allowed and points_allowed : over the whole test, None where that is not
    limited
    """

    number: int
    of: tuple[str, ...]
    in_reverse: int = 1
    small_allowed: int | None = None
    points_allowed: int | None = None

    def __post_init__(self) -> None:
        if not 1 <= self.number <= 10:
            raise InputError("number", Said("must be between 1 and 10", got=self.number))
        if not 0 <= self.in_reverse <= self.number:
            raise InputError("in_reverse", Said("as many as are drawn", number=self.number))


def draw(rule: DrawRule, reverses: Sequence[bool], chance: Random) -> tuple[int, ...]:
    """Exercises by their places in a pool, in the order in which they are driven.

    reverses : of each exercise of the pool, whether it is driven in reverse
    Every order that keeps the rule is as likely as any other: each next one is drawn in proportion
    to how many ways there are to go on from it (Nijenhuis and Wilf, Combinatorial Algorithms, 1978,
    chapter 29). Raises InputError where there is no such order.
    """
    pool = range(len(reverses))

    @cache
    def ways(left: int, before: int, wanted: int) -> int:
        """How many ways so many more can be drawn after one, so many of them in reverse."""
        if left == 0:
            return int(wanted <= 0)
        return sum(
            ways(left - 1, one, max(0, wanted - reverses[one])) for one in pool if one != before
        )

    drawn: list[int] = []
    before, wanted = -1, rule.in_reverse
    for left in range(rule.number, 0, -1):
        others = [one for one in pool if one != before]
        weights = [ways(left - 1, one, max(0, wanted - reverses[one])) for one in others]
        if not any(weights):
            raise InputError("sheets", Said("nothing keeps the draw", number=rule.number,
                                            in_reverse=rule.in_reverse))  # fmt: skip
        (before,) = chance.choices(others, weights)
        wanted = max(0, wanted - reverses[before])
        drawn.append(before)
    return tuple(drawn)


def redraw(
    rule: DrawRule, reverses: Sequence[bool], drawn: Sequence[int], place: int, chance: Random
) -> int:
    """Another exercise for one that was cancelled, the rule kept by all of them together.

    drawn : the exercises that count, the cancelled one among them at `place`
    Raises InputError where no other one keeps it.
    """
    rest = sum(reverses[one] for i, one in enumerate(drawn) if i != place)
    beside = {drawn[i] for i in (place - 1, place, place + 1) if 0 <= i < len(drawn)}
    others = [
        one
        for one in range(len(reverses))
        if one not in beside and rest + reverses[one] >= rule.in_reverse
    ]
    if not others:
        raise InputError("sheets", Said("nothing in its place"))
    return chance.choice(others)
