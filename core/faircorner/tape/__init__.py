"""Tape readings to a pose, and the pose against a standard."""

from faircorner.tape.readings import TAPE_SIGMA, Readings, TapedPose, locate, stood
from faircorner.tape.verdict import MET, Result, Verdict, judge
from faircorner.tape.whole import Whole, judge_whole

__all__ = [
    "MET",
    "TAPE_SIGMA",
    "Readings",
    "Result",
    "TapedPose",
    "Verdict",
    "Whole",
    "judge",
    "judge_whole",
    "locate",
    "stood",
]
