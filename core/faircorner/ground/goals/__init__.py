"""Where a manoeuvre should end. Site frame: docs/sums/berth.md.

Everything here has the working side on the left, as `Ground.kerb_on_left` gives it.
"""

from typing import Literal, TypeAlias

from faircorner.ground.goals.bay import AISLE, Bay, Head, Lines
from faircorner.ground.goals.corner import Corner
from faircorner.ground.goals.kerbside import Kerbside
from faircorner.ground.goals.sighted import Sighted
from faircorner.ground.goals.stretch import Stretch
from faircorner.ground.goals.turnabout import Turnabout

__all__ = [
    "AISLE", "Bay", "Corner", "Goal", "Head", "Kerbside", "Landmark", "Lines", "Sighted", "Stretch",
    "Turnabout",
]  # fmt: skip

Goal: TypeAlias = Kerbside | Bay | Turnabout | Corner | Stretch
Landmark: TypeAlias = Literal[
    "tail ahead", "nose ahead", "nose behind", "near line", "far line", "mark", "stop",
    "corner start", "corner",
]  # fmt: skip
