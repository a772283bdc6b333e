from datetime import datetime
from typing import Any, Literal

from faircorner.ground import KindName as PlaceKind
from faircorner.ground import Lines, ThingKind
from ninja import Schema

KindName = Literal["vehicle", "seat", "ground", "method", "standard"]


class RevisionOut(Schema):
    """One state of a document, whole. `body` has the format its own first line names."""

    id: int
    document_id: int
    number: int
    name: str
    body: dict[str, Any]
    created: datetime
    author: str

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
