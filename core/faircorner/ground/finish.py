"""Where a vehicle ended, in the measures a tape gives."""

from dataclasses import dataclass
from typing import Literal, TypeAlias, get_args

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.place import Ground
from faircorner.plane import Bools, Floats, to_site
from faircorner.vehicle import Vehicle

__all__ = ["MEASURES", "Band", "Finish", "Measure", "finish_at"]

Measure: TypeAlias = Literal["kerb_front", "kerb_rear", "angle", "ahead", "behind"]
MEASURES: tuple[Measure, ...] = get_args(Measure)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Finish:
    """Finishes of a batch of attempts, each (attempts,).

    kerb_front, kerb_rear : m from the near-side tyres' outer faces to the edge beside them: the
        kerb, or the bay's line
    angle : rad off that edge, positive with the nose toward it
    ahead, behind : m along it to what stands or ends there; NaN where nothing does
    """

    kerb_front: Floats
    kerb_rear: Floats
    angle: Floats
    ahead: Floats
    behind: Floats

    @property
    def kerb(self) -> Floats:
        """Mean of both wheels' distances, m: what calls and cues can move sideways."""
        return (self.kerb_front + self.kerb_rear) / 2

    def measure(self, name: Measure) -> Floats:
        return np.asarray(getattr(self, name))


@dataclass(frozen=True, slots=True, kw_only=True)
class Band:
    """A measure that must end between two limits, both included; SI, None for no limit."""

    measure: Measure
    low: float | None = None
    high: float | None = None

    def __post_init__(self) -> None:
        if self.low is not None and self.high is not None and self.low > self.high:
            raise InputError(self.measure, f"low {self.low:g} is above high {self.high:g}")

    def holds(self, finish: Finish) -> Bools:
        """Which attempts keep the limits; what is not there to be measured counts as kept."""
        values = finish.measure(self.measure)
        if self.measure == "angle":
            values = np.abs(values)
        low = -np.inf if self.low is None else self.low
        high = np.inf if self.high is None else self.high
        return np.asarray(np.isnan(values) | ((values >= low) & (values <= high)))


def finish_at(poses: Floats, vehicle: Vehicle, ground: Ground) -> Finish:
    """What a tape would read at poses (attempts, 3); working side on the left.

    Gaps ahead and behind are along the berth, to the vehicle's nearest point.
    """
    berth = ground.berth
    local = berth.local(poses)
    hubs = to_site(local, vehicle.hubs(side=1))
    return Finish(
        kerb_front=-hubs[:, 1, 1],
        kerb_rear=-hubs[:, 0, 1],
        angle=local[:, 2],
        ahead=berth.gap_to("ahead", poses, vehicle),
        behind=berth.gap_to("behind", poses, vehicle),
    )
