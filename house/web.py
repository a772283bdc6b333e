"""Building the front end, when it has changed."""

import sys
from pathlib import Path

from house.digest import digest
from house.shell import ROOT, run, say

__all__ = ["WEB", "build", "install"]

WEB = ROOT / "web"
_SOURCES = ("src", "public", "index.html", "package.json", "package-lock.json", "vite.config.ts",
            "tsconfig.json")  # fmt: skip


def _unless_done(stamp: Path, now: str) -> bool:
    return not stamp.exists() or stamp.read_text("utf-8") != now


def install() -> None:
    """The packages of the lock file."""
    now = digest(WEB, ["package-lock.json"])
    stamp = WEB / "node_modules" / ".made"
    if _unless_done(stamp, now):
        say("installing the front end's packages from package-lock.json")
        run(["npm", "ci", "--no-audit", "--no-fund"], cwd=WEB)
        stamp.write_text(now, "utf-8")


def build() -> None:
    """The page as it is served, compressed beside itself."""
    install()
    now = digest(WEB, _SOURCES)
    stamp = WEB / "node_modules" / ".built"
    if (WEB / "dist" / "index.html").exists() and not _unless_done(stamp, now):
        return
    say("building the front end")
    run(["npm", "run", "build"], cwd=WEB)
    run([sys.executable, "-m", "whitenoise.compress", WEB / "dist"])
    stamp.write_text(now, "utf-8")
