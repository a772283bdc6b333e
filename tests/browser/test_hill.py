"""The hill page: the wheels' way changes with the hill and the edge, not with the side."""

from playwright.sync_api import expect

from tests.browser.steps import TEODOR, sign_in, type_length


def best(page):
    return page.get_by_role("region").filter(has_text="Leave them like this.")


def test_the_rule_changes_with_the_hill_and_the_edge(page):
    sign_in(page, at="Ground")
    page.get_by_role("link", name="On a hill").click()
    expect(best(page)).to_have_attribute("aria-label", "Wheels away from the kerb")
    expect(best(page)).to_contain_text("front tyre meets the kerb")
    page.get_by_role("button", name="downhill").click()
    expect(best(page)).to_have_attribute("aria-label", "Wheels toward the kerb")
    page.get_by_role("button", name="no kerb").click()
    expect(best(page)).to_contain_text("leaves the road")
    page.get_by_role("button", name="uphill").click()
    expect(best(page)).to_have_attribute("aria-label", "Wheels toward the kerb")
    page.get_by_role("button", name="on the right").click()
    expect(best(page)).to_have_attribute("aria-label", "Wheels toward the kerb")


def test_a_gap_out_of_reason_is_told_and_the_drawing_stays(page):
    sign_in(page, TEODOR, at="Ground")
    page.get_by_role("link", name="On a hill").click()
    expect(best(page)).to_contain_text(" in")
    type_length(page, "Off the kerb", "20 ft")
    expect(page.get_by_role("alert")).to_contain_text("between 0 in and 6 ft 6.7 in")
    expect(best(page)).to_be_visible()
