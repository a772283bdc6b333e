"""The measuring session: slips, circles from chalk, eyes that nobody taped, marks of one's own."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import make_plan, sights
from faircorner.documents.eyes import SeatRequest, find_eye
from faircorner.documents.usual import (
    BODIES,
    BODY_SHAPES,
    UsualRequest,
    slips,
    slips_of,
    usual_vehicle,
)
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.errors import InputError
from faircorner.sight import TAPED
from faircorner.vehicle import Opening, circle_of_arc
from hypothesis import given
from hypothesis import strategies as st

from tests.core.pictured import docket_named


def refused(field, ask):
    with pytest.raises(InputError) as told:
        ask()
    assert told.value.field == field


SLIPPED = {
    "slip the radius": ("kerb_circle_m", 0.5),
    "slip lock to lock": ("lock_turns", 2.0),
    "slip inches for centimetres": ("wheelbase_m", 1 / 2.54),
    "slip feet for metres": ("length_m", 1 / 0.3048),
    "slip inches for metres": ("width_m", 1 / 0.0254),
    "slip a tenth": ("track_front_m", 0.1),
}


@pytest.mark.parametrize("shape", BODY_SHAPES)
@pytest.mark.parametrize("code", SLIPPED)
@given(near=st.floats(0.93, 1.07))
def test_a_slip_is_named_and_undone(shape, code, near):
    """Whatever an ordinary measure becomes by a slip, it is brought back to what it was."""
    field, by = SLIPPED[code]
    body = usual_vehicle(UsualRequest(shape=shape))
    usual = {**body, **body["steering"]}[field]
    [slip] = slips({field: usual * near * by}, {field: usual})
    assert (slip.field, slip.said.code) == (field, code)
    assert slip.instead == pytest.approx(usual * near, abs=0.001)


@pytest.mark.parametrize("shape", BODY_SHAPES)
def test_an_ordinary_vehicle_has_no_slips_and_an_impossible_one_no_explanation(shape):
    body = usual_vehicle(UsualRequest(shape=shape))
    steering = {name: body["steering"][name] for name in ("lock_turns", "kerb_circle_m")}
    lengths = {name: body[name] for name in ("length_m", "width_m", "wheelbase_m")}
    ordinary = UsualRequest(shape=shape, height_m=BODIES[shape].top, **steering, **lengths)
    assert slips_of(ordinary) == []
    [odd] = slips_of(UsualRequest(shape=shape, width_m=1.6 * body["width_m"]))
    assert (odd.said.code, odd.instead) == ("unlike its kind", None)


@given(st.floats(3, 12), st.floats(0.2, 1.4))
def test_three_chalk_marks_give_the_circle_they_lie_on(radius, half_angle):
    chord, rise = 2 * radius * np.sin(half_angle), radius * (1 - np.cos(half_angle))
    if rise < 0.05:
        return
    circle, uncertain = circle_of_arc(chord, rise)
    assert circle == pytest.approx(2 * radius)
    # What is left open is what a centimetre more in each reading makes of it, to first order.
    more = (
        circle_of_arc(chord + 1e-6, rise)[0] - circle,
        circle_of_arc(chord, rise + 1e-6)[0] - circle,
    )
    assert uncertain == pytest.approx(sum(abs(v) for v in more) / 1e-6 * 0.01, rel=1e-3)


def test_marks_on_more_than_half_a_circle_are_refused():
    refused("chord_m", lambda: circle_of_arc(3.0, 2.0))


@pytest.mark.parametrize("driver", ["left", "right"])
def test_an_eye_is_what_the_tape_says_and_the_rest_is_told_as_open(driver):
    vehicle = VehicleDocument.read(usual_vehicle(UsualRequest(name="New", shape="saloon")))
    side = 1 if driver == "left" else -1
    taped = find_eye(vehicle, SeatRequest(driver=driver, above_m=1.2, behind_m=1.4, beside_m=0.35))
    assert taped.eye == pytest.approx([vehicle.wheelbase_m - 1.4, side * 0.35, 1.2])
    assert taped.by == "tape"
    assert (taped.uncertain == TAPED).all()
    two = find_eye(vehicle, SeatRequest(driver=driver, above_m=1.2, behind_m=1.4))
    assert two.by == "two readings"
    assert two.eye[1] * side > 0
    assert two.uncertain[1] > TAPED == two.uncertain[0]
    # Somebody taller sits higher and farther back, a raised seat higher; notches make it surer.
    small, tall = (find_eye(vehicle, SeatRequest(driver=driver, stature_m=h)) for h in (1.55, 1.9))
    assert tall.by == "body height"
    assert tall.eye[2] > small.eye[2] + 0.1
    assert tall.eye[0] < small.eye[0] - 0.1
    notched = find_eye(vehicle, SeatRequest(driver=driver, stature_m=1.9, back=3, up=2))
    level = find_eye(vehicle, SeatRequest(driver=driver, stature_m=1.9, back=0, up=0))
    assert notched.eye - level.eye == pytest.approx([-0.06, 0, 0.03])
    assert notched.uncertain[0] < tall.uncertain[0]
    [slip] = find_eye(vehicle, SeatRequest(driver=driver, above_m=0.47, behind_m=1.4)).slips
    assert slip.said.code == "slip inches for centimetres"
    refused("above_m", lambda: find_eye(vehicle, SeatRequest(driver=driver, above_m=1.2)))


def test_heights_that_were_measured_move_the_glass_and_the_outline():
    usual = VehicleDocument.read(usual_vehicle(UsualRequest(name="New", shape="van"))).build()
    asked = UsualRequest(name="New", shape="van", height_m=2.6, sill_m=1.4)
    tall = VehicleDocument.read(usual_vehicle(asked))
    assert tall.height_m == 2.6
    built = tall.build()
    assert built.roofline[:, 1].max() == pytest.approx(2.6, abs=0.01)
    sills = [min(p.corners[:, 2]) for p in built.glass if p.name == "front door glass"]
    assert sills == [1.4, 1.4]
    assert built.roofline[:, 1].max() > usual.roofline[:, 1].max()


@pytest.mark.parametrize("kind", ["semi-trailer", "caravan"])
def test_what_is_towed_is_taken_as_usual_and_told_so(kind):
    shape = "day cab" if kind == "semi-trailer" else "estate"
    body = usual_vehicle(UsualRequest(name="New", shape=shape, tows={"kind": kind, "width_m": 2.3}))
    vehicle = VehicleDocument.read(body).build()
    assert "trailer" in body["assumed"]
    assert vehicle.trailer.width == 2.3
    # A semi-trailer lies on the frame, a caravan hangs behind the tail and clear of it.
    assert (vehicle.trailer.hitch > 0) == (kind == "semi-trailer")
    if kind == "caravan":
        assert vehicle.trailer.hitch < -vehicle.rear_overhang
        assert vehicle.trailer.front_of_kingpin < 0


def seat_with(**more):
    eye = {"x_m": 1.2, "y_m": -0.37, "z_m": 1.2}
    return SeatDocument.read(
        {"format": "fair-corner/seat@1", "name": "mine", "eye": eye, **more}
    ).build()


def test_a_sticker_lies_on_its_pane_and_a_dot_on_its_mirror():
    scene = docket_named("kerb left")
    vehicle = scene.vehicle
    sticker = {"name": "red sticker", "x_m": 1.5, "y_m": 0.9, "z_m": 1.2, "on": "front door glass"}
    dot = {"name": "dot", "mirror": "left door mirror", "across_m": 0.03, "up_m": -0.02}
    marked = seat_with(marks=[sticker], dots=[dot]).sits_in(vehicle)
    (mark,) = (f for f in marked.features if f.name == "red sticker")
    pane = next(p for p in vehicle.glass if p.name == "front door glass" and p.corners[0, 1] > 0)
    place = np.array([mark.x, mark.y, mark.z])
    assert abs(pane.normal @ (place - pane.corners[0])) < 1e-9
    assert (mark.x, mark.z) == (1.5, 1.2)
    (mirror,) = (m for m in marked.mirrors if m.dots)
    assert mirror.name == "left door mirror"
    assert mirror.mirrored().dots[0].at.tolist() == [-0.03, -0.02]
    refused("marks[0].on", lambda: seat_with(marks=[{**sticker, "on": "sunroof"}]).sits_in(vehicle))
    refused("dots", lambda: seat_with(dots=[{**dot, "mirror": "third"}]).sits_in(vehicle))


def test_a_mark_of_ones_own_is_told_by_and_what_was_not_measured_is_told_as_assumed():
    """On the pane where the first call's thing stands, its own sticker is the nearest mark."""
    scene = docket_named("kerb left")
    values = make_plan(scene).values
    spot = next(one for one in sights(scene, values).spots if one.call == 3)
    seen = spot.cue.sighting
    assert not spot.candidates[0].assumed
    sticker = {"name": "my sticker", "x_m": seen.x, "y_m": seen.y, "z_m": seen.z,
               "on": seen.through}  # fmt: skip
    own = replace(scene, vehicle=seat_with(marks=[sticker]).sits_in(scene.vehicle))
    told = next(one for one in sights(own, values).spots if one.call == 3)
    assert told.cue.sighting.feature == "my sticker"
    assert abs(told.cue.sighting.offset) < 0.001
    vehicle = scene.vehicle
    guessed = replace(scene, vehicle=replace(
        vehicle, features=tuple(replace(f, assumed=True) for f in vehicle.features),
        glass=tuple(Opening(name=p.name, corners=p.corners, assumed=True) for p in vehicle.glass),
    ))  # fmt: skip
    rests = next(one for one in sights(guessed, values).spots if one.call == 3).candidates[0]
    assert seen.through in rests.assumed
    assert seen.feature in rests.assumed
    assert str(rests.rests).startswith("rests on the")


def test_an_eye_that_is_less_sure_leaves_more_of_the_stop_open():
    scene = docket_named("kerb left")
    values = make_plan(scene).values

    def left_open(metres):
        unsure = replace(scene.seat, uncertain=np.full(3, metres))
        spots = sights(replace(scene, seat=unsure), values).spots
        return np.array([spot.candidates[0].eye_scatter for spot in spots if spot.candidates])

    assert left_open(0.06) == pytest.approx(3 * left_open(0.02))
