"""Headings that are waited for depend on how the next step's wheel will settle."""

import numpy as np

from faircorner.cues.events.base import Rising, Waiting
from faircorner.motion import settle_turn
from faircorner.plane import Floats

__all__ = ["until_heading"]


def until_heading(waiting: Waiting, angle: Floats | float) -> Rising:
    """Rises when the heading, once the next step's wheel has settled, is an angle (rad).

    angle : one, or (attempts, 1)
    """
    then = waiting.then
    if then is None:
        raise ValueError("a heading settles in a next step, which Method sees to")
    target, rate = then.turns[:, None], then.rate[:, None]
    turning, direction = waiting.turning, then.direction
    steering = waiting.vehicle.steering

    def heading(poses: Floats, turns: Floats) -> Floats:
        settling = settle_turn(steering, turns, target, rate)
        return np.asarray(turning * (poses[..., 2] + direction * settling - angle))

    return heading
