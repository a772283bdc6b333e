"""A bay as a ground document has it."""

from math import degrees, radians
from typing import Literal

from faircorner.ground.goal import Goal
from faircorner.ground.kind import GoalModel
from faircorner.ground.kinds.bay.goal import Bay
from faircorner.model import Metres

__all__ = ["BayModel"]


class BayModel(GoalModel):
    """Park in the bay whose mouth's middle is the site's origin.

    angle_deg : from the way of travel to the way in: 90 is square
    head_m : wanted to what ends the bay, from the tyres where that is a wheel stop
    lines : painted ones may be crossed, those with sensors not be touched by a tyre
    guide_m : from the line of the mouths to a line in the aisle that is driven along
    """

    kind: Literal["bay"]
    angle_deg: float = 90.0
    width_m: Metres = 2.5
    depth_m: Metres = 5.0
    head: Literal["line", "wall", "wheel stop"] = "line"
    head_m: Metres = 0.3
    lines: Literal["painted", "sensor"] = "painted"
    guide_m: Metres | None = None

    def build(self) -> Bay:
        return Bay(
            angle=radians(self.angle_deg),
            width=self.width_m,
            depth=self.depth_m,
            head=self.head,
            head_gap=self.head_m,
            lines=self.lines,
            guide=self.guide_m,
        )

    @classmethod
    def of(cls, goal: Goal) -> "BayModel":
        assert isinstance(goal, Bay)  # noqa: S101  the kind says so
        return cls(
            kind="bay",
            angle_deg=round(degrees(goal.angle), 5),
            width_m=round(goal.width, 5),
            depth_m=round(goal.depth, 5),
            head=goal.head,
            head_m=round(goal.head_gap, 5),
            lines=goal.lines,
            guide_m=None if goal.guide is None else round(goal.guide, 5),
        )
