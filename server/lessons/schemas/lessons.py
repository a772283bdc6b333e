"""Lessons in the diary, their exercises, and what each learner and document is used for."""

from datetime import datetime
from typing import Annotated, Any, Literal
from uuid import UUID

from faircorner.standards import Result
from ninja import Schema
from pydantic import Field

from server.lessons.schemas.notes import Line
from server.request_body import RequestBody, When, WhenHere
from server.schools.history import changed_by

Recalled = Literal["alone", "helped", "forgotten"]
Minutes = Annotated[int, Field(ge=10, le=480)]
Short = Annotated[str, Field(max_length=160)]
Text = Annotated[str, Field(max_length=4000)]

# The kinds of documents that an exercise names.
DOCKET = ("seat", "ground", "method", "standard")


class ExerciseDocket(RequestBody):
    """With what an exercise is driven: documents, of which the newest revision then counts."""

    seat: int
    ground: int
    method: int
    standard: int


class ExerciseIO(RequestBody):
    """One thing to do in a lesson; docket is null for what is not driven by a cue sheet."""

    what: Annotated[str, Field(min_length=1, max_length=160)]
    minutes: Annotated[int, Field(ge=1, le=480)]
    docket: ExerciseDocket | None = None


class RecapIO(RequestBody):
    """A step that was asked for at the end, in the words it then had, and whether it came."""

    what: Annotated[str, Field(min_length=1, max_length=160)]
    step: Annotated[str, Field(min_length=1, max_length=500)]
    recalled: Recalled


Exercises = Annotated[list[ExerciseIO], Field(max_length=20)]
Recap = Annotated[list[RecapIO], Field(max_length=200)]


class LessonWas(Schema):
    """A lesson as it was from some time on."""

    learner_id: int
    learner: str
    instructor_id: int
    instructor: str
    starts: datetime
    minutes: int
    about: str
    place: str
    notes: str
    cancelled: bool
    cancelled_because: str
    begun: datetime | None
    ended: datetime | None
    plan: list[ExerciseIO]
    recap: list[RecapIO]
    learnt: str
    comes_next: str
    version: int

    @staticmethod
    def resolve_learner(obj: Any) -> str:
        return str(obj.learner.name)

    @staticmethod
    def resolve_instructor(obj: Any) -> str:
        return str(obj.instructor.name)


class ClashOut(Schema):
    """Another lesson at the same time, of the same learner or instructor."""

    learner: str
    instructor: str
    starts: datetime
    minutes: int


class LessonOut(LessonWas):
    """attempts : what was driven in it, but for what was spoilt

    clashes : lessons that the caller may see and that cannot both take place
    """

    id: int
    attempts: int
    clashes: list[ClashOut]


class LessonChanged(LessonWas):
    """One state of a lesson; by is empty where no person made it so."""

    at: datetime = Field(alias="history_date")
    by: str

    @staticmethod
    def resolve_by(obj: Any) -> str:
        return changed_by(obj)


class MadeOf(Schema):
    """What an exercise is driven with, by name."""

    vehicle: str
    seat: str
    ground: str
    method: str
    standard: str


class ExerciseOut(ExerciseIO):
    """steps : what its method says, step by step; attempts, taped, met : in this lesson"""

    made_of: MadeOf | None
    steps: list[str]
    attempts: int
    taped: int
    met: int


class DrivenOut(Schema):
    """An attempt of a lesson; exercise : which of the plan it was, from 0 on, if any.

    outcome is null until it is taped; whole : whether all was watched that the standard counts
    """

    id: UUID
    sheet_id: int
    exercise: int | None
    method: str
    ground: str
    vehicle: str
    started: datetime
    seconds: float
    outcome: Result | None
    met: bool
    whole: bool
    void: bool


class LessonOpened(LessonOut):
    """A lesson with all that belongs to it."""

    exercises: list[ExerciseOut]
    driven: list[DrivenOut]


class Learners(Schema):
    """Whose standing is asked for; repeated for each."""

    learner: Annotated[list[int], Field(max_length=500)]


class StandingSheet(Schema):
    """The sheet somebody used last, and their attempts at that exercise on all its sheets; met of
    what was taped and counts."""

    id: int
    vehicle: str
    ground: str
    method: str
    attempts: int
    taped: int
    met: int


class StandingOut(Schema):
    """How far a learner is; sheet is null while none was made, next_lesson while none is booked."""

    learner_id: int
    next_lesson: datetime | None
    sheet: StandingSheet | None


class Documents(Schema):
    """Whose uses are asked for; repeated for each."""

    document: Annotated[list[int], Field(max_length=500)]


class UseOut(Schema):
    """Who drives by a document now; behind : how many of them by an older revision of it."""

    document_id: int
    learners: list[str]
    behind: int


class LessonIn(RequestBody):
    """starts : without an offset, the school's own time; instructor : else who books it."""

    learner: int
    instructor: int | None = None
    starts: WhenHere
    minutes: Minutes = 60
    about: Line = ""
    place: Short = ""
    notes: Text = ""
    plan: Exercises = []
    begun: When | None = None


class LessonChange(RequestBody):
    """What is to be otherwise; whatever is left out stays as it was.

    begun, ended : null takes them back; based_on : the version seen when the change began
    """

    learner: int | None = None
    instructor: int | None = None
    starts: WhenHere | None = None
    minutes: Minutes | None = None
    about: Line | None = None
    place: Short | None = None
    notes: Text | None = None
    cancelled: bool | None = None
    cancelled_because: Line | None = None
    begun: When | None = None
    ended: When | None = None
    plan: Exercises | None = None
    recap: Recap | None = None
    learnt: Text | None = None
    comes_next: Text | None = None
    based_on: Annotated[int, Field(ge=1)]

    @property
    def given(self) -> dict[str, Any]:
        """What is to be changed, and on what it is based."""
        said = self.model_dump(include=self.model_fields_set)
        undone = {"begun", "ended"}
        return {name: value for name, value in said.items() if value is not None or name in undone}
