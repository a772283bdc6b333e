"""Aids of the Ground station: new places, their measures, what stands in them."""

from typing import Annotated, Any, Literal, TypeAlias

from faircorner.ground import Answer, Lines, ThingKind
from faircorner.ground import KindName as PlaceKind
from ninja import Schema
from pydantic import Field

from server.documents.bodies import (
    GroundBody,
)
from server.request_body import RequestBody
from server.said import SaidOut


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
