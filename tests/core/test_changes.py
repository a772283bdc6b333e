"""What changed between two documents, told; and what two people changed, brought together."""

import copy
import json

from faircorner.documents.changes import changes, setting_changes
from faircorner.documents.library import methods
from faircorner.documents.merging import merged
from faircorner.documents.reading import FORMATS, json_schema
from faircorner.documents.samples import LINNET, vehicle_document
from faircorner.said.catalogue import clauses

BASE = vehicle_document(LINNET)


def with_steering(body, **changed):
    return {**body, "steering": {**body["steering"], **changed}}


def told(found):
    return [str(said) for said in found]


def fields_of(schema):
    if isinstance(schema, dict):
        yield from schema.get("properties", {})
        for part in schema.values():
            yield from fields_of(part)
    elif isinstance(schema, list):
        for part in schema:
            yield from fields_of(part)


def test_every_field_of_every_document_has_its_words():
    for kind in FORMATS:
        assert {
            f for f in fields_of(json_schema(kind)) if f"field {f}" not in clauses("en")
        } == set()


def test_a_change_is_told_by_its_field_and_its_unit():
    longer = with_steering({**BASE, "length_m": 4.175}, lock_turns=1.5)
    assert changes(BASE, BASE) == []
    assert told(changes(BASE, longer)) == [
        "length 4.175 m, was 4.07 m", "turns to lock 1.5, was 1.4"]  # fmt: skip
    assert changes(BASE, longer)[0].told("imperial") == "length 13 ft 8.4 in, was 13 ft 4.2 in"


def test_parts_are_told_by_their_names_and_many_changes_by_their_number():
    method = methods()["Straight-run reverse park"].model_dump(by_alias=True, mode="json")
    other = copy.deepcopy(method)
    name = other["steps"][1]["name"]
    other["steps"][1]["gear"] = "forward"
    gone = other["steps"].pop()["name"]
    assert told(changes(method, other)) == [
        f"{name}: gear forward, was reverse", f"{gone} taken away"]  # fmt: skip
    flat = {f"field {i}": i for i in range(12)}
    found = told(changes(flat, dict.fromkeys(flat, -1)))
    assert (len(found), found[-1]) == (9, "and 4 more")


def test_settings_are_told_as_what_they_do():
    was = {"gap_m": 1.0, "shifts_m": {"1": 0.1, "3": -0.2}}
    now = {"kerb_m": 0.3, "pinned": {"turn": 31.0, "out": 2.5}, "shifts_m": {"3": -0.25}}
    assert told(setting_changes(was, now, {"turn"})) == [
        "gap left to the method and the fit",
        "distance from the kerb set to 0.3 m",
        "out set to 2.5",
        "turn set to 31.0°",
        "call 1 told as computed",
        "call 3 told 25 cm earlier than computed",
    ]


def test_what_only_one_changed_is_kept_as_that_one_has_it():
    mine, theirs = with_steering(BASE, lock_turns=1.6), {**BASE, "width_m": 1.8, "trailer": None}
    both = merged(BASE, mine, theirs)
    assert both.conflicts == ()
    assert both.mine == both.theirs == with_steering(theirs, lock_turns=1.6)
    assert merged(BASE, mine, BASE).mine == mine
    assert merged(BASE, BASE, theirs).mine == theirs
    assert merged(BASE, mine, mine).conflicts == ()


def test_what_both_changed_is_told_with_both_values_and_settled_either_way():
    mine = with_steering({**BASE, "length_m": 4.2}, lock_turns=1.6)
    theirs = {**BASE, "length_m": 4.1, "name": "Linnet, taped again"}
    both = merged(BASE, mine, theirs)
    assert told(both.conflicts) == ["length: yours 4.2 m, theirs 4.1 m"]
    assert both.mine == {**mine, "name": "Linnet, taped again"}
    assert both.theirs == {**both.mine, "length_m": 4.1}


def test_lists_are_gone_into_only_while_their_parts_are_the_same():
    first, second, *rest = copy.deepcopy(BASE["features"])
    assert rest
    mine = {**BASE, "features": [{**first, "way": "mine"}, second, *rest]}
    theirs = {**BASE, "features": [first, {**second, "way": "theirs"}, *rest]}
    both = merged(BASE, mine, theirs)
    assert both.conflicts == ()
    assert both.mine["features"] == [mine["features"][0], theirs["features"][1], *rest]
    fewer = {**BASE, "features": [first]}
    assert told(merged(BASE, mine, fewer).conflicts) == [
        "marks: yours as drawn there, theirs as drawn there"]  # fmt: skip
    assert json.dumps(merged(BASE, mine, fewer).theirs["features"]) == json.dumps([first])
