"""A kerb past a mark, by similar triangles: every expected figure is worked beside the test."""

import numpy as np
import pytest
from faircorner.sight import ACUITY, CRAWL, LEAN, REACTION, edge_sights
from faircorner.vehicle import Feature
from hypothesis import given
from hypothesis import strategies as st

from tests.core.test_sight import SEAT, car

# Abeam of the eye, 1.2 m from it, and as high as the sill.
MIRROR = Feature(name="door mirror", x=1.2, y=0.8, z=0.6)


# Rolling straight past, or toward it sideways.
def still(_by):
    return np.zeros(3)


def sideways(by):
    return np.array([0.0, by, np.pi / 2])


def along(y):
    return np.array([(-30.0, y), (30.0, y)])


def one(edge, onward=still, **more):
    features = ({"features": (MIRROR,)} | more)["features"]
    sights = edge_sights(car(**({"features": features} | more)), SEAT, onward, edge)
    # Past a pane's own corners it is told as well.
    (found,) = (one for one in sights if one.sighting.feature == features[0].name)
    return found


def test_the_edge_runs_at_the_height_similar_triangles_give():
    # The mark is 1.2 m from the eye, the kerb at y = 2.0 is 2.4: half of the eye's height is left.
    found = one(along(2.0))
    assert found.sighting.z == pytest.approx(0.6)
    assert found.sighting.offset == pytest.approx(0.0)
    assert found.sighting.told.along == "z"
    assert found.sighting.through == "side glass"
    np.testing.assert_allclose(found.ground, (1.2, 2.0))


@given(st.floats(1.3, 15.0))
def test_the_farther_the_edge_the_higher_it_runs(y):
    found = one(along(y))
    assert found.sighting.offset == pytest.approx(1.2 * (1 - 1.2 / (y + 0.4)) - 0.6)


def test_an_edge_nearer_than_the_mark_is_hidden_by_the_door_and_told_nowhere():
    assert edge_sights(car(features=(MIRROR,)), SEAT, still, along(0.7)) == []
    assert edge_sights(car(features=(MIRROR,)), SEAT, still, along(-5.0)) == []


def test_below_the_sill_no_glass_shows_it():
    # At y = 1.4 it would run 0.4 m above the ground, where the pane has not begun.
    assert one(along(1.4)).sighting.through is None


def test_too_far_off_it_is_too_flat_to_tell():
    assert edge_sights(car(features=(MIRROR,)), SEAT, still, along(40.0)) == []


@given(st.floats(-0.6, 0.6), st.floats(-3, 3), st.floats(1.5, 6.0))
def test_where_the_vehicle_stands_does_not_matter_only_what_it_sees(turn, shift, y):
    pose = np.array([shift, -shift, turn])
    cos, sin = np.cos(turn), np.sin(turn)
    spin = np.array([[cos, sin], [-sin, cos]])
    there = along(y) @ spin + pose[:2]
    far, near = one(there, lambda _by: pose), one(along(y))
    assert far.sighting.offset == pytest.approx(near.sighting.offset, abs=1e-9)


def test_scatter_adds_the_eye_and_the_reaction_in_squares():
    # Faced across, ahead of the eye: the edge comes nearer by as much as is rolled.
    ahead = Feature(name="bonnet", x=2.4, y=-0.4, z=0.6)
    found = one(np.array([(-9.0, 4.8), (9.0, 4.8)]), sideways, features=(ahead,), glass=())
    # From the eye at 1.2 to the edge at 4.8 are 3.6, to the mark 1.2: height 1.2 (1 - 1.2 / far).
    moved = 1.2 * 1.2 / 3.6**2
    turned = moved * 1.2 / (1.2**2 + (1.2 - 0.8) ** 2)
    assert found.sighting.z == pytest.approx(0.8)
    expected = np.hypot(ACUITY / turned, REACTION * CRAWL)
    assert found.sharpness.scatter == pytest.approx(expected, rel=1e-2)


def test_standing_still_the_edge_tells_nothing():
    assert np.isinf(one(along(2.0)).sharpness.scatter)


def test_leaning_toward_a_mark_moves_the_edge_at_it():
    found = one(along(2.0))
    # Leant forward the mark is no longer abeam, but the edge runs along: the same height.
    assert found.moved(np.array([LEAN, 0.0, 0.0]))(0.0) == pytest.approx(0.0, abs=1e-9)
