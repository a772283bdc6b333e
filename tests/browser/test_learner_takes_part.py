"""The learner says it first: what follows, the steps, where it stands; and the help there was."""

import re

from playwright.sync_api import expect

from server.lessons.models import Attempt
from server.schools.models import Member
from tests.browser.steps import TEODOR, desk, field, sign_in, type_length


def test_what_a_learner_says_is_kept_beside_what_is_so(page):
    sign_in(page, learner="Piet Hask", at="Drive")
    page.get_by_role("combobox", name="Help").click()
    page.get_by_role("option", name="cues only").click()
    page.get_by_role("button", name="Steps from memory").click()
    memory = page.get_by_role("dialog", name="Steps from memory")
    says = _steps(page)
    # The first two change places.
    for say in (says[1], says[0], *says[2:]):
        memory.get_by_role("button", name=say, exact=True).click()
    in_place = f"{len(says) - 2} of {len(says)} steps in place"
    expect(memory.get_by_role("status")).to_have_text(in_place)
    memory.get_by_role("button", name="Keep the order").click()
    page.get_by_role("button", name="What follows?").click()
    follows = page.get_by_role("dialog", name="If you steer now")
    follows.get_by_role("button", name="A", exact=True).click()
    follows.get_by_role("button", name="away from it").click()
    expect(follows.get_by_role("status")).to_contain_text("The tail goes toward the edge.")
    expect(follows.get_by_role("status")).to_contain_text("Not so.")
    follows.get_by_role("button", name="Close").click()
    expect(page.get_by_role("button", name="1 prediction")).to_be_visible()
    page.get_by_role("button", name="Start the clock").click()
    page.get_by_role("button", name="Done: go and tape").click()
    # Said before the tape: nothing that the drawing offers counts as said.
    page.get_by_role("button", name="Piet Hask says first").click()
    stands = page.get_by_role("dialog", name="Where does it stand?")
    that = stands.get_by_role("button", name="That is where it stands")
    front = stands.get_by_role("textbox", name="Front wheel to kerb")
    expect(front).to_have_value("")
    expect(that).to_be_disabled()
    front.fill("20 cm")
    front.press("Enter")
    # One wheel says nothing of the other.
    expect(stands.get_by_role("textbox", name="Rear wheel to kerb")).to_have_value("")
    expect(that).to_be_enabled()
    # From where that moved it to it is moved on, which says all there is to say.
    stands.get_by_role("button", name="Move the vehicle").press("ArrowUp")
    expect(front).to_have_value(re.compile("^1. cm$"))
    expect(stands.get_by_role("textbox", name="Rear wheel to kerb")).to_have_value(
        re.compile("^1. cm$")
    )
    for name in ("Front wheel to kerb", "Rear wheel to kerb"):
        stands.get_by_role("textbox", name=name).fill("20 cm")
        stands.get_by_role("textbox", name=name).press("Enter")
    that.click()
    said = page.get_by_role("region", name="Said before the tape by Piet Hask")
    expect(said).to_contain_text("Front wheel to kerb 20 cm")
    expect(said).to_contain_text("Now the tape.")
    for name in ("Front wheel to kerb", "Rear wheel to kerb"):
        type_length(page, name, "32")
    page.get_by_role("button", name="Keep the readings").click()
    expect(said).to_contain_text("12 cm less than it is")
    notes = page.get_by_role("region", name="Noted while driving")
    expect(notes).to_contain_text("Help: cues only")
    expect(notes).to_contain_text(in_place)
    expect(notes).to_contain_text("Predicted rightly: 0 of 1")
    attempt = Attempt.objects.filter(cue_sheet__learner__name="Piet Hask").latest("started")
    assert attempt.notes["from_memory"][:2] == [1, 0]
    assert attempt.help == "cues only"
    desk(page, "Lesson")
    page.get_by_role("link", name="All that Piet Hask has driven").click()
    eye = page.get_by_role("region", name="Own eye")
    expect(eye).to_contain_text("Distance to the edge12 cm less than it is")
    page.get_by_role("combobox", name="Help").click()
    page.get_by_role("option", name="cues only").click()
    expect(page.get_by_text(re.compile("cues only")).last).to_be_visible()
    expect(page.get_by_role("link", name="Open")).to_have_count(1)


def test_where_it_stands_is_said_in_feet_with_the_kerb_on_the_right(page):
    sign_in(page, TEODOR, at="Drive")
    page.get_by_role("button", name="Start the clock").click()
    page.get_by_role("button", name="Done: go and tape").click()
    page.get_by_role("button", name="says first where it stands").click()
    stands = page.get_by_role("dialog", name="Where does it stand?")
    rear = stands.get_by_role("textbox", name="Rear wheel to kerb")
    expect(rear).to_have_value("")
    rear.fill("1'2")
    rear.press("Enter")
    # One figure is enough, and nothing follows from it.
    expect(stands.get_by_role("textbox", name="Front wheel to kerb")).to_have_value("")
    stands.get_by_role("button", name="That is where it stands").click()
    expect(page.get_by_text("Rear wheel to kerb 1 ft 2 in")).to_be_visible()
    said = Attempt.objects.filter(stated__isnull=False).latest("started").stated["readings"]
    assert [name for name, metres in said.items() if metres is not None] == ["kerb_rear_m"]
    expect(field(page, "Front wheel to kerb")).to_have_value("")
    # Taped and spoilt, it is in nobody's way.
    for name in ("Rear wheel to kerb", "Front wheel to kerb"):
        type_length(page, name, "12")
    page.get_by_role("button", name="Keep the readings").click()
    expect(page.get_by_role("link", name="Drive again")).to_be_visible()
    page.get_by_role("button", name="Spoilt by others").click()
    expect(page.get_by_role("button", name="Count it again")).to_be_visible()


def _steps(page):
    """What the method at hand says, step by step."""
    piet = Member.objects.get(name="Piet Hask")
    docket = page.request.get(f"/api/docket?learner={piet.pk}").json()
    return [step["say"] for step in docket["method"]["body"]["steps"]]
