"""The application as served: started by its command, loaded, killed piece by piece, stopped."""

import re
import resource
import socket
from urllib.error import HTTPError
from urllib.request import Request, urlopen

import pytest

from house.kills import tried
from house.offline import day
from house.trial import new_folder, patiently, serve
from tests.long_forms import KILL_ROUNDS, OFFLINE_ATTEMPTS


@pytest.fixture(scope="module")
def open_folder():
    """Not one of pytest's own, which are closed to whoever owns the database."""
    with new_folder() as folder:
        yield folder


@pytest.fixture(scope="module")
def served(open_folder):
    with serve(open_folder / "here") as machine:
        machine.begin()
        yield machine


def test_five_hundred_idle_and_half_sent_connections_hold_nobody_up(served):
    most = resource.getrlimit(resource.RLIMIT_NOFILE)
    resource.setrlimit(resource.RLIMIT_NOFILE, (max(most[0], min(2048, most[1])), most[1]))
    host, port = served.address.removeprefix("http://").split(":")
    held = []
    try:
        for i in range(500):
            held.append(socket.create_connection((host, int(port))))
            if i % 2:
                begun = f"POST /api/plan HTTP/1.1\r\nHost: {host}\r\nContent-Length: 90\r\n\r\n{{"
                held[-1].sendall(begun.encode())
        for _ in range(20):
            assert served.ask("/api/people")[0] == 200
    finally:
        for one in held:
            one.close()


def test_whatever_is_killed_is_there_again_and_every_attempt_once(served):
    done = tried(served, rounds=KILL_ROUNDS, seed=7)
    assert done.kills == 8 * KILL_ROUNDS
    assert done.asked > done.kept > 8


def test_a_day_without_a_line_is_there_exactly_once_whatever_was_killed(served, open_folder):
    done = day(served, open_folder, attempts=OFFLINE_ATTEMPTS, seed=5)
    assert done.attempts == OFFLINE_ATTEMPTS
    assert done.browsers >= 2
    assert done.servers >= 2


def opened(served, path, accept):
    """Status, kind and text of what the front answers a browser or a program."""
    asked = Request(served.address + path, headers={"Accept": accept})
    try:
        answer = urlopen(asked)
    except HTTPError as error:
        answer = error
    with answer:
        return answer.status, answer.headers.get_content_type(), answer.read().decode()


def test_a_page_opened_before_all_is_ready_says_that_it_starts_and_goes_on(served):
    (served.folder / "ready").unlink()
    status, kind, text = opened(served, "/cues", "text/html,*/*")
    assert (status, kind) == (503, "text/html")
    assert 'http-equiv="refresh"' in text
    assert "is starting" in text
    assert opened(served, "/api/health", "application/json")[0] == 200
    (served.folder / "ready").touch()
    status, kind, text = opened(served, "/cues", "text/html,*/*")
    assert (status, kind) == (200, "text/html")
    assert "is starting" not in text


def test_what_goes_wrong_before_the_application_is_told_in_its_shape(served):
    status, told = served.ask("/api/plan", {"much": "x" * 3_000_000})
    assert (status, set(told)) == (413, {"field", "label", "problem"})
    status, told = served.ask("/api/uses?" + "&".join(f"document={n}" for n in range(2_000)))
    assert (status, set(told)) == (414, {"field", "label", "problem"})
    answers = [served.ask("/api/session", {"username": "nobody", "password": "x"})
               for _ in range(70)]  # fmt: skip
    assert answers[0][0] == 401
    status, told = answers[-1]
    assert status == 429
    # At the door, where they come quickly; else where passwords are counted.
    assert re.search("wait a (moment|quarter of an hour)", told["problem"])


def test_the_address_that_a_calendar_asks_stands_in_no_log(served):
    _, made = served.ask("/api/calendar", {})
    with urlopen(served.address + made["address"]) as feed:
        assert feed.read().startswith(b"BEGIN:VCALENDAR")
    assert served.ask("/api/calendar")[1] == {"made": made["made"]}
    log = (served.folder / "requests.log").read_text("utf-8")
    assert "/api/calendar " in log
    assert made["address"] not in log


def test_it_says_whether_it_runs_and_runs_once(served):
    told = served.command("status")
    assert told.returncode == 0
    assert served.address in told.stdout
    again = served.command("serve")
    assert again.returncode == 1
    assert "running already" in again.stderr


def test_two_machines_share_nothing_but_the_database(served, open_folder):
    folder = open_folder / "there"
    _, told = served.ask("/api/session")
    assert told["person"]["name"] == "Lena Lead"
    key = (served.folder / "secret-key").read_text()
    with serve(folder, DATABASE_URL=served.database_url(), FAIR_CORNER_SECRET_KEY=key) as other:
        # A session of one is a session of the other, and so is what is kept.
        other.jar = served.jar
        ines = {"name": "Ines Ivers", "role": "learner"}
        assert served.ask("/api/people", ines)[0] == 201
        names = [one["name"] for one in other.ask("/api/people")[1]["items"]]
        assert {"Ines Ivers", "Lena Lead"} <= set(names)
        for machine in (served, other):
            patiently(lambda machine=machine: machine.ask("/api/health")[1]["workers"] >= 2)
        assert other.ask("/api/session", method="DELETE")[0] == 204
        assert served.ask("/api/people")[0] == 401
