"""Driving a method: each step ends when what it waits for happens. docs/sums/follow.md.

Calls may come late or early; the later steps still wait for their own events, as a driver
does. Kerb on the left throughout.
"""

from collections.abc import Callable
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from faircorner.cues.method import Method, Step, Unknown, Until
from faircorner.errors import InputError
from faircorner.ground import Ground, Kerbline
from faircorner.motion import Leg, Track, advance, drive, joined, settle_turn, wheel_and_heading
from faircorner.plane import Bools, Floats, to_body, to_site, wrap
from faircorner.sight import Seat
from faircorner.vehicle import Vehicle, tyre_poses

__all__ = ["Followed", "Settings", "follow"]

# Most steps end within the first span, hardly one after the second, and one that still waits at
# the end of the last will wait for ever; m.
_SPANS = (0.0, 6.0, 12.0, 36.0)
_SCANS = [np.linspace(0.0, b - a, round((b - a) / 0.2) + 1) for a, b in pairwise(_SPANS)]
# What a step waits for that depends on the heading alone.
_TURNED = ("heading", "parallel")
_REFINE = np.linspace(0.0, 1.0, 21)
# Places along each step at which it is followed, whatever its length: what is measured there
# changes smoothly with the steps.
_PLACES = np.linspace(0.0, 1.0, 25)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Settings:
    """The figures a batch of attempts is driven with.

    unknowns : (attempts, unknowns) in the method's order, m or rad
    gap : (attempts,), m at the start, unless the fit finds it
    rate : (attempts,), turns per metre
    late : (attempts, steps), m by which each step's *end* comes late, negative early
    """

    unknowns: Floats
    gap: Floats
    rate: Floats
    late: Floats


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Followed:
    """A batch of driven methods.

    start : (attempts, 3); legs : one a step
    reached : (attempts, steps), whether the step's end was found
    cut : (attempts, steps), whether a call could not come as early as asked
    coarse : the way they went, at 24 places in every step
    """

    start: Floats
    legs: tuple[Leg, ...]
    reached: Bools
    cut: Bools
    coarse: Track

    def track(self, vehicle: Vehicle, sample: float) -> Track:
        """The way they went with samples so many metres apart, see `motion.drive`."""
        turns = np.zeros(len(self.start))
        return drive(vehicle.steering, self.start, turns, self.legs, sample=sample)

    @property
    def ends(self) -> Floats:
        """Metres rolled at each step's end, (attempts, steps)."""
        return np.cumsum([leg.metres for leg in self.legs], axis=0).T


def own_point(vehicle: Vehicle, name: str) -> Floats:
    """A named near-side place on the vehicle, (2,) m in its frame; InputError if unknown."""
    near = vehicle.width / 2
    rear_hub, front_hub = vehicle.hubs(side=1)
    places: dict[str, Floats] = {
        "rear bumper": np.array([-vehicle.rear_overhang, near]),
        "front bumper": np.array([vehicle.nose, near]),
        "mirror": np.array([vehicle.mirror_x, vehicle.mirror_width / 2]),
        "rear wheel": rear_hub,
        "front wheel": front_hub,
    }
    if name not in places:
        raise InputError("own", f"{name!r} is not one of {', '.join(places)}")
    return places[name]


def landmark_x(ground: Ground, name: str) -> float:
    """x of a named place along the kerb, m; InputError if it is not there."""
    places = ground.landmarks
    if name not in places:
        raise InputError("landmark", f"{name!r} is not one of {', '.join(places)}")
    return places[name]


def edge_line(ground: Ground, name: str) -> Kerbline:
    """A named edge of what is driven on; InputError if it is not there."""
    lines = {line.name: line for line in ground.kerblines}
    if name not in lines:
        raise InputError("edge", f"{name!r} is not one of {', '.join(lines)}")
    return lines[name]


def edge_gap(vehicle: Vehicle, line: Kerbline, poses: Floats, turns: Floats) -> Floats:
    """Signed gap to an edge, (...), m: of the tyres as they are turned, or of the body.

    poses : (..., 3); turns : (...), of the wheel
    """
    if not line.of_tyres:
        return line.gap(poses, vehicle.outline()[0])
    return np.asarray(line.gap(tyre_poses(vehicle, poses, turns), vehicle.tyre()).min(axis=-1))


def figure(value: float | Unknown, method: Method, settings: Settings) -> Floats:
    """One figure of a method for every attempt, (attempts,): as given, or as being fitted."""
    if isinstance(value, Unknown):
        names = [u.name for u in method.unknowns]
        return settings.unknowns[:, names.index(value.name)]
    return np.full(len(settings.gap), value)


def start_poses(vehicle: Vehicle, ground: Ground, method: Method, settings: Settings) -> Floats:
    """Where the vehicle stands before the first step, (attempts, 3), parallel to the kerb."""
    own = own_point(vehicle, method.start.own)[0]
    behind = figure(method.start.metres, method, settings)
    x = landmark_x(ground, method.start.landmark) - behind - own
    gap = settings.gap
    if isinstance(method.start.gap, Unknown):
        gap = figure(method.start.gap, method, settings)
    y = ground.flank - gap - vehicle.width / 2
    return np.stack((x, y, np.zeros(len(y))), axis=-1)


_Event = Callable[[Floats, Floats], Floats]


def own_mark(vehicle: Vehicle, name: str) -> Floats:
    """A mark of the vehicle, (3,) m in its frame: the kerb side's where there are two."""
    marks = {f.name: np.array([f.x, f.y, f.z]) for f in sorted(vehicle.features, key=lambda f: f.y)}
    if name not in marks:
        raise InputError("mark", f"{name!r} is not one of {', '.join(marks) or 'none'}")
    return marks[name]


def aside(seat: Seat, mark: Floats, poses: Floats, places: Floats) -> Floats:
    """How far left of a mark (3,) the driver sees places (n, 2) on the site, (..., n) rad."""
    eye = seat.eye_toward(mark)
    seen = to_body(poses, places) - eye[:2]
    bearing = np.arctan2(seen[..., 1], seen[..., 0])
    return wrap(bearing - np.arctan2(mark[1] - eye[1], mark[0] - eye[0]))


def _passing(
    vehicle: Vehicle, ground: Ground, seat: Seat | None, until: Until, begin: Floats
) -> _Event:
    """Rises when a thing, seen from the eye, passes a mark; begin : (attempts, 3), poses before.

    Of a thing with several corners it is the first that passes; those that have already do not
    count.
    """
    if seat is None:
        raise InputError("kind", "waits for what is seen, and nobody's eye is known here")
    things = {name: corners for name, corners, _ in ground.sighted}
    if until.thing not in things:
        raise InputError(
            "thing", f"{until.thing!r} is not to be seen here; there is {', '.join(things)}"
        )
    corners = things[until.thing]
    mark, who = own_mark(vehicle, until.own), seat
    side = np.sign(aside(who, mark, begin, corners))[:, None, :]

    def passed(poses: Floats, turns: Floats) -> Floats:
        off = aside(who, mark, poses, corners)
        # Behind one's back the two line up the other way round, which nobody sees.
        return np.asarray(np.where(np.abs(off) < np.pi / 2, -side * off, -1.0).max(axis=-1))

    return passed


def _event(
    vehicle: Vehicle, ground: Ground, method: Method, index: int, wanted: Floats, then: Leg | None,
    seat: Seat | None, begin: Floats,
) -> _Event:  # fmt: skip
    """A function of poses and turns that rises through zero when the step should end.

    wanted : (attempts,), the figure waited for; then : the next step's leg, for headings
    seat, begin : whose eye, and the poses (attempts, 3) the step begins at, for what is seen
    """
    step = method.steps[index]
    until, value = step.until, wanted[:, None]
    berth = ground.berth
    if until.kind in _TURNED and then is not None:
        # Nose away from the kerb is positive in a method, and negative on the site.
        angle = -value if until.kind == "heading" else berth.heading
        target, rate = then.turns[:, None], then.rate[:, None]
        turning = step.direction * step.wheel.sign or 1.0

        def heading(poses: Floats, turns: Floats) -> Floats:
            settling = settle_turn(vehicle.steering, turns, target, rate)
            return np.asarray(turning * (poses[..., 2] + then.direction * settling - angle))

        return heading
    if until.kind == "gap wanted" and (gap := berth.gap) is not None:
        nearing = step.direction * (1 if berth.along == "ahead" else -1)
        return lambda poses, turns: nearing * (gap - berth.gap_to(berth.along, poses, vehicle))
    if until.kind == "seen":
        return _passing(vehicle, ground, seat, until, begin)
    if until.edge:
        line = edge_line(ground, until.edge)
        return lambda poses, turns: value - edge_gap(vehicle, line, poses, turns)
    own = own_point(vehicle, until.own)[None, :]
    if until.kind == "kerb":
        return lambda poses, turns: value + to_site(poses, own)[..., 0, 1]
    x = landmark_x(ground, until.landmark)
    return lambda poses, turns: (x - to_site(poses, own)[..., 0, 0] - value) * -step.direction


def _along(
    vehicle: Vehicle, pose: Floats, turns: Floats, leg: Leg, s: Floats, places: bool
) -> tuple[Floats, Floats]:
    """Poses and wheel along a leg; x and y stay empty when only headings are asked for."""
    if places:
        return advance(vehicle.steering, pose, turns, leg, s)
    wheels, gained = wheel_and_heading(vehicle.steering, turns, leg, s)
    poses = np.zeros((*s.shape, 3))
    poses[..., 2] = pose[:, 2:3] + gained
    return poses, wheels


def _first_rise(
    vehicle: Vehicle, pose: Floats, turns: Floats, leg: Leg, event: _Event, *, places: bool
) -> tuple[Floats, Bools]:
    """Metres into a leg at which the event first rises through zero, and whether it does.

    places : whether the event looks at where the vehicle is, or only at its heading
    Looked for at 20 cm, one span after the other, then between the two places around the rise.
    """
    rows = np.arange(len(pose))
    low, width = np.full(len(pose), _SPANS[-1]), np.zeros(len(pose))
    begin_pose, begin_turns = pose.copy(), turns.copy()
    found = np.zeros(len(pose), dtype=np.bool_)
    at, wheel = pose, turns
    for begin, scan in zip(_SPANS, _SCANS, strict=False):
        s = np.tile(scan, (len(pose), 1))
        poses, wheels = _along(vehicle, at, wheel, leg, s, places)
        risen = event(poses, wheels) >= 0
        new = ~found & risen.any(axis=1)
        after = risen.argmax(axis=1)
        before = np.maximum(after - 1, 0)
        low = np.where(new, begin + s[rows, before], low)
        width = np.where(new, s[rows, after] - s[rows, before], width)
        begin_pose[new] = poses[rows, before][new]
        begin_turns[new] = wheels[rows, before][new]
        found |= new
        if found.all():
            break
        at, wheel = poses[:, -1], wheels[:, -1]
    within = _between(vehicle, begin_pose, begin_turns, leg, event, width, places=places)
    return np.where(found, low + within, _SPANS[-1]), found


def _between(
    vehicle: Vehicle, pose: Floats, turns: Floats, leg: Leg, event: _Event, width: Floats,
    *, places: bool,
) -> Floats:  # fmt: skip
    """Metres into a stretch of `width` (attempts,) in which the event rises, at which it does."""
    rows = np.arange(len(pose))
    s = width[:, None] * _REFINE
    poses, wheels = _along(vehicle, pose, turns, leg, s, places)
    height = event(poses, wheels)
    risen = height >= 0
    after = np.where(risen.any(axis=1), risen.argmax(axis=1), len(_REFINE) - 1)
    before = np.maximum(after - 1, 0)
    a, b = height[rows, before], height[rows, after]
    share = np.divide(-a, b - a, out=np.zeros_like(a), where=b > a).clip(0.0, 1.0)
    return np.asarray(s[rows, before] + share * (s[rows, after] - s[rows, before]))


def follow(
    vehicle: Vehicle, ground: Ground, method: Method, settings: Settings,
    *, start: Floats | None = None, seat: Seat | None = None,
) -> Followed:  # fmt: skip
    """Drive a batch of attempts through a method, the kerb on the left.

    start : (3,), where every attempt begins; None for where the method says
    seat : whose eye a step waits for that waits for what is seen
    A step whose end never comes within 36 m is marked in `reached` and given those; one whose
    call was asked for before the step began is marked in `cut` and given 0 m.
    Raises InputError for own points and landmarks the vehicle or the place does not have.
    """
    count = len(settings.gap)
    if start is None:
        begin = start_poses(vehicle, ground, method, settings)
    else:
        begin = np.tile(start, (count, 1))
    pose, turns = begin, np.zeros(count)
    # The heading a step waits for depends on how the next one's wheel will settle.
    waiting = [_leg(vehicle, method, step, settings, np.zeros(count)) for step in method.steps]
    legs: list[Leg] = []
    parts: list[tuple[Floats, Floats, Floats]] = []
    reached = np.ones((count, len(method.steps)), dtype=np.bool_)
    cut = np.zeros_like(reached)
    for i, step in enumerate(method.steps):
        leg = waiting[i]
        wanted = figure(step.until.value, method, settings)
        if step.until.kind == "travelled":
            metres = wanted
        elif step.until.kind == "wheel set":
            metres = np.abs(leg.turns - turns) / leg.rate
        else:
            then = waiting[i + 1] if i + 1 < len(waiting) else None
            try:
                event = _event(vehicle, ground, method, i, wanted, then, seat, pose)
            except InputError as error:
                raise error.inside(f"steps[{i}].until") from None
            metres, reached[:, i] = _first_rise(
                vehicle, pose, turns, leg, event, places=step.until.kind not in _TURNED
            )
        late = metres + settings.late[:, i]
        cut[:, i] = late < 0
        leg = _leg(vehicle, method, step, settings, np.maximum(late, 0.0))
        s = leg.metres[:, None] * _PLACES
        parts.append((s, *advance(vehicle.steering, pose, turns, leg, s)))
        pose, turns = parts[-1][1][:, -1], parts[-1][2][:, -1]
        legs.append(leg)
    coarse = joined(begin, np.zeros(count), parts)
    return Followed(start=begin, legs=tuple(legs), reached=reached, cut=cut, coarse=coarse)


def _leg(
    vehicle: Vehicle, method: Method, step: Step, settings: Settings, metres: Floats
) -> Leg:  # fmt: skip
    share = figure(step.wheel.share(vehicle.steering.lock_turns), method, settings)
    return Leg(
        direction=step.direction,
        turns=step.wheel.sign * share * vehicle.steering.lock_turns,
        metres=metres,
        rate=np.full(len(metres), np.inf) if step.standing else settings.rate,
    )
