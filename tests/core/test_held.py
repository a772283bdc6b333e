"""What is held along an edge: it stands still on the line, and moves as told off it."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import make_plan, sights
from faircorner.cues.cue_kinds import candidates
from faircorner.cues.held import _across, held_along
from faircorner.cues.sights import _driven
from faircorner.documents.library import house_standard, methods
from faircorner.ground import Stretch, lay_road
from faircorner.picture import Viewer, place_of
from faircorner.sides import turned_in

from tests.core.pictured import docket_named
from tests.core.scenes import scene

METHODS = ("Reverse along the kerb", "Pull up opposite and reverse")


def along_a_kerb(name, side):
    car = docket_named(f"kerb {side}")
    ground = lay_road("stretch", Stretch())
    return scene(car.vehicle, car.seat, ground if side == "left" else ground.mirrored(),
                 methods()[name].build(), house_standard("stretch").build())  # fmt: skip


@pytest.mark.parametrize("side", ["left", "right"])
@pytest.mark.parametrize("name", METHODS)
def test_what_is_held_stands_still_on_the_line_and_moves_off_it_as_told(name, side):
    """Looked for anew wherever the vehicle is, and with the whole of it set off its line."""
    made = along_a_kerb(name, side)
    values = make_plan(made).values
    stretches = sights(made, values).held
    assert stretches
    ready, driven = _driven(turned_in(made.side, made), values)
    edges = {edge.name: edge for edge in ready.ground.kerblines}
    viewer = Viewer(ready.vehicle, ready.seat, place_of(ready.ground))
    rolled, poses = driven.track.s[0], driven.track.poses[0]
    for one, turned in zip(stretches, held_along(ready, driven, viewer), strict=True):
        assert one.end - one.begin >= 1.0
        key, still, edge = turned.cue.key, 0.05, edges[turned.cue.what]
        if turned.cue.sighting.told.of_glass:
            still = 0.008
        at = np.linspace(one.begin, one.end, 5)
        for pose in poses[np.searchsorted(rolled, at).clip(0, len(poses) - 1)]:
            there = {c.cue.key: c.cue for c in candidates(_across(ready, pose, edge))}[key]
            assert there.sighting.offset == pytest.approx(turned.cue.sighting.offset, abs=still)
        middle = poses[np.searchsorted(rolled, (one.begin + one.end) / 2)]
        away = np.array([np.sin(middle[2]), -np.cos(middle[2]), 0.0])
        for by, moved in ((0.10, turned.out), (-0.10, turned.back)):
            seen = {c.cue.key: c.cue for c in candidates(_across(ready, middle + by * away, edge))}[
                key
            ]
            offset = turned.cue.sighting.offset + moved
            assert seen.sighting.offset == pytest.approx(offset, abs=0.1 * abs(moved) + 0.001)
        # What is pictured is that very cue, where it stands in the middle of the stretch.
        marks = turned.picture.in_glass or turned.picture.marks
        assert np.linalg.norm(marks.line - marks.spot, axis=1).min() < 25 * (
            1 if turned.picture.in_glass is None else 0.001
        )
        # Both ways it moves to different sides, and what the eye can tell comes before it is far.
        assert turned.out * turned.back < 0
        assert 0.01 < one.off <= 0.20
        hold, out, back = (str(said) for said in one.said)
        assert "Hold it there" in hold
        assert "toward the kerb" in out
        assert "away from it" in back


def test_kerb_left_and_right_hold_the_same():
    left = along_a_kerb("Reverse along the kerb", "left")
    right = replace(left.mirrored(), method=left.method)
    mine, theirs = (sights(one, make_plan(one).values).held for one in (left, right))
    assert [str(s) for one in mine for s in one.said[1:]] == [
        str(s) for one in theirs for s in one.said[1:]
    ]


def test_where_nothing_is_driven_along_nothing_is_held():
    turn = docket_named("turn left")
    assert sights(turn, make_plan(turn).values).held == ()
    assert sights(replace(turn, seat=None), make_plan(turn).values).held == ()
