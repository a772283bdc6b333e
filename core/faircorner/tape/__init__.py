"""Tape readings to a pose, and the pose against a standard."""

from faircorner.tape.readings import Readings, TapedPose, locate
from faircorner.tape.standard import COUNTS, GRADES, Grade, Limit, Standard
from faircorner.tape.verdict import Finding, Outcome, Verdict, judge

__all__ = [
    "COUNTS",
    "GRADES",
    "Finding",
    "Grade",
    "Limit",
    "Outcome",
    "Readings",
    "Standard",
    "TapedPose",
    "Verdict",
    "judge",
    "locate",
]
