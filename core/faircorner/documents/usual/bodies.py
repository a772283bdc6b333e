"""The bodies there are, each as an ordinary one is built. Invented, of no make."""

from dataclasses import dataclass
from typing import Literal, TypeAlias, get_args

__all__ = ["BODIES", "BODY_SHAPES", "Body", "BodyShape", "Measures", "VehicleClass"]

VehicleClass: TypeAlias = Literal["car", "van", "rigid", "bus", "tractor"]
BodyShape: TypeAlias = Literal[
    "small hatch", "saloon", "estate", "SUV", "van", "rigid", "bus", "day cab", "sleeper"
]
BODY_SHAPES: tuple[BodyShape, ...] = get_args(BodyShape)


@dataclass(frozen=True, slots=True, kw_only=True)
class Measures:
    """What the tape says of a vehicle from above, m."""

    length: float
    width: float
    mirror_width: float
    wheelbase: float
    front_overhang: float
    track_front: float
    track_rear: float

    @property
    def tail(self) -> float:
        return self.wheelbase + self.front_overhang - self.length

    @property
    def nose(self) -> float:
        return self.wheelbase + self.front_overhang


@dataclass(frozen=True, slots=True, kw_only=True)
class Body:
    """An ordinary one of its shape; heights above the ground, m.

    kind : its class; bonnet : whether the driver sits behind one, as in a car
    sill, roof : where glass begins and ends; top : of the body, over the load where that is higher
    lean : how far a side pane leans in between sill and roof
    rear : of a rear window, how far ahead of the tail it begins and ends; None without one
    deck : of what lies flat behind the cabin, a boot lid or a frame; None where the cabin goes on
    cab : how far behind the nose the cab ends, where the load is apart from it
    lock_turns, circle, tyre, cut : of steering, tyres and corners
    """

    kind: VehicleClass
    measures: Measures
    bonnet: bool
    sill: float
    roof: float
    top: float
    lean: float
    rear: tuple[float, float] | None
    deck: float | None
    cab: float | None
    lock_turns: float
    circle: float
    tyre: float
    cut: float


def _measures(*values: float) -> Measures:
    length, width, mirror_width, wheelbase, front_overhang, track_front, track_rear = values
    return Measures(
        length=length, width=width, mirror_width=mirror_width, wheelbase=wheelbase,
        front_overhang=front_overhang, track_front=track_front, track_rear=track_rear,
    )  # fmt: skip


BODIES: dict[BodyShape, Body] = {
    "small hatch": Body(
        kind="car", measures=_measures(4.00, 1.75, 2.00, 2.53, 0.81, 1.50, 1.49), bonnet=True,
        sill=0.94, roof=1.40, top=1.47, lean=0.16, rear=(0.22, 0.52), deck=None, cab=None,
        lock_turns=1.4, circle=10.4, tyre=0.20, cut=0.16,
    ),
    "saloon": Body(
        kind="car", measures=_measures(4.55, 1.81, 2.06, 2.68, 0.90, 1.55, 1.54), bonnet=True,
        sill=0.93, roof=1.37, top=1.44, lean=0.17, rear=(0.68, 1.25), deck=0.96, cab=None,
        lock_turns=1.45, circle=11.0, tyre=0.20, cut=0.16,
    ),
    "estate": Body(
        kind="car", measures=_measures(4.68, 1.83, 2.08, 2.73, 0.92, 1.56, 1.55), bonnet=True,
        sill=0.94, roof=1.40, top=1.49, lean=0.16, rear=(0.12, 0.38), deck=None, cab=None,
        lock_turns=1.4, circle=11.1, tyre=0.21, cut=0.16,
    ),
    "SUV": Body(
        kind="car", measures=_measures(4.40, 1.84, 2.10, 2.65, 0.88, 1.58, 1.57), bonnet=True,
        sill=1.10, roof=1.56, top=1.65, lean=0.16, rear=(0.18, 0.46), deck=None, cab=None,
        lock_turns=1.5, circle=10.9, tyre=0.22, cut=0.16,
    ),
    "van": Body(
        kind="van", measures=_measures(5.40, 2.00, 2.40, 3.30, 0.95, 1.72, 1.70), bonnet=True,
        sill=1.25, roof=1.85, top=2.30, lean=0.10, rear=None, deck=None, cab=None,
        lock_turns=1.6, circle=12.4, tyre=0.22, cut=0.15,
    ),
    "rigid": Body(
        kind="rigid", measures=_measures(8.50, 2.45, 2.95, 4.50, 1.35, 2.00, 1.85), bonnet=False,
        sill=1.75, roof=2.50, top=3.45, lean=0.04, rear=None, deck=None, cab=1.75,
        lock_turns=2.3, circle=16.5, tyre=0.28, cut=0.10,
    ),
    "bus": Body(
        kind="bus", measures=_measures(10.8, 2.50, 3.00, 5.40, 2.60, 2.05, 1.85), bonnet=False,
        sill=1.10, roof=2.30, top=3.00, lean=0.04, rear=(0.05, 0.15), deck=None, cab=None,
        lock_turns=2.5, circle=18.5, tyre=0.28, cut=0.20,
    ),
    "day cab": Body(
        kind="tractor", measures=_measures(5.90, 2.50, 3.00, 3.60, 1.40, 2.05, 1.85),
        bonnet=False, sill=1.95, roof=2.75, top=2.95, lean=0.03, rear=None, deck=1.05, cab=1.70,
        lock_turns=2.2, circle=14.2, tyre=0.32, cut=0.10,
    ),
    "sleeper": Body(
        kind="tractor", measures=_measures(6.10, 2.50, 3.00, 3.75, 1.40, 2.05, 1.85),
        bonnet=False, sill=1.95, roof=2.75, top=3.60, lean=0.03, rear=None, deck=1.05, cab=2.25,
        lock_turns=2.2, circle=14.6, tyre=0.32, cut=0.10,
    ),
}  # fmt: skip
