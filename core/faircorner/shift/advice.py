"""What to change: move a cue, look for what is wrong, practise, or move on. docs/sums/shift.md."""

from dataclasses import dataclass, replace
from typing import Literal, TypeAlias

import numpy as np

from faircorner.plane import Floats
from faircorner.shift.chances import Chance, Driving, chance, next_tries
from faircorner.shift.evidence import Evidence, weigh
from faircorner.shift.finishes import FinishSet, least_count
from faircorner.shift.hypotheses import hold
from faircorner.shift.scatter import scatter_share

__all__ = ["Advice", "AdviceKind", "advise"]

AdviceKind: TypeAlias = Literal["too few", "move cue", "look for it", "practise", "move on"]
# A step is ready to leave behind when this many attempts in ten would meet the standard.
_READY = 0.8
# A real bias that costs less than this chance does no harm: the cue may stay.
_WORTH = 0.03
# Calls so nearly as likely as the likeliest explain the bias as well as it.
_AS_GOOD = 0.5


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Advice:
    """One thing to do next.

    call : number of the call, from 1; None when no single call is to blame
    by : m to tell that call later, negative earlier; 0 unless the cue is to move
    chance, chance_after : of an attempt without a fault, now and once moved
    explained : share of the bias (in T²) that the move takes away
    odds : how many times likelier the finishes are with one call to blame than with none
    let_be : number of a call that does come late, and how late, m, but that costs next to nothing
    scatter_share : (calls,), what part of the scatter each call accounts for
    """

    kind: AdviceKind
    call: int | None
    by: float
    chance: Chance
    chance_after: Chance
    explained: float
    odds: float
    let_be: tuple[int, float] | None
    scatter_share: Floats


def advise(
    finishes: FinishSet, sensitivity: Floats, drive: Driving, *, rng: np.random.Generator
) -> Advice:
    """Turn bias and scatter into advice through the fit's sensitivities.

    sensitivity : (p, calls), finish per metre of lateness, rows in the order of MEASURED
    drive : see `driving`
    The call is named for which there is most evidence, of several with nearly as much the one that
    moves least. Advice to move a cue is given only when the evidence is enough, the move, in whole
    steps of 5 cm, takes at least half of the bias away, and an attempt stands to gain by it. Where
    no move does, and yet all miss one way and stand to gain if they did not, that is to look for.
    """
    share = scatter_share(finishes.covariance, sensitivity)
    hypotheses = hold(finishes, sensitivity)
    evidence = weigh(hypotheses)
    tries = next_tries(finishes, hypotheses, sensitivity, rng)
    nothing = np.zeros(sensitivity.shape[1])
    now = chance(tries, drive, nothing)
    kind: AdviceKind = "too few"
    best: int | None = None
    by = explained = 0.0
    after = now
    let_be: tuple[int, float] | None = None
    if finishes.weight >= least_count(len(finishes.bias)):
        kind = "move on" if now.share >= _READY else "practise"
        best = int(share.argmax()) if kind == "practise" and share.sum() > 0 else None
        call, move, taken = 0, 0.0, 0.0
        if evidence.enough:
            call, move, taken = _best_move(finishes, sensitivity, evidence)
        if move and taken >= 0.5:
            then = chance(tries, drive, np.where(np.arange(len(nothing)) == call, move, 0.0))
            if then.share - now.share >= _WORTH or now.share < _READY:
                kind, best, by, explained, after = "move cue", call, move, taken, then
            else:
                let_be = call + 1, -move
        if kind == "practise" and evidence.biased:
            steady = replace(finishes, bias=np.zeros_like(finishes.bias))
            without = next_tries(steady, hold(steady, sensitivity), sensitivity, rng)
            if chance(without, drive, nothing).share - now.share >= _WORTH:
                kind, best = "look for it", None
    return Advice(
        kind=kind,
        call=None if best is None else best + 1,
        by=by,
        chance=now,
        chance_after=after,
        explained=explained,
        odds=evidence.of_any,
        let_be=let_be,
        scatter_share=share,
    )


def _best_move(
    finishes: FinishSet, sensitivity: Floats, evidence: Evidence
) -> tuple[int, float, float]:
    """Call index, metres to move it, and the share of T² that this takes away."""
    # Where several calls would do, the finish cannot tell which: the least move is asked for.
    as_good = evidence.odds >= _AS_GOOD * evidence.odds.max()
    call = int(np.where(as_good, np.abs(evidence.late), np.inf).argmin())
    move = -float(evidence.late[call])
    weight = np.linalg.inv(finishes.covariance)
    bias, left = finishes.bias, finishes.bias + sensitivity[:, call] * move
    return call, move, 1 - float(left @ weight @ left) / float(bias @ weight @ bias)
