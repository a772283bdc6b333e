"""The front end: its packages, what is generated for it, and its build."""

import sys
from pathlib import Path

from house import pseudo
from house.digest import digest
from house.shell import ROOT, run, say

__all__ = ["WEB", "build", "generate", "install", "npm"]

WEB = ROOT / "web"
_DESCRIPTION = "../docs/formats/openapi.json"
_SOURCES = ("src", "public", "index.html", "package.json", "package-lock.json", "vite.config.ts",
            "tsconfig.json")  # fmt: skip


def npm(script: str) -> None:
    """Run a script of package.json."""
    run(["npm", "run", script], cwd=WEB)


def install() -> None:
    """The packages of the lock file."""
    now = digest(WEB, ["package-lock.json"])
    stamp = WEB / "node_modules" / ".made"
    if _is_stale(stamp, now):
        say("installing the front end's packages from package-lock.json")
        run(["npm", "ci", "--no-audit", "--no-fund"], cwd=WEB)
        stamp.write_text(now, "utf-8")


def generate() -> None:
    """The typed client, from the API's description, and the pseudo-language of both catalogues."""
    install()
    pseudo.write()
    client, stamp = WEB / "src" / "api" / "schema.d.ts", WEB / "node_modules" / ".generated"
    now = digest(WEB, [_DESCRIPTION, "package-lock.json"])
    if not client.exists() or _is_stale(stamp, now):
        npm("api")
        stamp.write_text(now, "utf-8")


def build() -> None:
    """The page as it is served, compressed beside itself."""
    generate()
    now = digest(WEB, _SOURCES)
    stamp = WEB / "node_modules" / ".built"
    if (WEB / "dist" / "index.html").exists() and not _is_stale(stamp, now):
        return
    say("building the front end")
    npm("build")
    run([sys.executable, "-m", "whitenoise.compress", WEB / "dist"])
    stamp.write_text(now, "utf-8")


def _is_stale(stamp: Path, now: str) -> bool:
    return not stamp.exists() or stamp.read_text("utf-8") != now
