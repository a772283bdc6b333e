"""What an instructor's hand does, in the words of the tests."""

import re
import time
from urllib.parse import urlencode

from playwright.sync_api import expect

from server.documents.models import Document
from server.schools.models import Member

# A busy machine asks late, too.
PATIENCE_S = 60
MAREN = ("maren", "tidewell-demo")
TEODOR = ("teodor", "quarry-demo")
INES = ("ines", "tidewell-demo")
STATIONS = ("Seat", "Ground", "Cues", "Drive", "Tape", "Shift")


# Who has signed in already, and the cookies that say so: the door is tried once a person.
OPEN = {}


def sign_in(page, person=MAREN, *, learner=None, ground=None, at="Cues", by_hand=False):
    """Come in as somebody: to a screen, with a learner on the docket, as a link brings both."""
    if by_hand or person not in OPEN:
        _through_the_door(page, *person)
    if by_hand:
        expect(page.get_by_role("list", name="Calls")).to_be_visible()
        return
    page.context.add_cookies(OPEN.setdefault(person, page.context.cookies()))
    chosen = {}
    if learner:
        chosen["learner"] = Member.objects.get(name=learner).pk
    if ground:
        chosen["ground"] = Document.objects.with_latest().get(name__startswith=ground).pk
    page.goto(f"/{at.lower()}?{urlencode(chosen)}")
    there(page, at)


def _through_the_door(page, name, password):
    page.goto("/")
    page.get_by_label("Name").fill(name)
    page.get_by_label("Password").fill(password)
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_label("Password")).to_have_count(0)


def there(page, name):
    """Wait until a screen is there with what it is for: what is still to come would move it."""
    if name == "Cues":
        expect(page.get_by_role("list", name="Calls")).to_be_visible()
    expect(page.get_by_role("heading", name=name, level=1)).to_be_attached()
    if name not in STATIONS:
        expect(page.locator(".MuiCircularProgress-root")).to_have_count(0)


def go_to(page, where):
    """Another screen of the page that is open, as by a link: nothing is loaded anew for it."""
    before = page.title()
    page.evaluate(
        "(to) => { history.pushState(null, '', to); dispatchEvent(new PopStateEvent('popstate')) }",
        where,
    )
    # Until it is there, the one before is: each has a title of its own.
    expect(page).not_to_have_title(before)


def sign_out(page):
    # The application goes to its door by itself; whoever goes elsewhere before that is turned back.
    with page.expect_navigation():
        page.get_by_role("button", name="Sign out").click()
    expect(page.get_by_label("Password")).to_be_visible()


def calls(page):
    """The buttons of the calls, between those of the first stop and the last."""
    listed = page.get_by_role("list", name="Calls").get_by_role("button")
    return listed.filter(has_not_text=re.compile("^(First|Last) stop"))


def choose(page, stub, item):
    page.get_by_role("button", name=re.compile(f"^{stub}:")).click()
    page.get_by_role("option", name=item).click()
    expect(page.get_by_role("button", name=re.compile(f"^{stub}: .*{item}"))).to_be_visible()


def take_sheet(page):
    """On to Drive, by whatever the button says: somebody may have revised what it is made from."""
    ways = "^(Drive this sheet|(Use this sheet|Bring the sheet up to date) and drive)$"
    page.get_by_role("button", name=re.compile(ways)).click()
    # Who goes to Drive before the sheet is kept finds the one before there.
    expect(page.get_by_role("heading", name="Drive", level=1)).to_be_attached()


def station(page, name):
    page.get_by_role("link", name=re.compile(f"\\d {name}$")).click()
    # Until the station is there, the one before it is, with links of its own.
    expect(page.get_by_role("heading", name=name, level=1)).to_be_attached()


def desk(page, name):
    page.get_by_role("navigation").get_by_role("link", name=name, exact=True).click()
    there(page, name)


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


def step(page, card):
    """Take a step in hand: 0 the first stop, then the calls, the last stop, and leaving."""
    page.get_by_role("navigation", name="Steps").get_by_role("button").nth(card).click()


def call_came(page, number, timing):
    step(page, number)
    page.get_by_role("group", name=f"Call {number}").get_by_role("button", name=timing).click()


def so_far(page):
    """What was noted of the attempt under way, beside the step in hand."""
    return page.get_by_role("list", name="Noted so far")


def start_over(page):
    page.get_by_role("button", name="Noted so far, and options").click()
    page.get_by_role("button", name="Start over").click()


class Held:
    """Requests to an address, kept from the server until they are let go, first come first."""

    def __init__(self, page, address):
        self._page, self._routes = page, []
        page.route(address, lambda route: self._routes.append(route))  # noqa: PLW0108  Playwright marks it

    def let_go(self):
        """The first of them; waits for it, since a page shows that it waits before it has asked."""
        deadline = time.monotonic() + PATIENCE_S
        while not self._routes and time.monotonic() < deadline:
            self._page.wait_for_timeout(20)
        self._routes[0].continue_()
