"""The place: kerbs, parked vehicles and the goal, and how a finish is measured there."""

from faircorner.ground.check import Check, Least
from faircorner.ground.finish import MEASURES, Band, Finish, finish_at
from faircorner.ground.kerbside import MeasureName, adjust, lay_kerb, measures, with_behind
from faircorner.ground.place import Edge, Goal, Ground, Obstacle
from faircorner.ground.suitability import Noted, Suitability, suitability

__all__ = [
    "MEASURES",
    "Band",
    "Check",
    "Edge",
    "Finish",
    "Goal",
    "Ground",
    "Least",
    "MeasureName",
    "Noted",
    "Obstacle",
    "Suitability",
    "adjust",
    "finish_at",
    "lay_kerb",
    "measures",
    "suitability",
    "with_behind",
]
