"""Readings typed with a thumb: on keys of their own, however a tape is read, field by field."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.steps import MAREN, TEODOR, field, sign_in, station, type_length


def an_attempt(page):
    station(page, "Drive")
    page.get_by_role("button", name="Start the clock").click()
    page.get_by_role("button", name="Done: go and tape").click()
    expect(field(page, "Rear wheel to kerb")).to_be_visible()


def taped_and_spoilt(page):
    """Out of every other test's way."""
    page.get_by_role("button", name="Keep the readings").click()
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()
    page.get_by_role("button", name="Spoilt by others").click()
    expect(page.get_by_role("button", name="Count it again")).to_be_visible()


@pytest.mark.parametrize(
    ("person", "keys", "told"),
    [(TEODOR, "1'2", "1 ft 2 in"), (MAREN, "0.4", "40 cm"), (MAREN, "40", "40 cm")],
)
def test_a_reading_is_typed_on_its_own_keys_and_makes_room_for_the_next(
    open_page, person, keys, told
):
    page = open_page(390, 844, has_touch=True, is_mobile=True)
    sign_in(page, person)
    an_attempt(page)
    rear, front = field(page, "Rear wheel to kerb"), field(page, "Front wheel to kerb")
    pad = page.get_by_role("group", name="Keys for a length")
    expect(pad).to_have_count(0)
    rear.tap()
    for key in [*keys, "9"]:
        pad.get_by_role("button", name=key, exact=True).tap()
    pad.get_by_role("button", name="Take the last key back").tap()
    pad.get_by_role("button", name="Next").tap()
    expect(rear).to_have_value(told)
    expect(front).to_be_focused()
    # What the keys lie on can still be reached: a reading is never under them.
    box, keys_box = front.bounding_box(), pad.bounding_box()
    assert box["y"] + box["height"] <= keys_box["y"]
    for key in keys:
        pad.get_by_role("button", name=key, exact=True).tap()
    front.blur()
    expect(pad).to_have_count(0)
    taped_and_spoilt(page)


def test_with_a_keyboard_enter_goes_on_to_the_next_reading(page):
    sign_in(page, learner="Yara Quill")
    an_attempt(page)
    rear, front = field(page, "Rear wheel to kerb"), field(page, "Front wheel to kerb")
    rear.fill("0.3")
    rear.press("Enter")
    expect(front).to_be_focused()
    expect(page.get_by_role("group", name="Keys for a length")).to_have_count(0)
    front.fill("no length")
    front.press("Enter")
    # What is no length stays under the hand, and says so.
    expect(front).to_be_focused()
    front.fill("0.3")
    front.press("Enter")
    taped_and_spoilt(page)


def test_a_reading_that_can_hardly_be_is_asked_about_at_once(page):
    sign_in(page, learner="Yara Quill")
    an_attempt(page)
    type_length(page, "Rear wheel to kerb", "12 m")
    asked = page.get_by_role("alert").filter(has_text="Rear wheel to kerb")
    expect(asked).to_contain_text("must be between −1 m and 4 m")
    type_length(page, "Rear wheel to kerb", "1.3 m")
    # The plan is of whichever sheet is at hand.
    expect(asked).to_contain_text(re.compile(r"1\.30 m is far from the \d\d cm that were planned"))
    type_length(page, "Front wheel to kerb", "1.3 m")
    keep = page.get_by_role("button", name="Keep the readings")
    asked.get_by_role("button", name="It is so").click()
    expect(asked).to_have_count(0)
    expect(keep).to_be_disabled()
    page.get_by_role("button", name="It is so").click()
    taped_and_spoilt(page)
