"""What every test stands on: cases that can be tried again, and a database of the tests' own."""

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


@pytest.fixture(scope="session")
def django_db_setup(
    request, django_test_environment, django_db_modify_db_settings, django_db_blocker
):
    """Always a database of the tests' own; pytest-django makes one only for marked tests.

    --reuse-db keeps it, or takes the one kept; with --create-db it is made anew.
    """
    # Only here: the core's tests run where there is no Django.
    from django.conf import settings as django_settings  # noqa: PLC0415
    from django.db import connection  # noqa: PLC0415
    from django.test.utils import (  # noqa: PLC0415
        override_settings,
        setup_databases,
        teardown_databases,
    )

    # A served page's threads must not hold the database that is dropped at the end.
    connection.settings_dict["CONN_MAX_AGE"] = 0
    # Slow hashing guards real passwords; here it would only be waited for.
    django_settings.PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
    # And each test takes back what it did: in the database nothing worked out would outlast it.
    in_memory = {"default": {"BACKEND": "django.core.cache.backends.locmem.LocMemCache"}}
    override_settings(CACHES=in_memory).enable()
    kept = request.config.getoption("reuse_db")
    taken = kept and not request.config.getoption("create_db")
    with django_db_blocker.unblock():
        made = setup_databases(verbosity=0, interactive=False, keepdb=taken)
    yield
    if kept:
        return
    with django_db_blocker.unblock():
        teardown_databases(made, verbosity=0)
