"""The place: kerbs, bays, parked vehicles and the goal, and how a finish is measured there."""

from faircorner.ground.bay import change_bay, lay_bay
from faircorner.ground.berth import Berth, End
from faircorner.ground.check import Check, Least
from faircorner.ground.finish import MEASURES, Band, Finish, finish_at
from faircorner.ground.goal import Bay, Goal, Kerbside
from faircorner.ground.kerbside import lay_kerb, with_behind
from faircorner.ground.measures import adjust, measures
from faircorner.ground.obstacle import Edge, Obstacle
from faircorner.ground.place import Ground
from faircorner.ground.suitability import Noted, Suitability, suitability

__all__ = [
    "MEASURES",
    "Band",
    "Bay",
    "Berth",
    "Check",
    "Edge",
    "End",
    "Finish",
    "Goal",
    "Ground",
    "Kerbside",
    "Least",
    "Noted",
    "Obstacle",
    "Suitability",
    "adjust",
    "change_bay",
    "finish_at",
    "lay_bay",
    "lay_kerb",
    "measures",
    "suitability",
    "with_behind",
]
