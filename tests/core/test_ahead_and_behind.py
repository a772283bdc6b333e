"""What is told by the bonnet's edge, by a window's middle, and by what runs parallel to a pane."""

from dataclasses import replace
from types import SimpleNamespace

import numpy as np
import pytest
from faircorner.cues.candidates import at_mark, candidates_of
from faircorner.cues.cue_kinds import candidates
from faircorner.cues.cue_kinds.edge import over_the_bonnet
from faircorner.cues.cue_kinds.horizon import horizons
from faircorner.cues.cue_kinds.parallel import parallels
from faircorner.cues.places import _INSIDE
from faircorner.ground import Kerbline, Obstacle
from faircorner.plane import to_body
from faircorner.sight import (
    ACUITY,
    CRAWL,
    REACTION,
    beyond_glass,
    edge_sights,
    pane_hits,
    sight_of,
)
from faircorner.sight.glass import mark_image, middle_marks
from hypothesis import given
from hypothesis import strategies as st

from tests.core.pictured import docket_named, seeings


def seeing_with(obstacles=(), kerblines=(), onward=None):
    """A driver at the origin of an empty site, rolling on as told."""
    base = seeings("kerb left")[1]
    # What every kind of cue asks a place for; nobody lays out such a one.
    ground = SimpleNamespace(
        obstacles=tuple(obstacles),
        kerblines=tuple(kerblines),
        sighted=(),
        goal=base.ground.goal,
        berth=base.ground.berth,
    )
    return replace(base, ground=ground, onward=onward or rolling)


def rolling(by):
    return np.array([by, 0.0, 0.0])


def ahead_on_the_ground(vehicle, eye):
    """By trying: how near straight ahead the ground shows through glass, past bonnet and dash."""
    far = np.arange(vehicle.nose, vehicle.nose + 14.0, 0.01)
    places = np.column_stack((far, np.full_like(far, eye[1]), np.zeros_like(far)))
    free = ~beyond_glass(vehicle, eye, places)
    through = np.any([~np.isnan(pane_hits(p, eye, places)[:, 0]) for p in vehicle.glass], axis=0)
    return float(far[(free & through).argmax()])


@pytest.mark.parametrize("docket", ["kerb left", "kerb right"])
def test_ground_ahead_vanishes_under_the_edge_that_is_lowest_in_the_picture(docket):
    scene = docket_named(docket)
    vehicle, seat = scene.vehicle, scene.seat
    near = ahead_on_the_ground(vehicle, seat.eye)

    def past(x):
        across = np.array([(x, -9.0), (x, 9.0)])
        sights = edge_sights(vehicle, seat, rolling, across)
        return next(s for s in sights if s.sighting.feature == "bonnet's edge")

    assert past(near + 0.03).sighting.offset == pytest.approx(0.0, abs=0.01)
    assert past(near + 0.03).sighting.through == "windscreen"
    assert past(near + 1.0).sighting.offset > 0.02
    assert past(near - 0.1).sighting.through is None


def parked(x, y=0.0, long=4.2, wide=1.7):
    corners = [(x, y - wide / 2), (x + long, y - wide / 2), (x + long, y + wide / 2),
               (x, y + wide / 2)]  # fmt: skip
    return Obstacle(name="the vehicle ahead", kind="vehicle", polygon=np.array(corners))


def test_the_feet_of_its_tyres_are_seen_under_the_vehicle_ahead_and_their_place_is_assumed():
    seeing = seeing_with([parked(9.0)])
    found = over_the_bonnet(seeing)
    assert [one.cue.sighting.feature for one in found] == ["bonnet's edge"]
    assert found[0].cue.target == pytest.approx((9.0 + _INSIDE, seeing.seat.eye[1]), abs=0.01)
    told = candidates_of(seeing, found[0].cue)[0][0]
    assert told.key == found[0].cue.key
    assert "tyres' place" in told.assumed
    # Nearer they are under the bonnet, beside the own way they are none to stop behind, and a
    # lower thing between hides them.
    near = ahead_on_the_ground(seeing.vehicle, seeing.seat.eye)
    assert found[0].shown(9.0 + _INSIDE - near - 0.05)
    assert not found[0].shown(9.0 + _INSIDE - near + 0.05)
    assert over_the_bonnet(seeing_with([parked(6.0)])) == []
    assert over_the_bonnet(seeing_with([parked(9.0, y=2.4)])) == []
    assert over_the_bonnet(seeing_with([parked(-9.0)])) == []
    wall = Obstacle(name="wall", kind="wall", height=0.9,
                    polygon=np.array([(8.0, -3), (8.3, -3), (8.3, 3), (8.0, 3)]))  # fmt: skip
    assert not over_the_bonnet(seeing_with([wall, parked(9.0)]))[0].shown(0.0)


def turning(by, radius=7.0):
    return np.array([radius * np.sin(by / radius), radius * (1 - np.cos(by / radius)), by / radius])


@pytest.mark.parametrize(
    ("heading", "x", "y", "through", "part"),
    [(0.0, 0.0, 6.0, "front door glass", "window sill"),
     (0.0, 0.0, -4.0, "front door glass", "window sill"),
     (np.pi / 2, 12.0, 0.0, "windscreen", "dashboard"),
     (np.pi / 2, -14.0, 0.0, "rear window", "rear window's edge")],
)  # fmt: skip
def test_what_is_parallel_in_space_runs_parallel_to_the_edge_of_its_pane(
    heading, x, y, through, part
):
    line = Kerbline(name="line", frame=(x, y, heading), of_tyres=False)
    seeing = seeing_with(kerblines=[line], onward=turning)
    found = {f.cue.sighting.through: f for f in parallels(seeing) if "mirror" not in
             f.cue.sighting.through}  # fmt: skip
    cue = found[through].cue
    assert (cue.what, cue.sighting.feature) == ("line", part)
    eye = cue.sighting.eye
    pane = next(p for p in seeing.vehicle.glass
                if p.name == through and not np.isnan(pane_hits(p, eye, np.append(
                    to_body(seeing.pose, cue.target[None])[0], 0.0)[None])[0, 0]))  # fmt: skip
    along = cue.target + np.linspace(-1, 1, 9)[:, None] * [np.cos(heading), np.sin(heading)]
    hits = pane_hits(pane, eye, np.column_stack((along, np.zeros(9))))
    assert np.nanmax(hits[:, 2]) - np.nanmin(hits[:, 2]) < 1e-9
    # A degree and a half on it is aslant, and straight on nothing comes parallel.
    off = replace(seeing, onward=lambda by: turning(by + 0.3))
    assert [f for f in parallels(off) if f.cue.sighting.through == through] == []
    straight = replace(seeing, onward=rolling)
    assert parallels(straight) == []
    assert found[through].shown(-0.5)
    assert not found[through].shown(-1.5)
    late = replace(seeing, onward=lambda by: turning(by + 0.1))
    ats = [at_mark(f) for f in parallels(late) if f.cue.key == cue.key]
    assert ats == [pytest.approx(-0.1, abs=1e-4)]


@given(st.floats(-2.0, 2.0), st.sampled_from([9.0, 30.0]))
def test_a_landmark_stands_in_the_middle_of_the_window_that_its_line_of_sight_crosses_there(
    off, far
):
    scene = docket_named("kerb left")
    vehicle, eye = scene.vehicle, scene.seat.eye
    screen = next(pane for pane in vehicle.glass if pane.name == "windscreen")
    (middle,) = middle_marks((screen,))
    # Through the upright line in the middle of the pane, wherever it is crossed.
    way = np.array([middle.x, middle.y]) - eye[:2]
    way = way / way[0]
    post = eye[:2] + far * way
    hit = pane_hits(screen, eye, np.array([(*post, 0.8)]))[0]
    level = mark_image(eye, middle, hit, screen.normal)
    seen = sight_of(vehicle, scene.seat, np.zeros(3), post, 1.2, middle.name)
    assert seen.feature == "middle of the windscreen"
    assert seen.offset == pytest.approx(hit[1] - level[1], abs=1e-9)
    assert seen.offset == pytest.approx(0.0, abs=1e-6)
    aside = sight_of(vehicle, scene.seat, np.zeros(3), post + [0.0, off], 1.2, middle.name)
    assert aside.offset * off > -1e-9
    assert abs(aside.offset) < abs(off) + 1e-9


def test_cues_of_these_kinds_are_among_those_to_choose_from():
    line = Kerbline(name="line", frame=(8.0, 0.0, np.pi / 2), of_tyres=False)
    seeing = seeing_with([parked(9.0)], [line], turning)
    marks = {one.cue.sighting.feature for one in candidates(seeing)}
    assert {"bonnet's edge", "dashboard"} <= marks


@pytest.mark.parametrize("aslant", [-0.25, 0.0, 0.2])
def test_a_kerbs_far_end_stands_where_the_heading_puts_it_however_far_off_it_is(aslant):
    """By its direction alone: a kerb 2 m off and one 4 m off end at the same place."""
    offsets = []
    for off in (2.0, 4.0):
        line = Kerbline(name="line", frame=(0.0, off, aslant), of_tyres=False)
        seeing = seeing_with(kerblines=[line], onward=turning)
        found = {one.cue.sighting.through: one for one in horizons(seeing)}
        cue = found["windscreen"].cue
        assert cue.sighting.bearing == pytest.approx(aslant, abs=1e-4)
        assert cue.sharpness.scatter == pytest.approx(
            np.hypot(ACUITY * 7.0, REACTION * CRAWL), rel=1e-3
        )
        assert "the far end of the line" in str(cue.said)
        offsets.append(cue.sighting.offset)
    assert offsets[0] == pytest.approx(offsets[1], abs=1e-4)
    assert horizons(seeing_with(kerblines=[line])) == []
    # What stands on the kerb's line hides where it leads.
    wall = Obstacle(name="wall", kind="wall", height=2.0,
                    polygon=np.array([(6.0, -9), (6.3, -9), (6.3, 9), (6.0, 9)]))  # fmt: skip
    walled = seeing_with([wall], [line], turning)
    assert "windscreen" not in {f.cue.sighting.through for f in horizons(walled)}


def test_a_painted_line_across_the_way_is_told_past_the_bonnet_as_far_as_it_is_painted():
    seeing = seeing_with()
    eye = seeing.seat.eye[1]

    def seen(begin, end):
        painted = np.array([(9.0, begin), (9.0, end)])
        goal = SimpleNamespace(aligned=lambda: (("stop line", painted),))
        return over_the_bonnet(replace(seeing, ground=SimpleNamespace(
            **{**vars(seeing.ground), "goal": goal})))  # fmt: skip

    (found,) = seen(eye - 1.0, eye + 1.0)
    assert found.cue.target == pytest.approx((9.0, eye), abs=0.01)
    assert (found.cue.what, found.cue.assumed) == ("stop line", ())
    assert seen(eye + 0.1, eye + 2.0) == []


def test_a_painted_line_comes_parallel_in_the_mirror_beside_it_as_far_as_it_is_painted():
    def seen(begin, end, aside):
        painted = np.array([(begin, aside), (end, aside)])
        base = seeing_with(onward=turning)
        goal = SimpleNamespace(aligned=lambda: (("bay line", painted),))
        ground = SimpleNamespace(**{**vars(base.ground), "goal": goal})
        return {f.cue.sighting.through: f.cue for f in parallels(replace(base, ground=ground))}

    assert seen(-7.0, 1.0, 1.9)["left door mirror"].what == "bay line"
    assert seen(-7.0, 1.0, -1.9)["right door mirror"].what == "bay line"
    assert "left door mirror" not in seen(-7.0, 1.0, -1.9)
    # A short piece beside the mirror is no line to be parallel to.
    assert "left door mirror" not in seen(0.5, 1.0, 1.9)
