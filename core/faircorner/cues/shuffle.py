"""Moving sideways along a kerb by a small angle: steer, let it run, cancel the angle, straighten.

Derivation: docs/sums/shuffle.md.
"""

from dataclasses import dataclass

import numpy as np
from scipy.optimize import brentq

from faircorner.cues.method import Way
from faircorner.errors import InputError, between
from faircorner.motion import Leg, drive, settle_turn
from faircorner.plane import Floats, to_site
from faircorner.said import Said
from faircorner.vehicle import Vehicle

__all__ = ["ANGLES", "Shuffle", "drift", "rejoin", "shuffle"]

# Angles offered, degrees: the small ones keep beside a kerb, the large ones cross a road.
ANGLES = (1.0, 2.0, 3.0, 5.0, 8.0, 12.0, 20.0, 30.0)
# Angles nobody sees, degrees.
SMALL_ANGLES = (0.5, 1.0, 2.0)
# How much of the lock is used, and how fast the hands are: turns of the wheel a metre; assumed.
_SHARE, _RATE = 0.5, 1.0
_LONGEST = 60.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Shuffle:
    """One way to move sideways: the angle taken and what it costs.

    angle : rad; turns : of the steering wheel each way; straight : m rolled at the angle
    metres : m rolled in all; reach : m by which the end that leads out swings the other way first
    """

    angle: float
    turns: float
    straight: float
    metres: float
    reach: float


def drift(run: float) -> tuple[tuple[float, float], ...]:
    """What small angles come to over a run of so many metres: rad, and m sideways."""
    return tuple((float(a), float(run * np.sin(a))) for a in np.radians(SMALL_ANGLES))


def rejoin(vehicle: Vehicle, road_width: float) -> tuple[float, tuple[Shuffle, ...]]:
    """From beside the kerb opposite back to one's own side: m across, and ways to go there.

    As far across as the road is half wide.
    """
    across = road_width / 2
    return across, shuffle(vehicle, across, direction=1, way="away")


def shuffle(vehicle: Vehicle, sideways: float, *, direction: int, way: Way) -> tuple[Shuffle, ...]:
    """Every angle by which a vehicle parallel to the kerb can be moved so far sideways.

    sideways : m, above 0; direction : +1 forward, -1 reverse; way : toward or away from the kerb
    on the left. The wheel goes over by up to half the lock. Raises InputError naming the figure.
    """
    between("sideways_m", sideways, 0.02, 8.0)
    if way not in ("toward", "away"):
        raise InputError("way", Said("must be toward or away", got=way))
    found = (_at(vehicle, sideways, np.radians(angle), direction, way) for angle in ANGLES)
    return tuple(one for one in found if one is not None and one.metres <= _LONGEST)


def _at(
    vehicle: Vehicle, sideways: float, angle: float, direction: int, way: Way
) -> Shuffle | None:
    """None where the bends alone already move it farther."""
    turns = _amount(vehicle, angle)
    # Rolling back, the same wheel moves a vehicle the same way across.
    sign = 1.0 if way == "toward" else -1.0
    bends = _driven(vehicle, angle, turns, 0.0, direction, sign)
    straight = (sideways - abs(float(bends[-1, 1]))) / np.sin(angle)
    if straight < 0:
        return None
    poses = _driven(vehicle, angle, turns, straight, direction, sign)
    near = np.array(
        [(vehicle.nose, vehicle.width / 2), (-vehicle.rear_overhang, vehicle.width / 2)]
    )
    corners = to_site(poses, near if sign < 0 else near * [1, -1])[..., 1] * -sign
    return Shuffle(
        angle=angle,
        turns=turns,
        straight=straight,
        metres=float(np.linalg.norm(np.diff(poses[:, :2], axis=0), axis=1).sum()),
        reach=float((corners - corners[0]).max(initial=0.0)),
    )


def _amount(vehicle: Vehicle, angle: float) -> float:
    """Turns to use: half the lock, or less where winding it on and off already turns too far."""
    most = _SHARE * vehicle.steering.lock_turns

    def turned(turns: float) -> float:
        return 2 * abs(float(settle_turn(vehicle.steering, 0.0, turns, _RATE))) - angle

    return most if turned(most) <= 0 else float(brentq(turned, 1e-6, most))


def _driven(
    vehicle: Vehicle, angle: float, turns: float, straight: float, direction: int, sign: float
) -> Floats:
    """Poses (n, 3) of one S: over, on, back over, and straightened."""
    steering = vehicle.steering
    wound = abs(float(settle_turn(steering, 0.0, turns, _RATE)))
    held = max(angle - 2 * wound, 0.0) / abs(float(steering.curvature(turns)))
    ramp = turns / _RATE

    def leg(to: float, metres: float) -> Leg:
        return Leg(
            direction=direction, turns=np.array([to]), metres=np.array([metres]),
            rate=np.array([_RATE]),
        )  # fmt: skip

    over, back = sign * turns, -sign * turns
    legs = [leg(over, ramp + held), leg(0.0, ramp + straight), leg(back, ramp + held),
            leg(0.0, ramp)]  # fmt: skip
    return np.asarray(drive(steering, np.zeros((1, 3)), [0.0], legs, sample=0.02).poses[0])
