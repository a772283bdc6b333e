"""Turning round, reversing round a corner, along a free kerb: every way, driven again."""

import numpy as np
import pytest
from faircorner.cues import Options, make_least_sizes, make_plan, make_remedy, wheel_round
from faircorner.documents.ground import GroundDocument, ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.samples import LINNET
from faircorner.errors import InputError
from faircorner.ground import (
    Corner,
    Stretch,
    Turnabout,
    adjust,
    change_road,
    lay_road,
    measures,
)
from faircorner.motion import Leg, drive
from faircorner.plane import to_site
from faircorner.standards import goal_of
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.core.held import CARS, assert_holds, built, lands, plausible, plausible_cars
from tests.core.scenes import UNLIMITED, scene

METHODS = {name: document.build() for name, document in methods().items()}
TURNS = {"Turn in one, without reversing": 12.5, "Three-movement turn": 7.6,
         "Five-movement turn": 6.6}  # fmt: skip
CORNERS = ("Close corner reverse", "Wide corner reverse")
FREE = ("Kerbside stop", "Reverse along the kerb", "Pull up opposite and reverse")
PLACES = [
    *((way, f"{width:g} m", lay_road("road", Turnabout(), road_width=width))
      for way, width in TURNS.items()),
    *((way, f"radius {radius:g}", lay_road("road", Corner(radius=radius)))
      for way in CORNERS for radius in (3.0, 6.0, 10.0)),
    *((way, "free", lay_road("road", Stretch(), road_width=7.4)) for way in FREE),
]  # fmt: skip
ROADS = {
    "turnabout": lay_road("a road", Turnabout()),
    "corner": lay_road("a corner", Corner()),
    "stretch": lay_road("a kerb", Stretch()),
}
# One value inside its limits for every measure of a road.
VALUES = {"road_width": 8.2, "goal_kerb": 0.8, "corner_radius": 6.5, "side_width": 7.0,
          "goal_back": 5.0, "goal_short": 1.1, "goal_run": 15.0}  # fmt: skip


def standard_for(method):
    return house_standard(goal_of(method.manoeuvre)).build()


@pytest.mark.parametrize("car", CARS)
@pytest.mark.parametrize(
    ("way", "ground"), [pytest.param(s, g, id=f"{s}, {what}") for s, what, g in PLACES]
)
def test_a_method_works_for_a_car_on_both_sides(way, ground, car):
    vehicle, seat = built(CARS[car])
    method = METHODS[way]
    standard = standard_for(method)
    left = make_plan(scene(vehicle, seat, ground, method, standard))
    finish = assert_holds(left, vehicle)
    assert all(band.holds(finish)[0] for band in standard.bands)
    assert finish.kerb[0] == pytest.approx(ground.goal.kerb, abs=0.012)
    if car != LINNET.name:
        return
    right = make_plan(
        scene(vehicle.mirrored(), seat.mirrored(), ground.mirrored(), method, standard)
    )
    np.testing.assert_allclose(right.track.poses, left.track.poses * [1, -1, -1], atol=1e-9)
    assert_holds(right, vehicle.mirrored())


def test_turned_round_a_vehicle_faces_back(linnet, seat):
    method = METHODS["Three-movement turn"]
    plan = make_plan(scene(linnet, seat, PLACES[1][2], method, standard_for(method)))
    assert np.cos(plan.track.final[0, 2]) == pytest.approx(-1, abs=1e-3)
    gears = [leg.direction for leg in plan.legs]
    assert gears == [1, -1, 1, 1]


def test_round_the_corner_it_stands_in_the_side_road_facing_out(linnet, seat):
    method = METHODS["Close corner reverse"]
    ground = lay_road("corner", Corner(back=4.0))
    plan = make_plan(scene(linnet, seat, ground, method, UNLIMITED))
    final = plan.track.final[0]
    assert np.degrees(final[2]) == pytest.approx(-90, abs=0.5)
    nose = to_site(final, np.array([[linnet.nose, 0.0]]))[0]
    assert nose[1] == pytest.approx(4.0, abs=0.01)


def test_a_kerbside_stop_ends_before_the_post_and_the_others_reverse_from_there(linnet, seat):
    ground = lay_road("kerb", Stretch(short=0.6, run=11.0))
    for way, gap in (("Kerbside stop", 0.6), ("Reverse along the kerb", 11.6),
                        ("Pull up opposite and reverse", 11.6)):  # fmt: skip
        plan = make_plan(scene(linnet, seat, ground, METHODS[way], UNLIMITED))
        assert plan.finish.measure("ahead")[0] == pytest.approx(gap, abs=0.01)


@settings(max_examples=14, suppress_health_check=[HealthCheck.filter_too_much])
@given(
    car=plausible_cars,
    way=st.sampled_from([*TURNS, *CORNERS, *FREE]),
    width=st.floats(5.5, 13.0),
    radius=st.floats(1.0, 12.0),
    kerb=st.floats(0.2, 1.0),
)
def test_feasible_is_never_false_comfort(car, way, width, radius, kerb):
    """Any plausible car and road: a plan that is called feasible holds; another has a reason."""
    if not plausible(car):
        return
    vehicle, seat = built(car)
    goals = {"turnabout": Turnabout(kerb=kerb), "corner": Corner(radius=radius, kerb=kerb),
             "stretch": Stretch(kerb=kerb)}  # fmt: skip
    method = METHODS[way]
    ground = lay_road("any", goals[goal_of(method.manoeuvre)], road_width=width)
    plan = make_plan(scene(vehicle, seat, ground, method, UNLIMITED))
    if plan.feasible:
        assert_holds(plan, vehicle)
    else:
        assert str(plan.why_not)


@pytest.mark.parametrize("way", ["Three-movement turn", "Five-movement turn"])
def test_the_least_road_works_and_a_narrower_one_says_what_is_met(linnet, seat, way):
    method, standard = METHODS[way], standard_for(METHODS[way])
    ground = lay_road("road", Turnabout(), road_width=8.0)
    (size,) = make_least_sizes(scene(linnet, seat, ground, method, standard))
    assert size.what == "road width"
    works = make_plan(
        scene(linnet, seat, adjust(ground, "road_width", size.metres), method, standard)
    )
    assert_holds(works, linnet)
    assert not size.tighter.feasible
    assert size.tighter.ground.road_width == pytest.approx(size.metres - 0.1)
    assert str(size.tighter.why_not)


def test_more_movements_need_less_road(linnet, seat):
    """In the road that the next fewer movements just cannot use, more can."""
    for way, width in (("Three-movement turn", 9.5), ("Five-movement turn", 6.2)):
        road = lay_road("road", Turnabout(), road_width=width)
        fewer = {"Three-movement turn": "Turn in one, without reversing",
                 "Five-movement turn": "Three-movement turn"}[way]  # fmt: skip
        assert make_plan(scene(linnet, seat, road, METHODS[way], UNLIMITED)).feasible
        assert not make_plan(scene(linnet, seat, road, METHODS[fewer], UNLIMITED)).feasible


def test_where_the_body_may_not_reach_over_the_kerbs_more_road_is_needed(linnet, seat):
    method = METHODS["Three-movement turn"]
    ground = lay_road("road", Turnabout(), road_width=7.0)
    walled = change_road(ground, overhang=False)
    assert make_plan(
        scene(linnet, seat, adjust(ground, "road_width", 7.0), method, UNLIMITED)
    ).feasible
    assert not make_plan(
        scene(linnet, seat, adjust(walled, "road_width", 7.0), method, UNLIMITED)
    ).feasible
    wide = adjust(walled, "road_width", 7.0 + linnet.front_overhang + linnet.rear_overhang)
    assert_holds(make_plan(scene(linnet, seat, wide, method, UNLIMITED)), linnet)


def test_a_road_too_narrow_is_advised_its_width_and_the_advice_holds(linnet, seat):
    method = METHODS["Three-movement turn"]
    standard = standard_for(method)
    narrow = lay_road("lane", Turnabout(), road_width=6.0)
    assert not make_plan(scene(linnet, seat, narrow, method, standard)).feasible
    remedy = make_remedy(scene(linnet, seat, narrow, method, standard))
    assert remedy.what == "road width"
    made = adjust(narrow, "road_width", remedy.to)
    assert make_plan(scene(linnet, seat, made, method, standard)).feasible


def test_nothing_is_looked_for_where_nothing_could_be_tighter(linnet, seat):
    with pytest.raises(InputError, match="no least size"):
        make_least_sizes(scene(linnet, seat, ROADS["stretch"], METHODS["Kerbside stop"], UNLIMITED))


@pytest.mark.parametrize("side", ["left", "right"])
@pytest.mark.parametrize("kind", ROADS)
def test_one_measure_of_a_road_changes_and_the_others_stay(kind, side):
    ground = ROADS[kind] if side == "left" else ROADS[kind].mirrored()
    before = measures(ground)
    assert before
    for measure in before:
        changed = adjust(ground, measure, VALUES[measure])
        assert changed.side == side
        assert measures(changed) == pytest.approx({**before, measure: VALUES[measure]})
        again = GroundDocument.read(ground_document(changed)).build()
        assert measures(again) == pytest.approx(measures(changed))
        for mine, theirs in zip(changed.edges, again.edges, strict=True):
            np.testing.assert_allclose(theirs.points, mine.points, atol=1e-4)


@pytest.mark.parametrize(
    ("kind", "measure", "metres", "field"),
    [
        pytest.param("turnabout", "goal_kerb", 0.0, "goal_kerb", id="on the kerb"),
        pytest.param("corner", "corner_radius", 40.0, "radius", id="no corner"),
        pytest.param("corner", "goal_run", 3.0, "measure", id="of another place"),
        pytest.param("stretch", "goal_run", -1.0, "goal_run", id="the wrong way"),
        pytest.param("stretch", "road_width", 2.0, "road_width_m", id="too narrow to drive on"),
    ],
)
def test_a_road_that_cannot_be_names_its_field(kind, measure, metres, field):
    with pytest.raises(InputError) as caught:
        adjust(ROADS[kind], measure, metres)
    assert caught.value.field == field


@given(
    radius=st.floats(0.5, 20.0), x=st.floats(-15, 25), y=st.floats(-12, 25), side=st.floats(3, 9)
)
def test_room_to_a_corner_is_what_a_polygon_of_the_land_says(radius, x, y, side):
    ground = lay_road("corner", Corner(radius=radius, side_width=side), road_width=8.0)
    shapes = lands(ground)
    for line in ground.kerblines:
        land = shapes[line.name]
        gap = float(line.gap(np.array([x, y, 0.0]), np.zeros((1, 2))))
        from shapely import Point  # noqa: PLC0415

        place = Point(x, y)
        expected = land.distance(place) or -land.boundary.distance(place)
        assert gap == pytest.approx(expected, abs=1e-3)


@given(st.floats(3.0, 15.0), st.floats(0.2, 1.2))
def test_the_wheel_that_holds_a_distance_holds_it(linnet, radius, gap):
    turns = wheel_round(linnet, radius, gap)
    half = float(linnet.hubs(side=1)[0, 1])
    # Beside a corner centred on the origin, reversing round it to the left.
    start = [[0.0, -(radius + gap + half), 0.0]]
    leg = Leg(direction=-1, turns=[turns], metres=[4.0], rate=[np.inf])
    poses = drive(linnet.steering, start, [turns], [leg]).poses[0]
    hub = to_site(poses, linnet.hubs(side=1)[:1])[:, 0]
    np.testing.assert_allclose(np.hypot(*hub.T) - radius, gap, atol=1e-6)


def test_past_the_lock_no_wheel_holds_a_distance(linnet):
    assert np.isnan(wheel_round(linnet, 0.5, 0.2))
    with pytest.raises(InputError) as caught:
        wheel_round(linnet, 5.0, -1.0)
    assert caught.value.field == "kerb_m"


def test_another_way_back_is_asked_for_by_the_option(linnet, seat):
    ground = lay_road("kerb", Stretch(short=0.5, run=9.0))
    method = METHODS["Reverse along the kerb"]
    plan = make_plan(scene(linnet, seat, ground, method, UNLIMITED, Options(ahead=14.0)))
    assert plan.finish.measure("ahead")[0] == pytest.approx(14.0, abs=0.01)
    with pytest.raises(InputError) as caught:
        make_plan(scene(linnet, seat, ground, method, UNLIMITED, Options(ahead=3.0)))
    assert caught.value.field == "ahead_m"


def test_a_look_tells_only_what_is_rolled_in_its_own_gear(linnet, seat):
    method = METHODS["Three-movement turn"]
    plan = make_plan(scene(linnet, seat, PLACES[1][2], method, standard_for(method)))
    rolled = {leg.direction: float(leg.metres[0]) for leg in plan.legs[:2]}
    for look in plan.looks:
        if look.why == "reverses":
            # The near tail corner's way, on another circle than the axle's.
            assert look.metres == pytest.approx(rolled[-1], rel=0.25)
