"""From where the vehicle stands to where it should: the fewest movements that put it right.

Each movement is a small S: the wheel one way for a stretch, the other way until parallel, then
straight. The stretches are found by the same fit as any method's figures, so that a mend holds
the same clearances and limits. docs/sums/mend.md.
"""

from dataclasses import dataclass, replace
from itertools import product

import numpy as np

from faircorner.cues.clearances import Clearances, clearances_of
from faircorner.cues.driven import Driven
from faircorner.cues.events import Parallel, Travelled, WheelSet
from faircorner.cues.fit import fit
from faircorner.cues.fitted import Unknown
from faircorner.cues.method import Method, Start, Step, Way, Wheel
from faircorner.cues.problem import Given
from faircorner.cues.scene import Scene
from faircorner.errors import InputError
from faircorner.motion import Leg, Track
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.sides import sided
from faircorner.standards import Finish, finish_at

__all__ = ["Mend", "mend"]

# More movements than this are a new attempt.
_MOST = 3
_STRETCH = (0.02, 3.5, 0.6)
_RATE = 2.0
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
    clearances: Clearances
    low: frozenset[str]

    def mirrored(self) -> "Mend":
        legs = tuple(leg.mirrored() for leg in self.legs)
        return replace(self, legs=legs, track=self.track.mirrored())


@sided
def mend(scene: Scene, *, forward: int, reverse: int, together: int | None = None) -> Mend | None:
    """The shortest mend within the movements still allowed; None when there is none: start again.

    It begins where the scene's vehicle stands, wheels straight.
    forward, reverse : movements still allowed in each gear; together : in both
    Fewer movements are always preferred; among as many, the one that rolls least.
    Raises InputError where nobody says where it stands, and for a pose that is no number.
    """
    start = scene.standing
    if start is None or not np.isfinite(start).all():
        raise InputError("pose", Said("must be three numbers"))
    here = scene.suited()
    ways: tuple[Way, ...] = ("toward", "away")
    most = _MOST if together is None else min(_MOST, together)
    for count, target in product(range(1, most + 1), _targets(here, start)):
        kerb = target if here.ground.has_kerb else None
        wanted = replace(here, ground=here.ground.wanting(kerb=kerb))
        found = [
            mended
            for gears, way in product(_gears(count, forward, reverse), ways)
            for mended in [_tried(wanted, gears, way)]
            if mended is not None
        ]
        if found:
            return min(found, key=lambda m: float(m.track.s[0, -1]))
    return None


def _targets(scene: Scene, start: Floats) -> list[float]:
    """Distances to the kerb worth aiming at, m: the wanted one, else the nearest good one."""
    ground, bands = scene.ground, [band for band in scene.bands if band.of.beside]
    wanted = ground.berth.wanted_kerb(scene.vehicle)
    if not ground.has_kerb:
        return [wanted]
    low = max((b.low for b in bands if b.low is not None), default=wanted)
    high = min((b.high for b in bands if b.high is not None), default=wanted)
    now = float(finish_at(start[None], scene.vehicle, ground).kerb[0])
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
                 wheel=Wheel(way=way), until=Travelled(metres=stretch),
                 looks=("all round",)),
            Step(name=f"{name}, out", say=Said(f"full lock {other}", edge=edge), direction=gear,
                 wheel=Wheel(way=other), until=Parallel()),
            Step(name=f"{name}, straight", say=Said("straighten"), direction=gear,
                 wheel=Wheel(way="straight"), until=WheelSet()),
        ]  # fmt: skip
    return Method(
        name="mend",
        manoeuvre="mend",
        start=Start(own="rear bumper", landmark="tail ahead", metres=0.0, gap=0.0),
        steps=tuple(steps),
        turns_per_metre=_RATE,
    )


def _said(gear: int, way: Way, edge: str) -> Said:
    return Said(f"{'forward' if gear > 0 else 'back'} full lock {way}", edge=edge)


def _tried(scene: Scene, gears: tuple[int, ...], way: Way) -> Mend | None:
    berth = scene.ground.berth
    method = _method(gears, way, berth.edge)
    given = Given(gap=0.0, rate=_RATE, pinned={})
    # Of the many ways that are tried another does where this one's descent is a poor one.
    found = fit(replace(scene, method=method, seat=None), given, descents=1, more=0)
    if not found.feasible:
        return None
    driven = found.outcome
    # A bay may end at a mere line: there is no room beyond it to be put right in.
    left = berth.gap_to(berth.along, driven.track.poses, scene.vehicle)
    if not scene.ground.has_kerb and left.min() < 0:
        return None
    return _told(method, gears, found.values, driven)


def _told(method: Method, gears: tuple[int, ...], values: Floats, driven: Driven) -> Mend:
    return Mend(
        movements=tuple("forward" if gear > 0 else "reverse" for gear in gears),
        steps=method.steps,
        legs=driven.followed.legs,
        track=driven.track,
        finish=driven.finish,
        stretch=tuple(float(v) for v in values),
        clearances=clearances_of(driven),
        low=driven.low,
    )
