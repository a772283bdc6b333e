"""The words that documents are written in."""

from faircorner.cues.events import EdgeName
from faircorner.cues.places import OwnPoint
from faircorner.ground import KindName as PlaceKind
from faircorner.ground import Landmark, ThingKind
from faircorner.standards import AtEnd, Look, Observed, Passed, Phase, When
from ninja import Schema

from server.documents.bodies import (
    EventBody,
    FitAngleBody,
    FitMetresBody,
    FitShareBody,
)


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
