"""Turnabout as a ground document has it."""

from typing import Literal

from faircorner.ground.goal import Goal
from faircorner.ground.kind import GoalModel
from faircorner.ground.kinds.turnabout.goal import Turnabout
from faircorner.model import Metres

__all__ = ["TurnaboutModel"]


class TurnaboutModel(GoalModel):
    """Turn round in the road, to end facing back beside the kerb across it.

    overhang : whether the body may reach over the kerbs; tyres never may
    """

    kind: Literal["turnabout"]
    kerb_m: Metres = 1.0
    overhang: bool = True

    def build(self) -> Turnabout:
        return Turnabout(kerb=self.kerb_m, overhang=self.overhang)

    @classmethod
    def of(cls, goal: Goal) -> "TurnaboutModel":
        assert isinstance(goal, Turnabout)  # noqa: S101  the kind says so
        return cls(kind="turnabout", kerb_m=round(goal.kerb, 5), overhang=goal.overhang)
