"""Why to look: each reason found again from the plan's own path."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import Options, make_plan
from faircorner.cues.drawing import drawn
from faircorner.documents.library import methods
from faircorner.documents.samples import Car, vehicle_document
from faircorner.documents.vehicle import VehicleDocument
from faircorner.ground import Corner, Stretch, lay_road
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
    corners = to_site(plan.track.poses[0], linnet.outline[0])[..., 1]
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


def test_a_mirror_that_is_dipped_is_looked_after_before_and_afterwards(
    linnet, seat, quay, method, standard, plan
):
    made = scene(linnet, seat, quay, method, standard)
    dipped = make_plan(replace(made, options=Options(dipped=True)))
    *others, dip, back = dipped.looks
    assert [one.look for one in others] == [one.look for one in plan.looks]
    assert (dip.look, dip.step, dip.s) == ("dip mirror", 0, 0.0)
    assert (back.look, back.step) == ("restore mirror", len(method.steps))
    assert back.s == pytest.approx(dipped.track.s[0, -1])
    # At the near rear tyre, where the mirror is turned to.
    assert (dip.x, dip.y) == pytest.approx(to_site(plan.start, [[0, linnet.width / 2]])[0])


def test_a_look_is_due_where_its_step_begins(plan):
    ends = [0.0, *(call.s for call in plan.calls)]
    assert plan.looks
    assert [look.s for look in plan.looks] == pytest.approx([ends[r.step] for r in plan.looks])


LONG = Car(
    body="estate",
    name="long", length=6.4, width=2.0, mirror_width=2.3, wheelbase=3.2, front_overhang=0.7,
    track=1.7, lock_turns=1.6, kerb_circle=13.0, part_lock=None, drives_on="left",
)  # fmt: skip


def test_the_end_that_leaves_the_lane_is_the_one_that_is_told_and_drawn():
    """Pulling up opposite a long tail swings out behind the turn; reversing in it is the nose."""
    vehicle = VehicleDocument.read(vehicle_document(LONG)).build()
    for name, place, why, x in (
        ("Pull up opposite and reverse", lay_road("any", Stretch(), road_width=9.4),
         "tail swings out", -vehicle.rear_overhang),
        ("Close corner reverse", lay_road("any", Corner()),
         "swings out", vehicle.nose - vehicle.corner_cut),
    ):  # fmt: skip
        found = make_plan(scene(vehicle, None, place, methods()[name].build()))
        (look,) = (look for look in found.looks if look.look == "off side")
        assert look.why == why
        at = found.track.poses[0, int(np.abs(found.track.s[0] - look.at_s).argmin())]
        corner = to_site(at, np.array([[x, -vehicle.width / 2]]))[0]
        np.testing.assert_allclose((look.x, look.y), corner, atol=0.2)
        swing = drawn(vehicle, found).swing
        assert str(swing.said).startswith("the tail" if x < 0 else "the nose")
        assert np.linalg.norm(swing.track - (look.x, look.y), axis=1).min() < 1e-6
