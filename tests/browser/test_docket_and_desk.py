"""The docket, the rail, and the desk behind them."""

import json
import re
from urllib.error import HTTPError
from urllib.request import urlopen

import pytest
from faircorner.documents.samples import LINNET, vehicle_document
from faircorner.ground import KINDS
from playwright.sync_api import expect

from server.documents.models import Document
from server.lessons.models import Lesson
from server.schools.models import Member
from tests.browser.steps import INES, MAREN, TEODOR, choose, field, sign_in, sign_out, station


def test_wrong_passwords_are_told_and_the_name_stays(page):
    page.goto("/")
    page.get_by_label("Name").fill("maren")
    page.get_by_label("Password").fill("not it")
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_role("alert")).to_contain_text("do not go together")
    expect(page.get_by_label("Name")).to_have_value("maren")


def test_number_keys_walk_the_round(page):
    sign_in(page)
    for key, path in enumerate(("seat", "ground", "cues", "drive", "tape", "shift"), start=1):
        page.keyboard.press(str(key))
        expect(page).to_have_url(re.compile(f"/{path}"))


def test_a_link_brings_the_same_docket_to_somebody_else(page, open_page):
    sign_in(page)
    choose(page, "Learner", "Callum Dray")
    station(page, "Ground")
    expect(page.get_by_role("heading", name=re.compile("Weir Road"))).to_be_visible()
    link = page.url
    other = open_page()
    sign_in(other, ("idris", "tidewell-demo"))
    other.goto(link)
    expect(other.get_by_role("button", name="Learner: Callum Dray")).to_be_visible()
    expect(other.get_by_role("heading", name=re.compile("Weir Road"))).to_be_visible()
    # It is brought by one that names no screen, too.
    nia = Member.objects.get(name="Nia Solberg")
    other.goto(f"/?learner={nia.pk}")
    expect(other.get_by_role("button", name="Learner: Nia Solberg")).to_be_visible()


def test_a_link_from_another_school_shows_nothing_of_it(page, open_page):
    sign_in(page, MAREN)
    expect(page).to_have_url(re.compile("learner="))
    link = page.url
    other = open_page()
    sign_in(other, TEODOR)
    other.goto(link)
    expect(other.get_by_text("it may belong to another school")).to_be_visible()
    expect(other.get_by_text("Ines Varga")).to_have_count(0)


def test_the_docket_survives_a_new_visit(page):
    sign_in(page)
    choose(page, "Ground", "Station Approach")
    page.goto("/")
    expect(page.get_by_role("button", name=re.compile("Ground: Station Approach"))).to_be_visible()


def test_a_learner_is_added_and_put_on_the_docket(page):
    sign_in(page, at="People")
    field(page, "Name").fill("Wren Aldous")
    page.get_by_label("Note").fill("Tuesdays")
    page.get_by_role("button", name="Add a person").click()
    row = page.get_by_text("Wren Aldous").locator("..")
    expect(row).to_contain_text("Tuesdays")
    row.get_by_role("button", name="Put on the docket").click()
    expect(page.get_by_role("button", name="Learner: Wren Aldous")).to_be_visible()
    station(page, "Drive")
    expect(page.get_by_text("No cue sheet yet")).to_be_visible()
    station(page, "Shift")
    expect(page.get_by_text("No finishes yet")).to_be_visible()
    assert Member.objects.get(name="Wren Aldous").school.name == "Tidewell Motor School"


def test_a_lesson_is_booked_for_the_learner_on_the_docket_and_a_clash_is_told(page):
    sign_in(page, learner="Bea Orrin", at="Diary")
    page.get_by_role("button", name="Book a lesson").click()
    page.get_by_label("Starts").fill("2031-03-04T15:30")
    page.get_by_label("About").fill("Between two vehicles")
    page.get_by_role("form").get_by_role("button", name="Book a lesson").click()
    expect(page.get_by_text("Between two vehicles")).to_be_visible()
    assert Lesson.objects.get(about="Between two vehicles").learner.name == "Bea Orrin"
    # One that cannot be kept beside it is booked, and told at once.
    page.get_by_label("Starts").fill("2031-03-04T16:00")
    page.get_by_label("About").fill("A turn in the road")
    page.get_by_role("form").get_by_role("button", name="Book a lesson").click()
    clash = re.compile("at the same time: .* Bea Orrin with Maren Holt. They cannot both")
    expect(page.get_by_role("form").get_by_text(clash)).to_be_visible()
    expect(page.get_by_role("listitem").get_by_text(clash)).to_have_count(2)


def test_the_diary_runs_forward_for_what_comes_and_back_for_what_was(page):
    sign_in(page, at="Diary")
    headings = page.get_by_role("heading", level=2)
    expect(headings).to_have_text(["To come", "Given"])
    expect(page.get_by_text(re.compile("attempts: 5")).first).to_be_visible()


def test_a_calendar_reads_ones_lessons_by_an_address_until_it_is_withdrawn(page):
    sign_in(page, INES, at="Diary")
    page.get_by_role("button", name="In your own calendar").click()
    page.get_by_role("button", name="Make an address").click()
    address = page.get_by_label("Address for your calendar").input_value()
    with urlopen(address) as feed:
        assert b"Driving lesson with Idris Fenn" in feed.read()
    page.get_by_role("button", name="Withdraw the address").click()
    expect(page.get_by_role("button", name="Make an address")).to_be_visible()
    with pytest.raises(HTTPError, match="404"):
        urlopen(address)


def offer(page, name, content):
    page.set_input_files(
        "input[type=file]",
        {"name": name, "mimeType": "application/json", "buffer": content.encode()},
    )


def test_a_vehicle_goes_out_as_a_file_and_comes_in_as_a_new_one(page, tmp_path):
    sign_in(page, at="Garage")
    heron = page.locator(".MuiPaper-root").filter(has_text="Heron estate")
    expect(heron).to_contain_text("In use by Joss Amber")
    expect(heron).to_contain_text("Only the full-lock circle is measured")
    with page.expect_download() as download:
        page.get_by_role("button", name="Export").first.click()
    path = tmp_path / "vehicle.json"
    download.value.save_as(path)
    body = json.loads(path.read_text("utf-8"))
    assert body["format"] == "fair-corner/vehicle@2"
    offer(page, "twin.json", json.dumps({**body, "name": "Linnet twin"}))
    expect(page.get_by_text("Linnet twin is in the garage.")).to_be_visible()
    expect(page.get_by_role("heading", name="Linnet twin")).to_be_visible()


NO_VEHICLES = [
    ("notes.txt", "parked nicely", "is not a JSON file"),
    ("list.json", "[]", "document"),
    ("big.json", '"' + "x" * 950_000 + '"', "too large"),
    (
        "tight.json",
        json.dumps({**vehicle_document(LINNET), "wheelbase_m": 9.0}),
        "circle, kerb to kerb",
    ),
]


def test_a_file_that_is_no_vehicle_is_told_why_and_not_taken(page):
    sign_in(page, at="Garage")
    before = Document.objects.count()
    for name, content, said in NO_VEHICLES:
        offer(page, name, content)
        expect(page.get_by_role("alert")).to_contain_text(said)
    assert Document.objects.count() == before


def test_standards_show_every_limit_in_the_schools_units(page):
    sign_in(page, TEODOR, at="Standards")
    # One for every kind of place, and the yard test.
    expect(page.get_by_role("table")).to_have_count(len(KINDS) + 1)
    table = page.get_by_role("table").filter(has_text="Gap ahead").first
    # Twelve limits under the two phases that they are of, and the head.
    expect(table.get_by_role("row")).to_have_count(15)
    expect(table).to_contain_text(" in")
    expect(table).not_to_contain_text(" cm")


def test_signing_out_leaves_nothing_open(page):
    sign_in(page, by_hand=True)
    sign_out(page)
    page.goto("/people")
    expect(page.get_by_label("Password")).to_be_visible()
