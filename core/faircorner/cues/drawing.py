"""What a plan's drawing shows beside the path: worked out here, so that a screen only draws it."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.plan import Plan
from faircorner.cues.scene import Scene
from faircorner.errors import InputError
from faircorner.ground import Dimension
from faircorner.plane import Floats, frozen, mirrored, mirrored_box, to_site
from faircorner.said import Said
from faircorner.sides import sided, turned_back, turned_in
from faircorner.vehicle import Vehicle

__all__ = ["Drawing", "SwingLine", "drawn", "held"]

# The gap at the start is drawn so far behind the parked vehicle's tail, and before the own rear
# axle in wheelbases, clear of the door mirror; and only where the start is parallel, rad.
_PAST_TAIL, _OF_WHEELBASE, _PARALLEL = 0.6, 0.1, np.radians(1.0)
# A swing smaller than this is not drawn, nor how it began farther off than that, m.
_LEAST, _BEGUN = 0.05, 3.0
# The corner's way is drawn from so far inside its lane, m.
_INSIDE = 0.02
# Two things are as near as each other when the plan has shared out the room between them, m.
_AS_NEAR = 0.01
# Room round what has to be seen, m.
_MARGIN = 0.8


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class SwingLine:
    """How the outermost corner leaves its lane. reach : from the lane's edge, its greatest

    said : which end it is; track : (n, 2), the corner's way outside, m on the site
    """

    said: Said
    reach: Dimension
    track: Floats

    def mirrored(self) -> "SwingLine":
        return replace(self, reach=self.reach.mirrored(), track=mirrored(self.track))


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Drawing:
    """dimensions : of the finish by its measures, and the gap at the start where it can be drawn

    away : (2,), the way out beside the vehicle at the end, one metre long
    nearest : names of what it comes nearest to
    view : (2, 2), the least and the greatest x and y that should be seen, m on the site
    """

    dimensions: tuple[Dimension, ...]
    away: Floats
    swing: SwingLine | None
    nearest: tuple[str, ...]
    view: Floats

    def mirrored(self) -> "Drawing":
        return replace(
            self,
            dimensions=tuple(line.mirrored() for line in self.dimensions),
            away=mirrored(self.away),
            swing=None if self.swing is None else self.swing.mirrored(),
            view=mirrored_box(self.view),
        )


@sided
def held(scene: Scene) -> tuple[Dimension, ...]:
    """Where the tape is held at a vehicle that stands somewhere: to the edge, and at both ends.

    Raises InputError where nobody said where it stands.
    """
    if scene.standing is None:
        raise InputError("standing", Said("standing wanted"))
    return scene.suited().ground.berth.dimensions(scene.standing, scene.vehicle)


def drawn(vehicle: Vehicle, plan: Plan) -> Drawing:
    """The drawing of a plan, on the plan's own side of the road."""
    side = plan.ground.side
    return turned_back(side, _drawn(turned_in(side, vehicle), turned_in(side, plan)))


def _drawn(vehicle: Vehicle, plan: Plan) -> Drawing:
    berth = plan.ground.berth
    finish = berth.dimensions(plan.track.poses[0, -1], vehicle)
    return Drawing(
        dimensions=(*finish, *_start_gap(vehicle, plan)),
        away=frozen(berth.away),
        swing=_swing_out(vehicle, plan),
        nearest=_nearest(plan),
        view=_view(plan, finish),
    )


def _start_gap(vehicle: Vehicle, plan: Plan) -> tuple[Dimension, ...]:
    """From the flank to the parked vehicle's, to a guide line, the mouths or the kerb."""
    ground, (x, y, heading) = plan.ground, plan.start
    if abs(heading) >= _PARALLEL:
        return ()
    begins = ground.goal.flank_from(ground.obstacles) + _PAST_TAIL
    at = max(begins, float(x) + _OF_WHEELBASE * vehicle.wheelbase)
    flank = float(y) + vehicle.width / 2
    return (Dimension(what="start_gap", ends=np.array([(at, flank), (at, ground.flank)])),)


def _swing_out(vehicle: Vehicle, plan: Plan) -> SwingLine | None:
    out = next((look for look in plan.looks if look.swings_out), None)
    if out is None or out.metres < _LEAST:
        return None
    lane = out.y + out.metres
    body, away = vehicle.outline[0], np.abs(plan.track.s[0] - out.at_s)
    placed = to_site(plan.track.poses[0, away.argmin()], body)
    corner = body[np.linalg.norm(placed - (out.x, out.y), axis=1).argmin()]
    track = to_site(plan.track.poses[0][away < _BEGUN], corner[None])[:, 0]
    return SwingLine(
        said=out.said,
        reach=Dimension(what="swing", ends=np.array([(out.x, lane), (out.x, out.y)])),
        track=frozen(track[track[:, 1] < lane + _INSIDE]),
    )


def _nearest(plan: Plan) -> tuple[str, ...]:
    least = min((metres for _, metres, _ in plan.clearances), default=0.0)
    return tuple(name for name, metres, _ in plan.clearances if metres <= least + _AS_NEAR)


def _view(plan: Plan, finish: tuple[Dimension, ...]) -> Floats:
    ground = plan.ground
    shown = ground.goal.in_view(ground.obstacles, ground.road_width)
    points = np.vstack((*plan.swept, *(line.ends for line in finish), shown))
    low, high = np.nanmin(points, axis=0), np.nanmax(points, axis=0)
    return frozen([low - _MARGIN, high + _MARGIN])
