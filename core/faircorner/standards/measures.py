"""What can be limited: a finish by the tape, what is measured on the way, what is counted.

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
from faircorner.standards.noted import Became, Noted
from faircorner.standards.observed import Phase
from faircorner.vehicle import Vehicle

__all__ = ["MEASURES", "ON_THE_WAY", "Arrival", "Measure", "measure_named"]

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
class Measure:
    """One figure of an attempt that a standard may limit.

    unit : SI; taped : how a finish has it, None for what is counted; noted : how it is counted
    both_ways : whether its size counts, whichever way it is
    of_looks : whether it counts looks, and so knows nothing of those that nobody noted
    phase : the one that it belongs to; None for what is of the whole attempt
    end : which end of the berth it is the gap to; beside : whether it is off the edge beside it
    outside : the clause that says a finish broke its limit, {edge} the berth's edge
    """

    name: str
    unit: Unit
    taped: Callable[[Arrival], Floats] | None = None
    noted: Callable[[Noted], float] | None = None
    both_ways: bool = False
    of_looks: bool = False
    phase: Phase | None = None
    end: Literal["ahead", "behind"] | None = None
    beside: bool = False
    outside: str = ""

    @property
    def outward(self) -> str:
        """Its name in documents, which names the unit."""
        return self.name + _SUFFIX[self.unit]

    @property
    def on_the_way(self) -> bool:
        """Whether somebody has to take it while the vehicle is under way."""
        return self.noted is not None and self.phase is not None

    @property
    def one(self) -> float:
        """What one of the unit in documents is inside."""
        return _INSIDE[self.unit]


def _counts(name: str, noted: Callable[[Noted], float], unit: Unit = "count") -> Measure:
    return Measure(name=name, unit=unit, noted=noted)


def _looks(name: str, what: Became) -> Measure:
    def count(noted: Noted) -> float:
        return sum(look.became == what for look in noted.looks)

    return Measure(name=name, unit="count", of_looks=True, noted=count)


def _on_the_way(name: str, phase: Phase, unit: Unit = "m") -> Measure:
    """Taken by whoever stands beside it, by tape or by eye; nothing where nobody took it."""
    return Measure(
        name=name, unit=unit, phase=phase, noted=lambda noted: noted.on_the_way.get(name, np.nan)
    )


def _corrections(noted: Noted) -> float:
    if noted.planned is None:
        return np.nan
    return max(0, noted.forward_movements + noted.reverse_movements - noted.planned)


_ALL = (
    Measure(
        name="kerb_front", unit="m", phase="finish", beside=True,
        taped=lambda at: -at.hubs[:, 1, 1],
        outside="outside kerb_front",
    ),
    Measure(
        name="kerb_rear", unit="m", phase="finish", beside=True,
        taped=lambda at: -at.hubs[:, 0, 1],
        outside="outside kerb_rear",
    ),
    Measure(
        name="angle", unit="rad", phase="finish", both_ways=True, taped=lambda at: at.headings,
        outside="outside angle",
    ),
    Measure(
        name="ahead", unit="m", phase="finish", end="ahead",
        taped=lambda at: at.berth.gap_to("ahead", at.poses, at.vehicle),
        outside="outside ahead",
    ),
    Measure(
        name="behind", unit="m", phase="finish", end="behind",
        taped=lambda at: at.berth.gap_to("behind", at.poses, at.vehicle),
        outside="outside behind",
    ),
    _on_the_way("start_gap", "start"),
    _on_the_way("furthest_back", "execution"),
    _on_the_way("kerb_nearest", "execution"),
    _on_the_way("kerb_farthest", "execution"),
    _on_the_way("swing_out", "execution"),
    _on_the_way("leaving_movements", "leaving", unit="count"),
    _counts("forward_movements", lambda noted: noted.forward_movements),
    _counts("reverse_movements", lambda noted: noted.reverse_movements),
    _counts("movements", lambda noted: noted.forward_movements + noted.reverse_movements),
    # More movements than the method itself has.
    _counts("corrections", _corrections),
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
ON_THE_WAY: tuple[Measure, ...] = tuple(measure for measure in _ALL if measure.on_the_way)


def measure_named(name: str) -> Measure:
    """The measure of that name; InputError listing those there are."""
    if name not in MEASURES:
        raise InputError("measure", Said("is not one of", name=name, known=", ".join(MEASURES)))
    return MEASURES[name]
