"""Cues in a mirror: on which side of its mark an image is told, and what is seen there."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.documents.samples import LINNET, seat_document, vehicle_document
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.sight import Looker, mirrors_set, near_dipped
from faircorner.sight.told import OUT

SEAT = SeatDocument.read(seat_document(LINNET, "one", back=0.0, height=1.2)).build()
CAR = mirrors_set(VehicleDocument.read(vehicle_document(LINNET)).build(), SEAT)


def looker(side, vehicle=CAR):
    mirror = next(m for m in vehicle.mirrors if m.name == f"{side} door mirror")
    return Looker(vehicle, mirror, SEAT.eye)


def here(by):
    return np.array([-by, 0.0, 0.0])


def along(y, z=0.0):
    x = np.linspace(-30.0, 4.0, 200)
    return np.column_stack((x, np.full_like(x, y), np.full_like(x, z)))


def past(side, line, mark, vehicle=CAR):
    return next((one for _, one in looker(side, vehicle).past(here, [line]) if one.mark == mark),
                None)  # fmt: skip


@pytest.mark.parametrize(("side", "sign"), [("left", 1), ("right", -1)])
def test_what_runs_farther_out_is_told_as_outside_of_the_own_handle(side, sign):
    handle = next(f for f in CAR.features if f.name == "rear door handle" and f.y * sign > 0)
    # Along the flank and as high as the handle it runs right through it.
    at = past(side, along(sign * (CAR.width / 2 + 0.001), handle.z), handle.name)
    assert at.offset == pytest.approx(0.0, abs=1e-3)
    out = [past(side, along(sign * (CAR.width / 2 + by), handle.z), handle.name).offset
           for by in (0.05, 0.1)]  # fmt: skip
    assert 0 < out[0] < out[1]


@pytest.mark.parametrize("side", ["left", "right"])
def test_what_is_seen_at_a_point_of_the_glass_is_what_a_ray_from_there_meets(side):
    """By the law of reflection: at the glass's point the normal halves the angle."""
    sign = 1 if side == "left" else -1
    found = [one for _, one in looker(side).past(here, [along(sign * 2.2)])]
    assert found
    mirror, eye = looker(side).mirror, SEAT.eye
    for one in found:
        middle = mirror.centre - mirror.radius * mirror.aim
        normal = (one.hit - middle) / np.linalg.norm(one.hit - middle)
        ways = [(p - one.hit) / np.linalg.norm(p - one.hit) for p in (eye, one.place)]
        # The point lies on the chord of the glass, a little before the sphere; and the place
        # between two that were looked for.
        assert normal @ ways[0] == pytest.approx(normal @ ways[1], abs=0.03)


def test_an_image_moves_as_it_is_told_and_faster_where_it_is_sharper():
    line = along(2.0)
    # Sideways toward the kerb, and backward, which changes nothing along it.
    found = list(looker("left").past(lambda by: np.array([-by, by, 0.0]), [line]))
    assert found
    for _, one in found:
        still = one.moved(np.zeros(3))
        assert still(0.0) == pytest.approx(0.0, abs=1e-9)
        assert one.scatter > 0
        # Nearer to the kerb its image comes inward, and down.
        if one.told is OUT:
            assert still(0.3) < 0


def test_dipped_the_near_mirror_shows_the_rear_tyre_where_it_meets_the_ground():
    plain = VehicleDocument.read(vehicle_document(LINNET)).build()
    dipped = mirrors_set(near_dipped(plain), SEAT)
    tyre = np.array([0.0, CAR.width / 2 + 0.25, 0.0])
    glass = looker("left", dipped).on_glass(tyre[None])[0]
    assert glass == pytest.approx((0.0, 0.0), abs=1e-6)
    assert np.abs(looker("left").on_glass(tyre[None])[0]).max() > 0.05
    np.testing.assert_array_equal(looker("right", dipped).mirror.aim, looker("right").mirror.aim)


def test_a_mirror_that_no_pane_shows_tells_nothing():
    assert looker("left").faced
    bare = replace(CAR, glass=tuple(p for p in CAR.glass if p.name == "rear window"))
    assert not looker("left", bare).faced
    # From behind its glass there is nothing to see either.
    mirror = next(m for m in CAR.mirrors if m.name == "left door mirror")
    assert not Looker(CAR, mirror, mirror.centre - mirror.aim).faced
