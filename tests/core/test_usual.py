"""A vehicle nobody has measured in full: what was measured stays, the rest is told as assumed."""

import pytest
from faircorner.documents.usual import UsualRequest, usual_vehicle
from faircorner.documents.vehicle import VehicleDocument
from hypothesis import given
from hypothesis import strategies as st

KINDS = ("car", "van", "rigid", "bus", "tractor")
LONG = ("length_m", "wheelbase_m", "front_overhang_m")
WIDE = ("width_m", "mirror_width_m", "track_front_m", "track_rear_m")


@given(st.sampled_from(KINDS), st.sets(st.sampled_from(LONG + WIDE)), st.floats(0.85, 1.15))
def test_what_was_measured_stays_and_the_rest_goes_in_proportion(kind, measured, size):
    usual = usual_vehicle(UsualRequest(kind=kind))
    given_ = {name: usual[name] * size for name in measured}
    made = usual_vehicle(UsualRequest(name="New", kind=kind, **given_))
    for group in (LONG, WIDE):
        grown = size if measured & set(group) else 1.0
        for name in group:
            assert made[name] == given_.get(name, pytest.approx(usual[name] * grown, abs=0.006))


@pytest.mark.parametrize("kind", KINDS)
def test_an_ordinary_one_of_every_class_is_a_vehicle_with_glass_and_marks_on_its_body(kind):
    body = usual_vehicle(UsualRequest(name="New", kind=kind))
    document = VehicleDocument.read(body)
    vehicle = document.build()
    assert document.assumed == ["marks", "glass", "tyre width", "corners"]
    assert {pane.name for pane in vehicle.glass} >= {"windscreen", "front door glass"}
    for pane in vehicle.glass:
        assert pane.corners[:, 0].min() >= -vehicle.rear_overhang
        assert pane.corners[:, 0].max() <= vehicle.nose
    # A mark is on either flank, and what is for one side's eye is for the other's.
    near = {(m.name, m.x, m.z) for m in vehicle.features if m.y == vehicle.width / 2}
    far = {(m.name, m.x, m.z) for m in vehicle.features if m.y == -vehicle.width / 2}
    assert near == far
    assert len(near) * 2 == len(vehicle.features)
    assert 0 < vehicle.mirror_x < vehicle.nose
