"""The gap that the place asks for is left at the berth's end."""

from dataclasses import dataclass
from typing import Any, ClassVar, Literal

import numpy as np

from faircorner.cues.events.abeam import Abeam, against
from faircorner.cues.events.base import Came, Event, Moment, Rising, Usual, Waiting
from faircorner.cues.places import OwnPoint
from faircorner.ground import Landmark
from faircorner.model import Model
from faircorner.plane import Floats
from faircorner.said import Length, Said

__all__ = ["GapWanted", "GapWantedModel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class GapWanted(Event):
    """own, landmark : between what the gap is told; the berth says how large and where"""

    kind: ClassVar[str] = "gap wanted"
    own: str
    landmark: str

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {"kind": cls.kind, "own": usual.end, "landmark": usual.gap_to}

    def rising(self, waiting: Waiting) -> Rising:
        berth, vehicle = waiting.ground.berth, waiting.vehicle
        gap = berth.gap
        if gap is None:
            # Where nobody asks for a gap, both are to be level.
            level = Abeam(own=self.own, landmark=self.landmark, metres=0.0)
            return level.rising(waiting)
        nearing = waiting.direction * (1 if berth.along == "ahead" else -1)

        def left(poses: Floats, turns: Floats) -> Floats:
            return np.asarray(nearing * (gap - berth.gap_to(berth.along, poses, vehicle)))

        return left

    def stood(self, moment: Moment) -> float:
        gap = moment.ground.berth.gap
        return float("nan") if gap is None else gap

    def said(self, came: Came) -> Said:
        if not np.isfinite(came.metres):
            return against(self.own, self.landmark, came.metres, direction=came.direction)
        return Said(
            "gap left",
            by=Length(came.metres),
            own=f"own {self.own}",
            landmark=f"landmark {self.landmark}",
        )

    def named(self) -> dict[str, str]:
        return {"own": self.own, "landmark": self.landmark}


class GapWantedModel(Model):
    """The gap that the place asks for is left, between `own` and `landmark`."""

    kind: Literal["gap wanted"]
    own: OwnPoint
    landmark: Landmark | Literal["head", "mouth"]

    def build(self) -> GapWanted:
        return GapWanted(own=self.own, landmark=self.landmark)
