"""Talking to the person at the shell and to other programs."""

import os
import secrets
import socket
import subprocess
import sys
from collections.abc import Mapping, Sequence
from pathlib import Path

__all__ = ["ROOT", "RUN", "Trouble", "free_port", "run", "say", "secret"]

ROOT = Path(__file__).resolve().parent.parent
# Everything made on this machine: the cluster, its password, logs. Ignored by git; elsewhere where
# the data are to outlive the code's folder.
RUN = Path(os.environ.get("FAIR_CORNER_RUN") or ROOT / ".run").resolve()


class Trouble(Exception):
    """Something the person has to know; the message says what to do."""


def say(text: str) -> None:
    print(f"fair-corner: {text}", file=sys.stderr, flush=True)


def run(
    command: Sequence[str | Path], *, cwd: Path = ROOT, env: Mapping[str, str] | None = None
) -> None:
    """Run a program quietly; what it printed is shown only when it fails."""
    done = subprocess.run(
        [str(part) for part in command],
        cwd=cwd,
        env={**os.environ, **(env or {})},
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        text=True,
        check=False,
    )
    if done.returncode:
        raise Trouble(f"{' '.join(map(str, command))} failed:\n{done.stdout[-6000:]}")


def free_port(wanted: int) -> int:
    """The wanted port on loopback, or the next free one above it."""
    for port in range(wanted, wanted + 200):
        with socket.socket() as probe:
            probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                probe.bind(("127.0.0.1", port))
            except OSError:
                continue
            return port
    raise Trouble(f"no free port between {wanted} and {wanted + 199}; stop something")


def secret(name: str) -> str:
    """A secret made once and kept readable for this user alone."""
    RUN.mkdir(mode=0o755, parents=True, exist_ok=True)
    path = RUN / name
    if not path.exists():
        path.touch(mode=0o600)
        path.write_text(secrets.token_urlsafe(48), "utf-8")
    return path.read_text("utf-8")
