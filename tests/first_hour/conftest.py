"""The application as somebody meets it who has installed it just now: nothing is there."""

import pytest
from django.core.management import call_command
from django.db import connection
from pytest_django.live_server_helper import LiveServer

from server.schools.models import School
from tests.browser.conftest import _end_unanswered, browser, open_page, page  # noqa: F401


@pytest.fixture(scope="package")
def site(django_db_setup, django_db_blocker):
    # What follows empties the database at the end: never another than the tests' own.
    assert connection.settings_dict["NAME"].startswith("test_")
    with django_db_blocker.unblock():
        assert not School.objects.exists()
        server = LiveServer("127.0.0.1")
        yield server.url
        server.stop()
        _end_unanswered()
        call_command("flush", interactive=False, verbosity=0)
        connection.close()
