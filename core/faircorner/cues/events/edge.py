"""So much room is left to an edge, from what meets it first."""

from dataclasses import dataclass
from typing import Any, ClassVar, Literal, TypeAlias

import numpy as np

from faircorner.cues.events.base import Came, EventInMetres, Moment, Rising, Usual, Waiting, Watched
from faircorner.cues.fitted import USUAL_KERB, MetresModel, built
from faircorner.cues.places import edge_gap, edge_line
from faircorner.model import Model
from faircorner.plane import Floats
from faircorner.said import Length, Said

__all__ = ["AtEdge", "AtEdgeModel", "EdgeName"]

EdgeName: TypeAlias = Literal["kerb", "far kerb"]


@dataclass(frozen=True, slots=True, kw_only=True)
class AtEdge(EventInMetres):
    """metres : from what meets it, tyres or body, to the nearest place of the named `edge`"""

    kind: ClassVar[str] = "edge"
    edge: str

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {"kind": cls.kind, "edge": "far kerb", "metres": USUAL_KERB.model_dump()}

    def rising(self, waiting: Waiting) -> Rising:
        line, vehicle = edge_line(waiting.ground, self.edge), waiting.vehicle
        wanted = waiting.wanted[:, None]

        def nearing(poses: Floats, turns: Floats) -> Floats:
            return np.asarray(wanted - edge_gap(vehicle, line, poses, turns))

        return nearing

    def stood(self, moment: Moment) -> float:
        line = edge_line(moment.ground, self.edge)
        return float(edge_gap(moment.vehicle, line, moment.pose, moment.turns))

    def said(self, came: Came) -> Said:
        return Said("left to edge", by=Length(came.metres), edge=self.edge)

    def watched(self) -> Watched:
        return Watched(edge=self.edge)

    def named(self) -> dict[str, str]:
        return {"edge": self.edge}


class AtEdgeModel(Model):
    """So many metres are left to an edge: from the tyres, or the body where it may not cross."""

    kind: Literal["edge"]
    edge: EdgeName
    metres: MetresModel

    def build(self) -> AtEdge:
        return AtEdge(edge=self.edge, metres=built(self.metres))
