"""The list of attempts, its filters and its drawing."""

from datetime import date, datetime
from typing import Any, Literal
from uuid import UUID

from faircorner.standards import MET, Result
from ninja import Schema
from pydantic import BaseModel, Field

Help = Literal[
    "full card", "cues only", "from memory", "other place from memory", "mock test"
]  # fmt: skip


class HistoryAsked(Schema):
    """Whose attempts, and which of them: by documents, days of the school's, and outcome."""

    learner: int
    vehicle: int | None = None
    ground: int | None = None
    method: int | None = None
    since: date | None = None
    until: date | None = None
    outcome: Result | Literal["not taped"] | None = None
    help: Help | None = None


class HistoryOut(Schema):
    """An attempt of somebody's; outcome is null until it is taped."""

    id: UUID
    sheet_id: int = Field(alias="cue_sheet_id")
    lesson_id: int | None
    started: datetime
    instructor: str
    vehicle: str = Field(alias="cue_sheet.vehicle.name")
    ground: str = Field(alias="cue_sheet.ground.name")
    method: str = Field(alias="cue_sheet.method.name")
    seconds: float
    observed: int
    help: Help | None
    outcome: Result | None
    met: bool
    whole: bool
    by_eye: bool
    void: bool

    @staticmethod
    def resolve_instructor(obj: Any) -> str:
        return str(obj.instructor.name)

    @staticmethod
    def resolve_seconds(obj: Any) -> float:
        return float(obj.notes_now["seconds"])

    @staticmethod
    def resolve_observed(obj: Any) -> int:
        return len(obj.notes_now.get("observed", []))

    @staticmethod
    def resolve_met(obj: Any) -> bool:
        return obj.outcome in MET

    @staticmethod
    def resolve_whole(obj: Any) -> bool:
        return obj.verdict is not None and obj.verdict["whole"]


class FinishMarkOut(BaseModel):
    """Where an attempt ended: the outline of its vehicle on the site, m."""

    id: UUID
    sheet_id: int
    started: datetime
    method: str
    outcome: Result
    met: bool
    whole: bool
    by_eye: bool
    outline: list[tuple[float, float]]


class FinishesOut(BaseModel):
    """Finishes at one place; sheet_id : a sheet that has it, null where there are none.

    revised : whether the place was another for some of them; elsewhere : how many are not here
    """

    sheet_id: int | None
    ground: str
    revised: bool
    elsewhere: int
    marks: list[FinishMarkOut]
