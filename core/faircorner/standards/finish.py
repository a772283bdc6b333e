"""Where a vehicle ended, in the measures a tape gives."""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from faircorner.ground import Ground
from faircorner.plane import Floats
from faircorner.standards.measures import MEASURES, Arrival
from faircorner.vehicle import Vehicle

__all__ = ["Finish", "finish_at"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Finish:
    """Finishes of a batch of attempts.

    taped : each measure's figures by its name, (attempts,), SI, see `MEASURES`. Distances to the
        edge are from the near-side tyres' outer faces; the angle is off that edge, positive with
        the nose toward it; NaN where there is nothing to be measured to
    """

    taped: Mapping[str, Floats]

    def measure(self, name: str) -> Floats:
        """(attempts,), NaN for what was not taped."""
        found = self.taped.get(name)
        return np.full(self._count, np.nan) if found is None else found

    @property
    def _count(self) -> int:
        return len(next(iter(self.taped.values())))

    @property
    def kerb(self) -> Floats:
        """Mean of both wheels' distances, m: what calls and cues can move sideways."""
        return (self.taped["kerb_front"] + self.taped["kerb_rear"]) / 2

    def without(self, *names: str) -> "Finish":
        """The same with some measures not taken."""
        return Finish(taped={n: values for n, values in self.taped.items() if n not in names})


def finish_at(poses: Floats, vehicle: Vehicle, ground: Ground) -> Finish:
    """What a tape would read at poses (attempts, 3); working side on the left.

    Gaps ahead and behind are along the berth, to the vehicle's nearest point.
    """
    arrival = Arrival.at(poses, vehicle, ground.berth)
    return Finish(
        taped={m.name: m.taped(arrival) for m in MEASURES.values() if m.taped is not None}
    )
