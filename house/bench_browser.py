"""Figures of the served application, taken in a browser; prints one line of JSON."""

import json
import os
import re
import statistics
import time

from playwright.sync_api import Page, sync_playwright

from house.bench_drive import DRIVE_FIGURES
from house.bench_reference import Reference
from house.bench_small import small_ms
from house.browser import FLAGS, PROGRAM
from house.serving import started
from house.shell import free_port

_MOVES = 10


def _first_screen_ms(page: Page) -> float:
    """From pressing Sign in to the calls being there to read."""
    page.get_by_label("Name").fill("maren")
    page.get_by_label("Password").fill("tidewell-demo")
    begun = time.perf_counter()
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("list", name="Calls").wait_for()
    return (time.perf_counter() - begun) * 1000


# From a key on a slider to the plan's way being drawn anew on the slab.
_WATCHED = """() => {
  const way = document.querySelector('main svg[role=img] path[stroke="#FFD36B"]');
  const slider = document.querySelector('input[aria-label="Hands, rolling"]');
  slider.addEventListener("keydown", () => { window.pressed = performance.now(); }, true);
  new MutationObserver(() => { window.drawn = performance.now() - window.pressed; })
    .observe(way, { attributes: true, attributeFilter: ["d"] });
}"""

_DRAWN = """async () => {
  while (!window.drawn) await new Promise(requestAnimationFrame);
  return window.drawn;
}"""


def _slab_ms(page: Page) -> list[float]:
    """From moving a slider to the slab, each figure a new one; in rising order."""
    page.evaluate(_WATCHED)
    slider = page.get_by_role("slider", name="Hands, rolling")
    taken = []
    for key in ["ArrowRight"] * _MOVES + ["ArrowLeft"] * 2 * _MOVES:
        page.evaluate("window.drawn = null")
        slider.press(key)
        taken.append(page.evaluate(_DRAWN))
        # What follows from a plan is asked for once it rests.
        page.wait_for_timeout(500)
    # On the way back it passes figures that it knows.
    return sorted([*taken[:_MOVES], *taken[2 * _MOVES :]])


# One move along the ribbon in every frame, and how long each frame took.
_SCRUBBED = """ribbon => new Promise(done => {
  const box = ribbon.getBoundingClientRect(), frames = [];
  let last = performance.now(), n = 0;
  const next = () => {
    const now = performance.now();
    frames.push(now - last);
    last = now;
    const clientX = box.left + box.width * (0.2 + 0.6 * (n / 180));
    const at = { clientX, clientY: box.top + box.height / 2, bubbles: true };
    ribbon.dispatchEvent(new PointerEvent("pointermove", at));
    n += 1;
    if (n < 180) requestAnimationFrame(next); else done(frames.slice(5));
  };
  requestAnimationFrame(next);
})"""


def _frame_ms(page: Page) -> float:
    """Of 100 frames while somebody follows the ribbon and the picture goes with it, the 95th."""
    page.reload()
    page.get_by_role("img", name="Sight picture at call 1").wait_for()
    ribbon = page.get_by_role("slider", name=re.compile("rolled$"))
    with page.expect_response("**/api/plan/film"):
        ribbon.hover()
    page.wait_for_timeout(500)
    frames = sorted(ribbon.evaluate(_SCRUBBED))
    return float(frames[len(frames) * 95 // 100])


def _set_ms(page: Page) -> float:
    """Every learner's sets with their chances: what a set of the slowest takes."""
    slowest = 0.0
    for person in page.request.get("/api/people?limit=500").json()["items"]:
        if person["role"] != "learner":
            continue
        docket = page.request.get(f"/api/docket?learner={person['id']}").json()
        if docket["taped"]:
            slowest = max(slowest, _one_set_ms(page, docket["sheet_id"]))
    return slowest


def _one_set_ms(page: Page, sheet: int) -> float:
    begun = time.perf_counter()
    sets = page.request.get(f"/api/sets?sheet={sheet}").json()["items"]
    return (time.perf_counter() - begun) * 1000 / len(sets)


def main() -> None:
    """Print each figure with ms of the reference in the same seconds."""
    found: dict[str, dict[str, float]] = {}
    with started(os.environ["DATABASE_URL"], free_port(8700)) as (address, _):
        reference = Reference()

        def keep(**figures: float) -> None:
            around = reference.ms()
            found.update({n: {"ms": ms, "reference_ms": around} for n, ms in figures.items()})

        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=PROGRAM, args=FLAGS)
            page = browser.new_page(base_url=address, viewport={"width": 1280, "height": 800})
            page.goto(address)
            reference.ms()
            keep(first_screen=_first_screen_ms(page))
            slab = _slab_ms(page)
            keep(slab=statistics.median(slab), slab_95=slab[len(slab) * 95 // 100])
            keep(frame=_frame_ms(page))
            keep(set=_set_ms(page))
            for name, measure in DRIVE_FIGURES.items():
                keep(**{name: measure(page)})
            browser.close()
        alone, busy = small_ms(address)
        keep(small=alone, small_later=busy - alone)
    print(json.dumps(found))


if __name__ == "__main__":
    main()
