"""Advice in words: what to do next, and why."""

from faircorner.said import Length, Said
from faircorner.shift.advice import Advice
from faircorner.shift.finishes import FinishSet, least_count

__all__ = ["because", "headline"]

# Odds beyond these are told as such.
_MANY = 1000


def headline(advice: Advice, finishes: FinishSet) -> Said:
    """What to do next."""
    match advice.kind:
        case "too few":
            return Said("advice too few", needed=least_count(len(finishes.bias)))
        case "move cue":
            return Said(
                "advice move earlier" if advice.by < 0 else "advice move later",
                call=advice.call or 0,
                by=Length(abs(advice.by)),
            )
        case "look for it":
            return Said("advice look for it")
        case "practise" if advice.call is not None:
            return Said("advice practise call", call=advice.call)
        case "practise":
            return Said("advice practise")
        case "move on" if advice.let_be is not None:
            return Said("advice move on all the same")
        case "move on":
            return Said("advice move on")


def because(advice: Advice, finishes: FinishSet) -> Said:
    """The evidence for it."""
    match advice.kind:
        case "too few":
            return Said("advice too few because", count=finishes.count)
        case "move cue" if advice.odds > _MANY:
            return Said("advice move because, many times", explained=_percent(advice.explained))
        case "move cue":
            return Said(
                "advice move because, times",
                odds=int(advice.odds),
                explained=_percent(advice.explained),
            )
        case "look for it":
            return Said("advice look for it because")
        case "practise" if advice.call is not None:
            share = _percent(float(advice.scatter_share[advice.call - 1]))
            return Said("advice practise because, like one call", share=share, call=advice.call)
        case "practise":
            return Said("advice practise because")
        case "move on" if advice.let_be is not None:
            call, late = advice.let_be
            return Said(
                "advice let be, early" if late < 0 else "advice let be, late",
                call=call,
                by=Length(abs(late)),
            )
        case "move on":
            return Said("advice move on because")


def _percent(share: float) -> int:
    return int(share * 100 + 0.5)
