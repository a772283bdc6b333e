"""What a drawing shows agrees with what the sums say, on either side of the road."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import drift, make_plan, rejoin
from faircorner.cues.drawing import drawn, held
from faircorner.cues.totals import totals
from faircorner.documents.library import house_standard, methods
from faircorner.documents.plans import plan_document
from faircorner.ground import (
    Bay,
    Corner,
    Stretch,
    Turnabout,
    adjust,
    lay_bay,
    lay_kerb,
    lay_road,
    measures,
    sketch,
)
from faircorner.plane import mirrored
from faircorner.shift.finishes import mean_pose
from faircorner.standards import goal_of

from tests.core.scenes import scene

CASES = {
    "Straight-run reverse park": lay_kerb("kerb", gap=7.5),
    "Full-lock reverse bay": lay_bay("bay", bay=Bay(width=2.6), aisle=7.0),
    "Full-lock forward bay": lay_bay(
        "stop", bay=Bay(angle=np.radians(60), head="wheel stop"), aisle=8.0
    ),
    "Three-movement turn": lay_road("turn", Turnabout(), road_width=8.0),
    "Wide corner reverse": lay_road("corner", Corner()),
    "Kerbside stop": lay_road("stretch", Stretch()),
}


def planned(name, vehicle, seat, *, side="left"):
    method = methods()[name].build()
    ground = CASES[name] if side == "left" else CASES[name].mirrored()
    standard = house_standard(goal_of(method.manoeuvre)).build()
    asked = scene(vehicle, seat, ground, method, standard)
    return asked, make_plan(asked)


def length(dimension):
    return float(np.linalg.norm(dimension.ends[1] - dimension.ends[0]))


def beside_its_edge(drawing):
    """The way out leads from the edge to the vehicle, as far as the tape says."""
    (rear,) = (line for line in drawing.dimensions if line.what == "kerb_rear")
    on, edge = rear.ends
    assert float((on - edge) @ drawing.away) == pytest.approx(length(rear))


@pytest.fixture(scope="module", params=CASES)
def case(request, linnet, seat):
    return planned(request.param, linnet, seat)


def test_dimension_lines_are_as_long_as_the_figures_they_carry(case, linnet):
    asked, plan = case
    lines = {line.what: line for line in drawn(linnet, plan).dimensions}
    angle = float(plan.finish.measure("angle")[0])
    for wheel in ("kerb_rear", "kerb_front"):
        assert length(lines[wheel]) == pytest.approx(float(plan.finish.measure(wheel)[0]), abs=2e-4)
    for end in ("ahead", "behind"):
        gap = float(plan.finish.measure(end)[0])
        assert (end in lines) is not np.isnan(gap)
        if end in lines:
            # The middle of an end is farther off than its nearest corner.
            slack = linnet.width * (abs(np.sin(angle)) + abs(plan.ground.berth.end(end).slope)) / 2
            assert gap - 2e-4 <= length(lines[end]) <= gap + slack + 2e-4
    assert length(lines["start_gap"]) == pytest.approx(plan.gap, abs=2e-4)
    standing = replace(asked, standing=plan.track.poses[0, -1])
    again = {line.what: line.ends for line in held(standing)}
    for what, ends in again.items():
        np.testing.assert_allclose(ends, lines[what].ends, atol=1e-9)


def test_a_drawing_shows_all_that_is_driven_on_and_the_vehicle_beside_its_edge(case, linnet):
    _, plan = case
    drawing = drawn(linnet, plan)
    low, high = drawing.view
    for part in plan.swept:
        assert (part > low).all()
        assert (part < high).all()
    beside_its_edge(drawing)
    least = min(metres for _, metres, _ in plan.clearances)
    assert {n for n, m, _ in plan.clearances if m == least} <= set(drawing.nearest)


@pytest.mark.parametrize("name", CASES)
def test_the_other_side_is_drawn_in_a_mirror(name, linnet, seat):
    _, left = planned(name, linnet, seat)
    _, right = planned(name, linnet.mirrored(), seat.mirrored(), side="right")
    there = drawn(linnet.mirrored(), right)
    beside_its_edge(there)
    ours, theirs = drawn(linnet, left), there.mirrored()
    for a, b in zip(ours.dimensions, theirs.dimensions, strict=True):
        assert a.what == b.what
        np.testing.assert_allclose(a.ends, b.ends, atol=1e-9)
    np.testing.assert_allclose(ours.view, theirs.view, atol=1e-9)
    np.testing.assert_allclose(ours.away, theirs.away, atol=1e-9)
    assert totals(left) == totals(right)


def test_the_nose_leaves_its_lane_as_far_as_the_look_says(linnet, seat):
    _, plan = planned("Straight-run reverse park", linnet, seat)
    out = next(look for look in plan.looks if look.why == "swings out")
    swing = drawn(linnet, plan).swing
    assert length(swing.reach) == pytest.approx(out.metres)
    lane = swing.reach.ends[0, 1]
    # A corner cut off is drawn where it begins.
    assert lane - swing.track[:, 1].min() == pytest.approx(out.metres, abs=linnet.corner_cut)
    assert (swing.track[:, 1] < lane + 0.03).all()
    assert np.isfinite(swing.track).all()


def test_wheels_are_told_as_they_stand(linnet, seat):
    asked, plan = planned("Full-lock reverse bay", linnet, seat)
    path = plan_document(plan, asked)["path"]
    lock = linnet.steering.lock_turns
    full = next(p for p in path if p["turns"] == pytest.approx(lock))
    assert full["wheel_deg"] == pytest.approx(
        np.degrees(linnet.steering.road_wheel_angle(lock)), abs=1e-3
    )
    assert all(p["wheel_deg"] * p["turns"] >= 0 for p in path)
    assert path[0]["wheel_deg"] == 0


def test_totals_are_those_of_the_plan(linnet, seat):
    asked, plan = planned("Three-movement turn", linnet, seat)
    told = totals(plan)
    document = plan_document(plan, asked)
    assert told.movements == 3
    assert told.rolled == pytest.approx(sum(leg["metres"] for leg in document["legs"]), abs=1e-3)
    call = min(document["calls"], key=lambda c: (c["early_m"] or 1) + (c["late_m"] or 1))
    assert told.narrowest[0] == call["number"]
    # Here it is the kerbs that there has to be room to.
    kerbs = [c["metres"] for c in document["clearance"] if "kerb" in c["obstacle"]]
    assert told.nearest == pytest.approx(min(kerbs), abs=1e-4)
    _, free = planned("Kerbside stop", linnet, seat)
    assert totals(free).nearest is None
    _, bay = planned("Full-lock reverse bay", linnet, seat)
    assert (totals(bay).along, totals(free).along) == ("behind", "ahead")


def test_a_mean_pose_is_where_finishes_lie_whatever_turn_they_are_told_in():
    poses = np.array([[1.0, 2.0, np.pi - 0.02], [3.0, 4.0, -np.pi + 0.06]])
    x, y, heading = mean_pose(poses)
    assert (x, y) == (2, 3)
    assert heading == pytest.approx(np.pi + 0.02)
    np.testing.assert_allclose(mean_pose(mirrored(poses))[:2], [2, -3])


def test_small_angles_and_the_way_back_across(linnet):
    assert drift(9.0)[1] == pytest.approx((np.radians(1), 9 * np.sin(np.radians(1))))
    across, ways = rejoin(linnet, 7.0)
    assert across == 3.5
    assert all(way.reach > 0 for way in ways)
    assert ways


@pytest.mark.parametrize("place", CASES.values(), ids=CASES)
def test_measures_are_drawn_as_long_as_they_are_and_grow_the_way_they_are_pulled(place):
    told = measures(place)
    drawing = sketch(place)
    assert drawing.lines
    for line in drawing.lines:
        assert line.measure in told
        # A radius is drawn from the middle of its curve.
        if line.ends is not None:
            long = np.linalg.norm(line.ends[1] - line.ends[0])
            assert long == pytest.approx(told[line.measure], abs=2e-3), line.measure
        if line.grip is None:
            continue
        grown = adjust(place, line.measure, told[line.measure] + 0.3)
        (there,) = (one for one in sketch(grown).lines if one.measure == line.measure)
        np.testing.assert_allclose(there.grip - line.grip, 0.3 * line.pull, atol=1e-6)
    other = sketch(place.mirrored()).mirrored()
    for a, b in zip(drawing.lines, other.lines, strict=True):
        np.testing.assert_allclose(a.at, b.at, atol=1e-9)
    np.testing.assert_allclose(drawing.view, other.view, atol=1e-9)
