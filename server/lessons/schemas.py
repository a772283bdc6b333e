from dataclasses import asdict
from datetime import date, datetime
from typing import Annotated, Any, Literal, Self
from uuid import UUID

from faircorner.documents.judging import NotedModel, OnTheWay
from faircorner.learning import Sideways, recall
from faircorner.standards import AtEnd, Grade, Observed, Passed, Phase
from faircorner.standards import When as WhenFault
from faircorner.tape import MET, TAPE_SIGMA, Glance, Result
from ninja import Schema
from pydantic import BaseModel, Field, model_validator

from server.lessons.agreeing import compared
from server.lessons.own_eye import off_document
from server.planning.schemas import (
    ClearanceOut,
    DimensionOut,
    FinishOut,
    LookKind,
    PathPoint,
    PoseOut,
    StepOut,
)
from server.request_body import RequestBody, When, WhenHere
from server.said import SaidOut
from server.schools.history import changed_by

Timing = Literal["early", "on", "late"]
LookDone = Literal["done", "late", "missed", "prompted"]
Count = Annotated[int, Field(ge=0, le=99)]
Seconds = Annotated[float, Field(ge=0, le=36000, allow_inf_nan=False)]


Recalled = Literal["alone", "helped", "forgotten"]
Minutes = Annotated[int, Field(ge=10, le=480)]
Short = Annotated[str, Field(max_length=160)]
Line = Annotated[str, Field(max_length=300)]
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


class LessonOpened(LessonOut):
    """A lesson with all that belongs to it."""

    exercises: list[ExerciseOut]
    driven: list[DrivenOut]


class Learners(Schema):
    """Whose standing is asked for; repeated for each."""

    learner: Annotated[list[int], Field(max_length=500)]


class StandingSheet(Schema):
    """The sheet somebody used last; met of what was taped and counts."""

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


class ObservedIO(RequestBody):
    """Something that was observed on the way; step : the one in hand then, 0 the first stop.

    seconds : on the clock, which does not run before the start
    """

    what: Observed
    phase: Phase
    step: Annotated[int, Field(ge=0, le=41)]
    seconds: Seconds


class PredictedIO(RequestBody):
    """What a learner said would follow from acting at a call, and what would have.

    by_m : how much late the vehicle stood there; end : by how much late the end that was chosen is
    reached, null where it was not asked; tail : which way it was said to go, and `goes` it does
    """

    call: Annotated[int, Field(ge=1, le=40)]
    by_m: Annotated[float, Field(ge=-2, le=2, allow_inf_nan=False)]
    end_m: Annotated[float, Field(ge=-2, le=2, allow_inf_nan=False)] | None = None
    tail: Sideways | None = None
    goes: Sideways


class Notes(RequestBody):
    """What the instructor saw. Lists run by call and by look; null where nothing was noted.

    prompted : steps that had to be prompted; call_seconds, look_seconds : when each was noted
    watched : what was at hand to be observed; on_the_way : what was measured then, by its name;
    at_end : whether it was so at the end; what is absent was not noted
    help : how much of it the driver had, null not noted; from_memory : the method's steps from 0 on
    in the order that was told, empty where it was not asked; predicted : what was said to follow
    """

    seconds: Seconds
    forward_movements: Count = 0
    reverse_movements: Count = 1
    calls: Annotated[list[Timing | None], Field(max_length=40)] = []
    looks: Annotated[list[LookDone | None], Field(max_length=40)] = []
    kerb_touches: Count = 0
    kerb_mounts: Count = 0
    vehicle_touches: Count = 0
    prompted: Annotated[list[Annotated[int, Field(ge=0, le=41)]], Field(max_length=42)] = []
    observed: Annotated[list[ObservedIO], Field(max_length=200)] = []
    call_seconds: Annotated[list[Seconds | None], Field(max_length=40)] = []
    look_seconds: Annotated[list[Seconds | None], Field(max_length=40)] = []
    watched: Annotated[list[Observed], Field(max_length=100)] = []
    on_the_way: OnTheWay = {}
    at_end: dict[AtEnd, bool] = {}
    help: Help | None = None
    from_memory: Annotated[list[Annotated[int, Field(ge=0, le=41)]], Field(max_length=42)] = []
    predicted: Annotated[list[PredictedIO], Field(max_length=20)] = []


class ReadingsIO(RequestBody):
    """Tape readings in metres; null where nobody taped."""

    kerb_front_m: Annotated[float, Field(allow_inf_nan=False)]
    kerb_rear_m: Annotated[float, Field(allow_inf_nan=False)]
    ahead_m: Annotated[float | None, Field(allow_inf_nan=False)] = None
    behind_m: Annotated[float | None, Field(allow_inf_nan=False)] = None


class ReadIn(RequestBody):
    """Readings as they are being typed, m, whichever there are."""

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


class PoseIO(RequestBody):
    x_m: Annotated[float, Field(ge=-500, le=500, allow_inf_nan=False)]
    y_m: Annotated[float, Field(ge=-500, le=500, allow_inf_nan=False)]
    heading_deg: Annotated[float, Field(ge=-720, le=720, allow_inf_nan=False)]


class StoodIn(RequestBody):
    """Where a vehicle stands, by a pose or by readings."""

    pose: PoseIO | None = None
    readings: ReadingsIO | None = None


class StoodOut(BaseModel):
    """The same by both."""

    pose: PoseOut
    readings: ReadingsIO


class StatedOut(BaseModel):
    """Where the learner said that it stood, and when."""

    at: datetime
    readings: ReadingsIO
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
