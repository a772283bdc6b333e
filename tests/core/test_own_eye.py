"""Where a learner says that it stands: taken as it is said, and biased only as surely as can be."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.bias import ENOUGH, bias_of
from faircorner.errors import InputError
from faircorner.ground import lay_kerb
from faircorner.learning import misjudged, pose_as_stated
from faircorner.tape import stood
from scipy.integrate import quad
from scipy.stats import nct, norm, t

from tests.core.scenes import at

WHEELS = {"kerb_front": 0.9, "kerb_rear": 0.2}


@pytest.fixture(params=["left", "right"])
def stands(request, linnet):
    """A scene whose vehicle stands askew, between two others, 60 cm off the kerb."""
    scene = at(linnet, lay_kerb("quay", gap=8.0), np.array([-4.8, -1.6, 0.05]))
    return scene if request.param == "left" else scene.mirrored()


def read(scene, said=None):
    """What a tape would read where it stands, or where it is said to."""
    if said:
        scene = replace(scene, standing=pose_as_stated(scene, said).pose)
    finish = stood(scene).finish
    taped = ("kerb_front", "kerb_rear", "angle", "ahead", "behind")
    return {name: float(finish.measure(name)[0]) for name in taped}


def test_what_is_said_moves_it_there_and_what_is_not_leaves_it(stands):
    before = read(stands)
    assert read(stands, {"ahead": 1.3}) == pytest.approx(
        {**before, "ahead": 1.3, "behind": before["behind"] + before["ahead"] - 1.3}, abs=1e-9
    )
    wheel = read(stands, {"kerb_rear": 0.3})
    assert (wheel["kerb_rear"], wheel["angle"]) == pytest.approx((0.3, before["angle"]), abs=1e-9)
    said = {**WHEELS, "behind": 0.8}
    found = read(stands, said)
    assert {name: found[name] for name in said} == pytest.approx(said, abs=1e-9)


def test_gaps_that_do_not_go_together_are_taken_and_each_missed_by_half(stands):
    """A learner who is refused what no tape could read is told the answer by the refusal."""
    before = read(stands)
    room = before["ahead"] + before["behind"]
    said = {**WHEELS, "ahead": room, "behind": 0.4}
    found = read(stands, said)
    assert said["ahead"] - found["ahead"] == pytest.approx(said["behind"] - found["behind"])
    told = pose_as_stated(stands, said).finish
    assert (told.measure("ahead")[0], told.measure("behind")[0]) == (room, 0.4)


def test_of_what_was_not_said_only_the_angle_follows_and_only_of_both_wheels(stands):
    found = read(stands, WHEELS)
    told = pose_as_stated(stands, WHEELS).finish
    angle = abs(float(told.measure("angle")[0]))
    assert angle == pytest.approx(abs(found["angle"]), abs=1e-9)
    assert np.isnan(told.measure("ahead")[0])
    one = pose_as_stated(stands, {"kerb_front": 0.5, "behind": 0.9}).finish
    there = pose_as_stated(stands, {"kerb_front": 0.3, "behind": 1.0}).pose
    truth = stood(replace(stands, standing=there)).finish
    assert misjudged(one, truth) == pytest.approx({"kerb": 0.2, "behind": -0.1})


@pytest.mark.parametrize(
    ("said", "field"),
    [({}, "readings"), ({"ahead": 31.0}, "ahead_m"), ({"behind": 1.0}, "behind_m")],
)
def test_only_what_cannot_be_meant_is_refused(linnet, quay, said, field):
    with pytest.raises(InputError, match=field):
        pose_as_stated(at(linnet, quay, np.array([-5.0, -1.6, 0.0])), said)


@pytest.mark.parametrize("together", [1, 4])
def test_a_bias_lies_where_no_bayes_factor_is_against_it(together):
    """Its ends are where one is `ENOUGH` to one against, worked out by integrating the sizes of a
    bias that it looks for: normal about none, 1.41 spreads wide.
    """
    found = bias_of([0.1, 0.4, 0.2, 0.3, 0.2, 0.35, 0.15, 0.25], together=together)
    n, centred = found.count, found.high - found.bias
    seen = centred / found.spread * np.sqrt(n)
    with_bias, _ = quad(
        lambda d: nct.pdf(seen, n - 1, d * np.sqrt(n)) * norm.pdf(d, scale=np.sqrt(2)), -8, 8
    )
    assert with_bias / t.pdf(seen, n - 1) == pytest.approx(ENOUGH * together, rel=1e-4)
    assert found.bias - found.low == pytest.approx(centred)


def test_looking_after_every_attempt_makes_no_bias_of_chance():
    """False alarms over 500 unbiased learners, four measures and 20 looks: at most 5 %.

    Power over 500 learners with a bias of 1.5 standard deviations after 20 attempts: over 95 %.
    """
    drawn = np.random.default_rng(7).normal(size=(500, 4, 20))

    def told(learner):
        looks = range(2, 21)
        return any(bias_of(one[:n], together=4).biased for n in looks for one in learner)

    assert np.mean([told(learner) for learner in drawn.tolist()]) <= 0.05
    off = (drawn[:, 0] + 1.5).tolist()
    found = [bias_of(one, together=4) for one in off]
    assert np.mean([one.biased and one.bias > 0 for one in found]) > 0.95
