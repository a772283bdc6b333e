"""What differs between two documents of a kind, and between two sheets' settings, in words."""

from collections.abc import Iterator, Mapping, Set
from itertools import islice
from math import radians
from typing import Any, TypeAlias

from faircorner.said import Angle, Exact, Length, Part, Said, field_name

__all__ = ["changes", "field_name", "figure_of", "setting_changes"]

Body: TypeAlias = Mapping[str, Any]
# So many differences are told one by one; of the rest how many there are.
_TOLD = 8
# Settings that are told in words of their own.
_BY_NAME = ("pinned", "shifts_m", "picks", "dipped")
# A text longer than this is told as changed, not word by word.
_SHORT = 40


def changes(was: Body, now: Body) -> list[Said]:
    """What is another in a document than it was, field by field.

    Parts with names are told by them; outlines and courses only that they changed.
    """
    found = list(_between(was, now, ""))
    more = [Said("and more changes", more=len(found) - _TOLD)] if len(found) > _TOLD else []
    return [*islice(found, _TOLD), *more]


def setting_changes(was: Body, now: Body, angles: Set[str]) -> list[Said]:
    """What is set otherwise on one sheet than on another; settings as `OptionsModel` has them.

    angles : those of the method's figures that are angles
    """
    plain = [name for name in {**was, **now} if name not in _BY_NAME]
    told = [
        _setting(Said(f"field {name}"), figure_of(name, now.get(name)))
        for name in plain
        if was.get(name) != now.get(name)
    ]
    for name, figure in _differing(was, now, "pinned"):
        what = name.replace("_", " ")
        told.append(_setting(what, figure_of("_deg" if name in angles else "", figure)))
    told += [_shift(int(call), by or 0.0) for call, by in _differing(was, now, "shifts_m")]
    if was.get("dipped", False) != now.get("dipped", False):
        told.append(Said("mirror dipped" if now.get("dipped") else "mirror not dipped"))
    told += [_picked(int(call), key) for call, key in _differing(was, now, "picks")]
    return told


def _differing(was: Body, now: Body, name: str) -> list[tuple[str, Any]]:
    before, after = was.get(name) or {}, now.get(name) or {}
    keys = sorted({**before, **after})
    return [(key, after.get(key)) for key in keys if before.get(key) != after.get(key)]


def _setting(what: Said | str, now: Part | Said) -> Said:
    if now == Said("not set"):
        return Said("figure left", what=what)
    return Said("figure set", what=what, now=now)


def _picked(call: int, key: str | None) -> Said:
    if not key:
        return Said("cue left to the sheet", call=str(call))
    through, what, mark = (*key.split(" | "), "", "")[:3]
    return Said("another cue chosen", call=str(call), through=through, what=what, mark=mark)


def _shift(call: int, by: float) -> Said:
    if not by:
        return Said("cue told as computed", call=call)
    return Said("cue told later" if by > 0 else "cue told earlier", call=call, by=Length(abs(by)))


def _between(was: Any, now: Any, where: str) -> Iterator[Said]:
    """Differences of two mappings; where : the name of the part that they are, empty for none."""
    for field in {**was, **now}:
        if field == "format":
            continue
        old, new = was.get(field), now.get(field)
        if old != new:
            yield from _of_field(field, old, new, where)


def _of_field(field: str, was: Any, now: Any, where: str) -> Iterator[Said]:
    if isinstance(was, dict) and isinstance(now, dict):
        yield from _between(was, now, where)
    elif _named(was) and _named(now):
        yield from _among(was, now)
    elif any(isinstance(v, dict | list) or len(str(v)) > _SHORT for v in (was, now)):
        yield _placed("changed part", where, what=field_name(field))
    else:
        old, new = figure_of(field, was), figure_of(field, now)
        yield _placed("changed", where, what=field_name(field), now=new, was=old)


def _among(was: list[Body], now: list[Body]) -> Iterator[Said]:
    """Differences of two lists of parts that have names."""
    before = {part["name"]: part for part in was}
    after = {part["name"]: part for part in now}
    for name in {**before, **after}:
        if name not in after:
            yield Said("taken away", where=name)
        elif name not in before:
            yield Said("put there", where=name)
        else:
            yield from _between(before[name], after[name], name)


def _named(value: Any) -> bool:
    return isinstance(value, list) and all(isinstance(one, dict) and "name" in one for one in value)


def _placed(code: str, where: str, **parts: Part | Said) -> Said:
    return Said(f"{code} of", where=where, **parts) if where else Said(code, **parts)


def figure_of(field: str, value: Any) -> Part | Said:
    """A value with its unit, which documents name at the field's end; parts only that they are."""
    if isinstance(value, dict | list):
        return Said("as drawn")
    if value is None:
        return Said("not set")
    if isinstance(value, bool):
        return Said("yes" if value else "no")
    if isinstance(value, int | float) and (field.endswith("_m") or field == "metres"):
        return Exact(float(value))
    if isinstance(value, int | float) and field.endswith("_deg"):
        return Angle(radians(value))
    return float(value) if isinstance(value, int | float) else str(value)
