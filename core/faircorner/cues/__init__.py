"""Methods and what they ask of this driver, in this vehicle, at this place."""

from faircorner.cues.calls import Call
from faircorner.cues.candidates import Candidate
from faircorner.cues.cue_kinds import Cue
from faircorner.cues.fit import Fit
from faircorner.cues.fitted import Unknown
from faircorner.cues.follow import Followed, Settings, follow
from faircorner.cues.held import Held
from faircorner.cues.hold import RADII, wheel_round
from faircorner.cues.leave import Leaving, leave
from faircorner.cues.looks import LookReason
from faircorner.cues.mend import Mend, mend
from faircorner.cues.method import Method, Start, Step, Wheel, movements
from faircorner.cues.plan import (
    LeastSize,
    Plan,
    make_least_sizes,
    make_plan,
    make_remedy,
)
from faircorner.cues.play import Played, play
from faircorner.cues.rehearse import Rehearsal, redrive, rehearse
from faircorner.cues.remedy import Heard, Remedy
from faircorner.cues.rescue import NOTICED, Cure, Rescue, rescue
from faircorner.cues.scene import Options, Scene
from faircorner.cues.shuffle import Shuffle, drift, rejoin, shuffle
from faircorner.cues.sights import Film, Sights, Spot, film, sights
from faircorner.cues.suits import suited
from faircorner.cues.windows import Window

__all__ = [
    "NOTICED",
    "RADII",
    "Call",
    "Candidate",
    "Cue",
    "Cure",
    "Film",
    "Fit",
    "Followed",
    "Heard",
    "Held",
    "LeastSize",
    "Leaving",
    "LookReason",
    "Mend",
    "Method",
    "Options",
    "Plan",
    "Played",
    "Rehearsal",
    "Remedy",
    "Rescue",
    "Scene",
    "Settings",
    "Shuffle",
    "Sights",
    "Spot",
    "Start",
    "Step",
    "Unknown",
    "Wheel",
    "Window",
    "drift",
    "film",
    "follow",
    "leave",
    "make_least_sizes",
    "make_plan",
    "make_remedy",
    "mend",
    "movements",
    "play",
    "redrive",
    "rehearse",
    "rejoin",
    "rescue",
    "shuffle",
    "sights",
    "suited",
    "wheel_round",
]
