"""Mirrors that not every vehicle of a body has, to be added where this one does.

Each as such a mirror usually is, and assumed until somebody has measured it.
"""

from collections.abc import Iterator
from typing import Any

import numpy as np

from faircorner.documents.usual.mirrors import mirror_document, rounded
from faircorner.plane import Floats, box
from faircorner.vehicle import Mirror, MirrorUse, Vehicle

__all__ = ["more_mirrors"]

# A strip at the outer edge of a car's door glass, which curves more toward its rim: taken to be
# part of one sphere, m.
_STRIP, _STRIP_RADIUS = 0.04, 0.50
# A round glass stuck into the outer lower corner of another: across, its sphere's radius, and how
# far before that other glass its face is, m.
_SPOT, _SPOT_RADIUS, _STUCK = 0.05, 0.15, 0.006
# On the front corners of what is heavy, m.
_FENDER, _FENDER_RADIUS = 0.20, 0.35
# One above the kerb-side door, and one ahead of the windscreen, m.
_KERB, _KERB_RADIUS, _FRONT, _FRONT_RADIUS = (0.22, 0.16), 0.40, 0.20, 0.30
# Either side by its name, and which way it lies.
_SIDES = (("left", 1.0), ("right", -1.0))


def more_mirrors(vehicle: Vehicle, *, heavy: bool, kerb: float) -> list[dict[str, Any]]:
    """Of a vehicle those it could have and has not, as documents.

    heavy : whether it is no car; kerb : the side that a driver does not sit on, 1 for the left
    """
    found = [*_on_others(vehicle, heavy=heavy)]
    if heavy:
        found += _by_themselves(vehicle, kerb)
    there = {mirror.name for mirror in vehicle.mirrors}
    return [
        {"on": None, **one, "moves_with": "body", "assumed": True}
        for one in found
        if one["name"] not in there
    ]


def _on_others(vehicle: Vehicle, *, heavy: bool) -> Iterator[dict[str, Any]]:
    for mirror in vehicle.mirrors:
        side, _, kind = mirror.name.partition(" ")
        if kind not in ("door mirror", "main mirror"):
            continue
        out = -mirror.across if mirror.centre[1] >= 0 else mirror.across
        wide, high = np.ptp(mirror.outline, axis=0) / 2
        if not heavy:
            yield _strip(f"{side} aspheric strip", mirror, out, float(wide), float(high))
        corner = mirror.centre + out * (wide - _SPOT / 2) - mirror.up * (high - _SPOT / 2)
        yield mirror_document(
            f"{side} spot mirror", corner + _STUCK * mirror.aim, mirror.aim, _SPOT_RADIUS,
            _round(_SPOT), "wide", on=mirror.name,
        )  # fmt: skip


def _strip(name: str, main: Mirror, out: Floats, wide: float, high: float) -> dict[str, Any]:
    """Goes on where the glass ends, in the same direction, and curves away from there."""
    turned = 0.0 if main.radius is None else float(np.arcsin(wide / main.radius))
    sunk = 0.0 if main.radius is None else main.radius * (1 - np.cos(turned))
    rim = main.centre + out * wide - main.aim * sunk
    more = turned + _STRIP / 2 / _STRIP_RADIUS
    along = out * np.cos(more) - main.aim * np.sin(more)
    aim = main.aim * np.cos(more) + out * np.sin(more)
    outline = box(-_STRIP / 2, _STRIP / 2, 0.9 * high)
    return mirror_document(
        name, rim + along * _STRIP / 2, aim, _STRIP_RADIUS, outline.tolist(), None, on=main.name
    )


def _by_themselves(vehicle: Vehicle, kerb: float) -> Iterator[dict[str, Any]]:
    half, nose = vehicle.width / 2, vehicle.nose
    sill, roof = _glass_between(vehicle)
    down = np.array([-0.2, 0.0, -0.98]) / np.hypot(0.2, 0.98)
    behind = np.array([-1.0, 0.0, 0.0])

    def hung(
        name: str, at: tuple[float, float, float], aim: Floats, radius: float,
        outline: list[list[float]], use: MirrorUse,
    ) -> dict[str, Any]:  # fmt: skip
        return mirror_document(name, np.array(at), aim, radius, outline, use)

    yield hung("kerb mirror", (nose - 0.45, kerb * (half + 0.12), roof - 0.10), down,
               _KERB_RADIUS, rounded(*_KERB), "door")  # fmt: skip
    yield hung("front mirror", (nose + 0.20, kerb * (half - 0.35), roof - 0.05), down,
               _FRONT_RADIUS, rounded(_FRONT, _FRONT), "nose")  # fmt: skip
    for side, sign in _SIDES:
        yield hung(f"{side} fender mirror", (nose + 0.12, sign * (half - 0.05), sill + 0.20),
                   behind, _FENDER_RADIUS, _round(_FENDER), "nose")  # fmt: skip


def _glass_between(vehicle: Vehicle) -> tuple[float, float]:
    """Heights of the lowest and of the highest glass, m; as is usual where none is known."""
    heights = [pane.corners[:, 2] for pane in vehicle.glass]
    if not heights:
        return 1.75, 2.5
    return float(min(z.min() for z in heights)), float(max(z.max() for z in heights))


def _round(across: float) -> list[list[float]]:
    turns = np.linspace(0.0, 2 * np.pi, 20, endpoint=False)
    circle = np.column_stack((np.cos(turns), np.sin(turns))) * across / 2
    return [[float(v) for v in np.round(one, 4)] for one in circle]
