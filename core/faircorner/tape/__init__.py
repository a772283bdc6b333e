"""The pose of a vehicle from tape readings, and how well readings agree."""

from faircorner.tape.agreement import Agreement, agreement, one_reading
from faircorner.tape.by_eye import Glance
from faircorner.tape.doubts import Doubt, doubts
from faircorner.tape.readings import (
    TAPE_SIGMA,
    Readings,
    TapedPose,
    gaps_there,
    locate,
    stood,
    within_reach,
)

__all__ = [
    "TAPE_SIGMA",
    "Agreement",
    "Doubt",
    "Glance",
    "Readings",
    "TapedPose",
    "agreement",
    "doubts",
    "gaps_there",
    "locate",
    "one_reading",
    "stood",
    "within_reach",
]
