"""The application as somebody meets it who has installed it just now: nothing is there."""

import pytest

from server.schools.models import School
from tests.browser.conftest import (  # noqa: F401
    browser,
    open_page,
    page,
    served,
    shared_page,
)


@pytest.fixture(scope="package")
def site(django_db_setup, django_db_blocker):
    with served(django_db_blocker, demo=False) as address:
        assert not School.objects.exists()
        yield address
