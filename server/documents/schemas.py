from datetime import date, datetime, timedelta
from typing import Annotated, Any, Literal, TypeAlias

from django.utils import timezone
from faircorner.cues import Look
from faircorner.cues.events import EdgeName
from faircorner.cues.places import OwnPoint
from faircorner.documents.eyes import SeatRequest
from faircorner.documents.reading import in_full, read_document
from faircorner.documents.vehicle import EyeBy
from faircorner.ground import Answer, Landmark, Lines, ThingKind, suitability
from faircorner.ground import KindName as PlaceKind
from faircorner.standards import AtEnd, Observed, Passed, Phase, When
from ninja import Schema
from pydantic import Field

from server.documents.bodies import (
    AnyBody,
    EventBody,
    FitAngleBody,
    FitMetresBody,
    FitShareBody,
    GroundBody,
    MethodBody,
    MirrorBody,
    SeatBody,
    StandardBody,
    UnnamedVehicleBody,
    VehicleBody,
)
from server.request_body import RequestBody
from server.said import SaidOut

# Standards change: figures older than this may no longer hold.
_AGED = timedelta(days=366)
KindName = Literal["vehicle", "seat", "ground", "method", "standard"]


class RevisionOut(Schema):
    """One state of a document, whole, in today's format whichever it was kept in."""

    id: int
    document_id: int
    number: int
    name: str
    body: AnyBody
    created: datetime
    author: str

    @staticmethod
    def resolve_body(obj: Any) -> Any:
        return in_full(obj.body)

    @staticmethod
    def resolve_author(obj: Any) -> str:
        return obj.author.name if obj.author else ""


class VehicleRevision(RevisionOut):
    body: VehicleBody


class SeatRevision(RevisionOut):
    body: SeatBody


class GroundRevision(RevisionOut):
    body: GroundBody


class MethodRevision(RevisionOut):
    body: MethodBody


class StandardRevision(RevisionOut):
    body: StandardBody


class _Entry(Schema):
    """A document and its newest revision; away : put out of the way."""

    id: int
    away: bool


class SeatOfVehicle(Schema):
    id: int
    name: str
    away: bool


class VehicleEntry(_Entry):
    """seats : all there are; told where vehicles alone are asked for"""

    kind: Literal["vehicle"]
    latest: VehicleRevision
    seats: list[SeatOfVehicle] = []

    @staticmethod
    def resolve_seats(obj: Any) -> Any:
        return getattr(obj, "its_seats", [])


class SeatEntry(_Entry):
    kind: Literal["seat"]
    vehicle_id: int
    sitter_id: int | None
    vehicle_name: str
    latest: SeatRevision


class GroundEntry(_Entry):
    """suits : what the place check comes to"""

    kind: Literal["ground"]
    latest: GroundRevision
    suits: Answer

    @staticmethod
    def resolve_suits(obj: Any) -> Any:
        return suitability(read_document("ground", obj.latest.body).build()).answer


class MethodEntry(_Entry):
    kind: Literal["method"]
    latest: MethodRevision


class StandardEntry(_Entry):
    """aged : whether its day is so long ago that the authority should be asked again"""

    kind: Literal["standard"]
    latest: StandardRevision
    aged: bool

    @staticmethod
    def resolve_aged(obj: Any) -> bool:
        dated = date.fromisoformat(obj.latest.body["dated"])
        return timezone.localdate() - dated > _AGED


DocumentOut: TypeAlias = Annotated[
    VehicleEntry | SeatEntry | GroundEntry | MethodEntry | StandardEntry,
    Field(discriminator="kind"),
]


class SlipOut(Schema):
    """A measure that is unlike such a body, and what it would be without the likely slip."""

    field: str
    said: SaidOut
    instead: float | None


class UsualOut(Schema):
    body: UnnamedVehicleBody
    slips: list[SlipOut]


class ArcIn(RequestBody):
    """Three chalk marks on part of a circle: how far the outer ones are apart, and how far the
    middle one stands off the line between them.
    """

    chord_m: Annotated[float, Field(gt=0, le=60)]
    rise_m: Annotated[float, Field(gt=0, le=20)]


class CircleOut(Schema):
    kerb_circle_m: float
    uncertain_m: float


class PlaceOut(Schema):
    x_m: float
    y_m: float
    z_m: float


class EyeIn(SeatRequest):
    """A vehicle as it is measured or being changed, and the readings of an eye in it."""

    vehicle: dict[str, Any]


class EyeOut(Schema):
    """An eye in the vehicle's frame, how it was found, and how far off it may be."""

    eye: PlaceOut
    eye_by: EyeBy
    uncertain_m: PlaceOut
    slips: list[SlipOut]


class AroundIn(RequestBody):
    """A vehicle and a seat in it as documents, kept or being changed."""

    vehicle: dict[str, Any]
    seat: dict[str, Any]


class MoreMirrorsOut(Schema):
    mirrors: list[MirrorBody]


Outlines: TypeAlias = list[list[tuple[float, float]]]


class MirrorViewOut(Schema):
    """A mirror as this driver sets it, and what it shows of the ground.

    beside : whether it is one that shows what is beside the vehicle
    begins_m : x from which on it shows the ground close beside the flank, null where it does not
    """

    name: str
    said: SaidOut
    ground_m: Outlines
    beside: bool
    begins_m: float | None


class NearestOut(Schema):
    """How near on one side ground is seen, m off the body; null where none is within reach."""

    side: Literal["front", "rear", "left", "right"]
    direct_m: float | None
    seen_m: float | None


class HeightsOut(Schema):
    """How tall something may be and still be hidden: rows along x, null under the vehicle.

    tallest_m : as tall as was tried
    """

    corner_m: tuple[float, float]
    step_m: float
    tallest_m: float
    least_m: list[list[float | None]]


class AroundAssumed(Schema):
    """How far round a driver sees, facing forward and turned to look back; how far off the
    nearest ground was looked for.
    """

    turn_deg: int
    back_deg: int
    looked_m: float


class CameraViewOut(Schema):
    """What a rear camera shows of the ground; begins_m : behind the end, in the middle."""

    ground_m: Outlines
    begins_m: float | None


class AroundOut(Schema):
    """What a driver sees of the ground round the vehicle; outlines in the vehicle's frame.

    turned_round : whether the eye was measured that looks back
    """

    direct_m: Outlines
    hidden_m: Outlines
    mirrors: list[MirrorViewOut]
    camera: CameraViewOut | None
    nearest: list[NearestOut]
    heights: HeightsOut
    assumed: AroundAssumed
    turned_round: bool


class AwayIO(RequestBody):
    away: bool


class SitterIO(RequestBody):
    """The learner whose usual seat it is; null for nobody's."""

    sitter_id: int | None


class CreateIn(RequestBody):
    """vehicle_id : of a seat, the vehicle it is in; sitter_id : and whose usual one it is"""

    kind: KindName
    body: dict[str, Any]
    vehicle_id: int | None = None
    sitter_id: int | None = None


class MergeIn(RequestBody):
    """A draft that was begun from an older revision than the newest."""

    based_on: int
    body: dict[str, Any]


class MergeOut(Schema):
    """The draft's changes on top of the newest revision; where both changed the same, once as the
    draft has it and once as the newest revision has it."""

    number: int
    mine: dict[str, Any]
    theirs: dict[str, Any]
    conflicts: list[SaidOut]


class ReviseIn(RequestBody):
    """An edit, and the revision number it started from."""

    based_on: int
    body: dict[str, Any]


class PlaceWords(Schema):
    """What a method may name at a kind of place, and what may be asked there."""

    landmarks: list[Landmark]
    things: list[str]
    lines: list[str]
    left_again: bool
    tightens: bool


class ManoeuvreWords(Schema):
    """The kind of place where a manoeuvre ends, and how each event begins there."""

    goal: PlaceKind
    events: list[EventBody]


class FittedWords(Schema):
    """How a figure begins that is left to the fit."""

    metres: FitMetresBody
    angle: FitAngleBody
    share: FitShareBody


class MeasureWord(Schema):
    """What a standard may limit: taped at the end, measured on the way, or counted.

    phase : the one it belongs to, null the whole attempt; counted : in ones, so that each one too
    many may be a fault of its own
    """

    name: str
    taped: bool
    on_the_way: bool
    of_looks: bool
    counted: bool
    phase: Phase | None


class VocabularyOut(Schema):
    """Every name that a method or standard may use, as documents have it.

    names : how the core's own names are said to the caller; others are said as they are
    """

    manoeuvres: dict[str, ManoeuvreWords]
    places: dict[str, PlaceWords]
    own_points: list[OwnPoint]
    edges: list[EdgeName]
    seen: list[str]
    mirror_marks: list[str]
    sole_marks: list[str]
    own_edges: list[str]
    parts: list[str]
    stopping: list[str]
    looks: list[Look]
    things: dict[ThingKind, tuple[float, float, float]]
    fitted: FittedWords
    observed: list[Observed]
    measures: list[MeasureWord]
    phases: list[Phase]
    judged_looks: list[str]
    when: list[When]
    at_end: list[AtEnd]
    passed: list[Passed]
    names: dict[str, str]


class GroundIn(RequestBody):
    """A ground that need not be stored yet."""

    body: dict[str, Any]


class AdjustIn(RequestBody):
    """Change one measure of a ground that need not be stored yet."""

    body: dict[str, Any]
    measure: str
    metres: float


class NewGroundIn(RequestBody):
    """A place of a kind, laid out with ordinary measures, to begin from."""

    name: Annotated[str, Field(min_length=1, max_length=120)]
    kind: PlaceKind
    side: Literal["left", "right"]


class BayIn(RequestBody):
    """Change what of a bay is no length; null leaves it as it is."""

    body: dict[str, Any]
    angle_deg: float | None = None
    head: Literal["line", "wall", "wheel stop"] | None = None
    before: bool | None = None
    beyond: bool | None = None
    lines: Lines | None = None
    guide: bool | None = None


class RoadIn(RequestBody):
    """Whether the body of what turns round in a road may reach over its kerbs."""

    body: dict[str, Any]
    overhang: bool


class ThingIn(RequestBody):
    """Something to put down with its middle at a place; named, the one there is is moved."""

    body: dict[str, Any]
    kind: ThingKind
    x_m: float
    y_m: float
    turned_deg: float = 0.0
    name: str = ""


class WithoutIn(RequestBody):
    body: dict[str, Any]
    name: str


class AddBehindIn(RequestBody):
    body: dict[str, Any]
    gap_m: float | None


class NotedOut(Schema):
    """One thing for or against a place; metres and the school's least where it is a length."""

    item: str
    grade: Literal["good", "mind", "against", "not noted"]
    said: SaidOut
    metres: float | None
    least_m: float | None


class SuitabilityOut(Schema):
    answer: Answer
    noted: list[NotedOut]


class ThingOut(Schema):
    name: str
    kind: ThingKind
    x_m: float
    y_m: float
    turned_deg: float


class ViewOut(Schema):
    """How much of a place should be seen, m on the site."""

    left: float
    right: float
    bottom: float
    top: float


Place: TypeAlias = tuple[float, float]


class MeasureLineOut(Schema):
    """One measure where it is drawn. grip_m, pull : where it is taken hold of, and which way.

    fine : whether it is told in the small unit
    """

    measure: str
    at_m: Place
    ends_m: tuple[Place, Place] | None
    fine: bool
    grip_m: Place | None
    pull: Place | None


class SketchOut(Schema):
    view: ViewOut
    lines: list[MeasureLineOut]


class GroundOut(Schema):
    """A ground, what a tape would say of it in metres, and whether it is one to practise on."""

    body: GroundBody
    measures: dict[str, float]
    sketch: SketchOut
    things: list[ThingOut]
    suitability: SuitabilityOut
