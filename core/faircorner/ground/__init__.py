"""The place: kerbs, parked vehicles and the goal, and how a finish is measured there."""

from faircorner.ground.finish import MEASURES, Band, Finish, finish_at
from faircorner.ground.kerbside import MeasureName, adjust, lay_kerb, measures, with_behind
from faircorner.ground.place import Edge, Goal, Ground, Obstacle

__all__ = [
    "MEASURES",
    "Band",
    "Edge",
    "Finish",
    "Goal",
    "Ground",
    "MeasureName",
    "Obstacle",
    "adjust",
    "finish_at",
    "lay_kerb",
    "measures",
    "with_behind",
]
