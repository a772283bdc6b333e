"""Every cue that shows at a moment, with what makes it good or bad to use."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cache, lru_cache
from itertools import takewhile

import numpy as np

from faircorner.cues.cue_kinds import AGAIN, Cue, Found, Seeing, candidates
from faircorner.ground import Obstacle
from faircorner.plane import Floats
from faircorner.said import Length, Said
from faircorner.sight import BONNET, NEAR, Moved, pane_of, same_again
from faircorner.vehicle import Vehicle

__all__ = ["FOLLOWED", "REVERSED", "Candidate", "at_mark", "candidates_of"]

# How many are told in full: whoever wants another points it out.
_MOST = 4
# Where before a call and after it a cue is followed, m.
_STATIONS = (0.25, 0.5, 1.0, 1.5)
FOLLOWED = _STATIONS[-1]
# Somebody taller, m, told on screen; and the shift by which it is tried what moving the eye does.
_TALLER, _TRIED = 0.05, 0.02
# So far from a call it is asked where its cue stands at the mark, m.
REVERSED = 1.0
# What moves the stop by less is not told, m.
_NOTED = 0.03
# An image that moves less for each metre rolled stands still; a corner this near a vehicle is its
# own, m.
_STILL, _ON = 1e-6, 0.05
# Another neighbour: so much wider in all, or longer, m; and what moves an image no further, m.
_WIDER, _LONGER, _SAME = 0.20, 0.50, 1e-6


@dataclass(frozen=True, slots=True, kw_only=True)
class Neighbour:
    """Where another vehicle is parked than the one a cue is on, with the same gap beside it.

    wider, longer : m late with one that is so; NaN where the picture does not come within reach
    """

    wider: float
    longer: float

    @property
    def said(self) -> Iterator[Said]:
        """What each does to the stop; that neither does, where that is so."""
        told = False
        for late, by, codes in (
            (self.wider, _WIDER, ("wider late", "wider early", "wider and gone")),
            (self.longer, _LONGER, ("longer late", "longer early", "longer and gone")),
        ):
            if abs(late) < _NOTED:
                continue
            told = True
            code = codes[2 if np.isnan(late) else 0 if late > 0 else 1]
            yield Said(f"neighbour {code}", by=Length(by), stop=Length(abs(np.nan_to_num(late))))
        if not told:
            yield Said("any neighbour", wider=Length(_WIDER), longer=Length(_LONGER))


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Candidate:
    """One cue and what can be said of it.

    before, after : m rolled for which it shows, up to where it is followed
    at_mark : m late that the thing stands exactly at its mark, where that is how the cue is used;
        NaN where it does not within a metre
    taller_late : m late that somebody sees it whose eye is 5 cm higher; NaN where nobody can say
    eye_scatter : m of scatter in the stop from how uncertain the eye is, `eye_off` m
    neighbour : what another parked vehicle does to one that is on such; None for what is not
    assumed : names of what it is told by that nobody measured
    """

    cue: Cue
    before: float
    after: float
    at_mark: float
    taller_late: float
    eye_scatter: float
    eye_off: float
    neighbour: Neighbour | None
    assumed: tuple[str, ...]

    @property
    def key(self) -> str:
        return self.cue.key

    @property
    def notes(self) -> tuple[Said, ...]:
        """What to know of it before one chooses it."""
        told = [self.cue.sharpness.leant]
        if abs(self.taller_late) >= _NOTED:
            late = "taller and stop late" if self.taller_late > 0 else "taller and stop early"
            told.append(Said(late, by=Length(_TALLER), stop=Length(abs(self.taller_late))))
        if self.eye_scatter >= _NOTED:
            told.append(
                Said("eye uncertain", by=Length(self.eye_off), stop=Length(self.eye_scatter))
            )
        if self.neighbour is not None:
            told += self.neighbour.said
        told.append(self.rests)
        return tuple(said for said in told if said)

    @property
    def rests(self) -> Said:
        """What it rests on that nobody measured; nothing where all was."""
        if not self.assumed:
            return Said()
        one, *others = self.assumed
        if not others:
            return Said("rests on", what=one)
        return Said("rests on both", what=one, other=others[0])

    def mirrored(self) -> "Candidate":
        return replace(self, cue=self.cue.mirrored())


def candidates_of(
    seeing: Seeing, chosen: Cue | None
) -> tuple[tuple[Candidate, ...], tuple[Cue, ...]]:
    """The best that show, the chosen one among them and first; and whatever else does."""
    found = candidates(seeing)
    first = [one for one in found if chosen is not None and one.cue.key == chosen.key]
    rest = [one for one in found if one not in first]
    ranked = [*first, *rest]
    told = tuple(_candidate(seeing, one, chosen) for one in ranked[:_MOST])
    return told, tuple(one.cue for one in ranked[_MOST:])


def _candidate(seeing: Seeing, found: Found, chosen: Cue | None) -> Candidate:
    late = _late(found)
    return Candidate(
        cue=chosen if chosen is not None and chosen.key == found.cue.key else found.whole,
        before=_shown_for(found, -1),
        after=_shown_for(found, 1),
        at_mark=at_mark(found),
        taller_late=float(late[2] * _TALLER),
        eye_scatter=float(np.linalg.norm(late * seeing.seat.uncertain)),
        eye_off=float(seeing.seat.uncertain.max()),
        neighbour=_neighbour(seeing, found),
        assumed=_assumed(seeing.vehicle, found.cue),
    )


def _assumed(vehicle: Vehicle, cue: Cue) -> tuple[str, ...]:
    """Names of the glass it shows in and the mark it is told by, where nobody measured them."""
    seen = cue.sighting
    pane = pane_of(vehicle, seen)
    glass = (pane,) if pane else (m for m in vehicle.mirrors if m.name == seen.through)
    # Both flanks have marks of the same name: it is told by its own.
    marks = (f for f in vehicle.features if f.name == seen.feature and f.y * seen.y > 0)
    names = [part.name for part in (*glass, *marks) if part.assumed]
    if seen.feature == BONNET and vehicle.roofline_assumed:
        names.append(BONNET)
    return tuple(dict.fromkeys((*names, *cue.assumed)))


def _neighbour(seeing: Seeing, found: Found) -> Neighbour | None:
    """Of a cue on a parked vehicle: it stands as far from its edge, and leaves the same gap."""
    cue = found.cue
    parked = next((o for o in seeing.ground.obstacles if _stands_on(o, cue)), None)
    if parked is None or found.moved is None:
        return None
    middle, long = parked.polygon.mean(axis=0), _longest_side(parked.polygon)
    off, across = cue.target - middle, np.array([-long[1], long[0]])
    outward, end = off @ across, off @ long
    beyond = (seeing.ground.berth.frame[:2] - middle) @ long * end < 0
    return Neighbour(
        wider=_late_with(found, np.sign(outward) * across * _WIDER / 2),
        longer=_late_with(found, np.sign(end) * long * _LONGER) if beyond else 0.0,
    )


def _stands_on(parked: Obstacle, cue: Cue) -> bool:
    if parked.kind != "vehicle":
        return False
    near = np.linalg.norm(parked.polygon - cue.target, axis=1).min() < _ON
    return bool(near) if cue.upright else cue.what == parked.name


def _longest_side(polygon: Floats) -> Floats:
    sides = np.roll(polygon, -1, axis=0) - polygon
    long = sides[np.linalg.norm(sides, axis=1).argmax()]
    return np.asarray(long / np.linalg.norm(long))


def _late_with(found: Found, by_thing: Floats) -> float:
    """m late that the same picture comes once the thing stands elsewhere by (2,) m."""
    assert found.moved is not None  # noqa: S101  only such are asked for
    moved = found.moved(np.zeros(3), by_thing)
    return 0.0 if abs(moved(0.0)) < _SAME else same_again(moved)


def _shown_for(found: Found, way: int) -> float:
    """m that it goes on showing, before (-1) the call or after it."""
    shown = takewhile(lambda off: found.shown(way * off), _STATIONS)
    return max(shown, default=0.0)


def at_mark(found: Found) -> float:
    """m late that the image stands at its mark, within `REVERSED` either way; see `Candidate`."""
    off = found.aslant or _off_mark(found)
    if off is None:
        return float("nan")
    speed = (off(NEAR) - off(-NEAR)) / (2 * NEAR)
    if not abs(speed) > _STILL or abs(off(0.0) / speed) > 2 * REVERSED:
        return float("nan")
    return same_again(off, within=REVERSED)


def _off_mark(found: Found) -> Moved | None:
    offset = found.cue.sighting.offset
    if found.moved is None or np.isnan(offset):
        return None
    still = _still(found)
    return lambda by: still(by) + offset


@lru_cache(maxsize=AGAIN)
def _still(found: Found) -> Moved:
    """How its image moves for the driver as they sit; asked for in several places."""
    assert found.moved is not None  # noqa: S101  only such are asked for
    return cache(found.moved(np.zeros(3)))


def _late(found: Found) -> Floats:
    """m late for each metre that the eye is shifted along each axis, (3,), to first order: how far
    the image has moved over how fast it moves. NaN where nobody can say.
    """
    if found.moved is None:
        return np.full(3, np.nan)
    still = _still(found)
    speed = (still(NEAR) - still(-NEAR)) / (2 * NEAR)
    off = np.array([found.moved(shift)(0.0) for shift in np.eye(3) * _TRIED]) / _TRIED
    return np.asarray(-off / speed) if abs(speed) > _STILL else np.full(3, np.nan)
