"""Tape to pose and back, verdicts, and advice held against learners whose truth is known."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import make_plan, rehearse
from faircorner.errors import InputError
from faircorner.ground import lay_kerb, with_behind
from faircorner.shift import SimulatedLearner, advise, describe, driving
from faircorner.standards import Limit, finish_at
from faircorner.tape import Readings, agreement, doubts, locate, one_reading
from faircorner.tape.readings import TAPE_SIGMA

from tests.core.scenes import at, scene

POSE = np.array([-6.0, -1.15, 0.03])


@pytest.mark.parametrize("side", ["left", "right"])
def test_readings_taken_from_a_pose_give_the_pose_back(linnet, quay, side):
    place = with_behind(quay, 8.0)
    finish = finish_at(POSE[None], linnet, place)
    names = ("kerb_front", "kerb_rear", "ahead", "behind")
    readings = Readings(**{name: float(finish.measure(name)[0]) for name in names})
    car = linnet
    expected = POSE
    if side == "right":
        car, place, expected = linnet.mirrored(), place.mirrored(), POSE * [1, -1, -1]
    found = locate(at(car, place, np.array([-3.0, 0.0, 0.0])), readings)
    np.testing.assert_allclose(found.pose, expected, atol=1e-6)
    assert (found.sigma < [0.02, 0.02, 0.01]).all()


# Where the plan would have ended, when nobody taped along the kerb.
HERE = np.array([-5.0, 0.0, 0.0])


def test_without_a_gap_the_place_along_the_kerb_is_only_assumed(linnet, quay):
    found = locate(at(linnet, quay, HERE), Readings(kerb_front=0.2, kerb_rear=0.2))
    assert found.pose[0] == HERE[0]
    assert np.isnan(found.sigma[0])
    assert np.isnan(found.finish.measure("ahead")[0])


@pytest.mark.parametrize(
    ("readings", "field"),
    [
        pytest.param({"ahead": 1.0, "behind": 3.9}, "behind_m", id="gaps do not add up"),
        pytest.param({"kerb_front": 3.0}, "kerb_front_m", id="steeper than the wheelbase"),
        pytest.param({"kerb_rear": 25.0}, "kerb_rear_m", id="centimetres"),
        pytest.param({"kerb_rear": float("nan")}, "kerb_rear_m", id="no number"),
    ],
)
def test_readings_that_cannot_be_name_the_reading(linnet, quay, readings, field):
    given = {"kerb_front": 0.2, "kerb_rear": 0.2, **readings}
    with pytest.raises(InputError, match=field):
        locate(at(linnet, with_behind(quay, 8.0), np.array([0.0, 0.0, 0.0])), Readings(**given))


def test_what_a_tape_leaves_unsure_is_its_own_error_over_the_wheelbase(linnet, quay):
    found = locate(at(linnet, quay, HERE), Readings(kerb_front=0.2, kerb_rear=0.2))
    assert found.sigma[1] == pytest.approx(TAPE_SIGMA, rel=0.05)
    assert found.sigma[2] == pytest.approx(TAPE_SIGMA * np.sqrt(2) / linnet.wheelbase, rel=0.05)


def finishes(linnet, seat, method, standard, plan, learner, rng, attempts=14, shift=0.0, call=0):
    late = learner.lateness(attempts, before=0, rng=rng)
    late[:, call] += shift
    driven = rehearse(scene(linnet, seat, plan.ground, method, standard), plan, late)

    def columns(finish):
        return np.stack([finish.kerb, finish.measure("angle"), finish.measure("ahead")], axis=-1)

    target = columns(plan.finish)[0]
    off = columns(driven.finish) - target
    return off, target, driven.good.mean()


def hands_of(linnet, seat, plan, method, standard):
    return driving(scene(linnet, seat, plan.ground, method, standard), plan.values, "ahead")


@pytest.fixture(scope="module")
def plan(linnet, seat, method, standard):
    return make_plan(scene(linnet, seat, lay_kerb("quay", goal_ahead=2.0), method, standard))


@pytest.mark.parametrize(("call", "bias"), [(1, 0.24), (1, -0.28), (2, 0.28), (3, 0.25)])
def test_a_biased_learner_is_advised_rightly_and_scores_better(
    linnet, seat, method, standard, plan, call, bias
):
    rng = np.random.default_rng(11)
    biases = np.zeros(4)
    biases[call] = bias
    learner = SimulatedLearner(bias=biases, scatter=np.array([0.08, 0.04, 0.05, 0.03]))
    off, _, _ = finishes(linnet, seat, method, standard, plan, learner, rng)
    found = describe(off)
    hands = hands_of(linnet, seat, plan, method, standard)
    advice = advise(found, plan.sensitivity, hands, rng=rng)
    assert (advice.kind, advice.call) == ("move cue", call + 1)
    assert advice.by == pytest.approx(-bias, abs=0.06)
    before = finishes(linnet, seat, method, standard, plan, learner, rng, 200)[2]
    after = finishes(linnet, seat, method, standard, plan, learner, rng, 200, advice.by, call)[2]
    assert after > before + 0.05


def test_too_few_attempts_give_no_advice(linnet, seat, method, standard, plan):
    rng = np.random.default_rng(2)
    learner = SimulatedLearner(bias=np.full(4, 0.3), scatter=np.full(4, 0.05))
    off, _, _ = finishes(linnet, seat, method, standard, plan, learner, rng, 4)
    found = describe(off)
    hands = hands_of(linnet, seat, plan, method, standard)
    advice = advise(found, plan.sensitivity, hands, rng=rng)
    assert (advice.kind, advice.by) == ("too few", 0.0)


@pytest.mark.parametrize("room", [None, 0.42])
def test_a_chance_counts_the_other_gap_and_every_touch(linnet, seat, method, standard, room):
    """Close to who stands behind: of that gap the finish's own columns say nothing."""
    quay = lay_kerb("quay", goal_ahead=2.0)
    place = quay if room is None else with_behind(quay, linnet.length + 2.0 + room)
    made = make_plan(scene(linnet, seat, place, method, standard))
    assert made.feasible
    rng = np.random.default_rng(4)
    learner = SimulatedLearner(bias=np.zeros(4), scatter=np.full(4, 0.08), learning=0.0)
    off, _, _ = finishes(linnet, seat, method, standard, made, learner, rng, 24)
    found = advise(
        describe(off), made.sensitivity, hands_of(linnet, seat, made, method, standard), rng=rng
    )
    true = finishes(linnet, seat, method, standard, made, learner, rng, 600)[2]
    assert found.chance.share == pytest.approx(true, abs=0.12)
    assert found.chance.low <= true <= found.chance.high + 0.01
    assert (true < 0.7) == (room is not None)


@pytest.mark.parametrize(("most", "allowed"), [(1, True), (0, False)])
def test_a_chance_counts_the_movements_that_the_method_takes(
    linnet, seat, method, standard, plan, most, allowed
):
    limits = (*standard.limits, Limit(measure="reverse_movements", small=(None, most)))
    counting = replace(standard, limits=limits)
    drive = hands_of(linnet, seat, plan, method, counting)
    assert drive(np.zeros((1, 4)), np.zeros((1, 3))).tolist() == [allowed]


@pytest.mark.parametrize(
    ("ahead", "behind", "said", "not_said"),
    [
        # 11 cm too much in all: standing askew takes room, so that the kerb has no part in it.
        (1.30, 1.33, ("1.19 m ahead", "1.22 m behind"), "wheel"),
        # 15 cm too little: as well the nose or the tail stands out from the kerb.
        (
            1.20,
            1.17,
            ("1.35 m ahead", "1.32 m behind", "at the front wheel", "at the rear"),
            "no one",
        ),
    ],
)
def test_any_reading_may_be_the_wrong_one_and_is_told_with_what_would_agree(
    linnet, ahead, behind, said, not_said
):
    """Between two, square to the kerb, 1.20 and 1.33 m are free; its tracks differ, so that by
    equal readings it stands a little askew, which takes 1 cm.
    """
    place = with_behind(lay_kerb("quay", goal_ahead=1.2), linnet.length + 1.2 + 1.33)
    standing = at(linnet, place, np.array([-1.2 - linnet.nose, -0.25 - 0.85, 0.0]))
    with pytest.raises(InputError) as caught:
        locate(standing, Readings(kerb_front=0.25, kerb_rear=0.25, ahead=ahead, behind=behind))
    told = str(caught.value)
    assert all(part in told for part in said), told
    assert not_said not in told.split("agree with")[1]


def test_that_one_of_two_people_reads_more_is_no_scatter():
    """Pairs 10 cm apart, each steady to s² = 2 and 8 cm²: pooled by freedom (2·2 + 1·8) / 3."""
    steady = agreement([0.10 - 0.02**0.5 / 10, 0.10, 0.10 + 0.02**0.5 / 10])
    other = agreement([-0.08, -0.12])
    once = agreement([0.5])
    assert (steady.reads_more.bias, other.reads_more.bias) == pytest.approx((0.10, -0.10))
    assert other.between == pytest.approx(1.96 * 0.0008**0.5)
    assert one_reading([steady, other, once]) == pytest.approx(0.0004**0.5 / 2**0.5)
    assert (once.between, one_reading([once]), one_reading([])) == (None, None, None)


@pytest.mark.parametrize(
    ("read", "asked"),
    [
        # Planned: wheels 30 cm off, 2 m ahead, and nothing behind to be off from.
        ({"kerb_front": 0.89, "kerb_rear": -0.29, "ahead": 3.99, "behind": 25.0}, []),
        ({"kerb_front": 0.91}, [("kerb_front", True)]),
        ({"kerb_rear": -0.31, "ahead": 4.01}, [("kerb_rear", True), ("ahead", True)]),
        ({"kerb_front": None, "kerb_rear": 25.0}, [("kerb_rear", False)]),
        ({"ahead": 31.0, "kerb_rear": -1.2}, [("kerb_rear", False), ("ahead", False)]),
    ],
)
def test_what_is_hardly_so_is_asked_and_what_cannot_be_is_told(linnet, quay, read, asked):
    planned = Readings(kerb_front=0.30, kerb_rear=0.30, ahead=2.0)
    stands = at(linnet, quay, locate(at(linnet, quay, HERE), planned).pose)
    assert [(one.reading, one.possible) for one in doubts(stands, read)] == asked
