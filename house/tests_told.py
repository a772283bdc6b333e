"""How many tests each file has, as tests/README.md tells it: none goes without a word."""

import ast
import re
from pathlib import Path

from house.shell import ROOT, Trouble

__all__ = ["check", "counted"]

TOLD = ROOT / "tests" / "README.md"
_ROW = re.compile(r"^\| `([^`]+)` \| (\d+) \|$", re.MULTILINE)
# A test of Vitest, by itself or as a table of cases.
_OF_VITEST = re.compile(r"^\s*(?:it|test)(?:\.each)?\b", re.MULTILINE)


def _in_python(path: Path) -> int:
    functions = (ast.FunctionDef, ast.AsyncFunctionDef)
    return sum(
        isinstance(node, functions) and node.name.startswith("test_")
        for node in ast.walk(ast.parse(path.read_text("utf-8")))
    )


def counted() -> dict[str, int]:
    """Tests in each file, by its path from the root; a table of cases is one test."""
    python = {path: _in_python(path) for path in (ROOT / "tests").rglob("test_*.py")}
    web = ROOT / "web" / "src"
    browser = {
        path: len(_OF_VITEST.findall(path.read_text("utf-8"))) for path in web.rglob("*.test.ts*")
    }
    return {
        str(path.relative_to(ROOT)): count for path, count in sorted({**python, **browser}.items())
    }


def check() -> None:
    """Raises Trouble naming the first file that is empty or of which something else is told."""
    told = {name: int(count) for name, count in _ROW.findall(TOLD.read_text("utf-8"))}
    found = counted()
    for name, count in found.items():
        if count == 0:
            raise Trouble(f"{name} has no test in it; put them back, or take the file away")
    for name in sorted(told.keys() | found.keys()):
        before, now = told.get(name, 0), found.get(name, 0)
        if now < before:
            raise Trouble(
                f"{name} has {now} tests, tests/README.md says {before}; put them back, or say "
                "there under “Taken away” what went and why, and lower the number"
            )
        if now > before:
            raise Trouble(
                f"{name} has {now} tests, tests/README.md says {before}; raise the number"
            )
