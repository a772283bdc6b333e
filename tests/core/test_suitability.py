"""A place to practise: one thing against it is enough, and nobody's look is no good look."""

from dataclasses import replace

import pytest
from faircorner.documents.ground import GroundDocument, ground_document
from faircorner.errors import InputError
from faircorner.ground import Check, Least, adjust, lay_kerb, suitability
from faircorner.ground.check import DISTANCES
from hypothesis import given
from hypothesis import strategies as st

GOOD = Check(
    legal=True, junction=60, bend=80, crest=90, crossing=70, bus_stop=50, driveway=12, sight=100,
    traffic="quiet", light="clear", neighbour="straight", slope=0.0,
)  # fmt: skip


def judged(check, place=None):
    return suitability(replace(place or lay_kerb("quay"), check=check))


def test_a_place_that_was_looked_at_and_has_nothing_against_it_suits():
    found = judged(GOOD)
    assert found.answer == "suits"
    assert {n.grade for n in found.noted} == {"good"}


def test_what_nobody_looked_at_is_not_known_and_each_thing_is_named():
    found = judged(Check())
    assert found.answer == "not known yet"
    missing = {n.item for n in found.noted if n.grade == "not noted"}
    assert missing == {"legal", *DISTANCES, "traffic", "light", "neighbour", "slope"}


@pytest.mark.parametrize(
    "change",
    [{"legal": False}, {"traffic": "busy"}, {"light": "dark"}, *({d: 1.0} for d in DISTANCES)],
    ids=lambda change: next(iter(change)),
)
def test_one_thing_against_it_is_enough_and_stands_first(change):
    found = judged(replace(GOOD, **change))
    assert found.answer == "not here"
    assert (found.noted[0].item, found.noted[0].grade) == (next(iter(change)), "against")


@pytest.mark.parametrize(
    "change",
    [{"traffic": "some"}, {"light": "dull"}, {"neighbour": "askew"},
     {"neighbour": "up on the kerb"}, {"slope": -7.0}],
    ids=lambda change: next(iter(change)),
)  # fmt: skip
def test_what_has_to_be_minded_is_told_and_allowed(change):
    found = judged(replace(GOOD, **change))
    assert found.answer == "with care"
    assert (found.noted[0].item, found.noted[0].grade) == (next(iter(change)), "mind")


@given(st.sampled_from(DISTANCES), st.floats(0, 200), st.floats(0, 200))
def test_a_distance_is_held_against_the_schools_own_least(name, metres, least):
    check = replace(GOOD, **{name: metres}, least=Least(**{name: least}))
    found = next(n for n in judged(check).noted if n.item == name)
    assert (found.metres, found.least) == (metres, least)
    assert found.grade == ("good" if metres >= least else "against")


def test_room_to_pass_is_worked_out_from_the_place():
    wide = lay_kerb("wide", road_width=8.0, off_kerb=0.2, width=1.8)
    found = next(n for n in judged(GOOD, wide).noted if n.item == "to_pass")
    assert found.metres == pytest.approx(8.0 - 0.2 - 1.8 - 1.8 - 0.9)
    assert judged(GOOD, adjust(wide, "road_width", 6.0)).answer == "not here"


@pytest.mark.parametrize("side", ["left", "right"])
def test_the_check_is_kept_with_the_ground_whatever_else_changes(side):
    place = replace(lay_kerb("quay", side=side), check=replace(GOOD, least=Least(junction=33)))
    read = GroundDocument.read(ground_document(place)).build()
    assert read.check == place.check
    assert adjust(read, "road_width", 9.0).check == place.check
    assert read.mirrored().check == place.check


@pytest.mark.parametrize(
    ("check", "field"),
    [
        pytest.param({"junction_m": -3.0}, "check.junction_m", id="negative"),
        pytest.param({"sight_m": 5000.0}, "check.sight_m", id="too far"),
        pytest.param({"slope_percent": 80.0}, "check.slope_percent", id="a wall"),
        pytest.param({"light": "neon"}, "check.light", id="unknown light"),
        pytest.param({"least": {"bend_m": -1.0}}, "check.least.bend_m", id="negative least"),
        pytest.param({"mood": "good"}, "check.mood", id="unknown note"),
    ],
)
def test_a_note_that_cannot_be_names_its_field(check, field):
    body = {**ground_document(lay_kerb("quay")), "check": check}
    with pytest.raises(InputError) as caught:
        GroundDocument.read(body).build()
    assert caught.value.field == field
