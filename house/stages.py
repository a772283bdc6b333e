"""How long each stage of a run took, and its slowest tests."""

import os
import time
import xml.etree.ElementTree as ET
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from pathlib import Path

__all__ = ["Stages", "TestTimes", "read_times"]

_SLOWEST = 10
# The start command says when it began, in seconds since 1970.
_BEGAN = "FAIR_CORNER_BEGAN"


@dataclass
class Stages:
    """Seconds by the clock of each stage, in the order in which they ended."""

    seconds: dict[str, float] = field(default_factory=dict)

    def __post_init__(self) -> None:
        self.began = float(os.environ.get(_BEGAN, time.time()))
        self.seconds["set-up"] = time.time() - self.began

    @contextmanager
    def timed(self, name: str) -> Iterator[None]:
        begun = time.time()
        try:
            yield
        finally:
            self.seconds[name] = time.time() - begun

    def report(self, tests: "TestTimes") -> str:
        """A table of the stages, the tests by kind, and the slowest of them."""
        rows = [f"  {name:<15}{_clock(s)}" for name, s in self.seconds.items()]
        rows += [
            f"    {kind:<13}{_clock(s)} of {tests.processes} processes together"
            for kind, s in tests.by_kind.items()
        ]
        rows.append(f"  {'whole run':<15}{_clock(time.time() - self.began)}")
        slow = [f"  {s:6.1f} s  {name}" for name, s in tests.slowest(_SLOWEST)]
        return "\n".join(["Stages:", *rows, "Slowest tests:", *slow])


@dataclass(frozen=True, kw_only=True)
class TestTimes:
    """Seconds of each test, set-up and tear-down included, by its name with its file."""

    by_test: dict[str, float]
    processes: int

    @property
    def by_kind(self) -> dict[str, float]:
        """By the folder below tests/; the core's own examples count as the core's."""
        found: dict[str, float] = {}
        for name, seconds in self.by_test.items():
            first, _, rest = name.partition(".")
            kind = rest.partition(".")[0] if first == "tests" else "core"
            found[kind] = found.get(kind, 0.0) + seconds
        return dict(sorted(found.items()))

    def slowest(self, count: int) -> list[tuple[str, float]]:
        ordered = sorted(self.by_test.items(), key=lambda row: -row[1])
        return ordered[:count]


def read_times(report: Path, *, processes: int) -> TestTimes:
    """From pytest's JUnit report; none where it was not written."""
    if not report.exists():
        return TestTimes(by_test={}, processes=processes)
    cases = ET.parse(report).getroot().iter("testcase")  # noqa: S314  written by our own pytest
    times = {f"{c.get('classname')}::{c.get('name')}": float(c.get("time") or 0) for c in cases}
    return TestTimes(by_test=times, processes=processes)


def _clock(seconds: float) -> str:
    return f"{int(seconds) // 60:3d} min {int(seconds) % 60:02d} s"
