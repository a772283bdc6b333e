"""What a document or request calls a field, in anybody's words."""

import re

from faircorner.said.catalogue import clauses
from faircorner.said.said import Said

__all__ = ["field_name", "path_name"]

_STEP = re.compile(r"^steps\[(\d+)\]$")
_LINE = re.compile(r"^(\w+), line (\d+)$")
_UNIT = re.compile(r"_(m|deg|percent)$")


def field_name(field: str) -> Said | str:
    """How a field of a document is called; one that no catalogue has, as it is."""
    code = f"field {field}"
    return Said(code) if code in clauses("en") else field


def path_name(path: str) -> Said:
    """How a field is called that an error names by its way through a document.

    >>> print(path_name("steering.kerb_circle_m"), "/", path_name("steps[1].until.angle"))
    circle, kerb to kerb / step 2, angle
    """
    parts = path.split(".")
    last = re.sub(r"\[\d+\]$", "", parts[-1])
    name = field_name(last)
    if isinstance(name, str):
        name = Said("as written", words=_UNIT.sub("", last).replace("_", " "))
    if (step := _STEP.match(parts[0])) and len(parts) > 1:
        return Said("in a step", number=int(step[1]) + 1, what=name)
    if line := _LINE.match(parts[0]):
        part, number = line[1], int(line[2])
        if len(parts) == 1:
            return Said("line", part=part, number=number)
        return Said("in a line", part=part, number=number, what=name)
    return name
