"""Readings of a finish, where the vehicle stood, and how well people agree."""

from datetime import datetime
from typing import Annotated, Any, Literal

from faircorner.standards import Result
from faircorner.tape import TAPE_SIGMA, Glance
from ninja import Schema
from pydantic import BaseModel, Field

from server.lessons.schemas.notes import Line
from server.lessons.schemas.verdicts import VerdictOut
from server.planning.schemas.plans import ClearanceOut, DimensionOut, FinishOut, PathPoint, PoseOut
from server.planning.schemas.what_follows import StepOut
from server.request_body import RequestBody
from server.said import SaidOut


class ReadIn(RequestBody):
    """Readings in metres, whichever there are: as they are typed, or as somebody says them."""

    kerb_front_m: Annotated[float | None, Field(allow_inf_nan=False)] = None
    kerb_rear_m: Annotated[float | None, Field(allow_inf_nan=False)] = None
    ahead_m: Annotated[float | None, Field(allow_inf_nan=False)] = None
    behind_m: Annotated[float | None, Field(allow_inf_nan=False)] = None


class TapedIO(ReadIn):
    """Readings in metres, null where nobody taped; by_eye : what was only looked at, against what
    the plan has. Each wheel needs the one or the other.
    """

    by_eye: dict[Literal["kerb_front", "kerb_rear", "ahead", "behind"], Glance] = {}

    @property
    def readings(self) -> dict[str, Any]:
        """As they are kept: of an eye nothing where it told nothing."""
        told = self.model_dump(include=set(TapedIO.model_fields))
        return told if self.by_eye else {n: value for n, value in told.items() if n != "by_eye"}


class DoubtOut(BaseModel):
    """What is to be asked about a reading; possible : whether it may be so all the same."""

    reading: Literal["kerb_front_m", "kerb_rear_m", "ahead_m", "behind_m"]
    said: SaidOut
    possible: bool


class TapingIn(TapedIO):
    """Readings to be kept; in place of others, with how many there were, and why."""

    based_on: Annotated[int, Field(ge=0)] = 0
    why: Line = ""


class TapingOut(Schema):
    """Readings that hold or held, and of a correction why."""

    by: str = Field(alias="author.name")
    at: datetime = Field(alias="made")
    readings: TapedIO
    why: str


class ComparedOut(BaseModel):
    """What a second person taped of the same finish: by reading, how much more it reads."""

    by: str
    at: datetime
    than: str
    readings: TapedIO
    more: dict[str, float]
    outcome: Result
    same_outcome: bool


class PairOut(BaseModel):
    """What `other` reads more than `one`, and where 95 % of the differences lie about that."""

    one: str
    other: str
    what: Literal["wheel", "gap"]
    count: int
    more_m: float
    low_m: float | None
    high_m: float | None
    between_m: float | None
    biased: bool


class OneReadingOut(BaseModel):
    """One standard deviation of a single reading; null where too few were taped twice."""

    wheel: float | None
    gap: float | None


class AgreementOut(BaseModel):
    """How well the school's people tape alike, beside what is assumed of a tape."""

    attempts: int
    same_outcome: int
    assumed_m: float
    one_reading_m: OneReadingOut
    pairs: list[PairOut]


class TapeOut(BaseModel):
    """Where the vehicle stands, and the verdict. along_known is false when x is only assumed.

    dimensions : where the tape was held; empty in what was kept before they were told
    reading_sigma_m : assumed of each reading; by_eye : the readings that were only looked at
    """

    pose: PoseOut
    dimensions: list[DimensionOut] = []
    along_known: bool
    by_eye: list[str] = []
    reading_sigma_m: float = TAPE_SIGMA
    sigma_across_m: float
    sigma_angle_deg: float
    finish: FinishOut
    verdict: VerdictOut


class MendOut(BaseModel):
    """The fewest movements that put a finish right, and where they lead."""

    movements: list[Literal["forward", "reverse"]]
    steps: list[StepOut]
    finish: FinishOut
    clearance: list[ClearanceOut]
    path: list[PathPoint]


class PoseIO(RequestBody):
    x_m: Annotated[float, Field(ge=-500, le=500, allow_inf_nan=False)]
    y_m: Annotated[float, Field(ge=-500, le=500, allow_inf_nan=False)]
    heading_deg: Annotated[float, Field(ge=-720, le=720, allow_inf_nan=False)]


class StoodIn(RequestBody):
    """Where a vehicle stands; with what is said of it, where it is moved from."""

    pose: PoseIO
    readings: ReadIn | None = None


class StoodOut(BaseModel):
    """Where it stands and what a tape would read there; of what was said, just that."""

    pose: PoseOut
    readings: ReadIn


class StatedOut(BaseModel):
    """Where the learner said that it stood, and when."""

    at: datetime
    readings: ReadIn
    pose: PoseOut
    finish: FinishOut


class OffOut(BaseModel):
    """What was said more than was taped; null where either is not known."""

    kerb_m: float | None
    angle_deg: float | None
    ahead_m: float | None
    behind_m: float | None


class EyeOfOut(BaseModel):
    """How far off a learner says one measure: the mean, its 95 % interval, and one deviation.

    measure : "kerb_m" is the distance to the edge of both wheels together; biased : whether it is
    more than chance would make it
    """

    measure: Literal["kerb_m", "angle_deg", "ahead_m", "behind_m"]
    count: int
    bias: float
    spread: float | None
    low: float | None
    high: float | None
    biased: bool
