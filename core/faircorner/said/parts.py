"""What goes into a clause."""

from dataclasses import dataclass
from typing import TypeAlias

__all__ = ["Angle", "Exact", "Length", "Part"]


@dataclass(frozen=True, slots=True)
class Length:
    """Metres, told as a tape gives them: centimetres, or half inches."""

    metres: float


@dataclass(frozen=True, slots=True)
class Exact:
    """Metres, told to the last figure somebody typed: a limit, or what is outside it."""

    metres: float


@dataclass(frozen=True, slots=True)
class Angle:
    """Radians, told in degrees."""

    radians: float


# A name is told as it is: things and places are called what people call them.
Part: TypeAlias = str | int | Length | Exact | Angle
