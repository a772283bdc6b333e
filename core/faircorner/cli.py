"""The computation from the shell: `fair-corner core drive|plan|sight|judge FILE`, JSON in and out.

`fair-corner core sight --picture FILE` draws instead: its question is another one.
"""

import gc
import json
import os
import sys
from importlib import import_module
from pathlib import Path
from typing import Any

from faircorner.errors import InputError

__all__ = ["main"]

_LARGEST = 2_000_000


def _read(path: str) -> Any:
    if path == "-":
        raw = sys.stdin.buffer.read(_LARGEST + 1)
    else:
        try:
            with Path(path).open("rb") as file:
                raw = file.read(_LARGEST + 1)
        except OSError as error:
            raise InputError(path, f"cannot be read: {error.strerror}") from None
    if len(raw) > _LARGEST:
        raise InputError(
            "document", f"is larger than {_LARGEST // 1_000_000} MB; a request never is"
        )
    try:
        return json.loads(raw, parse_constant=_refuse)
    except (ValueError, RecursionError) as error:
        raise InputError("document", f"is not JSON: {error}") from None


def _refuse(constant: str) -> float:
    raise ValueError(f"{constant} is not a number")


# One module of `faircorner.commands` each: only the one that is asked for is loaded.
_COMMANDS = ("drive", "plan", "sight", "judge")


def main(arguments: list[str] | None = None) -> int:
    """Run one command; 0 when it worked, 2 with one line on standard error when it could not."""
    given = list(sys.argv[1:] if arguments is None else arguments)
    name = given[0] if given else ""
    if name == "sight" and "--picture" in given:
        given.remove("--picture")
        name = "picture"
    if len(given) != 2 or given[0] not in _COMMANDS:
        print(
            f"use: fair-corner core {'|'.join(_COMMANDS)} FILE   (- for standard input; "
            "sight --picture FILE draws)",
            file=sys.stderr,
        )
        return 2
    try:
        command = import_module(f"faircorner.commands.{name}")
        answer = command.answer(_read(given[1]))
    except InputError as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return 2
    json.dump(answer, sys.stdout, allow_nan=False)
    print()
    return 0


if __name__ == "__main__":
    # Short computations finish in Python before Numba would have been loaded.
    if sys.argv[1:2] in (["drive"], ["judge"]):
        os.environ["NUMBA_DISABLE_JIT"] = "1"
    # One answer and out: looking for what could be thrown away takes a quarter of the time.
    gc.disable()
    status = main()
    gc.freeze()
    sys.exit(status)
