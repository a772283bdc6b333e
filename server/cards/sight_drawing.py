"""What the driver sees, on paper: the core's own polygons, in light tones."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

import numpy as np

from server.cards.strokes import Stroke, way

__all__ = ["Enlarged", "Marked", "SightDrawing", "sight_drawing"]

_TONES = {
    "road": "#EFEFEC",
    "land": "#DDDFD2",
    "kerb": "#FFFFFF",
    "kerb top": "#F4F1E8",
    "line": "#FFFFFF",
    "vehicle": "#CFC6B2",
    "vehicle top": "#DED6C4",
    "vehicle glass": "#B5C0C3",
    "wheel": "#6A7173",
    "cone": "#F0A888",
    "own": "#C4CBCD",
    "own top": "#D5DADB",
    "own glass": "#CBD4D7",
    "handle": "#5A6466",
    "mirror case": "#8D9698",
    "mirror sky": "#FFFFFF",
    "mirror rim": "none",
}
# Walls, poles and whatever else stands there; and the cabin round the glass.
_STANDING, _CABIN, _SKY = "#CBC3B3", "#E2E5E5", "#FFFFFF"
_WITHIN = frozenset({"door", "pillar", "roof", "dash", "dash face", "steering wheel"})
_EDGE, _CORAL = "#5C6567", "#C4421B"
_FLAT = frozenset({"road", "land"})
# In the picture's own units, as on the screen.
_BESIDE = 22


@dataclass(frozen=True, slots=True)
class Marked:
    """The cue: what is lined up, and the ring where to look."""

    line: Stroke
    x: float
    y: float


@dataclass(frozen=True, slots=True)
class Enlarged:
    """The mirror by itself, x and y from the picture's corner."""

    x: float
    y: float
    outline: str
    strokes: tuple[Stroke, ...]
    cue: Marked | None


@dataclass(frozen=True, slots=True)
class SightDrawing:
    """key : which of a card's pictures it is"""

    key: str
    width: float
    height: float
    strokes: tuple[Stroke, ...]
    cue: Marked | None
    glass: Enlarged | None


def sight_drawing(picture: dict[str, Any], key: str) -> SightDrawing:
    """A picture's document as strokes, painted from the first to the last; key : on its card"""
    width, height = picture["size"]
    return SightDrawing(
        key=key,
        width=width,
        height=height,
        strokes=(
            *_parts(picture["outside"]),
            *_cabin(picture["panes"], width, height),
            *_parts(picture["cabin"]),
            *(Stroke(d=_way(p), line=_EDGE, width=2.5) for p in picture["panes"]),
            *_parts(picture["hung"]),
        ),
        cue=_marked(picture["cue"]),
        glass=_enlarged(picture),
    )


def _way(flat: list[float], *, closed: bool = True) -> str:
    return way(np.reshape(flat, (-1, 2)), closed=closed)


def _parts(parts: list[dict[str, Any]]) -> Iterator[Stroke]:
    for part in parts:
        kind = part["kind"]
        fill = _CABIN if kind in _WITHIN else _TONES.get(kind, _STANDING)
        flat = kind in _FLAT
        yield Stroke(d=_way(part["points"]), fill=fill, line="none" if flat else _EDGE, width=1)


def _cabin(panes: list[list[float]], width: float, height: float) -> Iterator[Stroke]:
    """Round the glass; SVG's even-odd rule leaves the panes open."""
    if panes:
        whole = f"M-9 -9H{width + 9:g}V{height + 9:g}H-9Z"
        yield Stroke(d=whole + "".join(_way(pane) for pane in panes), fill=_CABIN)


def _marked(cue: dict[str, Any] | None) -> Marked | None:
    if cue is None:
        return None
    line = Stroke(d=_way(cue["line"], closed=False), line=_CORAL, width=5)
    return Marked(line, *cue["spot"])


def _enlarged(picture: dict[str, Any]) -> Enlarged | None:
    glass = picture["glass"]
    if glass is None:
        return None
    # Beside what it enlarges, where the cabin is.
    at_left = picture["cue"] is not None and picture["cue"]["spot"][0] > picture["size"][0] / 2
    return Enlarged(
        x=_BESIDE if at_left else picture["size"][0] - glass["size"][0] - _BESIDE,
        y=picture["size"][1] - glass["size"][1] - _BESIDE,
        outline=_way(glass["outline"]),
        strokes=tuple(_parts(glass["parts"])),
        cue=_marked(glass["cue"]),
    )
