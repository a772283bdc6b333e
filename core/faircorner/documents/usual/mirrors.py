"""The mirrors of a body: where they hang, how they are curved, and what each is set to show.

Their aims are those of an ordinary driver; a mirror with a use is set anew for whoever sits there.
"""

from typing import Any

import numpy as np

from faircorner.documents.usual.bodies import Body, Measures
from faircorner.plane import Floats
from faircorner.sides import Side
from faircorner.sight import bisecting, shown_by
from faircorner.vehicle import MirrorUse

__all__ = ["mirror_document", "mirrors_of", "rounded", "usual_eye"]

# How far from a rectangle's corner its rounding begins, as a share of the shorter side.
_ROUNDED = 0.22


def mirrors_of(body: Body, of: Measures, driver: Side) -> list[dict[str, Any]]:
    """driver : the side they sit on; only the other one has a mirror that looks down its flank."""
    eye = usual_eye(body, of, driver)
    made = [_Hung(of, eye, one) for one in ("left", "right")]
    if body.kind == "car":
        inside = (0.64 * of.wheelbase, 0.0, body.roof - 0.10)
        mirrors = [made[0].mirror("interior mirror", inside, (0.23, 0.06), None, "behind")]
        for hung in made:
            mirrors.append(hung.beside("door mirror", 0.76 * of.wheelbase, body.sill + 0.10,
                                       0.12, 1.30, "flank"))  # fmt: skip
        return mirrors
    # Where both are seen past the pillar.
    x, z = (of.nose - 1.10, body.sill + 0.20) if body.bonnet else (of.nose - 0.45, body.sill + 0.40)
    mirrors = []
    for hung in made:
        high = 0.24 if body.bonnet else 0.36
        mirrors.append(hung.beside("main mirror", x, z, high, 1.80, "flank"))
        mirrors.append(hung.beside("wide-angle mirror", x, z - high / 2 - 0.10, 0.15, 0.45, "wide"))
    if not body.bonnet:
        kerb = made[1 if driver == "left" else 0]
        over = (of.nose - 0.45, kerb.side * (of.width / 2 + 0.12), body.roof - 0.12)
        mirrors.append(kerb.mirror("kerb mirror", over, (0.22, 0.16), 0.40, "door"))
        ahead = (of.nose + 0.20, kerb.side * (of.width / 2 - 0.35), body.roof - 0.05)
        mirrors.append(kerb.mirror("front mirror", ahead, (0.20, 0.20), 0.30, "nose"))
    return mirrors


def usual_eye(body: Body, of: Measures, driver: Side) -> Floats:
    """An ordinary driver's eye, (3,) m in the vehicle's frame."""
    side = 1 if driver == "left" else -1
    if body.kind == "car":
        return np.array([0.47 * of.wheelbase, side * 0.37, body.sill + 0.27])
    behind = 1.75 if body.bonnet else 1.05
    return np.array([of.nose - behind, side * (0.45 if body.bonnet else 0.70), body.sill + 0.50])


class _Hung:
    """Hangs mirrors on one side."""

    def __init__(self, of: Measures, eye: Floats, name: Side) -> None:
        self.of, self.eye, self.name = of, eye, name
        self.side = 1 if name == "left" else -1

    def beside(
        self, name: str, x: float, z: float, high: float, radius: float, use: MirrorUse
    ) -> dict[str, Any]:
        """On the flank, as wide as what reaches beyond it lets its glass be."""
        reach = (self.of.mirror_width - self.of.width) / 2
        wide = min(max(reach + 0.03, 0.10), 0.19)
        y = self.side * (self.of.width / 2 + reach - wide / 2)
        return self.mirror(f"{self.name} {name}", (x, y, z), (wide, high), radius, use)

    def mirror(
        self, name: str, centre: tuple[float, float, float], size: tuple[float, float],
        radius: float | None, use: MirrorUse,
    ) -> dict[str, Any]:  # fmt: skip
        at = np.array(centre)
        toward = shown_by(use, at, self.of.width / 2, self.of.tail, self.of.nose)
        aim = bisecting(at, self.eye, toward)
        return mirror_document(name, at, aim, radius, rounded(*size), use)


def mirror_document(
    name: str, centre: Floats, aim: Floats, radius: float | None, outline: list[list[float]],
    use: MirrorUse | None, *, on: str = "",
) -> dict[str, Any]:  # fmt: skip
    """A mirror as a vehicle's document has it. on : the glass that it turns with"""
    places = zip(("x_m", "y_m", "z_m"), centre, strict=True)
    return {
        "name": name,
        "centre": {axis: round(float(v), 3) for axis, v in places},
        "aim": {axis: round(float(v), 5) for axis, v in zip("xyz", aim, strict=True)},
        "radius_m": radius,
        "outline_m": outline,
        "set_for": use,
        **({"on": on} if on else {}),
    }


def rounded(wide: float, high: float) -> list[list[float]]:
    """A rectangle with its corners cut twice, about its middle."""
    x, z, cut = wide / 2, high / 2, _ROUNDED * min(wide, high)
    corner = [(x, z - cut), (x - 0.3 * cut, z - 0.3 * cut), (x - cut, z)]
    quarter = [*corner, *((-a, b) for a, b in reversed(corner))]
    whole = [*quarter, *((-a, -b) for a, b in quarter)]
    return [[round(a, 4), round(b, 4)] for a, b in whole]
