from datetime import datetime
from typing import Literal
from uuid import UUID

from faircorner.standards import Result
from pydantic import BaseModel

from server.planning.schemas.plans import FinishOut, PoseOut
from server.request_body import RequestBody
from server.said import SaidOut


class MarkOut(BaseModel):
    """One taped attempt: where it ended and what it came to. counted is false when it is void,
    or lacks a measure that the rest of the set has."""

    attempt: UUID
    started: datetime
    pose: PoseOut
    along_known: bool
    by_eye: bool
    finish: FinishOut
    outcome: Result
    met: bool
    counted: bool


class MeasureOut(BaseModel):
    """Bias and scatter of one measure against the plan; margin is half a 95 % interval."""

    measure: Literal["kerb_m", "angle_deg", "ahead_m", "behind_m"]
    plan: float
    bias: float
    margin: float
    scatter: float


class ChanceOut(BaseModel):
    """Of an attempt without a fault in its finish and without a touch; low and high : what so few
    attempts leave open, 90 %. Looks and time are not in it."""

    share: float
    low: float
    high: float


class AdviceOut(BaseModel):
    """One thing to do next, and why; chances are of an attempt without a fault."""

    kind: Literal["too few", "move cue", "look for it", "practise", "move on"]
    said: SaidOut
    because: SaidOut
    call: int | None
    by_m: float
    chance: ChanceOut
    chance_after: ChanceOut
    explained: float
    scatter_share: list[float]
    odds: float
    level: float
    needed: int


class SetOut(BaseModel):
    """All taped attempts on one cue sheet; mean : where those that count ended, in the mean.

    changes : what is another than on the sheet before it
    by_eye : how many of those that count were only looked at, which count half
    met : how many met the standard as far as they were watched; met_whole : and were watched whole
    """

    sheet_id: int
    created: datetime
    shifts_m: dict[str, float]
    changes: list[SaidOut]
    marks: list[MarkOut]
    met: int
    met_whole: int
    counted: int
    by_eye: int
    mean: PoseOut | None
    measures: list[MeasureOut]
    advice: AdviceOut | None


class SetsOut(BaseModel):
    items: list[SetOut]
    count: int


class TakeIn(RequestBody):
    sheet: int


class TakeOut(BaseModel):
    sheet_id: int
    call: int
    by_m: float
