"""A goal along the kerb as a ground document has it."""

from typing import Literal

from faircorner.ground.goal import Goal
from faircorner.ground.kind import GoalModel
from faircorner.ground.kinds.kerbside.goal import Kerbside
from faircorner.model import Metres, Name

__all__ = ["KerbsideModel"]


class KerbsideModel(GoalModel):
    """Park along the kerb behind `ahead`, and in front of `behind` if one is named."""

    kind: Literal["kerbside"] = "kerbside"
    ahead: Name
    behind: Name | None = None
    kerb_m: Metres = 0.25
    ahead_m: Metres = 1.0

    def build(self) -> Kerbside:
        return Kerbside(
            ahead=self.ahead, behind=self.behind, kerb=self.kerb_m, ahead_gap=self.ahead_m
        )

    @classmethod
    def of(cls, goal: Goal) -> "KerbsideModel":
        assert isinstance(goal, Kerbside)  # noqa: S101  the kind says so
        return cls(
            ahead=goal.ahead,
            behind=goal.behind,
            kerb_m=round(goal.kerb, 5),
            ahead_m=round(goal.ahead_gap, 5),
        )
