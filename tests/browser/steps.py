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
    expect(page.get_by_role("list", name="Calls")).to_be_visible()
    if not by_hand:
        _OPEN[person] = page.context.cookies()


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
