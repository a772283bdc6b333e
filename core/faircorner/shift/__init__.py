"""Repeated finishes split into bias and scatter, and what to change."""

from faircorner.shift.advice import Advice, AdviceKind, advise
from faircorner.shift.finishes import FinishSet, describe
from faircorner.shift.learners import SimulatedLearner

__all__ = ["Advice", "AdviceKind", "FinishSet", "SimulatedLearner", "advise", "describe"]
