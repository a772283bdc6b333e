from datetime import datetime
from typing import Annotated
from uuid import UUID

from faircorner.standards import Result
from ninja import Schema
from pydantic import BaseModel, Field

from server.request_body import RequestBody

Because = Annotated[str, Field(min_length=1, max_length=300)]


class PoolAsked(Schema):
    """Whose sheets a test may be drawn from, by which standard's rule (its document)."""

    learner: int
    standard: int


class PoolSheet(BaseModel):
    """A sheet that may be drawn."""

    sheet_id: int
    method: str
    ground: str
    vehicle: str
    reverse: bool


class MockIn(RequestBody):
    """A test to be drawn; sheets : some of the pool, empty all of it."""

    learner: int
    standard: int
    sheets: Annotated[list[int], Field(max_length=40)] = []


class CancelIn(RequestBody):
    """Which of the exercises cannot take place, from 0 on, and why."""

    exercise: Annotated[int, Field(ge=0, le=200)]
    because: Because


class GiveUpIn(RequestBody):
    because: Because


class MockExercise(BaseModel):
    """One of a test's; outcome is null until it is taped, cancelled empty where it counts."""

    sheet_id: int
    method: str
    ground: str
    vehicle: str
    cancelled: str
    attempt_id: UUID | None
    outcome: Result | None
    small: int | None
    serious: int | None
    points: int | None


class SoFarOut(BaseModel):
    """Faults added over what is taped; repeated : what failed by being seen again and again."""

    outcome: Result
    met: bool
    small: int
    serious: int
    points: int
    repeated: list[str]
    whole: bool


class MockOut(BaseModel):
    """A mock test; outcome is null until it is decided, so_far until anything of it is taped."""

    id: int
    learner_id: int
    learner: str
    instructor: str
    standard: str
    authority: str
    dated: str
    started: datetime
    given_up: datetime | None
    given_up_because: str
    exercises: list[MockExercise]
    left: int
    small_allowed: int | None
    points_allowed: int | None
    so_far: SoFarOut | None
    outcome: Result | None
