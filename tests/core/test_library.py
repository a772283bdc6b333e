"""Every school of the library, for every demo car, on both sides: driven again, apart from the fit.

The legs of each plan are driven at 1 cm; finish, clearances and the reasons have to agree.
"""

import numpy as np
import pytest
from faircorner.cues import Options, make_least_gap, make_plan
from faircorner.cues.fit import LEAST_SPARE
from faircorner.documents import plan_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.requests import DriveRequest, drive_document
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.errors import InputError
from faircorner.ground import Bay, adjust, finish_at, lay_bay, lay_kerb, with_behind
from faircorner.motion import clearance, drive
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from server.demo.vehicles import HERON, LINNET, PLOVER, SORREL, Car, seat_document, vehicle_document

CARS = {car.name: car for car in (LINNET, HERON, SORREL, PLOVER)}
SCHOOLS = methods()
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
            "bay", bay=Bay(angle=np.radians(40), head="wall", gap=0.5), aisle=6.5
        ),
    },
    "bay reverse": {
        "square": lay_bay("bay", bay=Bay(width=2.6), aisle=7.0),
        "square, to a wheel stop": lay_bay(
            "bay", bay=Bay(width=2.6, head="wheel stop", gap=0.1), aisle=7.0
        ),
        "leaning back 60": lay_bay("bay", bay=Bay(angle=np.radians(120)), aisle=7.0),
    },
}
KERBSIDE = [name for name, m in SCHOOLS.items() if m.manoeuvre == "reverse parallel"]
INTO_BAYS = [
    (name, place)
    for name, m in SCHOOLS.items()
    if m.manoeuvre in BAYS
    for place in BAYS[m.manoeuvre]
]


def built(car):
    vehicle = VehicleDocument.read(vehicle_document(car)).build()
    seat = SeatDocument.read(seat_document(car, "seat", back=0.0, height=1.2)).build()
    return vehicle, seat


def assert_holds(plan, vehicle):
    """What the plan says of its finish and of every gap, found again from its legs alone."""
    assert plan.feasible, str(plan.why_not)
    track = drive(vehicle.steering, plan.start[None], [0.0], plan.legs, sample=0.01)
    left = plan.ground.side == "left"
    car = vehicle if left else vehicle.mirrored()
    final = track.final if left else track.final * [1, -1, -1]
    finish = finish_at(final, car, plan.ground.kerb_on_left())
    for measure in ("kerb_front", "kerb_rear", "ahead", "behind"):
        off = finish.measure(measure)[0] - plan.finish.measure(measure)[0]
        assert np.isnan(off) or abs(off) < 0.01
    assert abs(finish.angle[0] - plan.finish.angle[0]) < np.radians(0.2)
    stated = {name: metres for name, metres, _ in plan.clearances}
    for obstacle in plan.ground.obstacles:
        low = obstacle.kind == "wheel stop"
        pieces = vehicle.tyre_pieces() if low else vehicle.outline()
        gap = clearance(track.poses, pieces, obstacle.polygon).metres[0]
        assert abs(gap - stated[obstacle.name]) < 0.005
        assert gap > LEAST_SPARE - 0.01
    return finish


@pytest.mark.parametrize("car", CARS)
@pytest.mark.parametrize("place", PLACES)
@pytest.mark.parametrize("school", KERBSIDE)
def test_a_school_works_for_a_car_on_both_sides(school, place, car, bands):
    vehicle, seat = built(CARS[car])
    ground = PLACES[place](CARS[car])
    method = SCHOOLS[school].build()
    left = make_plan(vehicle, seat, ground, method, bands)
    finish = assert_holds(left, vehicle)
    assert finish.kerb[0] == pytest.approx(ground.goal.kerb, abs=0.01)
    assert all(band.holds(finish)[0] for band in bands)
    right = make_plan(vehicle.mirrored(), seat.mirrored(), ground.mirrored(), method, bands)
    np.testing.assert_allclose(right.track.poses, left.track.poses * [1, -1, -1], atol=1e-9)
    assert_holds(right, vehicle.mirrored())


@pytest.mark.parametrize("car", CARS)
@pytest.mark.parametrize(("school", "place"), INTO_BAYS)
def test_a_school_ends_in_the_middle_of_a_bay_on_both_sides(school, place, car):
    vehicle, seat = built(CARS[car])
    method = SCHOOLS[school].build()
    ground = BAYS[method.manoeuvre][place]
    left = make_plan(vehicle, seat, ground, method, ())
    assert_holds(left, vehicle)
    final = left.track.final[0]
    across = np.array([-left.ground.goal.inward[1], left.ground.goal.inward[0]])
    assert abs(final[:2] @ across) < 0.01
    outward = 0.0 if method.manoeuvre == "bay forward" else np.pi
    assert abs(final[2] - (left.ground.goal.angle - outward)) < np.radians(1.0)
    assert left.finish.measure(left.ground.berth.along)[0] == pytest.approx(
        left.ground.goal.gap, abs=0.01
    )
    right = make_plan(vehicle.mirrored(), seat.mirrored(), ground.mirrored(), method, ())
    np.testing.assert_allclose(right.track.poses, left.track.poses * [1, -1, -1], atol=1e-9)
    assert_holds(right, vehicle.mirrored())


def test_a_method_is_told_from_a_place_that_it_does_not_end_at(linnet, seat, quay, bands):
    for school, ground in (
        ("Full-lock reverse bay", quay),
        ("Straight-run reverse park", BAYS["bay reverse"]["square"]),
    ):
        with pytest.raises(InputError) as caught:
            make_plan(linnet, seat, ground, SCHOOLS[school].build(), bands)
        assert caught.value.field == "ground"


@pytest.mark.parametrize("angle", [90.0, 120.0])
def test_the_least_width_of_bay_works_and_less_does_not(linnet, seat, angle):
    method = SCHOOLS["Full-lock reverse bay"].build()
    ground = lay_bay("bay", bay=Bay(angle=np.radians(angle)), aisle=7.0, before=0.0, beyond=0.0)
    bands = house_standard("bay").build().bands()
    assert make_least_gap(linnet, ground, method, bands) is not None
    least = make_least_gap(linnet, ground, method, ())
    assert_holds(make_plan(linnet, seat, adjust(ground, "bay_width", least), method, ()), linnet)
    tighter = adjust(ground, "bay_width", least - 0.1)
    assert not make_plan(linnet, seat, tighter, method, ()).feasible


def test_a_school_without_references_gives_outcomes_and_no_cues(linnet, seat, quay, bands):
    method = SCHOOLS["Shallow reverse park"].build()
    plan = plan_document(make_plan(linnet, seat, quay, method, bands), method)
    assert [call["cues"] for call in plan["calls"]] == [[]] * 4
    assert plan["calls"][0]["until"]["metres"] == pytest.approx(
        plan["figures"]["turn_in"], abs=1e-3
    )
    assert plan["calls"][2]["until"]["own"] == "rear wheel"


def test_one_amount_is_one_amount_everywhere(linnet, seat, quay, bands):
    plan = make_plan(linnet, seat, quay, SCHOOLS["One amount reverse park"].build(), bands)
    toward, away = plan.legs[1].turns[0], plan.legs[3].turns[0]
    assert toward == pytest.approx(-away)
    assert toward == pytest.approx(plan.values["amount"] * linnet.steering.lock_turns)


def test_the_place_is_taken_up_with_the_gap_that_was_asked_for(linnet, seat, quay, bands):
    method = SCHOOLS["Set back and forward reverse park"].build()
    plan = make_plan(linnet, seat, quay, method, bands, Options(ahead=1.4))
    assert plan.legs[-1].direction == 1
    assert plan.finish.ahead[0] == pytest.approx(1.4, abs=1e-4)


def test_a_pinned_amount_is_kept_and_the_rest_fitted_around_it(linnet, seat, quay, bands):
    method = SCHOOLS["One amount reverse park"].build()
    plan = make_plan(linnet, seat, quay, method, bands, Options(pinned={"amount": 0.7}))
    assert plan.values["amount"] == 0.7
    assert plan.finish.kerb[0] == pytest.approx(0.25, abs=0.01)


@pytest.mark.parametrize("school", ["Lock to lock reverse park", "Straight-run reverse park"])
def test_the_least_gap_works_and_less_does_not(linnet, seat, quay, bands, school):
    method = SCHOOLS[school].build()
    least = make_least_gap(linnet, quay, method, bands)
    works = make_plan(linnet, seat, with_behind(quay, least), method, bands)
    assert_holds(works, linnet)
    tighter = make_plan(linnet, seat, with_behind(quay, least - 0.15), method, bands)
    assert not tighter.feasible
    assert str(tighter.why_not)


plausible_cars = st.builds(
    Car, name=st.just("any"), length=st.floats(3.4, 5.2), width=st.floats(1.6, 1.95),
    mirror_width=st.just(2.15), wheelbase=st.floats(2.3, 2.9), front_overhang=st.floats(0.7, 0.95),
    track=st.just(1.45), lock_turns=st.floats(1.2, 1.8), kerb_circle=st.floats(9.8, 12.0),
    part_lock=st.none(), drives_on=st.sampled_from(["left", "right"]),
)  # fmt: skip


@settings(max_examples=25, suppress_health_check=[HealthCheck.filter_too_much])
@given(
    car=plausible_cars,
    school=st.sampled_from(KERBSIDE),
    gap=st.floats(0.5, 1.5),
    lengths=st.none() | st.floats(1.3, 2.2),
    off=st.floats(0.05, 0.6),
)
def test_feasible_is_never_false_comfort(bands, car, school, gap, lengths, off):
    """Any plausible car and place: a plan that is called feasible holds; another has a reason."""
    if car.length - car.wheelbase - car.front_overhang < 0.3:
        return
    vehicle, seat = built(car)
    ground = adjust(lay_kerb("any", goal_ahead=1.5), "ahead_off_kerb", off)
    if lengths is not None:
        ground = with_behind(ground, lengths * car.length)
    plan = make_plan(vehicle, seat, ground, SCHOOLS[school].build(), bands, Options(gap=gap))
    if plan.feasible:
        assert_holds(plan, vehicle)
    else:
        assert str(plan.why_not)
        assert plan.start.shape == (3,)


@settings(max_examples=25, suppress_health_check=[HealthCheck.filter_too_much])
@given(
    car=plausible_cars,
    school=st.sampled_from([name for name in SCHOOLS if name not in KERBSIDE]),
    angle=st.floats(35.0, 90.0),
    width=st.floats(2.2, 3.2),
    aisle=st.floats(5.5, 8.0),
    off=st.none() | st.floats(-0.1, 0.8),
)
def test_feasible_is_no_false_comfort_in_a_bay(car, school, angle, width, aisle, off):
    if car.length - car.wheelbase - car.front_overhang < 0.3:
        return
    vehicle, seat = built(car)
    method = SCHOOLS[school].build()
    lean = angle if method.manoeuvre == "bay forward" else 180.0 - angle
    bay = Bay(angle=np.radians(lean), width=width)
    ground = lay_bay("any", bay=bay, aisle=aisle, before=off, beyond=off)
    plan = make_plan(vehicle, seat, ground, method, ())
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
    body = vehicle_document(car)
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
    body = SCHOOLS["Straight-run reverse park"].model_dump(by_alias=True, mode="json")
    body["steps"][1]["wheel"] |= change
    document = type(SCHOOLS["Straight-run reverse park"])
    with pytest.raises(InputError) as caught:
        document.read(body).build()
    assert caught.value.field == field
