"""What a kind of place is made of: one folder of `faircorner.ground.kinds` each.

How it is laid out, measured and changed, what can be tightened, what is asked of it as a place to
practise, and its document. Nothing outside the folders knows a kind by name.
"""

from collections.abc import Callable
from dataclasses import dataclass, field

from faircorner.ground.check import DISTANCES
from faircorner.ground.goal import Goal
from faircorner.ground.place import Ground
from faircorner.ground.sketch import Sketch
from faircorner.model import Model
from faircorner.plane import Floats
from faircorner.vehicle import Vehicle

__all__ = ["Kind", "Room", "Size"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Room:
    """Room that may be given where a method does not go: a measure of the place.

    measure : None for the gap at the start, which is the method's and not the place's
    option : what gives it on a cue sheet, as its settings name it; None where only the place does
    only_more : whether less of it never helps
    """

    what: str
    measure: str | None
    option: str | None = None
    only_more: bool = True


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Size:
    """How a place is made tighter: below `low` nothing goes, `tries` are sizes to begin from, m."""

    what: str
    at: Callable[[float], Ground]
    low: float
    tries: Floats


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Kind:
    """One kind of place; every function takes it with the working side on the left.

    where : how it is said that a manoeuvre ends there
    lay : a place of that name with ordinary measures
    measures, adjust : what a tape would say of it, and the same with one measure changed
    laid : names of what the layout itself put there, which its own measures move
    sketch : its measures where they are drawn
    rooms, sizes : what may be given where it is too tight, and what can be looked for as the
        least, None where nothing can be
    distances : which of what should be far off is asked of it
    to_pass : m left for others to pass a vehicle that stands ready, None where nobody passes
    left_again : whether there is a way out to be worked out, as from between others
    has_neighbour : whether cues are taken from a parked vehicle
    landmarks, things : names that its goal gives, for whoever writes a method
    gap_to : what the gap that is wanted along it is told to
    """

    goal: type[Goal]
    model: type["GoalModel"]
    where: str
    lay: Callable[[str], Ground]
    measures: Callable[[Ground], dict[str, float]]
    adjust: Callable[[Ground, str, float], Ground]
    sketch: Callable[[Ground], Sketch]
    landmarks: tuple[str, ...]
    gap_to: str
    things: tuple[str, ...] = ()
    laid: Callable[[Ground], frozenset[str]] = field(default=lambda _ground: frozenset())
    rooms: Callable[[Ground], tuple[Room, ...]]
    sizes: Callable[[Ground, Vehicle], tuple[Size, ...]] | None = None
    distances: tuple[str, ...] = DISTANCES
    to_pass: Callable[[Ground], float] | None = None
    has_neighbour: bool = False
    left_again: bool = False

    @property
    def name(self) -> str:
        return self.goal.kind


class GoalModel(Model):
    """A goal as a document has it."""

    def build(self) -> Goal:
        raise NotImplementedError

    @classmethod
    def of(cls, goal: Goal) -> "GoalModel":
        """The document of a goal of its own kind."""
        raise NotImplementedError
