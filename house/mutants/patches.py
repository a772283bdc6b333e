"""The mutants as they are kept: patches with two lines of text before them."""

import subprocess
from dataclasses import dataclass
from pathlib import Path

from house.shell import ROOT, Trouble

__all__ = ["FOLDER", "Mutant", "apply_patch", "read_mutants"]

FOLDER = ROOT / "tests" / "mutants"


@dataclass(frozen=True, slots=True, kw_only=True)
class Mutant:
    """A patch, what is wrong with it, and the test file (or one test in it) that must fail."""

    name: str
    what: str
    test: str
    patch: Path

    @property
    def kind(self) -> str:
        """What its test needs: `web` Vitest, `core` no Django, `server` a database."""
        if self.test.startswith("web/"):
            return "web"
        return "core" if self.test.startswith("tests/core") else "server"

    @property
    def test_file(self) -> Path:
        return Path(self.test.partition("::")[0])

    @property
    def changed(self) -> list[Path]:
        """The files that the patch changes, from the root."""
        lines = self.patch.read_text("utf-8").splitlines()
        return [Path(line.removeprefix("+++ b/")) for line in lines if line.startswith("+++ b/")]


def read_mutants() -> list[Mutant]:
    """Every mutant, by name; raises Trouble for one without its two lines."""
    found = []
    for path in sorted(FOLDER.glob("*.patch")):
        head = dict(
            line.split(": ", 1) for line in path.read_text("utf-8").splitlines()[:2] if ": " in line
        )
        if head.keys() != {"what", "test"}:
            raise Trouble(f"{path.name} must begin with a line what: and a line test:")
        found.append(Mutant(name=path.stem, patch=path, **head))
    return found


def apply_patch(mutant: Mutant, folder: Path) -> None:
    """Change the copy in a folder; raises Trouble where the patch does not fit."""
    done = subprocess.run(
        ["git", "apply", str(mutant.patch)], cwd=folder, capture_output=True, text=True, check=False
    )
    if done.returncode:
        raise Trouble(f"{mutant.patch.name} does not fit the code any more:\n{done.stderr}")
