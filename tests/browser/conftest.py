"""One browser and one served demo for all tests of the interface; each test has its own page.

The demo is loaded once: tests that change something pick a learner or document of their own.
"""

import os
import subprocess
from contextlib import contextmanager
from urllib.parse import urlsplit

import pytest
from django.core.management import call_command
from django.db import connection
from playwright.sync_api import expect, sync_playwright
from pytest_django.live_server_helper import LiveServer

from house.browser import FLAGS, PROGRAM
from house.serving import WORKER
from house.shell import ROOT
from server.demo.load import load_demo
from tests.browser.steps import OPEN

# Playwright's own loop runs in this thread; the ORM is only used between its calls.
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
# A busy machine answers late; what never comes is found out all the same.
PATIENCE_MS = 60_000
expect.set_options(timeout=PATIENCE_MS)


@pytest.fixture(scope="package")
def site(django_db_setup, django_db_blocker):
    with served(django_db_blocker) as address:
        load_demo()
        # Whoever had signed in has done so with a demo that is gone.
        OPEN.clear()
        yield address


@contextmanager
def served(blocker):
    """The application on the tests' own database, which is emptied at the end."""
    assert connection.settings_dict["NAME"].startswith("test_")
    with blocker.unblock():
        # Outside Playwright's loop there is a connection of its own, which the end of another
        # package may have cut.
        connection.close()
        # A thread answers each request, and would take longer to be let in than to answer.
        connection.settings_dict["OPTIONS"]["pool"] = {"min_size": 1, "max_size": 12}
        server = LiveServer("127.0.0.1")
        yield server.url
        server.stop()
        # Opened inside Playwright's loop, it would be out of reach once that has ended.
        connection.close()
        connection.close_pool()
        del connection.settings_dict["OPTIONS"]["pool"]
        _end_unanswered()
        call_command("flush", interactive=False, verbosity=0)
        connection.close()


@pytest.fixture(scope="package", autouse=True)
def worker(site):
    """A worker beside the served demo, as `./fair-corner demo` starts one."""
    named = urlsplit(os.environ["DATABASE_URL"])._replace(
        path="/" + connection.settings_dict["NAME"]
    )
    env = {**os.environ, "DATABASE_URL": named.geturl()}
    process = subprocess.Popen(WORKER, cwd=ROOT, env=env)
    yield process
    process.terminate()
    process.wait()


def _end_unanswered():
    """A request that was under way when its page closed still holds the database."""
    with connection.cursor() as cursor:
        cursor.execute(
            "SELECT pg_terminate_backend(pid) FROM pg_stat_activity"
            " WHERE datname = current_database() AND pid <> pg_backend_pid()"
        )


@pytest.fixture(scope="package")
def browser():
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=PROGRAM, args=FLAGS)
        yield browser
        browser.close()


@pytest.fixture
def open_page(browser, site):
    """Pages of any size; whatever a page complains about to its console fails the test."""
    contexts, complaints, asked = [], [], []

    def opened(width=1280, height=800, **options):
        # Only who tries what is on the device puts the application on one: it is all of it.
        # What moves only to please takes up time, and nothing that is tried depends on it.
        context = browser.new_context(
            viewport={"width": width, "height": height}, base_url=site, reduced_motion="reduce",
            service_workers=options.pop("service_workers", "block"), **options
        )  # fmt: skip
        context.set_default_timeout(PATIENCE_MS)
        contexts.append(context)
        page = context.new_page()
        page.on("pageerror", lambda error: complaints.append(str(error)))
        page.on("request", lambda request: asked.append(request))  # noqa: PLW0108  Playwright marks it
        return page

    yield opened
    _tell(asked)
    for context in contexts:
        context.close()
    assert complaints == []


def _tell(asked):
    """What the pages asked for last and what came of it: pytest shows it beside a failure."""
    for request in asked[-12:]:
        answer = request.existing_response
        print(request.method, request.url, answer.status if answer else "not answered")


@pytest.fixture
def page(open_page):
    return open_page()
