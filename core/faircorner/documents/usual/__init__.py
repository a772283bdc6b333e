"""What a vehicle nobody has measured in full is taken to be: the usual of its body.

Lengths that were measured are kept; marks, glass, mirrors and the outline from the side are placed
by them as on an ordinary vehicle of the body, and the document says that they are assumed.
"""

from typing import Annotated, Any

from pydantic import Field

from faircorner.documents.usual.bodies import (
    BODIES,
    BODY_SHAPES,
    BodyShape,
    Measures,
    VehicleClass,
)
from faircorner.documents.usual.glass import glass_of, roofline_of
from faircorner.documents.usual.marks import marks_of
from faircorner.documents.usual.mirrors import mirrors_of, usual_eye
from faircorner.model import Metres, Model
from faircorner.sides import Side

__all__ = [
    "BODIES",
    "BODY_SHAPES",
    "BodyShape",
    "Measures",
    "UsualRequest",
    "VehicleClass",
    "shape_of",
    "usual_eye",
    "usual_vehicle",
]


class UsualRequest(Model):
    """What has been measured of a new vehicle so far; what is left out is the body's usual.

    driver : the side they sit on
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
    lock_turns: float | None = None
    kerb_circle_m: Metres | None = None


def usual_vehicle(asked: UsualRequest) -> dict[str, Any]:
    """A fair-corner/vehicle@2 document of what was measured, the rest as is usual."""
    usual = BODIES[asked.shape]
    left_out = {"name", "shape", "driver", "lock_turns", "kerb_circle_m"}
    given = asked.model_dump(exclude=left_out)
    known = {name.removesuffix("_m"): value for name, value in given.items() if value is not None}
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
        "trailer": None,
        **shape_of(asked.shape, measures, asked.driver),
        "assumed": ["marks", "glass", "mirrors", "roofline", "tyre width", "corners"],
    }


def shape_of(shape: BodyShape, measures: Measures, driver: Side) -> dict[str, Any]:
    """What of a document a body gives to its measures: marks, glass, mirrors, roofline."""
    body = BODIES[shape]
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
