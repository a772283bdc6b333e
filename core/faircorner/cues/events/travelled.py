"""So many metres are rolled."""

from dataclasses import dataclass, replace
from typing import ClassVar, Literal

from faircorner.cues.events.base import Event, Waiting
from faircorner.cues.fitted import Unknown
from faircorner.model import Model
from faircorner.plane import Floats

__all__ = ["Travelled", "TravelledModel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Travelled(Event):
    """metres : rolled since the step began"""

    kind: ClassVar[str] = "travelled"
    metres: float | Unknown

    def figure(self) -> float | Unknown:
        return self.metres

    def with_figure(self, value: float) -> "Travelled":
        return replace(self, metres=value)

    def known(self, waiting: Waiting) -> Floats:
        return waiting.wanted


class TravelledModel(Model):
    kind: Literal["travelled"]
    metres: float

    def build(self) -> Travelled:
        return Travelled(metres=self.metres)
