"""Why to look: what the body does next that somebody else could meet."""

from dataclasses import dataclass, replace

import numpy as np
from shapely import LineString, distance, points

from faircorner.cues.driven import Driven
from faircorner.cues.scene import Scene
from faircorner.motion import swing
from faircorner.plane import Floats, to_site
from faircorner.said import Length, Said
from faircorner.standards import Look, MirrorLook

__all__ = ["SWINGS", "LookReason", "look_reasons", "look_said"]


# Why one looks to where an end of the vehicle is about to leave its lane.
SWINGS = ("swings out", "tail swings out")
# Places that differ by less reach as far, m.
_SAME = 1e-6


@dataclass(frozen=True, slots=True, kw_only=True)
class LookReason:
    """A look before a step, and what the step does there.

    step : its index, one more than there are for what is due after the last; s : m rolled when the
        look is due
    why : "reverses", "drives on", "swings out", "tail swings out", "tail goes in", "nose goes in",
        "rear cuts in", "dips" or "restores"
    metres : how far; at_s : m rolled when it is greatest; x, y : m on the site, where
    """

    step: int
    look: Look | MirrorLook
    s: float
    why: str
    metres: float
    at_s: float
    x: float
    y: float

    @property
    def swings_out(self) -> bool:
        """Whether an end of the vehicle leaves the lane, whichever it is."""
        return self.why in SWINGS

    @property
    def said(self) -> Said:
        return look_said(self.why, self.metres)

    def mirrored(self) -> "LookReason":
        return replace(self, y=-self.y)


def look_said(why: str, metres: float) -> Said:
    """What a look is for, of a reason and how far it goes."""
    return Said(f"look as it {why}", by=Length(metres))


def look_reasons(scene: Scene, outcome: Driven) -> tuple[LookReason, ...]:
    """A reason for every look of the method, from the first attempt of the batch."""
    track, ends = outcome.track, outcome.followed.ends[0]
    poses, s = track.poses[0], track.s[0]
    body = scene.vehicle.outline[0]
    lane_edge = float(to_site(poses[:1], body)[..., 1].min())
    reasons: list[LookReason] = []
    for i, step in enumerate(scene.method.steps):
        due = 0.0 if i == 0 else float(ends[i - 1])
        # What follows from acting now lasts until the wheel has been taken back again, in one gear.
        after = scene.method.steps[i + 1 : i + 2]
        same_gear = bool(after) and after[0].direction == step.direction
        until = float(ends[i + 1 if same_gear else i])
        during = (s >= due - 1e-9) & (s <= until + 1e-9)
        for look in step.looks:
            why, metres, sample, place = _why(
                scene, poses[during], body, lane_edge, look, step.direction
            )
            reasons.append(
                LookReason(
                    step=i, look=look, s=due, why=why, metres=metres,
                    at_s=float(s[during][sample]), x=place[0], y=place[1],
                )
            )  # fmt: skip
    return (*reasons, *_of_the_mirror(scene, outcome))


def _of_the_mirror(scene: Scene, outcome: Driven) -> tuple[LookReason, ...]:
    """The near mirror is dipped before anything moves, and set back before driving on. They come
    last, so that what was noted of the others keeps its place.
    """
    if not scene.options.dipped:
        return ()
    after = len(scene.method.steps)
    return (
        _mirror_look(scene, outcome, 0, "dip mirror", "dips", 0),
        _mirror_look(scene, outcome, after, "restore mirror", "restores", -1),
    )


def _mirror_look(
    scene: Scene, outcome: Driven, step: int, look: MirrorLook, why: str, sample: int
) -> LookReason:
    """At the near rear tyre, which is what the dipped mirror shows."""
    track, tyre = outcome.track, np.array([[0.0, scene.vehicle.width / 2]])
    (x, y), s = to_site(track.poses[0, sample], tyre)[0], float(track.s[0, sample])
    return LookReason(
        step=step, look=look, s=s, why=why, metres=0.0, at_s=s, x=float(x), y=float(y)
    )


def _why(
    scene: Scene, poses: Floats, body: Floats, lane_edge: float, look: Look, direction: int
) -> tuple[str, float, int, tuple[float, float]]:
    """Reason, metres, sample of the greatest reach, and where on the site."""
    if look == "off side":
        out = swing(poses, body, lane_edge)
        ahead = out.along > scene.vehicle.wheelbase / 2
        why = "swings out" if ahead else "tail swings out"
        return why, out.metres, out.sample, (out.x, out.y)
    tail = np.array([[-scene.vehicle.rear_overhang, scene.vehicle.width / 2]])
    nose = np.array([[scene.vehicle.nose, scene.vehicle.width / 2]])
    if look == "nose":
        return ("nose goes in", *_sideways(poses, nose))
    if look == "near side" and direction > 0:
        return ("rear cuts in", *_cut_in(poses, scene.vehicle.hubs(side=1)))
    if look == "near side":
        return ("tail goes in", *_sideways(poses, tail))
    path = to_site(poses, tail)[:, 0]
    rolled = float(np.linalg.norm(np.diff(path, axis=0), axis=1).sum())
    last = (float(path[-1, 0]), float(path[-1, 1]))
    return "drives on" if direction > 0 else "reverses", rolled, len(path) - 1, last


def _cut_in(poses: Floats, hubs: Floats) -> tuple[float, int, tuple[float, float]]:
    """How far the near rear wheel runs inside the front one's track, at which sample, and where.

    The track is begun at the rear wheel, which a vehicle rolling straight would follow.
    """
    rear, front = np.moveaxis(to_site(poses, hubs), 1, 0)
    track = LineString(np.vstack((rear[:1], front)))
    off = distance(points(rear), track)
    last = _first_greatest(off)
    return float(off[last]), last, (float(rear[last, 0]), float(rear[last, 1]))


def _sideways(poses: Floats, corner: Floats) -> tuple[float, int, tuple[float, float]]:
    """How far one corner moves toward the kerb, at which sample, and where."""
    path = to_site(poses, corner)[:, 0]
    last = _first_greatest(path[:, 1])
    moved = float(path[last, 1] - path[0, 1])
    return max(moved, 0.0), last, (float(path[last, 0]), float(path[last, 1]))


def _first_greatest(values: Floats) -> int:
    """Where the greatest of (n,) m is reached: rolling straight there, rounding must not choose."""
    return int((values > values.max() - _SAME).argmax())
