"""A clause that is still to be told: its code in the catalogue, and its quantities."""

from dataclasses import dataclass
from typing import Any

from faircorner.said.catalogue import clauses
from faircorner.said.parts import Angle, Exact, Length, Part, Rough
from faircorner.said.quantities import Units, quantity

__all__ = ["Said"]

_KINDS: dict[str, type[Length | Rough | Exact]] = {"m": Length, "rough_m": Rough, "exact_m": Exact}


@dataclass(frozen=True, slots=True, init=False)
class Said:
    """One clause; without a code nothing is said, and it is false.

    >>> said = Said("body meets by", what="wall", by=Length(0.034))
    >>> str(said), said.told("imperial")
    ('the body meets the wall by 3 cm', 'the body meets the wall by 1.5 in')
    """

    code: str
    parts: tuple[tuple[str, "Part | Said"], ...]

    def __init__(self, code: str = "", **parts: "Part | Said") -> None:
        object.__setattr__(self, "code", code)
        object.__setattr__(self, "parts", tuple(parts.items()))

    def __bool__(self) -> bool:
        return bool(self.code)

    def __str__(self) -> str:
        return self.told()

    def told(self, units: Units = "metric", locale: str = "en") -> str:
        """In somebody's units and words; empty where nothing is said.

        locale : as BCP 47 names it; where it has no catalogue its language's is used, else English
        """
        if not self:
            return ""
        words = clauses(locale)
        parts = {
            name: part.told(units, locale)
            if isinstance(part, Said)
            else words.get(f"name {part}") or quantity(part, units, locale)
            for name, part in self.parts
        }
        return words[self.code].format(**parts)

    @property
    def lengths(self) -> tuple[float, ...]:
        """m, in the order in which they are said."""
        return tuple(
            part.metres for _, part in self.parts if isinstance(part, Length | Rough | Exact)
        )

    def document(self) -> dict[str, Any]:
        """As JSON, so that it can be kept and told later in anybody's units."""
        return {"code": self.code, "parts": {name: _outward(part) for name, part in self.parts}}

    @classmethod
    def of(cls, document: dict[str, Any]) -> "Said":
        """Undoes `document`."""
        return cls(
            document["code"], **{name: _inward(part) for name, part in document["parts"].items()}
        )


def _outward(part: "Part | Said") -> Any:
    match part:
        case Said():
            return part.document()
        case Length(metres):
            return {"m": round(metres, 4)}
        case Exact(metres):
            return {"exact_m": metres}
        case Rough(metres):
            return {"rough_m": round(metres, 4)}
        case Angle(radians, digits):
            return {"rad": round(radians, 6), "digits": digits}
        case _:
            return part


def _inward(part: Any) -> "Part | Said":
    if not isinstance(part, dict):
        plain: str | int = part
        return plain
    if "code" in part:
        return Said.of(part)
    if "rad" in part:
        return Angle(part["rad"], part["digits"])
    ((kind, metres),) = part.items()
    return _KINDS[kind](metres)
