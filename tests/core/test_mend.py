"""Mends driven again from where the vehicle stood, and the refusals held to account."""

import numpy as np
import pytest
from faircorner.cues import mend
from faircorner.documents.plans import mend_document
from faircorner.errors import InputError
from faircorner.ground import lay_kerb, with_behind
from faircorner.motion import clearance, drive
from faircorner.standards import finish_at
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.scenes import at


def standing(vehicle, kerb, degrees, ahead):
    """A pose with its rear wheel so far from the kerb, nose toward it, and a gap ahead (m)."""
    hub = vehicle.hubs(side=1)[0, 1]
    return np.array([-ahead - vehicle.nose, -kerb - hub, np.radians(degrees)])


def driven_again(vehicle, pose, found):
    return drive(vehicle.steering, pose[None], [0.0], found.legs, sample=0.01)


@pytest.fixture(scope="module")
def place():
    return lay_kerb("quay", goal_ahead=1.5)


@pytest.mark.parametrize(
    ("kerb", "degrees", "ahead"),
    [(0.6, 0, 1.2), (0.5, 5, 1.0), (0.7, -8, 1.2), (0.25, 6, 1.5), (0.55, 0, 2.5)],
)
def test_a_mend_ends_within_the_standard_and_touches_nothing(
    linnet, standard, place, kerb, degrees, ahead
):
    pose = standing(linnet, kerb, degrees, ahead)
    before = finish_at(pose[None], linnet, place)
    assert not all(band.holds(before)[0] for band in standard.bands)
    found = mend(at(linnet, place, pose, standard), forward=2, reverse=2)
    assert found is not None
    track = driven_again(linnet, pose, found)
    finish = finish_at(track.final, linnet, place)
    assert all(band.holds(finish)[0] for band in standard.bands)
    assert finish.kerb[0] == pytest.approx(found.finish.kerb[0], abs=0.01)
    least = clearance(track.poses, linnet.outline, place.obstacles[0].polygon).metres[0]
    assert least > 0.04
    stated = next(m for name, m, _ in found.clearances if name == place.obstacles[0].name)
    assert least == pytest.approx(stated, abs=0.005)


def test_the_mirror_image_is_mended_by_the_mirror_image(linnet, standard, place):
    pose = standing(linnet, 0.6, 0, 1.2)
    mine = mend(at(linnet, place, pose, standard), forward=2, reverse=2)
    theirs = mend(
        at(linnet.mirrored(), place.mirrored(), pose * [1, -1, -1], standard), forward=2, reverse=2
    )
    assert theirs.movements == mine.movements
    np.testing.assert_allclose(theirs.track.poses, mine.track.poses * [1, -1, -1], atol=1e-9)
    assert [step.say for step in theirs.steps] == [step.say for step in mine.steps]


def test_no_gear_is_used_oftener_than_the_standard_still_allows(linnet, standard, place):
    pose = standing(linnet, 0.8, 0, 1.2)
    free = mend(at(linnet, place, pose, standard), forward=2, reverse=2)
    assert len(free.movements) == 2
    for forward, reverse in ((1, 1), (0, 1), (0, 0)):
        found = mend(at(linnet, place, pose, standard), forward=forward, reverse=reverse)
        if found is not None:
            assert found.movements.count("forward") <= forward
            assert found.movements.count("reverse") <= reverse
    assert mend(at(linnet, place, pose, standard), forward=0, reverse=0) is None
    # Two would be needed: with one in both gears together there is none.
    assert mend(at(linnet, place, pose, standard), forward=2, reverse=2, together=1) is None


def test_where_there_is_no_room_nothing_is_promised(linnet, standard, place):
    tight = with_behind(place, linnet.length + 0.9)
    pose = standing(linnet, 0.8, 0, 0.45)
    assert mend(at(linnet, tight, pose, standard), forward=2, reverse=2) is None


@settings(max_examples=8)
@given(st.floats(0.12, 0.7), st.floats(-6, 6), st.floats(0.7, 2.5))
def test_whatever_the_start_a_mend_that_is_told_holds(linnet, standard, kerb, degrees, ahead):
    ground = lay_kerb("quay", goal_ahead=1.5)
    pose = standing(linnet, kerb, degrees, ahead)
    found = mend(at(linnet, ground, pose, standard), forward=1, reverse=1)
    if found is None:
        return
    finish = finish_at(driven_again(linnet, pose, found).final, linnet, ground)
    assert all(band.holds(finish)[0] for band in standard.bands)


def test_a_pose_that_is_no_number_is_refused(linnet, standard, place):
    with pytest.raises(InputError, match="pose"):
        mend(at(linnet, place, np.array([np.nan, 0, 0]), standard), forward=1, reverse=1)


def test_the_document_has_a_sentence_and_metres_for_every_leg(linnet, standard, place):
    pose = standing(linnet, 0.6, 0, 1.2)
    found = mend(at(linnet, place, pose, standard), forward=2, reverse=2)
    document = mend_document(found, linnet)
    assert len(document["steps"]) == 3 * len(document["movements"])
    for step, gear in zip(document["steps"][::3], document["movements"], strict=True):
        assert step["gear"] == gear
        assert step["say"]["code"].startswith("forward" if gear == "forward" else "back")
    assert document["path"][0]["x_m"] == pytest.approx(pose[0], abs=1e-6)
    assert mend_document(None, linnet) is None
