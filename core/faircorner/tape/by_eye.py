"""Gaps told by eye, nearer or farther than planned, as what a tape might have read.

Derivation: docs/sums/tape.md.
"""

from math import sqrt
from types import MappingProxyType
from typing import Literal, TypeAlias

__all__ = ["BANDS", "Glance", "eye_sigma", "seen_as"]

# Against what the plan has: nearer, about right, farther.
Glance: TypeAlias = Literal["near", "right", "far"]
# How wide each of the three is taken to be, m: of a wheel two hands' breadths, of a gap along the
# berth a long pace's half.
BANDS = MappingProxyType({"kerb_front": 0.20, "kerb_rear": 0.20, "ahead": 0.50, "behind": 0.50})


def seen_as(name: str, glance: Glance, planned: float) -> float:
    """The middle of the band that a glance tells, m; planned : what the plan has of that gap, m.

    What is nearer than a gap that there is to be is a gap still.
    """
    band = BANDS[name]
    if glance == "right":
        return planned
    if glance == "far" or planned <= 0:
        return planned + (band if glance == "far" else -band)
    highest = max(planned - band / 2, planned / 2)
    return (max(planned - 1.5 * band, 0.0) + highest) / 2


def eye_sigma(name: str) -> float:
    """One standard deviation of a gap told by eye, m: anywhere in its band alike."""
    return BANDS[name] / sqrt(12)
