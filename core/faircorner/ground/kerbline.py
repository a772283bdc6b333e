"""Where land begins along a road: a straight edge, or two that meet in a rounded corner."""

from dataclasses import dataclass, field

import numpy as np

from faircorner.compiled import compiled, whole
from faircorner.plane import Floats, to_site
from faircorner.vehicle import Vehicle

__all__ = ["FAR_KERB", "KERB", "Kerbline", "far_kerb", "near_kerb"]

KERB, FAR_KERB = "kerb", "far kerb"
# Left between tyres and a kerb, and between a swinging body and an edge it may not cross, m.
TYRE_SPARE, BODY_SPARE = 0.04, 0.15


@compiled
def _square_beside(ax: float, ay: float, bx: float, by: float) -> float:
    """Squared distance of the origin to a straight side between two places, m²."""
    ex, ey = bx - ax, by - ay
    length = ex * ex + ey * ey
    share = min(max(-(ax * ex + ay * ey) / length, 0.0), 1.0) if length > 0 else 0.0
    return float((ax + share * ex) ** 2 + (ay + share * ey) ** 2)


@compiled
def _gap(x: float, y: float, cos: float, sin: float, points: Floats, radius: float) -> float:
    """Of one convex body in the edge's frame, m; radius NaN for a straight edge."""
    if np.isnan(radius):
        gap = np.inf
        for j in range(len(points)):
            gap = min(gap, -(y + sin * points[j, 0] + cos * points[j, 1]))
        return gap
    # From the curve's centre, beyond which lies the quarter plane.
    x, y = x - radius, y - radius
    outside, inside = np.inf, np.inf
    ahead, left = points[-1]
    last_x, last_y = x + cos * ahead - sin * left, y + sin * ahead + cos * left
    for j in range(len(points)):
        ahead, left = points[j]
        here_x, here_y = x + cos * ahead - sin * left, y + sin * ahead + cos * left
        if here_x < 0 or here_y < 0:
            outside = min(outside, min(here_x, 0.0) ** 2 + min(here_y, 0.0) ** 2)
        else:
            inside = min(inside, -min(here_x, here_y))
        outside = min(outside, _square_beside(last_x, last_y, here_x, here_y))
        last_x, last_y = here_x, here_y
    # The root is taken once a body, not once a point.
    return float(min(np.sqrt(outside), inside) - radius)


@compiled
def _in_frame(pose: Floats, frame: Floats) -> tuple[float, float, float, float]:
    """Where a body stands in the edge's frame, m, and the cosine and sine of its heading there.

    frame : (4,), m, and the cosine and sine of its own heading
    """
    dx, dy, cos, sin = pose[0] - frame[0], pose[1] - frame[1], frame[2], frame[3]
    ahead, left = np.cos(pose[2]), np.sin(pose[2])
    x, y = cos * dx + sin * dy, cos * dy - sin * dx
    return x, y, cos * ahead + sin * left, cos * left - sin * ahead


@compiled
def _gaps(poses: Floats, points: Floats, frame: Floats, radius: float) -> Floats:
    """Of each pose (n, 3), m."""
    gaps = np.empty(len(poses))
    for i in range(len(poses)):
        x, y, cos, sin = _in_frame(poses[i], frame)
        gaps[i] = _gap(x, y, cos, sin, points, radius)
    return gaps


@compiled
def _tyre_gaps(
    poses: Floats, bends: Floats, ends: Floats, tyre: Floats, frame: Floats, radius: float
) -> Floats:
    """Of the tyre nearest to the edge at each pose (n, 3), m; bends : (n,), 1/m, of the path."""
    gaps = np.full(len(poses), np.inf)
    straight, long, wide = np.isnan(radius), tyre[:, 0].max(), tyre[:, 1].max()
    for i in range(len(poses)):
        x, y, cos, sin = _in_frame(poses[i], frame)
        for j in range(len(ends)):
            ahead, left = ends[j, 0], ends[j, 1]
            # As `tyre_poses` turns it, without the angle.
            along, across = 1 - left * bends[i], ahead * bends[i]
            length = np.sqrt(along * along + across * across)
            tyre_cos = (cos * along - sin * across) / length
            tyre_sin = (sin * along + cos * across) / length
            x_there = x + cos * ahead - sin * left
            y_there = y + sin * ahead + cos * left
            if straight:
                # How far a box reaches toward it.
                gap = -(y_there + abs(tyre_sin) * long + abs(tyre_cos) * wide)
            else:
                gap = _gap(x_there, y_there, tyre_cos, tyre_sin, tyre, radius)
            gaps[i] = min(gaps[i], gap)
    return gaps


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Kerbline:
    """An edge that vehicles stay off, the working side on the left.

    frame : (3,), on the site. Straight, land lies at y > 0; round a corner, where x and y > 0
    radius : m of the corner's curve, None for a straight edge
    of_tyres : whether only tyres are held off it, so that the body may reach over
    across : whether it bounds the road or aisle on the other side
    turned_at : whether room to it is what the manoeuvre is about, as room to a parked vehicle is
    """

    name: str
    frame: Floats
    radius: float | None = None
    of_tyres: bool
    across: bool = False
    turned_at: bool = False
    # x and y of the frame, and the cosine and sine of its heading.
    _turned: Floats = field(init=False, repr=False)

    def __post_init__(self) -> None:
        x, y, heading = self.frame
        object.__setattr__(self, "_turned", np.array([x, y, np.cos(heading), np.sin(heading)]))

    @property
    def drawn_as(self) -> str:
        """What kind of edge it is in a document."""
        return "far kerb" if self.across else "kerb"

    @property
    def spare(self) -> float:
        """What a plan leaves, m."""
        return TYRE_SPARE if self.of_tyres else BODY_SPARE

    def gap(self, poses: Floats, points: Floats) -> Floats:
        """Least signed distance of a body, m, negative on the land.

        poses : (..., 3), on the site; points : (n, 2), in the body's frame, the corners of its
        convex outline, whose sides count too. Returns (...).
        The land round a corner is the quarter plane beyond the curve's centre grown by the
        radius, so that off it the distance is that to the quarter plane less the radius: from a
        corner of the body, or from the quarter plane's own to a side.
        """
        radius = np.nan if self.radius is None else self.radius
        flat = whole(poses.reshape(-1, 3))
        gaps = _gaps(flat, whole(points), self._turned, radius)
        return gaps.reshape(poses.shape[:-1])

    def tyre_gap(self, poses: Floats, turns: Floats, vehicle: Vehicle) -> Floats:
        """Least signed distance of a vehicle's tyres, the front ones turned, m: (...).

        poses : (..., 3), on the site; turns : (...), of the wheel
        """
        radius = np.nan if self.radius is None else self.radius
        gaps = _tyre_gaps(
            whole(poses.reshape(-1, 3)), vehicle.steering.bend(turns).reshape(-1),
            whole(vehicle.axle_ends), whole(vehicle.tyre), self._turned, radius,
        )  # fmt: skip
        return gaps.reshape(poses.shape[:-1])

    def drawn(self, reach: float) -> Floats:
        """The edge as a polyline (n, 2) on the site, straight stretches `reach` m long."""
        if self.radius is None:
            line = np.array([(-reach, 0.0), (reach, 0.0)])
        else:
            angle = np.linspace(-np.pi / 2, -np.pi, 25)
            curve = self.radius * (1 + np.stack((np.cos(angle), np.sin(angle)), axis=-1))
            line = np.vstack(((reach, 0.0), curve, (0.0, reach)))
        return to_site(self.frame, line)


def near_kerb(*, of_tyres: bool = True, turned_at: bool = False) -> Kerbline:
    """The kerb on the working side, its face on y = 0."""
    return Kerbline(name=KERB, frame=np.zeros(3), of_tyres=of_tyres, turned_at=turned_at)


def far_kerb(
    width: float, *, name: str = FAR_KERB, of_tyres: bool = False, turned_at: bool = False
) -> Kerbline:
    """The road's other edge, `width` m across."""
    frame = np.array([0.0, -width, np.pi])
    return Kerbline(name=name, frame=frame, of_tyres=of_tyres, across=True, turned_at=turned_at)
