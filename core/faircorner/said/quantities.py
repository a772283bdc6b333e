"""Figures as people say them, in their units."""

from math import degrees, isfinite

from faircorner.said.parts import Angle, Exact, Length, Part, Rough

__all__ = ["Units", "exact", "length", "quantity", "rough"]

# As a school has them: "metric" or "imperial".
Units = str
_INCH = 0.0254


def length(metres: float, units: Units = "metric") -> str:
    """Rounded as the tape gives it: centimetres, or half inches.

    >>> [length(0.034), length(1.5), length(-0.034), length(0.75, "imperial")]
    ['3 cm', '1.50 m', '−3 cm', '2 ft 5.5 in']
    """
    if not isfinite(metres) or units == "imperial":
        return _feet(metres, 0.5)
    if abs(metres) < 0.995:
        return _minus(f"{round(metres * 100)} cm")
    return _minus(f"{metres:.2f} m")


def rough(metres: float, units: Units = "metric") -> str:
    """As a driver can act on it: 5 cm, or 2 inches.

    >>> [rough(0.38), rough(2.31), rough(0.38, "imperial")]
    ['40 cm', '2.30 m', '1 ft 2 in']
    """
    if units == "imperial":
        return _feet(metres, 2)
    return length(int(metres * 20 + 0.5) / 20 if metres > 0 else 0.0)


def exact(metres: float, units: Units = "metric") -> str:
    """To the last figure that matters.

    >>> [exact(0.02), exact(40), exact(0.02, "imperial")]
    ['0.02 m', '40 m', '0.8 in']
    """
    return _feet(metres, 0.1) if units == "imperial" else _minus(f"{metres:g} m")


def quantity(part: Part, units: Units) -> str:
    """A part of a clause, in words."""
    match part:
        case Length(metres):
            return length(metres, units)
        case Rough(metres):
            return rough(metres, units)
        case Exact(metres):
            return exact(metres, units)
        case Angle(radians, digits):
            return _minus(f"{degrees(radians):.{digits}f}°")
        case _:
            return str(part)


def _feet(metres: float, step: float) -> str:
    if not isfinite(metres / _INCH / step):
        return f"{metres:g} m"
    # Half a step up, as hands round a tape, not to the even one.
    total = int(abs(metres) / _INCH / step + 0.5) * step
    feet = int(total // 12)
    inches = f"{total - 12 * feet:.1f}".removesuffix(".0")
    sign = "−" if metres < 0 < total else ""
    return f"{sign}{inches} in" if feet == 0 else f"{sign}{feet} ft {inches} in"


def _minus(text: str) -> str:
    return text.replace("-", "−")
