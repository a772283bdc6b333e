"""What is felt: where tyres come against a stop or a kerb, found again by closed forms."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import make_plan
from faircorner.cues.calls import state_at, told_at
from faircorner.cues.felt import felt_after
from faircorner.cues.sights import _driven
from faircorner.ground import Obstacle
from faircorner.sides import turned_in

from tests.core.pictured import docket_named


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
