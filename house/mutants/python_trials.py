"""Mutants of the Python, each tried in a fork that has the libraries loaded already.

Two are tried at a time. Those of the server have a database for each of the two, copied from the
tests' template, so that neither waits for the other's locks.
"""

import compileall
import gc
import multiprocessing
import os
import shutil
import sys
import tempfile
from collections.abc import Iterable, Mapping
from concurrent.futures import ThreadPoolExecutor
from multiprocessing.context import ForkServerContext
from pathlib import Path
from queue import Empty, SimpleQueue
from typing import Any

from house import databases
from house.mutants.patches import Mutant, apply_patch
from house.mutants.record import Outcome
from house.shell import ROOT, Trouble

__all__ = ["run"]

_LINKED = ("core", "server", "house", "tests", "pyproject.toml", "manage.py", "docs/formats",
           "docs/rights.md")  # fmt: skip
# Nothing that would read Django's settings before a copy's own are there.
_PRELOADED = ["numpy", "scipy.optimize", "scipy.stats", "scipy.interpolate", "shapely", "numba",
              "pydantic", "pytest", "hypothesis", "_pytest.doctest", "psycopg",
              "django.db.models", "django.db.backends.postgresql.base", "django.test",
              "django.forms", "django.template.loader", "django.core.management",
              "django.db.migrations.executor", "django.contrib.sessions.backends.db",
              "procrastinate.contrib.django", "whitenoise.middleware",
              "house.loops_ready"]  # fmt: skip
# What else pytest could load is not searched for: that takes longer than many a test.
_CORE_PLUGINS = ["-p", "_hypothesis_pytestplugin"]
_SERVER_PLUGINS = [*_CORE_PLUGINS, "-p", "pytest_django.plugin"]
# pytest's exit codes: every test passed; tests ran, and one failed.
_PASSED, _FAILED = 0, 1
_PROCESSES = 2

Trial = tuple[Mutant, str]


def run(trials: list[Trial], env: Mapping[str, str]) -> list[tuple[Mutant, Outcome]]:
    """The outcome of each trial: a mutant, and the test to try first (empty: its whole file)."""
    if not trials:
        return []
    # What stays as it is is compiled once, not in each fork.
    for folder in ("core", "server", "house", "tests"):
        compileall.compile_dir(ROOT / folder, quiet=2)
    forks = multiprocessing.get_context("forkserver")
    forks.set_forkserver_preload(_PRELOADED)
    waiting: SimpleQueue[Trial] = SimpleQueue()
    # Those that take longest go first, so that both processes end together.
    for trial in sorted(trials, key=lambda trial: trial[0].kind != "server"):
        waiting.put(trial)
    with ThreadPoolExecutor(_PROCESSES) as threads:
        shares = threads.map(lambda n: _work(n, waiting, env, forks), range(_PROCESSES))
        return [one for share in shares for one in share]


def _work(
    number: int, waiting: "SimpleQueue[Trial]", env: Mapping[str, str], forks: ForkServerContext
) -> list[tuple[Mutant, Outcome]]:
    """Take trials until none is left; each has a process of its own, and all the same database."""
    url = databases.copied(env["DATABASE_URL"], f"mutants_{number}")
    done: list[tuple[Mutant, Outcome]] = []
    with forks.Pool(1, maxtasksperchild=1) as pool:
        while True:
            try:
                mutant, first = waiting.get_nowait()
            except Empty:
                return done
            given = {**env, "DATABASE_URL": url, databases.READY: url}
            noticed_by, missed = pool.apply(_try, (mutant, first, given))
            done.append((mutant, Outcome(noticed_by=noticed_by, missed=missed)))


def _try(mutant: Mutant, first: str, env: Mapping[str, str]) -> tuple[str, str]:
    """The test that noticed the mutant, or what happened instead.

    Runs in a fork of its own, which it may leave in any state.
    """
    with tempfile.TemporaryDirectory(prefix="fair-corner-mutant-") as name:
        folder = Path(name)
        try:
            _link(_LINKED, folder, mutant.changed)
            apply_patch(mutant, folder)
        except Trouble as trouble:
            return "", str(trouble)
        _use_copy(env, folder)
        if first:
            code, failed, _ = _run_pytest(folder, mutant, first)
            if code == _FAILED:
                return failed, ""
        code, failed, output = _run_pytest(folder, mutant, mutant.test)
        if code == _FAILED:
            return failed, ""
        return "", "no test failed" if code == _PASSED else output[-2000:]


def _run_pytest(folder: Path, mutant: Mutant, test: str) -> tuple[int, str, str]:
    """pytest's exit code, the first test that failed, and pytest's output."""
    import pytest  # noqa: PLC0415  loaded in the fork's parent, not where a person starts it

    log = folder / "log"
    with log.open("w") as file:
        os.dup2(file.fileno(), 1)
        os.dup2(file.fileno(), 2)
    # The first failure is enough; it need be neither shrunk nor explained.
    quick = ["-x", "-q", "--assert=plain", "--tb=no", "--hypothesis-profile=first"]
    without = ["-p", "no:cacheprovider", "-p", "no:unraisableexception"]
    # The core's tests know no Django, and are quicker without.
    kind = [*_CORE_PLUGINS, "-W", "ignore"] if mutant.kind == "core" else _SERVER_PLUGINS
    noted = _FirstFailure()
    code = int(pytest.main([*kind, *quick, *without, test], plugins=[noted]))
    return code, noted.test, log.read_text("utf-8")


class _FirstFailure:
    """A plugin that keeps the name of the test that failed first."""

    test = ""

    def pytest_runtest_logreport(self, report: Any) -> None:
        if report.failed and not self.test:
            self.test = report.nodeid


def _use_copy(env: Mapping[str, str], folder: Path) -> None:
    """From here on this process imports the project from the copy only."""
    # The process ends before there is much to collect.
    gc.disable()
    os.environ.update(env, PYTHONPATH=f"{folder / 'core'}:{folder}")
    os.environ["PYTEST_DISABLE_PLUGIN_AUTOLOAD"] = "1"
    os.chdir(folder)
    sys.path[:] = [p for p in sys.path if not p.startswith(str(ROOT)) or ".venv" in p]
    sys.path[:0] = [str(folder / "core"), str(folder)]
    for known in [m for m in sys.modules if m.split(".")[0] in ("house", "server", "faircorner")]:
        del sys.modules[known]


def _link(names: Iterable[str], into: Path, changed: Iterable[Path]) -> None:
    """Links to the project's folders; `changed` files are copies."""
    for name in names:
        (into / name).parent.mkdir(parents=True, exist_ok=True)
        (into / name).symlink_to(ROOT / name)
    for path in changed:
        for folder in reversed(path.parents[:-1]):
            _open_link(into / folder)
        # What is compiled of a changed file lies in the copy too.
        if (into / path.parent / "__pycache__").exists():
            _open_link(into / path.parent / "__pycache__")
        (into / path).unlink()
        shutil.copy2(ROOT / path, into / path)


def _open_link(folder: Path) -> None:
    """A folder of links in place of the link to a folder."""
    if folder.is_symlink():
        origin = folder.readlink()
        folder.unlink()
        folder.mkdir()
        for entry in os.scandir(origin):
            (folder / entry.name).symlink_to(entry.path)
