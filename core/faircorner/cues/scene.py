"""Who drives what, where, how, judged by what: the one value that every question is about."""

from dataclasses import dataclass, field, replace

from faircorner.cues.method import Method
from faircorner.cues.suits import suited
from faircorner.ground import Ground
from faircorner.plane import Floats, mirrored
from faircorner.sides import Side
from faircorner.sight import Seat
from faircorner.standards import Band, Standard
from faircorner.vehicle import Vehicle

__all__ = ["Options", "Scene"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Options:
    """What the user may set for one cue sheet; None leaves it to the method, the place or the fit.

    gap : m at the start; kerb : m wanted to the kerb; ahead : m wanted ahead
    turns_per_metre : how fast the hands are
    pinned : unknowns of the method by name, SI
    shifts : m by which each call is told late (negative early), by call number from 1
    picks : the cue that was chosen for a call instead of the sharpest, by its key; call 0 is the
        first stop, and one more than there are calls the last
    dipped : whether the near-side door mirror is turned down to the rear tyre for the manoeuvre
    """

    gap: float | None = None
    kerb: float | None = None
    ahead: float | None = None
    turns_per_metre: float | None = None
    pinned: dict[str, float] = field(default_factory=dict)
    shifts: dict[int, float] = field(default_factory=dict)
    picks: dict[int, str] = field(default_factory=dict)
    dipped: bool = False


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Scene:
    """A vehicle, a driver's seat, a place, a method, a standard, and what was set.

    seat : None where nobody's eye is known
    standing : (3,), where the vehicle stands, in the site's own frame: to go on from, or to be
        compared with; None where the method says where to begin
    """

    vehicle: Vehicle
    seat: Seat | None
    ground: Ground
    method: Method
    standard: Standard
    options: Options = field(default_factory=Options)
    standing: Floats | None = None

    @property
    def side(self) -> Side:
        """Where the working side lies."""
        return self.ground.side

    @property
    def bands(self) -> tuple[Band, ...]:
        """What a finish without any fault keeps to."""
        return self.standard.bands

    def suited(self) -> "Scene":
        """The same at the place as the method ends there; InputError where it does not."""
        return replace(self, ground=suited(self.ground, self.method))

    def mirrored(self) -> "Scene":
        """The same in a mirror: everything left is right."""
        return replace(
            self,
            vehicle=self.vehicle.mirrored(),
            seat=None if self.seat is None else self.seat.mirrored(),
            ground=self.ground.mirrored(),
            standing=None if self.standing is None else mirrored(self.standing),
        )
