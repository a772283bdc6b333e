"""What an instructor's hand does, in the words of the tests."""

import re

from playwright.sync_api import expect

MAREN = ("maren", "tidewell-demo")
TEODOR = ("teodor", "quarry-demo")
INES = ("ines", "tidewell-demo")


# Who has signed in already, and the cookies that say so: the door is tried once a person.
_OPEN = {}


def sign_in(page, person=MAREN, *, by_hand=False):
    if person in _OPEN and not by_hand:
        page.context.add_cookies(_OPEN[person])
        page.goto("/cues")
    else:
        page.goto("/")
        name, password = person
        page.get_by_label("Name").fill(name)
        page.get_by_label("Password").fill(password)
        page.get_by_role("button", name="Sign in").click()
    _arrive(page)
    if not by_hand:
        _OPEN[person] = page.context.cookies()


def _arrive(page):
    """Wait for the cues; a page that never came is loaded once more and told of.

    On a starved machine the very first page of a run has stood still for a minute, for a reason
    that is not known yet; what it showed is printed, so that it can be found.
    """
    calls = page.get_by_role("list", name="Calls")
    try:
        expect(calls).to_be_visible(timeout=30_000)
    except AssertionError:
        print("stood still at", page.url, "showing", page.locator("body").inner_text())
        page.reload()
        expect(calls).to_be_visible()


def choose(page, stub, item):
    page.get_by_role("button", name=re.compile(f"^{stub}:")).click()
    page.get_by_role("menuitem", name=item).click()
    expect(page.get_by_role("button", name=re.compile(f"^{stub}: .*{item}"))).to_be_visible()


def station(page, name):
    page.get_by_role("link", name=re.compile(f"\\d {name}$")).click()


def desk(page, name):
    page.get_by_role("navigation").get_by_role("link", name=name, exact=True).click()
    expect(page.get_by_role("heading", name=name, level=1)).to_be_visible()


def field(page, label):
    return page.get_by_role("textbox", name=label, exact=True)


def type_length(page, label, text):
    field(page, label).fill(text)
    field(page, label).press("Enter")


def note_attempt(page):
    """Drive the sheet at hand without a note, as far as the tape."""
    station(page, "Drive")
    page.get_by_role("button", name="Start the clock").click()
    page.get_by_role("button", name="Done: go and tape").click()
    expect(field(page, "Front wheel to kerb")).to_be_visible()
