"""Which of several solids is drawn first, so that none covers what stands before it.

Painter's order: of two convex footprints a side of one has the other beyond it, and who stands on
that far side sees the other first. docs/sums/picture.md.
"""

from collections.abc import Sequence
from graphlib import CycleError, TopologicalSorter

import numpy as np

from faircorner.picture.surface import Solid
from faircorner.plane import Floats

__all__ = ["far_to_near"]

# Two that overlap by no more than this still stand apart, m.
_TOUCH = 0.02


def far_to_near(solids: Sequence[Solid], eye: Floats) -> list[Solid]:
    """The solids in an order in which they can be painted for an eye (2,) m."""
    away = [float(np.linalg.norm(one.footprint.mean(axis=0) - eye)) for one in solids]
    sorter: TopologicalSorter[int] = TopologicalSorter()
    for i in sorted(range(len(solids)), key=lambda i: -away[i]):
        sorter.add(i)
        for j in range(i):
            first = _hides(solids[i].footprint, solids[j].footprint, eye)
            if first > 0:
                sorter.add(i, j)
            elif first < 0:
                sorter.add(j, i)
    try:
        return [solids[i] for i in sorter.static_order()]
    except CycleError:
        # Three that lie round each other have no order; nobody parks so.
        return [solids[i] for i in sorted(range(len(solids)), key=lambda i: -away[i])]


def _hides(one: Floats, other: Floats, eye: Floats) -> int:
    """1 where `one` may hide `other` from the eye, -1 the other way round, 0 where neither."""
    return _beyond(one, other, eye) or -_beyond(other, one, eye)


def _beyond(one: Floats, other: Floats, eye: Floats) -> int:
    """By a side of `one` that has `other` beyond it: 1 with the eye this side, -1 beyond, or 0."""
    sides = np.roll(one, -1, axis=0) - one
    outward = np.column_stack((sides[:, 1], -sides[:, 0]))
    outward /= np.linalg.norm(outward, axis=1)[:, None]
    away = ((other[None] - one[:, None]) * outward[:, None]).sum(axis=-1).min(axis=1)
    best = int(away.argmax())
    if away[best] < -_TOUCH:
        return 0
    return 1 if (eye - one[best]) @ outward[best] < away[best] else -1
