"""The berth: where the vehicle should stand in the end, in a frame that tapes are read in.

Kerbside or bay, the sums see the same: an edge beside the near-side tyres, something ahead,
something behind. Derivation: docs/sums/berth.md.
"""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from faircorner.ground.dimension import Dimension
from faircorner.plane import Floats, to_body, to_site, wrap
from faircorner.vehicle import Vehicle

__all__ = ["Berth", "BerthEnd"]


@dataclass(frozen=True, slots=True, kw_only=True)
class BerthEnd:
    """A line across the berth, before which the vehicle ends.

    at : m along the frame where it crosses y = 0; slope : m along for each m across
    of_tyres : whether the tyres are held against it (a wheel stop) instead of the body
    """

    name: str
    at: float
    slope: float = 0.0
    of_tyres: bool = False


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Berth:
    """Where to stand, the working side on the left.

    frame : (3,), on the site: x the way the vehicle faces when it stands, y = 0 along the edge
    edge : what the near-side tyres stand beside
    width : m from that edge to the one beyond the vehicle, None where there is none
    kerb : m wanted from tyres to edge; None for midway between both
    along : which end the place along is told by; gap : m wanted there, None where nobody asks
    """

    frame: Floats
    edge: str
    ahead: BerthEnd | None
    behind: BerthEnd | None
    along: Literal["ahead", "behind"]
    gap: float | None
    kerb: float | None = None
    width: float = 0.0

    @property
    def heading(self) -> float:
        return float(self.frame[2])

    def end(self, which: Literal["ahead", "behind"]) -> BerthEnd | None:
        """What stands or ends there; None where nothing does."""
        return self.ahead if which == "ahead" else self.behind

    def local(self, poses: Floats) -> Floats:
        """Poses (..., 3) on the site as the berth's frame sees them."""
        seen = np.empty_like(poses)
        seen[..., :2] = to_body(self.frame, poses[..., :2])
        seen[..., 2] = wrap(poses[..., 2] - self.frame[2])
        return seen

    def on_site(self, pose: Floats) -> Floats:
        """One pose (3,) in the berth's frame as the site sees it; undoes `local`."""
        return np.append(to_site(self.frame, pose[None, :2])[0], pose[2] + self.frame[2])

    def wanted_kerb(self, vehicle: Vehicle) -> float:
        """m from the near-side tyres to the edge when the vehicle stands as wanted."""
        if self.kerb is not None:
            return self.kerb
        across = float((vehicle.hubs(side=1) - vehicle.hubs(side=-1))[:, 1].mean())
        return (self.width - across) / 2

    @property
    def away(self) -> Floats:
        """The way out beside the vehicle, away from the edge: (2,), one metre long."""
        return np.array([np.sin(self.heading), -np.cos(self.heading)])

    def dimensions(self, pose: Floats, vehicle: Vehicle) -> tuple[Dimension, ...]:
        """Where the tape is held at a vehicle that stands at pose (3,): to the edge, at both ends.

        Along the berth it is held from the middle of the body's end, or of the tyres' where they
        are what meets a wheel stop.
        """
        here = self.local(pose)
        rear, front = to_site(here, vehicle.hubs(side=1))
        lines = [("kerb_rear", (rear, (rear[0], 0.0))), ("kerb_front", (front, (front[0], 0.0)))]
        for which, body, tyres in (
            ("ahead", vehicle.nose, vehicle.tyres()[:, 0].max()),
            ("behind", -vehicle.rear_overhang, vehicle.tyres()[:, 0].min()),
        ):
            end = self.ahead if which == "ahead" else self.behind
            if end is not None:
                held = np.array([[tyres if end.of_tyres else body, 0.0]])
                x, y = to_site(here, held)[0]
                lines.append((which, ((x, y), (end.at + end.slope * y, y))))
        return tuple(
            Dimension(what=what, ends=to_site(self.frame, np.array(ends))) for what, ends in lines
        )

    def gap_to(self, which: Literal["ahead", "behind"], poses: Floats, vehicle: Vehicle) -> Floats:
        """m left to an end at poses (..., 3) on the site; NaN where there is none."""
        end = self.end(which)
        if end is None:
            return np.full(poses.shape[:-1], np.nan)
        points = vehicle.tyres() if end.of_tyres else vehicle.outline[0]
        places = to_site(self.local(poses), points)
        room = end.at + end.slope * places[..., 1] - places[..., 0]
        return np.asarray((room if which == "ahead" else -room).min(axis=-1))
