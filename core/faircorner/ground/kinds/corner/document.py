"""Corner as a ground document has it."""

from typing import Literal

from faircorner.ground.goal import Goal
from faircorner.ground.kind import GoalModel
from faircorner.ground.kinds.corner.goal import Corner
from faircorner.model import Metres

__all__ = ["CornerModel"]


class CornerModel(GoalModel):
    """Reverse round a corner into a side road, square to the road.

    back_m : wanted from the nose to the mouth of the side road
    """

    kind: Literal["corner"]
    radius_m: Metres = 5.0
    side_width_m: Metres = 6.0
    kerb_m: Metres = 0.5
    back_m: Metres = 6.0

    def build(self) -> Corner:
        return Corner(
            radius=self.radius_m,
            side_width=self.side_width_m,
            kerb=self.kerb_m,
            back=self.back_m,
        )

    @classmethod
    def of(cls, goal: Goal) -> "CornerModel":
        assert isinstance(goal, Corner)  # noqa: S101  the kind says so
        return cls(
            kind="corner",
            radius_m=round(goal.radius, 5),
            side_width_m=round(goal.side_width, 5),
            kerb_m=round(goal.kerb, 5),
            back_m=round(goal.back, 5),
        )
