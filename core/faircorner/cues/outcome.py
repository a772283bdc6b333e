"""What a batch of driven attempts came to: the finish, and how near it passed to everything."""

from dataclasses import dataclass

import numpy as np

from faircorner.cues.follow import Followed, Settings, follow
from faircorner.cues.method import Method
from faircorner.ground import Band, Finish, Ground, Obstacle, finish_at
from faircorner.motion import Clearance, Track, clearance, tyre_clearance
from faircorner.plane import Bools, Floats, to_site
from faircorner.vehicle import Vehicle

__all__ = ["KERB", "TYRES_MEET", "Case", "Outcome", "attempt", "obstacle_gap"]

KERB = "kerb"
# What is low enough for the body to pass over, by name.
TYRES_MEET = (KERB, "wheel stop")


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
    def tyres(self) -> Floats:
        """Least gap of the tyres to kerb or wheel stop, (attempts,); infinite where none is."""
        return self._least(low=True)

    @property
    def body(self) -> Floats:
        """Least gap of the body to anything, (attempts,)."""
        return self._least(low=False)

    def _least(self, *, low: bool) -> Floats:
        gaps = [gap.metres for name, gap in self.gaps.items() if (name in TYRES_MEET) == low]
        return np.asarray(np.min([*gaps, np.full(len(self.finish.kerb), np.inf)], axis=0))

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
    gaps = {o.name: obstacle_gap(track.poses, vehicle, o) for o in ground.obstacles}
    across = to_site(track.poses, vehicle.outline()[0])[..., 1]
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


def obstacle_gap(poses: Floats, vehicle: Vehicle, obstacle: Obstacle) -> Clearance:
    """Least gap over poses (attempts, n, 3): of the tyres to a wheel stop, else of the body, m."""
    low = obstacle.kind == "wheel stop"
    pieces = vehicle.tyre_pieces() if low else vehicle.outline()
    return clearance(poses, pieces, obstacle.polygon)


def _least(values: Floats) -> Clearance:
    """The least value of each row, (attempts, n), and where it comes first."""
    sample = values.argmin(axis=1)
    return Clearance(metres=values[np.arange(len(values)), sample], sample=sample)
