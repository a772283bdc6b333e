"""What follows from a plan: other ways on, remedies, least sizes, predictions."""

from typing import Annotated, Literal

from faircorner.cues import Cure
from faircorner.learning import Sideways
from pydantic import BaseModel, Field

from server.documents.bodies import GroundBody
from server.long_work.schemas import WorkOut
from server.planning.schemas.plans import (
    ClearanceOut,
    FinishOut,
    LegOut,
    PathPoint,
    PlanIn,
    PlanOut,
    PoseOut,
)
from server.request_body import RequestBody
from server.said import SaidOut


class TighterOut(BaseModel):
    """A place a little tighter than the least, and the plan that fails there."""

    ground: GroundBody
    plan: PlanOut


class LeastSizeOut(BaseModel):
    """The least size of one thing that the method can use; metres null when none works."""

    what: Literal["gap", "bay width", "aisle", "road width"]
    metres: float | None
    tighter: TighterOut


class LeastSizesWorkOut(WorkOut):
    result: list[LeastSizeOut] | None


class PlayIn(PlanIn):
    """A plan, and one of its calls acted on late by so many metres, negative early."""

    call: int
    by_m: float


class PlayOut(BaseModel):
    """What followed; breaks is empty when nothing is met and every later call still comes."""

    finish: FinishOut
    breaks: SaidOut
    path: list[PathPoint]


class StepOut(LegOut):
    """A leg that is driven, and what is said before it."""

    say: SaidOut


class RescueOut(BaseModel):
    """How an attempt is saved from the call that went wrong; steps begin there."""

    cure: Cure
    said: SaidOut
    steps: list[StepOut]
    finish: FinishOut
    clearance: list[ClearanceOut]
    path: list[PathPoint]


class LeavingOut(BaseModel):
    """A way out: straight in a gear, then full lock to one side; null where not in one go."""

    way: Literal["left", "right"]
    gear: Literal["forward", "reverse"]
    then: Literal["forward", "reverse"]
    straight_m: float | None
    said: SaidOut


class RemedyOut(BaseModel):
    """The least single change that would do; option : the sheet's setting that makes it, if any."""

    what: Literal["gap", "start gap", "gap ahead", "aisle", "bay width", "road width"]
    to_m: float
    by_m: float
    option: Literal["gap_m", "ahead_m"] | None
    said: SaidOut


class RemedyWorkOut(WorkOut):
    """result is null until it is done, and then where no single change does."""

    result: RemedyOut | None


class PredictIn(RequestBody):
    """A call, how much late the vehicle stands at it, and other moments to be told beside it."""

    call: Annotated[int, Field(ge=1, le=40)]
    by_m: Annotated[float, Field(ge=-2, le=2)]
    others_m: Annotated[list[Annotated[float, Field(ge=-2, le=2)]], Field(max_length=4)] = []


class EndOut(BaseModel):
    """Where acting so much late would end."""

    by_m: float
    pose: PoseOut


class PredictOut(BaseModel):
    """A vehicle at a call: what follows from acting there stands first among the ends.

    tail : which way its tail goes first, to the working side or away from it
    """

    here: PoseOut
    ends: list[EndOut]
    tail: Sideways
