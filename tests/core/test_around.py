"""The ground round a vehicle: nearest places by similar triangles, areas by single rays."""

import numpy as np
import pytest
from faircorner.documents.samples import HERON, LINNET, PLOVER, seat_document, vehicle_document
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.sight import Looker, around, mirrors_set, pane_hits
from shapely import Point, Polygon
from shapely.ops import unary_union


def seated(car):
    vehicle = VehicleDocument.read(vehicle_document(car)).build()
    return vehicle, SeatDocument.read(seat_document(car, "one", back=0.0, height=1.2)).build()


@pytest.mark.parametrize("car", [LINNET, HERON, PLOVER], ids=lambda car: car.name)
def test_the_nearest_ground_is_where_the_ray_over_the_edge_meets_it(car):
    vehicle, seat = seated(car)
    near = {one.side: one for one in around(vehicle, seat).nearest}
    eye = seat.eye
    # Over the bonnet: whichever place of it stands highest in the view.
    meets = max(
        eye[0] + (x - eye[0]) * eye[2] / (eye[2] - z)
        for x, z in vehicle.roofline if x > vehicle.wheelbase * 0.86 - 0.01
    )  # fmt: skip
    assert near["front"].direct == pytest.approx(meets - vehicle.nose, abs=0.03)
    for side, sign in (("left", 1), ("right", -1)):
        pane = next(p for p in vehicle.glass if p.name == "front door glass"
                    and p.corners[0, 1] * sign > 0)  # fmt: skip
        sill = pane.corners[:, 2].min()
        edge = abs(pane.corners[pane.corners[:, 2].argmin(), 1])
        # Whoever turns round sees it over the inner shoulder, from nearer.
        eyes = [eye] if eye[1] * sign > 0 else [eye, seat.looking_back]
        out = min(e[1] * sign + (edge - e[1] * sign) * e[2] / (e[2] - sill) for e in eyes)
        assert near[side].direct == pytest.approx(out - vehicle.width / 2, abs=0.03)


def test_in_a_mirrored_vehicle_the_sides_have_changed_and_nothing_else():
    vehicle, seat = seated(LINNET)
    mine, theirs = around(vehicle, seat), around(vehicle.mirrored(), seat.mirrored())
    other = {"left": "right", "right": "left"}
    near = {one.side: one for one in theirs.nearest}
    for one in mine.nearest:
        there = near[other.get(one.side, one.side)]
        np.testing.assert_allclose((one.direct, one.seen), (there.direct, there.seen), atol=1e-9)
    np.testing.assert_allclose(theirs.hiding.heights[::-1], mine.hiding.heights, atol=1e-9)


def test_what_is_told_as_hidden_no_ray_reaches_and_what_is_seen_one_does():
    vehicle, seat = seated(LINNET)
    found, ready = around(vehicle, seat), mirrors_set(vehicle, seat)
    hidden = unary_union([Polygon(ring).buffer(0) for ring in found.hidden])
    shown = {one.name: unary_union([Polygon(r).buffer(0) for r in one.ground])
             for one in found.mirrors if one.ground}  # fmt: skip
    assert set(shown) >= {"left door mirror", "right door mirror"}
    tried = 0
    for x, y in np.random.default_rng(5).uniform((-8, -7), (10, 7), (400, 2)):
        spot, place = Point(x, y), np.array([[x, y, 0.0]])
        inside = abs(y) < vehicle.width / 2 and -vehicle.rear_overhang < x < vehicle.nose
        # Near an edge the grid decides.
        if inside or hidden.boundary.distance(spot) < 0.35:
            continue
        tried += 1
        eyes = (seat.eye, seat.looking_back)
        direct = any(
            not np.isnan(pane_hits(pane, eye, place)[0, 0])
            for pane in vehicle.glass
            for eye in eyes
        )
        reflected = any(
            looker.faced and not np.isnan(glass[0]) and looker.shows_at(glass[None], place)[0]
            for mirror in ready.mirrors
            for looker in [Looker(ready, mirror, seat.eye)]
            for glass in [looker.on_glass(place)[0]]
        )
        if not direct and not reflected:
            assert hidden.contains(spot)
        if not hidden.contains(spot):
            assert direct or reflected
    assert tried > 150


def test_something_taller_shows_where_the_ground_is_hidden():
    vehicle, seat = seated(LINNET)
    hiding = around(vehicle, seat).hiding

    def least(x, y):
        row, column = np.round((np.array([y, x]) - hiding.corner[::-1]) / hiding.step).astype(int)
        return hiding.heights[row, column]

    # Just behind the hatch only what is about as high as the window's foot shows.
    behind = least(-vehicle.rear_overhang - 1.0, 0.0)
    assert 0.7 < behind < 1.1
    assert least(-vehicle.rear_overhang - 3.0, 0.0) < behind
    assert least(vehicle.nose + 6.0, 0.0) == 0.0
    assert np.isnan(least(1.0, 0.0))
