"""The vehicle: its body, how it steers, and the features a driver lines things up with."""

from faircorner.vehicle.body import TYRE_WIDTH, Vehicle
from faircorner.vehicle.camera import RearCamera
from faircorner.vehicle.features import Feature, FeatureRole, Opening
from faircorner.vehicle.mirror import Dot, Mirror, MirrorUse, MovesWith, axes
from faircorner.vehicle.shell import Block, blocks_of, outer_blocks, stopped, towed_blocks
from faircorner.vehicle.steering import Circle, Steering, axle_radius, circle_of_arc
from faircorner.vehicle.trailer import Trailer
from faircorner.vehicle.tyres import tyre_poses

__all__ = [
    "TYRE_WIDTH",
    "Block",
    "Circle",
    "Dot",
    "Feature",
    "FeatureRole",
    "Mirror",
    "MirrorUse",
    "MovesWith",
    "Opening",
    "RearCamera",
    "Steering",
    "Trailer",
    "Vehicle",
    "axes",
    "axle_radius",
    "blocks_of",
    "circle_of_arc",
    "outer_blocks",
    "stopped",
    "towed_blocks",
    "tyre_poses",
]
