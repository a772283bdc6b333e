"""Repeated finishes split into bias and scatter, and what to change."""

from faircorner.shift.advice import Advice, AdviceKind, advise
from faircorner.shift.chances import Chance, Driving, driving
from faircorner.shift.finishes import FinishSet, describe
from faircorner.shift.learners import SimulatedLearner
from faircorner.shift.words import because, headline

__all__ = [
    "Advice",
    "AdviceKind",
    "Chance",
    "Driving",
    "FinishSet",
    "SimulatedLearner",
    "advise",
    "because",
    "describe",
    "driving",
    "headline",
]
