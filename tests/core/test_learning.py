"""What a learner says before it is shown, against what is so."""

import numpy as np
import pytest
from faircorner.bias import bias_of
from faircorner.cues import make_plan, play
from faircorner.errors import InputError
from faircorner.learning import misjudged, predict, recall
from faircorner.plane import to_site
from faircorner.standards import Finish
from faircorner.tape import Readings, locate, stood

from tests.core.scenes import at, scene


@pytest.fixture(scope="module", params=["left", "right"])
def asked(request, linnet, seat, quay, method, standard):
    """A scene, its plan's figures, and where the plan's call 1 comes."""
    seen = scene(linnet, seat, quay, method, standard)
    if request.param == "right":
        seen = seen.mirrored()
    plan = make_plan(seen)
    return seen, plan.values, plan


def test_acting_now_ends_where_playing_it_ends(asked):
    seen, values, plan = asked
    found = predict(seen, values, call=1, by=0.4, others=[0.0, -0.4])
    np.testing.assert_allclose(found.ends[1], plan.track.poses[0, -1], atol=0.02)
    late = play(seen, values, call=1, by=0.4).track
    np.testing.assert_allclose(found.ends[0], late.poses[0, -1], atol=1e-9)
    # It stands at the call, so much later: as far along as the plan is there, and 40 cm.
    rolled = np.interp(plan.calls[0].s + 0.4, late.s[0], late.poses[0, :, 0])
    assert found.here[0] == pytest.approx(rolled, abs=0.02)


def test_the_tail_goes_where_the_wheel_is_turned_in_reverse(asked):
    """Toward the kerb at the turn in; away from where it was heading once it is turned out."""
    seen, values, plan = asked
    assert predict(seen, values, call=1, by=0.0, others=[]).tail == "toward"
    out = len(plan.calls) - 1
    found = predict(seen, values, call=out, by=0.0, others=[])
    tail = np.array([[-seen.vehicle.rear_overhang, 0.0]])
    track = play(seen, values, call=out, by=0.0).track
    i = int(np.argmin(np.abs(track.s[0] - plan.calls[out - 1].s)))
    j = int(np.searchsorted(track.s[0], track.s[0, i] + 1.0))
    heading = track.poses[0, i, 2]
    moved = to_site(track.poses[0, [i, j]], tail)[:, 0]
    aside = float((moved[1] - moved[0]) @ [-np.sin(heading), np.cos(heading)])
    toward = aside > 0 if seen.side == "left" else aside < 0
    assert found.tail == ("toward" if toward else "away")


def test_moments_too_close_to_be_told_apart_are_refused(asked):
    seen, values, _ = asked
    with pytest.raises(InputError, match="others_m"):
        predict(seen, values, call=1, by=0.4, others=[0.35])


@pytest.mark.parametrize(
    ("order", "in_place", "first_wrong"),
    [((0, 1, 2, 3), 4, None), ((0, 2, 1, 3), 2, 1), ((3, 0, 1, 2), 0, 0)],
)
def test_steps_from_memory_count_where_they_stand(order, in_place, first_wrong):
    found = recall(order, 4)
    assert (found.in_place, found.first_wrong) == (in_place, first_wrong)


@pytest.mark.parametrize("order", [(0, 1, 1), (0, 1), (1, 2, 3)])
def test_each_step_is_named_once(order):
    with pytest.raises(InputError, match="from_memory"):
        recall(order, 3)


@pytest.mark.parametrize("side", ["left", "right"])
def test_where_it_stands_is_the_same_by_pose_and_by_tape(linnet, quay, side):
    car, place = (linnet, quay) if side == "left" else (linnet.mirrored(), quay.mirrored())
    pose = np.array([-5.0, -1.2, 0.05]) * ([1, 1, 1] if side == "left" else [1, -1, -1])
    finish = stood(at(car, place, pose)).finish
    said = {n: float(finish.measure(n)[0]) for n in ("kerb_front", "kerb_rear", "ahead")}
    taped = {n: v for n, v in said.items() if not np.isnan(v)}
    back = locate(at(car, place, np.array([-3.0, 0.0, 0.0])), Readings(**taped))
    np.testing.assert_allclose(back.pose[1:], pose[1:], atol=1e-6)


def test_a_statement_too_far_out_names_the_reading(linnet, quay):
    with pytest.raises(InputError, match="kerb_"):
        stood(at(linnet, quay, np.array([-5.0, -9.0, 0.0])))


def test_what_is_said_more_than_taped_is_positive_and_unknown_is_left_out():
    def finish(front, rear, angle):
        known = {"kerb_front": front, "kerb_rear": rear, "angle": angle, "ahead": np.nan}
        return Finish(taped={name: np.array([value]) for name, value in known.items()})

    off = misjudged(finish(0.30, 0.40, 0.02), finish(0.20, 0.20, 0.05))
    assert off == pytest.approx({"kerb": 0.15, "angle": -0.03})


def test_a_bias_is_one_only_beyond_what_chance_makes_of_it():
    found = bias_of([0.1, 0.2, 0.3])
    assert (found.bias, found.spread) == (pytest.approx(0.2), pytest.approx(0.1))
    # Of three anything may be chance; of eight that lie about nothing, too.
    assert (found.low, found.high, found.biased) == (None, None, False)
    assert not bias_of([-0.3, 0.2, -0.1, 0.4, -0.2, 0.1, 0.3, -0.2]).biased
    assert bias_of([0.2, 0.21, 0.22] * 3).biased
    assert bias_of([-0.2, -0.21, -0.22] * 3).biased
    once = bias_of([0.2])
    assert (once.spread, once.low, once.biased) == (None, None, False)
