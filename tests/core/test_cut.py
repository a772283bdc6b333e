"""A line that goes out of sight under the own vehicle, held against rays cast one by one."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues.cue_kinds import Seeing, sharpest
from faircorner.cues.cue_kinds.cut import CUT, cuts
from faircorner.cues.events import Seen, Watched
from faircorner.documents.library import methods
from faircorner.documents.samples import LINNET
from faircorner.ground import Bay, lay_bay
from faircorner.plane import to_body
from faircorner.sight import ACUITY, BONNET, CRAWL, REACTION, beyond_glass, cut_sights, pane_hits

from tests.core.held import CARS, built
from tests.core.pictured import DOCKETS, docket_named, seeings, seeings_of
from tests.core.scenes import scene
from tests.core.test_sight import EYE, SEAT, car

# What is seen this far on either side of the place along the line, m.
BESIDE = 0.06
# Nobody stands beside it.
OPEN_BAY = replace(lay_bay("bay", bay=Bay(nose="in"), aisle=7.0), obstacles=())


def shows(seeing, eye, place):
    """Whether nothing of the vehicle's body is between an eye and a place (2,) on the ground."""
    there = np.append(to_body(seeing.pose, place[None])[0], 0.0)[None]
    through = any(not np.isnan(pane_hits(p, eye, there)[0, 0]) for p in seeing.vehicle.glass)
    return through and not beyond_glass(seeing.vehicle, eye, there)[0]


def held_against_rays(seeing):
    """Every cue there is of the kind: the line is seen as far as its place, and no farther."""
    painted = dict(seeing.ground.goal.aligned())
    found = cuts(seeing)
    for cue in (one.cue for one in found):
        along = np.array([np.cos(cue.runs), np.sin(cue.runs)])
        either = [shows(seeing, cue.sighting.eye, cue.target + way * along)
                  for way in (-BESIDE, BESIDE)]  # fmt: skip
        assert sorted(either) == [False, True], cue.said
        if cue.what in painted:
            begin, end = painted[cue.what]
            assert np.linalg.norm(cue.target - begin) <= np.linalg.norm(end - begin)
            assert np.linalg.norm(cue.target - end) <= np.linalg.norm(end - begin)
    return found


@pytest.mark.parametrize("name", DOCKETS)
def test_a_line_shows_as_far_as_the_place_that_is_told_and_no_farther(name):
    for seeing in seeings(name):
        held_against_rays(seeing)


@pytest.mark.parametrize("name", CARS)
def test_all_the_way_into_a_bay_its_lines_go_under_where_rays_say(name):
    vehicle, seat = built(CARS[name])
    tried = 0
    for x in np.arange(-6.0, 3.0, 0.25):
        for turned in (0.0, 0.4, 0.9, 1.3):
            pose = np.array([x, -2.5 + turned, turned])
            ahead = np.array([np.cos(turned), np.sin(turned), 0.0])
            seeing = Seeing(vehicle=vehicle, ground=OPEN_BAY, seat=seat, watched=Watched(),
                            onward=lambda by, at=pose, way=ahead: at + by * way)  # fmt: skip
            tried += len(held_against_rays(seeing))
    assert tried > 20


def test_where_a_bay_has_nothing_but_its_lines_the_call_is_seen_on_one():
    """It was told as hidden by the body, to be counted from."""
    vehicle, seat = built(LINNET)
    made = scene(vehicle, seat, OPEN_BAY, methods()["Full-lock forward bay"].build())
    cue = sharpest(seeings_of(made)[1])
    assert (cue.kind, cue.what, cue.shows, cue.sharp) == (CUT, "near line", True, True)


def test_a_line_across_goes_under_the_sill_where_similar_triangles_put_it():
    # From the eye to the sill is (h - s) / h of the way to the ground behind it, so far ahead, too.
    sill, across = 0.5, 0.5
    part = (EYE[2] - sill) / EYE[2]
    line = np.array([(EYE[0] + across, -9.0), (EYE[0] + across, 9.0)])
    ((name, found),) = cut_sights(
        car(features=()), SEAT, lambda by: np.array([by, 0.0, 0.0]), line, ends=False, most=1.0
    )
    assert name == "window sill"
    assert found.sighting.x == pytest.approx(EYE[0] + across * part)
    # Nearer to the pane's front end than to its middle, half a metre ahead of the eye's place.
    assert found.sighting.feature == "lower front corner of the side glass"
    assert found.sighting.offset == pytest.approx(found.sighting.x - 2.0)
    np.testing.assert_allclose(found.ground[0], EYE[0] + across)
    # Rolled on by a metre it slides back by `part` of one; across one's view it crosses the sill
    # at the angle at which the ray lies aslant to both.
    ray = np.array([across * part, 0.8 - EYE[1], sill - EYE[2]])
    far = np.linalg.norm(ray)
    crossing = np.linalg.norm(np.cross(np.cross(ray, [0, 1, 0]), np.cross(ray, [1, 0, 0])))
    crossing /= np.linalg.norm(np.cross(ray, [0, 1, 0])) * np.linalg.norm(np.cross(ray, [1, 0, 0]))
    turned = part * np.linalg.norm(np.cross(ray, [1, 0, 0])) / far**2
    eye = ACUITY / (crossing * turned)
    assert found.sharpness.scatter == pytest.approx(np.hypot(eye, REACTION * CRAWL))
    # An eye so far ahead sees it go under as much later as it has moved on by.
    moved = found.moved(np.array([0.1, 0.0, 0.0]))
    assert moved(0.0) == pytest.approx(0.1 * (1 - part))
    assert moved(0.1) == pytest.approx(0.1 - 0.2 * part)


@pytest.mark.parametrize(
    ("thing", "call", "mark"),
    [("kerb", 1, "middle of the rear door glass's lower edge"),
     ("far kerb", 3, f"middle of the {BONNET}")],
)  # fmt: skip
def test_a_step_waits_for_an_edge_to_go_under_and_that_is_what_is_shown(thing, call, mark):
    made = docket_named("turn left")
    steps = list(made.method.steps)
    steps[call - 1] = replace(steps[call - 1], until=Seen(thing=thing, mark=mark))
    method = replace(made.method, steps=tuple(steps))
    cue = sharpest(seeings_of(replace(made, method=method))[call])
    assert (cue.kind, cue.what, cue.sighting.feature) == (CUT, thing, mark)
    assert cue.sighting.offset == pytest.approx(0.0, abs=0.002)
