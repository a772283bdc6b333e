"""Questions about a vehicle alone, without a docket: hills, trailers, corners, small angles."""

from math import degrees, isnan
from typing import Any

from faircorner.cues import RADII, drift, rejoin, shuffle, wheel_round
from faircorner.documents.aids import hill_document, shuffle_document
from faircorner.documents.driving import BackingRequest, backing_document
from faircorner.documents.reading import read_document
from faircorner.vehicle import Vehicle
from ninja import Router

from server.aids.schemas import (
    BackingIn,
    BackingOut,
    CornerWheelIn,
    CornerWheelOut,
    DriftIn,
    DriftOut,
    HillIn,
    HillOut,
    RejoinIn,
    RejoinOut,
    ShuffleIn,
    ShuffleOut,
)
from server.documents.models import Kind, Revision
from server.schools.access import Caller

router = Router(tags=["aids"])

# Assumed of the hands while backing a trailer, turns of the wheel a metre; told on screen.
HANDS = 2.0


@router.post("/shuffle", response=list[ShuffleOut], operation_id="shuffle_ways")
def shuffle_ways(request: Caller, body: ShuffleIn) -> object:
    """Ways to move sideways along a kerb, from the smallest angle to the largest."""
    found = shuffle(
        _vehicle(request, body.vehicle), body.sideways_m,
        direction=1 if body.gear == "forward" else -1, way=body.way,
    )  # fmt: skip
    return [shuffle_document(one) for one in found]


@router.post("/drift", response=list[DriftOut], operation_id="drift_over")
def drift_over(request: Caller, body: DriftIn) -> object:
    """What small angles come to over a run."""
    return [
        {"angle_deg": round(degrees(angle), 6), "metres": round(metres, 4)}
        for angle, metres in drift(body.run_m)
    ]


@router.post("/rejoin", response=RejoinOut, operation_id="rejoin_ways")
def rejoin_ways(request: Caller, body: RejoinIn) -> object:
    """From beside the kerb opposite back to one's own side of the road."""
    ground = read_document("ground", _body(request, Kind.GROUND, body.ground)).build()
    across, ways = rejoin(_vehicle(request, body.vehicle), ground.road_width)
    return {"across_m": across, "ways": [shuffle_document(one) for one in ways]}


@router.post("/corner-wheel", response=list[CornerWheelOut], operation_id="corner_wheel")
def corner_wheel(request: Caller, body: CornerWheelIn) -> object:
    """How much wheel holds the distance round corners of several radii."""
    vehicle = _vehicle(request, body.vehicle)
    found = ((radius, wheel_round(vehicle, radius, body.kerb_m)) for radius in RADII)
    return [{"radius_m": radius, "turns": None if isnan(t) else t} for radius, t in found]


@router.post("/backing", response=BackingOut, operation_id="backing_drive")
def backing_drive(request: Caller, body: BackingIn) -> object:
    """Back a trailer: where both units go, and how its errors grow."""
    legs = [{**leg.model_dump(), "turns_per_metre": HANDS} for leg in body.legs]
    return backing_document(
        BackingRequest.read(
            {"vehicle": _body(request, Kind.VEHICLE, body.vehicle), "bend_deg": body.bend_deg,
             "lane_m": body.lane_m,
             "legs": legs}
        )
    )  # fmt: skip


def _body(request: Caller, kind: Kind, revision: int) -> dict[str, Any]:
    found = Revision.objects.get(pk=revision, document__school=request.school, document__kind=kind)
    body: dict[str, Any] = found.body
    return body


def _vehicle(request: Caller, revision: int) -> Vehicle:
    return read_document("vehicle", _body(request, Kind.VEHICLE, revision)).build()


@router.post("/hill", response=HillOut, operation_id="hill_roll")
def hill_roll(request: Caller, body: HillIn) -> object:
    """How to leave the wheels on a hill, by letting the vehicle roll each way."""
    return hill_document(
        _vehicle(request, body.vehicle),
        side=body.side,
        gap=body.gap_m,
        facing=body.facing,
        kerb=body.kerb,
    )
