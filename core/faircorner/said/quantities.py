"""Figures as people say them, in their units."""

from functools import cache
from math import degrees, isfinite

from babel import Locale, UnknownLocaleError

from faircorner.said.parts import Angle, Exact, Length, Part, Rough

__all__ = ["Units", "exact", "length", "quantity", "rough"]

# As a school has them: "metric" or "imperial".
Units = str
_INCH = 0.0254


def length(metres: float, units: Units = "metric", locale: str = "en") -> str:
    """Rounded as the tape gives it: centimetres, or half inches.

    >>> [length(0.034), length(1.5), length(-0.034), length(0.75, "imperial")]
    ['3 cm', '1.50 m', '−3 cm', '2 ft 5.5 in']
    >>> length(1.5, locale="de-DE")
    '1,50 m'
    """
    if not isfinite(metres) or units == "imperial":
        return _feet(metres, 0.5, locale)
    if abs(metres) < 0.995:
        return _written(f"{round(metres * 100)} cm", locale)
    return _written(f"{metres:z.2f} m", locale)


def rough(metres: float, units: Units = "metric", locale: str = "en") -> str:
    """As a driver can act on it: 5 cm, or 2 inches.

    >>> [rough(0.38), rough(2.31), rough(0.38, "imperial")]
    ['40 cm', '2.30 m', '1 ft 2 in']
    """
    if units == "imperial":
        return _feet(metres, 2, locale)
    return length(int(metres * 20 + 0.5) / 20 if metres > 0 else 0.0, locale=locale)


def exact(metres: float, units: Units = "metric", locale: str = "en") -> str:
    """To the last figure that matters.

    >>> [exact(0.02), exact(40), exact(0.02, "imperial")]
    ['0.02 m', '40 m', '0.8 in']
    """
    if units == "imperial":
        return _feet(metres, 0.1, locale)
    return _written(f"{metres:g} m", locale)


def quantity(part: Part, units: Units, locale: str) -> str:
    """A part of a clause, in words."""
    match part:
        case Length(metres):
            return length(metres, units, locale)
        case Rough(metres):
            return rough(metres, units, locale)
        case Exact(metres):
            return exact(metres, units, locale)
        case Angle(radians, digits):
            return _written(f"{degrees(radians):z.{digits}f}°", locale)
        case float():
            return _written(f"{part:g}", locale)
        case _:
            return str(part)


def _feet(metres: float, step: float, locale: str) -> str:
    if not isfinite(metres / _INCH / step):
        return f"{metres:g} m"
    # Half a step up, as hands round a tape, not to the even one.
    total = int(abs(metres) / _INCH / step + 0.5) * step
    feet = int(total // 12)
    inches = f"{total - 12 * feet:.1f}".removesuffix(".0")
    sign = "−" if metres < 0 < total else ""
    told = f"{sign}{inches} in" if feet == 0 else f"{sign}{feet} ft {inches} in"
    return _written(told, locale)


def _written(text: str, locale: str) -> str:
    return text.replace("-", "−").replace(".", _decimal_mark(locale))


@cache
def _decimal_mark(locale: str) -> str:
    for name in (locale, locale.partition("-")[0]):
        try:
            mark: str = Locale.parse(name, sep="-").number_symbols["latn"]["decimal"]
        except (UnknownLocaleError, ValueError):
            continue
        return mark
    return "."
