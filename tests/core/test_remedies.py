"""What cannot be driven: the change that is advised is made, and then it can."""

from dataclasses import replace

import numpy as np
from faircorner.cues import Options, make_plan, make_remedy
from faircorner.documents.library import house_standard, methods
from faircorner.ground import Bay, adjust, lay_bay, lay_kerb, with_behind
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.core.scenes import scene

SETTINGS = settings(max_examples=2, suppress_health_check=[HealthCheck.too_slow])


def changed(ground, options, remedy):
    """The place and the options with the advised figure set to what was advised."""
    match remedy.what:
        case "gap":
            return adjust(ground, "gap", remedy.to), options
        case "start gap":
            return ground, replace(options, gap=remedy.to)
        case "gap ahead":
            return adjust(ground, "goal_ahead", remedy.to), options
        case "aisle":
            return adjust(ground, "aisle", remedy.to), options
        case "bay width":
            return adjust(ground, "bay_width", remedy.to), options


def assert_advice_holds(linnet, seat, ground, method, standard, options):
    plan = make_plan(scene(linnet, seat, ground, method, standard, options))
    if plan.feasible:
        return
    assert str(plan.why_not)
    remedy = make_remedy(scene(linnet, seat, ground, method, standard, options))
    if remedy is None:
        return
    place, settings_ = changed(ground, options, remedy)
    assert make_plan(scene(linnet, seat, place, method, standard, settings_)).feasible


@SETTINGS
@given(
    lengths=st.floats(1.15, 1.5),
    gap=st.floats(0.4, 1.4),
    way=st.sampled_from(["Straight-run reverse park", "Lock to lock reverse park"]),
)
def test_advice_between_two_parked_vehicles_holds(linnet, seat, standard, lengths, gap, way):
    ground = with_behind(lay_kerb("tight", goal_ahead=0.8), lengths * linnet.length)
    method = methods()[way].build()
    assert_advice_holds(linnet, seat, ground, method, standard, Options(gap=gap))


@SETTINGS
@given(
    width=st.floats(1.9, 2.3),
    aisle=st.floats(4.0, 6.0),
    off=st.floats(-0.1, 0.2),
    way=st.sampled_from(["Full-lock reverse bay", "Full-lock forward bay"]),
)
def test_advice_at_a_bay_holds(linnet, seat, width, aisle, off, way):
    method = methods()[way].build()
    lean = 90.0 if "reverse" in way else 60.0
    bay = Bay(angle=np.radians(lean), width=width)
    ground = lay_bay("tight", bay=bay, aisle=aisle, before=off, beyond=off)
    assert_advice_holds(linnet, seat, ground, method, (), Options())


def test_a_narrow_aisle_is_told_by_what_is_met(linnet, seat):
    """The reason names the far side, or a neighbour, and says by how much."""
    method = methods()["Full-lock reverse bay"].build()
    ground = lay_bay("narrow", aisle=3.0)
    plan = make_plan(scene(linnet, seat, ground, method, house_standard("bay").build()))
    assert not plan.feasible
    assert "far side of the aisle" in str(plan.why_not) or "neighbour" in str(plan.why_not)
    assert plan.why_not.said.lengths
    assert all(metres > 0 for metres in plan.why_not.said.lengths)
