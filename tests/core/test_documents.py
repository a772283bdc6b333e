"""Documents: what goes in comes out, and what cannot be names its field and the fix."""

import copy
import json
from contextlib import suppress
from pathlib import Path

import numpy as np
import pytest
from faircorner.cues.events import EVENTS, EventModel
from faircorner.documents.driving import DriveRequest, drive_document
from faircorner.documents.ground import GroundDocument, ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.reading import FORMATS, accepted, json_schema, read_document
from faircorner.documents.samples import (
    HERON,
    LINNET,
    PLOVER,
    SORREL,
    seat_document,
    vehicle_document,
)
from faircorner.documents.upgrades import upgraded
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.errors import InputError
from faircorner.ground import lay_kerb, measures, with_behind
from faircorner.vocabulary import vocabulary
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter

CARS = [LINNET, HERON, SORREL, PLOVER]


def samples():
    method = next(iter(methods().values()))
    return {
        "vehicle": vehicle_document(LINNET),
        "seat": seat_document(LINNET, "seat", back=0.0, height=1.2),
        "ground": ground_document(with_behind(lay_kerb("quay"), 7.0)),
        "method": method.model_dump(by_alias=True, mode="json"),
        "standard": house_standard().model_dump(by_alias=True, mode="json"),
    }


def put(document, path, value):
    """The same document with one value replaced; path parts are names and indices."""
    changed = copy.deepcopy(document)
    inner = changed
    for part in path[:-1]:
        inner = inner[part]
    inner[path[-1]] = value
    return changed


@pytest.mark.parametrize("kind", FORMATS)
def test_every_kind_reads_what_it_writes(kind):
    body = samples()[kind]
    once = read_document(kind, body).model_dump(by_alias=True, mode="json")
    again = read_document(kind, json.loads(json.dumps(once)))
    assert again.model_dump(by_alias=True, mode="json") == once


@pytest.mark.parametrize("kind", FORMATS)
def test_schemas_name_each_field_that_a_sample_has(kind):
    schema = json_schema(kind)
    assert set(samples()[kind]) <= set(schema["properties"])
    assert set(schema["required"]) <= set(samples()[kind])
    assert schema["additionalProperties"] is False


@pytest.mark.parametrize("kind", FORMATS)
def test_the_format_line_says_which_kind_and_version(kind):
    body = samples()[kind]
    version = 2 if kind == "vehicle" else 1
    assert body["format"] == f"fair-corner/{kind}@{version}"
    with pytest.raises(InputError, match="format"):
        read_document(kind, {**body, "format": f"fair-corner/{kind}@99"})


def required_fields():
    return [
        pytest.param(kind, body, field, id=f"{kind} without {field}")
        for kind, body in samples().items()
        for field in json_schema(kind)["required"]
    ]


@pytest.mark.parametrize(("kind", "body", "field"), required_fields())
def test_a_missing_field_is_named(kind, body, field):
    with pytest.raises(InputError) as caught:
        read_document(kind, {k: v for k, v in body.items() if k != field})
    assert caught.value.field == field
    assert "missing" in caught.value.problem


WRONG = [
    ("vehicle", ["length_m"], 2.0, "length_m", "bumper to bumper"),
    ("vehicle", ["length_m"], float("nan"), "length_m", "finite"),
    ("vehicle", ["length_m"], float("inf"), "length_m", "finite"),
    ("vehicle", ["length_m"], "4.07", "length_m", "must be a number"),
    ("vehicle", ["length_m"], True, "length_m", "must be a number"),
    ("vehicle", ["width_m"], 9.0, "width_m", "between"),
    ("vehicle", ["wheelbase_m"], -2.5, "wheelbase_m", "more than 0 m"),
    ("vehicle", ["mirror_width_m"], 1.6, "mirror_width_m", "over both mirrors"),
    ("vehicle", ["track_front_m"], 2.4, "track_front_m", "between tyre centres"),
    ("vehicle", ["corner_cut_m"], 0.9, "corner_cut_m", "between"),
    ("vehicle", ["name"], "", "name", ""),
    ("vehicle", ["class"], "hovercraft", "class", ""),
    ("vehicle", ["steering", "lock_turns"], 0, "steering.lock_turns", "0.2 to 10"),
    ("vehicle", ["steering", "kerb_circle_m"], 5.0, "steering.kerb_circle_m", "diameter"),
    ("vehicle", ["steering", "circles"], [{"turns": 0.7, "kerb_circle_m": 9.0}],
     "steering.kerb_circle_m", "measure again"),
    ("vehicle", ["steering", "circles"], [{"turns": 2.7, "kerb_circle_m": 19.0}],
     "steering.circles[0].turns", "lock"),
    ("vehicle", ["features", 0, "x_m"], None, "features[0].x_m", "must be a number"),
    ("vehicle", ["glass", 1, "polygon_m"], [[0, 0, 0], [1, 0, 0]], "glass[1].polygon_m", ""),
    ("vehicle", ["glass", 0, "polygon_m", 0, 2], 99.0, "glass[0].polygon_m", "plane"),
    ("seat", ["eye", "z_m"], 0.1, "eye.z_m", "0.5"),
    ("seat", ["eye", "y_m"], 3.0, "eye.y_m", "inside the cab"),
    ("ground", ["side"], "middle", "side", ""),
    ("ground", ["road_width_m"], 2.0, "road_width_m", "between"),
    ("ground", ["goal", "ahead"], "nobody", "goal.ahead", "no obstacle is called"),
    ("ground", ["goal", "kerb_m"], 4.0, "goal.kerb_m", "between"),
    ("ground", ["obstacles", 0, "height_m"], 40.0, "obstacles[0].height_m", "between"),
    ("ground", ["obstacles", 0, "polygon_m"], [[0, 0], [4, 0], [1, 1], [0, 4]],
     "obstacles[0].polygon_m", "convex"),
    ("ground", ["obstacles", 1, "name"], "parked ahead", "obstacles", "name of its own"),
    ("ground", ["edges", 0, "points_m"], [[0, 0]], "edges[0].points_m", ""),
    ("method", ["steps"], [], "steps", ""),
    ("method", ["steps", 1, "wheel", "of_lock"], 1.5, "steps[1].wheel", "above 0"),
    ("method", ["steps", 1, "gear"], "neutral", "steps[1].gear", ""),
    ("method", ["steps", 0, "until", "kind"], "whenever", "steps[0].until", ""),
    ("standard", ["dated"], "last year", "dated", ""),
    ("standard", ["small_allowed"], -1, "small_allowed", "between"),
    ("standard", ["limits", 0, "small"], [0.5, 0.1], "limits[0]", "above high"),
    ("standard", ["limits", 0, "serious"], [0.2, 0.6], "limits[0]", "milder"),
    ("standard", ["limits", 1, "measure"], "kerb_front_m", "limits[1].measure", "already"),
]  # fmt: skip


@pytest.mark.parametrize(
    ("kind", "path", "value", "field", "fix"),
    [
        pytest.param(*row, id=f"{row[0]} {'.'.join(map(str, row[1]))} = {row[2]!r:.30}")
        for row in WRONG
    ],
)
def test_a_wrong_value_names_its_field_and_the_fix(kind, path, value, field, fix):
    with pytest.raises(InputError) as caught:
        read_document(kind, put(samples()[kind], path, value))
    assert caught.value.field.startswith(field)
    assert fix in caught.value.problem
    assert "\n" not in str(caught.value)


@pytest.mark.parametrize("kind", FORMATS)
@pytest.mark.parametrize("junk", [None, [], "text", 7, {}], ids=repr)
def test_what_is_no_document_at_all_is_refused(kind, junk):
    with pytest.raises(InputError):
        read_document(kind, junk)


@pytest.mark.parametrize("kind", FORMATS)
def test_an_unknown_field_is_not_swallowed(kind):
    with pytest.raises(InputError, match="colour"):
        read_document(kind, {**samples()[kind], "colour": "red"})


def test_a_unit_left_off_the_name_is_told_with_the_right_name():
    body = vehicle_document(LINNET)
    body["length"] = body.pop("length_m")
    with pytest.raises(InputError, match="write it instead of length"):
        read_document("vehicle", body)


JUNK = st.recursive(
    st.none() | st.booleans() | st.floats() | st.text(),
    lambda inner: (
        st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=6), inner, max_size=3)
    ),
    max_leaves=8,
)


@given(JUNK, st.sampled_from(["length_m", "steering", "features", "glass", "format", "name"]))
def test_no_junk_in_a_field_gets_past_as_an_accident(value, field):
    """Whatever stands in a field, the answer is a vehicle or a sentence, never another error."""
    with suppress(InputError):
        assert read_document("vehicle", {**vehicle_document(LINNET), field: value}).build()


@pytest.mark.parametrize("car", CARS, ids=lambda car: car.name)
def test_a_measured_car_keeps_its_measures(car):
    body = vehicle_document(car)
    built = VehicleDocument.read(body).build()
    assert built.length == body["length_m"]
    assert built.rear_overhang + built.wheelbase + built.front_overhang == pytest.approx(car.length)
    corners = built.outline[0]
    assert np.ptp(corners, axis=0) == pytest.approx([car.length, car.width])
    assert {f.name for f in built.features} == {f["name"] for f in body["features"]}
    # Everything a driver can see through is part of the car.
    for pane in built.glass:
        assert (np.abs(pane.corners[:, 1]) <= car.width / 2).all()


@pytest.mark.parametrize("side", ["left", "right"])
@given(gap=st.floats(5.0, 12.0), off=st.floats(0.0, 1.0), road=st.floats(5.0, 12.0))
def test_a_place_written_down_is_the_same_place(side, gap, off, road):
    place = lay_kerb("anywhere", side=side, gap=gap, off_kerb=off, road_width=road)
    body = json.loads(json.dumps(ground_document(place)))
    read = GroundDocument.read(body).build()
    assert measures(read) == pytest.approx(measures(place), abs=2e-5)
    assert read.side == side


def test_a_seat_without_a_looking_back_eye_is_a_seat():
    body = seat_document(LINNET, "seat", back=0.0, height=1.2)
    body["eye_looking_back"] = None
    assert SeatDocument.read(body).build().looking_back is None


def test_every_method_of_the_library_says_what_to_do_and_why():
    for name, method in methods().items():
        assert method.name == name
        assert method.why
        built = method.build()
        assert all(step.say for step in built.steps)
        assert built.steps[0].looks, "the first thing is to look"


KEPT = Path(__file__).parent / "kept"


@pytest.mark.parametrize("path", sorted(KEPT.glob("vehicle@*.json")), ids=lambda path: path.stem)
def test_a_document_of_an_older_format_is_what_it_was(path):
    """Read it builds what today's sample builds; brought up to date it reads as today's."""
    old = json.loads(path.read_text("utf-8"))
    kind = path.stem.partition("@")[0]
    assert old["format"] == f"fair-corner/{path.stem}"
    now = upgraded(old)
    assert now["format"] != old["format"]
    sample = samples()[kind]
    named = {feature["name"] for feature in old["features"]}
    # What vehicles have gained since then it has none of.
    then = {
        **sample, "shape": None, "mirrors": [], "roofline_m": [],
        "features": [one for one in sample["features"] if one["name"] in named],
    }  # fmt: skip
    assert read_document(kind, now) == read_document(kind, old) == read_document(kind, then)
    assert upgraded(now) == now


@pytest.mark.parametrize("junk", [{"features": 3}, {"features": [3]}, {"format": 7}, [], None])
def test_what_cannot_be_brought_up_to_date_is_refused_like_any_other(junk):
    body = {**samples()["vehicle"], "format": "fair-corner/vehicle@1", **junk} if junk else junk
    with pytest.raises(InputError):
        read_document("vehicle", body)


def test_every_event_begins_as_a_method_may_have_it():
    """What an editor begins with is a document, and waits for what is there where it ends."""
    told = vocabulary()
    read = TypeAdapter(EventModel)
    for manoeuvre in told["manoeuvres"].values():
        begun = [read.validate_python(event) for event in manoeuvre["events"]]
        assert [event.kind for event in begun] == [event.kind for event in EVENTS]
        for event in begun:
            event.build()
    ends = {
        name: next(e["own"] for e in manoeuvre["events"] if e["kind"] == "gap wanted")
        for name, manoeuvre in told["manoeuvres"].items()
    }
    assert ends["bay reverse"] == "rear bumper"
    assert ends["bay forward"] == ends["reverse parallel"] == "front bumper"


def ring(n):
    turn = np.linspace(0, 2 * np.pi, n, endpoint=False)
    return np.round(0.05 * np.column_stack((np.cos(turn), np.sin(turn))), 6).tolist()


@pytest.mark.parametrize(
    ("kind", "field", "corners", "each", "most"),
    [("ground", "obstacles", "polygon_m", 30, 600), ("ground", "edges", "points_m", 150, 3000),
     ("vehicle", "mirrors", "outline_m", 20, 400), ("vehicle", "glass", "polygon_m", 20, 400)],
)  # fmt: skip
def test_what_a_new_document_has_in_all_is_bounded_and_a_kept_one_stays_one(
    kind, field, corners, each, most
):
    body = samples()[kind]
    one = {"obstacles": {"kind": "cone"}, "edges": {"kind": "line"}}.get(field) or {
        **body[field][0], **({"on": None} if field == "mirrors" else {})
    }  # fmt: skip
    # Others name some of what is there.
    names = [there["name"] for there in body[field]] + [f"one {i}" for i in range(most // each)]
    # A pane stands upright along the side, and so far from it.
    around = (lambda n: [[x, 0.8, 1.2 + z] for x, z in ring(n)]) if field == "glass" else ring
    body[field] = [{**one, "name": name, corners: around(each)} for name in names[: most // each]]
    accepted(kind, body)
    body[field][-1][corners] = around(each + 1)
    with pytest.raises(InputError, match=f"at most {most}") as refused:
        accepted(kind, body)
    assert refused.value.field == field
    read_document(kind, body)


def test_a_path_of_too_many_places_is_refused_before_any_is_worked_out():
    legs = [{"gear": "forward", "turns": 0, "metres": 500}]
    asked = {"vehicle": samples()["vehicle"], "legs": legs, "sample_m": 0.005,
             "start": {"x_m": 0, "y_m": 0, "heading_deg": 0}}  # fmt: skip
    assert len(drive_document(DriveRequest.read(asked))["path"]) > 100_000
    with pytest.raises(InputError, match="at most 100000") as refused:
        drive_document(DriveRequest.read({**asked, "legs": [*legs, {**legs[0], "metres": 1}]}))
    assert refused.value.field == "legs"
