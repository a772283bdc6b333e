"""Backing a trailer straight: how its errors grow, and what wheel still catches them.

Derivation: docs/sums/backing.md. The bend is the towing vehicle's heading less the trailer's.
"""

import numpy as np
from numpy.typing import ArrayLike

from faircorner.plane import Floats
from faircorner.vehicle import Steering, Trailer

__all__ = ["bend_after", "doubling", "holding_curvature", "no_return"]

# Bends tried for the last one that full lock still holds, rad.
_BENDS = np.radians(np.arange(0.5, 170.0, 0.1))


def bend_after(trailer: Trailer, bend: ArrayLike, metres: ArrayLike) -> Floats:
    """The bend once so many metres have been backed with the wheel straight.

    bend : (...), rad; metres : (...), m rolled back. Returns (...), rad.
    tan(bend / 2) grows by e for every kingpin-to-axle length, wherever the hitch is: the closed
    form of the trailer's kinematics (Altafini 2001) at no curvature.
    """
    grown = np.exp(np.asarray(metres, dtype=np.float64) / trailer.kingpin_to_axle)
    return np.asarray(2 * np.arctan(np.tan(np.asarray(bend) / 2) * grown))


def doubling(trailer: Trailer) -> float:
    """m backed with the wheel straight in which a small bend doubles."""
    return float(trailer.kingpin_to_axle * np.log(2))


def holding_curvature(trailer: Trailer, bend: ArrayLike) -> Floats:
    """Curvature of the towing axle's path at which the bend stays as it is, 1/m, left positive.

    bend : (...), rad. Returns (...); infinite where none does. Backing, more than this
    straightens the trailer again, less lets it fold on.
    """
    angle = np.asarray(bend, dtype=np.float64)
    reach = trailer.kingpin_to_axle - trailer.hitch * np.cos(angle)
    return np.divide(np.sin(angle), reach, out=np.full_like(angle, np.inf), where=reach > 1e-9)


def no_return(steering: Steering, trailer: Trailer) -> float:
    """The bend past which full lock no longer straightens while backing: pull forward; rad.

    At most the articulation at which the units touch.
    """
    lock = float(np.abs(steering.curvature([-steering.lock_turns, steering.lock_turns])).min())
    held = holding_curvature(trailer, _BENDS) < lock
    last = _BENDS[-1] if held.all() else _BENDS[int(held.argmin())]
    return float(min(last, trailer.max_articulation))
