"""A hash for each mutant of all that decides whether its test notices it.

That is the patch, the file that it changes, the named test, everything that these two import, the
data files beside those, and both lock files: with another NumPy a mutant is tried again.
"""

import hashlib
import re
from collections.abc import Iterable
from functools import cache
from pathlib import Path

import grimp

from house.mutants.patches import Mutant
from house.shell import ROOT

__all__ = ["of"]

_PACKAGES = ("faircorner", "server", "tests", "house")
# Trials themselves, and what every test stands on.
_ALWAYS = {
    "python": ("requirements.lock", "requirements-test.lock", "pyproject.toml",
               "house/mutants/python_trials.py"),
    "web": ("web/package-lock.json", "web/vite.config.ts", "house/mutants/browser_trials.py"),
}  # fmt: skip
# Django finds its applications by name, so no import tells of them.
_BY_NAME = ("server.urls", "server.settings")
# Documents that tests read.
_READ = {
    "core": ("docs/formats/plan.example.json",),
    "server": ("docs/formats/openapi.json", "docs/rights.md"),
}
_IMPORTED = re.compile(r"""(?:from|import)\s*\(?\s*["'](\.{1,2}/[^"']+)["']""")
# Types decide nothing when it runs.
_ENDINGS = ("", ".ts", ".tsx", "/index.ts", "/index.tsx")
_NOT_IMPORTED = "tests/mutants"


def of(mutants: Iterable[Mutant]) -> dict[str, str]:
    """The hash of each mutant by its name."""
    graph = grimp.build_graph(*_PACKAGES, include_external_packages=False, cache_dir=None)
    hash_of_file = cache(_hash_of_file)
    found = {}
    for mutant in mutants:
        files = _web_files(mutant) if mutant.kind == "web" else _python_files(mutant, graph)
        lines = [f"{path} {hash_of_file(path)}" for path in sorted(files)]
        found[mutant.name] = hashlib.sha256("\n".join(lines).encode()).hexdigest()[:16]
    return found


def _hash_of_file(path: str) -> str:
    file = ROOT / path
    return hashlib.sha256(file.read_bytes()).hexdigest() if file.exists() else "none"


def _python_files(mutant: Mutant, graph: grimp.ImportGraph) -> set[str]:
    roots = [_module(path) for path in (mutant.test_file, *mutant.changed)]
    roots += [_module(folder / "conftest.py") for folder in mutant.test_file.parents]
    if mutant.kind == "server":
        roots += _BY_NAME
        roots += [m for m in graph.modules if m.startswith("server.") and ".migrations." in m]
    modules = _closure(roots, graph)
    files = {*_ALWAYS["python"], *_READ[mutant.kind], *map(str, mutant.changed)}
    files.add(str(mutant.patch.relative_to(ROOT)))
    for module in modules:
        files |= _files_of(module)
    return files


def _module(path: Path) -> str:
    return ".".join(path.with_suffix("").parts).removeprefix("core.")


def _closure(roots: Iterable[str], graph: grimp.ImportGraph) -> set[str]:
    """Everything that is imported on the way, packages on the path included."""
    found: set[str] = set()
    waiting = list(roots)
    while waiting:
        module = waiting.pop()
        if module in found or module not in graph.modules:
            continue
        found.add(module)
        waiting += graph.find_modules_directly_imported_by(module)
        waiting.append(module.rpartition(".")[0])
    return found


@cache
def _files_of(module: str) -> frozenset[str]:
    """A module's own file; of a package its data too, in folders that are no packages."""
    parts = module.split(".")
    base = (ROOT / "core" if parts[0] == "faircorner" else ROOT).joinpath(*parts)
    if not base.is_dir():
        return frozenset([str(base.with_suffix(".py").relative_to(ROOT))])
    data = (path for path in _data_of(base) if not path.is_relative_to(ROOT / _NOT_IMPORTED))
    return frozenset(str(p.relative_to(ROOT)) for p in (base / "__init__.py", *data))


def _data_of(folder: Path) -> Iterable[Path]:
    for entry in folder.iterdir():
        if entry.is_file() and entry.suffix not in (".py", ".pyc", ".md"):
            yield entry
        elif entry.is_dir() and entry.name != "__pycache__" and not any(entry.glob("*.py")):
            yield from _data_of(entry)


def _web_files(mutant: Mutant) -> set[str]:
    found: set[str] = set()
    waiting = [mutant.test_file, *mutant.changed]
    while waiting:
        path = waiting.pop()
        if str(path) in found:
            continue
        found.add(str(path))
        waiting += _imported_by(path)
    return {*found, *_ALWAYS["web"], "tests/lengths.json", str(mutant.patch.relative_to(ROOT))}


def _imported_by(path: Path) -> list[Path]:
    if path.suffix not in (".ts", ".tsx"):
        return []
    named = _IMPORTED.findall((ROOT / path).read_text("utf-8"))
    found = []
    for name in named:
        base = (ROOT / path.parent / name).resolve()
        found += [p for p in (Path(f"{base}{end}") for end in _ENDINGS) if p.is_file()][:1]
    return [one.relative_to(ROOT) for one in found]
