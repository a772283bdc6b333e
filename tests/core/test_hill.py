"""Parking on a hill: the rule that is taught follows from the roll, on either side of the road."""

import numpy as np
import pytest
from faircorner.documents.aids import hill_document
from faircorner.errors import InputError
from faircorner.motion import best_roll, roll
from faircorner.motion.roll import stands_out
from hypothesis import given
from hypothesis import strategies as st


def rolls(vehicle, gap=0.25, *, forward, kerb):
    lock = vehicle.steering.lock_turns
    ways = {"toward": lock, "away": -lock, "straight": 0.0}
    return {w: roll(vehicle, gap=gap, forward=forward, turns=t, kerb=kerb) for w, t in ways.items()}


@pytest.mark.parametrize(
    ("forward", "kerb", "best"),
    [
        pytest.param(True, True, "toward", id="downhill with a kerb"),
        pytest.param(False, True, "away", id="uphill with a kerb"),
        pytest.param(True, False, "toward", id="downhill without a kerb"),
        pytest.param(False, False, "toward", id="uphill without a kerb"),
    ],
)
@given(gap=st.floats(0.1, 0.45))
def test_the_rule_that_is_taught_follows_from_the_roll(linnet, forward, kerb, best, gap):
    found = rolls(linnet, gap, forward=forward, kerb=kerb)
    assert best_roll(found) == best
    assert found[best].end == ("held by the kerb" if kerb else "off the road")


def test_the_wrong_way_downhill_goes_into_the_road(linnet):
    for kerb in (True, False):
        assert rolls(linnet, forward=True, kerb=kerb)["away"].end == "into the road"


def test_straight_wheels_roll_on(linnet):
    for forward in (True, False):
        found = rolls(linnet, forward=forward, kerb=True)["straight"]
        assert (found.end, found.tyre) == ("on down the hill", None)
        np.testing.assert_allclose(found.track.poses[0, :, 2], 0.0, atol=1e-12)


@given(st.floats(0.15, 0.4))
def test_held_by_a_rear_tyre_the_nose_stands_out_in_the_traffic(linnet, gap):
    """Uphill, the wheels toward the kerb: its off front corner, before and after, by hand."""
    found = rolls(linnet, gap, forward=False, kerb=True)["toward"]
    assert found.tyre == "rear"
    start, end = found.track.poses[0, 0], found.track.poses[0, -1]
    half, cut = linnet.width / 2, linnet.corner_cut
    corner = min(
        np.sin(end[2]) * ahead - np.cos(end[2]) * aside
        for ahead, aside in ((linnet.nose - cut, half), (linnet.nose, half - cut))
    )
    expected = (start[1] - half) - (end[1] + corner)
    assert stands_out(linnet, found) == (pytest.approx(expected), "nose")
    assert expected > 0.4
    held = rolls(linnet, gap, forward=False, kerb=True)["away"]
    assert stands_out(linnet, held)[0] < 0.2


@given(st.floats(0.05, 0.5), st.booleans())
def test_a_tyre_that_is_held_stands_at_the_kerb(linnet, gap, forward):
    """No corner of either near tyre is past the kerb a step before the end, one is at the end."""
    found = roll(linnet, gap=gap, forward=forward,
                 turns=linnet.steering.lock_turns * (1 if forward else -1), kerb=True)  # fmt: skip
    assert found.tyre == "front"
    angle = float(linnet.steering.road_wheel_angle(found.track.turns[0, -1]))
    half, reach = linnet.tyre_width / 2, 0.20

    def beyond(pose):
        heading = pose[2]
        hub = pose[:2] + np.array([
            np.cos(heading) * linnet.wheelbase - np.sin(heading) * linnet.track_front / 2,
            np.sin(heading) * linnet.wheelbase + np.cos(heading) * linnet.track_front / 2,
        ])  # fmt: skip
        way = heading + angle
        ends = [hub[1] + along * np.sin(way) + half * np.cos(way) for along in (reach, -reach)]
        return max(ends)

    assert beyond(found.track.poses[0, -1]) >= -1e-9
    met = float(found.track.poses[0, -1, 2]) + angle
    assert found.angle == pytest.approx(abs(met))
    if len(found.track.poses[0]) > 1:
        assert beyond(found.track.poses[0, -2]) < 1e-9


@given(st.floats(0.05, 0.4))
def test_farther_from_the_kerb_rolls_farther(linnet, gap):
    near, far = (rolls(linnet, g, forward=True, kerb=True)["toward"] for g in (gap, gap + 0.1))
    assert far.metres >= near.metres


@pytest.mark.parametrize("facing", ["up", "down"])
@pytest.mark.parametrize("kerb", [True, False])
def test_the_other_side_of_the_road_is_the_mirror_image(linnet, facing, kerb):
    left, right = (
        hill_document(linnet, side=side, gap=0.25, facing=facing, kerb=kerb)
        for side in ("left", "right")
    )
    assert left["best"] == right["best"]
    for mine, theirs in zip(left["ways"], right["ways"], strict=True):
        assert (mine["end"], mine["metres"]) == (theirs["end"], theirs["metres"])
        assert (mine["out_m"], mine["out_end"]) == (theirs["out_m"], theirs["out_end"])
        assert theirs["final"]["y_m"] == pytest.approx(-mine["final"]["y_m"])
        assert theirs["turns"] == pytest.approx(-mine["turns"])


@pytest.mark.parametrize("gap", [-0.1, 3.0, float("nan")])
def test_a_vehicle_that_is_not_parked_is_refused(linnet, gap):
    with pytest.raises(InputError, match="gap_m"):
        roll(linnet, gap=gap, forward=True, turns=0.0, kerb=True)
