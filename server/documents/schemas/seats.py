"""Aids of the Seat station: circles, eye points, what is seen around a vehicle."""

from typing import Annotated, Any, Literal, TypeAlias

from faircorner.documents.eyes import SeatRequest
from faircorner.documents.vehicle import EyeBy
from ninja import Schema
from pydantic import Field

from server.documents.bodies import (
    MirrorBody,
    UnnamedVehicleBody,
)
from server.request_body import RequestBody
from server.said import SaidOut


class SlipOut(Schema):
    """A measure that is unlike such a body, and what it would be without the likely slip."""

    field: str
    said: SaidOut
    instead: float | None


class UsualOut(Schema):
    body: UnnamedVehicleBody
    slips: list[SlipOut]


class ArcIn(RequestBody):
    """Three chalk marks on part of a circle: how far the outer ones are apart, and how far the
    middle one stands off the line between them.
    """

    chord_m: Annotated[float, Field(gt=0, le=60)]
    rise_m: Annotated[float, Field(gt=0, le=20)]


class CircleOut(Schema):
    kerb_circle_m: float
    uncertain_m: float


class PlaceOut(Schema):
    x_m: float
    y_m: float
    z_m: float


class EyeIn(SeatRequest):
    """A vehicle as it is measured or being changed, and the readings of an eye in it."""

    vehicle: dict[str, Any]


class EyeOut(Schema):
    """An eye in the vehicle's frame, how it was found, and how far off it may be."""

    eye: PlaceOut
    eye_by: EyeBy
    uncertain_m: PlaceOut
    slips: list[SlipOut]


class AroundIn(RequestBody):
    """A vehicle and a seat in it as documents, kept or being changed."""

    vehicle: dict[str, Any]
    seat: dict[str, Any]


class MoreMirrorsOut(Schema):
    mirrors: list[MirrorBody]


Outlines: TypeAlias = list[list[tuple[float, float]]]


class MirrorViewOut(Schema):
    """A mirror as this driver sets it, and what it shows of the ground.

    beside : whether it is one that shows what is beside the vehicle
    begins_m : x from which on it shows the ground close beside the flank, null where it does not
    """

    name: str
    said: SaidOut
    ground_m: Outlines
    beside: bool
    begins_m: float | None


class NearestOut(Schema):
    """How near on one side ground is seen, m off the body; null where none is within reach."""

    side: Literal["front", "rear", "left", "right"]
    direct_m: float | None
    seen_m: float | None


class HeightsOut(Schema):
    """How tall something may be and still be hidden: rows along x, null under the vehicle.

    tallest_m : as tall as was tried
    """

    corner_m: tuple[float, float]
    step_m: float
    tallest_m: float
    least_m: list[list[float | None]]


class AroundAssumed(Schema):
    """How far round a driver sees, facing forward and turned to look back; how far off the
    nearest ground was looked for.
    """

    turn_deg: int
    back_deg: int
    looked_m: float


class CameraViewOut(Schema):
    """What a rear camera shows of the ground; begins_m : behind the end, in the middle."""

    ground_m: Outlines
    begins_m: float | None


class AroundOut(Schema):
    """What a driver sees of the ground round the vehicle; outlines in the vehicle's frame.

    turned_round : whether the eye was measured that looks back
    """

    direct_m: Outlines
    hidden_m: Outlines
    mirrors: list[MirrorViewOut]
    camera: CameraViewOut | None
    nearest: list[NearestOut]
    heights: HeightsOut
    assumed: AroundAssumed
    turned_round: bool
