"""An angle to the kerb, once the next step's wheel has settled."""

from dataclasses import dataclass, replace
from math import radians
from typing import Any, ClassVar, Literal, Self

from faircorner.cues.events.base import Came, Event, Rising, Usual, Waiting
from faircorner.cues.events.settling import until_heading
from faircorner.cues.fitted import USUAL_ANGLE, AngleModel, Unknown
from faircorner.model import Model
from faircorner.said import Angle, Said

__all__ = ["Heading", "HeadingModel"]

# On a clock face with twelve along the kerb.
_HALF_HOUR, _MOST_HALVES = radians(15), 6


@dataclass(frozen=True, slots=True, kw_only=True)
class Heading(Event):
    """angle : rad to the kerb, nose away positive"""

    kind: ClassVar[str] = "heading"
    of_heading: ClassVar[bool] = True
    settles_next: ClassVar[bool] = True
    angle: float | Unknown

    def figure(self) -> float | Unknown:
        return self.angle

    def with_figure(self, value: float) -> Self:
        return replace(self, angle=value)

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {"kind": cls.kind, "angle": USUAL_ANGLE.model_dump()}

    def rising(self, waiting: Waiting) -> Rising:
        # Nose away from the kerb is positive in a method, and negative on the site.
        return until_heading(waiting, -waiting.wanted[:, None])

    def said(self, came: Came) -> Said:
        angle, then = Angle(abs(came.heading), 0), Angle(abs(came.then), 0)
        halves = round(abs(came.then) / _HALF_HOUR)
        if not 1 <= halves <= _MOST_HALVES:
            return Said("at angle", angle=angle, then=then)
        clock = Said(f"clock {halves}")
        return Said("at angle by the clock", angle=angle, then=then, clock=clock)


class HeadingModel(Model):
    """Angle to the kerb, nose away positive, once the next step's wheel has settled."""

    kind: Literal["heading"]
    angle: AngleModel

    def build(self) -> Heading:
        given = self.angle
        return Heading(angle=radians(given) if isinstance(given, float) else given.build())
