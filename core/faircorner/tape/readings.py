"""From two to four tape readings to where the vehicle stands. Derivation: docs/sums/tape.md."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field, replace

import numpy as np
from scipy.optimize import OptimizeResult, least_squares
from scipy.stats import chi2

from faircorner.cues import Scene
from faircorner.errors import InputError, between
from faircorner.ground import Berth, Ground
from faircorner.plane import Floats, mirrored
from faircorner.said import Exact, Length, Said
from faircorner.sides import sided
from faircorner.standards import Finish, finish_at
from faircorner.tape.by_eye import Glance, eye_sigma, seen_as
from faircorner.vehicle import Vehicle

__all__ = [
    "TAPE_SIGMA",
    "Readings",
    "TapedPose",
    "check_gaps_exist",
    "check_plausible",
    "locate",
    "stood",
]

# Assumed of a tape read in a yard: one standard deviation, m.
TAPE_SIGMA = 0.01
# Readings that a tape would give less often than this contradict each other.
_CONTRADICTION = 0.001
# A vehicle that stands askew is looked for from so far askew either way, rad.
_TURNED = 0.05
# A wheel this much farther out than the other is no slip of the tape that anybody would believe, m.
_ASKEW = 0.6
PLAUSIBLE = {
    "kerb_front": (-1.0, 4.0),
    "kerb_rear": (-1.0, 4.0),
    "ahead": (-2.0, 30.0),
    "behind": (-2.0, 30.0),
}


def check_plausible(read: Mapping[str, float | None]) -> None:
    """Raise InputError for the first reading (m, by name) outside its range; None passes."""
    for name, (low, high) in PLAUSIBLE.items():
        value = read.get(name)
        if value is not None:
            between(f"{name}_m", value, low, high, clause="reading between")


def check_gaps_exist(berth: Berth, read: Collection[str]) -> None:
    """Raise InputError for a gap that was read although nothing stands at that end."""
    if "ahead" in read and berth.ahead is None:
        raise InputError("ahead_m", Said("nothing stands ahead"))
    if "behind" in read and berth.behind is None:
        raise InputError("behind_m", Said("nothing stands behind"))


@dataclass(frozen=True, slots=True, kw_only=True)
class Readings:
    """Gaps taped where the vehicle stopped, m; None where nobody taped.

    kerb_front, kerb_rear : from the near-side tyre's outer face, square to the kerb, negative
    over it; each is taped or told by eye
    ahead, behind : along the kerb, bumper to bumper
    by_eye : what was only looked at, against what the plan has, by the reading's name
    Raises InputError naming the reading.
    """

    kerb_front: float | None = None
    kerb_rear: float | None = None
    ahead: float | None = None
    behind: float | None = None
    by_eye: Mapping[str, Glance] = field(default_factory=dict)

    def __post_init__(self) -> None:
        check_plausible({name: getattr(self, name) for name in PLAUSIBLE})
        for name in PLAUSIBLE:
            value = getattr(self, name)
            if value is not None and name in self.by_eye:
                raise InputError(f"{name}_m", Said("taped and by eye"))
            if value is None and name not in self.by_eye and name.startswith("kerb"):
                raise InputError(f"{name}_m", Said("tape it or look"))
        if {self.by_eye.get("ahead"), self.by_eye.get("behind")} in ({"near"}, {"far"}):
            raise InputError("behind_m", Said("gaps by eye contradict"))

    def seen(self, planned: Finish) -> dict[str, float]:
        """Each by the tape or the eye, m; planned : the plan's finish, a batch of one."""
        looked = {n: seen_as(n, g, float(planned.measure(n)[0])) for n, g in self.by_eye.items()}
        both = {name: looked.get(name, getattr(self, name)) for name in PLAUSIBLE}
        return {name: value for name, value in both.items() if value is not None}

    def sigma(self, name: str) -> float:
        """One standard deviation of a reading, m."""
        return eye_sigma(name) if name in self.by_eye else TAPE_SIGMA


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

    @property
    def along_known(self) -> bool:
        """Whether its place along the berth was read, and is not only assumed."""
        return not np.isnan(self.sigma[0])

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
    planned = finish_at(scene.standing[None], scene.vehicle, place)
    seen = readings.seen(planned)
    check_gaps_exist(place.berth, seen)
    _check_angle(scene.vehicle, seen)
    fitting = _Fitting(
        vehicle=scene.vehicle, ground=place, planned=place.berth.local(scene.standing),
        taped=seen, sigma={name: readings.sigma(name) for name in seen},
    )  # fmt: skip
    solved = fitting.by(fitting.taped)
    _check_agreement(solved, fitting)
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
    found = {name: float(finish.measure(name)[0]) for name in PLAUSIBLE}
    check_plausible({name: value for name, value in found.items() if not np.isnan(value)})
    return TapedPose(pose=scene.standing, sigma=np.zeros(3), finish=finish)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class _Fitting:
    """Poses by readings, in the berth's frame, p: along it where a gap was taped, off it, heading.

    planned : (3,), where it was to stand; taped : m by the reading's name, and its sigma, m
    """

    vehicle: Vehicle
    ground: Ground
    planned: Floats
    taped: Mapping[str, float]
    sigma: Mapping[str, float]

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
        sigma = np.array([self.sigma[name] for name in names])

        def residuals(p: Floats) -> Floats:
            finish = self.finish(p)
            found = np.array([finish.measure(n)[0] for n in names])
            return np.asarray((found - wanted) / sigma)

        guess = [-self.taped["kerb_rear"] - self.vehicle.width / 2, turned]
        begin = [self.planned[0], *guess] if self.along else guess
        return least_squares(residuals, begin, x_scale="jac")

    def would_fit(self, name: str) -> float:
        """What one reading would have to be for all to agree; NaN where nothing would do."""
        others = [other for other in self.taped if other != name]
        tries = (self.by(others, turned=by) for by in (-_TURNED, _TURNED))
        values = (float(self.finish(one.x).measure(name)[0]) for one in tries if one.cost < 1)
        low, high = PLAUSIBLE[name]
        if name.startswith("kerb"):
            low, high = self.taped[name] - _ASKEW, self.taped[name] + _ASKEW
        there = (value for value in values if low <= value <= high)
        return min(there, key=lambda value: abs(value - self.taped[name]), default=float("nan"))


def _check_angle(vehicle: Vehicle, seen: Mapping[str, float]) -> None:
    lean = abs(seen["kerb_front"] - seen["kerb_rear"])
    if lean > 0.9 * vehicle.wheelbase:
        raise InputError(
            "kerb_front_m",
            Said(
                "front and rear contradict",
                kerb_front=Exact(seen["kerb_front"]),
                kerb_rear=Exact(seen["kerb_rear"]),
                wheelbase=Exact(vehicle.wheelbase),
            ),
        )


def _check_agreement(solved: OptimizeResult, fitting: _Fitting) -> None:
    # Only with both gaps along the kerb is there a reading more than is needed.
    if not {"ahead", "behind"} <= set(fitting.taped):
        return
    ahead, behind = fitting.taped["ahead"], fitting.taped["behind"]
    spare = len(solved.fun) - len(solved.x)
    if spare > 0 and chi2.sf(float(solved.fun @ solved.fun), spare) < _CONTRADICTION:
        # Each gap takes half the error; but any of the four may be the wrong one.
        sigma = [fitting.sigma[name] for name in ("ahead", "behind")]
        off = abs(float(solved.fun[2:] @ sigma))
        fits = [(name, fitting.would_fit(name)) for name in PLAUSIBLE]
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
