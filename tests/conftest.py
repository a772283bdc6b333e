"""What every test stands on: cases that can be tried again, and a database of the tests' own."""

import os

import pytest
from hypothesis import Phase, settings

# How long a case takes says nothing about whether it is right; and a change is told from luck only
# where the same cases are tried again.
settings.register_profile("house", deadline=None, derandomize=True)
# For mutants: whether a case fails at all, not the smallest that does.
settings.register_profile(
    "first", settings.get_profile("house"), phases=[Phase.explicit, Phase.generate]
)
settings.load_profile("house")


# Files that take longest begin first, so that all processes end together.
_ORDER = ("tests/house/test_serving.py", "tests/browser/test_everybody_gets_in.py",
          "tests/browser/test_cues_and_drive.py", "tests/browser/test_nothing_is_lost.py",
          "tests/first_hour/", "tests/browser/", "tests/server/", "tests/house/")  # fmt: skip


def pytest_collection_modifyitems(items):
    def place(item):
        starts = [i for i, start in enumerate(_ORDER) if item.nodeid.startswith(start)]
        return starts[0] if starts else len(_ORDER)

    items.sort(key=place)


@pytest.fixture(scope="session")
def django_db_setup(
    request, django_test_environment, django_db_modify_db_settings, django_db_blocker
):
    """A database of this process's own, copied from the tests' template and dropped at the end.

    pytest-django would make one only for marked tests, and migrate it for each process.
    """
    # Only here: the core's tests run where there is no Django.
    from django.conf import settings as django_settings  # noqa: PLC0415
    from django.test.utils import override_settings  # noqa: PLC0415

    from house import databases  # noqa: PLC0415

    # Slow hashing guards real passwords; here it would only be waited for.
    quick = "django.contrib.auth.hashers.MD5PasswordHasher"
    django_settings.PASSWORD_HASHERS = [quick, *django_settings.PASSWORD_HASHERS]
    # Each test takes back what it did, so in the database nothing computed would outlast it.
    ready = databases.READY in os.environ
    override_settings(CACHES={"default": _in_memory() if ready else _on_disk()}).enable()
    if ready:
        # Where mutants are tried, one copy serves many processes, one after the other.
        yield
        return
    url = os.environ["DATABASE_URL"]
    name = f"test_{os.environ.get('PYTEST_XDIST_WORKER', 'alone')}"
    use_database(databases.copied(url, name))
    yield
    databases.dropped(url, name)


def _in_memory():
    return {"BACKEND": "django.core.cache.backends.locmem.LocMemCache"}


def _on_disk():
    """What this very code has computed before, in whichever process or run, is found again."""
    from house.digest import digest  # noqa: PLC0415
    from house.shell import ROOT, RUN  # noqa: PLC0415

    return {
        "BACKEND": "django.core.cache.backends.filebased.FileBasedCache",
        "LOCATION": RUN / "computed",
        "KEY_PREFIX": digest(ROOT, ["core", "server", "requirements.lock"]),
        "TIMEOUT": 24 * 60 * 60,
        "OPTIONS": {"MAX_ENTRIES": 20_000},
    }


def use_database(url):
    """Have Django connect to another database from now on."""
    from django.db import connection  # noqa: PLC0415

    connection.close()
    connection.settings_dict["NAME"] = url.rpartition("/")[2]
    # A served page's threads must not hold a database that is dropped at the end.
    connection.settings_dict["CONN_MAX_AGE"] = 0
