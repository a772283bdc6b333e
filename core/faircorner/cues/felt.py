"""What is felt through the seat: where the tyres come against something, or leave the road."""

from dataclasses import dataclass

import numpy as np

from faircorner.cues.calls import states_on, told_at
from faircorner.cues.driven import Driven, obstacle_gap
from faircorner.cues.events import STOPPING
from faircorner.cues.places import edge_gap
from faircorner.cues.scene import Scene
from faircorner.plane import Floats
from faircorner.said import Length, Said

__all__ = ["Felt", "felt_after"]

# So far on from a stop it is looked for, and so finely that between two places a gap runs straight,
# m; nearer than the last is here.
_ON, _STEP, _HERE = 1.0, 0.1, 0.03


@dataclass(frozen=True, slots=True, kw_only=True)
class Felt:
    """by : m rolled on after a stop until a tyre is there; what : it meets

    drops : whether the tyre leaves the road there instead of being stopped
    """

    by: float
    what: str
    drops: bool

    @property
    def said(self) -> Said:
        if self.drops:
            return Said("felt as it drops", by=Length(self.by))
        if self.by < _HERE:
            return Said("felt here", what=self.what)
        return Said("felt after", by=Length(self.by), what=self.what)


def felt_after(scene: Scene, driven: Driven, call: int) -> Felt | None:
    """The first thing that tyres meet for whoever rolls on as before; None within a metre none."""
    told, on = told_at(scene, driven, call), np.arange(0.0, _ON + _STEP / 2, _STEP)
    leg = int(np.searchsorted(driven.followed.ends[0], told))
    poses, turns = states_on(scene, driven, told, leg, on)
    met = [
        (_first(on, gaps), name)
        for name, gaps in _gaps(scene, poses, turns)
        if gaps.min() <= 0 < gaps[0] + _HERE
    ]
    if not met:
        return None
    by, what = min(met)
    lines = {line.name for line in scene.ground.kerblines}
    return Felt(by=by, what=what, drops=what in lines and scene.ground.edging == "verge")


def _gaps(scene: Scene, poses: Floats, turns: Floats) -> list[tuple[str, Floats]]:
    """Of everything that only tyres meet, m from them to it at every pose, (n,)."""
    ground, vehicle = scene.ground, scene.vehicle
    lines = [
        (line.name, edge_gap(vehicle, line, poses, turns))
        for line in ground.kerblines
        if line.of_tyres
    ]
    low = [
        (o.name, obstacle_gap(poses[:, None], turns[:, None], vehicle, o, between=False).metres)
        for o in ground.obstacles
        if o.kind in STOPPING
    ]
    return lines + low


def _first(on: Floats, gaps: Floats) -> float:
    """m rolled on until a gap has closed, which runs straight between two places."""
    at = int((gaps <= 0).argmax())
    if at == 0:
        return 0.0
    share = gaps[at - 1] / (gaps[at - 1] - gaps[at])
    return float(on[at - 1] + share * (on[at] - on[at - 1]))
