"""Is this a place to practise? What was noted there, against the school's own least figures."""

from dataclasses import dataclass
from typing import Literal, TypeAlias

from faircorner.ground.check import Check
from faircorner.ground.kinds import kind_of
from faircorner.ground.place import Ground
from faircorner.said import Said

__all__ = ["Answer", "Remark", "Suitability", "Weight", "suitability"]

Weight: TypeAlias = Literal["good", "mind", "against", "not noted"]
Answer: TypeAlias = Literal["suits", "with care", "not here", "not known yet"]

# Above this a slope is told, percent; assumed.
_STEEP = 5.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Remark:
    """One thing that speaks for or against a place.

    metres, least : what was noted and what the school asks for, None where it is no length
    """

    item: str
    grade: Weight
    said: Said
    metres: float | None = None
    least: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Suitability:
    answer: Answer
    noted: tuple[Remark, ...]


def suitability(ground: Ground) -> Suitability:
    """The plain answer and its reasons, the worst first.

    One thing against a place is enough; what was not noted keeps a good answer back, since
    nobody has looked.
    """
    check = ground.check
    kind = kind_of(ground)
    noted = [_legal(check), *(_distance(check, name) for name in kind.distances)]
    if kind.to_pass is not None:
        noted.append(_width(kind.to_pass(ground.kerb_on_left()), check))
    noted += [_of("traffic", check.traffic, _TRAFFIC), _of("light", check.light, _LIGHT)]
    if kind.has_neighbour:
        noted.append(_of("neighbour", check.neighbour, _NEIGHBOUR))
    noted.append(_slope(check))
    grades = [one.grade for one in noted]
    answer: Answer
    if "against" in grades:
        answer = "not here"
    elif "not noted" in grades:
        answer = "not known yet"
    else:
        answer = "with care" if "mind" in grades else "suits"
    order: tuple[Weight, ...] = ("against", "mind", "not noted", "good")
    return Suitability(
        answer=answer, noted=tuple(sorted(noted, key=lambda one: order.index(one.grade)))
    )


def _legal(check: Check) -> Remark:
    if check.legal is None:
        return Remark(item="legal", grade="not noted", said=Said("allowed?"))
    if check.legal:
        return Remark(item="legal", grade="good", said=Said("allowed"))
    return Remark(item="legal", grade="against", said=Said("not allowed"))


def _distance(check: Check, name: str) -> Remark:
    metres, least = getattr(check, name), getattr(check.least, name)
    said = Said(name)
    if metres is None:
        return Remark(item=name, grade="not noted", said=said, least=least)
    grade: Weight = "good" if metres >= least else "against"
    return Remark(item=name, grade=grade, said=said, metres=metres, least=least)


def _width(left: float, check: Check) -> Remark:
    """Room left for others, m, beside a vehicle that stands ready."""
    least = check.least.to_pass
    grade: Weight = "good" if left >= least else "against"
    return Remark(
        item="to_pass", grade=grade, said=Said("to_pass"), metres=round(left, 3),
        least=least,
    )  # fmt: skip


_Weights: TypeAlias = dict[str, Weight]
_TRAFFIC: _Weights = {"quiet": "good", "some": "mind", "busy": "against"}
_LIGHT: _Weights = {"clear": "good", "dull": "mind", "dark": "against"}
_NEIGHBOUR: _Weights = {"straight": "good", "askew": "mind", "up on the kerb": "mind"}


def _of(item: str, value: str | None, weights: _Weights) -> Remark:
    if value is None:
        return Remark(item=item, grade="not noted", said=Said(f"{item}?"))
    return Remark(item=item, grade=weights[value], said=Said(f"{item} {value}"))


def _slope(check: Check) -> Remark:
    if check.slope is None:
        return Remark(item="slope", grade="not noted", said=Said("slope?"))
    if abs(check.slope) <= _STEEP:
        return Remark(item="slope", grade="good", said=Said("level"))
    said = Said("uphill" if check.slope > 0 else "downhill", percent=f"{abs(check.slope):g}")
    return Remark(item="slope", grade="mind", said=said)
