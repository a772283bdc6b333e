"""Mirrors: by similar triangles, by the shortest path, and by what the body hides."""

import json

import numpy as np
import pytest
from faircorner.commands.sight import answer
from faircorner.documents.samples import LINNET, seat_document, vehicle_document
from faircorner.errors import InputError
from faircorner.plane import to_site
from faircorner.sight.reflect import reflections
from faircorner.vehicle import Mirror
from scipy.optimize import minimize

WIDE = [[-0.3, -0.3], [0.3, -0.3], [0.3, 0.3], [-0.3, 0.3]]


def mirror(aim=(-1.0, 0.0, 0.0), radius=None, outline=WIDE, centre=(2.0, 0.9, 1.0)):
    unit = np.asarray(aim) / np.linalg.norm(aim)
    return Mirror(name="left", centre=centre, aim=unit, radius=radius, outline=outline)


def seen(glass, eye, place):
    return reflections(glass, np.asarray(eye, float), np.asarray([place], float))[0]


def test_a_flat_mirror_shows_a_place_where_similar_triangles_do():
    """The eye 0.5 m before the glass, the place 4.5 m: a tenth of the way across."""
    hit = seen(mirror(), (1.5, 0.9, 1.1), (-2.5, 1.9, 0.1))
    np.testing.assert_allclose(hit, (2.0, 1.0, 1.0), atol=1e-12)
    assert np.isnan(seen(mirror(), (1.5, 0.9, 1.1), (2.5, 1.9, 0.1))).all(), "behind the glass"
    assert np.isnan(seen(mirror(), (2.5, 0.9, 1.1), (-2.5, 1.9, 0.1))).all(), "eye behind it"
    narrow = mirror(outline=[[-0.3, -0.3], [0.05, -0.3], [0.05, 0.3], [-0.3, 0.3]])
    # Across runs to the right of who faces the glass, which is away from the left side.
    assert np.isnan(seen(narrow, (1.5, 0.9, 1.1), (-2.5, 0.3, 0.1))).all()
    assert not np.isnan(seen(narrow, (1.5, 0.9, 1.1), (-2.5, 1.9, 0.1))).any()


@pytest.mark.parametrize("seed", range(24))
def test_a_convex_mirror_shows_a_place_by_the_shortest_path(seed):
    rng = np.random.default_rng(seed)
    radius = float(rng.choice([0.3, 1.2, 2.0]))
    half = min(0.3, 0.6 * radius)
    square = [[-half, -half], [half, -half], [half, half], [-half, half]]
    aim = (-1.0, rng.uniform(-0.5, 0.5), rng.uniform(-0.4, 0.2))
    glass = mirror(aim=aim, radius=radius, outline=square)
    eye = glass.centre + 0.8 * glass.aim + rng.normal(0, 0.25, 3)
    place = glass.centre + rng.uniform(1, 12) * glass.aim + rng.normal(0, 1.5, 3)
    hit = seen(glass, eye, place)
    middle = glass.centre - radius * glass.aim

    def path(angles):
        around, out = angles
        point = middle + radius * (
            np.cos(out) * glass.aim
            + np.sin(out) * (np.cos(around) * glass.across + np.sin(around) * glass.up)
        )
        return np.linalg.norm(eye - point) + np.linalg.norm(place - point), point

    starts = [(around, 0.2) for around in np.linspace(0, 5, 6)]
    best = min((minimize(lambda a: path(a)[0], start, method="Nelder-Mead",
                         options={"xatol": 1e-9, "fatol": 1e-14, "maxiter": 4000})
                for start in starts), key=lambda found: found.fun)  # fmt: skip
    point = path(best.x)[1]
    off = point - glass.centre
    if max(abs(off @ glass.across), abs(off @ glass.up)) < half:
        np.testing.assert_allclose(hit, point, atol=2e-6)
    else:
        assert np.isnan(hit).all()


def test_a_very_wide_sphere_is_nearly_flat():
    eye, place = (1.4, 0.8, 1.1), (-6.0, 1.4, 0.3)
    flat = seen(mirror(), eye, place)
    nearly = [seen(mirror(radius=r), eye, place) for r in (5.0, 10.0, 20.0)]
    off = [np.linalg.norm(hit - flat) for hit in nearly]
    assert off == sorted(off, reverse=True)
    assert off[1] == pytest.approx(2 * off[2], rel=0.08)


def test_what_only_grazes_the_sphere_from_beyond_is_in_its_shadow():
    ball = mirror(radius=0.5)
    assert np.isnan(seen(ball, (1.5, 0.9, 1.0), (8.0, 0.9, 1.0))).all()


def test_a_mirror_in_a_mirror_shows_the_mirror_image():
    glass, eye, place = mirror(aim=(-1.0, -0.2, -0.1), radius=1.4), (1.2, 0.4, 1.2), (-3, 1.6, 0.2)
    flip = np.array([1.0, -1.0, 1.0])
    lopsided = mirror(aim=(-1.0, -0.2, -0.1), radius=1.4,
                      outline=[[-0.3, -0.3], [0.3, -0.3], [-0.3, 0.3]])  # fmt: skip
    for one in (glass, lopsided):
        here = seen(one, eye, place)
        there = seen(one.mirrored(), eye * flip, np.array(place) * flip)
        np.testing.assert_allclose(there, here * flip, atol=1e-12)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"aim": {"x": -2.0, "y": 0.0, "z": 0.0}}, "aim"),
        ({"radius_m": 0.01}, "radius_m"),
        ({"outline_m": [[0, 0], [0.1, 0], [0.05, 0]]}, "outline_m"),
        ({"outline_m": [[0, 0], [3.0, 0], [0.0, 2.0]]}, "outline_m"),
        ({"colour": 1}, "colour"),
    ],
)
def test_a_mirror_that_cannot_be_names_its_field(change, field):
    asked = request([("anything", 1.0, 2.0, 0.0)])
    asked["vehicle"]["mirrors"][0] |= change
    with pytest.raises(InputError) as refused:
        answer(asked)
    assert refused.value.field == f"vehicle.mirrors[0].{field}"


DOOR, INSIDE = (1.95, -0.96, 1.0), (1.7, 0.0, 1.25)
BESIDE, BEHIND = (-6.0, -2.6, 0.9), (-15.0, 0.2, 0.9)


def bisecting(centre, place):
    """How a glass is set that shows a place in its middle to the driver."""
    eye = np.array(list(seat_document(LINNET, "seat", back=0.0, height=1.2)["eye"].values()))
    ways = [np.asarray(one) - centre for one in (eye, place)]
    aim = sum(way / np.linalg.norm(way) for way in ways)
    return dict(zip("xyz", map(float, aim / np.linalg.norm(aim)), strict=True))


def request(targets=(), pose=(0.0, 0.0, 0.0)):
    """The hatchback with a door mirror on the driver's side, and one inside."""
    vehicle = json.loads(json.dumps(vehicle_document(LINNET)))
    side = [[-0.08, -0.06], [0.08, -0.06], [0.08, 0.06], [-0.08, 0.06]]
    vehicle["mirrors"] = [
        {"name": "right mirror", "centre": dict(zip(("x_m", "y_m", "z_m"), DOOR, strict=True)),
         "aim": bisecting(DOOR, BESIDE), "radius_m": 1.2, "outline_m": side},
        {"name": "interior mirror", "centre": dict(zip(("x_m", "y_m", "z_m"), INSIDE, strict=True)),
         "aim": bisecting(INSIDE, BEHIND), "radius_m": None,
         "outline_m": [[-0.12, -0.03], [0.12, -0.03], [0.12, 0.03], [-0.12, 0.03]]},
    ]  # fmt: skip
    x, y, heading = pose
    return {
        "vehicle": vehicle, "seat": seat_document(LINNET, "seat", back=0.0, height=1.2),
        "pose": {"x_m": x, "y_m": y, "heading_deg": float(np.degrees(heading))},
        "targets": [dict(zip(("name", "x_m", "y_m", "z_m"), one, strict=True)) for one in targets],
    }  # fmt: skip


def found(asked):
    told = answer(asked)
    by = {}
    for one in told["sights"]:
        by.setdefault(one["target"], set()).add((one["through"], one["kind"], one["eye"]))
    return by, told["hidden"]


def test_every_pane_and_mirror_that_shows_a_target_is_told():
    assert seat_document(LINNET, "seat", back=0.0, height=1.2)["eye"]["y_m"] < 0
    targets = [
        ("ahead", 20.0, 0.3, 1.0), ("beside and behind", *BESIDE), ("behind", *BEHIND),
        ("other side, low", 0.5, 1.2, 0.05), ("under the floor", 1.0, 0.3, 0.0),
    ]  # fmt: skip
    by, hidden = found(request(targets))
    assert {kind for _, kind, _ in by["ahead"]} == {"pane"}
    assert ("right mirror", "mirror", "forward") in by["beside and behind"]
    assert by["behind"] == {
        ("rear window", "pane", "back"), ("interior mirror", "mirror", "forward"),
    }  # fmt: skip
    # Set by the eye that faces forward, it shows there what it was set to.
    (inside,) = (one["hit"] for one in answer(request(targets))["sights"]
                 if (one["target"], one["kind"]) == ("behind", "mirror"))  # fmt: skip
    assert tuple(inside.values()) == pytest.approx(INSIDE, abs=1e-4)
    assert hidden == ["other side, low", "under the floor"]


def test_the_own_flank_hides_what_lies_behind_it_from_a_door_mirror():
    """The glass is set to it, but the light would come through the body."""
    for y, shows in ((-1.3, True), (2.5, False)):
        place = (-9.0, y, 0.8)
        asked = request([("behind", *place)])
        door = asked["vehicle"]["mirrors"][0]
        door["aim"] = bisecting(DOOR, place)
        by, _ = found(asked)
        told = ("right mirror", "mirror", "forward") in by.get("behind", ())
        assert told == shows


def test_without_any_glass_measured_a_mirror_shows_what_its_own_flank_lets_pass():
    asked = request([("beside", *BESIDE), ("behind on the left", -9.0, 2.5, 0.8)])
    asked["vehicle"]["glass"] = []
    by, hidden = found(asked)
    assert by == {"beside": {("right mirror", "mirror", "forward")}}
    assert hidden == ["behind on the left"]


def test_it_shows_the_same_wherever_the_vehicle_stands():
    places = np.array([[-6.0, -2.6], [20.0, 0.3], [-15.0, 0.2]])
    pose = np.array([12.0, -7.0, 2.1])
    here = answer(request([(f"t{i}", *map(float, p), 0.9) for i, p in enumerate(places)]))
    moved = to_site(pose, places)
    there = answer(request([(f"t{i}", *map(float, p), 0.9) for i, p in enumerate(moved)], pose))
    assert here["sights"] != []
    assert [(s["target"], s["through"]) for s in here["sights"]] == [
        (s["target"], s["through"]) for s in there["sights"]
    ]
    for one, other in zip(here["sights"], there["sights"], strict=True):
        assert list(one["hit"].values()) == pytest.approx(list(other["hit"].values()), abs=2e-5)
