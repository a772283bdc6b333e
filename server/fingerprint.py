"""Which core worked something out: an older one's answer is not given for this one's."""

import hashlib
from pathlib import Path

__all__ = ["fingerprint"]


def fingerprint(folder: Path) -> str:
    """A few letters that are others once any program or document in a folder is."""
    every = (path for kind in ("*.py", "*.json") for path in folder.rglob(kind))
    told = hashlib.sha256()
    for path in sorted(every):
        told.update(str(path.relative_to(folder)).encode() + path.read_bytes())
    return told.hexdigest()[:12]
