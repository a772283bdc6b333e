"""No test goes without a word: counts of every test file, held against the commits before."""

import ast
import re
import subprocess
from pathlib import Path

from house.shell import ROOT, Trouble

__all__ = ["check", "count", "losses"]

_EXPLAINED = ROOT / "tests" / "README.md"
# `tests/core/test_plan.py` 18 → 16: why.
_ENTRY = re.compile(r"^- `([^`]+)` \d+ → (\d+): \S", re.MULTILINE)
# A single test of Vitest, or a table of cases.
_VITEST = re.compile(r"^\s*(?:it|test)(?:\.each)?\b", re.MULTILINE)
_IS_TEST = re.compile(r"(^tests/(?:.*/)?test_[^/]*\.py|\.test\.tsx?)$")
# How far back a change is looked for; what is older has been through many runs.
_COMMITS = 60


def count(path: str, text: str) -> int:
    """Tests in a file of that name; a table of cases is one test.

    >>> count("tests/test_x.py", "def test_a(): ...\\ndef helper(): ...")
    1
    """
    if not path.endswith(".py"):
        return len(_VITEST.findall(text))
    functions = (ast.FunctionDef, ast.AsyncFunctionDef)
    return sum(
        isinstance(node, functions) and node.name.startswith("test_")
        for node in ast.walk(ast.parse(text))
    )


def losses(root: Path = ROOT) -> dict[str, tuple[int, int]]:
    """Test files that have fewer tests than within the last commits: how many then and now.

    Raises Trouble for a file without any.
    """
    most: dict[str, int] = {}
    for commit, changes in _changes(root):
        for status, paths in changes:
            before, now = paths[0], paths[-1]
            if status != "A" and before not in most:
                most[before] = count(before, _git(root, "show", f"{commit}^:{before}"))
            if status.startswith("R"):
                most[now] = most.pop(before)
            if status != "D":
                text = _git(root, "show", f"{commit}:{now}")
                most[now] = max(most.get(now, 0), count(now, text))
    files = (path for folder in ("tests", "web/src") for path in (root / folder).rglob("*"))
    names = {str(path.relative_to(root)): path for path in files}
    found = {n: count(n, p.read_text("utf-8")) for n, p in names.items() if _IS_TEST.search(n)}
    for name, tests in found.items():
        if not tests:
            raise Trouble(f"{name} has no test in it; put them back, or remove the file")
    return {
        name: (before, found.get(name, 0))
        for name, before in sorted(most.items())
        if found.get(name, 0) < before
    }


def check() -> None:
    """Raises Trouble naming the test files that lost tests without an entry in tests/README.md."""
    explained = {name: int(now) for name, now in _ENTRY.findall(_EXPLAINED.read_text("utf-8"))}
    unexplained = [
        f"{name} had {before} tests and has {now}"
        for name, (before, now) in losses().items()
        if explained.get(name, before) > now
    ]
    if unexplained:
        raise Trouble(
            "\n".join(unexplained) + "\nput them back, or add to “Taken away” in tests/README.md: "
            "- `FILE` BEFORE → NOW: why, and what notices the same mistakes"
        )


def _changes(root: Path) -> list[tuple[str, list[tuple[str, list[str]]]]]:
    """Commits, oldest first, with what each did to test files: a status and one or two paths."""
    known = _git(root, "rev-list", f"--max-count={_COMMITS}", "--reverse", "HEAD").split()
    found = []
    for commit in known:
        lines = _git(
            root, "show", "--format=", "--name-status", "-M", "--first-parent", commit
        ).splitlines()
        rows = [line.split("\t") for line in lines]
        changed = [(row[0], row[1:]) for row in rows if _IS_TEST.search(row[-1])]
        found.append((commit, changed))
    return found


def _git(root: Path, *arguments: str) -> str:
    done = subprocess.run(
        ["git", *arguments], cwd=root, capture_output=True, text=True, check=False
    )
    if done.returncode:
        raise Trouble(f"git {' '.join(arguments)} failed: {done.stderr.strip()}")
    return done.stdout
