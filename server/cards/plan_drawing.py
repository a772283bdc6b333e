"""The plan of a manoeuvre on paper: to a scale a ruler can be laid to, in lines that spare ink."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Any, TypeAlias

import numpy as np
from faircorner.plane import Floats, to_site
from faircorner.vehicle import Vehicle

from server.cards.paper import Paper
from server.cards.strokes import Label, Stroke, way

__all__ = ["Disc", "PlanDrawing", "plan_drawing"]

_SCALES = (25, 40, 50, 60, 75, 80, 100, 120, 125, 150, 175, 200, 250, 300, 400, 500, 750, 1000)
_INK, _SOFT, _TEAL, _CORAL = "#1E2B2D", "#6B7475", "#0F5257", "#B23A17"
# A figure's letters are about so wide and so tall, and stand so far from its line, mm.
_LETTER, _TALL, _OFF = 1.5, 2.0, 1.0
# From metres to how they are said.
Told: TypeAlias = Callable[[float], str]
_Box: TypeAlias = tuple[float, float, float, float]
# mm on paper.
_FINE, _PLAIN, _BOLD = 0.2, 0.35, 0.6
_KINDS = {"wall": "#C9C2B4", "vehicle": "#E4E0D8", "cone": "#F2B8A5"}
_OTHER = "#EDEAE3"
# Which of the plan's dimension lines carry their figure, and where it is told.
_TOLD = {
    "ahead": ("finish", "ahead_m"),
    "behind": ("finish", "behind_m"),
    "kerb_rear": ("finish", "kerb_rear_m"),
    "start_gap": ("set", "gap_m"),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Disc:
    """Where a call comes; x, y : mm."""

    x: float
    y: float
    number: int
    last: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class PlanDrawing:
    """Sizes and places in mm on paper; scale : one to so many."""

    width: float
    height: float
    scale: int
    strokes: tuple[Stroke, ...]
    labels: tuple[Label, ...]
    discs: tuple[Disc, ...]


@dataclass(frozen=True, slots=True)
class _Frame:
    """From metres on the site to mm on paper, y downward."""

    left: float
    top: float
    per_metre: float

    def on(self, points: Any) -> Floats:
        at: Floats = (np.asarray(points, dtype=float) - (self.left, self.top)) * self.per_metre
        return at * (1.0, -1.0)


def plan_drawing(
    plan: dict[str, Any], ground: dict[str, Any], vehicle: Vehicle, paper: Paper, told: Told
) -> PlanDrawing:
    """A plan's document drawn on the ground's, as large as a round scale lets it be."""
    view = plan["drawing"]["view"]
    wide, high = view["right"] - view["left"], view["top"] - view["bottom"]
    wanted = max(1000 * wide / paper.inner, 1000 * high / paper.plan_height)
    scale = next((one for one in _SCALES if one >= wanted), round(wanted))
    frame = _Frame(view["left"], view["top"], 1000 / scale)
    return PlanDrawing(
        width=round(wide * frame.per_metre, 2),
        height=round(high * frame.per_metre, 2),
        scale=scale,
        strokes=(*_ground(ground, frame), *_driven(plan, vehicle, frame)),
        labels=tuple(_figures(plan, frame, told)),
        discs=tuple(_discs(plan, frame)),
    )


def _ground(ground: dict[str, Any], frame: _Frame) -> Iterator[Stroke]:
    for edge in ground["edges"]:
        kerb = edge["kind"].endswith("kerb")
        yield Stroke(
            d=way(frame.on(edge["points_m"])),
            line=_INK if kerb else _SOFT,
            width=_BOLD if kerb else _PLAIN,
        )
    for one in ground["obstacles"]:
        yield Stroke(
            d=way(frame.on(one["polygon_m"]), closed=True),
            fill=_KINDS.get(one["kind"], _OTHER), line=_INK, width=_FINE,
        )  # fmt: skip


def _driven(plan: dict[str, Any], vehicle: Vehicle, frame: _Frame) -> Iterator[Stroke]:
    for part in plan["swept_m"]:
        yield Stroke(d=way(frame.on(part), closed=True), line=_SOFT, width=_FINE, dash="0.4 0.8")
    body = vehicle.outline[0]

    def standing(pose: dict[str, float]) -> str:
        at = np.array([pose["x_m"], pose["y_m"], np.radians(pose["heading_deg"])])
        return way(frame.on(to_site(at, body)), closed=True)

    for call in plan["calls"][1:]:
        yield Stroke(d=standing(call), line=_SOFT, width=_FINE, dash="1.2 0.8")
    yield Stroke(d=standing(plan["start"]), line=_INK, width=_PLAIN)
    yield Stroke(d=standing(plan["final"]), line=_TEAL, width=_BOLD)
    rear = [(p["x_m"], p["y_m"]) for p in plan["path"]]
    yield Stroke(d=way(frame.on(rear)), line=_TEAL, width=_PLAIN)
    swing = plan["drawing"]["swing"]
    if swing is not None:
        yield Stroke(d=way(frame.on(swing["track_m"])), line=_CORAL, width=_PLAIN, dash="0.5 1")
        yield _line(swing["reach"], frame, _CORAL)
    for dimension in plan["drawing"]["dimensions"]:
        if dimension["what"] in _TOLD:
            yield _line(dimension, frame, _INK)


def _line(dimension: dict[str, Any], frame: _Frame, colour: str) -> Stroke:
    """A dimension line with a tick at either end."""
    ends = frame.on([dimension["from_m"], dimension["to_m"]])
    along = ends[1] - ends[0]
    long = float(np.hypot(*along)) or 1.0
    tick = np.array([-along[1], along[0]]) / long * 0.9
    ticks = [way(np.array([end - tick, end + tick])) for end in ends]
    return Stroke(d="".join([way(ends), *ticks]), line=colour, width=_FINE)


def _figures(plan: dict[str, Any], frame: _Frame, told: Told) -> Iterator[Label]:
    taken: list[_Box] = []
    for dimension, metres in _told_lines(plan):
        label, box = _beside(dimension, frame, told(metres), taken)
        taken.append(box)
        yield label


def _told_lines(plan: dict[str, Any]) -> Iterator[tuple[dict[str, Any], float]]:
    for dimension in plan["drawing"]["dimensions"]:
        part, name = _TOLD.get(dimension["what"], ("set", ""))
        metres = plan[part].get(name)
        if metres is not None:
            yield dimension, metres
    swing = plan["drawing"]["swing"]
    if swing is not None:
        reach = swing["reach"]
        yield reach, abs(reach["to_m"][1] - reach["from_m"][1])


def _beside(
    dimension: dict[str, Any], frame: _Frame, text: str, taken: list[_Box]
) -> tuple[Label, _Box]:
    """The figure of a dimension line, on the first of its sides where no other figure stands."""
    (x1, y1), (x2, y2) = frame.on([dimension["from_m"], dimension["to_m"]])
    x, y = float(x1 + x2) / 2, float(y1 + y2) / 2
    wide = len(text) * _LETTER
    lies = abs(y2 - y1) < abs(x2 - x1)
    above, below = (x - wide / 2, y - _OFF), (x - wide / 2, y + _OFF + _TALL)
    right, left = (x + _OFF, y + _TALL / 2), (x - _OFF - wide, y + _TALL / 2)
    sides = (above, below, right, left) if lies else (right, left, above, below)
    boxes = [(at, base - _TALL, at + wide, base) for at, base in sides]
    box = next((one for one in boxes if not any(_meet(one, other) for other in taken)), boxes[0])
    return Label(x=round(box[0], 2), y=round(box[3], 2), text=text), box


def _meet(a: _Box, b: _Box) -> bool:
    return a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]


def _discs(plan: dict[str, Any], frame: _Frame) -> Iterator[Disc]:
    calls = plan["calls"]
    for call in calls:
        x, y = frame.on([call["x_m"], call["y_m"]])
        yield Disc(x=round(float(x), 2), y=round(float(y), 2),
                   number=call["number"], last=call is calls[-1])  # fmt: skip
