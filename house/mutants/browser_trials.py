"""Mutants of the browser's code: each in a folder of its own, all in one run of Vitest."""

import json
import shutil
import subprocess
import tempfile
from pathlib import Path
from typing import Any

from house import web
from house.mutants.patches import Mutant, apply_patch
from house.mutants.record import Outcome
from house.shell import ROOT, Trouble

__all__ = ["run"]

# A table that the tests of both languages read.
_SHARED = "tests/lengths.json"


def run(mutants: list[Mutant]) -> list[tuple[Mutant, Outcome]]:
    """The outcome for each mutant; only its named test is run on it."""
    if not mutants:
        return []
    with tempfile.TemporaryDirectory(prefix="fair-corner-mutants-") as name:
        folder = Path(name)
        _prepare(folder)
        outcomes: dict[str, Outcome] = {}
        for mutant in mutants:
            try:
                _copy(mutant, folder / mutant.name)
            except Trouble as trouble:
                outcomes[mutant.name] = Outcome(missed=str(trouble))
        for file in _results(folder):
            mutant_name = Path(file["name"]).relative_to(folder.resolve()).parts[0]
            failed = [t["fullName"] for t in file["assertionResults"] if t["status"] == "failed"]
            found = Outcome(noticed_by=failed[0]) if failed else Outcome(missed="no test failed")
            outcomes.setdefault(mutant_name, found)
    return [(m, outcomes.get(m.name, Outcome(missed="its test was not run"))) for m in mutants]


def _prepare(folder: Path) -> None:
    (folder / "node_modules").symlink_to(web.WEB / "node_modules")
    shutil.copy2(web.WEB / "vite.config.ts", folder)
    # The one file of the source that vite.config.ts itself reads.
    schema = Path("src", "api", "schema.d.ts")
    (folder / schema.parent).mkdir(parents=True)
    (folder / schema).symlink_to(web.WEB / schema)


def _copy(mutant: Mutant, folder: Path) -> None:
    shutil.copytree(web.WEB / "src", folder / "web" / "src")
    (folder / _SHARED).parent.mkdir()
    (folder / _SHARED).symlink_to(ROOT / _SHARED)
    for test in (folder / "web").rglob("*.test.ts*"):
        if test != folder / mutant.test:
            test.unlink()
    apply_patch(mutant, folder)


def _results(folder: Path) -> list[dict[str, Any]]:
    report = folder / "report.json"
    subprocess.run(
        ["npx", "vitest", "run", "--reporter=json", f"--outputFile={report}"],
        cwd=folder, capture_output=True, check=False,
    )  # fmt: skip
    if not report.exists():
        raise Trouble("Vitest did not run on the browser's mutants")
    results: list[dict[str, Any]] = json.loads(report.read_text("utf-8"))["testResults"]
    return results
