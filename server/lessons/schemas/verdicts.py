"""Verdicts of a standard on an attempt, and trials of a standard."""

from datetime import datetime
from typing import Annotated, Any, Literal, Self
from uuid import UUID

from faircorner.documents.judging import NotedModel
from faircorner.standards import MET, AtEnd, Grade, Observed, Passed, Phase, Result
from faircorner.standards import When as WhenFault
from pydantic import BaseModel, Field, model_validator

from server.planning.schemas.plans import LookKind
from server.request_body import RequestBody

Bounds = tuple[float | None, float | None]


class FindingOut(BaseModel):
    """One rule beside what was found; value null where it was not measured, noted or watched.

    rule : which kind it is; a limit has a measure and its ranges ([low, high], null for an open end
    or no such grade), a look its kind and when it is a fault, the others what they are about.
    faults : how many of the grade; unwatched : how many things it asks for that nobody noted
    by : what to add to the value for it to be without fault, null in what was kept of old
    without : the verdict if this had been in order
    """

    rule: Literal["limit", "look", "observed", "at end"] = "limit"
    measure: str | None = None
    look: str | None = None
    when: WhenFault | None = None
    observed: Observed | None = None
    at_end: AtEnd | None = None
    phase: Phase | None = None
    value: float | None
    grade: Grade | None
    faults: int = 0
    points: int | None = None
    unwatched: int = 0
    small: Bounds | None = None
    serious: Bounds | None = None
    ends: Bounds | None = None
    each: bool = False
    passed: Passed | None = None
    free: int = 0
    repeated: int | None = None
    by: float | None = None
    without: Result | None = None


class UnwatchedOut(BaseModel):
    """A look of the sheet that nobody noted."""

    step: int
    look: LookKind


class JudgedOut(BaseModel):
    """What an attempt comes to. Whole unless something that the standard counts was not noted;
    it is neither done nor missed then.

    small_allowed : null in what was kept of old; points : null where the standard counts none
    """

    outcome: Result
    met: bool = False
    small: int
    small_allowed: int | None = None
    serious: int
    points: int | None = None
    points_allowed: int | None = None
    whole: bool
    findings: list[FindingOut]

    @model_validator(mode="after")
    def _says_whether_met(self) -> Self:
        self.met = self.outcome in MET
        return self


class VerdictOut(JudgedOut):
    """The verdict on an attempt, with the looks of its sheet that nobody noted."""

    unwatched: list[UnwatchedOut]


class JudgeIn(RequestBody):
    """An attempt told by its figures, and a standard that need not be kept.

    finish : what was taped, by its measures' names
    """

    standard: dict[str, Any]
    finish: Annotated[dict[str, float | None], Field(max_length=20)] = {}
    noted: NotedModel | None = None


class TrialIn(RequestBody):
    """A standard as somebody is changing it."""

    body: dict[str, Any]


class OtherwiseOut(BaseModel):
    """An attempt on which a standard being tried says otherwise than was said."""

    id: UUID
    sheet_id: int
    learner_id: int
    learner: str
    started: datetime
    before: Result
    after: Result


class TrialOut(BaseModel):
    """What a standard being changed says of what was judged by it so far; nothing is kept.

    attempts : how many it was tried on, the newest; older : how many more there are
    otherwise : on how many it says otherwise; told : the newest of them
    """

    attempts: int
    older: int
    before: dict[Result, int]
    after: dict[Result, int]
    met_before: int
    met_after: int
    otherwise: int
    told: list[OtherwiseOut]
