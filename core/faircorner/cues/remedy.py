"""When a method cannot work here: the least change that would make it."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from faircorner.cues.fit import fit
from faircorner.cues.problem import Given
from faircorner.cues.scene import Scene
from faircorner.errors import InputError
from faircorner.ground import Room, Size, adjust, kind_of, measures
from faircorner.said import Length, Said

__all__ = ["Heard", "Remedy", "least_change", "least_sizes", "silent"]

# Changes are tried up to this much, and told to this much, m.
_MOST, _FINE = 3.2, 0.02
# And what touches first is shown this much below the least size, m.
_TIGHTER = 0.1
# Fits that one figure takes where it takes longest: about as many up as then down again.
_FITS = 14

# Called between fits with the share of the work that is behind, 0 to 1. What it raises ends the
# search: so somebody who waits no longer ends it.
Heard = Callable[[float], None]


def silent(_share: float) -> None:
    """Nobody listens."""


class _Fits:
    """Fits of a search through some figures, one after another; tells how far it is."""

    def __init__(self, heard: Heard, figures: int) -> None:
        self._heard, self._most = heard, figures * _FITS
        self._figure = self._tried = 0

    def next_figure(self) -> None:
        self._tried = self._figure * _FITS
        self._figure += 1

    def works(self, scene: Scene, given: Given, *, thorough: bool = False) -> bool:
        """thorough : as a plan is looked for, which takes three times as long where none is."""
        self._heard(min(self._tried, self._figure * _FITS) / self._most)
        self._tried += 1
        found = fit(scene, given) if thorough else fit(scene, given, descents=2, more=0)
        return found.feasible


@dataclass(frozen=True, slots=True, kw_only=True)
class Remedy:
    """One figure to change: "gap" between parked vehicles, "start gap", "gap ahead", "aisle",
    "bay width" or "road width"; metres.

    to : what it should be; by : the change
    option : the cue sheet's own setting that gives it, None where the place has to change
    """

    what: str
    to: float
    by: float
    option: str | None

    @property
    def said(self) -> Said:
        """What to change, by how much, and where."""
        more = "more" if self.by > 0 else "less"
        return Said(f"works with {more} {self.what}", by=Length(abs(self.by)), to=Length(self.to))


def least_change(scene: Scene, given: Given, heard: Heard) -> Remedy | None:
    """The smallest single change that makes the fit feasible; None when none of them does.

    Each candidate is grown until it works and halved back to 2 cm; the answer has been fitted,
    so that making the change is known to do.
    """
    tries = [
        (room, value, sign, change)
        for room, value, change in _candidates(scene, given)
        for sign in ((1.0,) if room.only_more else (1.0, -1.0))
    ]
    fits = _Fits(heard, len(tries))
    found = [remedy for tried in tries for remedy in [_least(fits, *tried)] if remedy is not None]
    return min(found, key=lambda r: abs(r.by), default=None)


def least_sizes(scene: Scene, given: Given, heard: Heard) -> list[tuple[str, float | None, Scene]]:
    """The least gap, width of bay and aisle, or width of road that the method can use.

    Returns of each its name, metres to 2 cm, None where no size within reason is enough, and the
    scene a little tighter than that, which does not work. Takes about ten fits each. Raises
    InputError where there is nothing to be tightened.
    """
    sizes_of = kind_of(scene.ground).sizes
    if sizes_of is None:
        raise InputError("ground", Said("there is no least size"))
    found: list[tuple[str, float | None, Scene]] = []
    sizes = sizes_of(scene.ground, scene.vehicle)
    fits = _Fits(heard, len(sizes))
    for size in sizes:
        metres = _least_of(fits, scene, given, size)
        tight = size.low if metres is None else max(size.low, metres - _TIGHTER)
        found.append((size.what, metres, replace(scene, ground=size.at(tight))))
    return found


def _least_of(fits: _Fits, scene: Scene, given: Given, size: Size) -> float | None:
    fits.next_figure()

    def works(metres: float, *, thorough: bool = False) -> bool:
        return fits.works(replace(scene, ground=size.at(metres)), given, thorough=thorough)

    high = next((float(metres) for metres in size.tries if works(float(metres))), None)
    while high is not None:
        low = size.low
        while high - low > _FINE:
            middle = (low + high) / 2
            low, high = (low, middle) if works(middle) else (middle, high)
        # What is shown as too tight is what a plan is looked for in as long as anywhere.
        tighter = max(size.low, high - _TIGHTER)
        if tighter >= high or not works(tighter, thorough=True):
            return high
        high = tighter
    return None


_Change = Callable[[float], tuple[Scene, Given]]


def _candidates(scene: Scene, given: Given) -> list[tuple[Room, float, _Change]]:
    """Of what may be given here: its size now, and the case with another."""
    now = measures(scene.ground)

    def start_gap(metres: float) -> tuple[Scene, Given]:
        return scene, replace(given, gap=metres)

    def measured(name: str) -> _Change:
        return lambda metres: (replace(scene, ground=adjust(scene.ground, name, metres)), given)

    return [
        (room, given.gap, start_gap)
        if room.measure is None
        else (room, now[room.measure], measured(room.measure))
        for room in kind_of(scene.ground).rooms(scene.ground)
    ]


def _least(fits: _Fits, room: Room, value: float, sign: float, change: _Change) -> Remedy | None:
    fits.next_figure()

    def works(by: float) -> bool:
        to = value + sign * by
        return 0.3 <= to <= 40 and fits.works(*change(to))

    low, high = 0.0, 0.1
    limit = _MOST if room.only_more else 0.8
    while not works(high):
        low, high = high, high * 2
        if high > limit:
            return None
    while high - low > _FINE:
        middle = (low + high) / 2
        low, high = (low, middle) if works(middle) else (middle, high)
    return Remedy(what=room.what, to=value + sign * high, by=sign * high, option=room.option)
