"""Driving a method: each step ends when what it waits for happens. docs/sums/follow.md.

Calls may come late or early; the later steps still wait for their own events, as a driver
does. Kerb on the left throughout.
"""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from faircorner.cues.method import Method, Step, Unknown
from faircorner.errors import InputError
from faircorner.ground import Ground
from faircorner.motion import Leg, Track, advance, drive, settle_turn, wheel_and_heading
from faircorner.plane import Bools, Floats, to_site
from faircorner.vehicle import Vehicle

__all__ = ["Followed", "Settings", "follow"]

# No step of a park is longer; a step that is still waiting then will wait for ever.
_LONGEST = 12.0
_SCAN = 0.2
# What a step waits for that depends on the heading alone.
_TURNED = ("heading", "parallel")
_REFINE = np.linspace(0.0, 1.0, 21)


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
    """

    start: Floats
    legs: tuple[Leg, ...]
    reached: Bools
    cut: Bools

    def track(self, vehicle: Vehicle, sample: float = 0.05, steps: int | None = None) -> Track:
        return drive(
            vehicle.steering,
            self.start,
            np.zeros(len(self.start)),
            self.legs,
            sample=sample,
            steps=steps,
        )

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


def _event(
    vehicle: Vehicle, ground: Ground, method: Method, index: int, wanted: Floats, then: Leg | None,
) -> _Event:  # fmt: skip
    """A function of poses and turns that rises through zero when the step should end.

    wanted : (attempts,), the figure waited for; then : the next step's leg, for headings
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
    if until.kind == "gap wanted":
        nearing = step.direction * (1 if berth.along == "ahead" else -1)
        return lambda poses, turns: (
            nearing * (berth.gap - berth.gap_to(berth.along, poses, vehicle))
        )
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
    """
    rows = np.arange(len(pose))
    low, width = np.zeros(len(pose)), np.full(len(pose), _LONGEST)
    grid = np.linspace(0.0, 1.0, round(_LONGEST / _SCAN) + 1)
    at, wheel = pose, turns
    found = np.ones(len(pose), dtype=np.bool_)
    for points in (grid, _REFINE):
        s = width[:, None] * points
        poses, wheels = _along(vehicle, at, wheel, leg, s, places)
        height = event(poses, wheels)
        risen = height >= 0
        if points is grid:
            found = np.asarray(risen.any(axis=1))
        after = np.where(risen.any(axis=1), risen.argmax(axis=1), len(points) - 1)
        before = np.maximum(after - 1, 0)
        low = low + s[rows, before]
        width = s[rows, after] - s[rows, before]
        at, wheel = poses[rows, before], wheels[rows, before]
    a, b = height[rows, before], height[rows, after]
    share = np.divide(-a, b - a, out=np.zeros_like(a), where=b > a).clip(0.0, 1.0)
    return np.where(found, low + share * width, _LONGEST), found


def follow(
    vehicle: Vehicle, ground: Ground, method: Method, settings: Settings,
    *, start: Floats | None = None,
) -> Followed:  # fmt: skip
    """Drive a batch of attempts through a method, the kerb on the left.

    start : (3,), where every attempt begins; None for where the method says
    A step whose end never comes within 12 m is marked in `reached` and given 12 m; one whose
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
                event = _event(vehicle, ground, method, i, wanted, then)
            except InputError as error:
                raise error.inside(f"steps[{i}].until") from None
            metres, reached[:, i] = _first_rise(
                vehicle, pose, turns, leg, event, places=step.until.kind not in _TURNED
            )
        late = metres + settings.late[:, i]
        cut[:, i] = late < 0
        leg = _leg(vehicle, method, step, settings, np.maximum(late, 0.0))
        poses, wheels = advance(
            vehicle.steering,
            pose,
            turns,
            leg,
            leg.metres[:, None] * np.linspace(0, 1, 25),
        )
        pose, turns = poses[:, -1], wheels[:, -1]
        legs.append(leg)
    return Followed(start=begin, legs=tuple(legs), reached=reached, cut=cut)


def _leg(
    vehicle: Vehicle, method: Method, step: Step, settings: Settings, metres: Floats
) -> Leg:  # fmt: skip
    share = figure(step.wheel.of_lock, method, settings)
    return Leg(
        direction=step.direction,
        turns=step.wheel.sign * share * vehicle.steering.lock_turns,
        metres=metres,
        rate=np.full(len(metres), np.inf) if step.standing else settings.rate,
    )
