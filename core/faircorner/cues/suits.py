"""Which methods suit which places: a park along the kerb needs a kerb, a bay a bay."""

from dataclasses import replace
from typing import Literal

from faircorner.cues.method import Method
from faircorner.errors import InputError
from faircorner.ground import Bay, Ground

__all__ = ["goal_of", "suited"]


def goal_of(manoeuvre: str) -> Literal["kerbside", "bay"]:
    """The kind of goal at which a manoeuvre ends, as ground documents name it."""
    return "bay" if manoeuvre.startswith("bay") else "kerbside"


def suited(ground: Ground, method: Method) -> Ground:
    """The place as this method ends there: a bay is stood in nose in, or nose out.

    Raises InputError where the method ends at another kind of goal.
    """
    wanted = goal_of(method.manoeuvre)
    if isinstance(ground.goal, Bay) != (wanted == "bay"):
        there = "in a bay" if wanted == "bay" else "along a kerb"
        raise InputError("ground", f"{method.name} ends {there}; choose such a place")
    if isinstance(ground.goal, Bay):
        nose: Literal["in", "out"] = "in" if method.manoeuvre == "bay forward" else "out"
        return replace(ground, goal=replace(ground.goal, nose=nose))
    return ground
