"""Sight pictures: projection against another camera, hidden surfaces against rays, the cue."""

from dataclasses import replace

import numpy as np
import pytest
from faircorner.cues import film, make_plan, sights
from faircorner.cues.prepare import prepare
from faircorner.picture import HEIGHT, WIDTH, Camera, Viewer, place_of
from faircorner.picture.order import far_to_near
from faircorner.picture.surface import Solid
from faircorner.plane import to_body, to_site
from faircorner.sides import turned_in
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation
from shapely import LineString, Point, Polygon

from tests.core.pictured import DOCKETS, docket_named


@pytest.mark.parametrize(("bearing", "pitch"), [(0, 0), (40, -9), (-75, -20), (170, 5)])
def test_the_camera_is_the_pinhole_that_a_rotation_and_a_matrix_make(bearing, pitch):
    """x right, y down, z ahead; SciPy's rotations and the matrix of focal length and middle."""
    eye, focal = np.array([1.2, -0.4, 1.2]), 400.0
    camera = Camera(eye=eye, bearing=np.radians(bearing), pitch=np.radians(pitch), focal=focal)
    turn = Rotation.from_euler("ZY", [bearing, -pitch], degrees=True)
    to_camera = np.array([[0, -1, 0], [0, 0, -1], [1, 0, 0]]) @ turn.inv().as_matrix()
    matrix = np.array([[focal, 0, WIDTH / 2], [0, focal, HEIGHT / 2], [0, 0, 1]])
    rng = np.random.default_rng(3)
    places = eye + turn.apply(rng.uniform((1, -2, -2), (20, 2, 2), (50, 3)))
    seen = (matrix @ to_camera @ (places - eye).T).T
    np.testing.assert_allclose(camera.flat(places), seen[:, :2] / seen[:, 2:], atol=1e-9)


@pytest.mark.parametrize("name", DOCKETS)
def test_of_all_that_lies_behind_each_other_the_nearest_is_painted_last(name):
    """A ray through a point of the picture meets first what is painted there on top."""
    scene = docket_named(name)
    ready, _ = prepare(turned_in(scene.side, scene))
    # Without a body or mirrors of its own, which have been tried already.
    bare = replace(ready.vehicle, mirrors=(), roofline=np.empty((0, 2)))
    viewer = Viewer(bare, ready.seat, place_of(ready.ground))
    rng, tried = np.random.default_rng(11), 0
    for call in make_plan(scene).calls:
        pose = call.pose if scene.side == "left" else call.pose * [1, -1, -1]
        flat, solids = viewer.place.seen(pose)
        surfaces = [*flat, *(one for solid in solids for one in solid.surfaces)]
        for bearing in (70, 0, -60, 150):
            camera = Camera(eye=ready.seat.eye, bearing=np.radians(bearing), pitch=-0.15, focal=400)
            painted = [
                (one, Polygon(one.points).buffer(0)) for one in viewer.moving(pose, camera)[0]
            ]
            for spot in map(Point, rng.uniform((0, 0), (WIDTH, HEIGHT), (25, 2))):
                there = [one for one, shape in painted if shape.intersects(spot)]
                first = first_met(camera, spot.x, spot.y, surfaces)
                # On an edge either may be on top.
                sure = all(shape.exterior.distance(spot) > 1.5 for _, shape in painted
                           if shape.geom_type == "Polygon")  # fmt: skip
                if first is not None and sure:
                    tried += 1
                    assert there[-1].name == first.name, (bearing, spot, there[-1], first.kind)
    assert tried > 60


def first_met(camera, x, y, surfaces):
    """The surface that the ray through a point of the picture meets first."""
    right, up, ahead = camera._axes
    ray = ahead + right * (x - WIDTH / 2) / camera.focal + up * (HEIGHT / 2 - y) / camera.focal
    best, found = np.inf, None
    for one in surfaces:
        a, b, c = one.points[0], one.points[1], one.points[-1]
        normal = np.cross(b - a, c - a)
        along = normal @ ray
        if abs(along) < 1e-12 or (one.kind not in ("road", "land", "kerb top", "line", "kerb")
                                  and along > 0):  # fmt: skip
            continue
        far = normal @ (a - camera.eye) / along
        # What lies in one plane, a line on the road, is told by what was painted last.
        if not 0 < far <= best + 1e-6:
            continue
        hit = camera.eye + far * ray
        axes = [k for k in range(3) if k != int(np.abs(normal).argmax())]
        if Polygon(one.points[:, axes]).buffer(0).intersects(Point(hit[axes])):
            best, found = far, one
    return found


@pytest.mark.parametrize("name", DOCKETS)
def test_a_pictures_cue_is_where_the_numbers_say(name):
    """The eye, the point on the glass and what is seen there lie in line; in a mirror's picture
    it lies on the image.
    """
    scene = docket_named(name)
    shown = 0
    for spot in sights(scene, make_plan(scene).values).spots:
        if spot.picture is None:
            continue
        shown += 1
        marks, cue = spot.picture.marks, spot.cue
        assert 0 <= marks.spot[0] <= WIDTH
        assert 0 <= marks.spot[1] <= HEIGHT
        if spot.picture.glass is None:
            off = np.linalg.norm(marks.line - marks.spot, axis=1)
            assert len(off) == 0 or off.min() < 6
            seen = to_body(spot.pose, cue.target[None])[0] - cue.sighting.eye[:2]
            hit = np.array([cue.sighting.x, cue.sighting.y]) - cue.sighting.eye[:2]
            assert abs(seen[0] * hit[1] - seen[1] * hit[0]) < 1e-6
            continue
        line, spot_there = spot.picture.in_glass.line, spot.picture.in_glass.spot
        # Clipped at the rim, on which it may lie.
        assert len(line) == 0 or np.linalg.norm(line - spot_there, axis=1).min() < 8e-3
    assert shown


def test_with_the_kerb_on_the_right_every_picture_is_its_mirror_image():
    scene = docket_named("kerb right")
    other = scene.mirrored()
    mine, theirs = (sights(one, make_plan(one).values).spots for one in (scene, other))
    for here, there in zip(mine, theirs, strict=True):
        assert (here.picture is None) == (there.picture is None)
        if here.picture is None:
            continue
        for name in ("outside", "cabin", "hung"):
            pairs = zip(getattr(here.picture.view, name), getattr(there.picture.view, name),
                        strict=True)  # fmt: skip
            for one, two in pairs:
                np.testing.assert_allclose(one.points[:, 0], WIDTH - two.points[:, 0], atol=1e-6)
                np.testing.assert_allclose(one.points[:, 1], two.points[:, 1], atol=1e-6)
        np.testing.assert_allclose(
            here.picture.marks.spot, [WIDTH, 0] + there.picture.marks.spot * [-1, 1], atol=1e-6
        )


@pytest.mark.parametrize("name", ["kerb left", "corner right"])
def test_a_film_ends_with_the_last_stops_own_picture(name):
    scene = docket_named(name)
    values = make_plan(scene).values
    last = sights(scene, values).spots[-1]
    shown = film(scene, values, last.call)
    rolled = [frame.s for frame in shown.frames]
    assert rolled == sorted(rolled)
    assert rolled[0] == 0.0
    for one, two in zip(shown.frames[-1].outside, last.picture.view.outside, strict=True):
        assert (one.kind, one.name) == (two.kind, two.name)
        np.testing.assert_allclose(one.points, two.points, atol=1e-6)
    moved = [part.points for part in shown.frames[0].outside if part.kind == "kerb"]
    ended = [part.points for part in shown.frames[-1].outside if part.kind == "kerb"]
    assert len(moved) != len(ended) or any(
        len(a) != len(b) or np.abs(a - b).max() > 5 for a, b in zip(moved, ended, strict=True)
    )


@given(st.integers(0, 10_000))
def test_of_things_that_stand_apart_the_farther_is_painted_first_along_every_ray(seed):
    rng = np.random.default_rng(seed)
    boxes = []
    for x in range(4):
        for y in range(3):
            half, turn = rng.uniform(0.2, 1.2, 2), rng.uniform(0, np.pi)
            pose = np.array([4.0 * x, 4.0 * y, turn])
            footprint = to_site(pose, np.array([(-1, -1), (1, -1), (1, 1), (-1, 1)]) * half)
            boxes.append(Solid(footprint=footprint, surfaces=()))
    eye = np.array([-3.0, rng.uniform(-4, 12)])
    order = far_to_near(boxes, eye)
    for angle in np.linspace(-1.4, 1.4, 60):
        ray = LineString([eye, eye + 40 * np.array([np.cos(angle), np.sin(angle)])])
        met = [ray.intersection(Polygon(one.footprint)) for one in order]
        away = [one.distance(Point(eye)) for one in met if one.length > 1e-6]
        assert away == sorted(away, reverse=True)
