"""The place: kerbs, bays, parked vehicles and the goal, and how a finish is measured there."""

from faircorner.ground.berth import Berth, BerthEnd
from faircorner.ground.changes import adjust, measures, sketch
from faircorner.ground.check import Check, Least
from faircorner.ground.dimension import Dimension
from faircorner.ground.goal import Goal
from faircorner.ground.kerbline import FAR_KERB, KERB, Kerbline, far_kerb, near_kerb
from faircorner.ground.kind import Kind, Room, Size
from faircorner.ground.kinds import KINDS, AnyGoalModel, KindName, Landmark, kind_of
from faircorner.ground.kinds.bay import Bay, Lines, change_bay, lay_bay
from faircorner.ground.kinds.corner import Corner
from faircorner.ground.kinds.kerbside import Kerbside, lay_kerb, with_behind
from faircorner.ground.kinds.roads import lay_road
from faircorner.ground.kinds.stretch import Stretch
from faircorner.ground.kinds.turnabout import Turnabout, change_road
from faircorner.ground.obstacle import Edge, Obstacle
from faircorner.ground.place import Ground
from faircorner.ground.sighted import SIGHTED_KINDS, Sighted
from faircorner.ground.sketch import MeasureLine, Sketch
from faircorner.ground.suitability import Answer, Remark, Suitability, suitability
from faircorner.ground.things import Thing, ThingKind, put_down, take_away, things

__all__ = [
    "FAR_KERB",
    "KERB",
    "KINDS",
    "SIGHTED_KINDS",
    "Answer",
    "AnyGoalModel",
    "Bay",
    "Berth",
    "BerthEnd",
    "Check",
    "Corner",
    "Dimension",
    "Edge",
    "Goal",
    "Ground",
    "Kerbline",
    "Kerbside",
    "Kind",
    "KindName",
    "Landmark",
    "Least",
    "Lines",
    "MeasureLine",
    "Obstacle",
    "Remark",
    "Room",
    "Sighted",
    "Size",
    "Sketch",
    "Stretch",
    "Suitability",
    "Thing",
    "ThingKind",
    "Turnabout",
    "adjust",
    "change_bay",
    "change_road",
    "far_kerb",
    "kind_of",
    "lay_bay",
    "lay_kerb",
    "lay_road",
    "measures",
    "near_kerb",
    "put_down",
    "sketch",
    "suitability",
    "take_away",
    "things",
    "with_behind",
]
