"""No file of code grows past what can be read in one go."""

import subprocess

from house.shell import ROOT, Trouble

__all__ = ["LONGEST", "check"]

LONGEST = 500


def check() -> None:
    """Raises Trouble naming each file of code with more lines than that."""
    kinds = ("*.py", "*.ts", "*.tsx", "*.c")
    listed = subprocess.run(
        ["git", "ls-files", "--cached", "--others", "--exclude-standard", *kinds],
        cwd=ROOT, capture_output=True, text=True, check=True,
    )  # fmt: skip
    files = [name for name in listed.stdout.split("\n") if name and (ROOT / name).exists()]
    lines = {name: (ROOT / name).read_text("utf-8").count("\n") for name in files}
    long = [f"{name} has {n} lines" for name, n in lines.items() if n > LONGEST]
    if long:
        raise Trouble("\n".join([*long, f"{LONGEST} is the most; split them by what they hold"]))
