"""A plan driven by hands that are not perfect: every call a little early or late."""

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import ArrayLike

from faircorner.cues.driven import attempt
from faircorner.cues.plan import Plan
from faircorner.cues.prepare import prepare
from faircorner.cues.problem import Given, settings_for
from faircorner.cues.scene import Scene
from faircorner.plane import Bools, Floats, mirrored
from faircorner.sides import sided
from faircorner.standards import Finish

__all__ = ["Rehearsal", "redrive", "rehearse"]

# So far apart poses are looked at, m: between two a corner strays less than 1 mm from a line.
_SAMPLE = 0.10


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Rehearsal:
    """What a batch of attempts came to.

    poses : (attempts, 3), where they ended, in the site's own frame
    good : (attempts,), inside every band, nothing touched
    whole : (attempts,), every step came to its end
    kerb_touched : (attempts,), tyres against kerb or wheel stop; body_touched : (attempts,)
    """

    finish: Finish
    poses: Floats
    good: Bools
    whole: Bools
    kerb_touched: Bools
    body_touched: Bools

    def mirrored(self) -> "Rehearsal":
        return replace(self, poses=mirrored(self.poses))


def rehearse(scene: Scene, plan: Plan, late: ArrayLike) -> Rehearsal:
    """Drive a plan's calls early or late, the later steps reacting as a driver would.

    late : (attempts, calls), m rolled, negative early
    """
    given = Given(gap=plan.gap, rate=plan.turns_per_metre, pinned={})
    return _rehearsed(replace(scene, ground=plan.ground), given, plan.values, late)


@sided
def redrive(scene: Scene, values: Mapping[str, float], late: ArrayLike) -> Rehearsal:
    """The same from the figures alone that a plan was kept with, by name, SI."""
    ready, given = prepare(scene)
    return _driven(ready, given, values, late)


@sided
def _rehearsed(
    scene: Scene, given: Given, values: Mapping[str, float], late: ArrayLike
) -> Rehearsal:
    return _driven(scene, given, values, late)


def _driven(scene: Scene, given: Given, values: Mapping[str, float], late: ArrayLike) -> Rehearsal:
    lateness = np.atleast_2d(np.asarray(late, dtype=np.float64))
    # The last step's end is no call: the car is stopped when the wheel is straight.
    ends = np.column_stack((lateness, np.zeros(len(lateness))))
    figures = np.array([[values[u.name] for u in scene.method.unknowns]])
    settings = settings_for(figures, given, len(scene.method.steps), ends)
    driven = attempt(scene, settings, sample=_SAMPLE)
    return Rehearsal(
        finish=driven.finish,
        poses=driven.track.final,
        good=driven.good(scene.bands),
        whole=np.asarray(driven.followed.reached.all(axis=1)),
        kerb_touched=driven.tyres <= 0,
        body_touched=driven.body <= 0,
    )
