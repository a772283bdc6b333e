"""What a finish is measured by, what is counted, and the limits that a school holds both to."""

from faircorner.standards.finish import Finish, finish_at
from faircorner.standards.measures import MEASURES, Measure, Noted, counted, measure_named
from faircorner.standards.observed import COUNTED, OBSERVED, PHASES, Observed, Phase
from faircorner.standards.standard import GRADES, Band, Grade, Limit, Range, Standard

__all__ = [
    "COUNTED",
    "GRADES",
    "MEASURES",
    "OBSERVED",
    "PHASES",
    "Band",
    "Finish",
    "Grade",
    "Limit",
    "Measure",
    "Noted",
    "Observed",
    "Phase",
    "Range",
    "Standard",
    "counted",
    "finish_at",
    "measure_named",
]
