"""Methods and what they ask of this driver, in this vehicle, at this place."""

from faircorner.cues.fit import Fit
from faircorner.cues.follow import Followed, Settings, follow
from faircorner.cues.leave import Leaving, leave
from faircorner.cues.mend import Mend, mend
from faircorner.cues.method import Look, Method, Start, Step, Unknown, Until, Wheel
from faircorner.cues.plan import (
    Call,
    Cue,
    LookReason,
    Options,
    Plan,
    make_least_gap,
    make_plan,
    make_remedy,
)
from faircorner.cues.play import Played, play
from faircorner.cues.rehearse import Rehearsal, rehearse
from faircorner.cues.remedy import Remedy
from faircorner.cues.suits import goal_of, suited
from faircorner.cues.windows import Window

__all__ = [
    "Call",
    "Cue",
    "Fit",
    "Followed",
    "Leaving",
    "Look",
    "LookReason",
    "Mend",
    "Method",
    "Options",
    "Plan",
    "Played",
    "Rehearsal",
    "Remedy",
    "Settings",
    "Start",
    "Step",
    "Unknown",
    "Until",
    "Wheel",
    "Window",
    "follow",
    "goal_of",
    "leave",
    "make_least_gap",
    "make_plan",
    "make_remedy",
    "mend",
    "play",
    "rehearse",
    "suited",
]
