"""Which methods suit which places: a park along the kerb needs a kerb, a bay a bay."""

from dataclasses import replace
from typing import Literal, TypeAlias, get_args

from faircorner.cues.method import Method
from faircorner.errors import InputError
from faircorner.ground import Bay, Corner, Ground, Kerbside, Stretch, Turnabout

__all__ = ["GOALS", "MANOEUVRES", "GoalKind", "goal_of", "suited"]

GoalKind: TypeAlias = Literal["kerbside", "bay", "turnabout", "corner", "stretch"]
GOALS: tuple[GoalKind, ...] = get_args(GoalKind)

# Where each manoeuvre ends; web/src/api/goals.json is written from this.
MANOEUVRES: dict[str, GoalKind] = {
    "reverse parallel": "kerbside",
    "bay": "bay",
    "bay forward": "bay",
    "bay reverse": "bay",
    "turn in the road": "turnabout",
    "reverse round a corner": "corner",
    "kerbside stop": "stretch",
    "reverse along the kerb": "stretch",
    "pull up opposite": "stretch",
}
_KINDS = {Kerbside: "kerbside", Bay: "bay", Turnabout: "turnabout", Corner: "corner",
          Stretch: "stretch"}  # fmt: skip
_PLACES: dict[GoalKind, str] = {
    "kerbside": "behind a vehicle parked along a kerb",
    "bay": "in a bay",
    "turnabout": "facing back along an empty road",
    "corner": "in a side road",
    "stretch": "along a free kerb",
}


def goal_of(manoeuvre: str) -> GoalKind:
    """The kind of goal at which a manoeuvre, or a standard for it, ends: as in ground documents."""
    return MANOEUVRES.get(manoeuvre, "kerbside")


def suited(ground: Ground, method: Method) -> Ground:
    """The place as this method ends there: a bay stood in nose in or out, a run back or none.

    Raises InputError where the method ends at another kind of goal.
    """
    wanted = goal_of(method.manoeuvre)
    goal = ground.goal
    if _KINDS[type(goal)] != wanted:
        raise InputError("ground", f"{method.name} ends {_PLACES[wanted]}; choose such a place")
    if isinstance(goal, Bay):
        nose: Literal["in", "out"] = "in" if method.manoeuvre == "bay forward" else "out"
        return replace(ground, goal=replace(goal, nose=nose))
    if isinstance(goal, Stretch) and method.manoeuvre == "kerbside stop":
        return replace(ground, goal=replace(goal, run=0.0))
    return ground
