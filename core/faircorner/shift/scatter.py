"""How unsteady each call must be held to be for finishes to scatter as they do.

Derivation: docs/sums/shift.md.
"""

import numpy as np
from scipy.optimize import nnls

from faircorner.plane import Bools, Floats

__all__ = ["scatter_share", "scatters"]

# Nobody's hand is steadier than this at a call, m.
_STEADY = 0.02


def scatters(covariance: Floats, sensitivity: Floats) -> Floats:
    """How unsteady each call must be held to be, (calls,) m, to scatter finishes so.

    covariance : (p, p) of finishes; sensitivity : (p, calls), finish per metre of lateness
    A call that the finish does not show is held to be as unsteady as the rest.
    """
    variances, shown = _variances(covariance, sensitivity)
    usual = float(variances[shown].mean()) if shown.any() else _STEADY**2
    return np.sqrt(np.maximum(np.where(shown, variances, usual), _STEADY**2))


def scatter_share(covariance: Floats, sensitivity: Floats) -> Floats:
    """Parts (calls,) of the scatter that unsteady calls explain; sums to 1, or all 0."""
    variances, _ = _variances(covariance, sensitivity)
    scale = 1 / np.sqrt(np.diag(covariance))
    parts = variances * ((sensitivity * scale[:, None]) ** 2).sum(axis=0)
    total = parts.sum()
    return np.asarray(parts / total if total > 0 else parts)


def _variances(covariance: Floats, sensitivity: Floats) -> tuple[Floats, Bools]:
    """Of each call, m², and which calls the finish shows at all.

    Non-negative least squares (Lawson and Hanson 1974) of the covariance on each call's own.
    """
    # A method without a call.
    if sensitivity.shape[1] == 0:
        return np.zeros(0), np.zeros(0, dtype=bool)
    scale = 1 / np.sqrt(np.diag(covariance))
    seen = sensitivity * scale[:, None]
    own = np.stack([np.outer(j, j).ravel() for j in seen.T], axis=1)
    variances, _ = nnls(own, (covariance * np.outer(scale, scale)).ravel())
    return variances, np.abs(sensitivity).max(axis=0) > 0.01
