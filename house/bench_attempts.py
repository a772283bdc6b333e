"""Ten thousand driven attempts with contact, in the core and in C, timed beside each other."""

import shutil
import subprocess
import tempfile
import time
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import numpy as np
from faircorner.cues import Scene, make_plan
from faircorner.documents.library import house_standard, methods
from faircorner.ground import lay_kerb
from faircorner.motion import Leg, advance, clearance, joined
from faircorner.plane import Floats
from faircorner.sight import Seat
from faircorner.vehicle import Vehicle

from house.shell import ROOT, Trouble, run

__all__ = ["attempts_rows"]

_ATTEMPTS, _STEPS, _CHUNK = 10_000, 36, 64


def attempts_rows(vehicle: Vehicle, seat: Seat) -> list[tuple[str, float, str, float]]:
    """Rows for the bench's table: the core's milliseconds, C's, and their ratio.

    Raises Trouble when both do not come to the same gaps.
    """
    ground = lay_kerb("bench", goal_ahead=2.0)
    method = methods()["Straight-run reverse park"].build()
    plan = make_plan(
        Scene(
            vehicle=vehicle, seat=seat, ground=ground, method=method,
            standard=house_standard().build(),
        )
    )  # fmt: skip
    rng = np.random.default_rng(7)
    metres = np.array([leg.metres[0] for leg in plan.legs])
    rolled = np.maximum(metres + rng.normal(0, 0.15, (_ATTEMPTS, len(metres))), 0.02)
    starts = plan.start + rng.normal(0, (0.1, 0.05, 0.01), (_ATTEMPTS, 3))
    work = (vehicle, plan.legs, starts, rolled, ground.obstacles[0].polygon)
    taken, total = _in_the_core(*work, cores=1)
    both, _ = _in_the_core(*work, cores=2)
    c_taken, c_total = _in_c(*work)
    if abs(total - c_total) > 1e-4 * _ATTEMPTS:
        raise Trouble(f"the core and C disagree: gaps of {total:.3f} and {c_total:.3f} m in all")
    return [
        ("10,000 attempts of 180 poses, the core on one core", taken * 1000, "ms", float("nan")),
        ("the same on two cores", both * 1000, "ms", float("nan")),
        ("the same sums and bounds in C, one thread", c_taken * 1000, "ms", float("nan")),
        ("the core beside C, one core", taken / c_taken, "x", float("nan")),
        ("the core beside C, two cores", both / c_taken, "x", 1.0),
    ]


def _in_the_core(
    vehicle: Vehicle, legs: tuple[Leg, ...], starts: Floats, rolled: Floats, parked: Floats,
    *, cores: int,
) -> tuple[float, float]:  # fmt: skip
    """Best of three, since a busy machine only ever adds; seconds, and the gaps' sum."""
    outline = vehicle.outline

    def some(at: int) -> float:
        rows = slice(at, at + _CHUNK)
        count = len(starts[rows])
        batch = [
            Leg(
                direction=leg.direction,
                turns=np.full(count, leg.turns[0]),
                metres=rolled[rows, i],
                rate=np.full(count, leg.rate[0]),
            )
            for i, leg in enumerate(legs)
        ]
        poses = _driven(vehicle, starts[rows], batch)
        return float(clearance(poses, outline, parked).metres.sum())

    best, total = float("inf"), 0.0
    with ThreadPoolExecutor(cores) as threads:
        for _ in range(3):
            begun = time.perf_counter()
            total = sum(threads.map(some, range(0, _ATTEMPTS, _CHUNK)))
            best = min(best, time.perf_counter() - begun)
    return best, total


def _driven(vehicle: Vehicle, starts: Floats, legs: list[Leg]) -> Floats:
    """Poses (attempts, n, 3), as many in every leg, since C's are."""
    pose, turns = starts, np.zeros(len(starts))
    parts = []
    for leg in legs:
        s = leg.metres[:, None] * np.linspace(0.0, 1.0, _STEPS + 1)
        parts.append((s, *advance(vehicle.steering, pose, turns, leg, s)))
        pose, turns = parts[-1][1][:, -1], parts[-1][2][:, -1]
    return joined(starts, np.zeros(len(starts)), parts).poses


def _in_c(
    vehicle: Vehicle, legs: tuple[Leg, ...], starts: Floats, rolled: Floats, parked: Floats
) -> tuple[float, float]:
    steering = vehicle.steering
    per_turn = float(steering.road_wheel_angle(steering.lock_turns)) / steering.lock_turns
    words: list[object] = [vehicle.wheelbase, per_turn, legs[0].rate[0], len(vehicle.outline)]
    for polygon in (*vehicle.outline, parked):
        # Anticlockwise, as the sums of both sides expect.
        x, y = polygon.T
        turned = x @ np.roll(y, -1) - y @ np.roll(x, -1) < 0
        words += [len(polygon), *(polygon[::-1] if turned else polygon).ravel()]
    words += [len(legs)]
    for leg in legs:
        words += [leg.direction, leg.turns[0]]
    words += [len(starts), *np.hstack((starts, rolled)).ravel()]
    text = "\n".join(repr(float(w)) if isinstance(w, np.floating) else str(w) for w in words)
    if shutil.which("gcc") is None:
        raise Trouble("the bench compares with C: apt-get install gcc libc6-dev")
    with tempfile.TemporaryDirectory() as folder:
        program = Path(folder) / "attempts"
        run(["gcc", "-O3", "-o", program, ROOT / "bench" / "attempts.c", "-lm"])
        answers = [
            subprocess.run([program], input=text, capture_output=True, text=True, check=True).stdout
            for _ in range(3)
        ]
    found = [tuple(map(float, answer.split())) for answer in answers]
    seconds, total = min(found)
    return seconds, total
