"""What stands on a card: the docket, and every stop with its words, looks, limits and picture."""

from collections.abc import Iterator
from dataclasses import dataclass, field
from typing import Any, Literal

from faircorner.documents.reading import in_full, read_document
from faircorner.said import Length, Said
from faircorner.said.catalogue import names
from faircorner.said.quantities import length

from server.cards.paper import Paper
from server.cards.plan_drawing import PlanDrawing, plan_drawing
from server.cards.sight_drawing import SightDrawing, sight_drawing
from server.documents.models import Revision
from server.schools.models import School

__all__ = ["Card", "Docket", "Stop", "card_of"]

# What of a vehicle is measured piece by piece, and where its document has it.
_PARTS = {"marks": "features", "glass": "glass", "mirrors": "mirrors"}
# About so many letters stand on a line of a column.
_LINE = 40
Mark = Literal["first", "call", "last call", "last"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Docket:
    """All that a card tells of: documents as the core wrote them.

    sights : null where nobody's eye is known
    """

    learner: str
    revisions: dict[str, Revision]
    method: dict[str, Any]
    plan: dict[str, Any]
    sights: dict[str, Any] | None
    unsaved: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class View:
    """A picture; named : when it is looked at and in what, where there are two beside each other"""

    drawing: SightDrawing
    named: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Stop:
    """A stop or a call. say : what is done; lines : how it is told; held : what is then held
    while rolling; edges : where it goes wrong
    """

    mark: Mark
    number: int = 0
    say: str
    lines: tuple[str, ...]
    strong: tuple[str, ...] = ()
    looks: tuple[tuple[str, str], ...] = ()
    held: tuple[str, ...] = ()
    edges: tuple[tuple[Literal["early", "late"], str], ...] = ()
    views: tuple[View, ...] = ()
    held_picture: SightDrawing | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """foot : what it rests on and what to beware of"""

    title: str
    learner: str
    made_from: tuple[str, ...]
    printed: str
    plan: PlanDrawing
    scale: str
    columns: tuple[tuple[Stop, ...], tuple[Stop, ...]]
    foot: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class _Teller:
    """Says things in a school's units and words."""

    school: School
    names: dict[str, str] = field(init=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "names", names(self.school.locale))

    def said(self, said: Said) -> str:
        return said.told(self.school.units, self.school.locale)

    def told(self, document: dict[str, Any] | None) -> str:
        return "" if document is None else self.said(Said.of(document))

    def length(self, metres: float) -> str:
        return length(metres, self.school.units, self.school.locale)


def card_of(docket: Docket, school: School, paper: Paper, printed: str) -> Card:
    """The card of a docket in its school's words. printed : when, as it is written there"""
    teller = _Teller(school)
    plan, vehicle = docket.plan, docket.revisions["vehicle"]
    drawing = plan_drawing(
        plan,
        docket.revisions["ground"].body,
        read_document("vehicle", vehicle.body).build(),
        paper,
        teller.length,
    )
    return Card(
        title=docket.method["name"],
        learner=docket.learner,
        made_from=tuple(_made_from(docket, teller)),
        printed=teller.said(Said("card printed", when=printed)),
        plan=drawing,
        scale=teller.said(Said("card scale", scale=drawing.scale)),
        columns=_in_columns(tuple(_stops(docket, teller))),
        foot=tuple(_foot(docket, teller)),
    )


def _in_columns(stops: tuple[Stop, ...]) -> tuple[tuple[Stop, ...], tuple[Stop, ...]]:
    """Read down the left and then the right; neither is much longer than the other."""
    heights = [_height(stop) for stop in stops]
    at = min(range(1, len(stops)), key=lambda i: max(sum(heights[:i]), sum(heights[i:])))
    return stops[:at], stops[at:]


def _height(stop: Stop) -> int:
    """About how much room a stop takes, in letters."""
    told = (
        stop.say,
        *stop.lines,
        *stop.strong,
        *stop.held,
        *(why for _, why in (*stop.looks, *stop.edges)),
    )
    return sum(_LINE * (1 + len(line) // _LINE) for line in told) + _LINE * (
        bool(stop.views) + bool(stop.held_picture)
    )


def _made_from(docket: Docket, teller: _Teller) -> Iterator[str]:
    for kind in ("vehicle", "seat", "ground", "standard", "method"):
        one = docket.revisions[kind]
        if kind == "method" and docket.unsaved:
            yield teller.said(Said("card method changed", name=docket.method["name"]))
        else:
            yield teller.said(Said("card revision", name=one.name, number=one.number))


def _stops(docket: Docket, teller: _Teller) -> Iterator[Stop]:
    plan, steps = docket.plan, docket.method["steps"]
    yield Stop(
        mark="first",
        say=teller.said(Said("card first stop")),
        lines=_lines(teller.told(plan["begins"]), _seen_at(docket, 0, teller)),
        strong=_lines(steps[0]["say"], _wheel(docket, 0, teller)),
        looks=_looks(plan, 0, teller),
        held=_held(docket, 0, teller),
        views=_views(docket, 0, teller),
        held_picture=_held_picture(docket, 0),
    )
    for call in plan["calls"]:
        yield _call(docket, call, teller)
    last = len(plan["calls"]) + 1
    yield Stop(
        mark="last",
        say=teller.said(Said("card last stop")),
        lines=_lines(
            teller.told(plan["ends"]),
            _seen_at(docket, last, teller),
        ),
        looks=_looks(plan, last, teller),
        views=_views(docket, last, teller),
    )


def _call(docket: Docket, call: dict[str, Any], teller: _Teller) -> Stop:
    plan, number = docket.plan, call["number"]
    return Stop(
        mark="last call" if number == len(plan["calls"]) else "call",
        number=number,
        say=docket.method["steps"][call["leg"]]["say"],
        lines=_lines(
            _wheel(docket, call["leg"], teller),
            teller.told(call["said"]),
            teller.told(call["seen"]),
            _rests(docket, number, teller),
        ),
        strong=_lines(teller.told(call["instead"]), _moved(call, teller)),
        looks=_looks(plan, call["leg"], teller),
        held=_held(docket, call["leg"], teller),
        edges=tuple(_edges(call, teller)) if plan["feasible"] else (),
        views=_views(docket, number, teller),
        held_picture=_held_picture(docket, call["leg"]),
    )


def _wheel(docket: Docket, leg: int, teller: _Teller) -> str:
    """How far the wheel is turned for a step, as the school tells it."""
    return teller.told(docket.plan["wheels"][leg][teller.school.wheel])


def _lines(*lines: str) -> tuple[str, ...]:
    return tuple(line for line in lines if line)


def _moved(call: dict[str, Any], teller: _Teller) -> str:
    """How much earlier or later than computed this learner is told."""
    shift = call["told_s_m"] - call["s_m"]
    if abs(shift) <= 0.005:
        return ""
    way = "earlier" if shift < 0 else "later"
    return teller.said(Said(f"card moved {way}", by=Length(abs(shift))))


def _looks(plan: dict[str, Any], step: int, teller: _Teller) -> tuple[tuple[str, str], ...]:
    return tuple(
        (teller.names.get(look["look"], look["look"]), teller.told(look["said"]))
        for look in plan["looks"]
        if look["step"] == step
    )


def _stretches(docket: Docket, step: int) -> list[dict[str, Any]]:
    stretches = [] if docket.sights is None else docket.sights["held"]
    return [one for one in stretches if one["step"] == step]


def _held(docket: Docket, step: int, teller: _Teller) -> tuple[str, ...]:
    return tuple(teller.told(s) for one in _stretches(docket, step) for s in one["said"])


def _held_picture(docket: Docket, step: int) -> SightDrawing | None:
    """How it looks in the middle of the first stretch that is held."""
    pictures = (one["picture"] for one in _stretches(docket, step))
    return next((sight_drawing(picture, f"held-{step}") for picture in pictures), None)


def _edges(call: dict[str, Any], teller: _Teller) -> Iterator[tuple[Literal["early", "late"], str]]:
    for edge in ("early", "late"):
        metres = call[f"{edge}_m"]
        if metres is None:
            yield edge, teller.said(Said(f"card free {edge}"))
        else:
            why = Said.of(call[f"{edge}_breaks"])
            some = Said(f"card beyond {edge}", by=Length(metres), why=why)
            none = Said(f"card no room {edge}", why=why)
            yield edge, teller.said(some if metres >= 0.005 else none)


def _spot(docket: Docket, number: int) -> dict[str, Any] | None:
    spots = [] if docket.sights is None else docket.sights["spots"]
    return next((spot for spot in spots if spot["call"] == number), None)


def _chosen(docket: Docket, number: int) -> dict[str, Any] | None:
    """The cue that is told there."""
    spot = _spot(docket, number) or {"candidates": ()}
    return next((c for c in spot["candidates"] if c["key"] == spot["chosen"]), None)


def _seen_at(docket: Docket, number: int, teller: _Teller) -> str:
    """What is seen at the first stop or the last, where it is sharp enough to stop by."""
    spot, chosen = _spot(docket, number), _chosen(docket, number)
    seen = teller.told(spot["seen"]) if spot and chosen and chosen["sharp"] else ""
    felt = teller.told(spot["felt"]) if spot and spot.get("felt") else ""
    return " ".join(_lines(seen, felt))


def _rests(docket: Docket, number: int, teller: _Teller) -> str:
    """What a call's cue is told by that nobody measured; empty where everything was."""
    chosen = _chosen(docket, number)
    said = Said() if chosen is None else Said.of(chosen["rests"])
    return teller.said(Said("card it rests", what=said)) if said else ""


def _views(docket: Docket, number: int, teller: _Teller) -> tuple[View, ...]:
    """What is seen there; and at the next stop, where the eyes change over to another mirror."""
    spot = _spot(docket, number)
    if spot is None or not (here := _picture(spot, f"stop-{number}")):
        return ()
    then = _spot(docket, number + 1) if spot["changes_over"] else None
    if then is None or not (after := _picture(then, f"after-{number}")):
        return (View(drawing=here),)

    def named(when: str, seen: dict[str, Any]) -> str:
        return teller.said(Said(f"card looked {when}", name=seen["candidates"][0]["through"]))

    return (
        View(drawing=here, named=named("now", spot)),
        View(drawing=after, named=named("then", then)),
    )


def _picture(spot: dict[str, Any], key: str) -> SightDrawing | None:
    # A picture without its cue says nothing that the plan does not.
    if spot["picture"] is None or spot["picture"]["cue"] is None:
        return None
    return sight_drawing(spot["picture"], key)


def _foot(docket: Docket, teller: _Teller) -> Iterator[str]:
    yield teller.said(Said("card computed"))
    for missed in docket.plan.get("missed", []):
        yield teller.said(Said("card not as wanted", what=Said.of(missed)))
    yield from _measured(docket.revisions["vehicle"].body, teller)
    yield teller.said(_eye(docket.revisions["seat"].body))
    yield teller.said(Said("card cautions"))


def _eye(seat: dict[str, Any]) -> Said:
    """How the eye was found, and how far off it may be."""
    seat = in_full(seat)
    off = Length(max(seat["uncertain_m"].values()))
    match seat["eye_by"]:
        case "tape":
            return Said("card eye taped", off=off)
        case "two readings":
            return Said("card eye by two", off=off)
        case _:
            return Said("card eye estimated", off=off)


def _measured(vehicle: dict[str, Any], teller: _Teller) -> Iterator[str]:
    """How much of the vehicle was measured."""
    vehicle = in_full(vehicle)
    # One of its marks alone may be as usual for the body.
    single = [part for part, field in _PARTS.items() if any(m["assumed"] for m in vehicle[field])]
    assumed = list(dict.fromkeys([*vehicle["assumed"], *single]))
    if assumed:
        parts = ", ".join(teller.said(Said(f"part {part}")) for part in assumed)
        yield teller.said(Said("card assumed", what=parts))
    else:
        yield teller.said(Said("card all measured"))
    if not vehicle["steering"]["circles"]:
        yield teller.said(Said("card part lock"))
