"""A vehicle nobody has measured in full: what was measured stays, the rest is told as assumed."""

import pytest
from faircorner.documents.usual import (
    BODIES,
    BODY_SHAPES,
    Measures,
    UsualRequest,
    usual_eye,
    usual_vehicle,
)
from faircorner.documents.vehicle import VehicleDocument
from hypothesis import given
from hypothesis import strategies as st

LONG = ("length_m", "wheelbase_m", "front_overhang_m")
WIDE = ("width_m", "mirror_width_m", "track_front_m", "track_rear_m")


@given(st.sampled_from(BODY_SHAPES), st.sets(st.sampled_from(LONG + WIDE)), st.floats(0.85, 1.15))
def test_what_was_measured_stays_and_the_rest_goes_in_proportion(shape, measured, size):
    usual = usual_vehicle(UsualRequest(shape=shape))
    given_ = {name: usual[name] * size for name in measured}
    made = usual_vehicle(UsualRequest(name="New", shape=shape, **given_))
    for group in (LONG, WIDE):
        grown = size if measured & set(group) else 1.0
        for name in group:
            assert made[name] == given_.get(name, pytest.approx(usual[name] * grown, abs=0.006))


@pytest.mark.parametrize("shape", BODY_SHAPES)
def test_an_ordinary_one_of_every_body_is_a_vehicle_with_glass_marks_and_mirrors(shape):
    body = usual_vehicle(UsualRequest(name="New", shape=shape))
    document = VehicleDocument.read(body)
    vehicle = document.build()
    assert document.assumed == ["marks", "glass", "mirrors", "roofline", "tyre width", "corners"]
    assert {pane.name for pane in vehicle.glass} >= {"windscreen", "front door glass"}
    for pane in vehicle.glass:
        assert pane.corners[:, 0].min() >= -vehicle.rear_overhang
        assert pane.corners[:, 0].max() <= vehicle.nose
    # A mark is on either side, and what is for one side's eye is for the other's.
    near = {(m.name, m.x, m.y, m.z) for m in vehicle.features if m.y > 0}
    far = {(m.name, m.x, -m.y, m.z) for m in vehicle.features if m.y < 0}
    assert near == far
    assert len(near) * 2 == len(vehicle.features)
    assert 0 < vehicle.mirror_x < vehicle.nose
    # From the nose to the tail, and over all glass.
    assert vehicle.roofline[0, 0] == pytest.approx(vehicle.nose, abs=1e-3)
    assert vehicle.roofline[-1, 0] == pytest.approx(-vehicle.rear_overhang, abs=1e-3)
    assert vehicle.roofline[:, 1].max() >= max(p.corners[:, 2].max() for p in vehicle.glass)
    assert {m.name.split()[0] for m in vehicle.mirrors} >= {"left", "right"}


@pytest.mark.parametrize("shape", BODY_SHAPES)
@pytest.mark.parametrize("driver", ["left", "right"])
def test_every_mirror_of_a_body_is_turned_to_its_driver_and_only_the_far_side_looks_down(
    shape, driver
):
    body = usual_vehicle(UsualRequest(name="New", shape=shape, driver=driver))
    vehicle = VehicleDocument.read(body).build()
    measures = Measures(**{name: body[f"{name}_m"] for name in Measures.__slots__})
    eye = usual_eye(BODIES[shape], measures, driver)
    for mirror in vehicle.mirrors:
        assert (eye - mirror.centre) @ mirror.aim > 0
        if mirror.set_for in ("door", "nose"):
            assert mirror.centre[1] * eye[1] < 0
