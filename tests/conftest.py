"""Things that many tests stand on: the demo's cars and places, and schools in the database."""

import json
from pathlib import Path

import pytest
from django.conf import settings as django_settings
from django.db import connection
from django.test.utils import setup_databases, teardown_databases
from faircorner.documents.library import house_standard, methods
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.ground import lay_kerb
from hypothesis import settings

from server.demo.vehicles import LINNET, seat_document, vehicle_document

# How long a case takes says nothing about whether it is right; and a change is told from luck only
# where the same cases are tried again.
settings.register_profile("house", deadline=None, derandomize=True)
settings.load_profile("house")

CASES = Path(__file__).parent / "core" / "drive_cases.json"


@pytest.fixture(scope="session")
def django_db_setup(django_test_environment, django_db_modify_db_settings, django_db_blocker):
    """Always a database of the tests' own; pytest-django makes one only for marked tests."""
    # A served page's threads must not hold the database that is dropped at the end.
    connection.settings_dict["CONN_MAX_AGE"] = 0
    # Slow hashing guards real passwords; here it would only be waited for.
    django_settings.PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
    with django_db_blocker.unblock():
        made = setup_databases(verbosity=0, interactive=False)
    yield
    with django_db_blocker.unblock():
        teardown_databases(made, verbosity=0)


@pytest.fixture(scope="session")
def linnet():
    return VehicleDocument.read(vehicle_document(LINNET)).build()


@pytest.fixture(scope="session")
def seat():
    return SeatDocument.read(seat_document(LINNET, "seat", back=0.0, height=1.2)).build()


@pytest.fixture(scope="session")
def method():
    return methods()["Straight-run reverse park"].build()


@pytest.fixture(scope="session")
def bands():
    return house_standard().build().bands()


@pytest.fixture(scope="session")
def quay():
    return lay_kerb("quay", goal_ahead=2.0)


@pytest.fixture(scope="session")
def drive_cases():
    return json.loads(CASES.read_text("utf-8"))["cases"]
