"""Attempts as they are kept, corrected and shown."""

from dataclasses import asdict
from datetime import datetime
from typing import Annotated, Any
from uuid import UUID

from faircorner.learning import recall
from ninja import Schema
from pydantic import BaseModel, Field

from server.lessons.agreeing import compared
from server.lessons.own_eye import off_document
from server.lessons.schemas.notes import Notes
from server.lessons.schemas.tape import ComparedOut, OffOut, StatedOut, TapedIO, TapeOut, TapingOut
from server.request_body import RequestBody, When


class AttemptIn(RequestBody):
    id: UUID
    sheet: int
    started: When
    notes: Notes


class NotesKept(BaseModel):
    """Notes as somebody had them at some time."""

    by: str
    at: datetime
    notes: Notes


class RecallOut(BaseModel):
    """Steps from memory: how many there are, how many stood in place, the first that did not."""

    steps: int
    in_place: int
    first_wrong: int | None


class AttemptOut(Schema):
    """An attempt; notes are those that hold, `noted` all there ever were, the first one first.

    tapings : all readings that ever held, the first one first; beside : others' of the same finish
    off : what was said more than was taped, once both are there; recall : of its steps from memory
    """

    id: UUID
    cue_sheet_id: int
    instructor: str
    started: datetime
    notes: Notes
    noted: list[NotesKept]
    readings: TapedIO | None
    tapings: list[TapingOut]
    beside: list[ComparedOut]
    tape: TapeOut | None
    void: bool
    stated: StatedOut | None
    off: OffOut | None
    recall: RecallOut | None

    @staticmethod
    def resolve_tapings(obj: Any) -> Any:
        return [one for one in obj.tapings.all() if not one.beside]

    @staticmethod
    def resolve_beside(obj: Any) -> Any:
        return compared(obj)

    @staticmethod
    def resolve_off(obj: Any) -> Any:
        return off_document(obj)

    @staticmethod
    def resolve_recall(obj: Any) -> Any:
        order = obj.notes_now.get("from_memory")
        return asdict(recall(order, len(order))) if order else None

    @staticmethod
    def resolve_instructor(obj: Any) -> str:
        return str(obj.instructor.name)

    @staticmethod
    def resolve_notes(obj: Any) -> Any:
        return obj.notes_now

    @staticmethod
    def resolve_noted(obj: Any) -> Any:
        first = {"by": obj.instructor.name, "at": obj.started, "notes": obj.notes}
        later = [
            {"by": one.author.name, "at": one.made, "notes": one.notes}
            for one in obj.corrections.all()
        ]
        return [first, *later]


class CorrectionIn(RequestBody):
    """Notes in place of those that hold; based_on : how many corrections there were."""

    based_on: Annotated[int, Field(ge=0)]
    notes: Notes


class VoidIn(RequestBody):
    void: bool
