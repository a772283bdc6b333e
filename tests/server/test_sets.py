"""Sets by pages, with figures that are kept and yet always those of their attempts."""

import os

import pytest
from django.apps import apps
from django.db import connection
from django.db.models import F
from faircorner.documents.ground import ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.ground import Stretch, lay_road

from house import databases
from house.scale_fill import Size, fill
from server.lessons.models import Attempt, Lesson
from server.planning.models import CueSheet
from server.progress.models import KeptSet
from server.schools.models import Member, School
from tests.conftest import use_database
from tests.server.conftest import keep, send
from tests.server.test_kept_work import asked, sheet_of
from tests.server.test_lessons import GOOD, tape


@pytest.fixture
def lead(ours):
    return ours.client("lead")


def sets(lead, sheet, page=""):
    return send(lead, "GET", f"/api/sets?sheet={sheet}{page}").json()


def test_figures_of_a_set_are_kept_until_what_they_rest_on_is_another(ours, lead, settings):
    sheet = ours.sheet.pk
    first, second = (keep(lead, ours)["id"] for _ in range(2))
    tape(lead, first, GOOD)

    def told():
        """How many count, once what is kept has been made to say ninety."""
        (found,) = sets(lead, sheet)["items"]
        kept = KeptSet.objects.get(sheet=sheet)
        kept.body["counted"] = 90
        kept.save()
        return found["counted"]

    assert told() == 1
    assert told() == 90
    tape(lead, second, GOOD)
    assert told() == 2
    assert told() == 90
    send(lead, "PUT", f"/api/attempts/{second}/void", {"void": True})
    assert told() == 1
    tape(lead, first, {**GOOD, "kerb_front_m": 0.31, "based_on": 1, "why": "misread"})
    assert told() == 1
    settings.CORE = "another core"
    assert told() == 1
    assert told() == 90


def test_sets_and_attempts_come_by_pages(ours, lead):
    # Each goes on from the one before: beside nothing, more is another on it.
    sheets = [sheet_of(lead, asked(ours, dipped=True, shifts_m=by))
              for by in ({}, {"1": 0.02}, {"1": 0.02, "2": 0.03})]  # fmt: skip
    whole = sets(lead, sheets[0])
    assert [one["sheet_id"] for one in whole["items"]] == [ours.sheet.pk, *sheets]
    for begin in range(5):
        page = sets(lead, sheets[0], f"&limit=2&offset={begin}")
        # What changed is told from the one before, which another page has.
        assert page == {"items": whole["items"][begin : begin + 2], "count": 4}
    made = [keep(lead, ours)["id"] for _ in range(3)]
    path = f"/api/attempts?sheet={ours.sheet.pk}"
    page = send(lead, "GET", f"{path}&limit=2&offset=1").json()
    assert ([one["id"] for one in page["items"]], page["count"]) == (sorted(made)[1:], 3)
    for wrong in ("limit=0", "limit=501", "offset=-1", f"offset={10**25}"):
        assert send(lead, "GET", f"{path}&{wrong}").status_code == 422
        assert send(lead, "GET", f"/api/sets?sheet={sheets[0]}&{wrong}").status_code == 422


def test_a_set_of_a_method_without_a_call_is_described_and_advised(ours, lead):
    free = ground_document(lay_road("free kerb", Stretch(), road_width=7.4))
    along = methods()["Reverse along the kerb"].model_dump(by_alias=True, mode="json")
    standard = house_standard("stretch").model_dump(by_alias=True, mode="json")
    made = {"ground": free, "method": along, "standard": standard}
    docket = asked(ours) | {
        kind: send(lead, "POST", "/api/documents", {"kind": kind, "body": body}).json()["id"]
        for kind, body in made.items()
    }
    sheet = sheet_of(lead, docket)
    notes = {"seconds": 60, "calls": [], "looks": []}
    for n in range(6):
        attempt = keep(lead, ours, sheet=sheet, notes=notes)["id"]
        readings = {"kerb_front_m": 0.30 + 0.01 * n, "kerb_rear_m": 0.31}
        assert tape(lead, attempt, readings).status_code == 200
    (found,) = [one for one in sets(lead, sheet)["items"] if one["sheet_id"] == sheet]
    assert found["counted"] == 6
    assert found["advice"]["kind"] in ("practise", "move on")
    assert (found["advice"]["call"], found["advice"]["scatter_share"]) == (None, [])


@pytest.fixture
def demo(django_db_setup, django_db_blocker):
    """A database of its own with the demo, as the template has it."""
    url, before = os.environ["DATABASE_URL"], connection.settings_dict["NAME"]
    name = f"{before}_demo"
    with django_db_blocker.unblock():
        use_database(databases.copied(url, name, demo=True))
        yield
        use_database(before)
        databases.dropped(url, name)


def test_the_many_schools_that_answers_are_timed_at_are_schools_like_any(demo, client):
    """Every copy of the demo's rows lies in one school, and its lead reads it as the demo's do."""
    there = {model: model.objects.count() for model in (School, CueSheet, Lesson, Attempt)}
    learners = Member.objects.filter(role="learner").count()
    fill(Size(pairs=2, learners=3, attempts=2))
    assert School.objects.count() == 3 * there[School]
    assert CueSheet.objects.count() == (1 + 2 * 3) * there[CueSheet]
    assert Attempt.objects.count() == (1 + 2 * 3 * 2) * there[Attempt]
    assert Member.objects.filter(role="learner").count() == (1 + 2 * 3) * learners
    for model in apps.get_models():
        fields = {field.name: field for field in model._meta.concrete_fields}
        if "school" not in fields or model.__name__.startswith("Historical"):
            continue
        for name, field in fields.items():
            other = field.related_model
            if other and "school" in {one.name for one in other._meta.concrete_fields}:
                strays = model.objects.exclude(**{f"{name}__school": F("school")})
                assert not strays.exclude(**{name: None}).exists(), (model, name)
    original = Member.objects.get(name="Maren Holt", school__name="Tidewell Motor School")
    copy = Member.objects.get(school__name="Tidewell Motor School 2", role="lead")
    told = []
    for member in (original, copy):
        client.force_login(member.user, "server.schools.backend.MemberSessions")
        ines = Member.objects.get(school=member.school, name="Ines Varga")
        docket = client.get(f"/api/docket?learner={ines.pk}").json()
        found = client.get(f"/api/sets?sheet={docket['sheet_id']}").json()
        told.append((docket["attempts"], docket["ground"]["name"], found["count"]))
    assert told[1] == (2 * told[0][0], *told[0][1:])
