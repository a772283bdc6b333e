"""What an attempt is judged by: a finish's measures, what is counted and seen, a school's rules."""

from faircorner.standards.draw import DrawRule, draw, redraw
from faircorner.standards.finish import Finish, finish_at
from faircorner.standards.looks import LOOKS, Look, MirrorLook
from faircorner.standards.manoeuvres import JUDGED_MANOEUVRES, MANOEUVRES, goal_of
from faircorner.standards.measures import MEASURES, ON_THE_WAY, Measure, measure_named
from faircorner.standards.noted import Became, LookNoted, Noted, Seen
from faircorner.standards.observed import (
    AT_END,
    COUNTED,
    OBSERVED,
    PASSED,
    PHASES,
    AtEnd,
    Observed,
    Passed,
    Phase,
)
from faircorner.standards.rules import (
    GRADES,
    SWING_SIDE,
    WHEN,
    EndRule,
    Finding,
    Grade,
    Limit,
    LookRule,
    ObservedRule,
    Range,
    Rule,
    When,
)
from faircorner.standards.standard import Band, MovementsLeft, Standard
from faircorner.standards.verdict import MET, Result, Verdict, judge
from faircorner.standards.whole import Whole, judge_whole

__all__ = [
    "AT_END",
    "COUNTED",
    "GRADES",
    "JUDGED_MANOEUVRES",
    "LOOKS",
    "MANOEUVRES",
    "MEASURES",
    "MET",
    "OBSERVED",
    "ON_THE_WAY",
    "PASSED",
    "PHASES",
    "SWING_SIDE",
    "WHEN",
    "AtEnd",
    "Band",
    "Became",
    "DrawRule",
    "EndRule",
    "Finding",
    "Finish",
    "Grade",
    "Limit",
    "Look",
    "LookNoted",
    "LookRule",
    "Measure",
    "MirrorLook",
    "MovementsLeft",
    "Noted",
    "Observed",
    "ObservedRule",
    "Passed",
    "Phase",
    "Range",
    "Result",
    "Rule",
    "Seen",
    "Standard",
    "Verdict",
    "When",
    "Whole",
    "draw",
    "finish_at",
    "goal_of",
    "judge",
    "judge_whole",
    "measure_named",
    "redraw",
]
