"""Sight by similar triangles: every expected figure is worked by hand beside the test."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.errors import InputError
from faircorner.ground import Obstacle
from faircorner.plane import frozen
from faircorner.sight import (
    ACUITY,
    CRAWL,
    LEAN,
    REACTION,
    Seat,
    Sharpness,
    covering,
    image_moved,
    leaning,
    same_again,
    scatter,
    sight_of,
)
from faircorner.vehicle import Feature, Opening, Steering, Vehicle
from hypothesis import given
from hypothesis import strategies as st

EYE = (1.2, -0.4, 1.2)
# An upright pane 0.8 m to the left of the middle, from x = -1 to x = 2.
SIDE = frozen([(-1, 0.8, 0.5), (2, 0.8, 0.5), (2, 0.8, 1.6), (-1, 0.8, 1.6)])
HANDLE = Feature(name="rear door handle", x=0.3, y=0.8, z=0.9)


PANE = Opening(name="side glass", corners=SIDE)


def car(glass=(PANE,), features=(HANDLE,)):
    steering = Steering(lock_turns=1.4, kerb_circle=10.4, wheelbase=2.6, track_front=1.5)
    return Vehicle(
        name="plain", length=4.2, width=1.8, mirror_width=2.0, wheelbase=2.6,
        front_overhang=0.9, track_front=1.5, track_rear=1.5, steering=steering, glass=glass,
        features=features,
    )  # fmt: skip


SEAT = Seat(name="plain", eye=frozen(EYE))
HERE = np.zeros(3)


def backward(by):
    return np.array([-by, 0.0, 0.0])


def sharp(target, onward, vehicle=None):
    vehicle = vehicle or car()
    seen = sight_of(vehicle, SEAT, HERE, target, 1.45)
    moved = image_moved(vehicle, seen, onward, target)
    found = Sharpness(scatter=scatter(seen, onward, target), lean=LEAN)
    return leaning(found, moved(np.array([LEAN, 0.0, 0.0])))


def test_the_image_stands_where_similar_triangles_put_it():
    # From y = -0.4 to a corner at y = 3.6 the pane at y = 0.8 is 1.2 / 4.0 of the way.
    seen = sight_of(car(), SEAT, HERE, np.array([-2.0, 3.6]), 1.45)
    assert seen.through == "side glass"
    assert seen.x == pytest.approx(1.2 + (-2.0 - 1.2) * 0.3)
    assert seen.told.along == "x"
    assert seen.feature == "rear door handle"
    assert seen.offset == pytest.approx(seen.x - 0.3)
    assert seen.bearing == pytest.approx(np.arctan2(4.0, -3.2))


@given(st.floats(-3, 3), st.floats(2.0, 8.0), st.floats(-2, 2), st.floats(-3, 3))
def test_where_the_vehicle_stands_does_not_matter_only_what_it_sees(x, y, shift, turn):
    pose = np.array([shift, -shift, turn])
    cos, sin = np.cos(turn), np.sin(turn)
    there = pose[:2] + np.array([cos * x - sin * y, sin * x + cos * y])
    seen = ((HERE, np.array([x, y])), (pose, there))
    near, far = (sight_of(car(), SEAT, p, t, 1.45) for p, t in seen)
    assert far.through == near.through
    assert far.station == pytest.approx(near.station, abs=1e-9)


def test_a_low_thing_shows_by_the_part_that_clears_the_sill():
    # The sill at 0.5 m: a 0.8 m post far away shows; one of 0.21 m beside the door does not.
    assert sight_of(car(), SEAT, HERE, np.array([0.5, 9.0]), 0.8).through == "side glass"
    hidden = sight_of(car(), SEAT, HERE, np.array([0.5, 1.2]), 0.21)
    assert hidden.through is None
    assert hidden.told.along == "x"


def test_a_body_without_glass_hides_everything():
    seen = sight_of(car(glass=()), SEAT, HERE, np.array([1.0, 4.0]), 1.45)
    assert seen.through is None
    assert seen.y == pytest.approx(0.9)


def test_turned_to_look_back_the_other_eye_is_used_for_what_lies_behind():
    seat = Seat(name="turning", eye=frozen(EYE), looking_back=frozen((1.3, -0.2, 1.2)))
    behind = sight_of(car(), seat, HERE, np.array([-3.0, 3.0]), 1.45)
    beside = sight_of(car(), seat, HERE, np.array([1.4, 3.0]), 1.45)
    assert behind.eye.tolist() == [1.3, -0.2, 1.2]
    assert beside.eye.tolist() == list(EYE)


def test_leaning_moves_the_image_by_the_pane_share_of_the_way():
    # Lean 0.10: the image follows by what is left of the way beyond the pane, 0.7 of it.
    target = np.array([0.0, 3.6])
    found = sharp(target, backward)
    assert found.image == pytest.approx(0.07)
    # Rolling back by d moves the image forward by 0.3 d: 0.07 of image is 0.233 of rolling,
    # and it is late by as much, since rolling has to undo what leaning did.
    assert found.late == pytest.approx(-0.07 / 0.3)


def test_late_is_where_the_leaning_driver_sees_the_same_picture_on_the_way_it_rolls():
    """Rolled in reverse round a circle the picture turns faster than it moves along a line."""
    target, radius = np.array([0.0, 3.6]), 5.0

    def round_left(by):
        turn = by / radius
        return np.array([-radius * np.sin(turn), radius * (1 - np.cos(turn)), -turn])

    found = sharp(target, round_left)
    sits = sight_of(car(), SEAT, HERE, target, 1.45)
    leans = sight_of(car(), SEAT.leaning(0.1), round_left(found.late), target, 1.45)
    assert leans.station == pytest.approx(sits.station, abs=1e-3)
    straight = sharp(target, backward)
    assert abs(found.late - straight.late) > 0.03


def test_leaning_is_told_by_the_pane_it_is_seen_through_where_the_other_side_has_one_of_its_name():
    far = Opening(name=PANE.name, corners=frozen(SIDE * [1, -1, 1]))
    target = np.array([0.0, 3.6])
    one, two = (sharp(target, backward, car(glass)) for glass in ((PANE,), (far, PANE)))
    assert two == one


def test_leaning_changes_no_eye():
    """A place just behind where one turns to look back: turned as one sits, turned leaning."""
    seat = Seat(name="turning", eye=frozen(EYE), looking_back=frozen((1.3, -0.2, 1.2)))
    for x, eye in ((1.05, EYE), (0.95, (1.3, -0.2, 1.2))):
        place = np.array([x, 3.0, 0.8])
        assert seat.eye_toward(place).tolist() == list(eye)
        assert seat.leaning(0.1).eye_toward(place) == pytest.approx(np.add(eye, (0.1, 0, 0)))
        back = seat.leaning(-0.1).mirrored().eye_toward(place)
        assert back == pytest.approx(np.multiply(np.add(eye, (-0.1, 0, 0)), (1, -1, 1)))


def test_what_stands_between_hides_a_place_unless_one_looks_over_it():
    box = Obstacle(name="wall", kind="wall", height=1.0,
                   polygon=frozen([(2, -1), (3, -1), (3, 1), (2, 1)]))  # fmt: skip
    eye = np.array([0.0, 0.0, 1.2])
    assert covering((box,), eye, np.array([6.0, 0.0, 0.1])) is box
    # From 1.2 m down to 1.1 m at 6 m: over the top all the way.
    assert covering((box,), eye, np.array([6.0, 0.0, 1.1])) is None
    # Its own near corner shows, its far one does not.
    assert covering((box,), eye, np.array([2.0, 1.0, 0.8])) is None
    assert covering((box,), eye, np.array([3.0, 1.0, 0.8])) is box
    assert covering((box,), eye, np.array([1.9, 0.0, 0.1])) is None


def test_scatter_adds_the_eye_and_the_reaction_in_squares():
    # Square to the line of sight at 4 m across, the bearing turns 1 / 4.0 rad per metre.
    target = np.array([1.2, 3.6])
    found = sharp(target, backward)
    assert found.scatter == pytest.approx(np.hypot(ACUITY * 4.0, REACTION * CRAWL), rel=1e-3)


@given(st.floats(2.5, 12.0))
def test_a_nearer_thing_is_the_sharper_cue(distance):
    near, far = (sharp(np.array([1.2, d]), backward).scatter for d in (distance, distance + 1))
    assert near < far


@pytest.mark.parametrize("x", [4.0, -1.0], ids=["ahead", "looking back"])
def test_a_mirrored_driver_in_a_mirrored_car_sees_the_mirror_image(x):
    target = np.array([x, 3.0])
    turned = replace(SEAT, looking_back=frozen([1.3, -0.2, 1.25]))
    mine = sight_of(car(), turned, HERE, target, 1.45)
    theirs = sight_of(car().mirrored(), turned.mirrored(), HERE, target * [1, -1], 1.45)
    np.testing.assert_allclose(theirs.eye, mine.eye * [1, -1, 1])
    assert theirs.x == pytest.approx(mine.x)
    assert theirs.y == pytest.approx(-mine.y)
    assert theirs.bearing == pytest.approx(-mine.bearing)


@pytest.mark.parametrize(
    ("eye", "field"),
    [
        pytest.param((1.2, 0.4, 0.1), "eye.z_m", id="on the floor"),
        pytest.param((1.2, 2.4, 1.2), "eye.y_m", id="outside the cab"),
        pytest.param((1.2, 0.4, 9.0), "eye.z_m", id="above the roof"),
    ],
)
def test_an_eye_that_cannot_be_names_its_coordinate(eye, field):
    with pytest.raises(InputError, match=field):
        Seat(name="odd", eye=frozen(eye))


@pytest.mark.parametrize(
    "corners",
    [
        pytest.param([(0, 0, 0), (1, 0, 0)], id="two corners"),
        pytest.param([(0, 0, 0), (1, 0, 0), (2, 0, 0)], id="in one line"),
        pytest.param([(0, 0, 0), (1, 0, 0), (1, 1, 0), (0, 1, 0.4)], id="warped"),
        pytest.param([(0, 0), (1, 0), (1, 1)], id="flat corners"),
    ],
)
def test_a_pane_must_be_a_flat_polygon(corners):
    with pytest.raises(InputError, match="polygon_m"):
        Opening(name="pane", corners=frozen(corners))


@pytest.mark.parametrize("way", [1.0, -1.0])
def test_the_same_picture_is_found_where_it_moves_on_as_it_begins_and_where_it_does_not(way):
    """Roots in closed form: of a line bent on, and of one that lies still at first."""
    assert same_again(lambda by: (way * by - 0.33) * (1.5 + 0.2 * by)) == pytest.approx(
        way * 0.33, abs=2e-4
    )
    late = same_again(lambda by: 0.1 - 10 * max(way * by, 0.0) ** 4)
    assert late == pytest.approx(way * 0.01**0.25, abs=2e-4)
    assert np.isnan(same_again(lambda by: 0.1 + by**2))
