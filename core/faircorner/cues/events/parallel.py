"""Along the berth, once the next step's wheel has settled."""

from dataclasses import dataclass
from typing import ClassVar, Literal

from faircorner.cues.events.base import Came, Event, Rising, Waiting
from faircorner.cues.events.settling import until_heading
from faircorner.ground import Ground
from faircorner.model import Model
from faircorner.said import Angle, Said

__all__ = ["Parallel", "ParallelModel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Parallel(Event):
    kind: ClassVar[str] = "parallel"
    of_heading: ClassVar[bool] = True
    settles_next: ClassVar[bool] = True

    def rising(self, waiting: Waiting) -> Rising:
        return until_heading(waiting, waiting.ground.berth.heading)

    def line(self, ground: Ground) -> float:
        return ground.berth.heading

    def said(self, came: Came) -> Said:
        return Said("still to go", angle=Angle(abs(came.heading), 0))


class ParallelModel(Model):
    kind: Literal["parallel"]

    def build(self) -> Parallel:
        return Parallel()
