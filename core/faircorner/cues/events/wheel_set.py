"""As soon as the wheel has reached the step's amount."""

from dataclasses import dataclass
from typing import ClassVar, Literal

import numpy as np

from faircorner.cues.events.base import Came, Event, Waiting
from faircorner.model import Model
from faircorner.plane import Floats
from faircorner.said import Said

__all__ = ["WheelSet", "WheelSetModel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class WheelSet(Event):
    kind: ClassVar[str] = "wheel set"
    sets_the_wheel: ClassVar[bool] = True

    def known(self, waiting: Waiting) -> Floats:
        return np.asarray(np.abs(waiting.leg.turns - waiting.turns) / waiting.leg.rate)

    def said(self, came: Came) -> Said:
        return Said("wheels straight")


class WheelSetModel(Model):
    kind: Literal["wheel set"]

    def build(self) -> WheelSet:
        return WheelSet()
