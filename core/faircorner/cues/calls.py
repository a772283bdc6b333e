"""The calls of a plan: when to act, what the wheel waits for, and what is seen at that moment."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.follow import aside, edge_gap, edge_line, landmark_x, own_mark, own_point
from faircorner.cues.method import Until
from faircorner.cues.outcome import Case, Outcome
from faircorner.cues.windows import Window
from faircorner.motion import advance
from faircorner.plane import Floats, mirrored, to_site
from faircorner.sight import Seat, Sharpness, Sighting, edge_sights, sharpness, sight_of

__all__ = ["Call", "Cue", "call_at", "mirrored_call"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Cue:
    """What is seen at a call from this seat: of all there is to line up on, the sharpest.

    what : its name; target : (2,), m on the site; height : m
    """

    what: str
    sighting: Sighting
    sharpness: Sharpness
    target: Floats
    height: float


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Call:
    """A moment to act: the end of one step, the start of the next.

    step : index of the step it begins; s : m rolled; pose : (3,); heading : rad off the kerb's
    line, nose away positive; told : m rolled where the cue is told, s plus the shift
    until : what the step before it waited for
    metres : m at which it came: own point behind the landmark, or from the kerb; else NaN
    cue : None where the school watches outcomes instead of cues
    """

    step: int
    s: float
    told: float
    pose: Floats
    heading: float
    until: Until
    metres: float
    window: Window
    cue: Cue | None


def _state_at(case: Case, driven: Outcome, metres: Floats) -> tuple[Floats, Floats]:
    """Poses (k, 3) and wheel (k,) at metres rolled, exactly on the driven path."""
    ends = driven.followed.ends[0]
    poses, turns = np.empty((len(metres), 3)), np.empty(len(metres))
    for k, s in enumerate(np.clip(metres, 0.0, ends[-1])):
        leg = min(int(np.searchsorted(ends, s)), len(ends) - 1)
        begin = 0.0 if leg == 0 else float(ends[leg - 1])
        at = int(np.searchsorted(driven.track.s[0], begin, side="right")) - 1
        into = np.linspace(0.0, s - begin, 61)[None]
        way, wheel = advance(
            case.vehicle.steering, driven.track.poses[:1, at], driven.track.turns[:1, at],
            driven.followed.legs[leg], into,
        )  # fmt: skip
        poses[k], turns[k] = way[0, -1], wheel[0, -1]
    return poses, turns


def call_at(
    case: Case, driven: Outcome, seat: Seat, index: int, window: Window, shift: float
) -> Call:
    """The call that ends one step, told `shift` m later than it comes, and what is seen there."""
    s = float(driven.followed.ends[0, index])
    told = min(max(s + shift, 0.0), float(driven.followed.ends[0, -1]))
    around = np.clip(_around(driven, index, told), 0.0, driven.followed.ends[0, -1])
    poses, turns = _state_at(case, driven, np.append(around, s))
    pose = poses[1]
    until = case.method.steps[index].until
    # An angle to the berth where that is waited for, else to the way along the kerb or aisle.
    line = case.ground.berth.heading if until.kind == "parallel" else 0.0
    return Call(
        step=index + 1,
        s=s,
        told=told,
        pose=poses[3],
        heading=line - float(pose[2]),
        until=until,
        metres=_waited(case, until, poses[3], turns[3]),
        window=window,
        cue=_cue(case, seat, until, poses[:3], around) if case.method.references else None,
    )


def _around(driven: Outcome, index: int, told: float) -> list[float]:
    """Metres rolled just before, at and just after a call; before a stop only those before."""
    legs = driven.followed.legs
    stops = legs[index].direction != legs[index + 1].direction
    return [told - 0.06, told, told] if stops else [told - 0.03, told, told + 0.03]


def _cue(case: Case, seat: Seat, until: Until, poses: Floats, s: Floats) -> Cue | None:
    """The sharpest cue that shows through the glass; the first of all where none shows.

    Where the distance to an edge is waited for it is that edge, past one of the vehicle's marks,
    if it shows; where a thing is waited for, that thing.
    None where there is nothing to line up on.
    """
    found = _edge_cues(case, seat, until.edge, poses, s) if until.edge else []
    if not any(cue.sighting.through for cue in found):
        found += _thing_cues(case, seat, until, poses, s)
    return min(found, key=lambda c: (c.sighting.through is None, c.sharpness.scatter), default=None)


def _thing_cues(case: Case, seat: Seat, until: Until, poses: Floats, s: Floats) -> list[Cue]:
    """Cues on the nearest edge of every thing that shows, or of every thing where none does."""
    pose = poses[1]
    eye = pose[:2] + np.array([np.cos(pose[2]), np.sin(pose[2])]) * seat.eye[0]
    seen = []
    for what, corners, height in case.ground.sighted:
        if until.thing and what != until.thing:
            continue
        off = np.linalg.norm(corners - eye, axis=1)
        if until.thing:
            off = np.abs(aside(seat, own_mark(case.vehicle, until.own), pose, corners))
        target = corners[int(off.argmin())]
        sighting = sight_of(case.vehicle, seat, pose, target, height)
        seen.append((what, target, height, sighting))
    return [
        Cue(
            what=what,
            sighting=sighting,
            sharpness=sharpness(case.vehicle, seat, poses, s, target, height),
            target=target,
            height=height,
        )
        for what, target, height, sighting in [one for one in seen if one[3].through] or seen
    ]


def _edge_cues(case: Case, seat: Seat, name: str, poses: Floats, s: Floats) -> list[Cue]:
    line = edge_line(case.ground, name)
    # A curve has no one height in the picture.
    if line.radius is not None:
        return []
    sights = edge_sights(case.vehicle, seat, poses, s, line.drawn(1.0))
    return [
        Cue(what=name, sighting=e.sighting, sharpness=e.sharpness, target=e.ground, height=0.0)
        for e in sights
    ]


def _waited(case: Case, until: Until, pose: Floats, turns: Floats) -> float:
    """Where the own point of an event stands, m: behind its landmark, or from the kerb or edge."""
    if until.kind == "gap wanted":
        gap = case.ground.berth.gap
        return float("nan") if gap is None else gap
    if until.edge:
        line = edge_line(case.ground, until.edge)
        return float(edge_gap(case.vehicle, line, pose, turns))
    if not until.own or until.kind == "seen":
        return float("nan")
    x, y = to_site(pose, own_point(case.vehicle, until.own)[None])[0]
    if until.kind == "kerb":
        return float(-y)
    return float(landmark_x(case.ground, until.landmark) - x)


def mirrored_call(call: Call) -> Call:
    """A call made with the kerb on the left, told for a place with the kerb on the right."""
    if call.cue is None:
        return replace(call, pose=mirrored(call.pose))
    seen = call.cue.sighting
    lateral = seen.along == "y"
    sighting = replace(
        seen,
        eye=seen.eye * [1, -1, 1],
        y=-seen.y,
        bearing=-seen.bearing,
        offset=-seen.offset if lateral else seen.offset,
    )
    sharp = call.cue.sharpness
    if lateral:
        sharp = replace(sharp, image=-sharp.image)
    cue = replace(call.cue, sighting=sighting, sharpness=sharp, target=call.cue.target * [1, -1])
    return replace(call, pose=mirrored(call.pose), cue=cue)
