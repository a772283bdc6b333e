"""The body as solid blocks: what it hides, held against points tried one by one."""

import numpy as np
import pytest
from faircorner.documents.usual import BODY_SHAPES, UsualRequest, usual_vehicle
from faircorner.documents.vehicle import VehicleDocument
from faircorner.vehicle import blocks_of, outer_blocks, stopped
from scipy.spatial import Delaunay


def made(shape):
    return VehicleDocument.read(usual_vehicle(UsualRequest(name="New", shape=shape))).build()


@pytest.mark.parametrize("shape", BODY_SHAPES)
def test_what_a_body_stops_is_what_has_a_point_inside_it(shape):
    """Every line is walked along in steps of some millimetres; a corner cut shorter counts not."""
    vehicle, rng = made(shape), np.random.default_rng(7)
    low, high = (-vehicle.rear_overhang - 2, -3, 0), (vehicle.nose + 2, 3, 4)
    begins, ends = rng.uniform(low, high, (2, 120, 3))
    for block in blocks_of(vehicle):
        hull = Delaunay(block.corners)
        steps = np.linspace(0, 1, 3000)[:, None, None]
        inside = hull.find_simplex(begins + steps * (ends - begins)) >= 0
        # Grazed by no more than the blocks are made smaller by.
        through = inside.sum(axis=0) * np.linalg.norm(ends - begins, axis=1) / 3000
        found = stopped((block,), begins, ends)
        assert not (found & (through == 0)).any()
        assert found[through > 0.12].all()


@pytest.mark.parametrize("shape", BODY_SHAPES)
def test_the_blocks_fill_the_body_and_leave_nothing_out(shape):
    """A line straight through from either side is stopped just below the roofline, never above."""
    vehicle = made(shape)
    for (x0, z0), (x1, z1) in zip(vehicle.roofline[:-1], vehicle.roofline[1:], strict=True):
        x, z = (x0 + x1) / 2, (z0 + z1) / 2
        if x0 - x1 < 0.05:
            continue
        low, high = z - 0.07, max(z0, z1) + 0.02
        begins, ends = (
            np.array([[x, 3.0, low], [x, 3.0, high]]),
            np.array([[x, -3, low], [x, -3, high]]),
        )
        assert stopped(blocks_of(vehicle), begins, ends).tolist() == [True, False]


def test_behind_the_wheel_only_what_stands_beyond_the_glass_is_in_the_way():
    saloon, hatch = made("saloon"), made("small hatch")
    assert len(outer_blocks(saloon)) > len(blocks_of(saloon)) - len(outer_blocks(saloon)) - 9
    for vehicle in (saloon, hatch):
        eye, sill = np.array([1.2, 0.37, 1.2]), vehicle.roofline[3]
        # Past the bonnet's front the road shows from where the line over it meets the ground.
        edge = vehicle.roofline[2]
        meets = eye[0] + (edge[0] - eye[0]) * eye[2] / (eye[2] - edge[1])
        assert edge[1] < sill[1]
        for off, hidden in ((-0.3, True), (0.3, False)):
            place = np.array([[meets + off, 0.37, 0.0]])
            assert stopped(outer_blocks(vehicle), eye[None], place)[0] == hidden


def test_without_a_roofline_nobody_knows_what_the_body_hides():
    body = {**usual_vehicle(UsualRequest(name="New", shape="saloon")), "roofline_m": []}
    vehicle = VehicleDocument.read(body).build()
    assert blocks_of(vehicle) == ()
    assert not stopped((), np.zeros((2, 3)), np.ones((2, 3))).any()
