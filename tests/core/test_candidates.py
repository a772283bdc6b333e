"""Cues to choose among: shown before they are needed, chosen, and asked the other way round."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import Options, make_plan, sights
from faircorner.cues.candidates import at_mark, candidates_of
from faircorner.cues.cue_kinds import candidates, earlier, sharpest
from faircorner.cues.cue_kinds.parallel import PARALLEL, parallels
from faircorner.ground import Stretch, lay_road
from faircorner.plane import frozen, to_body
from faircorner.sight import CRAWL, REACTION
from faircorner.vehicle import Opening

from tests.core.pictured import DOCKETS, docket_named, seeings


@pytest.mark.parametrize("name", DOCKETS)
def test_the_proposed_cue_shows_all_through_the_last_half_metre_where_a_sharp_one_does(name):
    tried = 0
    for seeing in seeings(name)[1:]:
        cue = sharpest(seeing)
        steady = [one for one in candidates(seeing) if one.cue.sharp and one.steady]
        if not steady:
            continue
        tried += 1
        found = next(one for one in candidates(seeing) if one.cue.key == cue.key)
        assert all(found.shown(-by) for by in np.arange(0.0, 0.55, 0.05))
        assert cue.sharp
    assert tried


@pytest.mark.parametrize("name", ["kerb left", "bay right"])
def test_another_cue_is_told_once_it_is_chosen_and_the_sharpest_where_it_is_not_there(name):
    scene = docket_named(name)
    plan = make_plan(scene)
    spots = {spot.call: spot for spot in sights(scene, plan.values).spots}
    assert set(spots) == set(range(len(plan.calls) + 2))
    for call in plan.calls:
        spot = spots[call.step]
        assert spot.cue.key == call.cue.key == spot.candidates[0].key
        other = spot.candidates[-1]
        picked = make_plan(replace(scene, options=Options(picks={call.step: other.key})))
        assert picked.calls[call.step - 1].cue.key == other.key
        # Nothing is driven otherwise for it.
        np.testing.assert_array_equal(picked.track.poses, plan.track.poses)
    gone = make_plan(replace(scene, options=Options(picks={1: "nowhere | nothing | "})))
    assert gone.calls[0].cue.key == plan.calls[0].cue.key


@pytest.mark.parametrize("name", DOCKETS)
def test_used_exactly_at_its_mark_a_cue_stops_the_car_where_it_stands_at_the_mark(name):
    """The reverse question inverts the forward one: to a millimetre of the image there."""
    tried = 0
    for seeing in seeings(name):
        for spot in candidates(seeing):
            sighting = spot.cue.sighting
            if spot.moved is None or np.isnan(sighting.offset):
                continue
            still = spot.moved(np.zeros(3))
            assert still(0.0) == pytest.approx(0.0, abs=1e-9)
            by = at_mark(spot)
            if np.isnan(by) or not spot.shown(by):
                continue
            there = replace(
                seeing, onward=lambda more, by=by, seeing=seeing: seeing.onward(by + more)
            )
            found = [one for one in candidates(there) if one.cue.what == spot.cue.what
                     and one.cue.sighting.through == sighting.through
                     and one.cue.sighting.feature == sighting.feature
                     and (not spot.cue.upright
                          or np.linalg.norm(one.cue.target - spot.cue.target) < 1e-6)]  # fmt: skip
            for one in found:
                tried += 1
                assert one.cue.sighting.offset == pytest.approx(0.0, abs=1e-3)
    assert tried


def test_a_taller_driver_sees_the_kerb_higher_up_the_glass_and_stops_nearer_to_it():
    """Past the mark the ray goes down to the kerb: a higher eye, a higher place by as much of it
    as lies beyond the mark. Rolling away from a kerb behind it falls, so that they stop later.
    """
    for seeing in seeings("corner left")[1:]:
        for one in candidates(seeing):
            if one.cue.upright or one.cue.sighting.told.of_glass:
                continue
            eye, hit = one.cue.sighting.eye, one.cue.sighting
            share = np.hypot(hit.x - eye[0], hit.y - eye[1]) / np.hypot(
                *(to_body(seeing.pose, one.cue.target[None])[0] - eye[:2])
            )
            rise = one.moved(np.array([0.0, 0.0, 0.05]))(0.0)
            assert rise == pytest.approx(0.05 * (1 - share), rel=0.2)
            assert rise > 0


def with_another(seeing, cue, side, end):
    """The place with the parked vehicle that a cue is on wider by 20 cm in all, or longer by 50."""

    def grown(parked):
        if np.linalg.norm(parked.polygon - cue.target, axis=1).min() > 0.01:
            return parked
        middle = parked.polygon.mean(axis=0)
        out = np.sign(parked.polygon - middle)
        away = np.sign(middle[0] - seeing.ground.berth.frame[0])
        return replace(parked, polygon=parked.polygon + out * [0.0, 0.1 * side]
                       + [0.5 * end * away, 0.0] * (out == [away, 0.0])[:, :1])  # fmt: skip

    return replace(seeing.ground, obstacles=tuple(grown(o) for o in seeing.ground.obstacles))


@pytest.mark.parametrize("name", ["kerb left", "kerb right"])
def test_with_another_neighbour_the_same_picture_comes_so_much_later(name):
    tried = {"wider": 0, "longer": 0}
    for seeing in seeings(name):
        for one in candidates_of(seeing, None)[0]:
            if one.neighbour is None or not one.cue.upright:
                continue
            for how, side, end in (("wider", 1, 0), ("longer", 0, 1)):
                by = getattr(one.neighbour, how)
                ground = with_another(seeing, one.cue, side, end)
                if np.isnan(by) or abs(by) > 0.6:
                    continue
                there = replace(seeing, ground=ground, onward=lambda more, by=by, seeing=seeing:
                                seeing.onward(by + more))  # fmt: skip
                same = [f.cue for f in candidates(there) if f.cue.key == one.key]
                if not same:
                    continue
                tried[how] += 1
                offset = one.cue.sighting.offset
                assert same[0].sighting.offset == pytest.approx(offset, abs=2e-3)
    assert min(tried.values()) > 0


def blinkered(seeing, by):
    """A vehicle with nothing to see through but a peephole, where a cue stands so far on."""
    found = next(f for f in candidates(replace(seeing, onward=lambda d: seeing.onward(by + d)))
                 if f.cue.upright and not f.cue.sighting.told.of_glass and f.cue.sharp)  # fmt: skip
    seen = found.cue.sighting
    corners = [(seen.x + dx, seen.y, seen.z + dz) for dx, dz in
               ((-0.03, -0.03), (0.03, -0.03), (0.03, 0.03), (-0.03, 0.03))]  # fmt: skip
    peephole = Opening(name="peephole", corners=frozen(corners))
    # Without an outline from the side nothing but glass and walls is in the way.
    return replace(seeing.vehicle, glass=(peephole,), mirrors=(), roofline=np.empty((0, 2)))


def test_where_nothing_shows_however_one_leans_it_is_counted_from_the_last_place_that_does():
    seeing = seeings("kerb left")[1]
    unseen = replace(seeing, vehicle=blinkered(seeing, -0.75))
    assert not sharpest(unseen).shows
    found = earlier(unseen)
    assert found.by == 0.75
    assert found.cue.sighting.through == "peephole"
    # What is told there is what is seen there, and nothing of it at the call.
    there = replace(unseen, onward=lambda by: unseen.onward(by - 0.75))
    assert sharpest(there).key == found.cue.key
    assert earlier(replace(seeing, vehicle=replace(seeing.vehicle, glass=(), mirrors=()))) is None


def test_a_kerb_that_comes_parallel_in_a_mirror_is_as_sharp_as_the_vehicle_turns():
    """A degree off parallel, over how many the vehicle turns in a metre."""
    base = seeings("kerb left")[0]
    ground = lay_road("stretch", Stretch())
    radius, pose = 6.0, np.array([0.0, -1.4, 0.0])

    def turning(by):
        return pose + [
            radius * np.sin(by / radius),
            radius * (1 - np.cos(by / radius)),
            by / radius,
        ]

    seeing = replace(base, ground=ground, onward=turning)
    found = {f.cue.sighting.through: f.cue for f in parallels(seeing) if f.cue.what == "kerb"}
    assert set(found) == {"left door mirror"}
    scatter = found["left door mirror"].sharpness.scatter
    assert scatter == pytest.approx(np.hypot(PARALLEL * radius, REACTION * CRAWL), rel=1e-3)
    assert "runs parallel" in str(found["left door mirror"].said)
    # Parallel 10 cm earlier by the turn, it is used there.
    late = replace(seeing, onward=lambda by: turning(by + 0.1))
    (at,) = [at_mark(f) for f in parallels(late) if f.cue.key == found["left door mirror"].key]
    assert at == pytest.approx(-0.1, abs=1e-4)
    # Straight on nothing comes parallel, and aslant nothing is.
    assert parallels(replace(seeing, onward=lambda by: pose + [by, 0, 0])) == []
    assert parallels(replace(seeing, onward=lambda by: turning(by + 0.4))) == []
