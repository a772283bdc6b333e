"""A plan driven by hands that are not perfect: every call a little early or late."""

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import ArrayLike

from faircorner.cues.driven import attempt
from faircorner.cues.fit import Given, settings_for
from faircorner.cues.plan import Plan
from faircorner.cues.scene import Scene
from faircorner.plane import Bools, Floats, mirrored
from faircorner.sides import sided
from faircorner.standards import Finish

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

    def mirrored(self) -> "Rehearsal":
        return replace(self, poses=mirrored(self.poses))


def rehearse(scene: Scene, plan: Plan, late: ArrayLike) -> Rehearsal:
    """Drive a plan's calls early or late, the later steps reacting as a driver would.

    late : (attempts, calls), m rolled, negative early
    """
    lateness = np.atleast_2d(np.asarray(late, dtype=np.float64))
    # The last step's end is no call: the car is stopped when the wheel is straight.
    ends = np.column_stack((lateness, np.zeros(len(lateness))))
    values = np.array([[plan.values[u.name] for u in scene.method.unknowns]])
    given = Given(gap=plan.gap, rate=plan.turns_per_metre, pinned={})
    return _rehearsed(replace(scene, ground=plan.ground), values, given, ends)


@sided
def _rehearsed(scene: Scene, values: Floats, given: Given, ends: Floats) -> Rehearsal:
    driven = attempt(scene, settings_for(values, given, len(scene.method.steps), ends))
    return Rehearsal(
        finish=driven.finish,
        poses=driven.track.final,
        good=driven.good(scene.bands),
        kerb_touched=driven.tyres <= 0,
        body_touched=driven.body <= 0,
    )
