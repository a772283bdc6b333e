"""Starting the application: database, migrations, demo data, production server."""

import argparse
import os
import subprocess
import sys
from pathlib import Path

from house import web
from house.environment import environment
from house.formats import EXAMPLE
from house.postgres import backup, database, restore
from house.serving import WORKER, alone, serving
from house.shell import ROOT, Trouble, run, say

__all__ = [
    "migrated",
    "run_backup",
    "run_demo",
    "run_restore",
    "run_school",
    "run_serve",
    "run_worker",
]


def _arguments(arguments: list[str], *, fresh: bool) -> argparse.Namespace:
    parser = argparse.ArgumentParser(prog="./fair-corner")
    parser.add_argument("--port", type=int, default=8300)
    if fresh:
        parser.add_argument("--fresh", action="store_true")
    return parser.parse_args(arguments)


def run_demo(arguments: list[str]) -> int:
    given = _arguments(arguments, fresh=True)
    with alone():
        web.build()
        with database(fresh=given.fresh) as url:
            _ready(url)
            run([sys.executable, "-m", "server.demo"], env=environment(url))
            sign_ins = (ROOT / "server" / "demo" / "sign-ins.txt").read_text("utf-8")
            return serving(url, given.port, told=sign_ins)


def run_serve(arguments: list[str]) -> int:
    given = _arguments(arguments, fresh=False)
    with alone():
        web.build()
        with database() as url:
            _ready(url)
            return serving(url, given.port, told=_to_begin(_key(url)))


def _ready(url: str) -> None:
    migrated(url)
    # On a new machine the core's loops are compiled before anybody waits for them.
    run([sys.executable, "-m", "faircorner.cli", "plan", EXAMPLE])


def _to_begin(key: str) -> str:
    if not key:
        return ""
    address = f"{{address}}/begin?key={key}"
    return f"  No school has begun here yet. Begin yours, within a day, at\n  {address}\n"


def run_school(arguments: list[str]) -> int:
    """Begin a school, new or from its file, whether or not the application runs meanwhile."""
    with database() as url:
        migrated(url)
        from_file = any(argument.startswith("--from") for argument in arguments)
        module = "server.takeout" if from_file else "server.founding"
        program = [sys.executable, "-m", module, *arguments]
        env = {**os.environ, **environment(url)}
        return subprocess.run(program, cwd=ROOT, env=env, check=False).returncode


def run_backup(arguments: list[str]) -> int:
    file = _file(arguments, "backup", "to keep everything in")
    with database() as url:
        backup(url, file)
    say(f"everything is in {file}; keep it where this machine is not")
    return 0


def run_restore(arguments: list[str]) -> int:
    """Everything as it was in a backup, brought up to today; what there is now goes."""
    file = _file(arguments, "restore", "that a backup was kept in")
    with alone(), database() as url:
        restore(url, file)
        migrated(url)
    say(f"everything is as it was in {file}")
    return 0


def _file(arguments: list[str], command: str, what: str) -> Path:
    parser = argparse.ArgumentParser(prog=f"./fair-corner {command}")
    parser.add_argument("file", type=Path, help=f"the file {what}")
    file: Path = parser.parse_args(arguments).file
    return file.resolve()


def run_worker(_arguments: list[str]) -> int:
    """One more worker for an application that runs elsewhere, until Ctrl-C."""
    url = os.environ.get("DATABASE_URL")
    if not url:
        raise Trouble("say whose database it works for: DATABASE_URL=postgresql://…")
    env = {**os.environ, **environment(url)}
    return subprocess.run(WORKER, cwd=ROOT, env=env, check=False).returncode


def migrated(url: str) -> None:
    run([sys.executable, "-m", "server.upkeep"], env=environment(url))


def _key(url: str) -> str:
    """What opens the one-time address; empty where a school has begun."""
    done = subprocess.run(
        [sys.executable, "-m", "server.founding", "key"], cwd=ROOT, text=True, check=True,
        env={**os.environ, **environment(url)}, stdout=subprocess.PIPE,
    )  # fmt: skip
    return done.stdout.strip()
