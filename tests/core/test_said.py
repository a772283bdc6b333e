"""What is said: every code has its clause, every clause its parts, in anybody's units."""

import ast
import json
import string
from dataclasses import replace
from pathlib import Path

import faircorner
import numpy as np
import pytest
from faircorner.cues.events import Abeam, Came, EventModel
from faircorner.documents.samples import LINNET, vehicle_document
from faircorner.documents.vehicle import VehicleDocument
from faircorner.errors import InputError, between
from faircorner.said import LANGUAGES, Angle, Exact, Length, Said, clauses, length, names
from faircorner.standards import MEASURES
from faircorner.vocabulary import vocabulary
from pydantic import TypeAdapter

CORE = Path(faircorner.__file__).parent
CASES = json.loads((Path(__file__).parents[1] / "lengths.json").read_text("utf-8"))


def test_lengths_are_said_as_the_screens_say_them():
    """The same table is held against the browser's code."""
    for metres, metric, imperial in CASES:
        assert (length(metres), length(metres, "imperial")) == (metric, imperial)


def codes_in_the_code():
    """Of every `Said("…")` written out, the server's too: the code, its parts' names, and where."""
    for path in (*CORE.rglob("*.py"), *(CORE.parents[1] / "server").rglob("*.py")):
        for node in ast.walk(ast.parse(path.read_text("utf-8"))):
            if not (isinstance(node, ast.Call) and getattr(node.func, "id", "") == "Said"):
                continue
            first = node.args[0] if node.args else None
            parts = {keyword.arg for keyword in node.keywords}
            options = [first.body, first.orelse] if isinstance(first, ast.IfExp) else [first]
            for option in options:
                if isinstance(option, ast.Constant):
                    yield option.value, parts, f"{path.name}:{node.lineno}"


def places(clause):
    return {name for _, name, _, _ in string.Formatter().parse(clause) if name}


def test_every_clause_that_is_written_out_is_in_the_catalogue_with_its_parts():
    known = clauses("en")
    written = list(codes_in_the_code())
    assert len(written) > 15
    for code, parts, where in written:
        assert code in known, where
        assert places(known[code]) == parts, where


def test_no_error_has_its_sentence_in_the_code():
    """But what the shell and a parser say of a file that cannot be read at all."""
    for path in CORE.rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text("utf-8"))):
            if isinstance(node, ast.Call) and getattr(node.func, "id", "") == "InputError":
                written = isinstance(node.args[1], ast.Constant | ast.JoinedStr)
                assert not written or path.name == "cli.py", f"{path.name}:{node.lineno}"


def test_every_language_says_the_same_parts_of_every_clause():
    for language in LANGUAGES:
        own = clauses(language)
        for code, clause in clauses("en").items():
            assert places(own[code]) == places(clause), (language, code)


def names_in(told):
    """Every name that the vocabulary tells, however deep."""
    found = {*told["own_points"], *told["edges"], *told["seen"], *told["looks"], *told["things"]}
    for place in told["places"].values():
        found |= {*place["landmarks"], *place["things"]}
    return found | set(told["manoeuvres"])


def test_every_name_of_the_cores_own_is_said_in_every_language():
    told = names_in(vocabulary())
    assert len(told) > 30
    for language in LANGUAGES:
        assert told - set(names(language)) == set(), language


def test_words_are_the_locales_own_else_its_languages_else_english():
    assert clauses("en-GB") == clauses("en") == clauses("tlh")
    assert clauses("en-XA") != clauses("en")
    assert clauses("en-XA").keys() == clauses("en").keys()
    assert Said("name wall").told(locale="en-XA") == names("en-XA")["wall"] != "wall"


def test_figures_are_written_as_the_locale_writes_them():
    said = Said("off parallel", angle=Angle(-0.04))
    assert "−2,3°" in said.told(locale="de-DE")
    assert length(1.5, locale="de-DE") == "1,50 m"
    assert length(0.75, "imperial", "de-DE") == "2 ft 5,5 in"
    # One that nobody knows, and nought that was a little less.
    assert length(1.5, locale="x-y") == "1.50 m"
    assert "0.0°" in str(Said("off parallel", angle=Angle(-1e-5)))
    assert "−0.0°" not in str(Said("off parallel", angle=Angle(-1e-5)))


def test_every_limit_of_a_finish_has_its_clause():
    for measure in MEASURES.values():
        if measure.taped is not None:
            assert str(Said(measure.outside, edge="kerb"))


def test_a_clause_is_kept_and_told_in_other_units_later():
    said = Said("body meets by", what="parked ahead", by=Length(0.034))
    kept = json.loads(json.dumps(said.document()))
    assert Said.of(kept) == said
    assert Said.of(kept).told("imperial") == "the body meets the vehicle parked ahead by 1.5 in"
    turned = Said("off parallel", angle=Angle(-0.04))
    assert "−2.3°" in Said.of(turned.document()).told()
    assert not Said.of(Said().document())
    assert Said().told() == ""


@pytest.mark.parametrize(
    ("units", "text"),
    [
        ("metric", "must be between 0.02 m and 1.5 m, got 2 m"),
        ("imperial", "must be between 0.8 in and 4 ft 11.1 in, got 6 ft 6.7 in"),
    ],
)
def test_a_limit_is_told_in_the_persons_units(units, text):
    with pytest.raises(InputError) as caught:
        between("kerb_m", 2.0, 0.02, 1.5)
    assert caught.value.told(units) == text
    assert caught.value.inside("goal").told(units) == text
    assert caught.value.field == "kerb_m"
    between("kerb_m", 1.5, 0.02, 1.5)
    with pytest.raises(InputError):
        between("kerb_m", float("nan"), 0.02, 1.5)
    assert Said("between", low=Exact(1), high=Exact(2), got=Exact(3)).lengths == (1, 2, 3)


def test_what_cannot_be_is_told_in_the_persons_units_too(linnet):
    with pytest.raises(InputError) as caught:
        replace(linnet, mirror_width=1.0)
    assert caught.value.told().startswith("1 m is less than the width of 1.75 m;")
    assert caught.value.told("imperial").startswith(
        "3 ft 3.4 in is less than the width of 5 ft 8.9 in"
    )
    with pytest.raises(InputError) as caught:
        VehicleDocument.read(vehicle_document(LINNET) | {"wheelbase_m": 250})
    assert caught.value.told("imperial") == "must be at most 656 ft 2 in, got 820 ft 2.5 in"
    with pytest.raises(InputError) as caught:
        replace(linnet.steering, lock_turns=0.15)
    assert caught.value.told(locale="de-DE").endswith("got 0,15")


CAME = Came(metres=0.4, heading=np.radians(-12), then=np.radians(35), rolled=4.2, direction=-1)


@pytest.mark.parametrize(
    ("metres", "text"),
    [
        (0.4, "own tail 40 cm past the parked vehicle's tail"),
        (-0.38, "own tail 40 cm short of the parked vehicle's tail"),
        (0.01, "own tail level with the parked vehicle's tail"),
        (float("nan"), "own tail level with the parked vehicle's tail"),
    ],
)
def test_an_own_point_stands_past_a_landmark_short_of_it_or_level(metres, text):
    event = Abeam(own="rear bumper", landmark="tail ahead", metres=0.4)
    assert str(event.said(replace(CAME, metres=metres))) == text


def test_every_event_says_it_in_words():
    read = TypeAdapter(EventModel)
    texts = {}
    for manoeuvre in vocabulary()["manoeuvres"].values():
        for begun in manoeuvre["events"]:
            said = read.validate_python(begun).build().said(CAME)
            texts[begun["kind"]] = str(said)
            # No name of the core's own comes through without its words.
            assert "landmark " not in str(said)
            assert "own rear" not in str(said)
            assert Said.of(said.document()).told() == str(said)
    assert texts["edge"] == "40 cm left to the far kerb, from what would meet it first"
    assert texts["kerb"] == "near rear wheel 40 cm from the kerb"
    assert texts["parallel"] == "12° left to turn; unwinding the wheel does the rest"
    assert texts["heading"].startswith("at 12° to the kerb, running on to 35°; on a clock face")
    assert texts["heading"].endswith("about one hour off it")
    assert texts["travelled"] == "after 4.20 m in all"


@pytest.mark.parametrize("metres", [float("nan"), float("inf"), -1e308])
def test_what_is_no_length_is_refused_in_any_units(metres):
    with pytest.raises(InputError) as caught:
        between("kerb_m", metres, 0.02, 1.5)
    for units in ("metric", "imperial"):
        assert "must be between" in caught.value.told(units)
        assert length(metres, units)
