"""A learner's attempts as a table to take along: CSV, and what its columns hold (CSV on the Web).

Metadata Vocabulary for Tabular Data, W3C Recommendation of 17 December 2015.
"""

import csv
import io
from collections.abc import Iterable, Iterator
from typing import Any

from faircorner.said import Said

from server.lessons.history import NAMED
from server.lessons.models import Attempt
from server.schools.models import School

__all__ = ["described", "table"]

# Each column of the table that is taken along: how it is called there, and what it holds.
_COLUMNS: tuple[tuple[str, str], ...] = (
    ("attempt", "string"), ("started", "dateTime"), ("lesson", "integer"), ("learner", "string"),
    ("instructor", "string"), *((name, "string") for name in NAMED),
    ("seconds", "decimal"), ("forward_movements", "integer"), ("reverse_movements", "integer"),
    ("kerb_touches", "integer"), ("kerb_mounts", "integer"), ("vehicle_touches", "integer"),
    ("calls", "string"), ("looks", "string"), ("prompted", "string"), ("observed", "string"),
    ("on_the_way", "string"), ("at_end", "string"), ("help", "string"),
    ("kerb_front_m", "decimal"), ("kerb_rear_m", "decimal"), ("ahead_m", "decimal"),
    ("behind_m", "decimal"), ("by_eye", "string"), ("angle_deg", "decimal"),
    ("said_kerb_front_m", "decimal"), ("said_kerb_rear_m", "decimal"),
    ("outcome", "string"), ("small", "integer"),
    ("serious", "integer"), ("points", "integer"), ("whole", "boolean"), ("void", "boolean"),
)  # fmt: skip
_NOT_NOTED = "not noted"
# Before these a spreadsheet takes a text for a formula.
_FORMULA = ("=", "+", "-", "@", "\t", "\r")


def table(attempts: Iterable[Attempt]) -> Iterator[bytes]:
    """The lines of the table, its head first."""
    line = io.StringIO()
    writer = csv.DictWriter(line, [name for name, _ in _COLUMNS])
    writer.writeheader()
    for attempt in attempts:
        writer.writerow({name: _plain(value) for name, value in _row(attempt).items()})
        yield _taken(line)
    yield _taken(line)


def _taken(line: io.StringIO) -> bytes:
    text = line.getvalue().encode()
    line.seek(0)
    line.truncate()
    return text


def _plain(value: Any) -> Any:
    """What somebody typed is never more than text to whoever opens the table."""
    if isinstance(value, bool):
        return str(value).lower()
    return f"'{value}" if isinstance(value, str) and value.startswith(_FORMULA) else value


def described(school: School) -> dict[str, Any]:
    """The table's metadata, titles in the school's words."""
    return {
        "@context": "http://www.w3.org/ns/csvw",
        "url": "history.csv",
        "tableSchema": {
            "columns": [
                {"name": name, "titles": name, "datatype": kind,
                 "dc:description": Said(f"column {name}").told(school.units, school.locale)}
                for name, kind in _COLUMNS
            ],
            "primaryKey": "attempt",
        },
    }  # fmt: skip


def _row(attempt: Any) -> dict[str, Any]:
    """One attempt as the columns have it; what was not noted is said to be not noted."""
    notes, tape = attempt.notes_now, attempt.tape or {}
    verdict, finish = tape.get("verdict") or {}, tape.get("finish") or {}
    readings = attempt.readings or {}
    said = (attempt.stated or {}).get("readings", {})
    sheet, plan = attempt.cue_sheet, attempt.cue_sheet.plan
    return {
        "attempt": attempt.pk, "started": attempt.started.isoformat(), "lesson": attempt.lesson_id,
        "learner": attempt.cue_sheet.learner.name, "instructor": attempt.instructor.name,
        **{name: getattr(sheet, name).name for name in NAMED},
        **{name: notes.get(name) for name, _ in _COLUMNS if name in notes},
        "calls": _each(notes["calls"], len(plan["calls"])),
        "looks": "; ".join(
            f"{look['look']}: {done}" for look, done in zip(
                plan["looks"], _padded(notes["looks"], len(plan["looks"])), strict=True)
        ),
        "prompted": "; ".join(str(step) for step in notes.get("prompted", [])),
        "observed": "; ".join(
            f"{seen['what']} ({seen['phase']}, {seen['seconds']:g} s)"
            for seen in notes.get("observed", [])
        ),
        "on_the_way": "; ".join(
            f"{name}: {value:g}" for name, value in notes.get("on_the_way", {}).items()
        ),
        "at_end": "; ".join(
            f"{what}: {'yes' if so else 'no'}" for what, so in notes.get("at_end", {}).items()
        ),
        **{name: readings.get(name) for name in
           ("kerb_front_m", "kerb_rear_m", "ahead_m", "behind_m")},
        "by_eye": "; ".join(
            f"{name}: {glance}" for name, glance in sorted(readings.get("by_eye", {}).items())
        ),
        "angle_deg": finish.get("angle_deg"),
        **{f"said_{name}": said.get(name) for name in ("kerb_front_m", "kerb_rear_m")},
        **{name: verdict.get(name) for name in ("outcome", "small", "serious", "points", "whole")},
        "void": attempt.void,
    }  # fmt: skip


def _padded(noted: list[str | None], count: int) -> list[str]:
    filled = [one or _NOT_NOTED for one in noted]
    return filled + [_NOT_NOTED] * (count - len(filled))


def _each(noted: list[str | None], count: int) -> str:
    return "; ".join(_padded(noted, count))
