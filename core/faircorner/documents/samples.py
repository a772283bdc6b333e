"""Invented cars, each measured as a school would: tape, chalk, and circles at full lock."""

from dataclasses import dataclass
from typing import Any, Literal

from faircorner.documents.usual import BODIES, BodyShape, Measures, shape_of
from faircorner.sides import Side

__all__ = [
    "HERON",
    "LINNET",
    "LINNET_AND_CARAVAN",
    "PLOVER",
    "SORREL",
    "TRACTOR_AND_SEMI",
    "Car",
    "seat_document",
    "vehicle_document",
]


@dataclass(frozen=True, slots=True, kw_only=True)
class Car:
    """The few measures from which a demo car's document is written out."""

    name: str
    body: BodyShape
    length: float
    width: float
    mirror_width: float
    wheelbase: float
    front_overhang: float
    track: float
    lock_turns: float
    kerb_circle: float
    part_lock: tuple[float, float] | None
    drives_on: Literal["left", "right"]

    @property
    def driver(self) -> Side:
        return "right" if self.drives_on == "left" else "left"

    @property
    def driver_side(self) -> int:
        """+1 when the driver sits on the left."""
        return -1 if self.drives_on == "left" else 1


LINNET = Car(
    name="Linnet hatch", body="small hatch",
    length=4.07, width=1.75, mirror_width=2.00, wheelbase=2.55,
    front_overhang=0.82, track=1.50, lock_turns=1.4, kerb_circle=10.4, part_lock=(0.7, 19.4),
    drives_on="left",
)  # fmt: skip
HERON = Car(
    name="Heron estate", body="estate",
    length=4.69, width=1.83, mirror_width=2.08, wheelbase=2.73,
    front_overhang=0.92, track=1.56, lock_turns=1.35, kerb_circle=11.2, part_lock=None,
    drives_on="left",
)  # fmt: skip
SORREL = Car(
    name="Sorrel crossover", body="SUV",
    length=4.38, width=1.84, mirror_width=2.10, wheelbase=2.64,
    front_overhang=0.88, track=1.58, lock_turns=1.5, kerb_circle=10.9, part_lock=None,
    drives_on="left",
)  # fmt: skip
PLOVER = Car(
    name="Plover saloon", body="saloon",
    length=4.55, width=1.81, mirror_width=2.06, wheelbase=2.68,
    front_overhang=0.90, track=1.55, lock_turns=1.45, kerb_circle=11.0, part_lock=None,
    drives_on="right",
)  # fmt: skip


def vehicle_document(car: Car) -> dict[str, Any]:
    """The car as a fair-corner/vehicle@2 document, its marks and glass measured as are a car's."""
    part = car.part_lock
    measures = Measures(
        length=car.length, width=car.width, mirror_width=car.mirror_width,
        wheelbase=car.wheelbase, front_overhang=car.front_overhang,
        track_front=car.track, track_rear=round(car.track - 0.02, 3),
    )  # fmt: skip
    return {
        "format": "fair-corner/vehicle@2",
        "name": car.name,
        "class": "car",
        "shape": car.body,
        "length_m": car.length,
        "width_m": car.width,
        "mirror_width_m": car.mirror_width,
        "wheelbase_m": car.wheelbase,
        "front_overhang_m": car.front_overhang,
        "track_front_m": car.track,
        "track_rear_m": measures.track_rear,
        "tyre_width_m": 0.2,
        "corner_cut_m": 0.16,
        "steering": {
            "lock_turns": car.lock_turns,
            "kerb_circle_m": car.kerb_circle,
            "circles": [{"turns": part[0], "kerb_circle_m": part[1]}] if part else [],
        },
        "trailer": None,
        **shape_of(car.body, measures, car.driver),
    }


def seat_document(car: Car, name: str, *, back: float, height: float) -> dict[str, Any]:
    """A seat: how far back (m from its usual place) and how high the eye is."""
    x, y = 0.47 * car.wheelbase - back, car.driver_side * 0.37
    # Told above an ordinary car's sill, wherever this one's is.
    height = round(height + BODIES[car.body].sill - BODIES["small hatch"].sill, 3)
    return {
        "format": "fair-corner/seat@1",
        "name": name,
        "eye": {"x_m": round(x, 3), "y_m": round(y, 3), "z_m": height},
        "eye_looking_back": {
            "x_m": round(x + 0.08, 3),
            "y_m": round(car.driver_side * 0.25, 3),
            "z_m": round(height + 0.01, 3),
        },
    }


LINNET_AND_CARAVAN: dict[str, Any] = {
    **vehicle_document(LINNET),
    "name": "Linnet with the caravan",
    "trailer": {
        "hitch_ahead_of_axle_m": -0.86, "kingpin_to_axle_m": 3.7, "length_m": 4.9,
        "width_m": 2.1, "front_of_kingpin_m": -1.1, "max_articulation_deg": 62.0,
    },
}  # fmt: skip
_BOULDER = Measures(
    length=6.1, width=2.5, mirror_width=3.0, wheelbase=3.75, front_overhang=1.4,
    track_front=2.05, track_rear=1.85,
)  # fmt: skip
TRACTOR_AND_SEMI: dict[str, Any] = {
    "format": "fair-corner/vehicle@2",
    "name": "Boulder tractor, long semi-trailer",
    "class": "tractor",
    "shape": "sleeper",
    **{f"{name}_m": getattr(_BOULDER, name) for name in Measures.__slots__},
    "tyre_width_m": 0.32,
    "corner_cut_m": 0.1,
    "steering": {"lock_turns": 2.2, "kerb_circle_m": 14.6, "circles": []},
    "trailer": {
        "hitch_ahead_of_axle_m": 0.6, "kingpin_to_axle_m": 7.7, "length_m": 13.4,
        "width_m": 2.55, "front_of_kingpin_m": 1.5, "max_articulation_deg": 80.0,
    },
    **shape_of("sleeper", _BOULDER, "left"),
}  # fmt: skip
