"""Setting mirrors: in the glass, what it is there for stands where it should."""

import numpy as np
import pytest
from faircorner.documents.usual import BODY_SHAPES, UsualRequest, more_mirrors, usual_vehicle
from faircorner.documents.vehicle import VehicleDocument
from faircorner.ground import Stretch, lay_road
from faircorner.picture import Viewer, place_of
from faircorner.plane import frozen
from faircorner.sight import Looker, Seat, bisecting, images, mirrors_set, showing
from faircorner.sight.reflect import reflections
from faircorner.sight.setting import SKY, STRIP, shown_by
from faircorner.vehicle import Mirror
from hypothesis import given
from hypothesis import strategies as st
from shapely import Point, Polygon

SQUARE = frozen([(-0.08, -0.06), (0.08, -0.06), (0.08, 0.06), (-0.08, 0.06)])


def seated(shape, driver, eye):
    body = usual_vehicle(UsualRequest(name="New", shape=shape, driver=driver))
    vehicle = VehicleDocument.read(body).build()
    return mirrors_set(vehicle, Seat(name="one", eye=frozen(eye(vehicle))))


def on_glass(mirror, eye, place):
    off = images(mirror, eye, place[None])[0] - mirror.centre
    return off @ mirror.across, off @ mirror.up


@pytest.mark.parametrize("shape", BODY_SHAPES)
@pytest.mark.parametrize("driver", ["left", "right"])
def test_the_flanks_end_stands_a_sixth_inside_and_the_sky_takes_its_share(shape, driver):
    side = 1 if driver == "left" else -1

    def eye_of(vehicle):
        return vehicle.nose - 1.9, side * 0.4, 1.9

    vehicle = seated(shape, driver, eye_of)
    flanks = [mirror for mirror in vehicle.mirrors if mirror.set_for == "flank"]
    assert len(flanks) == 2
    for mirror in flanks:
        on = 1 if mirror.centre[1] > 0 else -1
        end = np.array([-vehicle.rear_overhang, on * vehicle.width / 2, mirror.centre[2]])
        across, up = on_glass(mirror, np.array(eye_of(vehicle)), end)
        wide, high = np.ptp(mirror.outline, axis=0)
        # As one faces the glass on the left flank, the vehicle is to the right.
        assert across == pytest.approx(on * (0.5 - STRIP) * wide, abs=1e-6)
        assert up == pytest.approx((0.5 - SKY) * high, abs=1e-6)


@given(
    st.floats(0.3, 3.0), st.floats(-0.05, 0.05), st.floats(-0.05, 0.05), st.floats(2, 20),
    st.floats(-3, 3),
)  # fmt: skip
def test_a_glass_is_turned_so_that_a_place_shows_at_any_point_of_it(radius, across, up, off, y):
    centre, eye, place = (
        np.array([1.9, 0.9, 1.0]),
        np.array([1.2, -0.37, 1.2]),
        np.array([-off, y, 0.3]),
    )
    for curved in (radius, None):
        mirror = Mirror(name="m", centre=centre, aim=bisecting(centre, eye, place), radius=curved,
                        outline=SQUARE)  # fmt: skip
        aim = showing(mirror, eye, place, (across, up))
        turned = Mirror(name="m", centre=centre, aim=aim, radius=curved, outline=SQUARE)
        assert on_glass(turned, eye, place) == pytest.approx((across, up), abs=1e-6)


def test_a_mirror_without_a_use_is_left_as_it_was_measured_and_setting_knows_no_side():
    vehicle = seated("saloon", "right", lambda v: (1.25, -0.37, 1.2))
    fixed = [m for m in vehicle.mirrors if m.set_for is None]
    assert fixed == []
    other = mirrors_set(vehicle.mirrored(), Seat(name="one", eye=frozen((1.25, 0.37, 1.2))))
    for mine, theirs in zip(vehicle.mirrors, other.mirrors, strict=True):
        np.testing.assert_allclose(theirs.aim, mine.aim * [1, -1, 1], atol=1e-9)
    # Another driver's eye, another aim; a mirror that is not set by the driver stays.
    taller = mirrors_set(vehicle, Seat(name="two", eye=frozen((1.2, -0.37, 1.3))))
    assert all(
        np.abs(a.aim - b.aim).max() > 1e-3
        for a, b in zip(vehicle.mirrors, taller.mirrors, strict=True)
    )


def rim(mirror, out):
    """Where a glass ends, so many times its half width out from its middle, and its normal."""
    off = out * np.ptp(mirror.outline[:, 0]) / 2 * (-1 if mirror.centre[1] > 0 else 1)
    sunk = mirror.radius - np.sqrt(mirror.radius**2 - off**2)
    place = mirror.centre + off * mirror.across - sunk * mirror.aim
    return place, (place - mirror.centre) / mirror.radius + mirror.aim


@pytest.mark.parametrize("driver", ["left", "right"])
@pytest.mark.parametrize("shape", ["saloon", "SUV", "van", "rigid", "bus"])
def test_what_is_stuck_to_a_glass_turns_with_it_and_what_is_added_shows_what_it_is_for(
    shape, driver
):
    side = 1.0 if driver == "left" else -1.0
    document = VehicleDocument.read(
        usual_vehicle(UsualRequest(name="New", shape=shape, driver=driver))
    )
    heavy = document.kind != "car"
    more = more_mirrors(document.build(), heavy=heavy, kerb=-side)
    added = {one["name"] for one in more}
    assert {"left spot mirror", "right spot mirror"} <= added
    assert ("left aspheric strip" in added) != heavy
    body = document.model_dump(by_alias=True, mode="json")
    vehicle = VehicleDocument.read({**body, "mirrors": [*body["mirrors"], *more]}).build()
    assert more_mirrors(vehicle, heavy=heavy, kerb=-side) == []
    eye = np.array([vehicle.nose - 1.7, side * 0.5, 1.4 if not heavy else 2.3])
    ready = mirrors_set(vehicle, Seat(name="one", eye=frozen(eye)))
    made = {mirror.name: mirror for mirror in ready.mirrors}
    for mirror in (made[name] for name in added):
        main = made.get(mirror.on)
        if "strip" in mirror.name:
            assert np.abs(main.aim - vehicle.mirrors[1].aim).max() > 1e-3
            for of_main, of_strip in zip(rim(main, 1), rim(mirror, -1), strict=True):
                np.testing.assert_allclose(of_strip, of_main, atol=0.004)
            continue
        place = shown_by(mirror.set_for, mirror.centre, vehicle.width / 2,
                         -vehicle.rear_overhang, vehicle.nose)  # fmt: skip
        assert on_glass(mirror, eye, place) == pytest.approx((0, 0), abs=1e-6)
        if main is not None:
            # In the outer lower corner, just before the other glass.
            off = mirror.centre - main.centre
            on = 1 if main.centre[1] > 0 else -1
            assert 0 < off @ main.aim < 0.01
            assert off @ main.up < 0 > off @ main.across * on


def test_a_spot_mirror_hides_what_the_glass_under_it_would_show():
    document = VehicleDocument.read(usual_vehicle(UsualRequest(name="New", shape="saloon",
                                                               driver="right")))  # fmt: skip
    plain, eye = document.build(), np.array([1.5, -0.4, 1.2])
    (spot,) = (one for one in more_mirrors(plain, heavy=False, kerb=1.0)
               if one["name"] == "left spot mirror")  # fmt: skip
    # Lower than usual, right over the corner of the other.
    spot["centre"]["z_m"] -= 0.01
    body = document.model_dump(by_alias=True, mode="json")
    stuck = VehicleDocument.read({**body, "mirrors": [spot, *body["mirrors"]]}).build()
    seat = Seat(name="one", eye=frozen(eye))
    with_it, without = ({m.name: m for m in mirrors_set(v, seat).mirrors} for v in (stuck, plain))
    main = with_it["left door mirror"]
    middle = main.on_glass(with_it["left spot mirror"].centre[None])[0]
    rng = np.random.default_rng(5)
    places = rng.uniform((-12, 0.9, 0.0), (-1, 5, 1.5), (3000, 3))
    was = reflections(without["left door mirror"], eye, places)
    away = np.hypot(*(main.on_glass(was) - middle).T)
    there, shown = ~np.isnan(was[:, 0]), ~np.isnan(reflections(main, eye, places)[:, 0])
    # The glass is round but for its corners, and a hand's breadth of them would be far more.
    assert (there & (away < 0.024)).sum() > 20 < (there & (away > 0.026)).sum()
    assert not shown[there & (away < 0.024)].any()
    assert shown[there & (away > 0.026)].all()
    for vehicle, corner in ((plain, True), (stuck, False)):
        ready = mirrors_set(vehicle, seat)
        looker = Looker(ready, next(m for m in ready.mirrors if m.name == main.name), eye)
        assert ("mirror's lower outer corner" in {m.name for m in looker.marks}) == corner
    # In the picture it is there with what it shows, over what the glass under it would.
    pose = np.array([0.0, -1.6, 0.0])
    viewer = Viewer(mirrors_set(stuck, seat), seat, place_of(lay_road("stretch", Stretch())))
    parts = viewer.glass(pose, main).parts
    at = next(i for i, part in enumerate(parts) if part.name == "left spot mirror")
    assert [part.kind for part in parts[at : at + 2]] == ["mirror case", "mirror sky"]
    assert len(parts) > at + 3
    disc = Point(middle).buffer(0.02)
    assert not any(Polygon(part.points).buffer(0).intersects(disc) for part in parts[:at])
