"""Kinds of cue: one module each, which finds what of its kind there is to line up on.

A new one is a module here, its place in `_looked_for` and in `_ALL`, and its words.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import partial
from typing import TypeAlias

from faircorner.cues.cue_kinds.base import AGAIN, USELESS, Cue, Found, Seeing
from faircorner.cues.cue_kinds.cut import cuts
from faircorner.cues.cue_kinds.edge import any_edges, edge_said, edges_seen, over_the_bonnet
from faircorner.cues.cue_kinds.horizon import horizons
from faircorner.cues.cue_kinds.mirror import in_mirrors
from faircorner.cues.cue_kinds.parallel import parallels
from faircorner.cues.cue_kinds.thing import thing_said, things_seen
from faircorner.cues.events import Watched
from faircorner.cues.places import OWN_EDGES
from faircorner.plane import Floats
from faircorner.sight import Onward, mark_named, mirror_named

__all__ = [
    "AGAIN",
    "Cue",
    "Earlier",
    "Found",
    "Leant",
    "Seeing",
    "candidates",
    "earlier",
    "edge_said",
    "leant",
    "sharpest",
    "thing_said",
]

Kind: TypeAlias = Callable[[Seeing], list[Found]]

# Seen directly, in the order of what is waited for.
_DIRECT: tuple[Kind, ...] = (edges_seen, things_seen)
_ALL: tuple[Kind, ...] = (
    *_DIRECT, in_mirrors, any_edges, cuts, over_the_bonnet, parallels, horizons,
)  # fmt: skip
# What leaves no more than this no mirror tells better, m.
_KEEN = 0.10
# How far a driver can lean in the belt, forward and back, the least first, m.
_LEANS = (0.05, -0.05, 0.10, -0.10, 0.15, 0.20, 0.25)
# So far before a call it is looked for what to count from, the nearest first, m.
_BEFORE = (0.25, 0.5, 0.75, 1.0, 1.5, 2.0, 3.0)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Leant:
    """What shows to a driver who leans forward by so many metres, negative back."""

    by: float
    cue: Cue

    def mirrored(self) -> "Leant":
        return replace(self, cue=self.cue.mirrored())


def sharpest(seeing: Seeing, pick: str = "") -> Cue | None:
    """The sharpest cue that shows, one near a mark before others; or the one that was picked.

    Where none shows what is waited for is told as hidden before anything else that is.
    None where there is nothing to line up on.
    """
    best = _best(seeing, pick)
    return None if best is None else best.whole


def candidates(seeing: Seeing) -> list[Found]:
    """All that shows, each past each mark once, the best first."""
    found = [one for kind in _ALL for one in kind(seeing)]
    shown = [one for one in found if one.cue.shows and one.cue.sharpness.scatter <= USELESS]
    named: dict[str, Found] = {}
    for one in sorted(shown, key=_rank):
        named.setdefault(one.cue.key, one)
    return list(named.values())


def _best(seeing: Seeing, pick: str = "") -> Found | None:
    """pick : the key of the cue that somebody chose, taken wherever it shows"""
    if pick:
        picked = next((one for one in candidates(seeing) if one.cue.key == pick), None)
        if picked is not None:
            return picked
    watched = seeing.watched
    if watched.through or watched.part or watched.thing in _edges(seeing):
        # What is waited for is one cue, and no other tells the moment as it does.
        named = next((one for one in candidates(seeing) if _is_waited_for(one, seeing)), None)
        if named is not None:
            return named
    found = _looked_for(seeing)
    waited = (seeing.watched.edge, seeing.watched.thing)
    shown = [one for one in found if one.cue.shows]
    shown = shown or [one for one in found if one.cue.what in waited] or found
    ranked = sorted(shown, key=_rank)
    # One that shows only at the last moment cannot be waited for, unless no other tells as well.
    steady = (one for one in ranked if one.cue.sharp and one.steady)
    return next(steady, ranked[0] if ranked else None)


def _edges(seeing: Seeing) -> set[str]:
    """Names of what lies on the ground, there."""
    ground = seeing.ground
    return {line.name for line in ground.kerblines} | {name for name, _ in ground.goal.aligned()}


def _is_waited_for(one: Found, seeing: Seeing) -> bool:
    watched, seen, vehicle = seeing.watched, one.cue.sighting, seeing.vehicle
    if (one.cue.what, one.cue.part) != (watched.thing, watched.part):
        return False
    if watched.through:
        mirror = mirror_named(vehicle, watched.through)
        return (seen.through, seen.feature) == (mirror.name, watched.mark)
    if watched.mark in OWN_EDGES:
        return seen.feature == watched.mark
    mark = mark_named(vehicle, seeing.seat, watched.mark)
    own = seen.feature in (watched.mark, watched.mark.removeprefix("off "))
    # One in the middle is on neither side.
    return own and not seen.told.of_glass and float(mark[1]) * seen.y >= 0


def _looked_for(seeing: Seeing) -> list[Found]:
    """A kind is looked for where none before it is good enough."""
    found: list[Found] = []
    for kind in _DIRECT:
        if any(one.cue.shows and one.cue.sharp for one in found):
            break
        found += kind(seeing)
    # What the driver waits for is what they look at.
    waited = bool(seeing.watched.thing) and any(one.cue.shows for one in found)
    if waited or any(_keen(one) for one in found):
        return found
    found += in_mirrors(seeing)
    if not any(one.cue.shows and one.cue.sharp for one in found):
        found += [*any_edges(seeing), *cuts(seeing)]
    return found


def _keen(one: Found) -> bool:
    return one.cue.marked and one.cue.sharpness.scatter <= _KEEN and one.steady


def _rank(one: Found) -> tuple[bool, bool, float]:
    """Sharp ones first, of those the ones at a mark, then the sharpest.

    A mark beside it does not make a blunt one better.
    """
    cue = one.cue
    return not cue.sharp, cue.sharp and not cue.marked, cue.sharpness.scatter


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Earlier:
    """What shows so many metres before the call, from where it is counted."""

    by: float
    cue: Cue

    def mirrored(self) -> "Earlier":
        return replace(self, cue=self.cue.mirrored())


def earlier(seeing: Seeing) -> Earlier | None:
    """The latest stop before a call from which something sharp shows; None where none does."""
    for by in _BEFORE:
        before = replace(seeing, onward=partial(_onward, seeing.onward, by), watched=Watched())
        best = _best(before)
        if best is not None and best.cue.shows and best.cue.sharp:
            return Earlier(by=by, cue=best.cue)
    return None


def _onward(onward: Onward, before: float, by: float) -> Floats:
    return onward(by - before)


def leant(seeing: Seeing) -> Leant | None:
    """The least lean by which something shows, and what; None where none does."""
    for by in _LEANS:
        best = _best(replace(seeing, seat=seeing.seat.leaning(by)))
        if best is not None and best.cue.shows:
            return Leant(by=by, cue=best.cue)
    return None
