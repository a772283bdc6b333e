"""What a parked vehicle does on a hill when its brakes let go. Derivation: docs/sums/hill.md.

The kerb, or the edge of the carriageway, is on y = 0, the road on the negative side.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, TypeAlias

import numpy as np

from faircorner.errors import between
from faircorner.motion.legs import Leg, Track, drive
from faircorner.plane import Floats, to_site
from faircorner.vehicle import Vehicle

__all__ = ["HOLDS", "INTO", "End", "Roll", "best_roll", "roll", "stands_out"]

End: TypeAlias = Literal["held by the kerb", "against the kerb", "off the road", "into the road",
                         "on down the hill"]  # fmt: skip
_LONGEST, _SAMPLE = 15.0, 0.02
# Half the length of tyre that meets a kerb, m; as for contact.
_HALF = 0.20
# So far out of its own place a rolling vehicle is in somebody's way, m.
INTO = 0.5
# A tyre that meets the kerb at less than this rides along it and up, rad; assumed, docs/sums.
HOLDS = np.radians(15)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Roll:
    """Where a roll ends.

    end : the first thing that happens; metres : rolled until then
    tyre : "front" or "rear" where one meets the kerb, else None; angle : rad between that tyre
    and the kerb, 0 or more
    """

    track: Track
    end: End
    metres: float
    tyre: Literal["front", "rear"] | None
    angle: float


def roll(vehicle: Vehicle, *, gap: float, forward: bool, turns: float, kerb: bool) -> Roll:
    """Let a vehicle roll from its place parallel to the kerb.

    gap : m from the near tyres' faces to the kerb or edge
    forward : whether the hill takes it forward (facing down) or back (facing up)
    turns : the steering wheel as it was left, left positive, the kerb being on the left
    kerb : whether there is a kerb, or only the edge of the carriageway
    Raises InputError for a gap that is not parked, and for turns beyond the lock.
    """
    between("gap_m", gap, 0.0, 2.0)
    hub = float(vehicle.hubs(side=1)[:, 1].max())
    leg = Leg(
        direction=1 if forward else -1,
        turns=np.array([turns]),
        metres=np.array([_LONGEST]),
        rate=np.array([np.inf]),
    )
    start = [[0.0, -gap - hub, 0.0]]
    track = drive(vehicle.steering, start, [turns], [leg], sample=_SAMPLE)
    poses = track.poses[0]
    # The axle that leads the roll says where the whole vehicle is bound; the other end swings.
    leading = np.array([[vehicle.wheelbase if forward else 0.0, 0.0]])
    across = to_site(poses, leading)[:, 0, 1]
    out = _first(across < start[0][1] - INTO)
    if kerb:
        angle = float(vehicle.steering.road_wheel_angle(turns))
        front = _first(to_site(poses, _front_tyre(vehicle, angle))[..., 1].max(axis=1) >= 0)
        rear = _first(to_site(poses, _rear_tyre(vehicle))[..., 1].max(axis=1) >= 0)
        if min(front, rear) < min(out, len(poses)):
            return _at_the_kerb(track, front, rear, angle)
    elif _first(across >= 0) < out:
        return _ended(track, _first(across >= 0), "off the road")
    return _ended(track, out, "into the road" if out < len(poses) else "on down the hill")


def stands_out(vehicle: Vehicle, found: Roll) -> tuple[float, Literal["nose", "tail"]]:
    """How much farther out in the road it stands where the roll ends, m, and which end of it.

    The body's farthest corner counts; 0 where nothing has come farther out.
    """
    body = vehicle.outline[0]
    before, after = (to_site(found.track.poses[0, at], body) for at in (0, -1))
    farthest = int(after[:, 1].argmin())
    out = float(before[:, 1].min() - after[farthest, 1])
    return max(0.0, out), "nose" if body[farthest, 0] > vehicle.wheelbase / 2 else "tail"


def _at_the_kerb(track: Track, front: int, rear: int, angle: float) -> Roll:
    at = min(front, rear)
    heading = float(track.poses[0, at, 2])
    tyre: Literal["front", "rear"] = "front" if front <= rear else "rear"
    met = abs(heading + angle) if tyre == "front" else abs(heading)
    return _ended(track, at, "held by the kerb" if met >= HOLDS else "against the kerb", tyre, met)


def _first(happens: np.ndarray[tuple[int], np.dtype[np.bool_]]) -> int:
    """Index of the first sample where it happens, or one past the last."""
    return int(happens.argmax()) if happens.any() else len(happens)


def _front_tyre(vehicle: Vehicle, angle: float) -> Floats:
    """Ends of the near front tyre's outer face, (2, 2), the wheel turned by an angle."""
    half = vehicle.tyre_width / 2
    cos, sin = np.cos(angle), np.sin(angle)
    hub = np.array([vehicle.wheelbase, vehicle.track_front / 2])
    ends = np.array([(_HALF, half), (-_HALF, half)])
    return np.asarray(hub + ends @ np.array([[cos, sin], [-sin, cos]]))


def _rear_tyre(vehicle: Vehicle) -> Floats:
    edge = (vehicle.track_rear + vehicle.tyre_width) / 2
    return np.array([(_HALF, edge), (-_HALF, edge)])


def _ended(
    track: Track, at: int, end: End, tyre: Literal["front", "rear"] | None = None,
    angle: float = 0.0,
) -> Roll:  # fmt: skip
    last = min(at, track.s.shape[1] - 1)
    kept = slice(0, last + 1)
    shortened = Track(
        s=track.s[:, kept], poses=track.poses[:, kept], turns=track.turns[:, kept],
        leg=track.leg[kept],
    )  # fmt: skip
    return Roll(track=shortened, end=end, metres=float(track.s[0, last]), tyre=tyre, angle=angle)


# From the safest end to the worst; a front tyre that is turned blocks better than a rear one.
_RANK: dict[End, int] = {
    "held by the kerb": 0, "off the road": 1, "against the kerb": 2, "on down the hill": 3,
    "into the road": 4,
}  # fmt: skip


def best_roll(rolls: Mapping[str, Roll]) -> str:
    """Which way of leaving the wheels ends best: held, by a front tyre, after the fewest metres."""

    def badness(name: str) -> tuple[int, bool, float]:
        found = rolls[name]
        return _RANK[found.end], found.tyre == "rear", found.metres

    return min(rolls, key=badness)
