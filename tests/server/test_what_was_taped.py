"""Readings: each entry kept, put right with a reason, told by eye, taped by a second person."""

import csv
import io
from importlib import import_module

import pytest
from django.db import connection

from server.lessons.models import Attempt, Taping
from tests.server.conftest import keep, send, tape

GOOD = {"kerb_front_m": 0.25, "kerb_rear_m": 0.27, "ahead_m": 2.0, "behind_m": None}
OTHER = {**GOOD, "kerb_front_m": 0.55}
LOOKED = {"by_eye": {"kerb_front": "right", "kerb_rear": "far", "ahead": "near"}}


@pytest.fixture
def lead(ours):
    return ours.client("lead")


@pytest.fixture
def colleague(ours):
    return ours.client("instructor")


def beside(client, attempt, readings):
    return send(client, "PUT", f"/api/attempts/{attempt}/beside", readings)


def entries(told):
    return [(one["by"], one["readings"]["kerb_front_m"], one["why"]) for one in told["tapings"]]


def test_a_correction_is_an_entry_of_its_own_with_who_and_why(ours, lead, colleague):
    attempt = keep(lead, ours)["id"]
    first = tape(lead, attempt, GOOD).json()
    assert tape(lead, attempt, GOOD).json() == first
    silent = tape(lead, attempt, {**OTHER, "based_on": 1, "why": "  "})
    assert (silent.status_code, silent.json()["field"]) == (422, "why")
    # Begun before anybody had taped it, by somebody who does not know of the first.
    assert tape(colleague, attempt, {**OTHER, "why": "mine"}).status_code == 409
    assert Attempt.objects.get().readings == GOOD
    right = tape(colleague, attempt, {**OTHER, "based_on": 1, "why": " read upside down "}).json()
    assert entries(right) == [
        ("lead of ours", 0.25, ""), ("instructor of ours", 0.55, "read upside down")
    ]  # fmt: skip
    assert (right["readings"]["kerb_front_m"], right["tape"]["finish"]["kerb_front_m"]) == (
        0.55, pytest.approx(0.55, abs=1e-3))  # fmt: skip
    # The answer was lost, and it is sent again.
    assert tape(colleague, attempt, {**OTHER, "based_on": 1, "why": "x"}).json() == right
    back = tape(lead, attempt, {**GOOD, "based_on": 2, "why": "no, it was right"}).json()
    assert [front for _, front, _ in entries(back)] == [0.25, 0.55, 0.25]
    assert back["tape"] == first["tape"]


def test_what_cannot_be_is_refused_and_kept_nowhere(ours, lead):
    attempt = keep(lead, ours)["id"]
    for readings, field in [
        ({"kerb_front_m": 0.2}, "kerb_rear_m"),
        ({**GOOD, "by_eye": {"kerb_front": "near"}}, "kerb_front_m"),
        ({**GOOD, "kerb_rear_m": 25}, "kerb_rear_m"),
        ({**GOOD, "by_eye": {"kerb_front": "close"}}, "by_eye.kerb_front"),
        ({**GOOD, "by_eye": {"roof": "near"}}, "by_eye.roof"),
    ]:
        answer = tape(lead, attempt, readings)
        assert answer.status_code == 422
        assert answer.json()["field"].startswith(field)
    assert not Taping.objects.exists()
    assert Attempt.objects.get().readings is None


def test_two_tapes_are_compared_and_the_first_holds(ours, lead, colleague):
    attempt = keep(lead, ours)["id"]
    assert beside(colleague, attempt, OTHER).json()["field"] == "readings"
    tape(lead, attempt, GOOD)
    assert beside(lead, attempt, OTHER).json()["field"] == "readings"
    assert beside(colleague, attempt, LOOKED).json()["field"] == "by_eye"
    told = beside(colleague, attempt, {**OTHER, "behind_m": 0.4, "ahead_m": None})
    assert told.status_code == 422  # Nothing stands behind.
    told = beside(colleague, attempt, OTHER).json()
    (one,) = told["beside"]
    assert (one["by"], one["than"]) == ("instructor of ours", "lead of ours")
    assert one["more"] == {"kerb_front_m": 0.3, "kerb_rear_m": 0, "ahead_m": 0}
    assert (one["outcome"], one["same_outcome"]) == ("met with small faults", False)
    assert (told["readings"], told["tape"]["verdict"]["outcome"]) == (
        {**GOOD, "by_eye": {}}, "met")  # fmt: skip
    # Put right, it is compared as it is now, and what it was stays.
    again = beside(colleague, attempt, {**GOOD, "kerb_rear_m": 0.28}).json()
    assert beside(colleague, attempt, {**GOOD, "kerb_rear_m": 0.28}).json() == again
    assert [one["more"]["kerb_rear_m"] for one in again["beside"]] == [0.01]
    assert Taping.objects.filter(beside=True).count() == 2
    # Corrected by whoever taped second, the first is compared with no entry of their own.
    assert len(again["tapings"]) == 1


def test_how_the_schools_people_agree_is_of_what_counts(ours, theirs, lead, colleague):
    """Wheels 1 and 3 cm apart twice over, whoever tapes first: mean 2 cm, s² of four 4/3 cm²."""
    for first, second in ((lead, colleague), (colleague, lead)):
        sign = 1 if first is lead else -1
        attempt = keep(lead, ours)["id"]
        tape(first, attempt, GOOD)
        more = {"kerb_front_m": 0.25 + sign * 0.01, "kerb_rear_m": 0.27 + sign * 0.03}
        beside(second, attempt, {**GOOD, **more, "ahead_m": None})
    # Neither what was spoilt nor what was only looked at says how anybody tapes.
    spoilt, looked = keep(lead, ours)["id"], keep(lead, ours)["id"]
    tape(lead, spoilt, GOOD)
    beside(colleague, spoilt, OTHER)
    send(lead, "PUT", f"/api/attempts/{spoilt}/void", {"void": True})
    tape(lead, looked, LOOKED)
    told = send(colleague, "GET", "/api/agreement").json()
    assert (told["attempts"], told["same_outcome"]) == (2, 2)
    (pair,) = told["pairs"]
    assert {k: pair[k] for k in ("one", "other", "what", "count", "more_m")} == {
        "one": "lead of ours", "other": "instructor of ours", "what": "wheel", "count": 4,
        "more_m": pytest.approx(0.02)}  # fmt: skip
    spread = (0.0004 / 3) ** 0.5
    assert pair["between_m"] == pytest.approx(1.96 * spread, abs=1e-4)
    # Of four nothing can be said yet that would hold however often one looks.
    assert (pair["low_m"], pair["high_m"], pair["biased"]) == (None, None, False)
    assert told["one_reading_m"] == {
        "wheel": pytest.approx(spread / 2**0.5, abs=1e-4), "gap": None}  # fmt: skip
    assert told["assumed_m"] == 0.01
    empty = send(theirs.client("lead"), "GET", "/api/agreement").json()
    assert (empty["attempts"], empty["pairs"]) == (0, [])


def test_what_was_only_looked_at_is_marked_and_counts_half(ours, lead):
    def counted(sheet):
        return send(lead, "GET", f"/api/sets?sheet={sheet}").json()["items"][-1]

    made = [keep(lead, ours)["id"] for _ in range(3)]
    tape(lead, made[0], {**GOOD, "ahead_m": 2.0})
    tape(lead, made[1], {**GOOD, "ahead_m": 2.0})
    told = tape(lead, made[2], LOOKED).json()
    assert told["readings"] == {**dict.fromkeys(GOOD), **LOOKED}
    assert told["tape"]["by_eye"] == ["ahead", "kerb_front", "kerb_rear"]
    plan = ours.sheet.plan["finish"]
    finish = told["tape"]["finish"]
    assert finish["kerb_rear_m"] - plan["kerb_rear_m"] == pytest.approx(0.20, abs=1e-3)
    assert plan["ahead_m"] - finish["ahead_m"] == pytest.approx(0.50, abs=1e-3)
    found = counted(ours.sheet.pk)
    assert (found["counted"], found["by_eye"]) == (3, 1)
    assert {mark["attempt"]: mark["by_eye"] for mark in found["marks"]} == {
        made[0]: False, made[1]: False, made[2]: True}  # fmt: skip
    kerb = (finish["kerb_front_m"] + finish["kerb_rear_m"]) / 2
    mean = (0.26 + 0.26 + kerb / 2) / 2.5
    bias = mean - (plan["kerb_front_m"] + plan["kerb_rear_m"]) / 2
    assert found["measures"][0]["bias"] == pytest.approx(bias, abs=2e-4)
    # Given back as it was told, it is the same entry still.
    assert tape(lead, made[2], told["readings"]).json() == told
    learner = ours.members["learner"].pk
    rows = send(lead, "GET", f"/api/history?learner={learner}").json()["items"]
    assert sum(row["by_eye"] for row in rows) == 1
    table = b"".join(send(lead, "GET", f"/api/history.csv?learner={learner}")).decode()
    told_by_eye = [row["by_eye"] for row in csv.DictReader(io.StringIO(table))]
    assert sorted(told_by_eye) == ["", "", "ahead: near; kerb_front: right; kerb_rear: far"]


def test_no_eye_is_held_against_another(ours, lead):
    attempt = keep(lead, ours)["id"]
    send(lead, "PUT", f"/api/attempts/{attempt}/stated", {"kerb_front_m": 0.2, "kerb_rear_m": 0.2})
    assert tape(lead, attempt, LOOKED).json()["off"] is None
    corrected = {**GOOD, "based_on": 1, "why": "taped after all"}
    assert tape(lead, attempt, corrected).json()["off"]["kerb_m"] == pytest.approx(-0.06, abs=1e-3)


def test_what_was_taped_before_entries_were_kept_is_the_first_entry(ours, lead):
    taped, _untaped = keep(lead, ours)["id"], keep(lead, ours)["id"]
    told = tape(lead, taped, GOOD).json()
    Taping.objects.all().delete()
    with connection.cursor() as cursor:
        cursor.execute(import_module("server.lessons.migrations.0011_what_was_taped").FIRST)
    (one,) = Taping.objects.all()
    assert (str(one.attempt_id), one.readings, one.beside) == (taped, GOOD, False)
    assert (one.author.name, one.finish) == ("lead of ours", told["tape"]["finish"])
