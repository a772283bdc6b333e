"""The screens in a language whose texts are 40 % longer: everything is said in it, nothing is cut.

The pseudo-language marks whatever comes from a catalogue with accents; what somebody has typed has
none and is known from the school's own documents.
"""

import json
import re
import time
from pathlib import Path

import pytest
from playwright.sync_api import expect

from house import pseudo
from house.pseudo import stretched
from server.schools.models import Member, School
from tests.browser.steps import MAREN, PATIENCE_S, TEODOR, go_to

SAID = (Path(__file__).parent / "texts.js").read_text("utf-8")
MARKED = re.compile("[áéíóúýńŕśĺ]")
FIGURE = re.compile(r"[\d.,]+ ?(cm|m|ft|in|s)\b|\b(cm|ft|in)\b|Fair Corner")
DATE = re.compile(r"([A-Z][a-z]{2}, )?[A-Z][a-z]{2} \d+|\d\d:\d\d [AP]M")
STATIONS = ("seat", "ground", "cues", "drive", "tape", "shift", "compare", "lesson", "history")
FREE_TEXT = (
    "name",
    "say",
    "note",
    "about",
    "author",
    "authority",
    "learner",
    "instructor",
    "why",
    "notes",
    "learnt",
    "comes_next",
    "what",
    "step",
    "place",
    "cancelled_because",
)
DESK = ("people", "diary", "garage", "standards", "mock-tests", "hill", "trailer")


def sentences(catalogue):
    for said in catalogue.values():
        yield from [said] if isinstance(said, str) else sentences(said)


def test_the_words_are_longer_by_two_fifths_and_keep_their_places():
    for english, longer in pseudo.made().items():
        plain = list(sentences(json.loads(english.with_name("en.json").read_text("utf-8"))))
        other = list(sentences(json.loads(longer)))
        assert sum(map(len, other)) >= 1.4 * sum(map(len, plain))
        places = re.compile(r"\{\w+\}|</?\w+>")
        assert [places.findall(said) for said in other] == [places.findall(said) for said in plain]


@pytest.fixture
def longer_words(site):
    spoken = dict(School.objects.values_list("pk", "locale"))
    School.objects.update(locale="en-XA")
    yield
    for pk, locale in spoken.items():
        School.objects.filter(pk=pk).update(locale=locale)


def typed(page):
    """Every text that somebody in the school has given, the longest first."""
    found = set()

    def gather(part):
        for field, inside in part.items() if isinstance(part, dict) else enumerate(part):
            if field in FREE_TEXT and inside:
                found.add(inside)
            elif isinstance(inside, dict | list):
                gather(inside)

    for address in ("documents", "people", "lessons"):
        gather(page.request.get(f"/api/{address}?limit=500").json())
    return sorted((text for text in found if len(text) > 2), key=len, reverse=True)


def unsaid(text, known):
    """Whether a text comes from no catalogue and from nobody."""
    for name in known:
        text = text.replace(name, " ")
    text = DATE.sub(" ", FIGURE.sub(" ", text))
    return re.search("[A-Za-z]{2}", text) and not MARKED.search(text)


# What is there once a screen has everything, where its heading is not enough.
PASSES = stretched("How near it passes")
WHOLE = {"cues": f"section[aria-label='{PASSES}']", "compare": "svg[role=img] >> nth=1",
         "methods": "[role=dialog] section svg[role=img]"}  # fmt: skip


def looked_at(page, known, where):
    expect(page.locator(WHOLE.get(where, "main :is(h1, h2, svg)")).first).to_be_visible()
    # Turns while something is fetched; long work has a bar, and says how far it is meanwhile.
    expect(page.locator(".MuiCircularProgress-root")).to_have_count(0)
    told = page.evaluate(SAID)
    # What is answered last may still move what was there before it.
    deadline = time.monotonic() + PATIENCE_S
    while (told["cut"] or told["crossed"]) and time.monotonic() < deadline:
        page.wait_for_timeout(100)
        told = page.evaluate(SAID)
    assert [text for text in told["texts"] if unsaid(text, known)] == []
    assert (told["cut"], told["crossed"]) == ([], [])
    assert any(MARKED.search(text) for text in told["texts"])


@pytest.mark.parametrize(
    ("person", "learners"), [(MAREN, ("Ines Varga", "Lotte Brisk")), (TEODOR, ("Gerd Walsh",))]
)
def test_every_screen_is_said_in_longer_words(open_page, longer_words, person, learners):
    page = open_page(1280, 800)
    page.goto("/")
    # Nobody is known yet, and the browser's own language is spoken.
    page.get_by_label("Name").fill(person[0])
    page.get_by_label("Password").fill(person[1])
    page.keyboard.press("Enter")
    expect(page.get_by_role("main").get_by_role("list")).to_be_visible()
    expect(page.locator("html")).to_have_attribute("lang", "en-XA")
    known = typed(page)
    for learner in learners:
        pk = Member.objects.get(name=learner).pk
        for where in (*STATIONS, *(DESK if learner == learners[0] else ())):
            # What was opened before goes with the page it was opened on.
            if where == STATIONS[0]:
                page.goto(f"/{where}?learner={pk}")
            else:
                go_to(page, f"/{where}?learner={pk}")
            looked_at(page, known, where)
        page.goto(f"/cues?learner={pk}")
        page.get_by_role("button", name=stretched("Change this method")).click()
        looked_at(page, known, "cues")
        page.get_by_role("button", name=stretched("Method:")).click()
        looked_at(page, known, "methods")
