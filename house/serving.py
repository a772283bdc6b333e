"""The programs that serve the application: started together, looked after, stopped together."""

import fcntl
import json
import os
import signal
import subprocess
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from dataclasses import dataclass, field
from pathlib import Path

from house import front, postgres
from house.environment import environment
from house.shell import ROOT, RUN, Trouble, free_port, say

__all__ = ["WORKER", "alone", "run_status", "run_stop", "serving", "started"]

# Long work is done apart, one piece at a time, so that no small request waits behind it.
WORKER = [sys.executable, "-m", "server.long_work"]
_LOCK, _STATE = RUN / "serving.lock", RUN / "serving.json"
# Whoever ends sooner after its start than this, s, so many times in a row, is not started again.
_SOON, _TRIES = 5.0, 5
_EVERY = 0.5


@dataclass(kw_only=True)
class _Program:
    name: str
    command: list[str]
    env: dict[str, str]
    begun: float = 0.0
    tries: int = 0
    process: subprocess.Popen[bytes] | None = field(default=None, init=False)

    def start(self) -> None:
        self.begun = time.monotonic()
        self.process = subprocess.Popen(
            # Should this process be killed, they end with it.
            ["setpriv", "--pdeathsig", "TERM", "--", *self.command],
            cwd=ROOT, env={**os.environ, **self.env}, start_new_session=True,
            # What they have to say comes by standard error.
            stdout=subprocess.DEVNULL,
        )  # fmt: skip

    def look_after(self) -> bool:
        """Start it again where it has ended; whether it had. Raises Trouble where it will not."""
        if self.process is None or self.process.poll() is None:
            return False
        soon = time.monotonic() - self.begun < _SOON
        self.tries = self.tries + 1 if soon else 0
        if self.tries >= _TRIES:
            raise Trouble(f"{self.name} ends again and again; its words are above")
        say(f"{self.name} has ended; starting it again")
        self._end_its_own()
        self.start()
        return True

    def stop(self) -> None:
        if self.process is None:
            return
        with suppress(subprocess.TimeoutExpired):
            self.process.terminate()
            self.process.wait(timeout=15)
        self.process.kill()
        self.process.wait()
        self._end_its_own()

    def _end_its_own(self) -> None:
        """Killed, it left what it had started itself, which holds its port."""
        assert self.process is not None  # noqa: S101  it has been started
        with suppress(ProcessLookupError):
            os.killpg(self.process.pid, signal.SIGKILL)


def _gunicorn(port: int, *how: str) -> list[str]:
    return [
        sys.executable, "-m", "gunicorn", "server.wsgi:application", "--bind", f"127.0.0.1:{port}",
        "--preload", "--config", "python:house.warm", "--log-level", "warning", *how,
    ]  # fmt: skip


def _programs(url: str, *, address: str, port: int) -> list[_Program]:
    application = free_port(port + 1000)
    computing = free_port(application + 1)
    # It is the front that says where a request came from, and whether by HTTPS.
    env = {**environment(url), "FAIR_CORNER_BEHIND_FRONT": "1"}
    cores = os.cpu_count() or 1
    # One request each, and as many as keep the cores busy: threads would wait for one another.
    answers = _gunicorn(application, "--workers", str(cores + 2), "--timeout", "60")
    workers = str(cores + 4)
    # A process each, which nothing small waits for and which is ended where it takes too long.
    computes = _gunicorn(computing, "--workers", workers, "--timeout", str(front.PATIENCE))
    file = front.configured(
        address=address, port=port, application=application, computing=computing
    )
    return [
        _Program(name="the application", command=answers, env=env),
        _Program(name="what computes", command=computes, env=env),
        _Program(name="the worker", command=["nice", "-n", "10", *WORKER], env=env),
        _Program(name="nginx", command=["nginx", "-c", str(file), "-p", str(RUN)], env={}),
    ]


@contextmanager
def started(url: str, port: int) -> Iterator[tuple[str, list[_Program]]]:
    """The whole application, once it answers, at an address of this machine's; until the end."""
    address = f"http://127.0.0.1:{port}"
    # Until then a page that is opened says that the application is starting.
    front.READY.unlink(missing_ok=True)
    programs = _programs(url, address="127.0.0.1", port=port)
    try:
        for program in programs:
            program.start()
        _wait(address, programs)
        front.READY.touch()
        yield address, programs
    finally:
        front.READY.unlink(missing_ok=True)
        for program in reversed(programs):
            program.stop()


@contextmanager
def alone() -> Iterator[None]:
    """One application at a time from one folder, for as long as this process lives."""
    RUN.mkdir(mode=0o755, parents=True, exist_ok=True)
    with _LOCK.open("w") as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            raise Trouble(
                "it is running already from this folder; stop it with ./fair-corner stop"
            ) from None
        yield


def serving(url: str, wanted_port: int, *, told: str) -> int:
    """Serve until Ctrl-C or `stop`; the address is printed once the first answer has come.

    told : what to print with it, {address} in it filled in
    """
    port = free_port(wanted_port)
    if port != wanted_port:
        say(f"port {wanted_port} is busy, taking {port}")
    # A shell may have started us with Ctrl-C ignored; both ways of asking end the same.
    signal.signal(signal.SIGINT, signal.default_int_handler)
    signal.signal(signal.SIGTERM, lambda *_: (_ for _ in ()).throw(KeyboardInterrupt()))
    try:
        with started(url, port) as (address, programs):
            _note(address, programs)
            print(f"\n  Fair Corner is at {address}\n", flush=True)
            print(told.replace("{address}", address), flush=True)
            print("  Ctrl-C stops it; the data stays.\n", flush=True)
            while True:
                if sum(program.look_after() for program in programs):
                    _note(address, programs)
                postgres.look_after(url)
                time.sleep(_EVERY)
    except KeyboardInterrupt:
        say("stopping")
        return 0
    finally:
        _STATE.unlink(missing_ok=True)


def _note(address: str, programs: list[_Program]) -> None:
    """Who runs here, for `status` and `stop`."""
    pids = {one.name: one.process.pid for one in programs if one.process is not None}
    part = _STATE.with_suffix(".part")
    part.write_text(json.dumps({"pid": os.getpid(), "address": address, "programs": pids}), "utf-8")
    part.rename(_STATE)


def _noted() -> dict[str, object] | None:
    """What `_note` wrote, while whoever wrote it runs; None where nobody does."""
    try:
        with _LOCK.open("r") as lock:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except FileNotFoundError:
        return None
    except OSError:
        with suppress(OSError, ValueError):
            noted: dict[str, object] = json.loads(_STATE.read_text("utf-8"))
            return noted
        raise Trouble("it is being started or stopped; ask again in a moment") from None
    return None


def run_status(_arguments: list[str]) -> int:
    """Whether it runs, and whether all is well: 0; 1 where not all is, 3 where nothing runs."""
    noted = _noted()
    if noted is None:
        print("nothing runs from this folder")
        return 3
    print(f"running at {noted['address']}, started by process {noted['pid']}")
    pids = noted["programs"]
    assert isinstance(pids, dict)  # noqa: S101  as it was written
    for name, pid in pids.items():
        print(f"  {name}: {'process ' + str(pid) if Path(f'/proc/{pid}').exists() else 'ended'}")
    try:
        with urllib.request.urlopen(f"{noted['address']}/api/health", timeout=10) as answer:  # noqa: S310
            print(f"  health: {answer.read().decode()}")
    except (urllib.error.URLError, OSError) as error:
        print(f"  health: {error}")
        return 1
    return 0


def run_stop(_arguments: list[str]) -> int:
    """End what runs from this folder, and wait until it has."""
    noted = _noted()
    if noted is None:
        left = postgres.stop_what_is_left()
        say("its database was left running; stopped" if left else "nothing runs from this folder")
        return 0
    os.kill(int(str(noted["pid"])), signal.SIGTERM)
    for _ in range(600):
        with suppress(Trouble):
            if _noted() is None:
                return 0
        time.sleep(0.1)
    raise Trouble("it does not end; look at what it says")


def _wait(address: str, programs: list[_Program]) -> None:
    for _ in range(1800):
        for program in programs:
            if program.process is not None and program.process.poll() is not None:
                raise Trouble(f"{program.name} did not start; its words are above")
        try:
            with urllib.request.urlopen(f"{address}/api/health", timeout=2):  # noqa: S310
                return
        except (urllib.error.URLError, OSError):
            time.sleep(0.1)
    raise Trouble("the application does not answer")
