"""A place on the vehicle stands against a landmark, along the kerb."""

from dataclasses import dataclass
from typing import Any, ClassVar, Literal

import numpy as np

from faircorner.cues.events.base import Came, EventInMetres, Moment, Rising, Usual, Waiting
from faircorner.cues.fitted import USUAL_METRES, MetresModel, built
from faircorner.cues.places import OwnPoint, landmark_x, own_point
from faircorner.ground import Landmark
from faircorner.model import Model
from faircorner.plane import Floats, to_site
from faircorner.said import Rough, Said

__all__ = ["Abeam", "AbeamModel", "against"]


# Nearer than this nobody tells them apart, m.
_LEVEL = 0.03


def against(own: str, landmark: str, metres: float, *, direction: int) -> Said:
    """Where the vehicle's own point stands against a landmark; level where nobody says how far.

    metres : behind it; direction : the way it is rolled, +1 forward, -1 in reverse
    """
    own, landmark = f"own {own}", f"landmark {landmark}"
    if not abs(metres) >= _LEVEL:
        return Said("level with", own=own, landmark=landmark)
    code = "short of" if metres * direction > 0 else "past"
    return Said(code, own=own, by=Rough(abs(metres)), landmark=landmark)


@dataclass(frozen=True, slots=True, kw_only=True)
class Abeam(EventInMetres):
    """metres : that `own` stands behind `landmark`"""

    kind: ClassVar[str] = "abeam"
    own: str
    landmark: str

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {
            "kind": cls.kind,
            "own": "rear bumper",
            "landmark": usual.landmark,
            "metres": USUAL_METRES.model_dump(),
        }

    def rising(self, waiting: Waiting) -> Rising:
        own = own_point(waiting.vehicle, self.own)[None, :]
        x = landmark_x(waiting.ground, self.landmark)
        wanted, direction = waiting.wanted[:, None], waiting.direction

        def behind(poses: Floats, turns: Floats) -> Floats:
            return np.asarray((x - to_site(poses, own)[..., 0, 0] - wanted) * -direction)

        return behind

    def stood(self, moment: Moment) -> float:
        x = to_site(moment.pose, own_point(moment.vehicle, self.own)[None])[0, 0]
        return float(landmark_x(moment.ground, self.landmark) - x)

    def said(self, came: Came) -> Said:
        return against(self.own, self.landmark, came.metres, direction=came.direction)

    def named(self) -> dict[str, str]:
        return {"own": self.own, "landmark": self.landmark}


class AbeamModel(Model):
    """`own` stands so many metres behind `landmark`."""

    kind: Literal["abeam"]
    own: OwnPoint
    landmark: Landmark
    metres: MetresModel

    def build(self) -> Abeam:
        return Abeam(own=self.own, landmark=self.landmark, metres=built(self.metres))
