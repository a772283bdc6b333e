"""Asked before rolling: if you steer now, where does it end, and which way does the tail go?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal, TypeAlias

import numpy as np

from faircorner.cues import Scene, play
from faircorner.errors import InputError
from faircorner.plane import Floats, mirrored, to_body, to_site
from faircorner.said import Said
from faircorner.sides import sided

__all__ = ["Prediction", "Sideways", "predict"]

Sideways: TypeAlias = Literal["toward", "away", "neither"]

# How far it rolls before one sees which way the tail goes, m.
_SEEN_AFTER = 1.0
# Less than this sideways is neither way, m.
_NEITHER = 0.02
# Moments closer together than this end too much alike to be told apart, m.
_APART = 0.1


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Prediction:
    """A vehicle at a call, early or late, and what follows from acting there.

    here : (3,), where it stands; ends : (choices, 3), where it would end by each moment of acting
    tail : which way its tail goes first as it is seen from there: to the working side or away
    """

    here: Floats
    ends: Floats
    tail: Sideways

    def mirrored(self) -> "Prediction":
        return replace(self, here=mirrored(self.here), ends=mirrored(self.ends))


@sided
def predict(
    scene: Scene, values: dict[str, float], *, call: int, by: float, others: Sequence[float]
) -> Prediction:
    """What follows from acting at a call `by` m late, and where other moments would end instead.

    values : the plan's figures by name, SI; others : m late, each apart from every other moment
    The ends are in the order of `by` and others. Raises InputError for a call there is not, and
    for moments too close together.
    """
    moments = [by, *others]
    if np.diff(sorted(moments)).min(initial=_APART) < _APART:
        raise InputError("others_m", Said("moments apart"))
    tracks = [play(scene, values, call=call, by=late).track for late in moments]
    track = tracks[0]
    at = int(np.flatnonzero(track.leg < call)[-1])
    later = int(np.searchsorted(track.s[0], track.s[0, at] + _SEEN_AFTER))
    here, then = track.poses[0, at], track.poses[0, min(later, len(track.leg) - 1)]
    tail = to_site(then, np.array([[-scene.vehicle.rear_overhang, 0.0]]))
    return Prediction(
        here=here,
        ends=np.array([one.poses[0, -1] for one in tracks]),
        tail=_way(float(to_body(here, tail)[0, 1])),
    )


def _way(aside: float) -> Sideways:
    if abs(aside) < _NEITHER:
        return "neither"
    return "toward" if aside > 0 else "away"
