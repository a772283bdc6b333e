"""Kinds of cue: one module each, which finds what of its kind there is to line up on.

A new one is a module here, its place in `_KINDS`, and its words.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace

from faircorner.cues.cue_kinds.base import Cue, Found, Seeing
from faircorner.cues.cue_kinds.edge import any_edges, edge_said, edges_seen
from faircorner.cues.cue_kinds.thing import thing_said, things_seen

__all__ = ["Cue", "Leant", "Seeing", "edge_said", "leant", "sharpest", "thing_said"]

# In the order of what is waited for: a kind is looked for where none before it shows sharply.
_KINDS: tuple[Callable[[Seeing], list[Found]], ...] = (edges_seen, things_seen, any_edges)
# How far a driver can lean in the belt, forward and back, the least first, m.
_LEANS = (0.05, -0.05, 0.10, -0.10, 0.15, 0.20, 0.25)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Leant:
    """What shows to a driver who leans forward by so many metres, negative back."""

    by: float
    cue: Cue

    def mirrored(self) -> "Leant":
        return replace(self, cue=self.cue.mirrored())


def sharpest(seeing: Seeing) -> Cue | None:
    """The sharpest cue that shows; one near a mark before others.

    Where none shows what is waited for is told as hidden before anything else that is.
    None where there is nothing to line up on.
    """
    best = _best(seeing)
    return None if best is None else best.whole


def _best(seeing: Seeing) -> Found | None:
    found: list[Found] = []
    for kind in _KINDS:
        if any(one.cue.shows and one.cue.sharp for one in found):
            break
        found += kind(seeing)
    waited = (seeing.watched.edge, seeing.watched.thing)
    shown = [one for one in found if one.cue.shows]
    shown = shown or [one for one in found if one.cue.what in waited] or found
    sharp = [one for one in shown if one.cue.sharp]
    # A mark beside it does not make a blunt one better.
    return min(
        sharp or shown,
        key=lambda one: (bool(sharp) and not one.cue.marked, one.cue.sharpness.scatter),
        default=None,
    )


def leant(seeing: Seeing) -> Leant | None:
    """The least lean by which something shows, and what; None where none does."""
    for by in _LEANS:
        best = _best(replace(seeing, seat=seeing.seat.leaning(by)))
        if best is not None and best.cue.shows:
            return Leant(by=by, cue=best.cue)
    return None
