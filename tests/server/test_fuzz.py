"""Every operation tried by its own schema: a few requests each, ten thousand in the long form."""

import pytest
import schemathesis
from django.core.signals import request_finished, request_started
from django.db import close_old_connections

from house.fuzz import faults
from server.wsgi import application
from tests.long_forms import FUZZ_EXAMPLES, FUZZ_ROLES


@pytest.fixture
def one_connection():
    """The requests' is the test's own, which takes back what they did."""
    for signal in (request_started, request_finished):
        signal.disconnect(close_old_connections)
    yield
    for signal in (request_started, request_finished):
        signal.connect(close_old_connections)


@pytest.mark.parametrize("role", FUZZ_ROLES)
def test_no_answer_is_a_fault_of_ours_or_one_that_is_not_told_of(ours, one_connection, role):
    session, token = ours.client(role).cookies["sessionid"].value, "t" * 32
    headers = {"Cookie": f"sessionid={session}; csrftoken={token}", "X-CSRFToken": token,
               "Accept-Encoding": "identity"}  # fmt: skip
    schema = schemathesis.openapi.from_wsgi("/api/openapi.json", application)
    assert list(faults(schema, headers, FUZZ_EXAMPLES)) == []


def test_a_wrong_part_of_a_form_is_named(client):
    """It was a fault of ours: a form has been read once, and is not there to be read again."""
    client.get("/")
    for form, field in (({"key": "k" * 201}, "key"), ({"key": "k"}, "username")):
        answer = client.post("/api/begin/from-file", {**form, "password": "a-long-enough-word"})
        assert (answer.status_code, answer.json()["field"]) == (422, field)
