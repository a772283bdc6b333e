"""Figures of the served application, taken in a browser; prints one line of JSON."""

import json
import os
import statistics
import subprocess
import sys
import time
import urllib.request

from playwright.sync_api import Page, sync_playwright

from house.shell import ROOT, free_port

_CHROMIUM = ["--no-sandbox", "--disable-gpu", "--disable-background-networking"]
_MOVES = 15


def _first_screen_ms(page: Page) -> float:
    """From pressing Sign in to the calls being there to read."""
    page.get_by_label("Name").fill("maren")
    page.get_by_label("Password").fill("tidewell-demo")
    begun = time.perf_counter()
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("list", name="Calls").wait_for()
    return (time.perf_counter() - begun) * 1000


def _slider_ms(page: Page) -> float:
    """The API's answers while a slider is moved, none of them asked before."""
    slider = page.get_by_role("slider", name="Hands, rolling")
    taken = []
    for _ in range(_MOVES):
        # One step up each time: every figure is new, so that no answer comes from the cache.
        with page.expect_response(lambda r: r.url.endswith("/api/plan")) as response:
            slider.press("ArrowRight")
        timing = response.value.request.timing
        response.value.finished()
        taken.append(timing["responseStart"] - timing["requestStart"])
        page.wait_for_timeout(150)
    return statistics.median(taken)


def main() -> None:
    port = free_port(8700)
    address = f"http://127.0.0.1:{port}"
    command = [sys.executable, "-m", "gunicorn", "server.wsgi:application", "--bind",
               f"127.0.0.1:{port}", "--workers", "2", "--threads", "4"]  # fmt: skip
    server = subprocess.Popen(command, cwd=ROOT, env=os.environ, stderr=subprocess.DEVNULL)
    try:
        for _ in range(100):
            try:
                urllib.request.urlopen(f"{address}/api/session", timeout=2).close()  # noqa: S310
                break
            except OSError:
                time.sleep(0.1)
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(
                executable_path="/usr/bin/chromium-headless-shell", args=_CHROMIUM
            )
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.goto(address)
            found = {"first_screen_ms": _first_screen_ms(page), "slider_ms": _slider_ms(page)}
            browser.close()
        print(json.dumps(found))
    finally:
        server.terminate()
        server.wait()


if __name__ == "__main__":
    main()
