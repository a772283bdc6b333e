"""Motion against closed forms, an independent integration, and itself in a mirror."""

import numpy as np
import pytest
from faircorner.documents.driving import DriveRequest, drive_document
from faircorner.errors import InputError
from faircorner.motion import Leg, clearance, drive, settle_turn
from faircorner.plane import box, mirrored, to_site, wrap
from faircorner.vehicle import Circle, Steering, axle_radius
from hypothesis import given
from hypothesis import strategies as st

STEERING = Steering(
    lock_turns=1.4, kerb_circle=10.4, wheelbase=2.55, track_front=1.5,
    circles=(Circle(turns=0.7, kerb_circle=19.4),),
)  # fmt: skip


def assert_poses_close(actual, expected, metres=1e-9, angle=1e-9):
    np.testing.assert_allclose(actual[..., :2], expected[..., :2], atol=metres, rtol=0)
    np.testing.assert_allclose(wrap(actual[..., 2] - expected[..., 2]), 0, atol=angle)


def leg(direction, turns, metres, rate=2.0):
    as_array = [np.atleast_1d(np.asarray(v, dtype=float)) for v in (turns, metres, rate)]
    count = max(map(len, as_array))
    wide = [np.broadcast_to(a, count) for a in as_array]
    return Leg(direction=direction, turns=wide[0], metres=wide[1], rate=wide[2])


def legs():
    one = st.builds(
        leg,
        st.sampled_from([1, -1]),
        st.floats(-1.4, 1.4),
        st.floats(0, 6),
        st.sampled_from([0.4, 2.0, np.inf]),
    )
    return st.lists(one, min_size=1, max_size=4)


@pytest.mark.parametrize("index", range(7))
def test_driven_legs_end_where_an_independent_integration_does(drive_cases, index):
    case = drive_cases[index]
    end = drive_document(DriveRequest.read(case["request"]))["final"]
    assert np.hypot(end["x_m"] - case["final"]["x_m"], end["y_m"] - case["final"]["y_m"]) < 1e-3
    assert abs(end["heading_deg"] - case["final"]["heading_deg"]) < 5e-3
    assert end["turns"] == pytest.approx(case["final"]["turns"])
    behind = case["final"].get("trailer_heading_deg")
    assert end.get("trailer_heading_deg") == (behind and pytest.approx(behind, abs=5e-3))


@given(legs())
def test_mirrored_legs_leave_a_mirrored_track(given_legs):
    start = np.array([[1.0, -2.0, 0.3]])
    there = drive(STEERING, start, [0.0], given_legs)
    flipped = [leg(part.direction, -part.turns, part.metres, part.rate) for part in given_legs]
    back = drive(STEERING.mirrored(), mirrored(start), [0.0], flipped)
    assert_poses_close(back.poses, mirrored(there.poses))


@given(st.floats(-1.4, 1.4), st.floats(-1.4, 1.4), st.sampled_from([1, -1]))
def test_the_heading_that_settling_the_wheel_still_gains_is_the_one_driven(turns, target, way):
    ramp = abs(target - turns) / 2.0
    track = drive(STEERING, [[0.0, 0.0, 0.0]], [turns], [leg(way, target, ramp)])
    expected = way * float(settle_turn(STEERING, turns, target, 2.0))
    assert track.final[0, 2] == pytest.approx(expected, abs=1e-9)


def test_full_lock_drives_the_measured_circle():
    radius = float(axle_radius(10.4, 2.55, 1.5))
    track = drive(STEERING, [[0, 0, 0]], [1.4], [leg(1, 1.4, 2 * np.pi * radius)])
    assert_poses_close(track.final, np.array([[0.0, 0.0, 0.0]]), metres=1e-5, angle=1e-9)
    outer_tyre = to_site(track.poses[0], [[2.55, -0.75]])[:, 0]
    reach = np.hypot(outer_tyre[:, 0], outer_tyre[:, 1] - radius)
    np.testing.assert_allclose(2 * reach, 10.4, atol=1e-6)


@given(st.lists(st.floats(0, 8), min_size=2, max_size=5))
def test_a_batch_is_the_same_as_one_at_a_time(metres):
    turns = np.linspace(-1.4, 1.4, len(metres))
    start = np.zeros((len(metres), 3))
    together = drive(STEERING, start, np.zeros(len(metres)), [leg(-1, turns, metres)]).final
    alone = [
        drive(STEERING, start[:1], [0.0], [leg(-1, t, m)]).final[0]
        for t, m in zip(turns, metres, strict=True)
    ]
    assert_poses_close(together, np.array(alone), metres=2e-6)


def test_a_zero_length_leg_goes_nowhere():
    track = drive(STEERING, [[1, 2, 0.5]], [0.2], [leg(1, 1.0, 0.0)])
    assert_poses_close(track.final, np.array([[1, 2, 0.5]]))


def test_steering_passes_through_its_measured_circles():
    expected = [1 / axle_radius(19.4, 2.55, 1.5), 1 / axle_radius(10.4, 2.55, 1.5)]
    np.testing.assert_allclose(STEERING.curvature([0.7, 1.4]), expected)
    np.testing.assert_allclose(STEERING.curvature([-0.7]), -STEERING.curvature([0.7]))


@pytest.mark.parametrize(
    ("change", "field"),
    [
        pytest.param({"kerb_circle": 4.0}, "kerb_circle_m", id="radius for diameter"),
        pytest.param({"lock_turns": 0.0}, "lock_turns", id="no lock"),
        pytest.param(
            {"circles": (Circle(turns=0.7, kerb_circle=9.0),)}, "kerb_circle_m", id="wider at lock"
        ),
        pytest.param(
            {"circles": (Circle(turns=3.0, kerb_circle=9.0),)},
            r"circles\[0\].turns",
            id="past lock",
        ),
    ],
)
def test_impossible_steering_names_its_field(change, field):
    given_values = {"lock_turns": 1.4, "kerb_circle": 10.4, "wheelbase": 2.55, "track_front": 1.5}
    with pytest.raises(InputError, match=field):
        Steering(**{**given_values, **change})


@given(st.integers(0, 10_000))
def test_pruned_clearance_agrees_with_every_pose_tried(seed):
    rng = np.random.default_rng(seed)
    poses = rng.uniform([-6, -6, -4], [6, 6, 4], size=(1, 40, 3))
    outline = (box(-0.7, 3.4, 0.9, 0.2),)
    polygon = box(-2, 2, 0.9) @ np.array([[0.8, 0.6], [-0.6, 0.8]])
    found = clearance(poses, outline, polygon)
    every = [clearance(poses[:, i : i + 1], outline, polygon).metres[0] for i in range(40)]
    assert found.metres[0] == pytest.approx(min(every), abs=1e-12)
    assert every[found.sample[0]] == pytest.approx(min(every), abs=1e-12)


def test_clearance_knows_apart_corner_to_corner_and_overlap():
    square = (box(-1, 1, 1),)
    poses = np.array([[[5.0, 0, 0]], [[4.0, 4.0, 0]], [[1.5, 0, 0]]])
    gaps = clearance(poses, square, box(-1, 1, 1)).metres
    np.testing.assert_allclose(gaps, [3.0, np.hypot(2, 2), -0.5])
