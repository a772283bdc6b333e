"""The pose of a vehicle from tape readings, and how well readings agree."""

from faircorner.tape.agreement import Agreement, agreement, one_reading
from faircorner.tape.by_eye import Glance
from faircorner.tape.doubts import Doubt, doubts
from faircorner.tape.readings import (
    TAPE_SIGMA,
    Readings,
    TapedPose,
    check_gaps_exist,
    check_plausible,
    locate,
    stood,
)

__all__ = [
    "TAPE_SIGMA",
    "Agreement",
    "Doubt",
    "Glance",
    "Readings",
    "TapedPose",
    "agreement",
    "check_gaps_exist",
    "check_plausible",
    "doubts",
    "locate",
    "one_reading",
    "stood",
]
