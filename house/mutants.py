"""Small deliberate mistakes, each of which one named test file has to notice.

A mutant is a patch in tests/mutants/ whose first lines say what is wrong with it and which test
must fail. Each is tried in a copy of its own: Python's in a fork that has the libraries loaded
already, the browser's all in one run of Vitest.

By the same code, tests and packages they would be noticed again: noticed.json keeps a hash of all
that, and only where it is another one are they tried.
"""

import compileall
import gc
import json
import multiprocessing
import os
import shutil
import subprocess
import sys
import tempfile
from collections.abc import Iterable, Mapping
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path

from house import web
from house.digest import digest
from house.shell import ROOT, Trouble, say

__all__ = ["LEAST", "Mutant", "all_caught", "mutants"]

FOLDER = ROOT / "tests" / "mutants"
_NOTICED = FOLDER / "noticed.json"
# What it follows from whether a mutant is noticed, beside the mutants themselves.
_RESTS_ON = {
    "core": ("core", "tests/core", "tests/conftest.py", "tests/lengths.json",
             "requirements-test.lock", "house/mutants.py"),
    "server": ("core", "server", "house", "tests/server", "tests/house", "tests/core",
               "tests/conftest.py", "tests/recorded", "docs/formats", "pyproject.toml",
               "requirements-test.lock"),
    "web": ("web/src", "web/vite.config.ts", "web/package-lock.json", "tests/lengths.json",
            "house/mutants.py"),
}  # fmt: skip
# So few, and the tests see too little.
LEAST = 40
_LINKED = ("core", "server", "house", "tests", "pyproject.toml", "manage.py", "docs/formats")
# A table that the tests of both languages are held against.
_SHARED = "tests/lengths.json"
# Nothing that would read Django's settings before a copy's own are there.
_SLOW_TO_LOAD = ["numpy", "scipy.optimize", "scipy.stats", "scipy.interpolate", "shapely", "numba",
                 "pydantic", "pytest", "hypothesis", "_pytest.doctest", "psycopg",
                 "django.db.models", "django.db.backends.postgresql.base", "django.test",
                 "django.forms", "django.template.loader", "django.core.management",
                 "django.db.migrations.executor", "django.contrib.sessions.backends.db",
                 "procrastinate.contrib.django", "whitenoise.middleware",
                 "house.loops_ready"]  # fmt: skip
_ANY_TEST_WITH_IT = "tests/server/test_schools_apart.py::test_every_route_is_walked"
# What else pytest could load is not looked for: that takes longer than many a test.
_WITH, _WITH_DATABASE = ["-p", "_hypothesis_pytestplugin"], ["-p", "pytest_django.plugin"]
# pytest's own words: tests ran, and one failed.
_FAILED = 1


@dataclass(frozen=True, slots=True, kw_only=True)
class Mutant:
    """A patch, what is wrong with it, and the test file (or one test in it) that must fail."""

    name: str
    what: str
    test: str
    patch: Path

    @property
    def kind(self) -> str:
        if self.test.startswith("web/"):
            return "web"
        return "core" if self.test.startswith("tests/core") else "server"


def mutants() -> list[Mutant]:
    """Every mutant there is; raises Trouble for one that does not say what it is."""
    found = []
    for path in sorted(FOLDER.glob("*.patch")):
        said = dict(
            line.split(": ", 1) for line in path.read_text("utf-8").splitlines()[:2] if ": " in line
        )
        if said.keys() != {"what", "test"}:
            raise Trouble(f"{path.name} must begin with a line what: and a line test:")
        found.append(Mutant(name=path.stem, patch=path, **said))
    return found


def _changed(mutant: Mutant) -> list[Path]:
    """Which files a patch changes, as they stand in the house."""
    lines = mutant.patch.read_text("utf-8").splitlines()
    return [Path(line.removeprefix("+++ b/")) for line in lines if line.startswith("+++ b/")]


def _apply(mutant: Mutant, folder: Path) -> None:
    done = subprocess.run(
        ["git", "apply", str(mutant.patch)], cwd=folder, capture_output=True, text=True, check=False
    )
    if done.returncode:
        raise Trouble(f"{mutant.patch.name} does not fit the code any more:\n{done.stderr}")


def _linked(names: Iterable[str], into: Path, own: Iterable[Path] = ()) -> None:
    """Links to what stands in the house; `own` files are copies, to be changed."""
    for name in names:
        (into / name).parent.mkdir(parents=True, exist_ok=True)
        (into / name).symlink_to(ROOT / name)
    for path in own:
        for folder in reversed(path.parents[:-1]):
            _opened(into / folder)
        # What is compiled of a changed file is its own: beside it, not in the house.
        if (into / path.parent / "__pycache__").exists():
            _opened(into / path.parent / "__pycache__")
        (into / path).unlink()
        shutil.copy2(ROOT / path, into / path)


def _opened(folder: Path) -> None:
    """A folder of links in place of the link to a folder."""
    if folder.is_symlink():
        origin = folder.readlink()
        folder.unlink()
        folder.mkdir()
        for entry in os.scandir(origin):
            (folder / entry.name).symlink_to(entry.path)


def _in_a_copy(env: Mapping[str, str], folder: Path) -> None:
    """From here on this process knows the house only as it stands in the folder."""
    # It ends before there is much to throw away.
    gc.disable()
    database = env["DATABASE_URL"].rpartition("/")[0] + "/mutants"
    os.environ.update(env, DATABASE_URL=database, PYTHONPATH=f"{folder / 'core'}:{folder}")
    os.environ["PYTEST_DISABLE_PLUGIN_AUTOLOAD"] = "1"
    os.chdir(folder)
    sys.path[:] = [p for p in sys.path if not p.startswith(str(ROOT)) or ".venv" in p]
    sys.path[:0] = [str(folder / "core"), str(folder)]
    for known in [m for m in sys.modules if m.split(".")[0] in ("house", "server", "faircorner")]:
        del sys.modules[known]


def _pytest(folder: Path, *arguments: str) -> tuple[int, str]:
    """pytest's exit code, and what it said."""
    import pytest  # noqa: PLC0415  loaded in the fork's parent, not where a person starts it

    log = folder / "log"
    with log.open("w") as file:
        os.dup2(file.fileno(), 1)
        os.dup2(file.fileno(), 2)
        # What fails first is enough; it need not be made small, nor told in detail.
        quick = ["-x", "-q", "--assert=plain", "--tb=no", "--hypothesis-profile=first"]
        without = ["-p", "no:cacheprovider", "-p", "no:unraisableexception"]
        code = int(pytest.main([*_WITH, *quick, *without, *arguments]))
    return code, log.read_text("utf-8")


def _tried(mutant: Mutant, env: Mapping[str, str]) -> str:
    """Empty where the named test fails on the mutant; else what happened instead.

    Runs in a fork of its own, which it may leave in any state.
    """
    with tempfile.TemporaryDirectory(prefix="fair-corner-mutant-") as name:
        folder = Path(name)
        try:
            _linked(_LINKED, folder, _changed(mutant))
            _apply(mutant, folder)
        except Trouble as trouble:
            return str(trouble)
        _in_a_copy(env, folder)
        # The core's tests know no Django, and are quicker without.
        with_what = ["-W", "ignore"] if mutant.kind == "core" else [*_WITH_DATABASE, "--reuse-db"]
        code, said = _pytest(folder, *with_what, mutant.test)
        if code == _FAILED:
            return ""
        return "no test failed" if code == 0 else said[-2000:]


def _database_made(env: Mapping[str, str]) -> str:
    """The database that mutants of the server share: each test takes back what it did there.

    Empty where it was made; else what was said instead.
    """
    with tempfile.TemporaryDirectory(prefix="fair-corner-mutant-") as name:
        folder = Path(name)
        _linked(_LINKED, folder)
        _in_a_copy(env, folder)
        code, said = _pytest(
            folder, *_WITH_DATABASE, "--reuse-db", "--create-db", _ANY_TEST_WITH_IT
        )
    return said[-2000:] if code else ""


def _python(chosen: list[Mutant], env: Mapping[str, str]) -> list[tuple[Mutant, str]]:
    # Nor is what stays as it is translated once for each of them.
    for folder in ("core", "server", "house", "tests"):
        compileall.compile_dir(ROOT / folder, quiet=2)
    forks = multiprocessing.get_context("forkserver")
    forks.set_forkserver_preload(_SLOW_TO_LOAD)
    # The core's need no database, and begin while it is made.
    ordered = sorted(chosen, key=lambda mutant: mutant.kind != "core")
    with forks.Pool(2, maxtasksperchild=1) as pool:
        made = pool.apply_async(_database_made, [dict(env)])
        waiting = [pool.apply_async(_tried, [m, dict(env)]) for m in ordered if m.kind == "core"]
        if said := made.get():
            raise Trouble(f"the database for mutants cannot be made:\n{said}")
        waiting += [pool.apply_async(_tried, [m, dict(env)]) for m in ordered if m.kind != "core"]
        tried = [one.get() for one in waiting]
    return list(zip(ordered, tried, strict=True))


def _browser(chosen: list[Mutant]) -> list[tuple[Mutant, str]]:
    """Every mutant in a folder of its own, with no test but the named one."""
    with tempfile.TemporaryDirectory(prefix="fair-corner-mutants-") as name:
        folder = Path(name)
        (folder / "node_modules").symlink_to(web.WEB / "node_modules")
        shutil.copy2(web.WEB / "vite.config.ts", folder)
        # The one file of the source that it reads itself.
        schema = Path("src", "api", "schema.d.ts")
        (folder / schema.parent).mkdir(parents=True)
        (folder / schema).symlink_to(web.WEB / schema)
        wrong: dict[str, str] = {}
        for mutant in chosen:
            here = folder / mutant.name
            shutil.copytree(web.WEB / "src", here / "web" / "src")
            _linked([_SHARED], here)
            for test in (here / "web").rglob("*.test.ts*"):
                if test != here / mutant.test:
                    test.unlink()
            try:
                _apply(mutant, here)
            except Trouble as trouble:
                wrong[mutant.name] = str(trouble)
        report = folder / "report.json"
        subprocess.run(
            ["npx", "vitest", "run", "--reporter=json", f"--outputFile={report}"],
            cwd=folder, capture_output=True, check=False,
        )  # fmt: skip
        if not report.exists():
            raise Trouble("Vitest did not run on the browser's mutants")
        for file in json.loads(report.read_text("utf-8"))["testResults"]:
            mutant_name = Path(file["name"]).relative_to(folder.resolve()).parts[0]
            failed = any(one["status"] == "failed" for one in file["assertionResults"])
            wrong.setdefault(mutant_name, "" if failed else "no test failed")
        return [(mutant, wrong.get(mutant.name, "its test was not run")) for mutant in chosen]


def all_caught(env: Mapping[str, str]) -> None:
    """Raises Trouble naming each mutant that its test let through."""
    found = mutants()
    if len(found) < LEAST:
        raise Trouble(f"there are {len(found)} mutants; {LEAST} are the least")
    now = _fingerprints(found)
    known = json.loads(_NOTICED.read_text("utf-8")) if _NOTICED.exists() else {}
    new = [m for m in found if now[m.kind] != known.get(m.kind)]
    say(f"{len(new)} of {len(found)} mutants to try; the others were noticed in this very code")
    missed = [f"{mutant.name} ({mutant.what}): {said}" for mutant, said in _all(new, env) if said]
    if missed:
        raise Trouble("these mistakes were noticed by no test:\n" + "\n".join(missed))
    if new:
        _NOTICED.write_text(json.dumps(now, indent=2) + "\n", "utf-8")
        say(f"{_NOTICED.relative_to(ROOT)} has been written; commit it, and they are known")


def _fingerprints(found: list[Mutant]) -> dict[str, str]:
    """One for each kind, of all that its mutants' being noticed follows from."""
    return {
        kind: digest(
            ROOT, [*files, *(str(m.patch.relative_to(ROOT)) for m in found if m.kind == kind)]
        )
        for kind, files in _RESTS_ON.items()
    }


def _all(chosen: list[Mutant], env: Mapping[str, str]) -> list[tuple[Mutant, str]]:
    """Each with what `_tried` says of it."""
    ours, theirs = (
        [m for m in chosen if m.kind != "web"], [m for m in chosen if m.kind == "web"]
    )  # fmt: skip
    with ThreadPoolExecutor() as beside:
        browser = beside.submit(_browser, theirs) if theirs else None
        tried = _python(ours, env) if ours else []
        return tried + (browser.result() if browser else [])
