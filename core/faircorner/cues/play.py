"""What follows from acting at one call early or late, the later steps reacting."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.driven import attempt
from faircorner.cues.fit import FINE
from faircorner.cues.prepare import prepare
from faircorner.cues.problem import settings_for
from faircorner.cues.scene import Scene
from faircorner.cues.windows import breakage
from faircorner.errors import InputError
from faircorner.motion import Track
from faircorner.said import Exact, Said
from faircorner.sides import sided
from faircorner.standards import Finish

__all__ = ["Played", "play"]

# A call is played this far early or late at most, m.
_REACH = 2.0


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Played:
    """One attempt with one call displaced. Poses are in the site's own frame.

    breaks : what goes wrong first, in a clause; false when nothing is met
    """

    track: Track
    finish: Finish
    breaks: Said

    def mirrored(self) -> "Played":
        return replace(self, track=self.track.mirrored())


@sided
def play(scene: Scene, values: dict[str, float], *, call: int, by: float) -> Played:
    """Drive a plan with one call displaced.

    values : every figure of the plan by name, SI; call : its number, from 1; by : m late,
    negative early
    Raises InputError for a call the method does not have, and for more than 2 m.
    """
    method = scene.method
    if not 1 <= call < len(method.steps):
        raise InputError(
            "call", Said("there is no such call", call=call, most=len(method.steps) - 1)
        )
    if not abs(by) <= _REACH:
        raise InputError("by_m", Said("must be within", reach=Exact(_REACH), got=Exact(by)))
    ready, given = prepare(scene)
    late = np.zeros((1, len(method.steps)))
    late[0, call - 1] = by
    figures = np.array([[values[u.name] for u in method.unknowns]])
    settings = settings_for(figures, given, len(method.steps), late)
    driven = attempt(ready, settings, sample=FINE)
    return Played(track=driven.track, finish=driven.finish, breaks=breakage(driven, 0))
