"""The calls of a plan: when to act, what the wheel waits for, and what is seen at that moment."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.cue_kinds import Cue, Seeing, sharpest
from faircorner.cues.driven import Driven
from faircorner.cues.events import Event, Moment
from faircorner.cues.scene import Scene
from faircorner.cues.windows import Window
from faircorner.motion import advance
from faircorner.plane import Floats, mirrored
from faircorner.said import Said

__all__ = ["Call", "call_at"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Call:
    """A moment to act: the end of one step, the start of the next.

    step : index of the step it begins; s : m rolled; pose : (3,); heading : rad off the kerb's
    line, nose away positive; told : m rolled where the cue is told, s plus the shift
    until : what the step before it waited for
    metres : m at which it came: own point behind the landmark, or from the kerb; else NaN
    cue : None where the method watches outcomes instead of cues
    """

    step: int
    s: float
    told: float
    pose: Floats
    heading: float
    until: Event
    metres: float
    window: Window
    cue: Cue | None

    def seen(self, *, references: bool) -> Said:
        """What the driver sees at that moment; references : whether the method takes any."""
        if self.cue is not None:
            return self.cue.said
        return Said("nothing to line up on" if references else "no references")

    def mirrored(self) -> "Call":
        """A call made with the kerb on the left, told for a place with the kerb on the right."""
        cue = None if self.cue is None else self.cue.mirrored()
        return replace(self, pose=mirrored(self.pose), cue=cue)


def _state_at(scene: Scene, driven: Driven, metres: Floats) -> tuple[Floats, Floats]:
    """Poses (k, 3) and wheel (k,) at metres rolled, exactly on the driven path."""
    ends = driven.followed.ends[0]
    poses, turns = np.empty((len(metres), 3)), np.empty(len(metres))
    for k, s in enumerate(np.clip(metres, 0.0, ends[-1])):
        leg = min(int(np.searchsorted(ends, s)), len(ends) - 1)
        begin = 0.0 if leg == 0 else float(ends[leg - 1])
        at = int(np.searchsorted(driven.track.s[0], begin, side="right")) - 1
        into = np.linspace(0.0, s - begin, 61)[None]
        way, wheel = advance(
            scene.vehicle.steering, driven.track.poses[:1, at], driven.track.turns[:1, at],
            driven.followed.legs[leg], into,
        )  # fmt: skip
        poses[k], turns[k] = way[0, -1], wheel[0, -1]
    return poses, turns


def call_at(scene: Scene, driven: Driven, index: int, window: Window, shift: float) -> Call:
    """The call that ends one step, told `shift` m later than it comes, and what is seen there."""
    s = float(driven.followed.ends[0, index])
    told = min(max(s + shift, 0.0), float(driven.followed.ends[0, -1]))
    around = np.clip(_around(driven, index, told), 0.0, driven.followed.ends[0, -1])
    poses, turns = _state_at(scene, driven, np.append(around, s))
    pose = poses[1]
    until = scene.method.steps[index].until
    moment = Moment(vehicle=scene.vehicle, ground=scene.ground, pose=poses[3], turns=turns[3])
    return Call(
        step=index + 1,
        s=s,
        told=told,
        pose=poses[3],
        # An angle to the berth where that is waited for, else to the way along the kerb or aisle.
        heading=until.line(scene.ground) - float(pose[2]),
        until=until,
        metres=until.stood(moment),
        window=window,
        cue=_cue(scene, until, poses[:3], around),
    )


def _cue(scene: Scene, until: Event, poses: Floats, s: Floats) -> Cue | None:
    """None where outcomes are watched, nobody's eye is known, or nothing is there to be seen."""
    if scene.seat is None or not scene.method.references:
        return None
    seeing = Seeing(
        vehicle=scene.vehicle, ground=scene.ground, seat=scene.seat, watched=until.watched(),
        poses=poses, s=s,
    )  # fmt: skip
    return sharpest(seeing)


def _around(driven: Driven, index: int, told: float) -> list[float]:
    """Metres rolled just before, at and just after a call; before a stop only those before."""
    legs = driven.followed.legs
    stops = legs[index].direction != legs[index + 1].direction
    return [told - 0.06, told, told] if stops else [told - 0.03, told, told + 0.03]
