"""What is wanted along the berth is met where it may be; where not, what forbids it is named."""

from dataclasses import replace

import pytest
from faircorner.cues import make_plan
from faircorner.documents.library import methods
from faircorner.ground import lay_kerb

from tests.core.refusals import tight_scene
from tests.core.scenes import scene
from tests.core.test_refusals import AT_ONCE

PARKS = ("Straight-run reverse park", "Lock to lock reverse park", "Shallow reverse park")


@pytest.fixture(params=["left", "right"])
def asked(request, linnet, seat, method):
    made = scene(linnet, seat, lay_kerb("quay", goal_ahead=2.3), method)
    return made if request.param == "left" else made.mirrored()


def ahead(plan):
    return float(plan.finish.measure("ahead")[0])


def wanting(asked, metres):
    return make_plan(replace(asked, options=replace(asked.options, ahead=metres)))


@pytest.mark.parametrize("name", PARKS)
@pytest.mark.parametrize("metres", [2.6, 2.8])
def test_a_gap_that_leaves_room_enough_is_met(asked, name, metres):
    plan = wanting(replace(asked, method=methods()[name].build()), metres)
    assert plan.feasible
    assert ahead(plan) == pytest.approx(metres, abs=0.05)
    assert not plan.missed


@pytest.mark.parametrize("name", PARKS)
def test_a_gap_that_takes_the_room_beside_the_parked_vehicle_is_missed_and_says_so(asked, name):
    """Nearer than the wish that is met with the spare that is worth something: no sooner."""
    asked = replace(asked, method=methods()[name].build())
    plan = wanting(asked, 0.8)
    (said,) = map(str, plan.missed)
    assert said.startswith(
        f"the gap to the vehicle ahead is {ahead(plan) - 0.8:.2f} m more than the 80 cm"
    )
    assert said.endswith("a smaller gap would leave less than 30 cm to the vehicle parked ahead")
    assert plan.spare == pytest.approx(0.30, abs=0.02)
    nearer = wanting(asked, ahead(plan) + 0.3)
    assert (nearer.spare > plan.spare, bool(nearer.missed)) == (True, False)


def test_a_limit_of_the_standard_is_kept_off_and_named(asked):
    """A standard that wants 1 to 2.6 m: from farther off the wish is stopped before its end."""
    limits = tuple(
        replace(limit, small=(1.0, 2.6)) if limit.measure == "ahead" else limit
        for limit in asked.standard.limits
    )
    judged = replace(asked, standard=replace(asked.standard, limits=limits))
    plan = wanting(judged, 3.5)
    assert 2.45 < ahead(plan) < 2.6 - 0.05
    (said,) = map(str, plan.missed)
    assert said.endswith(
        "a larger gap would come too close to the standard's limit, 2.60 m to the vehicle ahead"
    )


def test_what_is_pinned_reaches_no_farther(asked):
    plan = make_plan(asked)
    pinned = replace(asked.options, pinned=plan.values, ahead=3.2)
    (said,) = map(str, make_plan(replace(asked, options=pinned)).missed)
    assert said.endswith("3.20 m set; a larger gap cannot be reached with this method")


def test_a_distance_that_the_standard_forbids_is_no_fault_of_the_ground(asked):
    plan = make_plan(replace(asked, options=replace(asked.options, kerb=0.9)))
    assert str(plan.why_not) == (
        "the planned distance to the kerb is 90 cm; the standard allows 10 cm to 45 cm"
    )


@pytest.mark.parametrize("seed", AT_ONCE)
def test_a_figure_that_is_set_and_past_says_where_it_comes(seed):
    """Of a step that has nothing left to roll: set to one side of where it came it is past."""
    asked = tight_scene(seed)
    plan = make_plan(asked)
    step = next(i for i, leg in enumerate(plan.legs) if leg.metres[0] < 1e-3)
    figure = asked.method.steps[step].until.figure()

    def told(by):
        asked_for = min(max(plan.values[figure.name] + by, figure.low), figure.high)
        pinned = {figure.name: asked_for}
        made = make_plan(replace(asked, options=replace(asked.options, pinned=pinned)))
        return [str(said) for said in made.missed if said.code == "set and past"]

    assert told(0.0) == []
    (said,) = told(0.05) or told(-0.05)
    assert str(asked.method.steps[step].say) in said
    assert not (told(0.05) and told(-0.05))
