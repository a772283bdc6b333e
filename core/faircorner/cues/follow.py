"""Driving a method: each step ends when what it waits for happens. docs/sums/follow.md.

Calls may come late or early; the later steps still wait for their own events, as a driver
does. Kerb on the left throughout.
"""

from dataclasses import dataclass, replace
from itertools import pairwise

import numpy as np

from faircorner.compiled import compiled, whole
from faircorner.cues.events import Event, Rising, Waiting
from faircorner.cues.fitted import Unknown
from faircorner.cues.method import Method, Step
from faircorner.cues.places import landmark_x, own_point
from faircorner.errors import InputError
from faircorner.ground import Ground
from faircorner.motion import Leg, Track, advance, drive, joined, wheel_and_heading
from faircorner.plane import Bools, Floats
from faircorner.sight import Seat
from faircorner.vehicle import Vehicle

__all__ = ["Followed", "Settings", "follow"]

# Most steps end within the first span, hardly one after the second, and one that still waits at
# the end of the last will wait for ever; m.
_SPANS = (0.0, 6.0, 12.0, 36.0)
_SCANS = [np.linspace(0.0, b - a, round((b - a) / 0.2) + 1) for a, b in pairwise(_SPANS)]
_REFINE = np.linspace(0.0, 1.0, 21)
# What has just come is past by so much, so that rounding cannot take it back, m or rad.
_JUST = 1e-6
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
    stood : (attempts, steps), what each step waited for, m or rad; where that had come before the
        step began, what it then was
    coarse : the way they went, at 24 places in every step
    """

    start: Floats
    legs: tuple[Leg, ...]
    reached: Bools
    cut: Bools
    stood: Floats
    coarse: Track

    def track(self, vehicle: Vehicle, sample: float) -> Track:
        """The way they went with samples so many metres apart, see `motion.drive`."""
        turns = np.zeros(len(self.start))
        return drive(vehicle.steering, self.start, turns, self.legs, sample=sample)

    def begins(self, step: int) -> Floats:
        """Metres rolled where a step begins, (attempts,)."""
        return self.ends[:, step - 1] if step else np.zeros(len(self.start))

    @property
    def ends(self) -> Floats:
        """Metres rolled at each step's end, (attempts, steps)."""
        return np.cumsum([leg.metres for leg in self.legs], axis=0).T


def resolved(value: float | Unknown, method: Method, settings: Settings) -> Floats:
    """One figure of a method for every attempt, (attempts,): as given, or as being fitted."""
    if isinstance(value, Unknown):
        names = [u.name for u in method.unknowns]
        return settings.unknowns[:, names.index(value.name)]
    return np.full(len(settings.gap), value)


def start_poses(vehicle: Vehicle, ground: Ground, method: Method, settings: Settings) -> Floats:
    """Where the vehicle stands before the first step, (attempts, 3), parallel to the kerb."""
    own = own_point(vehicle, method.start.own)[0]
    behind = resolved(method.start.metres, method, settings)
    x = landmark_x(ground, method.start.landmark) - behind - own
    gap = settings.gap
    if isinstance(method.start.gap, Unknown):
        gap = resolved(method.start.gap, method, settings)
    y = ground.flank - gap - vehicle.width / 2
    return np.stack((x, y, np.zeros(len(y))), axis=-1)


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


def _figure_there(until: Event, moment: Waiting) -> Floats:
    """The figure at which an event would just have risen where the step begins, (attempts,).

    What rises is the figure less what is, or the other way round.
    """
    here = moment.pose[:, None], moment.turns[:, None]
    height = until.rising(moment)(*here)[:, 0]
    way = until.rising(replace(moment, wanted=moment.wanted + 1.0))(*here)[:, 0] - height
    return np.asarray(moment.wanted - (height - _JUST) / way)


def _first_rise(
    vehicle: Vehicle, pose: Floats, turns: Floats, leg: Leg, event: Rising, *, places: bool
) -> tuple[Floats, Bools]:
    """Metres into a leg at which the event first rises through zero, and whether it does.

    places : whether the event looks at where the vehicle is, or only at its heading
    Looked for at 20 cm, one span after the other, then between the two places around the rise.
    """
    count = len(pose)
    low, width, found = np.full(count, _SPANS[-1]), np.zeros(count), np.zeros(count, dtype=np.bool_)
    before, wheel_before = pose.copy(), turns.copy()
    at, wheel = pose, turns
    for begin, scan in zip(_SPANS, _SCANS, strict=False):
        s = scan[None].repeat(count, axis=0)
        poses, wheels = _along(vehicle, at, wheel, leg, s, places)
        heights = whole(event(poses, wheels))
        _note(heights, begin, scan, poses, wheels, found, low, width, before, wheel_before)
        if found.all():
            break
        at, wheel = poses[:, -1], wheels[:, -1]
    within = _between(vehicle, before, wheel_before, leg, event, width, places=places)
    return np.where(found, low + within, _SPANS[-1]), found


@compiled
def _note(
    heights: Floats, begin: float, scan: Floats, poses: Floats, wheels: Floats,
    found: Bools, low: Floats, width: Floats, before: Floats, wheel_before: Floats,
) -> None:  # fmt: skip
    """Write down for each row that rises here first: after how many m, how far on, and from where.

    heights, poses, wheels : of each row at the places `scan` of a span that begins at `begin` m
    """
    for i in range(len(heights)):
        for j in range(len(scan)):
            if heights[i, j] >= 0 and not found[i]:
                last = max(j - 1, 0)
                found[i], low[i], width[i] = True, begin + scan[last], scan[j] - scan[last]
                before[i], wheel_before[i] = poses[i, last], wheels[i, last]
                break


def _between(
    vehicle: Vehicle, pose: Floats, turns: Floats, leg: Leg, event: Rising, width: Floats,
    *, places: bool,
) -> Floats:  # fmt: skip
    """Metres into a stretch of `width` (attempts,) in which the event rises, at which it does."""
    s = width[:, None] * _REFINE
    poses, wheels = _along(vehicle, pose, turns, leg, s, places)
    return _crossed(whole(event(poses, wheels)), s)


@compiled
def _crossed(heights: Floats, s: Floats) -> Floats:
    """s (n,) at which each row rises through zero, on lines between its places; else its last."""
    crossed = np.empty(len(s))
    for i in range(len(s)):
        after = 0
        while heights[i, after] < 0 and after < s.shape[1] - 1:
            after += 1
        before = max(after - 1, 0)
        a, b = heights[i, before], heights[i, after]
        share = min(max(-a / (b - a), 0.0), 1.0) if b > a else 0.0
        crossed[i] = s[i, before] + share * (s[i, after] - s[i, before])
    return crossed


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
    waiting = [_leg(vehicle, method, step, settings) for step in method.steps]
    legs: list[Leg] = []
    parts: list[tuple[Floats, Floats, Floats]] = []
    reached = np.ones((count, len(method.steps)), dtype=np.bool_)
    cut = np.zeros_like(reached)
    stood = np.zeros(reached.shape)
    for i, step in enumerate(method.steps):
        leg = waiting[i]
        moment = Waiting(
            vehicle=vehicle, ground=ground, seat=seat, leg=leg, pose=pose, turns=turns,
            direction=step.direction, turning=float(step.direction * step.wheel.sign) or 1.0,
            then=waiting[i + 1] if i + 1 < len(waiting) else None,
            wanted=resolved(step.until.figure(), method, settings),
        )  # fmt: skip
        stood[:, i] = moment.wanted
        known = step.until.known(moment)
        if known is not None:
            metres = known
        else:
            try:
                event = step.until.rising(moment)
            except InputError as error:
                raise error.inside(f"steps[{i}].until") from None
            metres, reached[:, i] = _first_rise(
                vehicle, pose, turns, leg, event, places=not step.until.of_heading
            )
            at_once = metres == 0
            if isinstance(step.until.figure(), Unknown) and at_once.any():
                stood[at_once, i] = _figure_there(step.until, moment)[at_once]
        late = metres + settings.late[:, i]
        if step.until.blocked(ground):
            late = np.minimum(late, metres)
        cut[:, i] = late < 0
        leg = replace(leg, metres=np.maximum(late, 0.0))
        s = leg.metres[:, None] * _PLACES
        parts.append((s, *advance(vehicle.steering, pose, turns, leg, s)))
        pose, turns = parts[-1][1][:, -1], parts[-1][2][:, -1]
        legs.append(leg)
    coarse = joined(begin, np.zeros(count), parts)
    return Followed(
        start=begin, legs=tuple(legs), reached=reached, cut=cut, stood=stood, coarse=coarse
    )


def _leg(vehicle: Vehicle, method: Method, step: Step, settings: Settings) -> Leg:
    """A step's, its metres not known yet."""
    share = resolved(step.wheel.share(vehicle.steering.lock_turns), method, settings)
    count = len(settings.gap)
    return Leg(
        direction=step.direction,
        turns=step.wheel.sign * share * vehicle.steering.lock_turns,
        metres=np.zeros(count),
        rate=np.full(count, np.inf) if step.standing else settings.rate,
    )
