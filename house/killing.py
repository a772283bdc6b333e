"""Killing what an application is made of, and waiting for what takes its place."""

import os
import signal
from collections.abc import Callable
from contextlib import suppress
from pathlib import Path

from house.trial import Served, patiently

__all__ = ["PROGRAMS", "children", "everything", "killed", "until_another"]

PROGRAMS = ("the application", "what computes", "the worker", "nginx")


def killed(process: int | str) -> None:
    pid = int(process)
    # It may just have ended by itself.
    with suppress(ProcessLookupError):
        os.kill(pid, signal.SIGKILL)
    patiently(lambda: not Path(f"/proc/{pid}").exists() or _is_dead(pid))


def _is_dead(pid: int) -> bool:
    """Ended, and its parent has not looked yet."""
    with suppress(FileNotFoundError):
        return Path(f"/proc/{pid}/stat").read_text("utf-8").rpartition(")")[2].split()[0] == "Z"
    return True


def until_another(of: Callable[[], int]) -> None:
    """Kill a process, and wait for the one that takes its place: its children answer until then."""
    before = of()
    killed(before)
    patiently(lambda: of() != before)


def children(of: Callable[[], int]) -> list[str]:
    """Process numbers, once there are any."""

    def now() -> list[str]:
        pid = of()
        return Path(f"/proc/{pid}/task/{pid}/children").read_text("utf-8").split()

    return patiently(now)


def everything(machine: Served) -> None:
    database = machine.database()
    machine.kill()
    killed(database)
    machine.start()
