"""Every method of the library, for every demo car, on both sides: driven again, apart from the fit.

The legs of each plan are driven at 2 cm; finish, clearances and the reasons have to agree.
"""

import numpy as np
import pytest
from faircorner.cues import Options, Unknown, make_least_sizes, make_plan
from faircorner.documents.driving import DriveRequest, drive_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.plans import plan_document
from faircorner.documents.samples import LINNET, vehicle_document
from faircorner.errors import InputError
from faircorner.ground import Bay, adjust, lay_bay, lay_kerb, with_behind
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.core.held import CARS, assert_holds, built, plausible, plausible_cars
from tests.core.scenes import UNLIMITED, scene

METHODS = methods()
PLACES = {
    "behind one": lambda car: lay_kerb("one", goal_ahead=2.0),
    "between two": lambda car: with_behind(lay_kerb("two", goal_ahead=1.3), 1.75 * car.length),
}
# Square and leaning bays; a lean the way of travel is driven into, one against it backed into.
BAYS = {
    "bay forward": {
        "square, free": lay_bay("bay", aisle=7.5, before=None, beyond=None),
        "leaning 60": lay_bay("bay", bay=Bay(angle=np.radians(60)), aisle=7.0),
        "leaning 40, to a wall": lay_bay(
            "bay", bay=Bay(angle=np.radians(40), head="wall", head_gap=0.5), aisle=6.5
        ),
    },
    "bay reverse": {
        "square": lay_bay("bay", bay=Bay(width=2.6), aisle=7.0),
        "square, to a wheel stop": lay_bay(
            "bay", bay=Bay(width=2.6, head="wheel stop", head_gap=0.1), aisle=7.0
        ),
        "leaning back 60": lay_bay("bay", bay=Bay(angle=np.radians(120)), aisle=7.0),
    },
}
KERBSIDE = [name for name, m in METHODS.items() if m.manoeuvre == "reverse parallel"]
YARD = "Yard bay against the clock"
YARDS = {
    f"guide at {guide:g} m": lay_bay(
        "yard", aisle=9.0, before=None, beyond=None,
        bay=Bay(width=2.7, depth=5.4, lines="sensor", guide=guide),
    )
    for guide in (1.6, 2.2)
}  # fmt: skip
INTO_BAYS = [
    (name, place)
    for name, m in METHODS.items()
    if m.manoeuvre in BAYS
    for place in (YARDS if name == YARD else BAYS[m.manoeuvre])
]


@pytest.mark.parametrize("car", CARS)
@pytest.mark.parametrize("place", PLACES)
@pytest.mark.parametrize("way", KERBSIDE)
def test_a_method_works_for_a_car_on_both_sides(way, place, car, standard):
    vehicle, seat = built(CARS[car])
    ground = PLACES[place](CARS[car])
    method = METHODS[way].build()
    left = make_plan(scene(vehicle, seat, ground, method, standard))
    finish = assert_holds(left, vehicle)
    assert finish.kerb[0] == pytest.approx(ground.goal.kerb, abs=0.01)
    assert all(band.holds(finish)[0] for band in standard.bands)
    if car != LINNET.name:
        return
    right = make_plan(
        scene(vehicle.mirrored(), seat.mirrored(), ground.mirrored(), method, standard)
    )
    np.testing.assert_allclose(right.track.poses, left.track.poses * [1, -1, -1], atol=1e-9)
    assert_holds(right, vehicle.mirrored())


@pytest.mark.parametrize("car", CARS)
@pytest.mark.parametrize(("way", "place"), INTO_BAYS)
def test_a_method_ends_in_the_middle_of_a_bay_on_both_sides(way, place, car):
    vehicle, seat = built(CARS[car])
    method = METHODS[way].build()
    ground = (YARDS if way == YARD else BAYS[method.manoeuvre])[place]
    left = make_plan(scene(vehicle, seat, ground, method, UNLIMITED))
    assert_holds(left, vehicle)
    final = left.track.final[0]
    across = np.array([-left.ground.goal.inward[1], left.ground.goal.inward[0]])
    assert abs(final[:2] @ across) < 0.01
    outward = 0.0 if method.manoeuvre == "bay forward" else np.pi
    assert abs(final[2] - (left.ground.goal.angle - outward)) < np.radians(1.0)
    assert left.finish.measure(left.ground.berth.along)[0] == pytest.approx(
        left.ground.goal.gap, abs=0.01
    )
    if car != LINNET.name:
        return
    right = make_plan(
        scene(vehicle.mirrored(), seat.mirrored(), ground.mirrored(), method, UNLIMITED)
    )
    np.testing.assert_allclose(right.track.poses, left.track.poses * [1, -1, -1], atol=1e-9)
    assert_holds(right, vehicle.mirrored())


def test_a_method_is_told_from_a_place_that_it_does_not_end_at(linnet, seat, quay, standard):
    for way, ground in (
        ("Full-lock reverse bay", quay),
        ("Straight-run reverse park", BAYS["bay reverse"]["square"]),
    ):
        with pytest.raises(InputError) as caught:
            make_plan(scene(linnet, seat, ground, METHODS[way].build(), standard))
        assert caught.value.field == "ground"


@pytest.mark.parametrize("angle", [90.0, 120.0])
def test_the_least_width_of_bay_works_and_less_does_not(linnet, seat, angle):
    method = METHODS["Full-lock reverse bay"].build()
    ground = lay_bay("bay", bay=Bay(angle=np.radians(angle)), aisle=7.0, before=0.0, beyond=0.0)
    standard = house_standard("bay").build()
    assert make_least_sizes(scene(linnet, seat, ground, method, standard))[0].metres is not None
    least = make_least_sizes(scene(linnet, seat, ground, method, UNLIMITED))[0].metres
    assert_holds(
        make_plan(scene(linnet, seat, adjust(ground, "bay_width", least), method, UNLIMITED)),
        linnet,
    )
    tighter = adjust(ground, "bay_width", least - 0.1)
    assert not make_plan(scene(linnet, seat, tighter, method, UNLIMITED)).feasible


def test_a_method_without_references_gives_outcomes_and_no_cues(linnet, seat, quay, standard):
    method = METHODS["Shallow reverse park"].build()
    asked = scene(linnet, seat, quay, method, standard)
    plan = plan_document(make_plan(asked), asked)
    assert [call["cues"] for call in plan["calls"]] == [[]] * 4
    assert plan["calls"][0]["until"]["metres"] == pytest.approx(
        plan["figures"]["turn_in"], abs=1e-3
    )
    assert plan["calls"][2]["until"]["own"] == "rear wheel"


def test_one_amount_is_one_amount_everywhere(linnet, seat, quay, standard):
    plan = make_plan(
        scene(linnet, seat, quay, METHODS["One amount reverse park"].build(), standard)
    )
    toward, away = plan.legs[1].turns[0], plan.legs[3].turns[0]
    assert toward == pytest.approx(-away)
    assert toward == pytest.approx(plan.values["amount"] * linnet.steering.lock_turns)


def test_the_place_is_taken_up_with_the_gap_that_was_asked_for(linnet, seat, quay, standard):
    method = METHODS["Set back and forward reverse park"].build()
    plan = make_plan(scene(linnet, seat, quay, method, standard, Options(ahead=1.4)))
    assert plan.legs[-1].direction == 1
    assert plan.finish.measure("ahead")[0] == pytest.approx(1.4, abs=1e-4)


def test_a_pinned_amount_is_kept_and_the_rest_fitted_around_it(linnet, seat, quay, standard):
    method = METHODS["One amount reverse park"].build()
    plan = make_plan(scene(linnet, seat, quay, method, standard, Options(pinned={"amount": 0.7})))
    assert plan.values["amount"] == 0.7
    assert plan.finish.kerb[0] == pytest.approx(0.25, abs=0.01)


@pytest.mark.parametrize("way", ["Lock to lock reverse park", "Straight-run reverse park"])
def test_the_least_gap_works_and_less_does_not(linnet, seat, quay, standard, way):
    method = METHODS[way].build()
    (size,) = make_least_sizes(scene(linnet, seat, quay, method, standard))
    least = size.metres
    # What is met in a tighter place is drawn there.
    assert not size.tighter.feasible
    assert with_behind(quay, least - 0.1).obstacles[1].polygon == pytest.approx(
        size.tighter.ground.obstacles[1].polygon
    )
    works = make_plan(scene(linnet, seat, with_behind(quay, least), method, standard))
    assert_holds(works, linnet)
    tighter = make_plan(scene(linnet, seat, with_behind(quay, least - 0.15), method, standard))
    assert not tighter.feasible
    assert str(tighter.why_not)


@settings(max_examples=14, suppress_health_check=[HealthCheck.filter_too_much])
@given(
    car=plausible_cars,
    way=st.sampled_from(KERBSIDE),
    gap=st.floats(0.5, 1.5),
    lengths=st.none() | st.floats(1.3, 2.2),
    off=st.floats(0.05, 0.6),
)
def test_feasible_is_never_false_comfort(standard, car, way, gap, lengths, off):
    """Any plausible car and place: a plan that is called feasible holds; another has a reason."""
    if not plausible(car):
        return
    vehicle, seat = built(car)
    ground = adjust(lay_kerb("any", goal_ahead=1.5), "ahead_off_kerb", off)
    if lengths is not None:
        ground = with_behind(ground, lengths * car.length)
    method = METHODS[way].build()
    asked = Options() if isinstance(method.start.gap, Unknown) else Options(gap=gap)
    plan = make_plan(scene(vehicle, seat, ground, method, standard, asked))
    if plan.feasible:
        assert_holds(plan, vehicle)
    else:
        assert str(plan.why_not)
        assert plan.start.shape == (3,)


@settings(max_examples=14, suppress_health_check=[HealthCheck.filter_too_much])
@given(
    car=plausible_cars,
    way=st.sampled_from([name for name, m in METHODS.items() if m.manoeuvre in BAYS]),
    angle=st.floats(35.0, 90.0),
    width=st.floats(2.2, 3.2),
    aisle=st.floats(5.5, 8.0),
    off=st.none() | st.floats(-0.1, 0.8),
)
def test_feasible_is_no_false_comfort_in_a_bay(car, way, angle, width, aisle, off):
    if not plausible(car):
        return
    vehicle, seat = built(car)
    method = METHODS[way].build()
    lean = angle if method.manoeuvre == "bay forward" else 180.0 - angle
    bay = Bay(angle=np.radians(lean), width=width)
    ground = lay_bay("any", bay=bay, aisle=aisle, before=off, beyond=off)
    plan = make_plan(scene(vehicle, seat, ground, method, UNLIMITED))
    if plan.feasible:
        assert_holds(plan, vehicle)
    else:
        assert str(plan.why_not)


@settings(max_examples=10)
@given(st.floats(0.8, 1.25))
def test_a_world_drawn_larger_is_driven_larger(scale):
    """Paths scale: with every length and the hands' metres scaled, each pose is scaled too."""
    car = LINNET
    legs = [
        {"gear": "reverse", "turns": 1.0, "metres": 3.0, "turns_per_metre": 2.0},
        {"gear": "forward", "turns": -0.5, "metres": 2.0, "turns_per_metre": 1.0},
    ]
    # Its outline from the side and its mirrors have no part in a path.
    body = {**vehicle_document(car), "mirrors": []}
    del body["roofline_m"]
    larger = {k: v * scale if k.endswith("_m") else v for k, v in body.items()}
    larger["steering"] = {"lock_turns": car.lock_turns, "kerb_circle_m": car.kerb_circle * scale,
                          "circles": []}  # fmt: skip
    small = {**body, "steering": {**body["steering"], "circles": []}}
    for document in (small, larger):
        document |= {"features": [], "glass": [], "corner_cut_m": 0.0}
    bigger = [
        {**one, "metres": one["metres"] * scale, "turns_per_metre": one["turns_per_metre"] / scale}
        for one in legs
    ]
    start = {"x_m": 0.0, "y_m": 0.0, "heading_deg": 10.0}
    ends = [
        drive_document(DriveRequest.read({"vehicle": v, "start": start, "legs": g}))["final"]
        for v, g in ((small, legs), (larger, bigger))
    ]
    assert ends[1]["heading_deg"] == pytest.approx(ends[0]["heading_deg"], abs=1e-4)
    assert ends[1]["x_m"] == pytest.approx(ends[0]["x_m"] * scale, abs=1e-4)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        pytest.param({"of_lock": {"fit": "a", "low": 0, "high": 1, "prefer": 0.5}},
                     "steps[1].wheel.of_lock", id="no wheel at all"),
        pytest.param({"of_lock": {"fit": "a", "low": 0.5, "high": 1.4, "prefer": 0.7}},
                     "steps[1].wheel.of_lock", id="beyond the lock"),
        pytest.param({"of_lock": {"fit": "a", "low": 0.9, "high": 0.5, "prefer": 0.7}},
                     "steps[1].wheel.prefer", id="limits the wrong way round"),
        pytest.param({"of_lock": {"fit": "turn_in", "low": 0.5, "high": 0.9, "prefer": 0.7}},
                     "steps", id="one name for two figures"),
    ],
)  # fmt: skip
def test_a_method_that_cannot_be_names_its_step(change, field):
    body = METHODS["Straight-run reverse park"].model_dump(by_alias=True, mode="json")
    body["steps"][1]["wheel"] |= change
    document = type(METHODS["Straight-run reverse park"])
    with pytest.raises(InputError) as caught:
        document.read(body).build()
    assert caught.value.field == field


def changed(way, step, **wheel):
    """A method of the library with one step's wheel changed."""
    body = METHODS[way].model_dump(by_alias=True, mode="json")
    body["steps"][step]["wheel"] |= wheel
    return type(METHODS[way]).read(body).build()


@pytest.mark.parametrize("turns", [0.8, 1.0, 1.25])
def test_a_set_number_of_turns_is_what_the_hands_do_in_any_car(seat, quay, standard, turns):
    for name in ("Linnet hatch", "Plover saloon"):
        vehicle, own_seat = built(CARS[name])
        method = changed("Straight-run reverse park", 1, of_lock=1.0, turns=turns)
        plan = make_plan(scene(vehicle, own_seat, quay, method, standard))
        assert plan.legs[1].turns[0] == pytest.approx(turns)
        if plan.feasible:
            assert_holds(plan, vehicle)


def test_turns_as_a_share_of_the_lock_drive_the_same(linnet, seat, quay, standard):
    lock = linnet.steering.lock_turns
    told, shared = (
        make_plan(
            scene(linnet, seat, quay, changed("Straight-run reverse park", 1, **wheel), standard)
        )
        for wheel in ({"turns": 1.05}, {"of_lock": 1.05 / lock})
    )
    np.testing.assert_allclose(told.track.final, shared.track.final, atol=1e-9)


@pytest.mark.parametrize(
    ("turns", "said"),
    [(3.0, "beyond this vehicle's lock"), (-1.0, "above 0"), (40.0, "at most 10")],
)
def test_turns_that_cannot_be_name_their_step(linnet, seat, quay, standard, turns, said):
    with pytest.raises(InputError, match=said) as caught:
        make_plan(
            scene(
                linnet, seat, quay, changed("Straight-run reverse park", 1, turns=turns), standard
            )
        )
    assert caught.value.field == "steps[1].wheel.turns"


def test_a_wheel_turned_standing_bends_the_path_at_once(linnet, seat, quay, standard):
    body = METHODS["Straight-run reverse park"].model_dump(by_alias=True, mode="json")
    body["steps"][1]["standing"] = True
    method = type(METHODS["Straight-run reverse park"]).read(body).build()
    plan = make_plan(scene(linnet, seat, quay, method, standard))
    assert_holds(plan, linnet)
    begin = plan.calls[0].s
    after = plan.track.s[0] > begin + 1e-9
    within = plan.track.turns[0][after & (plan.track.s[0] < begin + 0.3)]
    np.testing.assert_allclose(within, linnet.steering.lock_turns)
