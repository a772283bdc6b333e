"""Kinds of cue: one module each, which finds what of its kind there is to line up on.

A new one is a module here, its place in `_KINDS`, and its words.
"""

from collections.abc import Callable

from faircorner.cues.cue_kinds.base import Cue, Seeing
from faircorner.cues.cue_kinds.edge import edge_said, edges_seen
from faircorner.cues.cue_kinds.thing import thing_said, things_seen

__all__ = ["Cue", "Seeing", "edge_said", "sharpest", "thing_said"]

# In the order of what is waited for: a kind is looked for where none before it shows.
_KINDS: tuple[Callable[[Seeing], list[Cue]], ...] = (edges_seen, things_seen)


def sharpest(seeing: Seeing) -> Cue | None:
    """The sharpest cue that shows through the glass; the first of all where none shows.

    None where there is nothing to line up on.
    """
    found: list[Cue] = []
    for kind in _KINDS:
        if any(cue.sighting.through for cue in found):
            break
        found += kind(seeing)
    return min(found, key=lambda c: (c.sighting.through is None, c.sharpness.scatter), default=None)
