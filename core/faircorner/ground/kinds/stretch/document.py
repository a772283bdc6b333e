"""Stretch as a ground document has it."""

from typing import Literal

from faircorner.ground.goal import Goal
from faircorner.ground.kind import GoalModel
from faircorner.ground.kinds.stretch.goal import Stretch
from faircorner.model import Metres

__all__ = ["StretchModel"]


class StretchModel(GoalModel):
    """A free kerb with a post at x = 0: stop short of it, and reverse along the kerb."""

    kind: Literal["stretch"]
    kerb_m: Metres = 0.3
    short_m: Metres = 0.5
    run_m: Metres = 9.0

    def build(self) -> Stretch:
        return Stretch(kerb=self.kerb_m, short=self.short_m, run=self.run_m)

    @classmethod
    def of(cls, goal: Goal) -> "StretchModel":
        assert isinstance(goal, Stretch)  # noqa: S101  the kind says so
        return cls(
            kind="stretch",
            kerb_m=round(goal.kerb, 5),
            short_m=round(goal.short, 5),
            run_m=round(goal.run, 5),
        )
