"""Two commits timed in turns on one machine: each row's ratio, with its interval."""

import math
import re
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from tempfile import TemporaryDirectory

import numpy as np
from scipy.stats import t as student

from house.shell import ROOT, Trouble, run, say

__all__ = ["compare"]

_ROUNDS = 3
# A row of the table that `bench` prints, of any version: what, figure, unit.
_ROW = re.compile(r"^(\S.*?)\s{2,}([\d.]+) (ms|kB|x)\b", re.MULTILINE)
_LEVEL = 0.95


def compare(commit: str) -> str:
    """A table of ratios, this working tree to the commit; below 1 this one is quicker.

    Each round times both, in alternating order. The interval is Student's t of the rounds' log
    ratios at 95 %: with few rounds it is wide, and a ratio is worth something where 1 lies outside.
    """
    with _checked_out(commit) as other:
        pairs = []
        for number in range(_ROUNDS):
            say(f"round {number + 1} of {_ROUNDS}")
            folders = [ROOT, other] if number % 2 == 0 else [other, ROOT]
            tables = {folder: _rows(folder) for folder in folders}
            pairs.append((tables[ROOT], tables[other]))
    names = [name for name in pairs[0][0] if all(name in one for pair in pairs for one in pair)]
    lines = [f"{'what':<58}{'here':>9}{commit[:9]:>11}{'ratio':>8}   {_LEVEL:.0%} interval"]
    return "\n".join([*lines, *(_line(name, pairs) for name in names)])


def _line(name: str, pairs: list[tuple[dict[str, float], dict[str, float]]]) -> str:
    here, there = (np.array([pair[side][name] for pair in pairs]) for side in (0, 1))
    ratios = np.log(here / there)
    half = student.ppf((1 + _LEVEL) / 2, len(ratios) - 1) * ratios.std(ddof=1)
    half /= math.sqrt(len(ratios))
    middle, low, high = np.exp([ratios.mean(), ratios.mean() - half, ratios.mean() + half])
    mark = "" if low <= 1 <= high else "   slower" if middle > 1 else "   quicker"
    medians = f"{np.median(here):>9.1f}{np.median(there):>11.1f}"
    return f"{name:<58}{medians}{middle:>8.2f}   {low:.2f} to {high:.2f}{mark}"


def _rows(folder: Path) -> dict[str, float]:
    """The figures of a bench in a folder, above 0, by their names."""
    done = subprocess.run(
        ["./fair-corner", "bench"], cwd=folder, stdout=subprocess.PIPE, text=True, check=False
    )
    found = {name: float(figure) for name, figure, _ in _ROW.findall(done.stdout)}
    if done.returncode or not found:
        raise Trouble(f"the bench in {folder} gave no table")
    return {name: figure for name, figure in found.items() if figure > 0}


@contextmanager
def _checked_out(commit: str) -> Iterator[Path]:
    """A commit in a folder of its own, with packages, database and build of its own."""
    with TemporaryDirectory(prefix="fair-corner-bench-") as name:
        # The user who owns the database has to get there, too.
        Path(name).chmod(0o755)
        folder = Path(name) / "code"
        run(["git", "worktree", "add", "--detach", folder, commit])
        try:
            yield folder
        finally:
            run(["git", "worktree", "remove", "--force", folder])
