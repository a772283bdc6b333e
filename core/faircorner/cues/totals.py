"""A plan in a few figures, by which methods are compared."""

from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from faircorner.cues.plan import Plan
from faircorner.cues.windows import REACH
from faircorner.ground import FAR_KERB, KERB

__all__ = ["Totals", "totals"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Totals:
    """What a plan asks for and needs; metres.

    movements : stretches in one gear; rolled : m in all
    narrowest : the call that may move least, by number, and how much in all, None without calls;
    a side on which it may move further than was searched counts as far as that
    swing : m that nose or tail swings out; nearest : m to what stands there, or to the kerbs where
    they are what there has to be room to, None where nothing is
    unseen : calls with something to line up on that does not show as the driver sits
    along : which gap tells the place along the berth
    """

    movements: int
    rolled: float
    narrowest: tuple[int, float] | None
    swing: float
    nearest: float | None
    unseen: int
    along: Literal["ahead", "behind"]


def totals(plan: Plan) -> Totals:
    """A plan's figures, whichever side it is on."""
    ground = plan.ground
    kerbs = (KERB, FAR_KERB) if ground.goal.kerbs_narrow else ()
    passed = {*(obstacle.name for obstacle in ground.obstacles), *kerbs}
    near = [metres for name, metres, _ in plan.clearances if name in passed]
    gears = [leg.direction for leg in plan.legs]
    widths = [
        (number, sum(REACH if side is None else side for side in (w.early, w.late)))
        for number, w in enumerate((call.window for call in plan.calls), start=1)
    ]
    return Totals(
        movements=1 + sum(a != b for a, b in pairwise(gears)),
        rolled=float(plan.track.s[0, -1]),
        narrowest=min(widths, key=lambda width: width[1], default=None),
        swing=next((look.metres for look in plan.looks if look.swings_out), 0.0),
        nearest=min(near, default=None),
        unseen=sum(call.unseen for call in plan.calls),
        along=ground.kerb_on_left().berth.along,
    )
