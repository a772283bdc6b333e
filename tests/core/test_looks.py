"""Why to look: each reason found again from the plan's own path."""

import numpy as np
import pytest
from faircorner.cues import make_plan
from faircorner.plane import to_site

from tests.core.scenes import scene


@pytest.fixture(scope="module")
def plan(linnet, seat, quay, method, standard):
    return make_plan(scene(linnet, seat, quay, method, standard))


def reasons(plan, why):
    return [look for look in plan.looks if look.why == why]


def test_a_swing_lasts_until_the_wheel_has_been_taken_back(linnet, plan):
    """The nose is farthest out on the straight run after the turn in, one step later."""
    (out,) = reasons(plan, "swings out")
    corners = to_site(plan.track.poses[0], linnet.outline()[0])[..., 1]
    lane = corners[0].min()
    assert out.metres == pytest.approx(lane - corners.min(), abs=0.005)
    begun, ended = plan.calls[out.step - 1].s, plan.calls[out.step].s
    assert out.s == pytest.approx(begun, abs=1e-6)
    assert out.at_s > begun
    during = (plan.track.s[0] >= begun) & (plan.track.s[0] <= ended)
    assert out.metres > lane - corners[during].min()


def test_it_is_the_tail_that_goes_in(linnet, plan):
    for look in reasons(plan, "tail goes in"):
        tail = np.array([[-linnet.rear_overhang, linnet.width / 2]])
        at = int(np.abs(plan.track.s[0] - look.at_s).argmin())
        placed = to_site(plan.track.poses[0, at], tail)[0]
        np.testing.assert_allclose((look.x, look.y), placed, atol=0.05)


def test_a_look_is_due_where_its_step_begins(plan):
    ends = [0.0, *(call.s for call in plan.calls)]
    assert plan.looks
    assert [look.s for look in plan.looks] == pytest.approx([ends[r.step] for r in plan.looks])
