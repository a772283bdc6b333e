"""What a vehicle nobody has measured in full is taken to be: the usual of its class.

Lengths that were measured are kept; marks and glass are placed by them as on an ordinary vehicle
of the class, and the document says that they are assumed.
"""

from dataclasses import dataclass
from typing import Annotated, Any, Literal, TypeAlias

from pydantic import Field

from faircorner.model import Metres, Model

__all__ = ["Measures", "UsualRequest", "VehicleClass", "glass_of", "marks_of", "usual_vehicle"]

VehicleClass: TypeAlias = Literal["car", "van", "rigid", "bus", "tractor"]
Place: TypeAlias = tuple[float, float, float]


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
class _Class:
    """An ordinary one.

    sill, roof : m above the ground, where glass begins and ends; lean : m that a side pane leans
    in between them; lock_turns, circle, tyre, cut : of steering, tyres and corners
    """

    measures: Measures
    sill: float
    roof: float
    lean: float
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


_CLASSES: dict[VehicleClass, _Class] = {
    "car": _Class(
        measures=_measures(4.30, 1.80, 2.05, 2.62, 0.88, 1.54, 1.53),
        sill=0.94, roof=1.40, lean=0.16, lock_turns=1.4, circle=10.8, tyre=0.20, cut=0.16,
    ),
    "van": _Class(
        measures=_measures(5.40, 2.00, 2.40, 3.30, 0.95, 1.72, 1.70),
        sill=1.25, roof=1.95, lean=0.10, lock_turns=1.6, circle=12.4, tyre=0.22, cut=0.15,
    ),
    "rigid": _Class(
        measures=_measures(8.50, 2.45, 2.95, 4.50, 1.35, 2.00, 1.85),
        sill=1.75, roof=2.50, lean=0.04, lock_turns=2.3, circle=16.5, tyre=0.28, cut=0.10,
    ),
    "bus": _Class(
        measures=_measures(10.8, 2.50, 3.00, 5.40, 2.60, 2.05, 1.85),
        sill=1.10, roof=2.30, lean=0.04, lock_turns=2.5, circle=18.5, tyre=0.28, cut=0.20,
    ),
    "tractor": _Class(
        measures=_measures(6.10, 2.50, 3.00, 3.75, 1.40, 2.05, 1.85),
        sill=1.95, roof=2.75, lean=0.03, lock_turns=2.2, circle=14.6, tyre=0.32, cut=0.10,
    ),
}  # fmt: skip


class UsualRequest(Model):
    """What has been measured of a new vehicle so far; what is left out is the class's usual."""

    name: Annotated[str, Field(max_length=120)] = ""
    kind: VehicleClass
    length_m: Metres | None = None
    width_m: Metres | None = None
    mirror_width_m: Metres | None = None
    wheelbase_m: Metres | None = None
    front_overhang_m: Metres | None = None
    track_front_m: Metres | None = None
    track_rear_m: Metres | None = None
    lock_turns: float | None = None
    kerb_circle_m: Metres | None = None


def usual_vehicle(asked: UsualRequest) -> dict[str, Any]:
    """A fair-corner/vehicle@2 document of what was measured, the rest as is usual."""
    usual = _CLASSES[asked.kind]
    given = asked.model_dump(exclude={"name", "kind", "lock_turns", "kerb_circle_m"})
    known = {name.removesuffix("_m"): value for name, value in given.items() if value is not None}
    measures = Measures(**{**_in_proportion(usual.measures, known), **known})
    return {
        "format": "fair-corner/vehicle@2",
        "name": asked.name,
        "class": asked.kind,
        **{f"{name}_m": value for name, value in _as_dict(measures).items()},
        "tyre_width_m": usual.tyre,
        "corner_cut_m": usual.cut,
        "steering": {
            "lock_turns": usual.lock_turns if asked.lock_turns is None else asked.lock_turns,
            "kerb_circle_m": usual.circle if asked.kerb_circle_m is None else asked.kerb_circle_m,
            "circles": [],
        },
        "trailer": None,
        "features": marks_of(asked.kind, measures),
        "glass": glass_of(asked.kind, measures),
        "assumed": ["marks", "glass", "tyre width", "corners"],
    }


def _in_proportion(usual: Measures, known: dict[str, float]) -> dict[str, float]:
    """All measures of a class, as much longer and wider as what is known of this vehicle."""
    scaled: dict[str, float] = {}
    for names in (("length", "wheelbase", "front_overhang"),
                  ("width", "mirror_width", "track_front", "track_rear")):  # fmt: skip
        grown = next((known[name] / getattr(usual, name) for name in names if name in known), 1.0)
        scaled |= {name: round(getattr(usual, name) * grown, 2) for name in names}
    return scaled


def _as_dict(measures: Measures) -> dict[str, float]:
    return {name: getattr(measures, name) for name in Measures.__slots__}


def marks_of(kind: VehicleClass, of: Measures, *, lift: float = 0.0) -> list[dict[str, Any]]:
    """Mirrors, handles, pillars and lamps on both flanks; lift : m higher than usual."""
    usual, wb = _CLASSES[kind], of.wheelbase
    # Level with the sill or about it, whatever the class.
    mirror, handle, pillar = usual.sill + 0.08, usual.sill - 0.04, usual.sill + 0.21
    if kind == "car":
        along = [
            ("door mirror", 0.76 * wb, mirror), ("front door handle", 0.44 * wb, handle),
            ("B-pillar", 0.395 * wb, pillar), ("rear door handle", 0.09 * wb, handle),
            ("C-pillar", 0.06 * wb, pillar), ("rear lamp", 0.06 + of.tail, 0.80),
        ]  # fmt: skip
    else:
        along = [
            ("door mirror", of.nose - 0.20, mirror + 0.2),
            ("front door handle", of.nose - 1.25, handle - 0.2),
            ("B-pillar", of.nose - 1.40, pillar), ("rear lamp", 0.06 + of.tail, 0.90),
        ]  # fmt: skip
    marks = []
    for side in (1, -1):
        edge = round(side * of.width / 2, 3)
        for name, x, z in along:
            place: dict[str, Any] = {
                "name": name, "x_m": round(x, 3), "y_m": edge, "z_m": round(z + lift, 3)
            }  # fmt: skip
            marks.append({**place, "role": "door mirror"} if name == "door mirror" else place)
    return marks


def glass_of(kind: VehicleClass, of: Measures, *, lift: float = 0.0) -> list[dict[str, Any]]:
    """Windscreen, rear window where there is one, and side panes; lift : m higher than usual."""
    wb, nose, tail = of.wheelbase, of.nose, of.tail
    if kind == "car":
        ends = [("windscreen", 0.86 * wb, 0.62 * wb), ("rear window", 0.22 + tail, 0.52 + tail)]
        sides = [
            ("front door glass", (0.41 * wb, 0.80 * wb), (0.43 * wb, 0.62 * wb)),
            ("rear door glass", (0.07 * wb, 0.38 * wb), (0.12 * wb, 0.40 * wb)),
            ("quarter glass", (-0.14 * wb, 0.05 * wb), (-0.06 * wb, 0.10 * wb)),
        ]
    else:
        # The driver sits over or before the front axle, behind them a wall.
        ends = [("windscreen", nose - 0.12, nose - 0.30)]
        sides = [("front door glass", (nose - 1.35, nose - 0.30), (nose - 1.30, nose - 0.50))]
    if kind == "bus":
        ends.append(("rear window", tail + 0.05, tail + 0.15))
    glass = [_end_pane(kind, of, lift, *end) for end in ends]
    return glass + [_side_pane(kind, of, lift, side, *pane) for side in (1, -1) for pane in sides]


def _pane(name: str, points: list[Place]) -> dict[str, Any]:
    return {"name": name, "polygon_m": [[round(v, 3) for v in p] for p in points]}


def _side_pane(
    kind: VehicleClass, of: Measures, lift: float, side: int, name: str,
    sill: tuple[float, float], roof: tuple[float, float],
) -> dict[str, Any]:  # fmt: skip
    """A side pane between two x at the sill and two at the roof, rearmost first."""
    usual = _CLASSES[kind]
    low, high = side * (of.width / 2 - 0.05), side * (of.width / 2 - 0.05 - usual.lean)
    z_low, z_high = usual.sill + lift, usual.roof + lift
    return _pane(
        name,
        [
            (sill[0], low, z_low),
            (sill[1], low, z_low),
            (roof[1], high, z_high),
            (roof[0], high, z_high),
        ],
    )


def _end_pane(
    kind: VehicleClass, of: Measures, lift: float, name: str, sill: float, roof: float
) -> dict[str, Any]:
    half, usual = of.width / 2 - 0.14, _CLASSES[kind]
    z_low, z_high = usual.sill + lift, usual.roof + lift - 0.03
    inward = 0.12 if kind == "car" else 0.02
    return _pane(
        name,
        [(sill, -half, z_low), (sill, half, z_low), (roof, half - inward, z_high),
         (roof, inward - half, z_high)],
    )  # fmt: skip
