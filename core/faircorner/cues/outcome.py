"""What a batch of driven attempts came to: the finish, and how near it passed to everything."""

from dataclasses import dataclass

import numpy as np

from faircorner.cues.follow import Followed, Settings, follow
from faircorner.cues.method import Method
from faircorner.ground import Band, Finish, Ground, finish_at
from faircorner.motion import Clearance, Track, clearance, tyre_clearance
from faircorner.plane import Bools, Floats, to_site
from faircorner.vehicle import Vehicle

__all__ = ["KERB", "Case", "Outcome", "attempt"]

KERB = "kerb"


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Case:
    """The fixed part of a plan: who drives what, where, how, and what counts as good.

    start : (3,), where to begin when it is not where the method would
    """

    vehicle: Vehicle
    ground: Ground
    method: Method
    bands: tuple[Band, ...]
    start: Floats | None = None


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Outcome:
    """Results of a batch.

    gaps : for each thing that can be touched, the least signed gap of each attempt
    overhang : the furthest the body reaches over the kerb or the line on y = 0, which
        it may; negative when it stays off
    """

    followed: Followed
    track: Track
    finish: Finish
    gaps: dict[str, Clearance]
    overhang: Clearance

    @property
    def least(self) -> Floats:
        """Least gap to anything but the kerb, (attempts,)."""
        return np.asarray(np.min([g.metres for n, g in self.gaps.items() if n != KERB], axis=0))

    def good(self, bands: tuple[Band, ...]) -> Bools:
        """Which attempts touch nothing, keep every band and reach every step's end."""
        clear = np.all([gap.metres > 0 for gap in self.gaps.values()], axis=0)
        kept = np.all([band.holds(self.finish) for band in bands], axis=0)
        return np.asarray(clear & kept & self.followed.reached.all(axis=1))


def attempt(
    case: Case, settings: Settings, *, sample: float = 0.05, steps: int | None = None
) -> Outcome:
    """Drive a batch and measure it; kerb on the left. sample, steps : see `motion.drive`."""
    vehicle, ground = case.vehicle, case.ground
    followed = follow(vehicle, ground, case.method, settings, start=case.start)
    track = followed.track(vehicle, sample, steps)
    outline = vehicle.outline()
    # A wheel stop is low: the body passes over it.
    gaps = {
        o.name: clearance(
            track.poses, vehicle.tyre_pieces() if o.kind == "wheel stop" else outline, o.polygon
        )
        for o in ground.obstacles
    }
    across = to_site(track.poses, outline[0])[..., 1]
    beyond = _least(-across.max(axis=-1))
    if ground.has_kerb:
        gaps[KERB] = tyre_clearance(track.poses, vehicle.tyres())
    gaps[ground.far_edge] = _least(across.min(axis=-1) + ground.road_width)
    return Outcome(
        followed=followed,
        track=track,
        finish=finish_at(track.final, vehicle, ground),
        gaps=gaps,
        overhang=Clearance(metres=-beyond.metres, sample=beyond.sample),
    )


def _least(values: Floats) -> Clearance:
    """The least value of each row, (attempts, n), and where it comes first."""
    sample = values.argmin(axis=1)
    return Clearance(metres=values[np.arange(len(values)), sample], sample=sample)
