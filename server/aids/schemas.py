from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from server.planning.schemas.plans import PathPoint, PoseOut
from server.request_body import RequestBody


class HillIn(RequestBody):
    """A vehicle parked on a hill. facing : which way its nose points; kerb : or only an edge."""

    vehicle: int
    side: Literal["left", "right"]
    facing: Literal["up", "down"]
    kerb: bool
    gap_m: float = 0.25


class RollOut(Schema):
    """Where a roll ends with the wheels left one way; angle between tyre and kerb.

    out_m : how much farther out in the road than before one end of it then stands
    """

    way: Literal["toward", "away", "straight"]
    end: Literal["held by the kerb", "against the kerb", "off the road", "into the road",
                 "on down the hill"]  # fmt: skip
    metres: float
    tyre: Literal["front", "rear"] | None
    angle_deg: float
    out_m: float
    out_end: Literal["nose", "tail"]
    turns: float
    wheel_deg: float
    start: PoseOut
    final: PoseOut
    path_m: list[tuple[float, float]]


class RollAssumed(Schema):
    """So far out of its place it counts as in the road; at this angle a kerb holds a tyre."""

    into_m: float
    holds_deg: float


class HillOut(Schema):
    best: Literal["toward", "away", "straight"]
    assumed: RollAssumed
    ways: list[RollOut]


class BackingLeg(RequestBody):
    gear: Literal["forward", "reverse"]
    turns: float
    metres: float


class BackingIn(RequestBody):
    """A vehicle that draws a trailer bent by an angle, and what is done with it."""

    vehicle: int
    bend_deg: float
    lane_m: float = 4.0
    legs: Annotated[list[BackingLeg], Field(max_length=120)]


class BackingPoint(PathPoint):
    trailer_heading_deg: float


class GrownOut(Schema):
    metres: float
    bend_deg: float | None


class LaneOut(Schema):
    """How far inside the lane both units stayed, negative outside, and where that was least."""

    inside_m: float
    s_m: float


class GrowthOut(Schema):
    """A small error, and what straight backing makes of it; null once the units touch."""

    bend_deg: float
    after: list[GrownOut]


class BackingOut(Schema):
    """Where both units went. shows_on : the side on which the trailer stands out

    holding_turns : the wheel at which the bend stays as it is, null past the lock
    no_return_deg : the bend past which only pulling forward helps
    """

    path: list[BackingPoint]
    jack_knifed_at_s_m: float | None
    bend_deg: float
    shows_on: Literal["left", "right"] | None
    holding_turns: float | None
    doubles_every_m: float
    no_return_deg: float
    lane: LaneOut
    growth: list[GrowthOut]


class CornerWheelIn(RequestBody):
    """How far off a curved kerb the near rear tyre is to keep."""

    vehicle: int
    kerb_m: float


class CornerWheelOut(Schema):
    """The wheel that holds the distance round a corner; null where the lock is not enough."""

    radius_m: float
    turns: float | None


class ShuffleIn(RequestBody):
    """How far sideways to move along a kerb, and how."""

    vehicle: int
    sideways_m: float
    gear: Literal["forward", "reverse"]
    way: Literal["toward", "away"]


class DriftIn(RequestBody):
    """How many metres are run beside a kerb."""

    run_m: Annotated[float, Field(ge=0, le=200, allow_inf_nan=False)]


class DriftOut(Schema):
    """What a small angle comes to sideways."""

    angle_deg: float
    metres: float


class RejoinIn(RequestBody):
    """A vehicle beside the kerb opposite, and the road."""

    vehicle: int
    ground: int


class ShuffleOut(Schema):
    """reach_m : how far the end that leads out swings the other way first."""

    angle_deg: float
    turns: float
    straight_m: float
    metres: float
    reach_m: float


class RejoinOut(Schema):
    """Back to one's own side: so far across, and ways to go there."""

    across_m: float
    ways: list[ShuffleOut]
