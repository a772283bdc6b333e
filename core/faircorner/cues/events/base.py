"""What a step may wait for, as the driver of methods and everything told of a call see it."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Any, ClassVar, Self, TypeAlias

from faircorner.cues.fitted import Unknown
from faircorner.ground import Ground
from faircorner.motion import Leg
from faircorner.plane import Floats
from faircorner.said import Said
from faircorner.sight import Seat
from faircorner.vehicle import Vehicle

__all__ = ["Came", "Event", "EventInMetres", "Moment", "Rising", "Usual", "Waiting", "Watched"]

# Of poses (attempts, n, 3) and wheel turns (attempts, n): rises through zero when a step ends.
Rising: TypeAlias = Callable[[Floats, Floats], Floats]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Waiting:
    """A batch of attempts that begins a step, the working side on the left.

    direction : of the step; turning : which way its wheel turns the vehicle, +1, -1, or 1 where
    it is straight
    leg : the step's, its metres not known yet; then : the next step's, None after the last
    wanted : (attempts,), the event's figure; pose : (attempts, 3); turns : (attempts,)
    seat : whose eye, None where nobody's is known
    """

    vehicle: Vehicle
    ground: Ground
    seat: Seat | None
    direction: int
    turning: float
    leg: Leg
    then: Leg | None
    wanted: Floats
    pose: Floats
    turns: Floats


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Moment:
    """One vehicle at the end of a step: pose (3,), and its wheel, an array without axes."""

    vehicle: Vehicle
    ground: Ground
    pose: Floats
    turns: Floats


@dataclass(frozen=True, slots=True, kw_only=True)
class Came:
    """How an event came, for whoever tells what to wait for.

    metres : as `Event.stood` says; heading : of the call, rad off the kerb's line; then : of the
    next call, once the wheel has settled; rolled : m since the start
    direction : in which it was waited for, +1 forward, -1 in reverse
    """

    metres: float
    heading: float
    then: float
    rolled: float
    direction: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Watched:
    """What a driver who waits for an event looks at: an edge, or a thing past a mark; or neither.

    edge : where the distance to one is waited for; thing, mark : what passes which of the
    vehicle's own marks; through : the mirror in which it does, empty where it is seen directly;
    part : what of the thing, empty where it is all of it
    """

    edge: str = ""
    thing: str = ""
    mark: str = ""
    through: str = ""
    part: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Usual:
    """What a new step names until somebody chooses: of the place, and of the manoeuvre's end.

    end : the vehicle's own point that the gap at the end is told from; gap_to : and what to
    felt : what tyres come against there
    """

    landmark: str
    thing: str
    end: str
    gap_to: str
    felt: str


class Event:
    """What ends a step; subclasses are frozen dataclasses, one module each.

    kind : its name in documents and for words
    of_heading : whether it depends on the heading alone, so that no position need be driven
    settles_next : whether it waits for what the next step's wheel will lead to
    sets_the_wheel : whether it waits for the wheel to come round while rolling
    """

    __slots__ = ()
    kind: ClassVar[str]
    of_heading: ClassVar[bool] = False
    settles_next: ClassVar[bool] = False
    sets_the_wheel: ClassVar[bool] = False

    @classmethod
    def begun(cls, usual: Usual) -> dict[str, Any]:
        """How one begins in a method that is being written, as a document."""
        return {"kind": cls.kind}

    def figure(self) -> float | Unknown:
        """What of it is given or fitted, m or rad; 0 where there is none."""
        return 0.0

    def with_figure(self, value: float) -> Self:
        """The same with its figure as found."""
        return self

    def known(self, waiting: Waiting) -> Floats | None:
        """m rolled until then, (attempts,), where that is known beforehand."""
        return None

    def rising(self, waiting: Waiting) -> Rising:
        """Raises InputError naming what the vehicle or the place does not have."""
        raise NotImplementedError

    def stood(self, moment: Moment) -> float:
        """m at which it came, of its own point or gap; NaN where it has none."""
        return float("nan")

    def meets(self) -> str:
        """Name of what the tyres then stand at, so that touching it is no fault; else empty."""
        return ""

    def blocked(self, ground: Ground) -> bool:
        """Whether nobody rolls on past it, however late they act."""
        return False

    def line(self, ground: Ground) -> float:
        """The heading, rad, from which the vehicle's angle is told at its call."""
        return 0.0

    def said(self, came: Came) -> Said:
        """What the call can be told by besides the eye."""
        raise NotImplementedError

    def watched(self) -> Watched:
        return Watched()

    def named(self) -> dict[str, str]:
        """What it names, by document field: own, landmark, edge, thing."""
        return {}


@dataclass(frozen=True, slots=True, kw_only=True)
class EventInMetres(Event):
    """One whose figure is a distance: `metres`, of what its own docstring says."""

    metres: float | Unknown

    def figure(self) -> float | Unknown:
        return self.metres

    def with_figure(self, value: float) -> Self:
        return replace(self, metres=value)
