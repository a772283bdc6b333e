"""What is put down at a place: where it stands, that plans keep off it, and back through a file."""

import numpy as np
import pytest
from faircorner.cues import make_plan
from faircorner.documents.ground import GroundDocument, ground_document
from faircorner.errors import InputError
from faircorner.ground import (
    Turnabout,
    adjust,
    lay_bay,
    lay_kerb,
    lay_road,
    put_down,
    take_away,
    things,
)
from hypothesis import given
from hypothesis import strategies as st

from tests.core.held import assert_holds
from tests.core.scenes import UNLIMITED, scene

KINDS = ("cone", "pole", "vehicle", "wall", "solid line", "island")
PLACES = {"kerb": lay_kerb("kerb"), "bay": lay_bay("bay"), "road": lay_road("road", Turnabout())}


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("place", PLACES)
@given(x=st.floats(-20, 20), y=st.floats(-20, 20), turned=st.floats(-1.5, 1.5))
def test_a_thing_stands_where_it_was_put(place, kind, x, y, turned):
    ground = put_down(PLACES[place], kind, x=x, y=y, turned=turned)
    (thing,) = things(ground)
    assert (thing.kind, thing.name) == (kind, f"{kind} 1")
    assert (thing.x, thing.y) == pytest.approx((x, y), abs=1e-9)
    if kind not in ("cone", "pole"):
        assert np.sin(thing.turned - turned) == pytest.approx(0.0, abs=1e-9)
    again = GroundDocument.read(ground_document(ground)).build()
    assert things(again)[0].x == pytest.approx(x, abs=1e-4)


def test_a_named_thing_is_moved_and_the_others_stay():
    ground = put_down(put_down(PLACES["kerb"], "cone", x=1, y=-3), "cone", x=2, y=-4)
    moved = put_down(ground, "cone", x=5, y=-2, name="cone 1")
    assert [(t.name, round(t.x), round(t.y)) for t in things(moved)] == [
        ("cone 1", 5, -2), ("cone 2", 2, -4),
    ]  # fmt: skip
    left = take_away(moved, "cone 1")
    assert [t.name for t in things(left)] == ["cone 2"]
    # A number that has become free is given again, so that names stay short.
    assert [t.name for t in things(put_down(left, "cone", x=0, y=-3))] == ["cone 2", "cone 1"]


def test_what_the_layout_put_there_is_no_thing():
    for place in PLACES.values():
        assert things(place) == ()
    with pytest.raises(InputError) as caught:
        take_away(PLACES["kerb"], "parked ahead")
    assert caught.value.field == "name"


@pytest.mark.parametrize(("x", "y", "field"), [(80.0, 0.0, "x_m"), (0.0, float("nan"), "y_m")])
def test_a_place_too_far_off_is_named(x, y, field):
    with pytest.raises(InputError) as caught:
        put_down(PLACES["road"], "cone", x=x, y=y)
    assert caught.value.field == field


def test_things_stay_when_the_place_is_measured_anew():
    for place, measure, metres in (("bay", "bay_width", 3.0), ("road", "road_width", 9.0),
                                   ("kerb", "road_width", 9.0)):  # fmt: skip
        ground = put_down(PLACES[place], "pole", x=3, y=-2)
        assert [t.name for t in things(adjust(ground, measure, metres))] == ["pole 1"]


def test_a_plan_keeps_off_a_cone_and_tells_how_far(linnet, seat, quay, method, standard):
    free = make_plan(scene(linnet, seat, quay, method, standard))
    # Where the nose swings out, half a metre beyond what it needs.
    out = next(look for look in free.looks if look.why == "swings out")
    beside = put_down(quay, "cone", x=out.x, y=out.y - 0.5)
    kept = make_plan(scene(linnet, seat, beside, method, standard))
    assert_holds(kept, linnet)
    stated = {name: metres for name, metres, _ in kept.clearances}
    assert stated["cone 1"] > 0.04
    # In the middle of the way nothing goes.
    blocked = put_down(quay, "cone", x=free.track.final[0, 0] + 1, y=free.track.final[0, 1])
    assert not make_plan(scene(linnet, seat, blocked, method, standard)).feasible


def test_the_body_passes_over_an_island_that_stops_tyres(linnet, seat):
    from faircorner.documents.library import methods  # noqa: PLC0415

    method = methods()["Three-movement turn"].build()
    road = lay_road("road", Turnabout(), road_width=7.6)
    free = make_plan(scene(linnet, seat, road, method, UNLIMITED))
    # Under the nose where it reaches furthest, short of the wheels.
    at = free.calls[0].pose
    nose = at[:2] + (linnet.nose + 1.4) * np.array([np.cos(at[2]), np.sin(at[2])])
    island = put_down(road, "island", x=float(nose[0]), y=float(nose[1]), turned=float(at[2]))
    plan = make_plan(scene(linnet, seat, island, method, UNLIMITED))
    assert_holds(plan, linnet)
    assert "island 1" in plan.ground.met_by_tyres


@given(st.floats(-0.9, 0.9), st.floats(0.0, 0.8))
def test_a_vehicle_parked_askew_is_measured_as_it_stands(askew, off):
    ground = adjust(lay_kerb("kerb"), "ahead_off_kerb", off)
    turned = adjust(ground, "ahead_askew", askew)
    polygon = turned.obstacles[0].polygon
    assert -polygon[:, 1].max() == pytest.approx(off, abs=1e-6)
    assert polygon[:, 0].min() == pytest.approx(0.0, abs=1e-6)
    # Nose farther off than tail by what was said, along its own length.
    tail, nose = (polygon[np.abs(polygon[:, 0] - edge(polygon[:, 0])) < 0.6].mean(axis=0)
                  for edge in (np.min, np.max))  # fmt: skip
    assert np.sign(round(tail[1] - nose[1], 3)) == np.sign(round(askew, 3))
    straight = adjust(turned, "ahead_askew", 0.0)
    np.testing.assert_allclose(np.ptp(straight.obstacles[0].polygon, axis=0),
                               np.ptp(ground.obstacles[0].polygon, axis=0), atol=1e-6)  # fmt: skip
