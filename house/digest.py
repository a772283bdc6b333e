"""Whether files are as they were: one hash over what they hold."""

import hashlib
from collections.abc import Iterable
from pathlib import Path

__all__ = ["digest"]


def digest(root: Path, names: Iterable[str]) -> str:
    """Of files, and of all files in folders, that are there; compiled ones are left out."""
    found = hashlib.sha256()
    for name in names:
        path = root / name
        files = sorted(p for p in path.rglob("*") if p.is_file()) if path.is_dir() else [path]
        for file in files:
            if file.exists() and "__pycache__" not in file.parts:
                found.update(str(file.relative_to(root)).encode())
                found.update(file.read_bytes())
    return found.hexdigest()
