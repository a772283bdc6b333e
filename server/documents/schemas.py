from datetime import datetime
from typing import Any, Literal

from faircorner.documents.upgrades import upgraded
from faircorner.ground import KindName as PlaceKind
from faircorner.ground import Lines, ThingKind
from ninja import Schema

KindName = Literal["vehicle", "seat", "ground", "method", "standard"]


class RevisionOut(Schema):
    """One state of a document, whole, in today's format whichever it was kept in."""

    id: int
    document_id: int
    number: int
    name: str
    body: dict[str, Any]
    created: datetime
    author: str

    @staticmethod
    def resolve_body(obj: Any) -> Any:
        return upgraded(obj.body)

    @staticmethod
    def resolve_author(obj: Any) -> str:
        return obj.author.name if obj.author else ""


class DocumentOut(Schema):
    id: int
    kind: KindName
    vehicle_id: int | None
    latest: RevisionOut


class CreateIn(Schema):
    kind: KindName
    body: dict[str, Any]
    vehicle_id: int | None = None


class ReviseIn(Schema):
    """An edit, and the revision number it started from."""

    based_on: int
    body: dict[str, Any]


class PlaceWords(Schema):
    """What a method may name at a kind of place; gap_to is what the wanted gap is told to."""

    landmarks: list[str]
    things: list[str]
    gap_to: str


class MeasureWord(Schema):
    """What a standard may limit: taped at the end, or counted while driving."""

    name: str
    taped: bool


class VocabularyOut(Schema):
    """Every name that a method or standard may use, as documents have it."""

    manoeuvres: dict[str, str]
    places: dict[str, PlaceWords]
    own_points: list[str]
    events: list[str]
    looks: list[str]
    measures: list[MeasureWord]


class GroundIn(Schema):
    """A ground that need not be stored yet."""

    body: dict[str, Any]


class AdjustIn(Schema):
    """Change one measure of a ground that need not be stored yet."""

    body: dict[str, Any]
    measure: str
    metres: float


class NewGroundIn(Schema):
    """A place of a kind, laid out with ordinary measures, to begin from."""

    name: str
    kind: PlaceKind
    side: Literal["left", "right"]


class BayIn(Schema):
    """Change what of a bay is no length; null leaves it as it is."""

    body: dict[str, Any]
    angle_deg: float | None = None
    head: Literal["line", "wall", "wheel stop"] | None = None
    before: bool | None = None
    beyond: bool | None = None
    lines: Lines | None = None
    guide: bool | None = None


class RoadIn(Schema):
    """Whether the body of what turns round in a road may reach over its kerbs."""

    body: dict[str, Any]
    overhang: bool


class ThingIn(Schema):
    """Something to put down with its middle at a place; named, the one there is is moved."""

    body: dict[str, Any]
    kind: ThingKind
    x_m: float
    y_m: float
    turned_deg: float = 0.0
    name: str = ""


class WithoutIn(Schema):
    body: dict[str, Any]
    name: str


class AddBehindIn(Schema):
    body: dict[str, Any]
    gap_m: float | None


class NotedOut(Schema):
    """One thing for or against a place; metres and the school's least where it is a length."""

    item: str
    grade: Literal["good", "mind", "against", "not noted"]
    said: str
    metres: float | None
    least_m: float | None


class SuitabilityOut(Schema):
    answer: Literal["suits", "with care", "not here", "not known yet"]
    noted: list[NotedOut]


class ThingOut(Schema):
    name: str
    kind: ThingKind
    x_m: float
    y_m: float
    turned_deg: float


class GroundOut(Schema):
    """A ground, what a tape would say of it in metres, and whether it is one to practise on."""

    body: dict[str, Any]
    measures: dict[str, float]
    things: list[ThingOut]
    suitability: SuitabilityOut
