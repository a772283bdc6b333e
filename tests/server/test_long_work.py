"""Long work: asked for in a request, carried out by a worker, followed, shared and given up."""

from datetime import timedelta

import pytest
from django.db import connection
from django.utils import timezone
from faircorner.documents.ground import ground_document
from faircorner.documents.library import house_standard, methods
from faircorner.errors import InputError
from faircorner.ground import Stretch, Turnabout, lay_kerb, lay_road
from faircorner.standards import goal_of
from procrastinate.contrib.django import app
from procrastinate.contrib.django.models import ProcrastinateJob

from server.documents.services import create_document
from server.long_work import services
from server.long_work.models import State, Waiter, Work
from server.long_work.services import PATIENCE, ask, carry_out, forget, give_up, long_work
from tests.server.conftest import send

# A worker is another connection: it sees only what has been committed.
pytestmark = pytest.mark.django_db(transaction=True)


def docket(house, **other):
    return {kind: revision.pk for kind, revision in {**house.revisions, **other}.items()}


def worker():
    """A real one, until nothing is left to do."""
    with app.replace_connector(app.connector.get_worker_connector()) as with_pool:
        with_pool.run_worker(wait=False, install_signal_handlers=False, listen_notify=False)


@pytest.fixture
def counted():
    """Work that tells how often it was carried out and whether it was let go on to its end."""
    carried = []

    @long_work("counted")
    def count(_school, asked, told):
        carried.append("begun")
        for share in asked["shares"]:
            told(share)
        carried.append("ended")
        return {"times": carried.count("ended")}

    return carried


def asked(member, *shares):
    return ask(member, "counted", {"shares": shares}, version="1")


def never():
    return False


def test_a_worker_finds_the_least_change_and_the_answer_is_kept(ours):
    lead = ours.client("lead")
    tight = create_document(
        ours.school, kind="ground", body=ground_document(lay_kerb("tight", gap=5.6, goal_ahead=1.0))
    )
    body = docket(ours, ground=tight)
    first = send(lead, "POST", "/api/plan/remedy", body).json()
    assert (first["state"], first["share"], first["result"]) == ("waiting", 0, None)
    worker()
    done = send(ours.client("learner"), "POST", "/api/plan/remedy", body).json()
    assert (done["id"], done["state"], done["share"]) == (first["id"], "done", 1)
    assert done["result"]["what"] == "gap"
    assert done["result"]["to_m"] == pytest.approx(5.6 + done["result"]["by_m"])
    assert not ProcrastinateJob.objects.exists()


def test_the_least_room_comes_with_a_place_where_it_fails(ours):
    lead = ours.client("lead")

    def made(name, goal):
        method = methods()[name]
        standard = house_standard(goal_of(method.manoeuvre))
        bodies = {
            "ground": ground_document(lay_road("a road", goal)),
            "method": method.model_dump(by_alias=True, mode="json"),
            "standard": standard.model_dump(by_alias=True, mode="json"),
        }
        return {
            kind: create_document(ours.school, kind=kind, body=body)
            for kind, body in bodies.items()
        }

    turn = docket(ours, **made("Three-movement turn", Turnabout()))
    free = docket(ours, **made("Pull up opposite and reverse", Stretch()))
    for body in (turn, free):
        assert send(lead, "POST", "/api/plan/least", body).json()["state"] == "waiting"
    worker()
    (size,) = send(lead, "POST", "/api/plan/least", turn).json()["result"]
    assert size["what"] == "road width"
    assert size["tighter"]["ground"]["road_width_m"] == pytest.approx(
        size["metres"] - 0.1, abs=0.006
    )
    assert size["tighter"]["plan"]["feasible"] is False
    refused = send(lead, "POST", "/api/plan/least", free)
    assert (refused.status_code, refused.json()["field"]) == (422, "ground")


def test_the_same_asked_by_two_is_one_and_goes_on_while_one_of_them_waits(ours, counted):
    lead, learner = ours.members["lead"], ours.members["learner"]
    work = asked(lead, 0.1, 0.2)
    assert asked(learner, 0.1, 0.2).pk == work.pk
    assert ProcrastinateJob.objects.filter(status="todo").count() == 1
    give_up(lead, work)
    worker()
    assert asked(lead, 0.1, 0.2).result == {"times": 1}
    give_up(learner, work)
    assert asked(lead, 0.1, 0.2).state == State.DONE
    assert counted == ["begun", "ended"]


def test_who_gives_up_through_the_api_stops_it_and_may_ask_again(ours, theirs, counted):
    work = asked(ours.members["lead"], 0.1)
    path = f"/api/long-work/{work.pk}"
    assert send(theirs.client("lead"), "DELETE", path).status_code == 404
    assert send(ours.client("instructor"), "DELETE", path).status_code == 204
    assert Work.objects.get(pk=work.pk).state == State.WAITING
    assert send(ours.client("lead"), "DELETE", path).status_code == 204
    assert Work.objects.get(pk=work.pk).state == State.STOPPED
    worker()
    assert counted == []
    assert asked(ours.members["lead"], 0.1).state == State.WAITING
    worker()
    assert counted == ["begun", "ended"]


def test_what_nobody_waits_for_any_more_is_not_worked_out(ours, counted):
    work = asked(ours.members["lead"], 0.1)
    Waiter.objects.update(asked=timezone.now() - PATIENCE)
    worker()
    assert Work.objects.get(pk=work.pk).state == State.STOPPED
    assert counted == ["begun"]


def test_it_tells_how_far_it_is_and_ends_in_time(ours, counted, monkeypatch):
    monkeypatch.setattr(services, "_EVERY", 0.0)
    lead, seen = ours.members["lead"], []

    def ending():
        """Asked before anything is told: what the last telling wrote down can be seen then."""
        seen.append(Work.objects.get().share)
        return False

    work = asked(lead, 0.25, 0.5, 0.75)
    carry_out(work.pk, ending)
    assert seen == [0.0, 0.25, 0.5]
    monkeypatch.setattr(services, "LIMIT", -1.0)
    late = asked(lead, 0.3)
    carry_out(late.pk, never)
    with pytest.raises(InputError, match="took longer"):
        asked(lead, 0.3)
    # After a while it may be tried once more.
    Work.objects.filter(pk=late.pk).update(changed=timezone.now() - timedelta(minutes=2))
    assert asked(lead, 0.3).state == State.WAITING


def test_a_worker_that_ends_hands_back_what_it_is_at(ours, counted):
    work = asked(ours.members["lead"], 0.5)
    assert carry_out(work.pk, lambda: True) is False
    worker()
    assert asked(ours.members["lead"], 0.5).state == State.DONE
    assert counted == ["begun", "begun", "ended"]


def test_a_database_that_goes_under_it_is_not_its_fault(ours):
    @long_work("cut off")
    def cut_off(_school, _asked, _told):
        if Work.objects.get().share == 0:
            Work.objects.update(share=0.5)
            with connection.cursor() as cursor:
                cursor.execute("SELECT pg_terminate_backend(pg_backend_pid())")
        return {"came": "through"}

    lead = ours.members["lead"]
    work = ask(lead, "cut off", {}, version="1")
    worker()
    assert ProcrastinateJob.objects.get().status == "todo"
    carry_out(work.pk, never)
    assert ask(lead, "cut off", {}, version="1").result == {"came": "through"}


def test_what_is_not_heard_of_any_more_is_begun_anew(ours, counted):
    lead, work = ours.members["lead"], asked(ours.members["lead"], 0.1)
    ProcrastinateJob.objects.all().delete()
    for silent, state in ((30, State.UNDER_WAY), (90, State.WAITING)):
        ago = timezone.now() - timedelta(seconds=silent)
        Work.objects.filter(pk=work.pk).update(state=State.UNDER_WAY, changed=ago)
        assert asked(lead, 0.1).state == state
    worker()
    assert asked(lead, 0.1).state == State.DONE


def test_what_goes_wrong_is_told_and_logged(ours):
    @long_work("wrong")
    def wrong(_school, _asked, _told):
        raise ZeroDivisionError

    lead = ours.members["lead"]
    work = ask(lead, "wrong", {}, version="1")
    with pytest.raises(ZeroDivisionError):
        carry_out(work.pk, never)
    with pytest.raises(InputError, match="nothing is lost"):
        ask(lead, "wrong", {}, version="1")


def test_old_work_is_forgotten_and_a_newer_form_of_the_answer_is_other_work(ours, counted):
    lead = ours.members["lead"]
    work = asked(lead)
    assert ask(lead, "counted", {"shares": []}, version="2").pk != work.pk
    Work.objects.filter(pk=work.pk).update(changed=timezone.now() - timedelta(days=31))
    forget()
    assert [w.pk for w in Work.objects.all()] != [work.pk]
    assert Work.objects.count() == 1
