"""The likely slip behind a measure unlike its kind: a radius for a circle, inches for cm."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from faircorner.said import Length, Said

__all__ = ["Slip", "slips"]

# A measure within these shares of the usual is nobody's slip.
_LEAST, _MOST = 0.72, 1.38
_INCH, _FOOT = 2.54, 0.3048
# What a slip turns a measure into, and how it is undone.
_UNDONE = (
    ("inches for centimetres", _INCH), ("centimetres for inches", 1 / _INCH),
    ("inches for metres", _INCH / 100), ("feet for metres", _FOOT), ("metres for feet", 1 / _FOOT),
    ("a tenth", 10.0), ("ten times", 0.1), ("a hundredth", 100.0), ("a hundred times", 0.01),
)  # fmt: skip
_OF_ITS_OWN = {
    "kerb_circle_m": (("the radius", 2.0), ("twice the circle", 0.5)),
    "lock_turns": (("lock to lock", 0.5),),
}
_SLIPS_OF_TURNS = frozenset({"a tenth", "ten times"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Slip:
    """field : of the measure; instead : what it would be without the slip, None where no one
    slip explains it
    """

    field: str
    said: Said
    instead: float | None

    def document(self) -> dict[str, Any]:
        return {"field": self.field, "said": self.said.document(), "instead": self.instead}


def slips(given: Mapping[str, float], usual: Mapping[str, float]) -> list[Slip]:
    """Of measures that are far from what is usual, the slip that best explains each.

    Lengths in m, `lock_turns` in turns; only what has a usual is looked at.

    >>> [slip] = slips({"kerb_circle_m": 5.3}, {"kerb_circle_m": 10.4})
    >>> str(slip.said)
    'looks like the radius: from kerb to kerb it is 10.60 m'
    """
    return [slip for name, value in given.items() if name in usual
            for slip in _slip(name, value, usual[name])]  # fmt: skip


def _slip(name: str, value: float, usual: float) -> Iterator[Slip]:
    if value > 0 and _LEAST <= value / usual <= _MOST:
        return
    turns = name == "lock_turns"
    undone = [
        (code, value * by)
        for code, by in (*_OF_ITS_OWN.get(name, ()), *_UNDONE)
        if not turns or code in _SLIPS_OF_TURNS or code == "lock to lock"
    ]
    explained = [(code, to) for code, to in undone if _LEAST <= to / usual <= _MOST]
    if not explained:
        low, high = _figure(name, _LEAST * usual), _figure(name, _MOST * usual)
        yield Slip(field=name, said=Said("unlike its kind", low=low, high=high), instead=None)
        return
    code, to = min(explained, key=lambda one: abs(np.log(one[1] / usual)))
    said = Said(f"slip {code}", instead=_figure(name, to))
    yield Slip(field=name, said=said, instead=round(to, 3))


def _figure(name: str, value: float) -> Length | str:
    return f"{value:.2f}" if name == "lock_turns" else Length(value)
