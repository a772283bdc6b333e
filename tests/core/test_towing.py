"""Trailers against the closed forms there are: straight backing, the steady circle, the mirror."""

import numpy as np
import pytest
from faircorner.documents.driving import DriveRequest, drive_document
from faircorner.documents.vehicle import VehicleDocument
from faircorner.errors import InputError
from faircorner.motion import Leg, drive, jack_knifed, trailer_headings
from faircorner.motion.towing import rig_clearance
from faircorner.vehicle import Steering, Trailer
from hypothesis import given, settings
from hypothesis import strategies as st

STEERING = Steering(lock_turns=2.0, kerb_circle=14.0, wheelbase=3.8, track_front=2.0)
lengths = st.floats(2.0, 12.0)
hitches = st.floats(-2.5, 1.0)


def trailer(length=8.0, hitch=0.5):
    return Trailer(
        hitch=hitch, kingpin_to_axle=length, length=length + 3, width=2.5, front_of_kingpin=0.9,
        max_articulation=np.radians(75),
    )  # fmt: skip


def leg(direction, turns, metres, rate=np.inf):
    return Leg(direction=direction, turns=[turns], metres=[metres], rate=[rate])


def towed(legs, unit, *, bend=0.0, turns=0.0):
    """Track and trailer headings from a start with the trailer bent by an angle (rad)."""
    track = drive(STEERING, [[0.0, 0.0, 0.0]], [turns], legs)
    return track, trailer_headings(STEERING, unit, track, legs, np.array([-bend]))


@given(lengths, hitches, st.floats(0.005, 0.3), st.floats(0.5, 6.0))
def test_straight_backing_grows_every_error_by_the_same_law(length, hitch, bend, metres):
    """tan(bend / 2) grows by e for every kingpin-to-axle length rolled, wherever the hitch is."""
    _, headings = towed([leg(-1, 0.0, metres)], trailer(length, hitch), bend=bend)
    expected = 2 * np.arctan(np.tan(bend / 2) * np.exp(metres / length))
    assert -headings[0, -1] == pytest.approx(expected, abs=1e-7)


@given(lengths, hitches, st.floats(-1.2, 1.2), st.floats(0.5, 20.0))
def test_pulling_straight_draws_every_trailer_into_line(length, hitch, bend, metres):
    _, headings = towed([leg(1, 0.0, metres)], trailer(length, hitch), bend=bend)
    left = 2 * np.arctan(np.tan(bend / 2) * np.exp(-metres / length))
    assert -headings[0, -1] == pytest.approx(left, abs=1e-7)


@settings(max_examples=15)
@given(st.floats(0.2, 1.0), hitches)
def test_on_a_long_circle_the_trailer_settles_where_its_axle_points_at_the_centre(share, hitch):
    turns, length = share * 2.0, 5.0
    radius = 1 / float(STEERING.curvature(turns))
    unit = trailer(length, hitch)
    reach = radius**2 + hitch**2 - length**2
    if reach <= 8.0:
        return
    track, headings = towed([leg(1, turns, 200.0)], unit, turns=turns)
    axle = unit.poses(track.poses[:, -1], headings[:, -1])[0]
    assert np.hypot(axle[0], axle[1] - radius) == pytest.approx(np.sqrt(reach), abs=1e-3)


@given(st.floats(-1.5, 1.5), st.floats(-0.4, 0.4), st.floats(0.5, 8.0))
def test_there_and_back_on_the_same_wheel_undoes_itself(turns, bend, metres):
    legs = [leg(1, turns, metres), leg(-1, turns, metres)]
    _, headings = towed(legs, trailer(), bend=bend, turns=turns)
    assert headings[0, -1] == pytest.approx(-bend, abs=1e-5)


@given(st.floats(-1.5, 1.5), st.floats(-0.4, 0.4))
def test_the_mirror_image_bends_the_other_way(turns, bend):
    mine = towed([leg(-1, turns, 4.0, 0.8)], trailer(), bend=bend)[1]
    theirs = towed([leg(-1, -turns, 4.0, 0.8)], trailer(), bend=-bend)[1]
    np.testing.assert_allclose(theirs, -mine, atol=1e-12)


@given(st.floats(-2, 2), st.floats(-1, 1))
def test_the_kingpin_stays_on_the_hitch(heading, behind):
    unit = trailer(hitch=0.7)
    pose = np.array([3.0, -1.0, heading])
    axle = unit.poses(pose, np.array(behind))
    pin = axle[:2] + unit.kingpin_to_axle * np.array([np.cos(behind), np.sin(behind)])
    hitch = pose[:2] + 0.7 * np.array([np.cos(heading), np.sin(heading)])
    np.testing.assert_allclose(pin, hitch, atol=1e-12)


def test_of_a_rig_the_unit_that_passes_nearer_counts(drive_cases):
    body = next(c for c in drive_cases if c["name"] == "artic-setup")["request"]["vehicle"]
    rig = VehicleDocument.read(body).build()
    poses, behind = np.zeros((1, 1, 3)), np.zeros((1, 1))
    unit = rig.trailer.poses(poses, behind)[0, 0]
    tail = unit[0] - (rig.trailer.length - rig.trailer.front_of_kingpin
                      - rig.trailer.kingpin_to_axle)  # fmt: skip
    for x, expected in ((rig.nose + 1.0, 1.0), (tail - 1.5, 0.5)):
        post = np.array([(x, -0.1), (x + 1.0, -0.1), (x + 1.0, 0.1), (x, 0.1)])
        assert rig_clearance(rig, poses, behind, post).metres[0] == pytest.approx(expected)


def test_the_first_sample_past_the_limit_is_the_jack_knife():
    headings = np.zeros((2, 4))
    behind = -np.radians([[10, 70, 76, 80], [0, 10, 20, 30]])
    found = jack_knifed(trailer(), headings, behind)
    assert found[0] == 2
    assert np.isnan(found[1])


def test_backing_on_full_lock_jack_knifes_and_the_shell_says_where(drive_cases):
    request = next(c for c in drive_cases if c["name"] == "artic-setup")["request"]
    lock = request["vehicle"]["steering"]["lock_turns"]
    legs = [{"gear": "reverse", "turns": lock, "metres": 30.0, "turns_per_metre": 2.0}]
    answer = drive_document(DriveRequest.read({**request, "legs": legs}))
    at = answer["jack_knifed_at_s_m"]
    before = [p for p in answer["path"] if p["s_m"] < at - 1e-9]
    assert 0 < at < 30
    assert max(abs(p["heading_deg"] - p["trailer_heading_deg"]) for p in before) <= 75


def test_a_trailer_heading_without_a_trailer_is_refused(drive_cases):
    request = drive_cases[0]["request"]
    start = {**request["start"], "trailer_heading_deg": 3.0}
    with pytest.raises(InputError, match=r"start.trailer_heading_deg"):
        drive_document(DriveRequest.read({**request, "start": start}))


@pytest.mark.parametrize(
    ("change", "field"),
    [
        pytest.param({"kingpin_to_axle_m": 0.1}, "kingpin_to_axle_m", id="axle at the hitch"),
        pytest.param({"length_m": 5.0}, "length_m", id="shorter than its own axle"),
        pytest.param({"max_articulation_deg": 0}, "max_articulation_deg", id="no articulation"),
        pytest.param({"hitch_ahead_of_axle_m": 9.0}, "hitch_ahead_of_axle_m", id="far hitch"),
        pytest.param({"width_m": -2.5}, "width_m", id="negative width"),
    ],
)
def test_a_trailer_that_cannot_be_names_its_measure(drive_cases, change, field):
    body = next(c for c in drive_cases if c["name"] == "artic-setup")["request"]["vehicle"]
    with pytest.raises(InputError) as caught:
        VehicleDocument.read({**body, "trailer": {**body["trailer"], **change}}).build()
    assert caught.value.field == f"trailer.{field}"
