"""Where a driver says that the vehicle stands, against where the tape says: a skill of its own."""

import numpy as np

from faircorner.standards import MEASURES, Finish, Measure

__all__ = ["misjudged"]


def misjudged(said: Finish, taped: Finish) -> dict[str, float]:
    """What was said more than was taped, by measure, SI; left out what either does not know.

    The distance to the edge is that of both wheels together, as "kerb_rear" and "kerb_front" alone
    would tell the angle twice.
    """
    off = {
        measure.name: float((said.measure(measure.name) - taped.measure(measure.name))[0])
        for measure in _own()
    }
    off = {"kerb": float((said.kerb - taped.kerb)[0]), **off}
    return {name: value for name, value in off.items() if not np.isnan(value)}


def _own() -> list[Measure]:
    return [m for m in MEASURES.values() if m.taped is not None and not m.beside]
