"""What a vehicle nobody has measured in full is taken to be: the usual of its body.

Lengths that were measured are kept; marks, glass, mirrors and the outline from the side are placed
by them as on an ordinary vehicle of the body, and the document says that they are assumed.
"""

from dataclasses import replace
from typing import Annotated, Any

from pydantic import Field

from faircorner.documents.usual.bodies import (
    BODIES,
    BODY_SHAPES,
    Body,
    BodyShape,
    Measures,
    VehicleClass,
)
from faircorner.documents.usual.glass import glass_of, roofline_of
from faircorner.documents.usual.marks import marks_of
from faircorner.documents.usual.mirrors import mirrors_of, usual_eye
from faircorner.documents.usual.more_mirrors import more_mirrors
from faircorner.documents.usual.slips import Slip, slips
from faircorner.documents.usual.towed import TowedRequest, towed
from faircorner.model import Metres, Model
from faircorner.sides import Side

__all__ = [
    "BODIES",
    "BODY_SHAPES",
    "Body",
    "BodyShape",
    "Measures",
    "Slip",
    "UsualRequest",
    "VehicleClass",
    "more_mirrors",
    "shape_of",
    "slips",
    "slips_of",
    "usual_eye",
    "usual_vehicle",
]


# The least height of a pane, m.
_PANE = 0.25


class UsualRequest(Model):
    """What has been measured of a new vehicle so far; what is left out is the body's usual.

    driver : the side they sit on; height : of the roof; sill : of the driver's window
    """

    name: Annotated[str, Field(max_length=120)] = ""
    shape: BodyShape
    driver: Side = "right"
    length_m: Metres | None = None
    width_m: Metres | None = None
    mirror_width_m: Metres | None = None
    wheelbase_m: Metres | None = None
    front_overhang_m: Metres | None = None
    track_front_m: Metres | None = None
    track_rear_m: Metres | None = None
    height_m: Metres | None = None
    sill_m: Metres | None = None
    lock_turns: float | None = None
    kerb_circle_m: Metres | None = None
    tows: TowedRequest | None = None

    def measured(self) -> dict[str, float]:
        """What the tape has said so far, by field."""
        asked = self.model_dump(exclude={"name", "shape", "driver", "tows"})
        return {name: value for name, value in asked.items() if value is not None}


def slips_of(asked: UsualRequest) -> list[Slip]:
    """Of what was measured the likely slips, held against the usual of the body."""
    usual = BODIES[asked.shape]
    lengths = {f"{name}_m": getattr(usual.measures, name) for name in Measures.__slots__}
    known = {**lengths, "height_m": usual.top, "sill_m": usual.sill,
             "lock_turns": usual.lock_turns, "kerb_circle_m": usual.circle}  # fmt: skip
    return slips(asked.measured(), known)


def usual_vehicle(asked: UsualRequest) -> dict[str, Any]:
    """A fair-corner/vehicle@2 document of what was measured, the rest as is usual."""
    usual = _as_tall(asked)
    given = {name.removesuffix("_m"): value for name, value in asked.measured().items()}
    known = {name: value for name, value in given.items() if name in Measures.__slots__}
    measures = Measures(**{**_in_proportion(usual.measures, known), **known})
    return {
        "format": "fair-corner/vehicle@2",
        "name": asked.name,
        "class": usual.kind,
        "shape": asked.shape,
        **{f"{name}_m": getattr(measures, name) for name in Measures.__slots__},
        "tyre_width_m": usual.tyre,
        "corner_cut_m": usual.cut,
        "steering": {
            "lock_turns": usual.lock_turns if asked.lock_turns is None else asked.lock_turns,
            "kerb_circle_m": usual.circle if asked.kerb_circle_m is None else asked.kerb_circle_m,
            "circles": [],
        },
        "trailer": None if asked.tows is None else towed(asked.tows, measures),
        "height_m": asked.height_m,
        **_shape(usual, measures, asked.driver),
        "assumed": [
            *("marks", "glass", "mirrors", "roofline", "tyre width", "corners"),
            *([] if asked.tows is None else ["trailer"]),
        ],
    }


def _as_tall(asked: UsualRequest) -> Body:
    """The body with its heights as they were measured, the others in proportion."""
    usual = BODIES[asked.shape]
    grown = 1.0 if asked.height_m is None else asked.height_m / usual.top
    sill = usual.sill * grown if asked.sill_m is None else asked.sill_m
    roof = max(usual.roof * grown, sill + _PANE)
    return replace(usual, sill=sill, roof=roof, top=max(usual.top * grown, roof + 0.03))


def shape_of(shape: BodyShape, measures: Measures, driver: Side) -> dict[str, Any]:
    """What of a document a body gives to its measures: marks, glass, mirrors, roofline."""
    return _shape(BODIES[shape], measures, driver)


def _shape(body: Body, measures: Measures, driver: Side) -> dict[str, Any]:
    return {
        "features": marks_of(body, measures),
        "glass": glass_of(body, measures),
        "mirrors": mirrors_of(body, measures, driver),
        "roofline_m": roofline_of(body, measures),
    }


def _in_proportion(usual: Measures, known: dict[str, float]) -> dict[str, float]:
    """All measures of a body, as much longer and wider as what is known of this vehicle."""
    scaled: dict[str, float] = {}
    for names in (("length", "wheelbase", "front_overhang"),
                  ("width", "mirror_width", "track_front", "track_rear")):  # fmt: skip
        grown = next((known[name] / getattr(usual, name) for name in names if name in known), 1.0)
        scaled |= {name: round(getattr(usual, name) * grown, 2) for name in names}
    return scaled
