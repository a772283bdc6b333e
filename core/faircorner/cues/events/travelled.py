"""So many metres are rolled."""

from dataclasses import dataclass
from typing import Any, ClassVar, Literal

from faircorner.cues.events.base import Came, EventInMetres, Usual, Waiting
from faircorner.model import Model
from faircorner.plane import Floats
from faircorner.said import Length, Said

__all__ = ["Travelled", "TravelledModel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Travelled(EventInMetres):
    """metres : rolled since the step began"""

    kind: ClassVar[str] = "travelled"

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {"kind": cls.kind, "metres": 1.0}

    def known(self, waiting: Waiting) -> Floats:
        return waiting.wanted

    def said(self, came: Came) -> Said:
        return Said("rolled", by=Length(came.rolled))


class TravelledModel(Model):
    kind: Literal["travelled"]
    metres: float

    def build(self) -> Travelled:
        return Travelled(metres=self.metres)
