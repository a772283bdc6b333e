"""A plan driven by hands that are not perfect: every call a little early or late."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike

from faircorner.cues.fit import Given, settings_for
from faircorner.cues.method import Method
from faircorner.cues.outcome import Case, attempt
from faircorner.cues.plan import Plan
from faircorner.ground import Band, Finish
from faircorner.plane import Bools, Floats, mirrored
from faircorner.sight import Seat
from faircorner.vehicle import Vehicle

__all__ = ["Rehearsal", "rehearse"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Rehearsal:
    """What a batch of attempts came to.

    poses : (attempts, 3), where they ended, in the site's own frame
    good : (attempts,), inside every band, nothing touched
    kerb_touched : (attempts,), tyres against kerb or wheel stop; body_touched : (attempts,)
    """

    finish: Finish
    poses: Floats
    good: Bools
    kerb_touched: Bools
    body_touched: Bools


def rehearse(
    vehicle: Vehicle,
    seat: Seat,
    method: Method,
    plan: Plan,
    bands: tuple[Band, ...],
    late: ArrayLike,
) -> Rehearsal:
    """Drive a plan's calls early or late, the later steps reacting as a driver would.

    late : (attempts, calls), m rolled, negative early
    """
    lateness = np.atleast_2d(np.asarray(late, dtype=np.float64))
    left = plan.ground.side == "left"
    case = Case(
        vehicle=vehicle if left else vehicle.mirrored(),
        ground=plan.ground.kerb_on_left(),
        method=method,
        bands=bands,
        seat=seat if left else seat.mirrored(),
    )
    given = Given(gap=plan.gap, rate=plan.turns_per_metre, pinned={})
    values = np.array([[plan.values[u.name] for u in method.unknowns]])
    # The last step's end is no call: the car is stopped when the wheel is straight.
    ends = np.column_stack((lateness, np.zeros(len(lateness))))
    outcome = attempt(case, settings_for(values, given, len(method.steps), ends))
    return Rehearsal(
        finish=outcome.finish,
        poses=outcome.track.final if left else mirrored(outcome.track.final),
        good=outcome.good(bands),
        kerb_touched=outcome.tyres <= 0,
        body_touched=outcome.body <= 0,
    )
