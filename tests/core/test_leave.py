"""Leaving: the stretch found clears everything when driven finely, a shorter one does not."""

import numpy as np
import pytest
from faircorner.cues import leave, make_plan, suited
from faircorner.cues.leave import WAY_OUT_RATE
from faircorner.documents.library import methods
from faircorner.errors import InputError
from faircorner.ground import Bay, lay_bay, lay_kerb
from faircorner.motion import Leg, clearance, drive

from tests.core.scenes import UNLIMITED, at, scene


def parked(linnet, seat, way, ground):
    method = methods()[way].build()
    plan = make_plan(scene(linnet, seat, ground, method, UNLIMITED))
    assert plan.feasible, str(plan.why_not)
    return suited(ground, method), plan.track.final[0]


def least_gap(vehicle, ground, pose, found, straight):
    """Least gap to anything that stands there, driven anew every 2 cm."""
    turns = vehicle.steering.lock_turns * (1 if found.way == "left" else -1)
    one = np.ones(1)
    legs = [
        Leg(direction=1 if found.gear == "forward" else -1, turns=0 * one, metres=straight * one,
            rate=one * np.inf),
        Leg(direction=1 if found.then == "forward" else -1, turns=turns * one, metres=7.0 * one,
            rate=one * WAY_OUT_RATE),
    ]  # fmt: skip
    track = drive(vehicle.steering, pose[None], [0.0], legs, sample=0.02)
    return min(
        clearance(track.poses, vehicle.outline, o.polygon).metres[0] for o in ground.obstacles
    )


@pytest.mark.parametrize("side", ["left", "right"])
@pytest.mark.parametrize(
    ("way", "bay"),
    [("Full-lock reverse bay", Bay(width=2.6)),
     ("Full-lock forward bay", Bay(angle=np.radians(60)))],
)  # fmt: skip
def test_no_steering_until_clear_of_the_neighbours(linnet, seat, way, bay, side):
    car, eye = (linnet, seat) if side == "left" else (linnet.mirrored(), seat.mirrored())
    ground, pose = parked(car, eye, way, lay_bay("bay", side=side, bay=bay, aisle=8.0))
    ways = leave(at(car, ground, pose))
    assert {w.way for w in ways} == {"left", "right"}
    assert {w.gear for w in ways} == {"forward" if "reverse" in way else "reverse"}
    for found in ways:
        if found.straight is None:
            continue
        assert found.straight > 0.5
        assert least_gap(car, ground, pose, found, found.straight) > 0.04
        assert least_gap(car, ground, pose, found, found.straight - 0.10) < 0.06


def test_the_ways_out_of_a_square_bay_are_alike_on_both_sides(linnet, seat):
    ground, pose = parked(
        linnet, seat, "Full-lock reverse bay", lay_bay("bay", bay=Bay(width=2.6), aisle=8.0)
    )
    left, right = leave(at(linnet, ground, pose * [0, 1, 1]))
    assert left.straight == pytest.approx(right.straight)


def test_leaving_the_kerb_backs_as_far_as_the_one_ahead_asks(linnet, seat, standard):
    method = methods()["Straight-run reverse park"].build()
    quay = lay_kerb("quay", goal_ahead=2.0)
    final = make_plan(scene(linnet, seat, quay, method, standard)).track.final[0]
    (far,) = leave(at(linnet, quay, final))
    (near,) = leave(at(linnet, quay, final + [1.5, 0, 0]))
    assert (far.gear, far.then, far.way) == ("reverse", "forward", "right")
    # Moved up by a metre and a half, it has to back at most as much more, once it backs at all.
    assert near.straight == pytest.approx(max(far.straight, 0.0) + 1.5, abs=0.06) or (
        far.straight == 0.0 and 0 < near.straight < 1.5
    )
    assert least_gap(linnet, quay, final + [1.5, 0, 0], near, near.straight) > 0.04


def test_an_aisle_too_narrow_is_told_and_not_made_up(linnet, seat):
    ground, pose = parked(
        linnet, seat, "Full-lock reverse bay", lay_bay("bay", bay=Bay(width=2.6), aisle=7.0)
    )
    narrow = lay_bay("bay", bay=ground.goal, aisle=3.2)
    assert [w.straight for w in leave(at(linnet, narrow, pose))] == [None, None]
    with pytest.raises(InputError, match="pose"):
        leave(at(linnet, ground, np.array([np.nan, 0.0, 0.0])))
