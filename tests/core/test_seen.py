"""Steps that wait for what is seen: at the call the thing stands at the mark, for that eye."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import Settings, follow, make_plan, sights
from faircorner.cues.calls import seeing_at
from faircorner.cues.cue_kinds import sharpest
from faircorner.cues.events import HORIZON, TYRES, Seen
from faircorner.cues.places import DASHBOARD, FLANK, OWN_EDGES
from faircorner.cues.sights import _driven
from faircorner.documents.library import methods
from faircorner.documents.method import MethodDocument
from faircorner.errors import InputError
from faircorner.plane import frozen, to_body, to_site
from faircorner.sides import turned_in
from faircorner.sight import BONNET, mirror_named, sight_line
from faircorner.vehicle import Feature
from shapely import LineString, Polygon

from tests.core.held import CARS, built
from tests.core.pictured import DOCKETS, docket_named
from tests.core.scenes import scene

SEEN = methods()["Seen-corner reverse park"]


def bearing(eye, place):
    return np.arctan2(place[1] - eye[1], place[0] - eye[0])


def lined_up(vehicle, seat, plan):
    """How far (rad) the nearest corner of the parked vehicle is from the mark, at call 1."""
    mark = max((f for f in vehicle.features if f.name == "rear door handle"), key=lambda f: f.y)
    place = np.array([mark.x, mark.y, mark.z])
    eye = seat.eye_toward(place)
    corners = to_body(plan.calls[0].pose, plan.ground.obstacles[0].polygon)
    off = [bearing(eye, corner) - bearing(eye, place) for corner in corners]
    return min(off, key=abs)


@pytest.fixture(scope="module")
def way():
    return SEEN.build()


@pytest.fixture(scope="module")
def plan(linnet, seat, quay, way, standard):
    return make_plan(scene(linnet, seat, quay, way, standard))


def test_at_the_call_the_corner_stands_at_the_mark(linnet, seat, plan):
    assert plan.feasible, str(plan.why_not)
    assert lined_up(linnet, seat, plan) == pytest.approx(0.0, abs=2e-3)
    assert plan.calls[0].cue.what == "corner of the parked vehicle"
    assert plan.calls[0].cue.sighting.feature == "rear door handle"


@pytest.mark.parametrize("car", CARS)
@pytest.mark.parametrize("side", ["left", "right"])
def test_what_is_waited_for_shows_and_is_no_corner_behind_the_thing_itself(car, side, seat, quay):
    """From the eye to the corner at the call no body stands in the way, apart from the sums."""
    vehicle, own = built(CARS[car])
    made = scene(vehicle, own, quay, SEEN.build())
    plan = make_plan(made if side == "left" else made.mirrored())
    call = plan.calls[0]
    parked = plan.ground.obstacles[0].polygon
    assert call.cue.shows
    # Through the glass, past the mark that it is waited for at, and not in a mirror.
    assert not call.cue.sighting.told.of_glass
    assert np.abs(parked - call.cue.target).sum(axis=1).min() < 1e-6
    eye = to_site(call.pose, call.cue.sighting.eye[None, :2])[0]
    assert LineString([eye, call.cue.target]).intersection(Polygon(parked)).length < 1e-3


def test_another_seat_turns_in_elsewhere(linnet, seat, quay, way, standard, plan):
    """The eye 10 cm further back sees the corner pass later: the car has rolled further back."""
    back = None if seat.looking_back is None else frozen(seat.looking_back - [0.1, 0, 0])
    other = replace(seat, eye=frozen(seat.eye - [0.1, 0, 0]), looking_back=back)
    theirs = make_plan(scene(linnet, other, quay, way, standard))
    assert theirs.feasible
    assert lined_up(linnet, other, theirs) == pytest.approx(0.0, abs=2e-3)
    assert theirs.calls[0].s - theirs.start[0] != pytest.approx(
        plan.calls[0].s - plan.start[0], abs=0.03
    )


def test_on_the_other_side_it_is_the_mirror(linnet, seat, quay, way, standard, plan):
    right = make_plan(scene(linnet.mirrored(), seat.mirrored(), quay.mirrored(), way, standard))
    np.testing.assert_allclose(right.track.poses, plan.track.poses * [1, -1, -1], atol=1e-9)


@pytest.mark.parametrize(
    ("change", "said"),
    [
        pytest.param({"mark": "ashtray"}, "ashtray", id="no such mark"),
        pytest.param({"thing": "lamp post"}, "corner of the parked vehicle", id="no such thing"),
    ],
)
def test_what_is_not_there_is_named_with_what_is(linnet, seat, quay, standard, change, said):
    body = SEEN.model_dump(by_alias=True, mode="json")
    body["steps"][0]["until"] |= change
    with pytest.raises(InputError, match=said) as caught:
        make_plan(scene(linnet, seat, quay, MethodDocument.read(body).build(), standard))
    assert caught.value.field.startswith("steps[0].until")


def test_without_an_eye_nothing_is_seen(linnet, quay, way):
    settings = Settings(unknowns=np.array([[0.9, 0.6, 1.0]]), gap=np.array([0.9]),
                        rate=np.array([2.0]), late=np.zeros((1, len(way.steps))))  # fmt: skip
    with pytest.raises(InputError, match="nobody's eye"):
        follow(linnet, quay, way, settings)


@pytest.mark.parametrize("name", DOCKETS)
def test_a_step_that_waits_for_a_cue_stops_where_that_stands_at_its_mark(name):
    """Every cue there is to choose, in glass or mirror, of a thing or an edge: waited for, seen.

    It is looked for where the car then stands, by the cue's own sums, not by those that drive.
    """
    made = docket_named(name)
    plan, tried, reflected = make_plan(made), 0, 0
    for spot in sights(made, plan.values).spots[1:-1]:
        for one in spot.candidates:
            seen = one.cue.sighting
            # One that never comes to its mark near the call is waited for somewhere else.
            if not abs(one.at_mark) < 0.45:
                continue
            through = seen.through if seen.told.of_glass else ""
            near = (seen.y > 0) == (made.side == "left")
            mark = seen.feature if through or near else f"off {seen.feature}"
            until = Seen(thing=one.cue.what, mark=mark, through=through)
            steps = list(made.method.steps)
            steps[spot.call - 1] = replace(steps[spot.call - 1], until=until)
            taught = replace(made, method=replace(made.method, steps=tuple(steps)))
            then = make_plan(taught).calls[spot.call - 1].cue
            if then.key != one.cue.key or not then.shows:
                continue
            tried += 1
            reflected += seen.told.of_glass
            assert abs(then.sighting.offset) < 0.003, one.cue.key
            assert then.said.code in (
                "thing passes",
                "thing stands",
                "edge runs",
                "edge goes under",
            )
    assert tried
    assert reflected or "turn" in name or "bay" in name


def test_what_no_ground_is_seen_past_and_what_is_not_there_is_refused(linnet, seat, quay, way):
    for field, until in (
        ("mark", Seen(thing="kerb", mark="high mark")),
        ("mark", Seen(thing="kerb", mark="mirror's other edge", through="near door mirror")),
        ("through", Seen(thing="kerb", mark="rear tyre", through="third mirror")),
        ("thing", Seen(thing="moon", mark="B-pillar")),
    ):
        marked = linnet.marked((Feature(name="high mark", x=1.5, y=0.9, z=1.6),), {})
        steps = (replace(way.steps[0], until=until), *way.steps[1:])
        with pytest.raises(InputError) as told:
            make_plan(scene(marked, seat, quay, replace(way, steps=steps)))
        assert told.value.field.endswith(field)


def test_near_and_off_mirrors_change_places_on_the_other_side(linnet, seat):
    near = mirror_named(linnet, "near door mirror")
    assert near.centre[1] > 0
    other = linnet.mirrored()
    assert mirror_named(other, "off door mirror").name == near.name


def driven_to(made, values, until):
    """Every call that a step of a docket can come to by waiting for this, and the driver there."""
    for call in range(1, len(made.method.steps) + 1):
        steps = list(made.method.steps)
        steps[call - 1] = replace(steps[call - 1], until=until)
        method = replace(made.method, steps=tuple(steps))
        ready, driven = _driven(replace(made, method=method), values)
        begins = driven.followed.begins(call - 1)[0]
        if driven.followed.reached[0, call - 1] and driven.followed.ends[0, call - 1] > begins:
            yield seeing_at(ready, driven, call)


@pytest.mark.parametrize("name", ["kerb left", "kerb right", "turn left", "turn right"])
def test_a_step_waits_for_an_edge_to_run_parallel_or_to_lead_somewhere(name):
    """The heading is then what either asks for, and the cue that is proposed is this one."""
    made = turned_in(docket_named(name).side, docket_named(name))
    values, shown = make_plan(made).values, set()
    for until in (
        Seen(thing="kerb", mark=FLANK, through="near door mirror"),
        Seen(thing="kerb", mark=DASHBOARD),
        Seen(thing="kerb", mark="middle of the windscreen", part=HORIZON),
        Seen(thing="kerb", mark="off C-pillar", part=HORIZON),
    ):
        came = list(driven_to(made, values, until))
        for seeing in came:
            (kerb,) = (k for k in seeing.ground.kerblines if k.name == "kerb")
            turned = float(kerb.frame[2] - seeing.pose[2])
            if until.part:
                line = sight_line(seeing.vehicle, seeing.seat, until.mark, "")
                turned -= np.arctan2(line.way[1], line.way[0])
                # As far off as the kerb is seen, the place it is seen from is next to nothing.
                assert abs(np.sin(turned)) < 0.05
            else:
                assert np.sin(turned + OWN_EDGES[until.mark]) == pytest.approx(0, abs=2e-4)
            cue = sharpest(seeing)
            own = until.mark.removeprefix("off ")
            if cue and (cue.part, cue.sighting.feature) == (until.part, own) and cue.shows:
                shown.add(until.mark)
                # Above or below its mark on a raked glass it is told beside it by so little.
                assert cue.sighting.offset == pytest.approx(0.0, abs=0.01)
    assert shown


def test_a_step_waits_for_the_feet_of_the_tyres_of_what_is_parked_ahead(linnet, seat, quay, way):
    until = Seen(thing="parked ahead", mark=BONNET, part=TYRES)
    made = scene(linnet, seat, quay, way)
    parked = quay.obstacles[0]
    assert parked.name == until.thing
    (seeing, *_) = driven_to(made, make_plan(made).values, until)
    ahead = sight_line(linnet, seat, BONNET, "").ground
    x = to_site(seeing.pose, ahead[None])[0, 0]
    assert x == pytest.approx(parked.polygon[:, 0].min() + 0.75, abs=0.003)
