"""What a batch of driven attempts came to: the finish, and how near it passed to everything."""

from dataclasses import dataclass

import numpy as np

from faircorner.cues.follow import Followed, Settings, follow
from faircorner.cues.places import edge_gap
from faircorner.cues.scene import Scene
from faircorner.ground import Ground, Kerbline, Obstacle, near_kerb
from faircorner.motion import Clearance, Track, clearance
from faircorner.plane import Bools, Floats
from faircorner.standards import Band, Finish, finish_at
from faircorner.vehicle import Vehicle, tyre_poses
from faircorner.wanted import still_wanted

__all__ = ["Driven", "attempt", "line_gap", "obstacle_gap", "overhang"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Driven:
    """Results of a batch.

    gaps : for each thing that can be touched, the least signed gap of each attempt
    low : names of what only tyres meet
    """

    followed: Followed
    track: Track
    finish: Finish
    gaps: dict[str, Clearance]
    low: frozenset[str]

    @property
    def tyres(self) -> Floats:
        """Least gap of the tyres to kerb or wheel stop, (attempts,); infinite where none is."""
        return self._least(of_tyres=True)

    @property
    def body(self) -> Floats:
        """Least gap of the body to anything, (attempts,)."""
        return self._least(of_tyres=False)

    def _least(self, *, of_tyres: bool) -> Floats:
        gaps = [gap.metres for name, gap in self.gaps.items() if (name in self.low) == of_tyres]
        return np.asarray(np.min([*gaps, np.full(len(self.finish.kerb), np.inf)], axis=0))

    def good(self, bands: tuple[Band, ...]) -> Bools:
        """Which attempts touch nothing, keep every band and reach every step's end."""
        clear = np.all([gap.metres > 0 for gap in self.gaps.values()], axis=0)
        kept = np.all([band.holds(self.finish) for band in bands], axis=0)
        return np.asarray(clear & kept & self.followed.reached.all(axis=1))


def attempt(scene: Scene, settings: Settings, *, sample: float | None = 0.05) -> Driven:
    """Drive a batch and measure it; kerb on the left.

    sample : m between the poses looked at; None for 24 in every step, however long
    Every search drives one batch after another: here it is given up where nobody waits any more.
    """
    still_wanted()
    vehicle, ground = scene.vehicle, scene.ground
    followed = follow(
        vehicle, ground, scene.method, settings, start=scene.standing, seat=scene.seat
    )
    track = followed.coarse if sample is None else followed.track(vehicle, sample)
    lines = ground.kerblines
    # A search that looks so seldom is led by gaps that change smoothly, not by what lies between.
    between = sample is not None
    ways = _Ways(scene, followed, track)
    gaps = {o.name: obstacle_gap(*ways.to(o.name), vehicle, o, between=between)
            for o in ground.obstacles}  # fmt: skip
    gaps |= {line.name: line_gap(*ways.to(line.name), vehicle, line) for line in lines}
    return Driven(
        followed=followed,
        track=track,
        finish=finish_at(track.final, vehicle, ground),
        gaps=gaps,
        low=ground.met_by_tyres,
    )


class _Ways:
    """The way that must not touch a thing: all of it, but what a step waits to feel with its tyres
    is touched there, and no sooner.
    """

    def __init__(self, scene: Scene, followed: Followed, track: Track) -> None:
        met = [step.until.meets() for step in scene.method.steps]
        self._steps = {name: i for i, name in enumerate(met) if name}
        self._followed, self._track = followed, track

    def to(self, name: str) -> tuple[Floats, Floats]:
        """Poses (attempts, n, 3) and wheel (attempts, n)."""
        poses, turns = self._track.poses, self._track.turns
        if name not in self._steps:
            return poses, turns
        before = self._track.s <= self._followed.begins(self._steps[name])[:, None]
        return np.where(before[..., None], poses, poses[:, :1]), np.where(before, turns, 0.0)


def overhang(poses: Floats, vehicle: Vehicle, ground: Ground) -> Clearance:
    """The furthest the body reaches over a kerb or the bays' mouths, where it may, (attempts,).

    poses : (attempts, n, 3). Negative when it stays off.
    """
    # Before a bay it is the line of the mouths, which a manoeuvre crosses anyway.
    lines = [line for line in ground.kerblines if line.of_tyres] or [near_kerb()]
    body = vehicle.outline[0]
    off = _least(np.min([line.gap(poses, body) for line in lines], axis=0))
    return Clearance(metres=-off.metres, sample=off.sample)


def line_gap(poses: Floats, turns: Floats, vehicle: Vehicle, line: Kerbline) -> Clearance:
    """Least gap of the tyres or the body to a kerbline, m.

    poses : (attempts, n, 3); turns : (attempts, n), of the wheel
    """
    return _least(edge_gap(vehicle, line, poses, turns))


def obstacle_gap(
    poses: Floats, turns: Floats, vehicle: Vehicle, obstacle: Obstacle, *, between: bool
) -> Clearance:
    """Least gap of the tyres to what is low, else of the body, m.

    poses : (attempts, n, 3); turns : (attempts, n), of the wheel; between : see `clearance`
    """
    if not obstacle.low:
        return clearance(poses, vehicle.outline, obstacle.polygon, between=between)
    # One tyre's way after another's: from pose to pose little moves, which spares most sums.
    tyres = tyre_poses(vehicle, poses, turns).swapaxes(1, 2)
    found = clearance(
        tyres.reshape(len(poses), -1, 3), (vehicle.tyre,), obstacle.polygon,
        ways=tyres.shape[1], between=between,
    )  # fmt: skip
    return Clearance(metres=found.metres, sample=found.sample % poses.shape[1])


def _least(values: Floats) -> Clearance:
    """The least value of each row, (attempts, n), and where it comes first."""
    sample = values.argmin(axis=1)
    return Clearance(metres=values[np.arange(len(values)), sample], sample=sample)
