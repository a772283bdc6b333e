"""What somebody noted at a place, and how far off a school wants things to be."""

from dataclasses import dataclass, field, fields
from typing import Literal

from faircorner.errors import InputError, between
from faircorner.said import Said

__all__ = ["DISTANCES", "Check", "Least"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Least:
    """How far off things should be, m: a school's own figures; these are only where it begins."""

    junction: float = 15.0
    bend: float = 20.0
    crest: float = 20.0
    crossing: float = 15.0
    bus_stop: float = 10.0
    driveway: float = 5.0
    sight: float = 40.0
    to_pass: float = 2.2

    def __post_init__(self) -> None:
        for one in fields(self):
            value = getattr(self, one.name)
            between(f"least.{one.name}_m", value, 0.0, 500.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Check:
    """What was noted at a place; None where nobody looked. Lengths in metres, slope in percent.

    legal : whether stopping and manoeuvring are allowed there
    neighbour : how the parked vehicle stands that cues are taken from
    """

    legal: bool | None = None
    junction: float | None = None
    bend: float | None = None
    crest: float | None = None
    crossing: float | None = None
    bus_stop: float | None = None
    driveway: float | None = None
    sight: float | None = None
    traffic: Literal["quiet", "some", "busy"] | None = None
    light: Literal["clear", "dull", "dark"] | None = None
    neighbour: Literal["straight", "askew", "up on the kerb"] | None = None
    slope: float | None = None
    least: Least = field(default_factory=Least)

    def __post_init__(self) -> None:
        for name in DISTANCES:
            value = getattr(self, name)
            if value is not None:
                between(f"{name}_m", value, 0.0, 1000.0)
        if self.slope is not None and not -30 <= self.slope <= 30:
            raise InputError("slope_percent", Said("slope within", got=self.slope))


# What there should be some metres to, in the order in which it is looked for.
DISTANCES = ("junction", "crossing", "bus_stop", "driveway", "bend", "crest", "sight")
