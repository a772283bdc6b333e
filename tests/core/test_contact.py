"""Contact held against an independent judge: Shapely, and brute force over every pose."""

import numpy as np
import pytest
from faircorner.ground.kerbline import Kerbline, near_kerb
from faircorner.motion import Leg, clearance, drive, swept_outline, swing
from faircorner.plane import box, mirrored, to_site
from faircorner.vehicle import tyre_poses
from hypothesis import assume, given
from hypothesis import strategies as st
from shapely import Polygon, unary_union
from shapely import box as rectangle

seeds = st.integers(0, 100_000)
BODY = box(-0.7, 3.4, 0.9, 0.2)
PARKED = box(0.0, 4.3, 0.9, 0.2)


def random_poses(seed, count=30, reach=6.0):
    rng = np.random.default_rng(seed)
    return rng.uniform([-reach, -reach, -np.pi], [reach, reach, np.pi], size=(1, count, 3))


def shapely_gap(pose, piece, polygon):
    return Polygon(to_site(pose, piece)).distance(Polygon(polygon))


@given(seeds)
def test_free_space_is_the_distance_that_shapely_finds(seed):
    poses = random_poses(seed)
    found = clearance(poses, (BODY,), PARKED)
    every = [shapely_gap(pose, BODY, PARKED) for pose in poses[0]]
    if min(every) > 0:
        assert found.metres[0] == pytest.approx(min(every), abs=1e-9)
    else:
        assert found.metres[0] <= 0


@given(seeds)
def test_a_corner_told_twice_changes_no_gap(seed):
    """A document may close its polygon on the first corner; an edge without length says nothing."""
    poses = random_poses(seed)
    closed = np.vstack((PARKED, PARKED[:1]))
    once, twice = (clearance(poses, (BODY,), polygon) for polygon in (PARKED, closed))
    np.testing.assert_array_equal(twice.metres, once.metres)
    np.testing.assert_array_equal(twice.sample, once.sample)


@given(seeds)
def test_an_overlap_is_parted_by_just_its_depth(seed):
    pose = random_poses(seed, 1, 2.0)
    depth = -clearance(pose, (BODY,), PARKED).metres[0]
    if depth <= 0.01:
        return
    ways = np.linspace(0, 2 * np.pi, 721)
    out = np.stack((np.cos(ways), np.sin(ways), np.zeros_like(ways)), axis=-1)
    parted = clearance((pose[0] + (depth + 1e-3) * out)[:, None], (BODY,), PARKED).metres
    held = clearance((pose[0] + (depth - 2e-3) * out)[:, None], (BODY,), PARKED).metres
    assert parted.max() >= -1e-3
    assert held.max() < 1e-9


@given(seeds, st.floats(-10, 10), st.floats(-10, 10), st.floats(-3, 3))
def test_moving_the_whole_site_changes_no_gap(seed, x, y, turn):
    poses = random_poses(seed)
    frame = np.array([x, y, turn])
    moved = np.empty_like(poses)
    moved[..., :2] = to_site(frame, poses[0, :, :2])
    moved[..., 2] = poses[..., 2] + turn
    here = clearance(poses, (BODY,), PARKED)
    there = clearance(moved, (BODY,), to_site(frame, PARKED))
    assert there.metres[0] == pytest.approx(here.metres[0], abs=1e-9)


@given(seeds)
def test_the_mirror_image_has_the_same_gap(seed):
    poses = random_poses(seed)
    flipped = clearance(mirrored(poses), (BODY * [1, -1],), PARKED * [1, -1])
    assert flipped.metres[0] == pytest.approx(clearance(poses, (BODY,), PARKED).metres[0])


@given(seeds)
def test_corners_listed_the_other_way_round_are_the_same_shape(seed):
    poses = random_poses(seed)
    there = clearance(poses, (BODY,), PARKED).metres
    np.testing.assert_allclose(clearance(poses, (BODY[::-1],), PARKED[::-1]).metres, there)


@given(seeds, st.floats(0.05, 0.5), st.floats(0.005, 0.03))
def test_a_corner_that_clips_another_between_two_poses_is_felt(seed, apart, deep):
    """A way of two poses, a corner inside a corner half-way, against it in a thousand."""
    rng = np.random.default_rng(seed)
    heading, way = rng.uniform(-np.pi, np.pi, 2)
    mine, other = BODY[rng.integers(len(BODY))], PARKED[rng.integers(len(PARKED))]
    inside = other + deep * (PARKED.mean(axis=0) - other) / np.hypot(*(PARKED.mean(axis=0) - other))
    half_way = np.append(inside - to_site([0, 0, heading], mine), heading)
    on = np.array([apart / 2 * np.cos(way), apart / 2 * np.sin(way), rng.uniform(-0.05, 0.05)])
    poses = np.linspace(half_way - on, half_way + on, 1001)[None]
    ends = poses[:, [0, -1]]
    fine, coarse = (clearance(p, (BODY,), PARKED).metres[0] for p in (poses, ends))
    felt = clearance(ends, (BODY,), PARKED, between=True)
    assert fine < 0
    assert felt.metres[0] == pytest.approx(fine if coarse > 0 else coarse, abs=0.001)
    # And where nothing touches, the samples say it all.
    clear = ends + [0.0, 9.0, 0.0]
    there = (clearance(clear, (BODY,), PARKED, between=b).metres[0] for b in (False, True))
    assert len(set(there)) == 1


@given(seeds)
def test_several_pieces_come_as_near_as_the_nearest_of_them(seed):
    poses = random_poses(seed)
    mirror = box(1.7, 1.9, 0.1) + [0.0, 1.0]
    whole = clearance(poses, (BODY, mirror), PARKED).metres[0]
    parts = [clearance(poses, (piece,), PARKED).metres[0] for piece in (BODY, mirror)]
    assert whole == pytest.approx(min(parts), abs=1e-12)


def test_the_first_of_equal_gaps_is_told():
    poses = np.array([[[9.0, 0, 0], [8.0, 0, 0], [8.0, 0.3, 0], [9.0, 0, 0]]])
    assert clearance(poses, (BODY,), PARKED).sample[0] == 1


def driven_round(radius=5.0, steps=500):
    angle = np.linspace(0, 2.0, steps)
    return np.stack((radius * np.sin(angle), radius * (1 - np.cos(angle)), angle), axis=-1)


def test_swept_ground_holds_every_pose_and_little_else():
    poses = driven_round()
    swept = unary_union([Polygon(part) for part in swept_outline(poses, BODY)])
    for pose in poses:
        outside = Polygon(to_site(pose, BODY)).difference(swept.buffer(0.01))
        assert outside.area < 1e-6
    # The outer front corner goes furthest from the centre of turning.
    rim = np.concatenate(swept_outline(poses, BODY))
    far = np.hypot(rim[:, 0], rim[:, 1] - 5.0).max()
    corner = max(np.hypot(x, y - 5.0) for x, y in BODY)
    assert far == pytest.approx(corner, abs=0.03)


def test_the_nose_swings_out_by_the_circle_it_is_on():
    """Reversing on a circle of radius R, the outer front corner leaves its lane by closed form."""
    radius, nose, half = 4.0, 3.4, 0.9
    angle = np.linspace(0, -1.2, 400)
    # Kerb on the left, reversing toward it: the centre of turning lies to the left.
    poses = np.stack((radius * np.sin(angle), radius * (1 - np.cos(angle)), angle), axis=-1)
    out = swing(poses, np.array([[nose, -half]]), lane_edge=-half)
    reach = np.hypot(nose, radius + half) - (radius + half)
    assert out.metres == pytest.approx(reach, abs=1e-4)


def test_driving_straight_swings_nothing_out():
    poses = np.stack((np.linspace(0, -5, 20), np.zeros(20), np.zeros(20)), axis=-1)
    assert swing(poses, BODY, lane_edge=-0.9).metres == 0.0


@given(st.floats(-1, 1), st.floats(-np.pi, np.pi))
def test_no_tyre_is_dragged_sideways(linnet, share, heading):
    """Each tyre points where its own middle goes, whatever the wheel: what a front axle is for."""
    turns = share * linnet.steering.lock_turns
    leg = Leg(direction=1, turns=[turns], metres=[0.002], rate=[np.inf])
    way = drive(linnet.steering, [[3.0, -2.0, heading]], [turns], [leg], sample=0.001)
    before, now, after = tyre_poses(linnet, way.poses[0], way.turns[0])
    moved = after - before
    sideways = moved[:, 1] * np.cos(now[:, 2]) - moved[:, 0] * np.sin(now[:, 2])
    np.testing.assert_allclose(sideways, 0.0, atol=1e-7)


def test_a_turned_front_tyre_reaches_further_than_a_straight_one(linnet):
    """At full lock away from the kerb the near front tyre's tail comes nearer by its own reach."""
    pose, lock = np.array([0.0, -1.2, 0.0]), np.array(-linnet.steering.lock_turns)
    near = tyre_poses(linnet, pose, lock)[2]
    by = near_kerb().gap(near, linnet.tyre)
    straight = 1.2 - linnet.track_front / 2 - linnet.tyre_width / 2
    angle = -near[2]
    turned = 0.2 * np.sin(angle) + linnet.tyre_width / 2 * (np.cos(angle) - 1)
    assert np.degrees(angle) > 25
    assert by == pytest.approx(straight - turned)


@given(st.floats(-4, 2), st.floats(-4, 2), st.floats(-np.pi, np.pi), st.floats(1.0, 6.0))
def test_the_gap_to_a_round_kerb_is_that_of_the_whole_outline_sides_and_corners(x, y, turn, radius):
    """The land round a corner is a quarter plane grown by the radius: apart from the sums, Shapely.

    Of a rectangle that points across the corner a side is nearest, not a corner.
    """
    outline = np.array([(-0.9, -0.3), (0.9, -0.3), (0.9, 0.3), (-0.9, 0.3)])
    kerb = Kerbline(name="kerb", frame=np.zeros(3), radius=radius, of_tyres=True)
    pose = np.array([x, y, turn])
    quarter = rectangle(radius, radius, 100, 100)
    away = quarter.distance(Polygon(to_site(pose, outline)))
    assume(away > 1e-6)
    assert float(kerb.gap(pose, outline)) == pytest.approx(away - radius, abs=1e-9)


@given(st.floats(-4, 2), st.floats(-4, 2), st.floats(-np.pi, np.pi), st.floats(-1, 1))
def test_the_gap_of_the_tyres_is_that_of_whichever_stands_nearest(linnet, x, y, turn, share):
    pose, wheel = np.array([x, y, turn]), np.array(share * linnet.steering.lock_turns)
    stood = tyre_poses(linnet, pose, wheel)
    frame = np.array([0.5, -0.3, 0.4])
    for radius in (None, 3.0):
        kerb = Kerbline(name="kerb", frame=frame, radius=radius, of_tyres=True)
        each = kerb.gap(stood, linnet.tyre)
        assert float(kerb.tyre_gap(pose, wheel, linnet)) == pytest.approx(each.min(), abs=1e-6)
