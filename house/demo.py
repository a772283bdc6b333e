"""Starting the application: database, migrations, demo data, production server."""

import argparse
import os
import signal
import subprocess
import sys
import time
import urllib.error
import urllib.request
from pathlib import Path

from house import web
from house.formats import EXAMPLE
from house.postgres import backup, database, restore
from house.shell import ROOT, RUN, Trouble, free_port, run, say, secret

__all__ = [
    "WORKER",
    "environment",
    "run_backup",
    "run_demo",
    "run_restore",
    "run_school",
    "run_serve",
    "run_worker",
    "serving",
]

# Long work is done apart, one piece at a time, so that no small request waits behind it.
WORKER = [sys.executable, "-m", "server.long_work"]


def environment(url: str) -> dict[str, str]:
    return {
        "DATABASE_URL": url,
        "FAIR_CORNER_SECRET_KEY": secret("secret-key"),
        "DJANGO_SETTINGS_MODULE": "server.settings",
    }


def _arguments(arguments: list[str], *, fresh: bool) -> argparse.Namespace:
    parser = argparse.ArgumentParser(prog="./fair-corner")
    parser.add_argument("--port", type=int, default=8300)
    if fresh:
        parser.add_argument("--fresh", action="store_true")
    return parser.parse_args(arguments)


def run_demo(arguments: list[str]) -> int:
    given = _arguments(arguments, fresh=True)
    _refuse_second()
    web.build()
    with database(fresh=given.fresh) as url:
        _migrate(url)
        run([sys.executable, "-m", "server.demo"], env=environment(url))
        return serving(url, given.port, demo=True)


def run_serve(arguments: list[str]) -> int:
    given = _arguments(arguments, fresh=False)
    _refuse_second()
    web.build()
    with database() as url:
        _migrate(url)
        return serving(url, given.port, demo=False)


def run_school(arguments: list[str]) -> int:
    """Begin a school, new or from its file, whether or not the application runs meanwhile."""
    with database() as url:
        _migrate(url)
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
    _refuse_second()
    with database() as url:
        restore(url, file)
        _migrate(url)
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


def _migrate(url: str) -> None:
    run([sys.executable, "manage.py", "migrate", "--no-input"], env=environment(url))


def _refuse_second() -> None:
    """One application at a time from one folder; a pid file left behind by a crash is ignored."""
    pid_file = RUN / "web.pid"
    if not pid_file.exists():
        return
    try:
        command = Path(f"/proc/{pid_file.read_text('utf-8').strip()}/cmdline").read_bytes()
    except OSError:
        command = b""
    if b"gunicorn" in command:
        raise Trouble("it is running already from this folder; stop it there with Ctrl-C")
    pid_file.unlink()


def serving(url: str, wanted_port: int, *, demo: bool) -> int:
    """Serve until Ctrl-C; the address is printed once the first answer has come."""
    port = free_port(wanted_port)
    if port != wanted_port:
        say(f"port {wanted_port} is busy, taking {port}")
    address = f"http://127.0.0.1:{port}"
    command = [
        sys.executable, "-m", "gunicorn", "server.wsgi:application", "--bind", f"127.0.0.1:{port}",
        "--workers", "2", "--threads", "4", "--preload", "--timeout", "60",
        "--pid", str(RUN / "web.pid"), "--log-level", "warning",
    ]  # fmt: skip
    started = [_start(program, url) for program in (command, WORKER)]
    server = started[0]
    # A shell may have started us with Ctrl-C ignored; both ways of asking end the same.
    signal.signal(signal.SIGINT, signal.default_int_handler)
    signal.signal(signal.SIGTERM, lambda *_: (_ for _ in ()).throw(KeyboardInterrupt()))
    try:
        # Meanwhile: on a new machine the core's loops are compiled before anybody waits for them.
        run([sys.executable, "-m", "faircorner.cli", "plan", EXAMPLE])
        _wait(server, address)
        print(f"\n  Fair Corner is at {address}\n", flush=True)
        if demo:
            run_text = (ROOT / "server" / "demo" / "sign-ins.txt").read_text("utf-8")
            print(run_text, flush=True)
        elif key := _key(url):
            print(f"  No school has begun here yet. Begin yours, within a day, at\n"
                  f"  {address}/begin?key={key}\n", flush=True)  # fmt: skip
        print("  Ctrl-C stops it; the data stays.\n", flush=True)
        return server.wait()
    except KeyboardInterrupt:
        say("stopping")
        return 0
    finally:
        for process in started:
            process.terminate()
        for process in started:
            _ended(process)


def _key(url: str) -> str:
    """What opens the one-time address; empty where a school has begun."""
    done = subprocess.run(
        [sys.executable, "-m", "server.founding", "key"], cwd=ROOT, text=True, check=True,
        env={**os.environ, **environment(url)}, stdout=subprocess.PIPE,
    )  # fmt: skip
    return done.stdout.strip()


def _start(program: list[str], url: str) -> subprocess.Popen[bytes]:
    return subprocess.Popen(
        program, cwd=ROOT, env={**os.environ, **environment(url)}, start_new_session=True,
        # What they have to say comes by standard error.
        stdout=subprocess.DEVNULL,
    )  # fmt: skip


def _ended(process: subprocess.Popen[bytes]) -> None:
    try:
        process.wait(timeout=15)
    except subprocess.TimeoutExpired:
        process.kill()


def _wait(server: subprocess.Popen[bytes], address: str) -> None:
    for _ in range(300):
        if server.poll() is not None:
            raise Trouble("the web server did not start; its words are above")
        try:
            with urllib.request.urlopen(f"{address}/api/session", timeout=2):  # noqa: S310
                return
        except (urllib.error.URLError, OSError):
            time.sleep(0.1)
    raise Trouble("the web server does not answer")
