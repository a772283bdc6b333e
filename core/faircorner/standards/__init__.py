"""What an attempt is judged by: a finish's measures, what is counted and seen, a school's rules."""

from faircorner.standards.draw import DrawRule, draw, redraw
from faircorner.standards.finish import Finish, finish_at
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

__all__ = [
    "AT_END",
    "COUNTED",
    "GRADES",
    "MEASURES",
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
    "LookNoted",
    "LookRule",
    "Measure",
    "MovementsLeft",
    "Noted",
    "Observed",
    "ObservedRule",
    "Passed",
    "Phase",
    "Range",
    "Rule",
    "Seen",
    "Standard",
    "When",
    "draw",
    "finish_at",
    "measure_named",
    "redraw",
]
