"""Figures of an attempt being driven: a tap, going from station to station, keeping it."""

from collections.abc import Callable

from playwright.sync_api import Page

__all__ = ["DRIVE_FIGURES"]

_ROUND = ("Seat", "Ground", "Cues", "Drive", "Tape", "Shift")
_TIMES = 40

# From the tap to the frame that shows what it noted.
_TAPPED = """button => new Promise(done => {
  const begun = performance.now();
  button.click();
  requestAnimationFrame(() => setTimeout(() => done(performance.now() - begun)));
})"""

# From the press to the frame in which the other station stands there, nothing of it still to come.
_SWITCHED = """async link => {
  const named = link.textContent.replace(/^[0-9]+/, ""), begun = performance.now();
  link.click();
  const there = () => document.title.startsWith(named) && document.querySelector("main h1")
    && !document.querySelector("main .MuiCircularProgress-root");
  while (!there()) await new Promise(requestAnimationFrame);
  return performance.now() - begun;
}"""

_KEPT = """async sheet => {
  const token = /csrftoken=([^;]+)/.exec(document.cookie)[1];
  const notes = { seconds: 60, calls: ["on"], looks: ["done"] };
  const attempt = { id: crypto.randomUUID(), sheet, started: new Date().toISOString(), notes };
  const headers = { "X-CSRFToken": token, "Content-Type": "application/json" };
  const begun = performance.now();
  const asked = { method: "POST", headers, body: JSON.stringify(attempt) };
  const answer = await fetch("/api/attempts", asked);
  if (answer.status !== 201) throw new Error(await answer.text());
  return performance.now() - begun;
}"""


def _most(taken: list[float]) -> float:
    return sorted(taken)[len(taken) * 95 // 100]


def _switches(page: Page) -> float:
    """Between stations that were there once: what they are made of is on the device."""
    taken: list[float] = []
    for again in range(_TIMES // len(_ROUND) + 1):
        for name in _ROUND:
            link = page.get_by_role("navigation").get_by_role("link", name=name)
            taken.append(float(link.evaluate(_SWITCHED)))
            # What a station asks for beside what it shows is not in the way of the next.
            page.wait_for_load_state("networkidle")
        if not again:
            taken.clear()
    return _most(taken)


def _taps(page: Page) -> float:
    page.get_by_role("link", name="Drive").click()
    page.get_by_role("button", name="Start the clock").click()
    pad = page.get_by_role("group", name="Observed").get_by_role("button")
    return _most([float(pad.nth(i % 6).evaluate(_TAPPED)) for i in range(_TIMES)])


def _kept(page: Page) -> float:
    sheet = page.request.get("/api/docket").json()["sheet_id"]
    return _most([float(page.evaluate(_KEPT, sheet)) for _ in range(_TIMES)])


# 95 of 100 of each, ms, in this order: the page is signed in, and its docket has a sheet.
DRIVE_FIGURES: dict[str, Callable[[Page], float]] = {
    "switch": _switches, "tap": _taps, "keep": _kept,
}  # fmt: skip
