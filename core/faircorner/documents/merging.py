"""Two people's changes to one document brought together."""

from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any, TypeAlias

from faircorner.documents.changes import figure_of
from faircorner.said import Said, field_name

__all__ = ["Merge", "merged"]

Body: TypeAlias = dict[str, Any]
_ABSENT = object()


@dataclass(frozen=True, slots=True, kw_only=True)
class Merge:
    """Both changes in one document, where both changed the same: once mine, once theirs.

    conflicts : what both changed, each way, in words
    """

    mine: Body
    theirs: Body
    conflicts: tuple[Said, ...]


@dataclass(slots=True)
class _Merging:
    """conflicts : gathered on the way; choose : which of both a conflict is settled by"""

    choose: Callable[[Any, Any], Any]
    conflicts: list[Said] = field(default_factory=list)

    def body(self, base: Any, mine: Any, theirs: Any, where: str = "") -> Body:
        found = {}
        for name in {**theirs, **mine}:
            was, here, there = (one.get(name, _ABSENT) for one in (base, mine, theirs))
            value = self._value(name, was, here, there, where)
            if value is not _ABSENT:
                found[name] = value
        return found

    def _value(self, name: str, base: Any, mine: Any, theirs: Any, where: str) -> Any:
        if mine in (theirs, base):
            return theirs
        if theirs == base:
            return mine
        if all(isinstance(one, dict) for one in (base, mine, theirs)):
            return self.body(base, mine, theirs, where)
        if _alike(base, mine, theirs):
            rows = zip(base, mine, theirs, strict=True)
            return [self.body(was, here, there, was["name"]) for was, here, there in rows]
        told = [Said("not set") if v is _ABSENT else figure_of(name, v) for v in (mine, theirs)]
        what = field_name(name)
        self.conflicts.append(
            Said("both changed of", where=where, what=what, mine=told[0], theirs=told[1])
            if where
            else Said("both changed", what=what, mine=told[0], theirs=told[1])
        )
        return self.choose(mine, theirs)


def merged(base: Body, mine: Body, theirs: Body) -> Merge:
    """What two people made of a document that both began from.

    What only one of them changed is kept as that one has it. A list is gone into only while its
    parts are the same by name and in the same order; else it is one value.
    """
    first = _Merging(choose=lambda mine, _theirs: mine)
    second = _Merging(choose=lambda _mine, theirs: theirs)
    return Merge(
        mine=first.body(base, mine, theirs),
        theirs=second.body(base, mine, theirs),
        conflicts=tuple(first.conflicts),
    )


def _alike(*lists: Any) -> bool:
    """Whether these are lists of parts with the same names in the same order."""
    if not all(isinstance(one, list) and one for one in lists):
        return False
    names = [[isinstance(p, dict) and p.get("name") for p in one] for one in lists]
    return all(names[0]) and all(one == names[0] for one in names)
