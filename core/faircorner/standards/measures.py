"""What can be limited: what a tape measures of a finish, and what is counted while driving.

Another one is another entry here and its words in the catalogue; nothing else knows them by name.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Literal, TypeAlias

import numpy as np

from faircorner.errors import InputError
from faircorner.ground import Berth
from faircorner.plane import Floats, to_site
from faircorner.said import Said
from faircorner.vehicle import Vehicle

__all__ = ["MEASURES", "Arrival", "Measure", "Noted", "counted", "measure_named"]

Unit: TypeAlias = Literal["m", "rad", "count", "s"]
# How documents and the API call a unit, and what one of theirs is inside.
_SUFFIX: dict[Unit, str] = {"m": "_m", "rad": "_deg", "count": "", "s": ""}
_INSIDE: dict[Unit, float] = {"m": 1.0, "rad": float(np.radians(1.0)), "count": 1.0, "s": 1.0}


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Arrival:
    """Where a batch of attempts stands: poses (attempts, 3) on the site, working side on the left.

    hubs : (attempts, 2, 2), rear and front, where the tape is held at the near-side tyres, in the
        berth's frame; headings : (attempts,), rad off the berth's
    """

    berth: Berth
    vehicle: Vehicle
    poses: Floats
    hubs: Floats
    headings: Floats

    @classmethod
    def at(cls, poses: Floats, vehicle: Vehicle, berth: Berth) -> "Arrival":
        local = berth.local(poses)
        hubs = to_site(local, vehicle.hubs(side=1))
        return cls(berth=berth, vehicle=vehicle, poses=poses, hubs=hubs, headings=local[:, 2])


@dataclass(frozen=True, slots=True, kw_only=True)
class Noted:
    """What was noted while driving: counts, seconds, and what became of each look.

    looks : "done", "late", "missed" or "prompted"; None where nothing was noted
    """

    seconds: float
    forward_movements: int
    reverse_movements: int
    kerb_touches: int
    kerb_mounts: int
    vehicle_touches: int
    looks: tuple[str | None, ...] = ()

    @property
    def unwatched(self) -> tuple[int, ...]:
        """Which looks nobody noted: neither done nor missed."""
        return tuple(i for i, look in enumerate(self.looks) if look is None)


@dataclass(frozen=True, slots=True, kw_only=True)
class Measure:
    """One figure of an attempt that a standard may limit.

    unit : SI; taped : how a finish has it, None for what is counted; noted : how it is counted
    both_ways : whether its size counts, whichever way it is
    of_looks : whether it counts looks, and so knows nothing of those that nobody noted
    end : which end of the berth it is the gap to; beside : whether it is off the edge beside it
    outside : the clause that says a finish broke its limit, {edge} the berth's edge
    """

    name: str
    unit: Unit
    taped: Callable[[Arrival], Floats] | None = None
    noted: Callable[[Noted], float] | None = None
    both_ways: bool = False
    of_looks: bool = False
    end: Literal["ahead", "behind"] | None = None
    beside: bool = False
    outside: str = ""

    @property
    def outward(self) -> str:
        """Its name in documents, which names the unit."""
        return self.name + _SUFFIX[self.unit]

    @property
    def one(self) -> float:
        """What one of the unit in documents is inside."""
        return _INSIDE[self.unit]


def _counts(name: str, noted: Callable[[Noted], float], unit: Unit = "count") -> Measure:
    return Measure(name=name, unit=unit, noted=noted)


def _looks(name: str, what: str) -> Measure:
    return Measure(
        name=name, unit="count", of_looks=True, noted=lambda noted: noted.looks.count(what)
    )


_ALL = (
    Measure(
        name="kerb_front", unit="m", beside=True, taped=lambda at: -at.hubs[:, 1, 1],
        outside="outside kerb_front",
    ),
    Measure(
        name="kerb_rear", unit="m", beside=True, taped=lambda at: -at.hubs[:, 0, 1],
        outside="outside kerb_rear",
    ),
    Measure(
        name="angle", unit="rad", both_ways=True, taped=lambda at: at.headings,
        outside="outside angle",
    ),
    Measure(
        name="ahead", unit="m", end="ahead",
        taped=lambda at: at.berth.gap_to("ahead", at.poses, at.vehicle),
        outside="outside ahead",
    ),
    Measure(
        name="behind", unit="m", end="behind",
        taped=lambda at: at.berth.gap_to("behind", at.poses, at.vehicle),
        outside="outside behind",
    ),
    _counts("forward_movements", lambda noted: noted.forward_movements),
    _counts("reverse_movements", lambda noted: noted.reverse_movements),
    _looks("looks_missed", "missed"),
    _looks("looks_late", "late"),
    # A look that needed a prompt is a prompt, not a miss.
    _looks("prompts", "prompted"),
    _counts("kerb_touches", lambda noted: noted.kerb_touches),
    _counts("kerb_mounts", lambda noted: noted.kerb_mounts),
    _counts("vehicle_touches", lambda noted: noted.vehicle_touches),
    _counts("seconds", lambda noted: noted.seconds, unit="s"),
)  # fmt: skip
MEASURES: Mapping[str, Measure] = {measure.name: measure for measure in _ALL}


def measure_named(name: str) -> Measure:
    """The measure of that name; InputError listing those there are."""
    if name not in MEASURES:
        raise InputError("measure", Said("is not one of", name=name, known=", ".join(MEASURES)))
    return MEASURES[name]


def counted(noted: Noted) -> dict[str, float]:
    """Everything that is counted, by its measure's name."""
    return {m.name: float(m.noted(noted)) for m in _ALL if m.noted is not None}
