"""A mock test: drawn, an exercise replaced, driven without help, one result."""

import re

from playwright.sync_api import expect

from server.lessons.models import Attempt
from server.mock_tests.models import MockTest
from tests.browser.steps import sign_in


def test_a_mock_test_is_drawn_driven_and_comes_to_one_result(page):
    sign_in(page, learner="Joss Amber", at="Lesson")
    page.get_by_role("link", name="Mock tests of Joss Amber").click()
    drawing = page.get_by_role("region", name="Draw a mock test")
    expect(drawing.get_by_role("checkbox")).to_have_count(3)
    drawing.get_by_role("button", name="Draw it").click()
    test = page.get_by_role("region", name=re.compile("^Mock test of "))
    expect(test.get_by_role("status")).to_have_text("2 exercises still to drive and tape")
    # The first cannot take place: of the three one is left for it.
    test.get_by_role("button", name="Cannot take place").first.click()
    test.get_by_label("Why").fill("roadworks")
    test.get_by_role("button", name="Draw another").click()
    expect(test.get_by_role("listitem")).to_have_count(3)
    expect(test.get_by_role("listitem").first).to_contain_text("cancelled: roadworks")
    for left in (1, 0):
        # At once the next one is driven, though what it came to is still asked for.
        test.get_by_role("link", name="Drive it").click()
        expect(page.get_by_text(f"Mock test, exercise {2 - left} of 2: no help.")).to_be_visible()
        page.get_by_role("button", name="Start the clock").click()
        page.get_by_role("button", name="Done: go and tape").click()
        # At a corner it is kerbs, in a bay lines; a metre off is too far from all of them.
        edge = page.get_by_role("textbox", name=re.compile("^(Front|Rear) wheel to (kerb|line)$"))
        expect(edge).to_have_count(2)
        for wheel in ("Front", "Rear"):
            field = page.get_by_role("textbox", name=re.compile(f"^{wheel} wheel to"))
            field.fill("30 cm")
            field.press("Enter")
        page.get_by_role("button", name="Keep the readings").click()
        expect(page.get_by_role("button", name="Keep the readings")).to_have_count(0)
        page.get_by_role("link", name="On with the mock test").click()
    expect(test.get_by_role("status")).to_contain_text(
        re.compile("^(Standard met|Met, with small)")
    )
    expect(test.get_by_role("status")).to_contain_text("of 3 that are allowed, serious: 0.")
    # No look was noted: none is counted as done.
    expect(test.get_by_role("status")).to_contain_text("Not all that counts was watched.")
    kept = MockTest.objects.get(learner__name="Joss Amber")
    driven = Attempt.objects.filter(cue_sheet__learner__name="Joss Amber", help="mock test")
    assert [str(one.pk) for one in driven] == [
        link.get_attribute("href").split("attempt=")[1]
        for link in test.get_by_role("link", name="Open").all()
    ]
    told = page.request.get(f"/api/mock-tests/{kept.pk}/sheet")
    assert told.body().startswith(b"%PDF")
    # Decided, it makes room for the next one, which may be given up.
    drawing.get_by_role("button", name="Draw it").click()
    newest = page.get_by_role("region", name=re.compile("^Mock test of ")).first
    newest.get_by_role("button", name="Give up the test").click()
    newest.get_by_label("Why").fill("rain")
    newest.get_by_role("button", name="Give it up").click()
    expect(newest.get_by_role("status")).to_have_text("Given up: rain")
