"""The fit, its windows, its two sides, and what it says when nothing works."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import Options, Unknown, make_plan, make_remedy, play, rehearse
from faircorner.cues.totals import totals
from faircorner.documents.library import methods
from faircorner.documents.plans import plan_document
from faircorner.documents.requests import OptionsModel, read_options
from faircorner.errors import InputError
from faircorner.ground import adjust, lay_kerb, measures, with_behind
from faircorner.motion import clearance, drive
from faircorner.sight import sight_of
from faircorner.standards import Finish, finish_at

from tests.core.scenes import scene


@pytest.fixture(scope="module")
def plan(linnet, seat, quay, method, standard):
    return make_plan(scene(linnet, seat, quay, method, standard))


def test_the_legs_driven_again_end_at_the_stated_finish(linnet, quay, plan):
    track = drive(linnet.steering, plan.start[None], [0.0], plan.legs, sample=0.01)
    finish = finish_at(track.final, linnet, quay)
    for name in ("kerb_front", "kerb_rear", "ahead"):
        assert finish.measure(name)[0] == pytest.approx(plan.finish.measure(name)[0], abs=0.01)
    assert abs(finish.measure("angle")[0] - plan.finish.measure("angle")[0]) < np.radians(0.2)
    stated = {name: metres for name, metres, _ in plan.clearances}
    parked = quay.obstacles[0]
    found = clearance(track.poses, linnet.outline, parked.polygon).metres[0]
    assert found == pytest.approx(stated[parked.name], abs=0.005)


def test_the_car_ends_parallel_and_as_far_from_the_kerb_as_wanted(plan):
    assert plan.feasible
    assert plan.finish.kerb[0] == pytest.approx(0.25, abs=0.005)
    assert abs(plan.finish.measure("angle")[0]) < np.radians(0.05)


def test_kerb_left_and_right_give_mirrored_plans(linnet, seat, quay, method, standard, plan):
    other = make_plan(scene(linnet.mirrored(), seat.mirrored(), quay.mirrored(), method, standard))
    np.testing.assert_allclose(other.track.poses, plan.track.poses * [1, -1, -1], atol=1e-9)
    np.testing.assert_allclose(other.track.turns, -plan.track.turns, atol=1e-12)
    for mine, theirs in zip(plan.calls, other.calls, strict=True):
        assert theirs.cue.sighting.through == mine.cue.sighting.through
        assert theirs.cue.sighting.y == pytest.approx(-mine.cue.sighting.y)


def test_window_edges_are_real(linnet, seat, method, standard, plan):
    """Just inside an edge passes; just outside breaks what the window says."""
    for number, call in enumerate(plan.calls):
        for sign, edge, why in (
            (-1, call.window.early, call.window.early_breaks),
            (+1, call.window.late, call.window.late_breaks),
        ):
            if edge is None or why.code == "no room before":
                continue
            late = np.zeros((2, len(plan.calls)))
            late[:, number] = sign * (edge - 0.006), sign * (edge + 0.012)
            tried = rehearse(scene(linnet, seat, plan.ground, method, standard), plan, late)
            assert tried.good.tolist() == [True, False], (number + 1, why)
            assert tried.body_touched[1] == (why.code == "body meets")
            assert tried.kerb_touched[1] == (str(why) == "a tyre meets the kerb")


def test_the_call_told_as_least_forgiving_is_that(plan):
    widths = [call.window.early + call.window.late for call in plan.calls
              if None not in (call.window.early, call.window.late)]  # fmt: skip
    number, width = totals(plan).narrowest
    assert width == pytest.approx(min(widths))
    window = plan.calls[number - 1].window
    assert window.early + window.late == pytest.approx(width)


def test_sensitivity_predicts_a_small_lateness(linnet, seat, method, standard, plan):
    late = np.zeros((1, len(plan.calls)))
    late[0, 2] = 0.06
    finish = rehearse(scene(linnet, seat, plan.ground, method, standard), plan, late).finish
    predicted = plan.finish.kerb[0] + 0.06 * plan.sensitivity[0, 2]
    assert finish.kerb[0] == pytest.approx(predicted, abs=0.004)


def test_a_gap_too_short_says_why_and_the_advised_gap_works(linnet, seat, quay, method, standard):
    tight = with_behind(quay, 5.6)
    plan = make_plan(scene(linnet, seat, tight, method, standard))
    assert not plan.feasible
    assert plan.why_not
    remedy = make_remedy(scene(linnet, seat, tight, method, standard))
    assert remedy is not None
    assert remedy.what == "gap"
    assert make_plan(
        scene(linnet, seat, adjust(tight, "gap", remedy.to), method, standard)
    ).feasible


def test_the_nose_swings_out_as_far_as_the_look_says(linnet, plan):
    look = next(r for r in plan.looks if r.why == "swings out")
    start = plan.start[1] - linnet.width / 2
    assert look.metres == pytest.approx(start - look.y)
    assert 0.5 < look.metres < 1.5


def test_the_cue_lies_on_the_straight_line_from_eye_to_corner(linnet, seat, plan):
    through_glass = (c for c in plan.calls if not c.cue.sighting.told.of_glass)
    call = next(c for c in through_glass if c.cue.upright)
    seen = call.cue.sighting
    heading = call.pose[2]
    offset = call.cue.target - call.pose[:2]
    across = np.array([[np.cos(heading), np.sin(heading)], [-np.sin(heading), np.cos(heading)]])
    target = across @ offset
    ray, mark = target - seen.eye[:2], np.array([seen.x, seen.y]) - seen.eye[:2]
    assert abs(ray[0] * mark[1] - ray[1] * mark[0]) < 1e-9
    assert 0 < mark @ ray < ray @ ray
    leant = sight_of(linnet, seat.leaning(0.1), call.pose, call.cue.target, 1.45)
    # What moves is told past the mark, whose own image moves on the glass as well.
    assert leant.feature == seen.feature
    assert leant.offset - seen.offset == pytest.approx(call.cue.sharpness.image)


def test_cues_of_a_kerb_on_the_right_are_those_of_the_left_in_a_mirror(
    linnet, seat, quay, method, standard, plan
):
    other = make_plan(scene(linnet.mirrored(), seat.mirrored(), quay.mirrored(), method, standard))
    for mine, theirs in zip(plan.calls, other.calls, strict=True):
        here, there = mine.cue.sighting, theirs.cue.sighting
        assert there.bearing == pytest.approx(-here.bearing)
        assert (there.x, there.y, there.z) == pytest.approx((here.x, -here.y, here.z))
        assert (there.through, there.feature) == (here.through, here.feature)
        np.testing.assert_allclose(there.eye, here.eye * [1, -1, 1])
        np.testing.assert_allclose(theirs.cue.target, mine.cue.target * [1, -1])
        # Along a side pane ahead stays ahead; across a screen left becomes right.
        flip = -1 if here.told.along == "y" else 1
        assert there.offset == pytest.approx(flip * here.offset, nan_ok=True)
        assert theirs.window == mine.window


@pytest.mark.parametrize("name", ["Straight-run reverse park", "Lock to lock reverse park"])
def test_at_a_call_what_was_waited_for_is_so(linnet, seat, quay, name):
    """Its own point stands as far off as the fit found; only where it waits for a length at all."""
    way = methods()[name].build()
    plan = make_plan(scene(linnet, seat, quay, way))
    waited = {call.until.kind for call in plan.calls} & {"abeam", "kerb", "edge"}
    assert waited
    for call in plan.calls:
        figure = call.until.figure()
        if call.until.kind in waited:
            wanted = plan.values[figure.name] if isinstance(figure, Unknown) else figure
            assert call.metres == pytest.approx(wanted, abs=0.002)


def test_documents_keep_signs_and_turn_units(linnet, seat, quay, method, plan):
    asked = scene(linnet, seat, quay, method)
    told = plan_document(plan, asked)
    assert told["finish"]["angle_deg"] == pytest.approx(
        np.degrees(plan.finish.measure("angle")[0]), abs=1e-3
    )
    crooked = replace(plan, finish=Finish(taped={**plan.finish.taped, "angle": np.array([-0.05])}))
    assert plan_document(crooked, asked)["finish"]["angle_deg"] == pytest.approx(-2.8648, abs=1e-3)
    for call, stated in zip(plan.calls, told["calls"], strict=True):
        assert stated["angle_deg"] == pytest.approx(np.degrees(call.heading), abs=1e-3)
        assert stated["early_m"] == pytest.approx(call.window.early, abs=1e-4)
        assert stated["late_m"] == pytest.approx(call.window.late, abs=1e-4)
        seen = stated["cues"][0]["bearing_deg"]
        assert seen == pytest.approx(np.degrees(call.cue.sighting.bearing), abs=1e-3)
    pinned = read_options(OptionsModel(pinned=told["figures"]), method).pinned
    assert pinned == pytest.approx(plan.values, abs=1e-3)


def test_a_shift_moves_the_told_cue_and_not_the_plan(linnet, seat, quay, method, standard, plan):
    moved = make_plan(scene(linnet, seat, quay, method, standard, Options(shifts={3: -0.2})))
    assert moved.calls[2].s == pytest.approx(plan.calls[2].s)
    assert moved.calls[2].told == pytest.approx(plan.calls[2].s - 0.2)
    assert moved.calls[2].cue.sighting.station != plan.calls[2].cue.sighting.station
    # Its place moves as well: 0.2 m less of reversing straight is 0.2 m less past the landmark.
    moved = make_plan(scene(linnet, seat, quay, method, standard, Options(shifts={1: -0.2})))
    assert moved.calls[0].metres == pytest.approx(plan.calls[0].metres - 0.2)


@pytest.mark.parametrize("gap", [0.7, 0.9, 1.2])
@pytest.mark.parametrize("lift", [0.0, 0.4])
def test_feasible_is_never_false_comfort(linnet, seat, method, standard, gap, lift):
    """What is called feasible touches nothing when driven finely, over a spread of places."""
    ground = lay_kerb("spread", gap=7.6 + lift, off_kerb=0.1 + lift / 2, goal_ahead=1.5)
    plan = make_plan(scene(linnet, seat, ground, method, standard, Options(gap=gap)))
    track = drive(linnet.steering, plan.start[None], [0.0], plan.legs, sample=0.01)
    gaps = [clearance(track.poses, linnet.outline, o.polygon).metres[0] for o in ground.obstacles]
    assert plan.feasible == (min(gaps) > 0.045 and not plan.why_not)


@pytest.mark.parametrize(
    ("options", "field"),
    [
        pytest.param(Options(gap=9), "gap_m", id="gap"),
        pytest.param(Options(turns_per_metre=0), "turns_per_metre", id="hands"),
        pytest.param(Options(pinned={"angel": 1}), "angel", id="unknown figure"),
        pytest.param(Options(shifts={9: 0.1}), "shifts", id="no such call"),
        pytest.param(Options(kerb=5), "kerb_m", id="kerb"),
    ],
)
def test_bad_options_name_their_field(linnet, seat, quay, method, standard, options, field):
    with pytest.raises(InputError, match=field):
        make_plan(scene(linnet, seat, quay, method, standard, options))


def test_a_place_keeps_every_measure_but_the_one_changed(quay):

    place = with_behind(quay, 7.0)
    changed = adjust(place, "ahead_length", 5.1)
    before, after = measures(place), measures(changed)
    assert after.pop("ahead_length") == pytest.approx(5.1)
    before.pop("ahead_length")
    assert after == pytest.approx(before)
    assert measures(place.mirrored()) == pytest.approx(measures(place))


@pytest.mark.parametrize("call", [0, 1, 2, 3])
def test_a_call_played_just_beyond_its_window_breaks_what_the_window_says(
    linnet, seat, quay, method, standard, plan, call
):
    """Played where nothing breaks it ends as rehearsed; on time it is the plan itself."""
    on_time = play(
        scene(linnet, seat, quay, method, options=Options()), plan.values, call=call + 1, by=0.0
    )
    np.testing.assert_allclose(on_time.track.final, plan.track.final, atol=1e-6)
    assert not on_time.breaks
    late = play(
        scene(linnet, seat, quay, method, options=Options()), plan.values, call=call + 1, by=0.1
    )
    lateness = np.zeros(len(plan.calls))
    lateness[call] = 0.1
    driven = rehearse(scene(linnet, seat, plan.ground, method, standard), plan, lateness)
    np.testing.assert_allclose(late.track.final, driven.poses, atol=1e-6)
    window = plan.calls[call].window
    if window.late is not None and "meets" in window.late_breaks.code:
        beyond = play(
            scene(linnet, seat, quay, method, options=Options()),
            plan.values,
            call=call + 1,
            by=window.late + 0.02,
        )
        assert beyond.breaks == window.late_breaks


def test_a_call_played_early_on_the_right_is_the_left_in_a_mirror(linnet, seat, quay, method, plan):
    left = play(scene(linnet, seat, quay, method, options=Options()), plan.values, call=2, by=-0.15)
    right = play(
        scene(linnet.mirrored(), seat.mirrored(), quay.mirrored(), method, options=Options()),
        plan.values,
        call=2,
        by=-0.15,
    )
    np.testing.assert_allclose(right.track.poses, left.track.poses * [1, -1, -1], atol=1e-9)


@pytest.mark.parametrize(("call", "by", "field"), [(9, 0.1, "call"), (1, 7.0, "by_m")])
def test_what_cannot_be_played_names_its_field(linnet, seat, quay, method, plan, call, by, field):
    with pytest.raises(InputError) as caught:
        play(scene(linnet, seat, quay, method, options=Options()), plan.values, call=call, by=by)
    assert caught.value.field == field
