"""Gaps told as near, right or far: what they come to, how unsure, and that they count for less."""

import numpy as np
import pytest
from faircorner.errors import InputError
from faircorner.ground import with_behind
from faircorner.shift import describe
from faircorner.shift.chances import next_tries
from faircorner.shift.evidence import weigh
from faircorner.shift.finishes import BY_EYE, least_count, mean_pose
from faircorner.shift.hypotheses import hold
from faircorner.standards import finish_at
from faircorner.tape import TAPE_SIGMA, Readings, locate
from faircorner.tape.by_eye import eye_sigma, seen_as

from tests.core.scenes import at
from tests.core.test_shift import ANSWERS, drawn

LOOKED = {"kerb_front": "right", "kerb_rear": "right"}
PLANNED = np.array([-5.0, -1.2, 0.0])


@pytest.mark.parametrize(
    ("name", "planned", "near", "far"),
    [
        ("kerb_front", 0.50, 0.30, 0.70),
        ("kerb_rear", 0.30, 0.10, 0.50),
        # Nearer than so little is a gap still.
        ("kerb_rear", 0.20, 0.05, 0.40),
        ("kerb_rear", 0.10, 0.025, 0.30),
        ("ahead", 2.00, 1.50, 2.50),
        ("behind", -0.10, -0.60, 0.40),
    ],
)
def test_a_glance_is_the_middle_of_its_band(name, planned, near, far):
    found = [seen_as(name, glance, planned) for glance in ("near", "right", "far")]
    assert found == pytest.approx([near, planned, far])


def stands(linnet, place, by_eye, *, side="left", **taped):
    planned = PLANNED
    if side == "right":
        linnet, place, planned = linnet.mirrored(), place.mirrored(), PLANNED * [1, -1, -1]
    return locate(at(linnet, place, planned), Readings(by_eye=by_eye, **taped))


def test_what_looks_right_stands_as_planned_and_is_as_sure_as_an_eye(linnet, quay):
    found = stands(linnet, quay, LOOKED)
    np.testing.assert_allclose(found.pose, PLANNED, atol=1e-6)
    assert found.sigma[1] == pytest.approx(0.2 / np.sqrt(12), rel=0.01)
    assert found.sigma[2] == pytest.approx(eye_sigma("kerb_rear") * 2**0.5 / 2.55, rel=0.05)


@pytest.mark.parametrize("side", ["left", "right"])
def test_near_is_toward_the_kerb_and_what_was_taped_beside_it_holds(linnet, quay, side):
    """The rear wheel taped, the front one nearer than planned: the nose points at the kerb."""
    rear = float(finish_at(PLANNED[None], linnet, quay).measure("kerb_rear")[0])
    found = stands(linnet, quay, {"kerb_front": "near", "ahead": "far"}, side=side, kerb_rear=rear)
    assert found.finish.measure("kerb_rear")[0] == pytest.approx(rear, abs=1e-6)
    assert found.finish.measure("kerb_front")[0] < rear - 0.05
    assert np.sign(found.pose[2]) == (1 if side == "left" else -1)
    # Its place along the kerb is an eye's; of its wheels one is as sure as a tape.
    assert found.pose[0] == pytest.approx(PLANNED[0] - 0.5, abs=0.06)
    assert found.sigma[0] == pytest.approx(eye_sigma("ahead"), rel=0.05)
    assert found.sigma[1] == pytest.approx(TAPE_SIGMA, rel=0.05)
    assert found.sigma[2] == pytest.approx(eye_sigma("kerb_front") / 2.55, rel=0.05)


@pytest.mark.parametrize(
    ("by_eye", "taped", "field"),
    [
        ({"kerb_front": "right"}, {}, "kerb_rear_m"),
        (LOOKED, {"kerb_rear": 0.2}, "kerb_rear_m"),
        ({**LOOKED, "ahead": "near", "behind": "near"}, {}, "behind_m"),
        ({**LOOKED, "ahead": "far", "behind": "far"}, {}, "behind_m"),
    ],
)
def test_what_no_eye_can_have_seen_names_the_reading(linnet, quay, by_eye, taped, field):
    with pytest.raises(InputError, match=field):
        stands(linnet, with_behind(quay, 8.0), by_eye, **taped)
    # Nearer on the one side is farther on the other.
    stands(linnet, with_behind(quay, 8.0), {**LOOKED, "ahead": "near", "behind": "far"})


def test_two_that_count_half_say_what_one_does():
    off = drawn(np.array([0.0, 0.2, 0.0]), 0.1, 9)
    once, twice = describe(off), describe(np.repeat(off, 2, axis=0), [BY_EYE] * 18)
    assert (twice.count, twice.weight) == (18, 9)
    np.testing.assert_allclose(twice.bias, once.bias)
    np.testing.assert_allclose(hold(twice, ANSWERS).likely, hold(once, ANSWERS).likely)
    assert hold(twice, ANSWERS).freedom == hold(once, ANSWERS).freedom


def test_an_attempt_by_eye_pulls_half_as_hard_and_is_no_whole_attempt():
    off = np.array([[0.0, 0.0], [0.1, 0.0], [0.4, 0.1]])
    found = describe(off, [1, 1, BY_EYE])
    assert found.bias[0] == pytest.approx((0.1 + 0.4 * BY_EYE) / 2.5)
    halved = describe(off, [BY_EYE] * 3)
    np.testing.assert_allclose(halved.margin, describe(off).margin * 2**0.5)
    poses = np.array([[0.0, 0.0, 3.1], [3.0, 0.0, -3.1]])
    assert mean_pose(poses, [1, BY_EYE])[0] == pytest.approx(1.0)
    rng = np.random.default_rng(1)
    few = describe(off[:2], [BY_EYE, BY_EYE])
    assert next_tries(few, hold(few, ANSWERS[:2]), ANSWERS[:2], rng).count == 1


def test_hands_without_a_bias_are_not_blamed_by_eye_either():
    """Looked at after every attempt, each gap told to the nearest band, counting half."""

    def ever(seed):
        off = drawn(np.zeros(3), 0.12, 30, seed)
        seen = np.round(off / [0.2, 0.08, 0.5]) * [0.2, 0.08, 0.5]
        sets = (describe(seen[:n], [BY_EYE] * n) for n in range(2 * least_count(3), 31))
        return any(weigh(hold(one, ANSWERS)).enough for one in sets)

    assert np.mean([ever(seed) for seed in range(40)]) <= 0.05
