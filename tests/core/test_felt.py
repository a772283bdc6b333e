"""What is felt: where tyres come against a stop or a kerb, found again by closed forms."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import make_plan, rehearse
from faircorner.cues.calls import state_at, told_at
from faircorner.cues.events import Felt, Travelled
from faircorner.cues.felt import felt_after
from faircorner.cues.sights import _driven
from faircorner.errors import InputError
from faircorner.ground import Bay, Obstacle, lay_bay
from faircorner.sides import turned_in
from shapely import Polygon, distance

from tests.core.held import tyre_corners
from tests.core.pictured import docket_named
from tests.core.scenes import UNLIMITED


def ready_and_driven(scene):
    scene = turned_in(scene.side, scene)
    return _driven(scene, make_plan(scene).values)


def stop_behind(driven, away, kind="wheel stop"):
    """Across the way, so far behind the rear tyres of a vehicle at its last stop."""
    x, y, heading = driven.track.poses[0, -1]
    back = -np.array([np.cos(heading), np.sin(heading)])
    aside = np.array([-back[1], back[0]])
    face = np.array([x, y]) + back * (0.20 + away)
    corners = [face - aside, face - aside + 0.15 * back, face + aside + 0.15 * back, face + aside]
    return Obstacle(name="stop", kind=kind, polygon=np.array(corners), height=0.12)


@pytest.mark.parametrize("name", ["bay left", "bay right"])
@pytest.mark.parametrize("away", [0.0, 0.27, 0.83])
def test_rolled_on_from_the_last_stop_the_tyres_meet_what_is_so_far_behind_them(name, away):
    ready, driven = ready_and_driven(docket_named(name))
    call = len(ready.method.steps)
    there = replace(ready, ground=replace(ready.ground, obstacles=(stop_behind(driven, away),)))
    felt = felt_after(there, driven, call)
    assert (felt.what, felt.drops) == ("stop", False)
    # A tyre reaches 20 cm behind its axle where such a thing meets it.
    assert felt.by == pytest.approx(away, abs=0.02)
    assert ("here" in str(felt.said)) == (away == 0.0)
    far = replace(ready.ground, obstacles=(stop_behind(driven, 1.4),))
    assert felt_after(replace(ready, ground=far), driven, call) is None
    painted = replace(ready.ground, obstacles=(stop_behind(driven, 0.3, "sensor line"),))
    assert felt_after(replace(ready, ground=painted), driven, call) is None


@pytest.mark.parametrize("name", ["kerb left", "kerb right"])
def test_who_rolls_on_at_the_kerb_feels_it_where_a_tyre_first_touches_it(name):
    ready, driven = ready_and_driven(docket_named(name))
    calls = range(1, len(ready.method.steps) + 1)
    found = {call: felt for call in calls if (felt := felt_after(ready, driven, call))}
    assert found
    (kerb,) = (line for line in ready.ground.kerblines if line.name == "kerb")
    for call, felt in found.items():
        assert felt.what == "kerb"
        told = told_at(ready, driven, call)
        leg = int(np.searchsorted(driven.followed.ends[0], told))

        def gap(by, told=told, leg=leg):
            pose, turns = state_at(ready, driven, told + by, leg)
            return float(kerb.tyre_gap(pose[None], np.array([float(turns)]), ready.vehicle)[0])

        assert gap(felt.by) == pytest.approx(0.0, abs=0.01)
        assert all(gap(by) > -0.01 for by in np.arange(0.0, felt.by, 0.02))
        soft = replace(ready, ground=replace(ready.ground, edging="verge"))
        assert felt_after(soft, driven, call).drops


def waiting_to_feel(side, thing, *, then_forward=False):
    """A bay with a wheel stop, backed into until this is felt; and forward again 40 cm."""
    car = docket_named(f"bay {side}")
    ground = lay_bay("stop", side=side, bay=Bay(head="wheel stop", head_gap=0.15), aisle=7.0)
    *before, last = car.method.steps
    steps = [*before, replace(last, until=Felt(thing=thing))]
    if then_forward:
        on = Travelled(metres=0.4)
        steps.append(replace(last, name="on", direction=1, until=on))
    method = replace(car.method, steps=tuple(steps))
    return replace(car, ground=ground, method=method, standard=UNLIMITED)


@pytest.mark.parametrize("side", ["left", "right"])
def test_a_step_that_waits_to_feel_the_stop_ends_with_a_tyre_against_it(side):
    made = waiting_to_feel(side, "wheel stop")
    plan = make_plan(made)
    assert plan.feasible, plan.why_not
    assert str(plan.ends).startswith("when the tyres meet the wheel stop")
    ready, driven = _driven(turned_in(side, made), plan.values)
    (stop,) = (o for o in ready.ground.obstacles if o.kind == "wheel stop")
    final = driven.track.final
    (tyres,) = tyre_corners(ready.vehicle, final, np.zeros(1))
    met = [distance(Polygon(corners), Polygon(stop.polygon)) for corners in tyres]
    assert min(met) == pytest.approx(0.0, abs=0.002)
    # Touching it there is what is wanted; nothing else is touched.
    assert driven.gaps["wheel stop"].metres[0] > 0


@pytest.mark.parametrize("side", ["left", "right"])
def test_nobody_rolls_on_over_the_stop_that_they_feel_however_late_they_act(side):
    made = waiting_to_feel(side, "wheel stop", then_forward=True)
    plan = make_plan(made)
    by = np.zeros((3, len(plan.calls)))
    by[:, -1] = 0.0, 0.5, -0.2
    on_time, late, early = rehearse(made, plan, by).poses
    assert late == pytest.approx(on_time, abs=1e-9)
    # Who stops before it ends as much farther out.
    assert np.hypot(*(early - on_time)[:2]) == pytest.approx(0.2, abs=0.005)


def test_what_no_tyre_meets_is_not_waited_for():
    with pytest.raises(InputError, match="there is wheel stop") as told:
        make_plan(waiting_to_feel("left", "moon"))
    assert told.value.field.endswith(".until.thing")
