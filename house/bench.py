"""How fast it is, as a table. Nothing here decides whether a test passes."""

import gzip
import json
import os
import statistics
import subprocess
import sys
import time
from collections.abc import Callable
from pathlib import Path

from faircorner.cues import Method, Options, make_plan
from faircorner.documents.library import house_standard, methods
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.ground import lay_kerb

from house import web
from house.demo import environment
from house.postgres import database
from house.shell import ROOT
from house.shell import run as shell_run

__all__ = ["run"]

_ROUNDS = 25


def _median_ms(work: Callable[[int], object], rounds: int = _ROUNDS) -> float:
    taken = []
    for i in range(rounds):
        begun = time.perf_counter()
        work(i)
        taken.append((time.perf_counter() - begun) * 1000)
    return statistics.median(taken)


def _plan_ms() -> float:
    """One plan with windows, a different start gap each time so that nothing is remembered."""
    from server.demo.vehicles import LINNET, seat_document, vehicle_document  # noqa: PLC0415

    vehicle = VehicleDocument.read(vehicle_document(LINNET)).build()
    seat = SeatDocument.read(seat_document(LINNET, "seat", back=0.0, height=1.2)).build()
    method: Method = methods()["Straight-run reverse park"].build()
    bands = house_standard().build().bands()
    ground = lay_kerb("bench", goal_ahead=2.0)

    def plan(i: int) -> object:
        options = Options(gap=0.8 + 0.01 * (i % 30))
        return make_plan(vehicle, seat, ground, method, bands, options)

    plan(0)
    return _median_ms(plan)


def _initial_javascript_kb() -> float:
    """What the first page names in its head, compressed as it is served."""
    dist = web.WEB / "dist"
    page = (dist / "index.html").read_text("utf-8")
    names = [p for p in (dist / "assets").glob("*.js") if f"/assets/{p.name}" in page]
    return sum(len(gzip.compress(p.read_bytes(), 6)) for p in names) / 1000


def _served_figures(url: str) -> dict[str, float]:
    """Figures of the running application, taken by a browser as a user's would."""
    script = Path(__file__).with_name("bench_browser.py")
    done = subprocess.run(
        [sys.executable, str(script)], cwd=ROOT, capture_output=True, text=True, check=True,
        env={**os.environ, **environment(url)},
    )  # fmt: skip
    found: dict[str, float] = json.loads(done.stdout)
    return found


def run(_arguments: list[str]) -> int:
    web.build()
    rows = [("one plan with windows, in process, median", _plan_ms(), "ms", 150.0)]
    with database() as url:
        shell_run([sys.executable, "manage.py", "migrate", "--no-input"], env=environment(url))
        shell_run([sys.executable, "-m", "server.demo"], env=environment(url))
        served = _served_figures(url)
    rows += [
        ("API answer to a slider move, median", served["slider_ms"], "ms", 250.0),
        ("first screen usable after sign-in", served["first_screen_ms"], "ms", 2000.0),
        ("initial JavaScript, compressed", _initial_javascript_kb(), "kB", 300.0),
    ]
    print(f"{'what':<44}{'measured':>12}{'wanted':>12}")
    for name, value, unit, wanted in rows:
        mark = "" if value <= wanted else "   over"
        print(f"{name:<44}{value:>9.0f} {unit:<2}{'< ' + format(wanted, '.0f'):>9} {unit}{mark}")
    return 0
