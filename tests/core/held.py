"""What a plan says, found again apart from the fit: its legs driven at 2 cm, gaps by Shapely."""

import numpy as np
from faircorner.cues.problem import LEAST_SPARE
from faircorner.documents.samples import (
    HERON,
    LINNET,
    PLOVER,
    SORREL,
    Car,
    seat_document,
    vehicle_document,
)
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.ground import FAR_KERB, Bay, Corner
from faircorner.motion import clearance, drive
from faircorner.plane import to_site
from faircorner.standards import finish_at
from hypothesis import strategies as st
from shapely import Point, Polygon, box, distance, points, polygons, union_all

CARS = {car.name: car for car in (LINNET, HERON, SORREL, PLOVER)}
_FAR = 200.0

plausible_cars = st.builds(
    Car, name=st.just("any"), length=st.floats(3.4, 5.2), width=st.floats(1.6, 1.95),
    mirror_width=st.just(2.15), wheelbase=st.floats(2.3, 2.9), front_overhang=st.floats(0.7, 0.95),
    track=st.just(1.45), lock_turns=st.floats(1.2, 1.8), kerb_circle=st.floats(9.8, 12.0),
    part_lock=st.none(), body=st.sampled_from(["small hatch", "saloon", "estate", "SUV"]),
    drives_on=st.sampled_from(["left", "right"]),
)  # fmt: skip


def plausible(car):
    """Whether the bumper at the rear is behind the rear axle at all."""
    return car.length - car.wheelbase - car.front_overhang >= 0.3


def built(car):
    vehicle = VehicleDocument.read(vehicle_document(car)).build()
    seat = SeatDocument.read(seat_document(car, "seat", back=0.0, height=1.2)).build()
    return vehicle, seat


def rounded(radius, left):
    """Land beyond a corner whose curve ends on x = 0 and y = 0, as a polygon built otherwise."""
    quarter = union_all(
        [Point(radius, radius).buffer(radius, quad_segs=180),
         box(radius, 0, _FAR, _FAR), box(0, radius, _FAR, _FAR)]
    )  # fmt: skip
    return Polygon([(-x - left, y) for x, y in quarter.exterior.coords]) if left else quarter


def lands(ground):
    """What lies behind every kerb, by its name; the working side on the left."""
    goal, width = ground.goal, ground.road_width
    far = box(-_FAR, -_FAR, _FAR, -width)
    if isinstance(goal, Bay):
        return {"far side of the aisle": far}
    if isinstance(goal, Corner):
        across = rounded(goal.radius, goal.side_width)
        return {"kerb": rounded(goal.radius, 0), "far kerb of the side road": across, FAR_KERB: far}
    return {"kerb": box(-_FAR, 0, _FAR, _FAR), FAR_KERB: far}


def _depth(land, outlines):
    """Least signed distance of outlines (..., corners, 2) to land, m; negative inside."""
    apart = distance(land, polygons(outlines.reshape(-1, *outlines.shape[-2:]))).min()
    if apart > 0:
        return float(apart)
    flat = points(outlines.reshape(-1, 2))
    outside = distance(land, flat)
    inside = distance(land.boundary, flat)
    return float(np.where(outside > 0, outside, -inside).min())


def tyre_corners(car, poses, turns):
    """Corners of the tyres, (n, 4 tyres, 4, 2): front ones are square to the centre of the turn."""
    with np.errstate(divide="ignore"):
        centre = 1 / car.steering.curvature(turns)
    half, width = 0.2, car.tyre_width / 2
    tyre = np.array([-half - width * 1j, half - width * 1j, half + width * 1j, -half + width * 1j])
    placed = []
    for x, track in ((0.0, car.track_rear), (car.wheelbase, car.track_front)):
        for y in (track / 2, -track / 2):
            own = np.exp(1j * np.arctan(x / (centre - y)))[:, None]
            body = x + y * 1j + own * tyre
            turned = np.exp(1j * poses[:, 2:3]) * body
            placed.append((poses[:, :1] + turned.real, poses[:, 1:2] + turned.imag))
    return np.array(placed).transpose(2, 0, 3, 1)


def assert_holds(plan, vehicle):
    """What the plan says of its finish and of every gap, found again from its legs alone."""
    assert plan.feasible, str(plan.why_not)
    track = drive(vehicle.steering, plan.start[None], [0.0], plan.legs, sample=0.02)
    left = plan.ground.side == "left"
    car = vehicle if left else vehicle.mirrored()
    poses = track.poses if left else track.poses * [1, -1, -1]
    tyres = tyre_corners(car, poses[0], track.turns[0] if left else -track.turns[0])
    ground = plan.ground.kerb_on_left()
    finish = finish_at(poses[:, -1], car, ground)
    for measure in ("kerb_front", "kerb_rear", "ahead", "behind"):
        off = finish.measure(measure)[0] - plan.finish.measure(measure)[0]
        assert np.isnan(off) or abs(off) < 0.01
    assert abs(finish.measure("angle")[0] - plan.finish.measure("angle")[0]) < np.radians(0.2)
    stated = {name: metres for name, metres, _ in plan.clearances}
    for obstacle in ground.obstacles:
        if obstacle.low:
            gap = distance(polygons(tyres.reshape(-1, 4, 2)), Polygon(obstacle.polygon)).min()
        else:
            gap = clearance(poses, car.outline, obstacle.polygon).metres[0]
        assert abs(gap - stated[obstacle.name]) < 0.005
        assert gap > LEAST_SPARE - 0.01
    for name, land in lands(ground).items():
        line = next(line for line in ground.kerblines if line.name == name)
        gap = _depth(land, tyres if line.of_tyres else to_site(poses[0], car.outline[0]))
        assert abs(gap - stated[name]) < 0.005, name
        assert gap > -0.005
    return finish
