"""What goes into a clause."""

from dataclasses import dataclass
from typing import TypeAlias

__all__ = ["Angle", "Exact", "Length", "Part", "Rough"]


@dataclass(frozen=True, slots=True)
class Length:
    """Metres, told as a tape gives them: centimetres, or half inches."""

    metres: float


@dataclass(frozen=True, slots=True)
class Rough:
    """Metres, told as a driver can act on them: 5 cm, or 2 inches."""

    metres: float


@dataclass(frozen=True, slots=True)
class Exact:
    """Metres, told to the last figure somebody typed: a limit, or what is outside it."""

    metres: float


@dataclass(frozen=True, slots=True)
class Angle:
    """Radians, told in degrees with so many digits."""

    radians: float
    digits: int = 1


# A name is told as it is: things and places are called what people call them. A bare figure is
# told to the last digit that matters.
Part: TypeAlias = str | int | float | Length | Rough | Exact | Angle
