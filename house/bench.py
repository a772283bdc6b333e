"""How fast it is, as a table. Nothing here decides whether a test passes."""

import gzip
import json
import math
import os
import statistics
import subprocess
import sys
import time
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime
from functools import partial
from pathlib import Path
from typing import NamedTuple

from faircorner.cues import Options, Scene, Unknown, make_plan, sights
from faircorner.documents.library import house_standard, methods
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.ground import (
    Bay,
    Corner,
    Stretch,
    Turnabout,
    lay_bay,
    lay_kerb,
    lay_road,
)
from faircorner.sight import Seat
from faircorner.standards import goal_of
from faircorner.vehicle import Vehicle

from house import web
from house.bench_against import compare
from house.bench_attempts import attempts_rows
from house.bench_reference import Reference
from house.demo import migrated
from house.environment import environment
from house.postgres import database
from house.shell import ROOT, Trouble
from house.shell import run as shell_run

__all__ = ["run"]

_ROUNDS = 25
_USE = "use: ./fair-corner bench [--against COMMIT]"


class Row(NamedTuple):
    """A figure, what is wanted of it, and ms of the reference in the same seconds (NaN: none)."""

    name: str
    value: float
    unit: str
    wanted: float
    reference: float = math.nan

    def text(self) -> str:
        limit = "" if math.isnan(self.wanted) else f"< {self.wanted:.0f} {self.unit}"
        mark = "   over" if self.value > self.wanted else ""
        figure = f"{self.value:.1f}" if self.unit == "x" else f"{self.value:.0f}"
        each = "" if math.isnan(self.reference) else f"{self.value / self.reference:.1f}"
        return f"{self.name:<58}{figure:>9} {self.unit:<2}{each:>9}{limit:>12}{mark}"


def _median_ms(work: Callable[[int], object], rounds: int = _ROUNDS) -> float:
    taken = []
    for i in range(rounds):
        begun = time.perf_counter()
        work(i)
        taken.append((time.perf_counter() - begun) * 1000)
    return statistics.median(taken)


_PLACES = {
    "reverse parallel": lay_kerb("bench", goal_ahead=2.0),
    "bay forward": lay_bay("bench", bay=Bay(angle=math.radians(60)), aisle=7.0),
    "bay reverse": lay_bay("bench", bay=Bay(width=2.6), aisle=7.0),
    "turn in the road": lay_road("bench", Turnabout(), road_width=7.4),
    "reverse round a corner": lay_road("bench", Corner()),
    "kerbside stop": lay_road("bench", Stretch()),
    "reverse along the kerb": lay_road("bench", Stretch()),
    "pull up opposite": lay_road("bench", Stretch()),
}
# Methods that want a place of their own.
_OWN_PLACES = {
    "Yard bay against the clock": lay_bay(
        "bench", before=None, beyond=None, aisle=9.0,
        bay=Bay(width=2.7, depth=5.4, lines="sensor", guide=1.6),
    ),
    "Turn in one, without reversing": lay_road("bench", Turnabout(), road_width=12.5),
}  # fmt: skip


def _car() -> tuple[Vehicle, Seat]:
    """The demo's hatchback, its part-lock circle left out so that C can say the same of it."""
    from faircorner.documents.samples import LINNET, seat_document, vehicle_document  # noqa: PLC0415

    body = vehicle_document(LINNET)
    body["steering"]["circles"] = []
    seat = SeatDocument.read(seat_document(LINNET, "seat", back=0.0, height=1.2))
    return VehicleDocument.read(body).build(), seat.build()


def _plan_rows(vehicle: Vehicle, seat: Seat, reference: Reference) -> list[Row]:
    """A plan with windows for every method; another start gap each time, nothing remembered."""
    rows: list[Row] = []
    seen: list[tuple[float, float]] = []
    for name, document in methods().items():
        method = document.build()
        scene = Scene(
            vehicle=vehicle, seat=seat, ground=_OWN_PLACES.get(name, _PLACES[method.manoeuvre]),
            method=method, standard=house_standard(goal_of(method.manoeuvre)).build(),
        )  # fmt: skip

        def plan(i: int, scene: Scene = scene, gap: float | Unknown = method.start.gap) -> object:
            step = 0.01 * (i % 30)
            if not isinstance(gap, Unknown):
                options = Options(gap=gap + step)
            else:
                options = Options(pinned={gap.name: gap.prefer + step / 4})
            return make_plan(replace(scene, options=options))

        plan(0)
        reference.ms()
        took = _median_ms(plan)
        rows.append(Row(f"plan with windows: {name}", took, "ms", 120.0, reference.ms()))
        if method.references:
            look = partial(sights, scene, make_plan(scene).values)
            look()

            def see(_: int, look: Callable[[], object] = look) -> object:
                return look()

            seen.append((_median_ms(see, 5), reference.ms()))
    what = "all cues with pictures of a plan, "
    middle, slowest = sorted(seen)[len(seen) // 2], max(seen)
    rows.append(Row(f"{what}the median method", middle[0], "ms", 150.0, middle[1]))
    rows.append(Row(f"{what}the slowest", slowest[0], "ms", math.nan, slowest[1]))
    return rows


_SHELL = (sys.executable, "manage.py", "shell", "-c")


def _initial_javascript_kb() -> float:
    """What the first page names in its head, compressed as it is served."""
    dist = web.WEB / "dist"
    page = (dist / "index.html").read_text("utf-8")
    names = [p for p in (dist / "assets").glob("*.js") if f"/assets/{p.name}" in page]
    return sum(len(gzip.compress(p.read_bytes(), 6)) for p in names) / 1000


# Figures of the served application: as they are printed, as bench_browser names them, and what is
# wanted, ms.
_SERVED = (
    ("slider to slab, median", "slab", 120.0),
    ("slider to slab, 95 of 100", "slab_95", 250.0),
    ("a set with its chances worked out, the demo's slowest", "set", 300.0),
    ("first screen usable after sign-in", "first_screen", 1500.0),
    ("a tap in Drive, 95 of 100", "tap", 50.0),
    ("from station to station, 95 of 100", "switch", 150.0),
    ("an attempt kept, 95 of 100", "keep", 100.0),
    ("a small request, alone, 95 of 100", "small", math.nan),
    ("later than that while others compute", "small_later", 50.0),
    ("a frame of the picture along the ribbon, 95 of 100", "frame", 17.5),
)


def _served_figures(url: str) -> dict[str, dict[str, float]]:
    """Figures of the running application, taken by a browser as a user's would."""
    script = Path(__file__).with_name("bench_browser.py")
    done = subprocess.run(
        [sys.executable, str(script)], cwd=ROOT, stdout=subprocess.PIPE, text=True, check=True,
        env={**os.environ, **environment(url)},
    )  # fmt: skip
    found: dict[str, dict[str, float]] = json.loads(done.stdout)
    return found


def run(arguments: list[str]) -> int:
    if arguments:
        if len(arguments) != 2 or arguments[0] != "--against":
            raise Trouble(_USE)
        print(compare(arguments[1]))
        return 0
    web.build()
    vehicle, seat = _car()
    reference = Reference()
    rows = _plan_rows(vehicle, seat, reference)
    attempts = attempts_rows(vehicle, seat)
    around = reference.ms()
    rows += [Row(*row, around if row[2] == "ms" else math.nan) for row in attempts]
    with database() as url:
        migrated(url)
        shell_run([sys.executable, "-m", "server.demo"], env=environment(url))
        # What an earlier round has worked out would be found again.
        forget = (
            "from django.core.cache import cache; cache.clear();"
            "from server.progress.models import KeptSet; KeptSet.objects.all().delete();"
            "from server.long_work.models import Work; Work.objects.all().delete()"
        )
        shell_run([*_SHELL, forget], env=environment(url))
        begun = datetime.now(UTC).isoformat()
        served = _served_figures(url)
        # What was kept to time it is nobody's attempt.
        spoilt = f"Attempt.objects.filter(started__gte='{begun}', tape=None).delete()"
        told = f"from server.lessons.models import Attempt; {spoilt}"
        shell_run([*_SHELL, told], env=environment(url))
    for name, key, wanted in _SERVED:
        figure = served[key]
        rows.append(Row(name, figure["ms"], "ms", wanted, figure["reference_ms"]))
    rows.append(Row("initial JavaScript, compressed", _initial_javascript_kb(), "kB", 300.0))
    print(f"{'what':<58}{'measured':>12}{'per ref.':>9}{'wanted':>12}")
    for row in rows:
        print(row.text())
    print("per ref.: per time of a fixed loop in C and Python in the same seconds")
    return 0
