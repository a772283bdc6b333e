"""Where a manoeuvre should end. Site frame: docs/sums/berth.md.

Everything here has the working side on the left, as `Ground.kerb_on_left` gives it.
"""

from typing import TypeAlias

from faircorner.ground.goals.bay import AISLE, Bay, Head, Lines
from faircorner.ground.goals.corner import Corner
from faircorner.ground.goals.kerbside import Kerbside
from faircorner.ground.goals.sighted import Sighted
from faircorner.ground.goals.stretch import Stretch
from faircorner.ground.goals.turnabout import Turnabout

__all__ = [
    "AISLE", "Bay", "Corner", "Goal", "Head", "Kerbside", "Lines", "Sighted", "Stretch",
    "Turnabout",
]  # fmt: skip

Goal: TypeAlias = Kerbside | Bay | Turnabout | Corner | Stretch
