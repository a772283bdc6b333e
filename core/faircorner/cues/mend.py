"""From where the vehicle stands to where it should: the fewest movements that put it right.

Each movement is a small S: the wheel one way for a stretch, the other way until parallel, then
straight. The stretches are found by the same fit as any method's figures, so that a mend holds
the same clearances and limits. docs/sums/mend.md.
"""

from dataclasses import dataclass
from itertools import product

import numpy as np

from faircorner.cues.fit import Given, fit
from faircorner.cues.method import Method, Start, Step, Unknown, Until, Way, Wheel
from faircorner.cues.outcome import Case, Outcome
from faircorner.errors import InputError
from faircorner.ground import Band, Finish, Ground, finish_at
from faircorner.motion import Leg, Track
from faircorner.plane import Floats, mirrored
from faircorner.vehicle import Vehicle

__all__ = ["Mend", "mend"]

# More movements than this are a new attempt.
_MOST = 3
_STRETCH = (0.02, 3.5, 0.6)
_RATE = 2.0
_KERB = ("kerb_front", "kerb_rear")
# Kept from the edge of a limit when only just good is aimed at, m.
_MARGIN = 0.03


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Mend:
    """A way to put a finish right, in the site's own frame.

    movements : "forward" or "reverse", in order; legs and steps : three a movement
    stretch : m rolled in each movement before the wheel goes the other way
    low : names of what only tyres meet
    """

    movements: tuple[str, ...]
    steps: tuple[Step, ...]
    legs: tuple[Leg, ...]
    track: Track
    finish: Finish
    stretch: tuple[float, ...]
    clearances: tuple[tuple[str, float, float], ...]
    low: frozenset[str]


def mend(
    vehicle: Vehicle, ground: Ground, pose: Floats, bands: tuple[Band, ...],
    *, forward: int, reverse: int,
) -> Mend | None:  # fmt: skip
    """The shortest mend within the movements still allowed; None when there is none: start again.

    pose : (3,), where the vehicle stands, in the site's own frame, wheels straight
    forward, reverse : movements still allowed in each gear
    Fewer movements are always preferred; among as many, the one that rolls least.
    Raises InputError for a pose that is no number.
    """
    if not np.isfinite(pose).all():
        raise InputError("pose", "must be three numbers")
    left = ground.side == "left"
    start = pose if left else mirrored(pose)
    car = vehicle if left else vehicle.mirrored()
    place = ground.kerb_on_left()
    ways: tuple[Way, ...] = ("toward", "away")
    for count, target in product(range(1, _MOST + 1), _targets(place, car, start, bands)):
        goal = place.wanting(kerb=target if place.has_kerb else None)
        found = [
            mended
            for gears, way in product(_gears(count, forward, reverse), ways)
            for mended in [_tried(car, goal, start, bands, gears, way)]
            if mended is not None
        ]
        if found:
            best = min(found, key=lambda m: float(m.track.s[0, -1]))
            return best if left else _mirrored(best)
    return None


def _targets(
    ground: Ground, vehicle: Vehicle, start: Floats, bands: tuple[Band, ...]
) -> list[float]:
    """Distances to the kerb worth aiming at, m: the wanted one, else the nearest good one."""
    wanted = ground.berth.wanted_kerb(vehicle)
    if not ground.has_kerb:
        return [wanted]
    low = max((b.low for b in bands if b.measure in _KERB and b.low is not None), default=wanted)
    high = min((b.high for b in bands if b.measure in _KERB and b.high is not None), default=wanted)
    now = float(finish_at(start[None], vehicle, ground).kerb[0])
    nearest = float(np.clip(now, low + _MARGIN, max(high - _MARGIN, low + _MARGIN)))
    return [wanted] if abs(nearest - wanted) < 0.01 else [wanted, nearest]


def _gears(count: int, forward: int, reverse: int) -> list[tuple[int, ...]]:
    """Alternating gears, beginning either way, as far as each gear is still allowed."""
    orders = [tuple(first * (-1) ** i for i in range(count)) for first in (1, -1)]
    return [o for o in orders if o.count(1) <= forward and o.count(-1) <= reverse]


def _method(gears: tuple[int, ...], way: Way, edge: str) -> Method:
    other: Way = "away" if way == "toward" else "toward"
    low, high, prefer = _STRETCH
    steps: list[Step] = []
    for i, gear in enumerate(gears):
        # Rolling back, the same wheel moves the vehicle the same way across: an S either way.
        stretch = Unknown(name=f"stretch_{i + 1}", low=low, high=high, prefer=prefer)
        name = f"movement {i + 1}"
        steps += [
            Step(name=f"{name}, in", say=_said(gear, way, edge), direction=gear,
                 wheel=Wheel(way=way), until=Until(kind="travelled", value=stretch),
                 looks=("all round",)),
            Step(name=f"{name}, out", say=f"Full lock {_phrase(other, edge)}", direction=gear,
                 wheel=Wheel(way=other), until=Until(kind="parallel")),
            Step(name=f"{name}, straight", say="Straighten up and stop", direction=gear,
                 wheel=Wheel(way="straight"), until=Until(kind="wheel set")),
        ]  # fmt: skip
    return Method(
        name="mend",
        manoeuvre="mend",
        start=Start(own="rear bumper", landmark="tail ahead", metres=0.0, gap=0.0),
        steps=tuple(steps),
        turns_per_metre=_RATE,
    )


def _phrase(way: Way, edge: str) -> str:
    return f"toward the {edge}" if way == "toward" else f"away from the {edge}"


def _said(gear: int, way: Way, edge: str) -> str:
    return f"{'Forward' if gear > 0 else 'Back'}, full lock {_phrase(way, edge)}"


def _tried(
    vehicle: Vehicle, ground: Ground, start: Floats, bands: tuple[Band, ...],
    gears: tuple[int, ...], way: Way,
) -> Mend | None:  # fmt: skip
    method = _method(gears, way, ground.berth.edge)
    case = Case(vehicle=vehicle, ground=ground, method=method, bands=bands, start=start)
    given = Given(gap=0.0, rate=_RATE, pinned={})
    # Of the many ways that are tried another does where this one's descent is a poor one.
    found = fit(case, given, descents=1)
    if not found.feasible:
        return None
    driven = found.outcome
    berth = ground.berth
    # A bay may end at a mere line: there is no room beyond it to be put right in.
    if not ground.has_kerb and berth.gap_to(berth.along, driven.track.poses, vehicle).min() < 0:
        return None
    return _told(method, gears, found.values, driven)


def _told(method: Method, gears: tuple[int, ...], values: Floats, driven: Outcome) -> Mend:
    s = driven.track.s[0]
    return Mend(
        movements=tuple("forward" if gear > 0 else "reverse" for gear in gears),
        steps=method.steps,
        legs=driven.followed.legs,
        track=driven.track,
        finish=driven.finish,
        stretch=tuple(float(v) for v in values),
        clearances=tuple(
            (name, float(gap.metres[0]), float(s[gap.sample[0]]))
            for name, gap in driven.gaps.items()
        ),
        low=driven.low,
    )


def _mirrored(found: Mend) -> Mend:
    track = found.track
    return Mend(
        movements=found.movements,
        steps=found.steps,
        legs=tuple(
            Leg(direction=g.direction, turns=-g.turns, metres=g.metres, rate=g.rate)
            for g in found.legs
        ),
        track=Track(s=track.s, poses=mirrored(track.poses), turns=-track.turns, leg=track.leg),
        finish=found.finish,
        stretch=found.stretch,
        clearances=found.clearances,
        low=found.low,
    )
