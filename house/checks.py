"""Every check and every test, with one closing line."""

import os
import re
import subprocess
import sys
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor

from house import formats, mutants, tests_told, web
from house.postgres import database
from house.serving import environment
from house.shell import ROOT, Trouble, say
from house.shell import run as shell_run

__all__ = ["run"]


def _formats_are_current() -> None:
    for path, text in formats.expected().items():
        if not path.exists() or path.read_text("utf-8") != text:
            raise Trouble(f"{path.relative_to(ROOT)} is not current; run ./fair-corner formats")


def _client_is_current() -> None:
    generated = web.WEB / "src" / "api" / "schema.d.ts"
    before = generated.read_text("utf-8")
    _npm("api")
    after = generated.read_text("utf-8")
    if before != after:
        raise Trouble(
            "web/src/api/schema.d.ts was not current; it has been written anew, commit it"
        )


def _npm(script: str) -> None:
    shell_run(["npm", "run", script], cwd=web.WEB)


Step = tuple[str, Callable[[], object]]


def _lanes() -> tuple[list[Step], list[Step]]:
    """Checks of the Python and of the front end, which keep out of each other's way."""
    python = sys.executable

    def tool(*command: str) -> Callable[[], None]:
        return lambda: shell_run([python, "-m", *command])

    ours: list[Step] = [
        ("ruff lint", tool("ruff", "check", ".")),
        ("ruff format", tool("ruff", "format", "--check", ".")),
        ("mypy", tool("mypy")),
        ("import contract", lambda: shell_run([ROOT / ".venv" / "bin" / "lint-imports"])),
        ("tests as told", tests_told.check),
        ("published formats", _formats_are_current),
        ("published example", tool("faircorner.cli", "plan", str(formats.EXAMPLE))),
    ]
    theirs: list[Step] = [
        ("front end's packages", web.install),
        ("generated client", _client_is_current),
        ("Biome", lambda: _npm("lint")),
        ("TypeScript", lambda: _npm("types")),
        ("Vitest", lambda: _npm("test")),
        ("front end builds", web.build),
    ]
    return ours, theirs


def _walked(lane: list[Step]) -> list[bool]:
    """Whether each step of a lane passed; a step that fails stops no other."""
    passed = []
    for name, step in lane:
        try:
            step()
        except Trouble as trouble:
            say(f"✗ {name}: {trouble}")
            passed.append(False)
        else:
            say(f"✓ {name}")
            passed.append(True)
    return passed


def run(arguments: list[str]) -> int:
    with ThreadPoolExecutor() as lanes:
        outcomes = [ok for lane in lanes.map(_walked, _lanes()) for ok in lane]
    with database() as url:
        env = environment(url)
        migrations = [sys.executable, "manage.py", "makemigrations", "--check"]
        outcomes += _walked(
            [
                ("migrations", lambda: shell_run(migrations, env=env)),
                ("every mutant is noticed", lambda: mutants.all_caught(env)),
            ]
        )
        tests = _pytest(arguments, env)
    passed, failed = outcomes.count(True), outcomes.count(False)
    print(f"\nTotal: {passed + tests[0]} passed, {failed + tests[1]} failed", flush=True)
    return 1 if failed or tests[1] else 0


def _pytest(arguments: list[str], env: dict[str, str]) -> tuple[int, int]:
    """Run pytest, showing it as it goes; returns how many passed and failed."""
    process = subprocess.Popen(
        # Two at a time, each with a stretch of them: the browser's come first and take the longest,
        # so that each has half of those, on a served demo of its own.
        [sys.executable, "-m", "pytest", "-n", "2", "--maxschedchunk=70", *arguments],
        cwd=ROOT, env={**os.environ, **env, "OPENBLAS_NUM_THREADS": "1"},
        stdout=subprocess.PIPE, text=True,
    )  # fmt: skip
    counts = {"passed": 0, "failed": 0, "error": 0}
    assert process.stdout is not None  # noqa: S101
    for line in process.stdout:
        print(line, end="", flush=True)
        found = re.findall(r"(\d+) (passed|failed|error)", line)
        if found and " in " in line:
            counts |= {name: int(number) for number, name in found}
    if process.wait() and not counts["failed"] + counts["error"]:
        counts["failed"] = 1
    return counts["passed"], counts["failed"] + counts["error"]
