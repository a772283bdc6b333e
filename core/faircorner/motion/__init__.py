"""Driving legs, what is touched on the way, and the ground the body sweeps."""

from faircorner.motion.backing import bend_after, doubling, holding_curvature, no_return
from faircorner.motion.contact import Clearance, clearance
from faircorner.motion.legs import (
    Leg,
    Track,
    advance,
    drive,
    joined,
    settle_turn,
    wheel_and_heading,
)
from faircorner.motion.roll import End, Roll, best_roll, roll
from faircorner.motion.swept import Swing, swept_outline, swing
from faircorner.motion.towing import jack_knifed, rig_clearance, tow, trailer_headings

__all__ = [
    "Clearance",
    "End",
    "Leg",
    "Roll",
    "Swing",
    "Track",
    "advance",
    "bend_after",
    "best_roll",
    "clearance",
    "doubling",
    "drive",
    "holding_curvature",
    "jack_knifed",
    "joined",
    "no_return",
    "rig_clearance",
    "roll",
    "settle_turn",
    "swept_outline",
    "swing",
    "tow",
    "trailer_headings",
    "wheel_and_heading",
]
