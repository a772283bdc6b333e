"""fair-corner/school@1: what a school's file holds, line by line.

People, documents, sheets are named by numbers of the file's own, from 1 on in the order in which
they were made; null where a command did what otherwise a person does. Times are in UTC.
"""

from datetime import datetime
from typing import Annotated, Any, Literal, TypeAlias
from uuid import UUID

from faircorner.documents.requests import OptionsModel
from faircorner.model import Model
from faircorner.standards import OBSERVED, Observed
from pydantic import AwareDatetime, ConfigDict, Field

from server.lessons.schemas.lessons import Recap
from server.lessons.schemas.notes import Notes
from server.lessons.schemas.tape import StatedOut, TapedIO, TapeOut
from server.planning.schemas.plans import FinishOut
from server.schools.schemas import RoleName

__all__ = [
    "PARTS",
    "AttemptLine",
    "CorrectionPart",
    "DocumentLine",
    "LessonLine",
    "LessonState",
    "PersonLine",
    "PersonState",
    "RevisionPart",
    "SchoolHead",
    "SheetLine",
    "ShiftLine",
]

Number: TypeAlias = Annotated[int, Field(ge=1)]


class Line(Model):
    """Read from JSON, where times are text."""

    model_config = ConfigDict(strict=False)


class SchoolHead(Line):
    """school.json. lead : who took the file out, and comes in with it

    learner : whose file it is, where it is one learner's alone
    pad : what is at hand in Drive to be noted; null where nothing is told
    wheel : how far the steering wheel is turned is told in turns, or on a clock face
    """

    format: Literal["fair-corner/school@1"]
    name: Annotated[str, Field(min_length=1, max_length=120)]
    place: Annotated[str, Field(max_length=120)]
    keeps: Literal["left", "right"]
    units: Literal["metric", "imperial"]
    locale: Annotated[str, Field(max_length=12)]
    time_zone: Annotated[str, Field(max_length=40)]
    pad: Annotated[list[Observed] | None, Field(max_length=len(OBSERVED))] = None
    wheel: Literal["turns", "clock"] = "turns"
    lead: Number | None
    learner: Number | None


class PersonState(Line):
    """What was known of somebody from some time on, and who wrote it."""

    at: AwareDatetime
    by: Number | None
    kind: Literal["+", "~", "-"]
    name: Annotated[str, Field(max_length=120)]
    role: RoleName
    note: Annotated[str, Field(max_length=300)]
    email: Annotated[str, Field(max_length=254)]


class PersonLine(Line):
    """people.jsonl"""

    person: Number
    name: Annotated[str, Field(min_length=1, max_length=120)]
    role: RoleName
    note: Annotated[str, Field(max_length=300)]
    email: Annotated[str, Field(max_length=254)]
    active: bool
    states: list[PersonState]


class RevisionPart(Line):
    number: Number
    body: dict[str, Any]
    author: Number | None
    created: AwareDatetime


class DocumentLine(Line):
    """documents.jsonl: a vehicle, seat, ground, method or standard with all its revisions.

    vehicle : the document whose seat it is; sitter : whose usual one
    body : as docs/formats/ describes the kind
    """

    document: Number
    kind: Literal["vehicle", "seat", "ground", "method", "standard"]
    vehicle: Number | None
    sitter: Number | None = None
    away: bool
    revisions: Annotated[list[RevisionPart], Field(min_length=1)]


class ExercisePart(Line):
    """One thing to do in a lesson; documents : seat, ground, method, standard it is driven with.

    documents is null where there are none, or where the file has not all of them
    """

    what: Annotated[str, Field(min_length=1, max_length=160)]
    minutes: Annotated[int, Field(ge=1, le=480)]
    documents: Annotated[tuple[Number, Number, Number, Number] | None, Field(strict=False)]


class Appointment(Line):
    """What a lesson is, now or then. What an older file does not tell was not known then."""

    learner: Number
    instructor: Number
    starts: AwareDatetime
    minutes: Annotated[int, Field(ge=10, le=480)]
    place: Annotated[str, Field(max_length=160)]
    about: Annotated[str, Field(max_length=300)]
    notes: Annotated[str, Field(max_length=4000)]
    cancelled: bool
    cancelled_because: Annotated[str, Field(max_length=300)] = ""
    begun: AwareDatetime | None = None
    ended: AwareDatetime | None = None
    plan: Annotated[list[ExercisePart], Field(max_length=20)] = []
    recap: Recap = []
    learnt: Annotated[str, Field(max_length=4000)] = ""
    comes_next: Annotated[str, Field(max_length=4000)] = ""
    version: Number


class LessonState(Appointment):
    """How a lesson was from some time on, and who made it so."""

    at: AwareDatetime
    by: Number | None
    kind: Literal["+", "~", "-"]


class LessonLine(Appointment):
    """lessons.jsonl"""

    lesson: Number | None = None
    states: list[LessonState]


# A document of the file, and which of its revisions.
Revised: TypeAlias = Annotated[tuple[Number, Number], Field(strict=False)]


class SheetLine(Line):
    """sheets.jsonl: a cue sheet as it was computed; plan : as the API's PlanOut describes it"""

    sheet: Number
    learner: Number
    vehicle: Revised
    seat: Revised
    ground: Revised
    method: Revised
    standard: Revised
    options: OptionsModel
    plan: dict[str, Any]
    created: AwareDatetime
    used: AwareDatetime


class CorrectionPart(Line):
    author: Number
    made: AwareDatetime
    notes: Notes


class TapingPart(Line):
    """Readings as somebody entered them; beside : a second person's of the same finish"""

    author: Number
    made: AwareDatetime
    readings: TapedIO
    finish: FinishOut
    why: Annotated[str, Field(max_length=300)]
    beside: bool


class AttemptLine(Line):
    """attempts.jsonl: notes as first noted, and how they were put right; all that was taped"""

    id: UUID
    sheet: Number
    lesson: Number | None = None
    instructor: Number
    started: AwareDatetime
    notes: Notes
    readings: TapedIO | None
    tape: TapeOut | None
    stated: StatedOut | None = None
    void: bool
    corrections: list[CorrectionPart]
    tapings: list[TapingPart] = []


class ShiftLine(Line):
    """shifts.jsonl: a cue moved on advice, from one sheet to the next"""

    before: Number
    after: Number
    call: Number
    by_m: float
    evidence: dict[str, Any]
    taken_by: Number
    taken: datetime


class DrawnPart(Line):
    sheet: Number
    cancelled: Annotated[str, Field(max_length=300)]


class MockTestLine(Line):
    """mock_tests.jsonl: what was drawn, from which sheets, by which standard's rule"""

    learner: Number
    instructor: Number
    standard: Revised
    started: AwareDatetime
    exercises: Annotated[list[DrawnPart], Field(max_length=500)]
    pool: Annotated[list[Number], Field(max_length=100)]
    given_up: AwareDatetime | None
    given_up_because: Annotated[str, Field(max_length=300)]


# In the order in which they are read: nothing names what comes later.
PARTS: dict[str, type[Line]] = {
    "people": PersonLine,
    "documents": DocumentLine,
    "lessons": LessonLine,
    "sheets": SheetLine,
    "attempts": AttemptLine,
    "shifts": ShiftLine,
    "mock_tests": MockTestLine,
}
