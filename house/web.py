"""Building the front end, when it has changed."""

import hashlib
import sys
from pathlib import Path

from house.shell import ROOT, run, say

__all__ = ["WEB", "build", "install"]

WEB = ROOT / "web"
_SOURCES = ("src", "public", "index.html", "package.json", "package-lock.json", "vite.config.ts",
            "tsconfig.json")  # fmt: skip


def _digest(names: tuple[str, ...]) -> str:
    digest = hashlib.sha256()
    for name in names:
        path = WEB / name
        files = sorted(p for p in path.rglob("*") if p.is_file()) if path.is_dir() else [path]
        for file in files:
            if file.exists():
                digest.update(str(file.relative_to(WEB)).encode())
                digest.update(file.read_bytes())
    return digest.hexdigest()


def _unless_done(stamp: Path, digest: str) -> bool:
    return not stamp.exists() or stamp.read_text("utf-8") != digest


def install() -> None:
    """The packages of the lock file."""
    digest = _digest(("package-lock.json",))
    stamp = WEB / "node_modules" / ".made"
    if _unless_done(stamp, digest):
        say("installing the front end's packages from package-lock.json")
        run(["npm", "ci", "--no-audit", "--no-fund"], cwd=WEB)
        stamp.write_text(digest, "utf-8")


def build() -> None:
    """The page as it is served, compressed beside itself."""
    install()
    digest = _digest(_SOURCES)
    stamp = WEB / "node_modules" / ".built"
    if (WEB / "dist" / "index.html").exists() and not _unless_done(stamp, digest):
        return
    say("building the front end")
    run(["npm", "run", "build"], cwd=WEB)
    run([sys.executable, "-m", "whitenoise.compress", WEB / "dist"])
    stamp.write_text(digest, "utf-8")
