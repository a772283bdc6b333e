"""The calls of a plan: when to act, what the wheel waits for, and what is seen at that moment."""

from dataclasses import dataclass, replace
from functools import cache

import numpy as np

from faircorner.cues.cue_kinds import Cue, Earlier, Leant, Seeing, earlier, leant, sharpest
from faircorner.cues.driven import Driven
from faircorner.cues.events import Came, Event, Moment, Watched
from faircorner.cues.scene import Scene
from faircorner.cues.windows import Window
from faircorner.motion import advance
from faircorner.plane import Floats, mirrored
from faircorner.said import Length, Said

__all__ = ["Call", "call_at", "seeing_at", "state_at", "states_on", "told_at"]

# Of the way to somewhere on a step: the places at which it is followed until there.
_SHARES = np.linspace(0.0, 1.0, 61)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Call:
    """A moment to act: the end of one step, the start of the next.

    step : index of the step it begins; s : m rolled; pose : (3,); heading : rad off the kerb's
    line, nose away positive; told : m rolled where the cue is told, s plus the shift
    until : what the step before it waited for
    metres : m where its cue is given: own point behind the landmark, or from the kerb; else NaN
    cue : None where the method watches outcomes instead of cues
    leant : what shows to a driver who leans, where nothing does as they sit; else None
    earlier : where nothing does to them either, what to stop by before it and count from
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
    leant: Leant | None
    earlier: Earlier | None

    @property
    def unseen(self) -> bool:
        """Whether there is something to line up on, but not as the driver sits."""
        return self.cue is not None and not self.cue.shows

    def seen(self, *, references: bool) -> Said:
        """What the driver sees at that moment; references : whether the method takes any."""
        if self.cue is not None:
            return self.cue.said
        return Said("nothing to line up on" if references else "no references")

    def instead(self, came: Came) -> Said:
        """What to do where the cue is hidden, blunt or far from every mark; else nothing."""
        cue = self.cue
        if cue is None:
            return Said()
        if self.leant is not None:
            code = "lean back and" if self.leant.by < 0 else "lean forward and"
            return Said(code, lean=Length(abs(self.leant.by)), seen=self.leant.cue.said)
        if self.earlier is not None:
            by = Length(self.earlier.by)
            return Said("stop before and count", by=by, seen=self.earlier.cue.said)
        if cue.sighting.through is None:
            return Said("called from outside", said=self.until.said(came))
        if not cue.sharp:
            return Said("blunt, so", to=Length(cue.sharpness.scatter), said=self.until.said(came))
        return Said() if cue.marked else Said("stick tape on", through=cue.sighting.through)

    def mirrored(self) -> "Call":
        """A call made with the kerb on the left, told for a place with the kerb on the right."""
        return replace(
            self,
            pose=mirrored(self.pose),
            cue=None if self.cue is None else self.cue.mirrored(),
            leant=None if self.leant is None else self.leant.mirrored(),
            earlier=None if self.earlier is None else self.earlier.mirrored(),
        )


def state_at(scene: Scene, driven: Driven, s: float, leg: int) -> tuple[Floats, Floats]:
    """Pose (3,) and wheel, exactly on the path, at metres rolled; beyond a leg's end as it rolls.

    leg : the last that may be rolled
    """
    poses, turns = states_on(scene, driven, s, leg, np.zeros(1))
    return poses[0], turns[0]


def states_on(
    scene: Scene, driven: Driven, s: float, leg: int, on: Floats
) -> tuple[Floats, Floats]:
    """The same at so many more metres each, on (n,) from 0 up: poses (n, 3) and wheel (n,)."""
    ends = driven.followed.ends[0]
    leg = min(int(np.searchsorted(ends, max(s, 0.0))), leg)
    begin = 0.0 if leg == 0 else float(ends[leg - 1])
    at = int(np.searchsorted(driven.track.s[0], begin, side="right")) - 1
    there = max(s, 0.0) - begin
    into = np.concatenate((there * _SHARES, there + on[1:]))[None]
    way, wheel = advance(
        scene.vehicle.steering, driven.track.poses[:1, at], driven.track.turns[:1, at],
        driven.followed.legs[leg], into,
    )  # fmt: skip
    return way[0, len(_SHARES) - 1 :], wheel[0, len(_SHARES) - 1 :]


def call_at(scene: Scene, driven: Driven, index: int, window: Window) -> Call:
    """The call that ends one step, told as late as was set, and what is seen there."""
    s, told = float(driven.followed.ends[0, index]), told_at(scene, driven, index + 1)
    pose, _ = state_at(scene, driven, s, index)
    facing = state_at(scene, driven, told, index + 1)[0][2]
    until = scene.method.steps[index].until
    # A moved call is described where its cue is given, not where the plan has it.
    leg = index if told == s else _leg_at(driven, told)
    there, turns = state_at(scene, driven, told, leg)
    moment = Moment(vehicle=scene.vehicle, ground=scene.ground, pose=there, turns=turns)
    seeing = seeing_at(scene, driven, index + 1)
    cue = None if seeing is None else sharpest(seeing, scene.options.picks.get(index + 1, ""))
    hidden = cue is not None and not cue.shows
    lean = leant(seeing) if seeing is not None and hidden else None
    before = None
    if seeing is not None and hidden and lean is None:
        before = earlier(seeing)
    return Call(
        step=index + 1,
        s=s,
        told=told,
        pose=pose,
        # An angle to the berth where that is waited for, else to the way along the kerb or aisle.
        heading=until.line(scene.ground) - float(facing),
        until=until,
        metres=until.stood(moment),
        window=window,
        cue=cue,
        leant=lean,
        earlier=before,
    )


def told_at(scene: Scene, driven: Driven, call: int) -> float:
    """m rolled where a call's cue is told: where it comes, and as much later as was set."""
    ends = driven.followed.ends[0]
    shift = scene.options.shifts.get(call, 0.0)
    return min(max(float(ends[call - 1]) + shift, 0.0), float(ends[-1]))


def _leg_at(driven: Driven, s: float) -> int:
    """Index of the leg that is driven at s m rolled; at the end of a leg, that leg."""
    return int(np.searchsorted(driven.followed.ends[0], s))


def seeing_at(scene: Scene, driven: Driven, call: int) -> Seeing | None:
    """The driver at a call, at the first stop, 0, or at the last, one above all calls.

    None where outcomes are watched, or nobody's eye is known.
    """
    if scene.seat is None or not scene.method.references:
        return None
    if call == 0:
        # One drives up straight on and forward, whatever comes after it.
        start, watched = driven.followed.start[0], Watched()
        ahead = np.array([np.cos(start[2]), np.sin(start[2]), 0.0])

        def onward(by: float) -> Floats:
            return np.asarray(start + by * ahead)
    else:
        told, watched = told_at(scene, driven, call), scene.method.steps[call - 1].until.watched()
        # Who has not acted yet rolls on as before.
        leg = _leg_at(driven, told)

        @cache
        def onward(by: float) -> Floats:
            return state_at(scene, driven, told + by, leg)[0]

    return Seeing(
        vehicle=scene.vehicle, ground=scene.ground, seat=scene.seat, watched=watched,
        onward=onward,
    )  # fmt: skip
