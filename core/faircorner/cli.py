"""The computation from the shell: `fair-corner core drive|plan FILE`, JSON in and out."""

import json
import sys
from pathlib import Path
from typing import Any

from faircorner.cues import Scene, goal_of, make_plan, make_remedy
from faircorner.documents.answers import plan_document, remedy_document
from faircorner.documents.driving import drive_document
from faircorner.documents.library import house_standard, methods
from faircorner.documents.requests import DriveRequest, PlanRequest, method_named, read_options
from faircorner.errors import InputError
from faircorner.model import inside

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


def _drive(document: Any) -> dict[str, Any]:
    return drive_document(DriveRequest.read(document))


def _plan(document: Any) -> dict[str, Any]:
    request = PlanRequest.read(document)
    with inside("vehicle"):
        vehicle = request.vehicle.build()
    with inside("seat"):
        seat = request.seat.build()
    with inside("ground"):
        ground = request.ground.build()
    with inside("method"):
        method = method_named(request, methods()).build()
    with inside("standard"):
        standard = (request.standard or house_standard(goal_of(method.manoeuvre))).build()
    options = read_options(request.options, method)
    scene = Scene(
        vehicle=vehicle, seat=seat, ground=ground, method=method, standard=standard, options=options
    )
    plan = make_plan(scene)
    remedy = None
    if not plan.feasible:
        remedy = make_remedy(scene)
    return {
        **plan_document(plan, method),
        "remedy": remedy_document(remedy),
        "judged_by": f"{standard.name}, {standard.authority}, {standard.dated}",
    }


_COMMANDS = {"drive": _drive, "plan": _plan}


def main(arguments: list[str] | None = None) -> int:
    """Run one command; 0 when it worked, 2 with one line on standard error when it could not."""
    given = sys.argv[1:] if arguments is None else arguments
    if len(given) != 2 or given[0] not in _COMMANDS:
        print(
            f"use: fair-corner core {'|'.join(_COMMANDS)} FILE   (- for standard input)",
            file=sys.stderr,
        )
        return 2
    try:
        answer = _COMMANDS[given[0]](_read(given[1]))
    except InputError as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return 2
    json.dump(answer, sys.stdout, allow_nan=False)
    print()
    return 0


if __name__ == "__main__":
    sys.exit(main())
