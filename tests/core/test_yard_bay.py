"""Lines with sensors and the guide line: where they lie, and what of a vehicle minds them."""

import numpy as np
import pytest
from faircorner.cues import make_plan
from faircorner.documents.ground import GroundDocument, ground_document
from faircorner.documents.library import methods
from faircorner.errors import InputError
from faircorner.ground import Bay, adjust, change_bay, lay_bay, measures, put_down, things
from hypothesis import given
from hypothesis import strategies as st

from tests.core.scenes import UNLIMITED, scene


def yard(**more):
    return lay_bay("yard", before=None, beyond=None, aisle=9.0,
                   bay=Bay(lines="sensor", guide=1.6, **more))  # fmt: skip


def sensors(ground):
    return {o.name: o for o in ground.obstacles if o.kind == "sensor line"}


@given(angle=st.floats(40, 140).map(np.radians), width=st.floats(2.2, 3.5))
def test_sensor_lines_lie_on_the_bays_own_lines(angle, width):
    ground = yard(angle=angle, width=width)
    left = np.array([-np.sin(angle), np.cos(angle)])
    for name, side in (("sensor line before", 1), ("sensor line beyond", -1)):
        line = sensors(ground)[name]
        assert line.low
        across = side * line.polygon @ left
        assert across.min() == pytest.approx(width / 2)
        assert across.max() == pytest.approx(width / 2 + 0.1)


def test_a_wall_at_the_head_needs_no_line_there():
    assert set(sensors(yard())) == {
        f"sensor line {at}" for at in ("before", "beyond", "at the head")
    }
    assert "sensor line at the head" not in sensors(yard(head="wall"))


def test_sensors_and_guide_come_and_go_and_what_was_put_down_stays():
    ground = put_down(lay_bay("bay"), "cone", x=2, y=-4)
    marked = change_bay(ground, lines="sensor", guide=True)
    assert len(sensors(marked)) == 3
    assert measures(marked)["guide"] == 1.5
    assert [e.name for e in marked.edges if e.name == "guide line"] == ["guide line"]
    wider = adjust(adjust(marked, "guide", 2.2), "bay_width", 3.0)
    assert measures(wider)["guide"] == 2.2
    assert len(sensors(wider)) == 3
    plain = change_bay(wider, lines="painted", guide=False)
    assert sensors(plain) == {}
    assert "guide" not in measures(plain)
    for place in (marked, wider, plain):
        assert [t.name for t in things(place)] == ["cone 1"]


def test_a_guide_line_that_is_not_there_cannot_be_moved():
    with pytest.raises(InputError, match="lay one first") as caught:
        adjust(lay_bay("bay"), "guide", 2.0)
    assert caught.value.field == "guide"


@pytest.mark.parametrize("side", ["left", "right"])
def test_a_yard_comes_back_from_its_file(side):
    ground = yard() if side == "left" else yard().mirrored()
    again = GroundDocument.read(ground_document(ground)).build()
    assert measures(again) == pytest.approx(measures(ground))
    assert (again.goal.lines, again.goal.guide) == ("sensor", 1.6)
    assert set(sensors(again)) == set(sensors(ground))


def test_the_start_is_told_from_the_guide_line(linnet, seat):
    method = methods()["Yard bay against the clock"].build()
    for guide in (1.6, 2.4):
        ground = adjust(yard(width=2.7, depth=5.4), "guide", guide)
        plan = make_plan(scene(linnet, seat, ground, method, UNLIMITED))
        assert plan.feasible, str(plan.why_not)
        assert -plan.start[1] - linnet.width / 2 == pytest.approx(guide + 0.3)
        # The tail reaches over nothing it must not: tyres alone mind the lines.
        assert {"sensor line before", "sensor line beyond"} <= plan.ground.met_by_tyres


def test_hugged_too_close_a_tyre_meets_the_far_line(linnet, seat):
    method = methods()["Yard bay against the clock"].build()
    plan = make_plan(scene(linnet, seat, adjust(yard(), "guide", 0.7), method, UNLIMITED))
    assert not plan.feasible
    assert "a tyre meets the sensor line beyond" in str(plan.why_not)
