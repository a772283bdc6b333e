"""Moving sideways by a small angle: what is told is driven again."""

import numpy as np
import pytest
from faircorner.cues import shuffle
from faircorner.cues.shuffle import ANGLES
from faircorner.errors import InputError
from faircorner.motion import Leg, drive, settle_turn
from faircorner.plane import to_site
from hypothesis import given, settings
from hypothesis import strategies as st

sideways = st.floats(0.05, 3.5)
gears = st.sampled_from([1, -1])
ways = st.sampled_from(["toward", "away"])


def driven(vehicle, one, direction, way):
    """Poses along a way that is told by its angle, its wheel and its straight stretch alone."""
    over = one.turns if way == "toward" else -one.turns
    curvature = abs(float(vehicle.steering.curvature(one.turns)))
    ramp = one.turns / 1.0
    wound = float(settle_turn(vehicle.steering, 0.0, one.turns, 1.0))
    held = max(one.angle - 2 * wound, 0.0) / curvature
    legs = [
        Leg(direction=direction, turns=[turns], metres=[metres], rate=[1.0])
        for turns, metres in ((over, ramp + held), (0.0, ramp + one.straight),
                              (-over, ramp + held), (0.0, ramp))
    ]  # fmt: skip
    return drive(vehicle.steering, [[0.0, 0.0, 0.0]], [0.0], legs, sample=0.01).poses[0]


@settings(max_examples=25)
@given(sideways, gears, ways)
def test_every_way_ends_so_far_across_and_parallel(linnet, metres, direction, way):
    found = shuffle(linnet, metres, direction=direction, way=way)
    for one in found:
        poses = driven(linnet, one, direction, way)
        across = poses[-1, 1] * (1 if way == "toward" else -1)
        assert across == pytest.approx(metres, abs=2e-3)
        assert poses[-1, 2] == pytest.approx(0.0, abs=1e-6)
        assert np.abs(poses[:, 2]).max() == pytest.approx(one.angle, abs=1e-6)
        rolled = np.linalg.norm(np.diff(poses[:, :2], axis=0), axis=1).sum()
        assert rolled == pytest.approx(one.metres, rel=1e-3)
        # Of the flank that it leaves behind, the end that comes out farthest the other way.
        flank = linnet.width / 2 * (-1 if way == "toward" else 1)
        ends = to_site(poses, [(linnet.nose, flank), (-linnet.rear_overhang, flank)])[..., 1]
        out = (ends - ends[0]) * (-1 if way == "toward" else 1)
        assert one.reach == pytest.approx(max(0.0, out.max()), abs=2e-3)


@settings(max_examples=25)
@given(sideways, gears, ways)
def test_a_smaller_angle_takes_more_road(linnet, metres, direction, way):
    taken = [one.metres for one in shuffle(linnet, metres, direction=direction, way=way)]
    assert taken == sorted(taken, reverse=True)


@given(sideways)
def test_steering_away_forward_swings_the_tail_toward_the_kerb(linnet, metres):
    for one in shuffle(linnet, metres, direction=1, way="away"):
        # The rear overhang beyond the axle turns about it: no more than this can swing in.
        assert 0 <= one.reach <= linnet.rear_overhang * np.sin(one.angle) + 1e-9


def test_reversing_toward_the_kerb_the_nose_swings_out(linnet):
    (least, *_, most) = shuffle(linnet, 0.5, direction=-1, way="toward")
    assert most.reach > least.reach > 0


def test_bends_that_move_it_too_far_already_are_left_away(linnet):
    angles = [np.degrees(one.angle) for one in shuffle(linnet, 0.03, direction=-1, way="away")]
    assert angles
    assert max(angles) < max(ANGLES)


@pytest.mark.parametrize(
    ("metres", "way", "field"),
    [(0.0, "away", "sideways_m"), (9.0, "away", "sideways_m"), (0.2, "left", "way")],
)
def test_what_cannot_be_names_its_field(linnet, metres, way, field):
    with pytest.raises(InputError) as caught:
        shuffle(linnet, metres, direction=1, way=way)
    assert caught.value.field == field
