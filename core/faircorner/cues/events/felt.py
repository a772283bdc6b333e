"""The tyres come against something low, or drop off what is driven on."""

from dataclasses import dataclass
from typing import Any, ClassVar, Literal

import numpy as np

from faircorner.cues.events.base import Came, Event, Rising, Usual, Waiting
from faircorner.cues.places import edge_gap
from faircorner.errors import InputError
from faircorner.ground import Ground, Obstacle
from faircorner.model import Model, Name
from faircorner.motion import clearance
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.vehicle import Vehicle, tyre_poses

__all__ = ["STOPPING", "Felt", "FeltModel"]

# Low things that a tyre is stopped by; a line on the ground is not felt.
STOPPING = ("wheel stop", "island")


@dataclass(frozen=True, slots=True, kw_only=True)
class Felt(Event):
    """thing : what the tyres meet, such as a wheel stop or the kerb"""

    kind: ClassVar[str] = "felt"
    thing: str

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        return {"kind": cls.kind, "thing": usual.felt}

    def rising(self, waiting: Waiting) -> Rising:
        ground, vehicle = waiting.ground, waiting.vehicle
        low = {o.name: o for o in ground.obstacles if o.kind in STOPPING}
        lines = {line.name: line for line in ground.kerblines if line.of_tyres}
        if self.thing in low:
            met = low[self.thing]
            return lambda poses, turns: -_tyre_gaps(poses, turns, vehicle, met)
        if self.thing in lines:
            line = lines[self.thing]
            return lambda poses, turns: -edge_gap(vehicle, line, poses, turns)
        known = ", ".join((*low, *lines)) or "none"
        raise InputError("thing", Said("is not met by tyres", thing=self.thing, known=known))

    def meets(self) -> str:
        return self.thing

    def blocked(self, ground: Ground) -> bool:
        edges = {line.name for line in ground.kerblines}
        return self.thing not in edges or ground.edging != "verge"

    def said(self, came: Came) -> Said:
        return Said("when felt", what=self.thing)

    def named(self) -> dict[str, str]:
        return {"thing": self.thing}


def _tyre_gaps(poses: Floats, turns: Floats, vehicle: Vehicle, met: Obstacle) -> Floats:
    """Least gap of the tyres to something at every pose by itself, (...), m."""
    tyres = tyre_poses(vehicle, poses, turns)
    found = clearance(
        tyres.reshape(-1, tyres.shape[-2], 3), (vehicle.tyre,), met.polygon,
        ways=tyres.shape[-2], between=False,
    )  # fmt: skip
    return np.asarray(found.metres.reshape(turns.shape))


class FeltModel(Model):
    """The tyres meet a low `thing` or an edge of that name, as it is felt through the seat."""

    kind: Literal["felt"]
    thing: Name

    def build(self) -> Felt:
        return Felt(thing=self.thing)
