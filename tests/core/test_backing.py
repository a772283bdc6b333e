"""Backing a trailer: the closed forms against the integrated motion, and what is told of them."""

import numpy as np
import pytest
from faircorner.cues import make_plan
from faircorner.documents.driving import BackingRequest, backing_document
from faircorner.documents.samples import (
    LINNET,
    LINNET_AND_CARAVAN,
    TRACTOR_AND_SEMI,
    vehicle_document,
)
from faircorner.documents.vehicle import VehicleDocument
from faircorner.errors import InputError
from faircorner.motion import (
    Leg,
    bend_after,
    doubling,
    drive,
    holding_curvature,
    no_return,
    rig_clearance,
    trailer_headings,
)
from faircorner.plane import to_site
from hypothesis import given
from hypothesis import strategies as st

from tests.core.scenes import scene

RIGS = {"semi": TRACTOR_AND_SEMI, "caravan": LINNET_AND_CARAVAN}
bends = st.floats(-25.0, 25.0).filter(lambda d: abs(d) > 0.5)


def rig(name):
    vehicle = VehicleDocument.read(RIGS[name]).build()
    return vehicle, vehicle.trailer


def backed(vehicle, bend, turns, metres):
    """Bends (rad) along a stretch backed with the wheel held."""
    leg = Leg(direction=-1, turns=[turns], metres=[metres], rate=[np.inf])
    track = drive(vehicle.steering, [[0.0, 0.0, 0.0]], [turns], [leg])
    behind = trailer_headings(vehicle.steering, vehicle.trailer, track, [leg], np.array([-bend]))
    return track.poses[0, :, 2] - behind[0]


def asked(name, **more):
    return backing_document(BackingRequest.read({"vehicle": RIGS[name], **more}))


@pytest.mark.parametrize("name", RIGS)
@given(bend=st.floats(-8, 8), metres=st.floats(0.5, 8.0))
def test_straight_backing_grows_a_bend_as_the_closed_form_says(name, bend, metres):
    vehicle, trailer = rig(name)
    along = backed(vehicle, np.radians(bend), 0.0, metres)
    assert along[-1] == pytest.approx(bend_after(trailer, np.radians(bend), metres), abs=1e-6)


@pytest.mark.parametrize("name", RIGS)
def test_a_small_bend_doubles_in_the_length_that_is_told(name):
    _, trailer = rig(name)
    grown = bend_after(trailer, np.radians(0.01), doubling(trailer))
    assert np.degrees(grown) == pytest.approx(0.02, rel=1e-4)


@pytest.mark.parametrize("name", RIGS)
@given(bend=bends)
def test_the_wheel_that_holds_a_bend_holds_it_and_more_brings_it_back(name, bend):
    vehicle, trailer = rig(name)
    angle = np.radians(bend)
    turns = vehicle.steering.turns_for(float(holding_curvature(trailer, angle)))
    if np.isnan(turns):
        return
    assert np.sign(turns) == np.sign(bend)
    np.testing.assert_allclose(backed(vehicle, angle, turns, 3.0), angle, atol=1e-5)
    more = np.clip(turns * 1.1, -vehicle.steering.lock_turns, vehicle.steering.lock_turns)
    if abs(more) > abs(turns) * 1.01:
        assert abs(backed(vehicle, angle, float(more), 1.0)[-1]) < abs(angle)
    assert abs(backed(vehicle, angle, turns * 0.8, 1.0)[-1]) > abs(angle)


@pytest.mark.parametrize("name", RIGS)
def test_past_no_return_full_lock_folds_on_and_before_it_brings_back(name):
    vehicle, trailer = rig(name)
    last = no_return(vehicle.steering, trailer)
    lock = vehicle.steering.lock_turns
    before = last - np.radians(1.0)
    assert backed(vehicle, before, lock, 0.3)[-1] < before
    if last < trailer.max_articulation:
        after = last + np.radians(1.0)
        assert backed(vehicle, after, lock, 0.3)[-1] > after


def test_a_long_hitch_is_easier_to_fold_than_a_short_one():
    """The farther behind the axle the ball, the less bend full lock still catches."""
    vehicle, trailer = rig("caravan")
    from dataclasses import replace  # noqa: PLC0415

    limits = [no_return(vehicle.steering, replace(trailer, hitch=h)) for h in (-0.5, -1.0, -2.0)]
    assert limits == sorted(limits, reverse=True)


@pytest.mark.parametrize(("bend", "side"), [(2.0, "left"), (-2.0, "right"), (0.0, None)])
def test_the_side_on_which_the_trailer_shows_is_the_side_to_steer_to(bend, side):
    told = asked("semi", bend_deg=bend)
    assert told["shows_on"] == side
    assert told["bend_deg"] == pytest.approx(bend)
    assert np.sign(told["holding_turns"]) == np.sign(bend)
    # Where its tail is: on that side of the towing vehicle's line.
    _, trailer = rig("semi")
    point = told["path"][-1]
    pose = trailer.poses(np.zeros(3), np.radians(np.array(point["trailer_heading_deg"])))
    assert np.sign(round(pose[1], 9)) == np.sign(bend)


def test_what_was_driven_is_told_with_its_end():
    legs = [{"gear": "reverse", "turns": 0.4, "metres": 2.0, "turns_per_metre": 2.0},
            {"gear": "forward", "turns": 0.0, "metres": 1.0, "turns_per_metre": 2.0}]  # fmt: skip
    told = asked("semi", bend_deg=1.5, legs=legs)
    assert told["path"][-1]["s_m"] == pytest.approx(3.0)
    assert told["jack_knifed_at_s_m"] is None
    ends = told["path"][-1]
    assert told["bend_deg"] == pytest.approx(
        ends["heading_deg"] - ends["trailer_heading_deg"], abs=1e-4
    )


def test_folded_too_far_it_is_jack_knifed_and_no_wheel_is_told():
    legs = [{"gear": "reverse", "turns": 0.0, "metres": 12.0}]
    told = asked("caravan", bend_deg=8.0, legs=legs)
    assert 0 < told["jack_knifed_at_s_m"] < 12.0
    assert told["holding_turns"] is None


def test_growth_is_null_once_the_units_touch():
    told = asked("caravan")
    by_error = {row["bend_deg"]: row["after"] for row in told["growth"]}
    assert by_error[0.5][0]["bend_deg"] < 5
    assert by_error[4.0][-1]["bend_deg"] is None


def test_without_a_trailer_there_is_nothing_to_back():
    with pytest.raises(InputError) as caught:
        backing_document(BackingRequest.read({"vehicle": vehicle_document(LINNET)}))
    assert caught.value.field == "vehicle"


def test_a_wheel_beyond_the_lock_names_its_leg():
    legs = [{"gear": "reverse", "turns": 9.0, "metres": 1.0}]
    with pytest.raises(InputError, match=r"legs\[0\]\.turns"):
        asked("semi", legs=legs)


def test_no_method_places_a_trailer(quay, seat, method, standard):
    vehicle, _ = rig("caravan")
    with pytest.raises(InputError) as caught:
        make_plan(scene(vehicle, seat, quay, method, standard))
    assert caught.value.field == "vehicle"


@given(bend=st.floats(-6, 6), metres=st.floats(1.0, 6.0), turns=st.floats(-1, 1))
def test_room_in_a_lane_is_that_of_the_outermost_corner_of_either_unit(bend, metres, turns):
    legs = [{"gear": "reverse", "turns": turns, "metres": metres}]
    told = asked("semi", bend_deg=bend, legs=legs, lane_m=5.0)
    vehicle, trailer = rig("semi")
    path = told["path"]
    poses = np.array([[p["x_m"], p["y_m"], np.radians(p["heading_deg"])] for p in path])
    behind = np.radians([p["trailer_heading_deg"] for p in path])
    corners = np.concatenate([
        *(to_site(poses, piece)[..., 1].ravel() for piece in vehicle.outline),
        to_site(trailer.poses(poses, behind), trailer.outline())[..., 1].ravel(),
    ])  # fmt: skip
    assert told["lane"]["inside_m"] == pytest.approx(2.5 - np.abs(corners).max(), abs=1e-3)


def test_both_units_count_against_what_stands_there():
    vehicle, trailer = rig("semi")
    poses, behind = np.zeros((1, 1, 3)), np.zeros((1, 1))
    beside_tail = np.array([(-12, 2.0), (-11, 2.0), (-11, 3.0), (-12, 3.0)])
    beside_cab = np.array([(2.6, 2.0), (3.6, 2.0), (3.6, 3.0), (2.6, 3.0)])
    beside_mirror = np.array([(4.0, 2.0), (5.0, 2.0), (5.0, 3.0), (4.0, 3.0)])
    for polygon, width in (
        (beside_tail, trailer.width),
        (beside_cab, vehicle.width),
        (beside_mirror, vehicle.mirror_width),
    ):
        gap = rig_clearance(vehicle, poses, behind, polygon).metres[0]
        assert gap == pytest.approx(2.0 - width / 2)
    with pytest.raises(InputError):
        rig_clearance(VehicleDocument.read(vehicle_document(LINNET)).build(), poses, behind,
                      beside_tail)  # fmt: skip
