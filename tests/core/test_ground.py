"""Laying out a place, measuring it, changing one thing at a time, and what a tape reads there."""

import numpy as np
import pytest
from faircorner.documents.ground import ground_document
from faircorner.documents.reading import accepted, read_document
from faircorner.errors import InputError
from faircorner.ground import (
    KINDS,
    Ground,
    Kerbside,
    Obstacle,
    adjust,
    far_kerb,
    lay_kerb,
    measures,
    near_kerb,
    with_behind,
)
from faircorner.sides import turned_back
from faircorner.standards import Band, Finish, finish_at
from hypothesis import given
from hypothesis import strategies as st

# One value inside its limits for every measure of a place.
VALUES = {
    "gap": 8.3, "ahead_off_kerb": 0.35, "ahead_length": 5.0, "ahead_width": 1.95,
    "ahead_askew": 0.25,
    "behind_off_kerb": 0.15, "behind_length": 3.6, "behind_width": 1.7, "behind_askew": -0.2,
    "road_width": 9.0, "goal_kerb": 0.3, "goal_ahead": 1.2,
}  # fmt: skip


@pytest.fixture
def place():
    return with_behind(lay_kerb("quay"), 7.0)


def test_every_measure_has_a_trial_value(place):
    assert set(VALUES) == set(measures(place))


@pytest.mark.parametrize("side", ["left", "right"])
@pytest.mark.parametrize("measure", VALUES)
def test_one_measure_changes_and_the_others_stay(place, side, measure):
    ground = place if side == "left" else place.mirrored()
    before = measures(ground)
    changed = adjust(ground, measure, VALUES[measure])
    after = measures(changed)
    assert after.pop(measure) == pytest.approx(VALUES[measure])
    before.pop(measure)
    assert after == pytest.approx(before)
    assert changed.side == side


@pytest.mark.parametrize("measure", VALUES)
@pytest.mark.parametrize("metres", [float("nan"), float("inf"), -30.0, 300.0])
def test_a_measure_out_of_reason_is_refused_by_name(place, measure, metres):
    with pytest.raises(InputError) as caught:
        adjust(place, measure, metres)
    named = caught.value.field.removesuffix("_m")
    assert measure in (named, f"goal_{named}", f"goal_{named.removeprefix('goal.')}")


def test_an_unknown_measure_lists_the_known_ones(place):
    with pytest.raises(InputError, match="road_width"):
        adjust(place, "depth", 1.0)


def test_mirrored_twice_is_the_same_place(place):
    twice = place.mirrored().mirrored()
    assert twice.side == place.side
    for mine, theirs in zip(place.obstacles, twice.obstacles, strict=True):
        np.testing.assert_allclose(theirs.polygon, mine.polygon)


def test_a_vehicle_behind_comes_and_goes(place):
    alone = with_behind(place, None)
    assert alone.goal.behind is None
    assert "gap" not in measures(alone)
    with pytest.raises(InputError, match="add one first"):
        adjust(alone, "gap", 7.0)
    assert measures(with_behind(alone, 6.6))["gap"] == pytest.approx(6.6)


def test_the_start_gap_is_measured_from_the_flank_toward_the_road(place):
    parked = adjust(adjust(place, "ahead_off_kerb", 0.3), "ahead_width", 1.8)
    assert parked.goal.flank(parked.obstacles) == pytest.approx(-2.1)


def test_the_far_kerb_moves_with_the_road(place):
    wider = adjust(place, "road_width", 9.5)
    far = next(e for e in wider.edges if e.kind == "far kerb")
    np.testing.assert_allclose(far.points[:, 1], -9.5)


@given(st.floats(-9, 0), st.floats(-3, -1), st.floats(-0.3, 0.3))
def test_the_tape_reads_what_the_pose_says(linnet, x, y, heading):
    place = with_behind(lay_kerb("quay"), 30.0)
    finish = finish_at(np.array([[x, y, heading]]), linnet, place)
    across = finish.measure("kerb_front")[0] - finish.measure("kerb_rear")[0]
    wider = np.cos(heading) * (linnet.track_front - linnet.track_rear) / 2
    assert across == pytest.approx(-np.sin(heading) * linnet.wheelbase - wider)
    room = 30.0 - finish.measure("ahead")[0] - finish.measure("behind")[0]
    straight = linnet.length * np.cos(heading)
    assert straight - 0.1 <= room <= straight + linnet.width * abs(np.sin(heading)) + 1e-9
    assert finish.kerb[0] == pytest.approx(
        (finish.measure("kerb_front")[0] + finish.measure("kerb_rear")[0]) / 2
    )


def test_a_band_keeps_its_ends_and_judges_angles_both_ways():
    finish = Finish(
        taped={
            "kerb_front": np.array([0.1, 0.45, 0.0998, 0.4502]),
            "angle": np.array([0.05, -0.05, 0.06, -0.06]),
        }
    )
    kerb = Band(measure="kerb_front", low=0.1, high=0.45)
    assert kerb.holds(finish).tolist() == [True, True, False, False]
    angle = Band(measure="angle", high=0.055)
    assert angle.holds(finish).tolist() == [True, True, False, False]
    assert Band(measure="ahead", low=0.5).holds(finish).all(), "not there to be measured"
    with pytest.raises(InputError, match="above high"):
        Band(measure="ahead", low=2, high=1)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        pytest.param({"side": "up"}, "side", id="side"),
        pytest.param({"road_width": 1.0}, "road_width_m", id="no road"),
        pytest.param({"goal": Kerbside(ahead="ghost")}, "goal.ahead", id="nobody ahead"),
    ],
)
def test_a_place_that_cannot_be_names_its_field(change, field):
    parked = Obstacle(
        name="car", kind="vehicle", polygon=np.array([(0, -2), (4, -2), (4, -0.2), (0, -0.2)])
    )
    given = {"name": "x", "side": "left", "obstacles": (parked,),
             "goal": Kerbside(ahead="car")}  # fmt: skip
    assert Ground(**given).obstacles[0] is parked
    with pytest.raises(InputError, match=field):
        Ground(**{**given, **change})


@pytest.mark.parametrize(
    "polygon",
    [
        pytest.param([(0, 0), (1, 1)], id="two corners"),
        pytest.param([(0, 0), (1, 1), (1, 0), (0, 1)], id="crossed"),
        pytest.param([(0, 0), (1, 0), (2, 0)], id="flat"),
        pytest.param([(0, 0), (4, 0), (1, 1), (0, 4)], id="dented"),
    ],
)
def test_an_obstacle_is_a_convex_polygon(polygon):
    with pytest.raises(InputError, match="polygon_m"):
        Obstacle(name="x", kind="vehicle", polygon=np.array(polygon, dtype=float))


def test_a_body_keeps_farther_off_an_edge_that_it_may_not_cross_than_a_tyre_off_a_kerb():
    assert near_kerb(of_tyres=True).spare < far_kerb(7.0).spare == near_kerb(of_tyres=False).spare


@pytest.mark.parametrize("side", ["left", "right"])
@pytest.mark.parametrize("kind", KINDS)
def test_what_is_drawn_is_what_is_kept_clear_of(kind, side):
    """Every edge as drawn lies where the sums have it, on whichever side; lines may be crossed."""
    place = turned_back(side, KINDS[kind].lay("anywhere"))
    lines = {line.name: line for line in place.kerb_on_left().kerblines}
    flip = [1, 1] if side == "left" else [1, -1]
    for edge in place.edges:
        if edge.kind != "line":
            poses = np.column_stack((edge.points * flip, np.zeros(len(edge.points))))
            gaps = lines.pop(edge.name).gap(poses, np.zeros((1, 2)))
            np.testing.assert_allclose(gaps, 0, atol=1e-9)
    assert lines == {}


@pytest.mark.parametrize(
    ("change", "fits"),
    [
        pytest.param({"points_m": [[-9, -7], [9, -7]]}, True, id="drawn shorter"),
        pytest.param({"name": "opposite"}, True, id="called otherwise"),
        pytest.param({"kind": "line", "points_m": [[0, -3], [9, -3]]}, True, id="a painted line"),
        pytest.param({"points_m": [[-30, -3], [30, -3]]}, False, id="drawn across the road"),
        pytest.param({"points_m": [[-30, -7], [30, -6]]}, False, id="drawn askew"),
        pytest.param({"kind": "kerb"}, False, id="another kind"),
    ],
)
def test_an_edge_is_drawn_where_it_is_kept_clear_of_or_refused(quay, change, fits):
    body = ground_document(quay)
    body["edges"][1] |= change
    if fits:
        accepted("ground", body)
        return
    with pytest.raises(InputError, match="kept clear of") as caught:
        accepted("ground", body)
    assert caught.value.field == "edges[1].points_m"
    # What was kept before anybody asked is read all the same.
    assert measures(read_document("ground", body).build()) == measures(quay)
