"""Figures of a method that belong to the vehicle: the fit finds them between limits."""

from dataclasses import dataclass
from math import radians
from typing import Annotated, Literal, TypeAlias

from pydantic import Field

from faircorner.errors import InputError
from faircorner.model import Metres, Model, Name
from faircorner.said import Said

__all__ = [
    "USUAL_ANGLE",
    "USUAL_KERB",
    "USUAL_METRES",
    "USUAL_SHARE",
    "AngleModel",
    "FitAngle",
    "FitMetres",
    "FitShare",
    "MetresModel",
    "Unknown",
    "built",
]

Quantity: TypeAlias = Literal["m", "rad", "share"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Unknown:
    """A figure of the method that belongs to the vehicle: the fit finds it between limits.

    Metres, radians, or a share of the lock; prefer is where the method would have it, all else
    being equal. Named in several places it is one figure, found once.
    """

    name: str
    low: float
    high: float
    prefer: float
    quantity: Quantity = "m"

    def __post_init__(self) -> None:
        if not self.low <= self.prefer <= self.high or self.low == self.high:
            raise InputError(
                "prefer",
                Said(
                    "low, prefer and high must rise",
                    low=self.low,
                    prefer=self.prefer,
                    high=self.high,
                ),
            )


class FitMetres(Model):
    """A distance that belongs to the vehicle and is fitted between limits."""

    fit: Name
    low_m: Metres
    high_m: Metres
    prefer_m: Metres

    def build(self) -> Unknown:
        return Unknown(name=self.fit, low=self.low_m, high=self.high_m, prefer=self.prefer_m)


class FitAngle(Model):
    """An angle that belongs to the vehicle and is fitted between limits."""

    fit: Name
    low_deg: float
    high_deg: float
    prefer_deg: float

    def build(self) -> Unknown:
        low, high, prefer = map(radians, (self.low_deg, self.high_deg, self.prefer_deg))
        return Unknown(name=self.fit, low=low, high=high, prefer=prefer, quantity="rad")


class FitShare(Model):
    """A share of the lock that belongs to the vehicle and is fitted between limits."""

    fit: Name
    low: float
    high: float
    prefer: float

    def build(self) -> Unknown:
        return Unknown(
            name=self.fit, low=self.low, high=self.high, prefer=self.prefer, quantity="share"
        )


# How a fitted figure begins until somebody sets its limits: along the vehicle, off a kerb, the
# angle of a run, how much wheel. A method that has one of that name already calls it otherwise.
USUAL_METRES = FitMetres(fit="place", low_m=-2.0, high_m=2.5, prefer_m=0.3)
USUAL_KERB = FitMetres(fit="place", low_m=0.3, high_m=2.4, prefer_m=1.0)
USUAL_ANGLE = FitAngle(fit="angle", low_deg=15.0, high_deg=55.0, prefer_deg=32.0)
USUAL_SHARE = FitShare(fit="amount", low=0.4, high=1.0, prefer=0.7)

MetresModel: TypeAlias = float | FitMetres
AngleModel: TypeAlias = Annotated[float, Field(description="degrees")] | FitAngle


def built(given: float | FitMetres | FitShare) -> float | Unknown:
    """A figure as the core has it: metres and shares are the same in a document."""
    return given if isinstance(given, float) else given.build()
