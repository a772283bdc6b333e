"""A bay: its layout and measures, what a tape reads in it, what is seen and looked for there."""

import numpy as np
import pytest
from faircorner.cues import make_plan, mend, rehearse, suited
from faircorner.documents.ground import GroundDocument, ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.plans import plan_document
from faircorner.errors import InputError
from faircorner.ground import Bay, adjust, change_bay, lay_bay, measures
from faircorner.motion import clearance
from faircorner.plane import to_site
from faircorner.standards import finish_at
from faircorner.tape import Readings, locate
from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon, distance, polygons

from tests.core.held import tyre_corners
from tests.core.scenes import UNLIMITED, at, scene

angles = st.floats(35.0, 145.0).map(np.radians)
widths = st.floats(2.2, 3.5)

STANDARD = house_standard("bay").build()


def way(name):
    return methods()[name].build()


@given(angle=angles, width=widths, off=st.floats(-0.2, 1.0), depth=st.floats(4.0, 7.0))
def test_a_neighbour_stands_in_its_own_bay_as_far_off_the_line_as_was_said(
    angle, width, off, depth
):
    place = lay_bay("bay", bay=Bay(angle=angle, width=width, depth=depth), before=off, beyond=off)
    left = np.array([-np.sin(angle), np.cos(angle)])
    for obstacle, side in zip(place.obstacles, (1, -1), strict=True):
        across = side * obstacle.polygon @ left
        assert across.min() == pytest.approx(width / 2 + off, abs=1e-9)
        # Its own mouth lies on y = 0 too: it begins 30 cm inside, measured along the bay.
        middle = obstacle.polygon.mean(axis=0)
        along = np.array([np.cos(angle), np.sin(angle)])
        centre_line = np.array([-side * width / np.sin(angle), 0.0])
        foot = centre_line + along * ((middle - centre_line) @ along)
        assert (middle - foot) @ along == pytest.approx(0.0, abs=1e-9)
        inside = (obstacle.polygon - centre_line) @ along
        assert inside.min() == pytest.approx(0.3, abs=1e-9)


@given(angle=angles, into=st.floats(0.2, 4.0), turned=st.floats(-0.2, 0.2))
def test_the_gap_to_the_mouth_is_to_the_line_of_the_mouths(linnet, angle, into, turned):
    """Backed in: along the bay from whichever corner of the front is nearest to y = 0."""
    place = suited(lay_bay("bay", bay=Bay(angle=angle)), way("Full-lock reverse bay"))
    heading = angle - np.pi + turned
    along = np.array([np.cos(angle - np.pi), np.sin(angle - np.pi)])
    pose = np.array([*(-into - linnet.nose) * along, heading])
    corners = to_site(pose, linnet.outline[0])
    expected = (corners[:, 1] / -along[1]).min()
    assert finish_at(pose[None], linnet, place).measure("ahead")[0] == pytest.approx(expected)


@pytest.mark.parametrize("side", ["left", "right"])
@pytest.mark.parametrize(
    ("measure", "metres"),
    [("bay_width", 2.75), ("bay_depth", 5.6), ("aisle", 8.1), ("goal_head", 0.8),
     ("before_off_line", 0.1), ("beyond_off_line", -0.05)],
)  # fmt: skip
def test_one_measure_is_changed_and_nothing_else(side, measure, metres):
    place = lay_bay("bay", side=side, bay=Bay(angle=np.radians(70), head="wall"))
    before = measures(place)
    assert set(before) == {
        "bay_width", "bay_depth", "aisle", "goal_head", "before_off_line", "beyond_off_line"
    }  # fmt: skip
    after = measures(adjust(place, measure, metres))
    assert after == {**before, measure: pytest.approx(metres, abs=1e-6)}


def test_what_of_a_bay_is_no_length_is_changed_and_the_rest_kept():
    place = adjust(lay_bay("bay"), "before_off_line", 0.6)
    turned = change_bay(place, angle=np.radians(45), head="wheel stop", beyond=False)
    assert [o.name for o in turned.obstacles] == ["neighbour before", "wheel stop"]
    assert measures(turned)["before_off_line"] == pytest.approx(0.6)
    back = change_bay(turned, angle=np.pi / 2, head="line", beyond=True)
    assert measures(back) == {**measures(place), "beyond_off_line": 0.35}


@pytest.mark.parametrize(
    ("call", "field"),
    [
        pytest.param(lambda p: change_bay(p, angle=np.radians(10)), "angle_deg", id="too sharp"),
        pytest.param(lambda p: adjust(p, "bay_width", 1.0), "bay_width", id="too narrow"),
        pytest.param(lambda p: adjust(p, "gap", 7.0), "measure", id="a kerb's measure"),
        pytest.param(lambda p: adjust(p, "aisle", float("nan")), "aisle", id="no number"),
        pytest.param(lambda p: adjust(change_bay(p, before=False), "before_off_line", 0.3),
                     "before_off_line", id="nobody there"),
        pytest.param(lambda p: p.wanting(kerb=0.3), "kerb_m", id="no kerb to be off"),
    ],
)  # fmt: skip
def test_what_a_bay_cannot_be_names_its_field(call, field):
    with pytest.raises(InputError) as caught:
        call(lay_bay("bay"))
    assert caught.value.field == field


@given(angle=angles, width=widths, side=st.sampled_from(["left", "right"]))
def test_a_bay_written_down_and_read_again_is_the_same_bay(angle, width, side):
    place = lay_bay(
        "bay", side=side, bay=Bay(angle=angle, width=width, head="wheel stop", head_gap=0.2)
    )
    again = GroundDocument.read(ground_document(place)).build()
    assert measures(again) == pytest.approx(measures(place), abs=2e-5)
    assert again.goal.angle == pytest.approx(place.goal.angle, abs=1e-6)


@pytest.mark.parametrize("name", ["Full-lock reverse bay", "Full-lock forward bay"])
@given(angle=angles, off=st.floats(-0.4, 0.4), lean=st.floats(-8.0, 8.0), along=st.floats(0.1, 0.6))
def test_readings_in_a_bay_give_the_pose_back_on_both_sides(linnet, name, angle, off, lean, along):
    """A tape held straight across to the line and along to the head finds the vehicle again."""
    place = suited(lay_bay("bay", bay=Bay(angle=angle)), way(name))
    berth = place.berth
    room = 5.0 - along - linnet.length
    x = room + linnet.rear_overhang if berth.along == "ahead" else -room - linnet.nose
    pose = berth.on_site(np.array([x, off - 1.25, np.radians(lean)]))
    finish = finish_at(pose[None], linnet, place)
    readings = Readings(
        **{n: float(finish.measure(n)[0]) for n in ("kerb_front", "kerb_rear", berth.along)}
    )  # fmt: skip
    found = locate(at(linnet, place, pose), readings)
    np.testing.assert_allclose(found.pose, pose, atol=1e-6)
    mirror = [1, -1, -1]
    other = locate(at(linnet.mirrored(), place.mirrored(), pose * mirror), readings)
    np.testing.assert_allclose(other.pose, found.pose * mirror, atol=1e-6)


def test_a_vehicle_standing_as_wanted_reads_the_same_on_both_sides(linnet):
    """Closed form: midway between the lines, each tyre is half of what the tyres leave free."""
    place = suited(lay_bay("bay", bay=Bay(width=2.6)), way("Full-lock reverse bay"))
    wanted = place.berth.wanted_kerb(linnet)
    outer = linnet.hubs(side=1)[:, 1].mean() * 2
    assert 2 * wanted + outer == pytest.approx(2.6)
    pose = np.array([0.0, 5.0 - 0.3 - linnet.rear_overhang, -np.pi / 2])
    finish = finish_at(pose[None], linnet, place)
    assert finish.kerb[0] == pytest.approx(wanted)
    assert finish.measure("angle")[0] == pytest.approx(0.0)
    assert finish.measure("behind")[0] == pytest.approx(0.3)
    assert finish.measure("ahead")[0] == pytest.approx(5.0 - 0.3 - linnet.length)


def test_a_wheel_stop_holds_the_tyres_and_lets_the_body_over(linnet, seat):
    place = lay_bay("bay", bay=Bay(width=2.6, head="wheel stop", head_gap=0.1), aisle=7.0)
    plan = make_plan(scene(linnet, seat, place, way("Full-lock reverse bay"), STANDARD))
    assert plan.feasible, str(plan.why_not)
    stop = place.obstacles[-1]
    tail = to_site(plan.track.final[0], linnet.outline[0])[:, 1].max()
    assert tail > 5.0 + 0.15  # beyond the stop's far edge
    tyres = polygons(tyre_corners(linnet, plan.track.poses[0], plan.track.turns[0]))
    assert distance(tyres, Polygon(stop.polygon)).min() == pytest.approx(0.1, abs=0.005)


def test_looks_into_a_bay_say_what_this_gear_does(linnet, seat):
    """Backing in, the nose swings out; going in forward, the rear wheel cuts in as it must."""
    back = make_plan(
        scene(
            linnet,
            seat,
            lay_bay("b", bay=Bay(width=2.6), aisle=7.0),
            way("Full-lock reverse bay"),
            (),
        )
    )
    assert {"reverses", "swings out", "tail goes in"} <= {look.why for look in back.looks}
    leaning = lay_bay("f", bay=Bay(angle=np.radians(60)), aisle=7.0)
    forward = make_plan(scene(linnet, seat, leaning, way("Full-lock forward bay"), UNLIMITED))
    why = {look.why: look.metres for look in forward.looks}
    assert "drives on" in why
    radius = 1 / float(linnet.steering.curvature(linnet.steering.lock_turns))
    near = radius - linnet.hubs(side=1)[0, 1]
    # On a full circle the near wheels' tracks lie this far apart; the short turn nearly gets there.
    settled = np.hypot(near + linnet.hubs(side=1)[0, 1] - linnet.hubs(side=1)[1, 1],
                       linnet.wheelbase) - near  # fmt: skip
    assert 0.6 * settled < why["rear cuts in"] <= settled + 0.01


def test_each_cue_at_a_bay_is_one_that_shows(linnet, seat):
    place = lay_bay("bay", bay=Bay(width=2.6), aisle=7.0)
    plan = make_plan(scene(linnet, seat, place, way("Full-lock reverse bay"), UNLIMITED))
    named = {name for name, _, _ in place.sighted}
    for call in plan.calls:
        assert call.cue.what in named
        assert call.cue.sighting.through is not None
    free = lay_bay("bay", bay=Bay(width=2.6), aisle=7.0, before=None, beyond=None)
    alone = make_plan(scene(linnet, seat, free, way("Full-lock reverse bay"), UNLIMITED))
    # Where no line shows, the aisle's other side does.
    assert {call.cue.what for call in alone.calls} <= named | {"far side of the aisle"}
    assert all(call.leant is None or call.leant.cue.shows for call in alone.calls)


@pytest.mark.parametrize("off", [0.35, -0.3])
def test_a_finish_off_the_middle_is_put_right_between_the_neighbours(linnet, off):
    place = suited(lay_bay("bay", bay=Bay(width=2.7), aisle=7.0), way("Full-lock reverse bay"))
    stands = np.array([off, 5.0 - 0.3 - linnet.rear_overhang, -np.pi / 2])
    found = mend(at(linnet, place, stands, STANDARD), forward=2, reverse=2)
    assert found is not None
    assert found.movements[0] == "forward"
    wanted = place.berth.wanted_kerb(linnet)
    assert found.finish.kerb[0] == pytest.approx(wanted, abs=0.011)
    for obstacle in place.obstacles:
        poses = found.track.poses
        assert clearance(poses, linnet.outline, obstacle.polygon).metres[0] > 0.03


def test_where_nothing_stands_no_spare_is_made_up(linnet, seat):
    free = lay_bay("free", bay=Bay(width=2.6), aisle=7.0, before=None, beyond=None)
    method = way("Full-lock reverse bay")
    asked = scene(linnet, seat, free, method, STANDARD)
    plan = make_plan(asked)
    assert plan.feasible
    told = plan_document(plan, asked)
    assert told["spare_m"] is None
    assert [c["obstacle"] for c in told["clearance"]] == ["far side of the aisle"]
    assert told["set"]["kerb_m"] is None


def test_unsteady_hands_in_a_bay_touch_the_neighbour_and_no_kerb(linnet, seat):
    """Turned in far too late it ends in the next bay: the body meets who stands there."""
    place = lay_bay("bay", bay=Bay(width=2.6), aisle=7.0)
    method = way("Full-lock reverse bay")
    plan = make_plan(scene(linnet, seat, place, method, STANDARD))
    hands = rehearse(
        scene(linnet, seat, plan.ground, method, STANDARD),
        plan,
        [[0.0, 0.0], [0.15, 0.0], [1.2, 0.0]],
    )
    assert hands.body_touched.tolist() == [False, False, True]
    assert not hands.kerb_touched.any()
    assert hands.good.tolist() == [True, True, False]
    assert hands.poses[1][0] - hands.poses[0][0] == pytest.approx(-0.15, abs=1e-3)
