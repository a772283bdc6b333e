"""Tape readings to a pose, and the pose against a standard."""

from faircorner.tape.agreement import Agreement, agreement, one_reading
from faircorner.tape.by_eye import Glance
from faircorner.tape.doubts import Doubt, doubts
from faircorner.tape.readings import TAPE_SIGMA, Readings, TapedPose, locate, stood
from faircorner.tape.verdict import MET, Result, Verdict, judge
from faircorner.tape.whole import Whole, judge_whole

__all__ = [
    "MET",
    "TAPE_SIGMA",
    "Agreement",
    "Doubt",
    "Glance",
    "Readings",
    "Result",
    "TapedPose",
    "Verdict",
    "Whole",
    "agreement",
    "doubts",
    "judge",
    "judge_whole",
    "locate",
    "one_reading",
    "stood",
]
