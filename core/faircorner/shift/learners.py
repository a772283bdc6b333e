"""Simulated learners with known bias and scatter, to make demo data and to check advice with."""

from dataclasses import dataclass

import numpy as np

from faircorner.plane import Floats, frozen

__all__ = ["SimulatedLearner"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class SimulatedLearner:
    """Hands that act late by a bias and a scatter, both shrinking with practice.

    bias, scatter : (calls,), m rolled, late positive
    learning : share of scatter lost with each doubling of attempts, 0 to 1 (power law of
        practice; Newell and Rosenbloom 1981)
    The bias stays: a cue that is wrong for the seat is wrong however often it is tried.
    """

    bias: Floats
    scatter: Floats
    learning: float = 0.1

    def __post_init__(self) -> None:
        object.__setattr__(self, "bias", frozen(self.bias))
        object.__setattr__(self, "scatter", frozen(self.scatter))

    def lateness(self, attempts: int, *, before: int, rng: np.random.Generator) -> Floats:
        """How late each call comes, (attempts, calls), after `before` earlier attempts."""
        tried = before + 1 + np.arange(attempts)
        steadiness = (1 - self.learning) ** np.log2(tried)
        noise = rng.normal(size=(attempts, len(self.bias)))
        return np.asarray(self.bias + self.scatter * noise * steadiness[:, None])
