"""The place: kerbs, bays, parked vehicles and the goal, and how a finish is measured there."""

from faircorner.ground.bay import change_bay, lay_bay
from faircorner.ground.berth import Berth, End
from faircorner.ground.check import Check, Least
from faircorner.ground.goals import (
    Bay,
    Corner,
    Goal,
    Kerbside,
    Landmark,
    Lines,
    Sighted,
    Stretch,
    Turnabout,
)
from faircorner.ground.kerbline import FAR_KERB, KERB, Kerbline, far_kerb, near_kerb
from faircorner.ground.kerbside import lay_kerb, with_behind
from faircorner.ground.measures import adjust, measures
from faircorner.ground.obstacle import Edge, Obstacle
from faircorner.ground.place import Ground
from faircorner.ground.roads import RoadGoal, change_road, lay_road
from faircorner.ground.suitability import Noted, Suitability, suitability
from faircorner.ground.things import Thing, ThingKind, put_down, take_away, things

__all__ = [
    "FAR_KERB",
    "KERB",
    "Bay",
    "Berth",
    "Check",
    "Corner",
    "Edge",
    "End",
    "Goal",
    "Ground",
    "Kerbline",
    "Kerbside",
    "Landmark",
    "Least",
    "Lines",
    "Noted",
    "Obstacle",
    "RoadGoal",
    "Sighted",
    "Stretch",
    "Suitability",
    "Thing",
    "ThingKind",
    "Turnabout",
    "adjust",
    "change_bay",
    "change_road",
    "far_kerb",
    "lay_bay",
    "lay_kerb",
    "lay_road",
    "measures",
    "near_kerb",
    "put_down",
    "suitability",
    "take_away",
    "things",
    "with_behind",
]
