"""From two to four tape readings to where the vehicle stands. Derivation: docs/sums/tape.md."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, replace

import numpy as np
from scipy.optimize import OptimizeResult, least_squares
from scipy.stats import chi2

from faircorner.cues import Scene
from faircorner.errors import InputError, between
from faircorner.ground import Ground
from faircorner.plane import Floats, mirrored
from faircorner.said import Exact, Length, Said
from faircorner.sides import sided
from faircorner.standards import Finish, finish_at
from faircorner.vehicle import Vehicle

__all__ = ["TAPE_SIGMA", "Readings", "TapedPose", "locate", "stood"]

# Assumed of a tape read in a yard: one standard deviation, m.
TAPE_SIGMA = 0.01
# Readings that a tape would give less often than this contradict each other.
_CONTRADICTION = 0.001
# A vehicle that stands askew is looked for from so far askew either way, rad.
_TURNED = 0.05
# A wheel this much farther out than the other is no slip of the tape that anybody would believe, m.
_ASKEW = 0.6
_PLAUSIBLE = {
    "kerb_front": (-1.0, 4.0),
    "kerb_rear": (-1.0, 4.0),
    "ahead": (-2.0, 30.0),
    "behind": (-2.0, 30.0),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Readings:
    """Gaps taped where the vehicle stopped, m; None where nobody taped.

    kerb_front, kerb_rear : from the near-side tyre's outer face, square to the kerb, negative
    over it
    ahead, behind : along the kerb, bumper to bumper
    Raises InputError naming the reading.
    """

    kerb_front: float
    kerb_rear: float
    ahead: float | None = None
    behind: float | None = None

    def __post_init__(self) -> None:
        for name, (low, high) in _PLAUSIBLE.items():
            value = getattr(self, name)
            if value is not None:
                between(f"{name}_m", value, low, high, clause="reading between")


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class TapedPose:
    """Where the vehicle stands.

    pose : (3,), in the site's own frame
    sigma : (3,), one standard deviation along and across the berth (m) and of the heading (rad);
        NaN along when nothing was taped that way, and then that place is only assumed
    finish : the same pose in a standard's measures, a batch of one; ahead and behind NaN when
        the place along the kerb is only assumed
    """

    pose: Floats
    sigma: Floats
    finish: Finish

    def mirrored(self) -> "TapedPose":
        return replace(self, pose=mirrored(self.pose))


@sided
def locate(scene: Scene, readings: Readings) -> TapedPose:
    """The pose that fits the readings best, with its uncertainty.

    Where neither gap was taped, its place along the berth is taken from where the scene has the
    vehicle stand: as planned.
    Raises InputError when the readings contradict each other, or ask for a gap to a vehicle
    that is not there.
    Weighted least squares; covariance from the Jacobian (Björck, Numerical Methods for Least
    Squares Problems, 1996, section 1.1).
    """
    place = scene.suited().ground
    if scene.standing is None:
        raise InputError("standing", Said("where it was to stand"))
    if readings.ahead is not None and place.berth.ahead is None:
        raise InputError("ahead_m", Said("nothing stands ahead"))
    if readings.behind is not None and place.berth.behind is None:
        raise InputError("behind_m", Said("nothing stands behind"))
    _check_angle(scene.vehicle, readings)
    fitting = _Fitting(
        vehicle=scene.vehicle, ground=place, planned=place.berth.local(scene.standing),
        taped={n: value for n in _PLAUSIBLE if (value := getattr(readings, n)) is not None},
    )  # fmt: skip
    solved = fitting.by(fitting.taped)
    _check_agreement(readings, solved, fitting)
    sigma = np.sqrt(np.diag(np.linalg.inv(solved.jac.T @ solved.jac)))
    pose = fitting.pose(solved.x)
    finish = fitting.finish(solved.x)
    return TapedPose(
        pose=pose,
        sigma=sigma if fitting.along else np.concatenate(([np.nan], sigma)),
        finish=finish if fitting.along else finish.without("ahead", "behind"),
    )


@sided
def stood(scene: Scene) -> TapedPose:
    """What a tape would read where the scene has its vehicle stand; nothing of it is unsure.

    Raises InputError where nobody says where that is, and for one that is out of a tape's reach.
    """
    place = scene.suited().ground
    if scene.standing is None:
        raise InputError("standing", Said("where it was to stand"))
    finish = finish_at(scene.standing[None], scene.vehicle, place)
    for name, (low, high) in _PLAUSIBLE.items():
        value = float(finish.measure(name)[0])
        if not np.isnan(value):
            between(f"{name}_m", value, low, high, clause="reading between")
    return TapedPose(pose=scene.standing, sigma=np.zeros(3), finish=finish)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class _Fitting:
    """Poses by readings, in the berth's frame, p: along it where a gap was taped, off it, heading.

    planned : (3,), where it was to stand; taped : m by the reading's name
    """

    vehicle: Vehicle
    ground: Ground
    planned: Floats
    taped: Mapping[str, float]

    @property
    def along(self) -> bool:
        """Whether the place along the berth was taped, and is not only assumed."""
        return "ahead" in self.taped or "behind" in self.taped

    def pose(self, p: Floats) -> Floats:
        """On the site, (3,)."""
        return self.ground.berth.on_site(p if self.along else np.append(self.planned[0], p))

    def finish(self, p: Floats) -> Finish:
        return finish_at(self.pose(p)[None], self.vehicle, self.ground)

    def by(self, names: Collection[str], *, turned: float = 0.0) -> OptimizeResult:
        """The pose by some of the readings, looked for from so far askew, rad."""
        wanted = np.array([self.taped[name] for name in names])

        def residuals(p: Floats) -> Floats:
            finish = self.finish(p)
            found = np.array([finish.measure(n)[0] for n in names]) / TAPE_SIGMA
            return np.asarray(found - wanted / TAPE_SIGMA)

        guess = [-self.taped["kerb_rear"] - self.vehicle.width / 2, turned]
        begin = [self.planned[0], *guess] if self.along else guess
        return least_squares(residuals, begin, x_scale="jac")

    def would_fit(self, name: str) -> float:
        """What one reading would have to be for all to agree; NaN where nothing would do."""
        others = [other for other in self.taped if other != name]
        tries = (self.by(others, turned=by) for by in (-_TURNED, _TURNED))
        values = (float(self.finish(one.x).measure(name)[0]) for one in tries if one.cost < 1)
        low, high = _PLAUSIBLE[name]
        if name.startswith("kerb"):
            low, high = self.taped[name] - _ASKEW, self.taped[name] + _ASKEW
        there = (value for value in values if low <= value <= high)
        return min(there, key=lambda value: abs(value - self.taped[name]), default=float("nan"))


def _check_angle(vehicle: Vehicle, readings: Readings) -> None:
    lean = abs(readings.kerb_front - readings.kerb_rear)
    if lean > 0.9 * vehicle.wheelbase:
        raise InputError(
            "kerb_front_m",
            Said(
                "front and rear contradict",
                kerb_front=Exact(readings.kerb_front),
                kerb_rear=Exact(readings.kerb_rear),
                wheelbase=Exact(vehicle.wheelbase),
            ),
        )


def _check_agreement(readings: Readings, solved: OptimizeResult, fitting: _Fitting) -> None:
    ahead, behind = readings.ahead, readings.behind
    # Only with both gaps along the kerb is there a reading more than is needed.
    if ahead is None or behind is None:
        return
    spare = len(solved.fun) - len(solved.x)
    if spare > 0 and chi2.sf(float(solved.fun @ solved.fun), spare) < _CONTRADICTION:
        # Each gap takes half the error; but any of the four may be the wrong one.
        off = abs(float(solved.fun[2:].sum())) * TAPE_SIGMA
        fits = [(name, fitting.would_fit(name)) for name in _PLAUSIBLE]
        raise InputError(
            "behind_m",
            Said(
                "gaps contradict",
                ahead=Exact(ahead),
                behind=Exact(behind),
                off=Length(off),
                fits=_either(
                    [Said(f"reading {n}", to=Length(to)) for n, to in fits if not np.isnan(to)]
                ),
            ),
        )


def _either(said: list[Said]) -> Said:
    """One or the other, in words; nothing where there is none."""
    if not said:
        return Said()
    first, *others = said
    return Said("or", one=first, other=_either(others)) if others else first
