"""Driving legs, what is touched on the way, and the ground the body sweeps."""

from faircorner.motion.contact import Clearance, clearance, tyre_clearance
from faircorner.motion.legs import Leg, Track, advance, drive, settle_turn, wheel_and_heading
from faircorner.motion.roll import End, Roll, best_roll, roll
from faircorner.motion.swept import Swing, swept_outline, swing
from faircorner.motion.towing import jack_knifed, tow, trailer_headings

__all__ = [
    "Clearance",
    "End",
    "Leg",
    "Roll",
    "Swing",
    "Track",
    "advance",
    "best_roll",
    "clearance",
    "drive",
    "jack_knifed",
    "roll",
    "settle_turn",
    "swept_outline",
    "swing",
    "tow",
    "trailer_headings",
    "tyre_clearance",
    "wheel_and_heading",
]
