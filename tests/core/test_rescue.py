"""A call at the wrong moment, and how it is saved: driven again apart from the fit."""

import numpy as np
import pytest
from faircorner.cues import make_plan, play, rescue
from faircorner.documents.library import house_standard, methods
from faircorner.documents.plans import rescue_document
from faircorner.errors import InputError
from faircorner.ground import Bay, Corner, Turnabout, lay_bay, lay_kerb, lay_road
from faircorner.motion import clearance, drive
from faircorner.standards import finish_at, goal_of
from shapely import Polygon, distance, polygons

from tests.core.held import tyre_corners
from tests.core.scenes import scene

YARD = lay_bay("yard", aisle=9.0, before=None, beyond=None,
               bay=Bay(width=2.7, depth=5.4, lines="sensor", guide=1.8))  # fmt: skip
PLACES = {
    "Yard bay against the clock": YARD,
    "Full-lock reverse bay": lay_bay("bay", bay=Bay(width=2.6), aisle=7.0),
    "One amount reverse park": lay_kerb("kerb", goal_ahead=2.0),
    "Close corner reverse": lay_road("corner", Corner()),
}
# Of every method: how early call 1 comes and what saves that, how late and what saves that.
CURES = [
    ("Yard bay against the clock", -0.4, "less wheel"),
    ("Yard bay against the clock", 0.5, "pull forward"),
    ("Full-lock reverse bay", -0.5, "less wheel"),
    ("Full-lock reverse bay", 0.5, "pull forward"),
    ("One amount reverse park", -0.5, "less wheel"),
    ("Close corner reverse", -0.5, "less wheel"),
    ("Close corner reverse", 0.55, "more wheel"),
]


def standard_for(way):
    return house_standard(goal_of(methods()[way].manoeuvre)).build()


def saved(vehicle, seat, way, by, *, ground=None, call=1, forward=2, reverse=3,
          together=None):  # fmt: skip
    ground = ground or PLACES[way]
    method, standard = methods()[way].build(), standard_for(way)
    asked = scene(vehicle, seat, ground, method, standard)
    plan = make_plan(asked)
    found = rescue(asked, plan.values, call=call, by=by, forward=forward, reverse=reverse,
                   together=together)  # fmt: skip
    return plan, found


@pytest.mark.parametrize(("way", "by", "cure"), CURES)
def test_what_saves_an_attempt_ends_where_it_should_and_touches_nothing(
    linnet, seat, way, by, cure
):
    plan, found = saved(linnet, seat, way, by)
    assert found.cure == cure
    # As far as the call everything is as it was begun; from there the steps alone lead on.
    call_s = plan.calls[0].s + by
    at = int(np.searchsorted(found.track.s[0], call_s - 1e-6))
    assert found.track.s[0, at] == pytest.approx(call_s, abs=1e-3)
    driven = drive(linnet.steering, found.track.poses[0, at][None], found.track.turns[:, at],
                   found.legs, sample=0.01)  # fmt: skip
    ground = plan.ground
    finish = finish_at(driven.final, linnet, ground)
    assert finish.kerb[0] == pytest.approx(ground.berth.wanted_kerb(linnet), abs=0.011)
    assert all(band.holds(finish)[0] for band in standard_for(way).bands)
    for obstacle in ground.obstacles:
        if obstacle.low:
            tyres = polygons(tyre_corners(linnet, driven.poses[0], driven.turns[0]))
            assert distance(tyres, Polygon(obstacle.polygon)).min() > 0.04
        else:
            gap = clearance(driven.poses, linnet.outline, obstacle.polygon).metres[0]
            assert gap > 0.04


def test_a_right_hand_place_is_saved_as_its_mirror_is(linnet, seat):
    way = "Yard bay against the clock"
    _, left = saved(linnet, seat, way, -0.4)
    _, right = saved(linnet.mirrored(), seat.mirrored(), way, -0.4, ground=YARD.mirrored())
    np.testing.assert_allclose(right.track.poses, left.track.poses * [1, -1, -1], atol=1e-9)
    for mine, theirs in zip(left.legs, right.legs, strict=True):
        assert theirs.turns == pytest.approx(-mine.turns)


def test_where_nothing_is_broken_one_drives_on(linnet, seat):
    plan, found = saved(linnet, seat, "Yard bay against the clock", 0.05)
    assert found.cure == "drive on"
    asked = scene(linnet, seat, YARD, methods()["Yard bay against the clock"].build())
    played = play(asked, plan.values, call=1, by=0.05)
    np.testing.assert_allclose(found.track.final, played.track.final, atol=1e-4)


def test_no_more_movements_are_taken_than_the_standard_allows(linnet, seat):
    _, found = saved(linnet, seat, "Yard bay against the clock", 0.5, forward=1, reverse=2,
                     together=3)  # fmt: skip
    assert found.cure == "pull forward"
    assert [leg.direction for leg in found.legs] == [-1, 1, -1, -1]
    # The school's own movement is always allowed; another is not.
    for forward, reverse, together in ((0, 2, None), (1, 1, None), (1, 2, 2)):
        _, none = saved(linnet, seat, "Yard bay against the clock", 0.5,
                        forward=forward, reverse=reverse, together=together)  # fmt: skip
        assert none is None


def test_too_late_by_far_is_a_new_beginning(linnet, seat):
    narrow = lay_bay("bay", bay=Bay(width=2.4), aisle=5.6, before=0.2, beyond=0.2)
    _, found = saved(linnet, seat, "Full-lock reverse bay", 1.9, ground=narrow, forward=0)
    assert found is None
    assert rescue_document(found, linnet) is None


def test_a_rescue_is_told_step_by_step(linnet, seat):
    _, found = saved(linnet, seat, "Yard bay against the clock", 0.5)
    told = rescue_document(found, linnet)
    assert told["cure"] == "pull forward"
    assert [step["gear"] for step in told["steps"]] == ["reverse", "forward", "reverse", "reverse"]
    assert told["steps"][1]["turns"] == 0.0
    assert told["path"][0]["s_m"] == 0.0
    assert min(c["metres"] for c in told["clearance"]) > 0.04


@pytest.mark.parametrize("call", [0, 3])
def test_a_call_that_there_is_not_is_named(linnet, seat, call):
    with pytest.raises(InputError) as caught:
        saved(linnet, seat, "Yard bay against the clock", 0.2, call=call)
    assert caught.value.field == "call"


def test_what_a_method_takes_itself_needs_no_allowance(linnet, seat):
    """A turn in the road has more movements than most standards count."""
    ground = lay_road("road", Turnabout(), road_width=8.4)
    _, found = saved(linnet, seat, "Three-movement turn", 0.4, ground=ground, call=2,
                     forward=0, reverse=0)  # fmt: skip
    assert found.cure == "less wheel"
