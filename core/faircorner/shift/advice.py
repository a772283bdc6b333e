"""What to change: move a cue, practise a step, or move on. Derivation: docs/sums/shift.md."""

from dataclasses import dataclass
from typing import Literal, TypeAlias

import numpy as np
from scipy.optimize import nnls
from scipy.stats import multivariate_t

from faircorner.plane import Floats
from faircorner.shift.evidence import Evidence, weigh
from faircorner.shift.finishes import FinishSet, least_count
from faircorner.standards import Band, Finish

__all__ = ["Advice", "AdviceKind", "advise"]

AdviceKind: TypeAlias = Literal["too few", "move cue", "practise", "move on"]
# A step is ready to leave behind when this many attempts in ten would meet the standard.
_READY = 0.8
# A real bias that costs less than this chance does no harm: the cue may stay.
_WORTH = 0.02
# Calls so nearly as likely as the likeliest explain the bias as well as it.
_AS_GOOD = 0.5
_DRAWS = 4000


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Advice:
    """One thing to do next.

    call : number of the call, from 1; None when no single call is to blame
    by : m to tell that call later, negative earlier; 0 unless the cue is to move
    chance, chance_after : that an attempt's finish meets the standard, now and once moved
    explained : share of the bias (in T²) that the move takes away
    odds : how many times likelier the finishes are with one call to blame than with none
    scatter_share : (calls,), what part of the scatter each call accounts for
    """

    kind: AdviceKind
    call: int | None
    by: float
    chance: float
    chance_after: float
    explained: float
    odds: float
    scatter_share: Floats


def advise(
    finishes: FinishSet, sensitivity: Floats, target: Floats, bands: tuple[Band, ...],
    *, wheelbase: float, along: Literal["ahead", "behind"], rng: np.random.Generator,
) -> Advice:  # fmt: skip
    """Turn bias and scatter into advice through the fit's sensitivities.

    sensitivity : (p, calls), finish per metre of lateness, rows in the order of MEASURED
    target : (p,), the plan's finish; along : which gap its last figure is
    The call is named for which there is most evidence, of several with nearly as much the one that
    moves least. Advice to move a cue is given only when the evidence is enough, the move, in whole
    steps of 5 cm, takes at least half of the bias away, and the finish stands to gain by it.
    """
    share = _scatter_share(finishes.covariance, sensitivity)
    chance = _chance(finishes, finishes.bias, target, bands, wheelbase, along, rng)
    kind: AdviceKind = "too few"
    best: int | None = None
    by = explained = 0.0
    after = chance
    evidence = weigh(finishes, sensitivity)
    if finishes.count >= least_count(len(finishes.bias)):
        kind = "move on" if chance >= _READY else "practise"
        best = int(share.argmax()) if kind == "practise" and share.sum() > 0 else None
        if evidence.enough:
            call, move, taken = _best_move(finishes, sensitivity, evidence)
            if move and taken >= 0.5:
                moved = finishes.bias + sensitivity[:, call] * move
                then = _chance(finishes, moved, target, bands, wheelbase, along, rng)
                if then - chance >= _WORTH or chance < _READY:
                    kind, best, by, explained, after = "move cue", call, move, taken, then
    return Advice(
        kind=kind,
        call=None if best is None else best + 1,
        by=by,
        chance=chance,
        chance_after=after,
        explained=explained,
        odds=evidence.of_any,
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


def _scatter_share(covariance: Floats, sensitivity: Floats) -> Floats:
    """Parts (calls,) of the scatter that unsteady calls explain; sums to 1, or all 0.

    Non-negative least squares (Lawson and Hanson 1974) of the covariance on each call's own.
    """
    scale = 1 / np.sqrt(np.diag(covariance))
    seen = sensitivity * scale[:, None]
    own = np.stack([np.outer(j, j).ravel() for j in seen.T], axis=1)
    variances, _ = nnls(own, (covariance * np.outer(scale, scale)).ravel())
    parts = variances * (seen**2).sum(axis=0)
    total = parts.sum()
    return np.asarray(parts / total if total > 0 else parts)


def _chance(
    finishes: FinishSet, bias: Floats, target: Floats, bands: tuple[Band, ...],
    wheelbase: float, along: Literal["ahead", "behind"], rng: np.random.Generator,
) -> float:  # fmt: skip
    """Chance that the next finish keeps every band: a multivariate t, so few tries count less."""
    n, p = finishes.count, len(bias)
    spread = finishes.covariance * (n + 1) / n
    draws = multivariate_t(loc=target + bias, shape=spread, df=max(n - p, 1), seed=rng).rvs(_DRAWS)
    kerb, angle = draws[:, 0], draws[:, 1]
    lean = np.sin(angle) * wheelbase / 2
    taped = {"kerb_front": kerb - lean, "kerb_rear": kerb + lean, "angle": angle}
    if p == 3:
        taped[along] = draws[:, 2]
    finish = Finish(taped=taped)
    return float(np.all([band.holds(finish) for band in bands], axis=0).mean())
