"""The ground round a vehicle: nearest places by similar triangles, areas by single rays."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.documents.samples import HERON, LINNET, PLOVER, seat_document, vehicle_document
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.sight import Looker, around, mirrors_set, pane_hits
from faircorner.vehicle import RearCamera, Trailer
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


@pytest.mark.parametrize("down", [20.0, 35.0, 60.0])
def test_a_rear_camera_shows_the_ground_from_where_its_lower_edge_meets_it(down):
    vehicle, seat = seated(LINNET)
    end = np.array([-vehicle.rear_overhang, 0.0, 0.8])
    camera = RearCamera(centre=end, down=np.radians(down), across=np.radians(100.0))
    found = around(replace(vehicle, camera=camera), seat)
    plain = around(vehicle, seat)
    # It takes in three quarters as much upward as across: 37.5 degrees below where it looks.
    meets = 0.8 / np.tan(np.radians(min(down + 37.5, 90.0)))
    assert found.camera.begins == pytest.approx(meets, abs=0.05)
    for ring in found.camera.ground:
        # Where the outline's own coarseness counts for little.
        off = ((ring - end[:2]) * [-1, 1])[ring[:, 0] < end[0] - 2.0]
        if not len(off):
            continue
        assert np.abs(np.degrees(np.arctan2(off[:, 1], off[:, 0]))).max() <= 50 + 3
    # A help: what is hidden to the driver stays hidden, and nothing else is told otherwise.
    assert len(found.hidden) == len(plain.hidden)
    np.testing.assert_array_equal(found.hiding.heights, plain.hiding.heights)
    assert plain.camera is None


def test_a_trailer_in_line_hides_what_is_behind_it_and_what_lies_under_its_lee():
    vehicle, seat = seated(HERON)
    trailer = Trailer(hitch=-1.1, kingpin_to_axle=4.0, length=5.6, width=2.3,
                      front_of_kingpin=-1.0, max_articulation=1.2)  # fmt: skip
    towing = replace(vehicle, trailer=trailer)
    alone, found = around(vehicle, seat), around(towing, seat)
    assert ({one.side: one for one in alone.nearest}["rear"].direct) < 10
    # Behind a caravan the rear window shows nothing.
    assert np.isnan({one.side: one for one in found.nearest}["rear"].direct)
    tail = -1.1 - 1.0 - 5.6
    mirrors = {one.name: unary_union([Polygon(r).buffer(0) for r in one.ground])
               for one in found.mirrors if one.ground}  # fmt: skip
    for name, side in (("left door mirror", 1), ("right door mirror", -1)):
        # Past its flank one sees; in its lee, behind it, no mirror shows anything.
        assert not mirrors[name].contains(Point(tail - 1.0, 0.9 * side))
        assert not mirrors[name].intersects(Point(tail + 1.0, 0.3 * side))
    ahead = {one.side: one for one in found.nearest}["front"]
    assert ahead.direct == {one.side: one for one in alone.nearest}["front"].direct
