"""One browser and one served demo for all tests of the interface; each test has its own page.

The demo is a copy made once: tests that change something pick a learner or document of their own.
"""

import os
import subprocess
from contextlib import contextmanager
from urllib.parse import urlsplit

import pytest
from django.db import connection
from playwright.sync_api import expect, sync_playwright
from pytest_django.live_server_helper import LiveServer

from house import databases
from house.browser import FLAGS, PROGRAM
from house.serving import WORKER
from house.shell import ROOT
from tests.browser.steps import OPEN
from tests.conftest import use_database

# Playwright's own loop runs in this thread; the ORM is only used between its calls.
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
# A busy machine answers late; what never comes is found out all the same.
PATIENCE_MS = 60_000
# A page lives for seconds: V8's optimising compilers would cost an eighth of the browser's time
# and earn nothing back. Its plain compiler alone is quickest.
QUICK_TO_START = "--js-flags=--no-opt --no-maglev --always-sparkplug"
expect.set_options(timeout=PATIENCE_MS)


@pytest.fixture(scope="package")
def site(django_db_setup, django_db_blocker):
    with served(django_db_blocker, demo=True) as address:
        # Whoever had signed in has done so with a demo that is gone.
        OPEN.clear()
        yield address


@contextmanager
def served(blocker, *, demo):
    """The application on a database of its own, which is dropped at the end."""
    url, before = os.environ["DATABASE_URL"], connection.settings_dict["NAME"]
    name = f"{before}_served"
    with blocker.unblock():
        use_database(databases.copied(url, name, demo=demo))
        # A thread answers each request, and would take longer to be let in than to answer.
        connection.settings_dict["OPTIONS"]["pool"] = {"min_size": 1, "max_size": 12}
        server = LiveServer("127.0.0.1")
        yield server.url
        server.stop()
        # Opened inside Playwright's loop, it would be out of reach once that has ended.
        connection.close()
        connection.close_pool()
        del connection.settings_dict["OPTIONS"]["pool"]
        use_database(before)
        databases.dropped(url, name)


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


@pytest.fixture(scope="package")
def browser():
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=PROGRAM, args=[*FLAGS, QUICK_TO_START])
        yield browser
        browser.close()


@pytest.fixture(scope="package")
def shared_page(browser, site):
    """A page that tests use one after the other: what it has fetched and compiled stays."""
    context = _context(browser, site)
    yield context.new_page()
    context.close()


def _context(browser, site, **options):
    # Only who tries what is on the device puts the application on one: it is all of it.
    # What moves only to please takes up time, and nothing that is tried depends on it.
    context = browser.new_context(
        base_url=site, reduced_motion="reduce",
        service_workers=options.pop("service_workers", "block"), **options
    )  # fmt: skip
    context.set_default_timeout(PATIENCE_MS)
    return context


def _empty(page, site):
    """Leave a page and its browser as if nobody had been here; only what is served is known."""
    page.unroute_all(behavior="ignoreErrors")
    page.context.set_offline(False)
    page.emulate_media(media="null")
    # Nothing of the application runs there that could store anything again.
    page.goto("/mark.svg")
    page.evaluate("sessionStorage.clear()")
    page.context.clear_cookies()
    stored = "local_storage,indexeddb,cache_storage,service_workers"
    devtools = page.context.new_cdp_session(page)
    devtools.send("Storage.clearDataForOrigin", {"origin": site, "storageTypes": stored})
    devtools.detach()


@pytest.fixture
def open_page(browser, site, shared_page):
    """Pages of any size, each of somebody of its own; whatever a page complains about to its
    console fails the test. The first without options is the shared one.
    """
    contexts, complaints, asked = [], [], []
    listeners = {
        "pageerror": lambda error: complaints.append(str(error)),
        "request": lambda request: asked.append(request),  # noqa: PLW0108  Playwright marks it
    }
    pages = []

    def opened(width=1280, height=800, **options):
        if options or pages:
            contexts.append(_context(browser, site, **options))
            page = contexts[-1].new_page()
        else:
            page = shared_page
            _empty(page, site)
        page.set_viewport_size({"width": width, "height": height})
        for event, listener in listeners.items():
            page.on(event, listener)
        pages.append(page)
        return page

    yield opened
    _tell(asked)
    for event, listener in listeners.items():
        for page in pages:
            page.remove_listener(event, listener)
    for context in contexts:
        context.close()
    for other in shared_page.context.pages[1:]:
        other.close()
    assert complaints == []


def _tell(asked):
    """What the pages asked for last and what came of it: pytest shows it beside a failure."""
    for request in asked[-12:]:
        answer = request.existing_response
        print(request.method, request.url, answer.status if answer else "not answered")


@pytest.fixture
def page(open_page):
    return open_page()
