"""Steering: from measured circles to curvature, in closed form and by its own rules."""

import numpy as np
import pytest
from faircorner.errors import InputError
from faircorner.motion import Leg, advance, drive, settle_turn, wheel_and_heading
from faircorner.vehicle import Circle, Steering, axle_radius
from faircorner.vehicle.monotone import monotone_cubic
from hypothesis import given
from hypothesis import strategies as st
from scipy.interpolate import PchipInterpolator

plausible = st.builds(
    Steering,
    lock_turns=st.floats(0.8, 3.0),
    kerb_circle=st.floats(9.5, 14.0),
    wheelbase=st.floats(2.2, 3.2),
    track_front=st.floats(1.4, 1.7),
)


def leg(direction, turns, metres, rate=2.0):
    return Leg(direction=direction, turns=[turns], metres=[metres], rate=[rate])


@given(plausible)
def test_the_full_lock_circle_is_driven_as_measured(steering):
    """The outer front tyre draws the circle whose diameter was taped."""
    radius = 1 / steering.curvature(steering.lock_turns)
    outer = np.hypot(steering.wheelbase, radius + steering.track_front / 2)
    assert 2 * outer == pytest.approx(steering.kerb_circle)


@given(plausible, st.floats(-1, 1))
def test_left_and_right_answer_alike_unless_measured_apart(steering, share):
    turns = share * steering.lock_turns
    assert steering.curvature(turns) == pytest.approx(-steering.curvature(-turns), abs=1e-12)


@given(plausible, st.lists(st.floats(0, 1), min_size=2, max_size=6, unique=True))
def test_more_wheel_is_always_a_tighter_circle(steering, shares):
    curvature = steering.curvature(np.sort(shares) * steering.lock_turns)
    assert (np.diff(curvature) >= 0).all()


@given(plausible, st.floats(-1, 1), st.floats(-1, 1))
def test_the_swept_table_is_the_integral_of_curvature(steering, low, high):
    a, b = low * steering.lock_turns, high * steering.lock_turns
    nodes, weights = np.polynomial.legendre.leggauss(24)
    inner = steering.curvature((a + b) / 2 + (b - a) / 2 * nodes)
    by_quadrature = (b - a) / 2 * (weights @ inner)
    assert settle_turn(steering, a, b, 1.0) * np.sign(b - a) == pytest.approx(
        by_quadrature, abs=1e-8
    )


def test_road_wheel_angle_is_linear_when_only_full_lock_was_measured():
    steering = Steering(lock_turns=1.5, kerb_circle=10.8, wheelbase=2.6, track_front=1.5)
    shares = np.linspace(-1, 1, 11)
    angles = steering.road_wheel_angle(shares * 1.5)
    np.testing.assert_allclose(angles, shares * angles[-1], atol=1e-12)


@given(st.lists(st.tuples(st.floats(0.1, 3), st.floats(0.01, 2)), min_size=1, max_size=5))
def test_the_curve_through_measured_circles_is_scipys_monotone_cubic(steps):
    x, y = np.cumsum([(0.0, 0.0), *steps], axis=0).T
    at = np.linspace(x[0], x[-1], 40)
    np.testing.assert_allclose(
        monotone_cubic(x, y)(at), PchipInterpolator(x, y)(at), rtol=0, atol=1e-9
    )


def test_locks_measured_apart_keep_their_own_circles():
    right = Circle(turns=-1.4, kerb_circle=10.9)
    steering = Steering(
        lock_turns=1.4, kerb_circle=10.4, wheelbase=2.55, track_front=1.5, circles=(right,)
    )
    assert 1 / steering.curvature(1.4) == pytest.approx(axle_radius(10.4, 2.55, 1.5))
    assert -1 / steering.curvature(-1.4) == pytest.approx(axle_radius(10.9, 2.55, 1.5))


APART = (
    Circle(turns=-1.4, kerb_circle=11.2), Circle(turns=-0.7, kerb_circle=19.0),
    Circle(turns=0.7, kerb_circle=18.0), Circle(turns=1.4, kerb_circle=10.4),
)  # fmt: skip


@given(st.sets(st.sampled_from(APART)))
def test_in_the_mirror_each_lock_has_the_others_circles(measured):
    """Whichever of them were measured, and back again."""
    steering = Steering(
        lock_turns=1.4, kerb_circle=10.6, wheelbase=2.55, track_front=1.5, circles=tuple(measured)
    )
    turns = np.linspace(-1.4, 1.4, 15)
    there = steering.mirrored()
    np.testing.assert_allclose(there.curvature(turns), -steering.curvature(-turns), atol=1e-12)
    back = there.mirrored()
    np.testing.assert_allclose(back.curvature(turns), steering.curvature(turns), atol=1e-12)


@given(plausible, st.floats(-0.9, 0.9), st.floats(0.1, 8.0), st.floats(0.5, 4.0))
def test_where_it_goes_does_not_depend_on_how_finely_it_is_drawn(steering, share, metres, rate):
    legs = [leg(-1, share * steering.lock_turns, metres, rate), leg(1, 0.0, metres / 2, rate)]
    coarse = drive(steering, [[0, 0, 0.4]], [0.0], legs, sample=0.15).final
    fine = drive(steering, [[0, 0, 0.4]], [0.0], legs, sample=0.01).final
    np.testing.assert_allclose(coarse, fine, atol=2e-5)


@given(plausible, st.floats(-0.9, 0.9), st.floats(0.1, 6.0))
def test_driving_back_on_the_same_wheel_returns_to_the_start(steering, share, metres):
    turns = share * steering.lock_turns
    there = [leg(1, turns, metres, np.inf), leg(-1, turns, metres, np.inf)]
    final = drive(steering, [[1.0, 2.0, 0.3]], [turns], there).final[0]
    np.testing.assert_allclose(final, [1.0, 2.0, 0.3], atol=1e-9)


@given(plausible, st.floats(0.3, 1.0), st.floats(0.5, 4.0))
def test_settling_is_the_heading_gained_while_the_wheel_comes_back(steering, share, rate):
    turns = share * steering.lock_turns
    straight = leg(-1, 0.0, turns / rate + 1.0, rate)
    driven = drive(steering, [[0, 0, 0]], [turns], [straight]).final[0, 2]
    assert -settle_turn(steering, turns, 0.0, rate) == pytest.approx(driven, abs=1e-9)


def test_a_wheel_turned_standing_gains_nothing_while_it_turns():
    steering = Steering(lock_turns=1.4, kerb_circle=10.4, wheelbase=2.55, track_front=1.5)
    radius = 1 / float(steering.curvature(1.4))
    final = drive(steering, [[0, 0, 0]], [0.0], [leg(1, 1.4, radius * np.pi, np.inf)]).final[0]
    np.testing.assert_allclose(final, [0.0, 2 * radius, np.pi], atol=1e-4)


@given(plausible, st.floats(-1, 1), st.floats(0.2, 5))
def test_headings_alone_agree_with_the_whole_drive(steering, share, metres):
    pose, wheel = np.array([[0.0, 0.0, 0.2]]), np.zeros(1)
    s = metres * np.linspace(0, 1, 30)[None]
    one = leg(-1, share * steering.lock_turns, metres)
    poses, wheels = advance(steering, pose, wheel, one, s)
    turns, gained = wheel_and_heading(steering, wheel, one, s)
    np.testing.assert_allclose(turns, wheels, atol=1e-12)
    np.testing.assert_allclose(0.2 + gained, poses[..., 2], atol=1e-12)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        pytest.param({"direction": 0}, "gear", id="neutral"),
        pytest.param({"metres": [-1.0]}, "metres", id="negative way"),
        pytest.param({"metres": [np.nan]}, "metres", id="no way"),
        pytest.param({"turns": [np.nan]}, "turns", id="no wheel"),
        pytest.param({"rate": [0.0]}, "turns_per_metre", id="hands that never turn"),
    ],
)
def test_a_leg_that_cannot_be_driven_names_its_field(change, field):
    given = {"direction": 1, "turns": [0.5], "metres": [2.0], "rate": [2.0]}
    with pytest.raises(InputError, match=field):
        Leg(**{**given, **change})


def test_turns_past_the_lock_name_the_leg():
    steering = Steering(lock_turns=1.4, kerb_circle=10.4, wheelbase=2.55, track_front=1.5)
    with pytest.raises(InputError, match=r"legs\[1\].turns"):
        drive(steering, [[0, 0, 0]], [0.0], [leg(1, 1.0, 1.0), leg(1, 1.5, 1.0)])
    with pytest.raises(InputError, match="sample_m"):
        drive(steering, [[0, 0, 0]], [0.0], [leg(1, 1.0, 1.0)], sample=0)
