"""Every check and every test, with the time of each stage and one closing line."""

import os
import re
import subprocess
import sys
from collections.abc import Callable, Iterable
from concurrent.futures import ThreadPoolExecutor

from house import databases, file_lengths, formats, mutants, test_counts, web
from house.environment import environment
from house.postgres import database
from house.shell import ROOT, RUN, Trouble, say
from house.shell import run as shell_run
from house.stages import Stages, read_times

__all__ = ["run"]

Step = tuple[str, Callable[[], object]]
# One more than there are cores: tests of the browser and of a served application wait at times.
_PROCESSES = (os.cpu_count() or 1) + 1
_REPORT = RUN / "tests.xml"
# Read by tests/long_forms.py.
_LONG_FORMS = "FAIR_CORNER_LONG_FORMS"


def run(arguments: list[str]) -> int:
    """`--all` runs the long forms too; other arguments go to pytest. Returns the exit status."""
    everything = "--all" in arguments
    for_pytest = [one for one in arguments if one != "--all"]
    stages = Stages()
    with database(for_tests=True) as url:
        env = environment(url)
        with stages.timed("static checks"), ThreadPoolExecutor() as lanes:
            outcomes = [ok for lane in lanes.map(_walk, _lanes(env)) for ok in lane]
        with stages.timed("mutants"):
            outcomes += _walk([("every mutant is noticed",
                                lambda: mutants.all_noticed(env, retry=everything))])  # fmt: skip
        with stages.timed("tests"):
            env |= {_LONG_FORMS: "1"} if everything else {}
            tests = _run_pytest(for_pytest, env)
    passed, failed = outcomes.count(True), outcomes.count(False)
    print("\n" + stages.report(read_times(_REPORT, processes=_PROCESSES)))
    print(f"\nTotal: {passed + tests[0]} passed, {failed + tests[1]} failed", flush=True)
    return 1 if failed or tests[1] else 0


def _lanes(env: dict[str, str]) -> tuple[list[Step], list[Step]]:
    """Checks of the Python and of the front end, one lane for each core."""
    python = sys.executable

    def tool(*command: str) -> Callable[[], None]:
        return lambda: shell_run([python, "-m", *command])

    of_python: list[Step] = [
        ("ruff lint", tool("ruff", "check", ".")),
        ("ruff format", tool("ruff", "format", "--check", ".")),
        ("mypy", tool("mypy")),
        ("import contract", lambda: shell_run([ROOT / ".venv" / "bin" / "lint-imports"])),
        ("no test is lost", test_counts.check),
        ("no file is too long", file_lengths.check),
        ("published formats", _check_formats),
        ("migrations", lambda: shell_run([python, "manage.py", "makemigrations", "--check"],
                                         env=env)),
    ]  # fmt: skip
    of_front_end: list[Step] = [
        ("front end's packages", web.install),
        ("generated files", web.generate),
        ("Biome", lambda: web.npm("lint")),
        ("TypeScript", lambda: web.npm("types")),
        ("Vitest", lambda: web.npm("test")),
        ("front end builds", web.build),
        ("published example", tool("faircorner.cli", "plan", str(formats.EXAMPLE))),
        ("tests' databases", lambda: databases.template(env["DATABASE_URL"], demo=True)),
    ]
    return of_python, of_front_end


def _check_formats() -> None:
    for path, text in formats.published().items():
        if not path.exists() or path.read_text("utf-8") != text:
            raise Trouble(f"{path.relative_to(ROOT)} is not current; run ./fair-corner formats")


def _walk(lane: Iterable[Step]) -> list[bool]:
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


def _run_pytest(arguments: list[str], env: dict[str, str]) -> tuple[int, int]:
    """Run pytest, showing its output as it comes; returns how many passed and failed."""
    _REPORT.unlink(missing_ok=True)
    process = subprocess.Popen(
        # A file at a time, so that what its tests share is made once; in the order that
        # tests/conftest.py gives them, those that take longest first.
        [sys.executable, "-m", "pytest", "-n", str(_PROCESSES), "--dist", "loadfile",
         "--no-loadscope-reorder", f"--junitxml={_REPORT}", *arguments],
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
