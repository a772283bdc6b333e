"""Where a manoeuvre ends, as the sums see it: what every kind of place says of itself.

Everything here has the working side on the left. Site frame: docs/sums/berth.md.
"""

from typing import ClassVar, Self

import numpy as np

from faircorner.errors import InputError
from faircorner.ground.berth import Berth
from faircorner.ground.kerbline import Kerbline
from faircorner.ground.obstacle import Edge
from faircorner.ground.sighted import Obstacles, Sighted
from faircorner.plane import Floats
from faircorner.said import Said

__all__ = ["Goal", "nobody_asks"]


class Goal:
    """What is wanted at the end, and what of the place it is told by; a frozen dataclass a kind.

    kind : its name in documents
    kerbs_narrow : whether it is the kerbs that there has to be room to, all the way
    kerbs_tried : what may be wanted off its kerb, m, as far as is usually tried
    has_kerb : whether the vehicle ends beside a kerb that its tyres could meet
    reach : m that what bounds it is drawn and driven on, each way
    """

    __slots__ = ()
    kind: ClassVar[str]
    has_kerb: ClassVar[bool] = True
    reach: ClassVar[float] = 40.0
    kerbs_narrow: ClassVar[bool] = False
    kerbs_tried: ClassVar[tuple[float, float]] = (0.1, 0.6)

    @property
    def gap(self) -> float | None:
        """m wanted along the berth; None where nobody asks."""
        raise NotImplementedError

    def check(self, obstacles: Obstacles) -> None:
        """Raises InputError when it names what is not there."""

    def landmarks(self, obstacles: Obstacles) -> dict[str, float]:
        """Named places along the kerb or aisle, x in m."""
        raise NotImplementedError

    def flank(self, obstacles: Obstacles) -> float:
        """y from which the gap at the start is measured, m: the kerb."""
        return 0.0

    @property
    def flank_of(self) -> str:
        """What the gap at the start is measured from, by its name."""
        return "kerb"

    def flank_from(self, obstacles: Obstacles) -> float:
        """x where that begins, m; without end where it runs all along."""
        return -np.inf

    def in_view(self, obstacles: Obstacles, width: float) -> Floats:
        """Places (n, 2) that a drawing shows besides what is driven on, m; NaN: wherever."""
        return np.array([(np.nan, 0.5)])

    def sighted(self, obstacles: Obstacles) -> tuple[Sighted, ...]:
        """What a driver can line up on, besides what was put down."""
        raise NotImplementedError

    def kerblines(self, width: float) -> tuple[Kerbline, ...]:
        """The edges of what is driven on; width : m of the road or aisle."""
        raise NotImplementedError

    def painted(self) -> tuple[Edge, ...]:
        """What is painted on the ground and may be crossed."""
        return ()

    def aligned(self) -> tuple[tuple[str, Floats], ...]:
        """Straight lines on the ground that a driver can line up on: a name and (2, 2) m each."""
        return ()

    def berth(self, obstacles: Obstacles, width: float) -> Berth:
        """Where to stand in the end."""
        raise NotImplementedError

    def wanting(self, *, kerb: float | None, gap: float | None) -> Self:
        """The same with another finish wanted: m from the kerb, m along the berth.

        Raises InputError for what is not asked for at such a place.
        """
        raise NotImplementedError

    def ending(self, manoeuvre: str) -> Self:
        """The same as a manoeuvre ends there."""
        return self


def nobody_asks() -> InputError:
    return InputError("ahead_m", Said("where along is not asked"))
