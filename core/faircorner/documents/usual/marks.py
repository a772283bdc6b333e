"""Places on a body that a driver lines things up with."""

from typing import Any

from faircorner.documents.usual.bodies import Body, Measures
from faircorner.documents.usual.glass import screen_of

__all__ = ["marks_of"]

# How far inside the flank a belt is anchored, m.
_TRIM = 0.10


def marks_of(body: Body, of: Measures) -> list[dict[str, Any]]:
    """Mirrors, handles, pillars, belts and lamps on both flanks; wiper and bonnet corner ahead."""
    wb = of.wheelbase
    # Level with the sill or about it, whatever the body.
    mirror, handle, pillar = body.sill + 0.08, body.sill - 0.04, body.sill + 0.21
    if body.kind == "car":
        along = [
            ("door mirror", 0.76 * wb, mirror), ("front door handle", 0.44 * wb, handle),
            ("B-pillar", 0.395 * wb, pillar), ("rear door handle", 0.09 * wb, handle),
            ("C-pillar", 0.06 * wb, pillar), ("rear lamp", 0.06 + of.tail, 0.80),
        ]  # fmt: skip
    else:
        behind = 1.10 if body.bonnet else 0.45
        along = [
            ("door mirror", of.nose - behind, mirror + 0.2),
            ("front door handle", of.nose - behind - 1.05, handle - 0.2),
            ("B-pillar", of.nose - behind - 1.20, pillar), ("rear lamp", 0.06 + of.tail, 0.90),
        ]  # fmt: skip
    half = of.width / 2
    # Inside, at the shoulder of who sits there.
    anchored = next(x for name, x, _ in along if name == "B-pillar") + 0.05
    belt = ("belt anchorage", anchored, half - _TRIM, body.sill + 0.16)
    ahead = [("wiper", screen_of(body, of)[0], half - 0.40, body.sill + 0.01)]
    if body.bonnet:
        ahead.append(("bonnet corner", of.nose - 0.35, half - 0.20, 0.87 * body.sill))
    places = [*((name, x, half, z) for name, x, z in along), belt, *ahead]
    return [_mark(name, x, side * y, z) for side in (1, -1) for name, x, y, z in places]


def _mark(name: str, x: float, y: float, z: float) -> dict[str, Any]:
    place: dict[str, Any] = {
        "name": name, "x_m": round(x, 3), "y_m": round(y, 3), "z_m": round(z, 3)
    }  # fmt: skip
    return {**place, "role": "door mirror"} if name == "door mirror" else place
