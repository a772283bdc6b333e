"""Tape readings to a pose, and the pose against a standard."""

from faircorner.tape.readings import Readings, TapedPose, locate
from faircorner.tape.verdict import Finding, Outcome, Verdict, judge

__all__ = [
    "Finding",
    "Outcome",
    "Readings",
    "TapedPose",
    "Verdict",
    "judge",
    "locate",
]
