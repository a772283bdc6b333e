"""A place on the vehicle is so far from the kerb."""

from dataclasses import dataclass
from typing import Any, ClassVar, Literal

import numpy as np

from faircorner.cues.events.base import Came, EventInMetres, Moment, Rising, Usual, Waiting
from faircorner.cues.fitted import USUAL_KERB, MetresModel, built
from faircorner.cues.places import OwnPoint, own_point
from faircorner.model import Model
from faircorner.plane import Floats, to_site
from faircorner.said import Length, Said

__all__ = ["Kerb", "KerbModel"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Kerb(EventInMetres):
    """metres : from `own` to the kerb"""

    kind: ClassVar[str] = "kerb"
    own: str

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {"kind": cls.kind, "own": "rear wheel", "metres": USUAL_KERB.model_dump()}

    def rising(self, waiting: Waiting) -> Rising:
        own = own_point(waiting.vehicle, self.own)[None, :]
        wanted = waiting.wanted[:, None]

        def nearing(poses: Floats, turns: Floats) -> Floats:
            return np.asarray(wanted + to_site(poses, own)[..., 0, 1])

        return nearing

    def stood(self, moment: Moment) -> float:
        return -float(to_site(moment.pose, own_point(moment.vehicle, self.own)[None])[0, 1])

    def said(self, came: Came) -> Said:
        return Said("from kerb", own=f"own {self.own}", by=Length(came.metres))

    def named(self) -> dict[str, str]:
        return {"own": self.own}


class KerbModel(Model):
    kind: Literal["kerb"]
    own: OwnPoint
    metres: MetresModel

    def build(self) -> Kerb:
        return Kerb(own=self.own, metres=built(self.metres))
