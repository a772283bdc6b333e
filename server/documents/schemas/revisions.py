"""Documents and their revisions: listed, kept, merged, archived."""

from datetime import date, datetime, timedelta
from typing import Annotated, Any, Literal, TypeAlias

from django.utils import timezone
from faircorner.documents.reading import in_full, read_document
from faircorner.ground import Answer, suitability
from ninja import Schema
from pydantic import Field

from server.documents.bodies import (
    AnyBody,
    GroundBody,
    MethodBody,
    SeatBody,
    StandardBody,
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
