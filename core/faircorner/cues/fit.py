"""Finding the figures that make a method end where it should. docs/sums/fit.md.

Sequential quadratic programming (Kraft 1988, SLSQP in SciPy) over the method's unknowns and
two more: the spare, which is the least gap to anything, and the excess, by which a limit of the
standard has to be broken when all of them cannot be kept. The aim is an equality, gaps and
limits are inequalities; preferences, the gap set along the berth, spare and excess make the
objective. Each gradient is one batch.
"""

from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass

import numpy as np
from scipy.optimize import minimize

from faircorner.cues.driven import Driven, attempt
from faircorner.cues.fitted import Unknown
from faircorner.cues.halton import halton
from faircorner.cues.method import Method
from faircorner.cues.missed_gap import explain_missed_gap
from faircorner.cues.problem import (
    AIM_TOLERANCE,
    LEAST_SPARE,
    SLACKS,
    SPARE_WORTH,
    WANTED_SPARE,
    Given,
    Problem,
    SearchStopped,
)
from faircorner.cues.reason import Reason
from faircorner.cues.scene import Scene
from faircorner.ground import Berth
from faircorner.plane import Floats
from faircorner.said import Angle, Length, Said
from faircorner.standards import Band

__all__ = ["FINE", "Fit", "fit"]

# Breaking a limit costs more than any spare is worth.
_EXCESS_COST = 400.0
# How far apart poses are looked at where a gap is told, m.
FINE = 0.02
# A step that ends farther than this from its fixed figure, m or rad, had already passed it.
_PASSED = 0.01
# Starts that are looked at: at first, and where their descents end in hollows. Of the latter those
# are taken that lie so far apart in one figure at least, as a share of its range.
_PROBES, _MORE_PROBES, _APART = 12, 200, 0.25
# Batches a search may take; one that needs more is circling a kink between two gaps.
_ENOUGH = 36


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Fit:
    """The figures found, in the method's order, and whether they do.

    spare : least gap to anything that stands there, m; infinite where nothing does
    missed : each setting that the plan does not meet, and why
    outcome : what they come to, looked at finely
    """

    values: Floats
    outcome: Driven
    spare: float
    feasible: bool
    why_not: Reason
    missed: tuple[Said, ...]


def fit(scene: Scene, given: Given, *, descents: int = 4, more: int = 2) -> Fit:
    """Place the calls so that the vehicle ends at the goal with room to spare.

    descents, more : tried at most before a case is called unfit, from the first starts and, where
        they all end in hollows, from among many more
    Kerb on the left. An unfit case is data: `feasible` is false and `why_not` says what
    stands in the way.
    """
    problem = Problem(scene, given)
    gaps = problem.gaps
    x = _solve(problem, gaps, descents, more)
    # Finely enough to tell the spare to a few millimetres, also where two corners pass.
    outcome = attempt(scene, problem.settings(x[None]), sample=FINE)
    row = problem.held(x[None], outcome)[0]
    spare = float(row[gaps].min(initial=np.inf))
    values = _as_stood(scene.method, given, problem.values(x[None])[0], outcome)
    why_not = _why_not(scene, outcome, row, problem, spare)
    return Fit(
        values=values, outcome=outcome, spare=spare, feasible=not why_not, why_not=why_not,
        missed=() if why_not else tuple(_missed(problem, x, outcome)),
    )  # fmt: skip


def _as_stood(method: Method, given: Given, values: Floats, outcome: Driven) -> Floats:
    """Fitted figures, those of steps with nothing left to wait for as they were found there."""
    told = dict(zip((u.name for u in method.unknowns), values, strict=True))
    for step, stood in zip(method.steps, outcome.followed.stood[0], strict=True):
        figure = step.until.figure()
        alone = method.figures.count(figure) == 1
        if isinstance(figure, Unknown) and alone and figure.name not in given.pinned:
            told[figure.name] = min(max(stood, figure.low), figure.high)
    return np.array(list(told.values()))


def _missed(problem: Problem, x: Floats, outcome: Driven) -> Iterator[Said]:
    """Yield settings that the plan misses: the gap, and figures already passed at their step."""
    gap = explain_missed_gap(problem, x, outcome.finish)
    if gap:
        yield gap
    pinned = problem.given.pinned
    for step, stood in zip(problem.scene.method.steps, outcome.followed.stood[0], strict=True):
        figure = step.until.figure()
        if not isinstance(figure, Unknown) or figure.name not in pinned:
            continue
        asked = pinned[figure.name]
        if abs(stood - asked) > _PASSED:
            told = Angle if figure.quantity == "rad" else Length
            yield Said("set and past", step=str(step.say), set=told(asked), at=told(float(stood)))


def _solve(problem: Problem, gaps: slice, descents: int, more: int) -> Floats:
    free = len(problem.free)
    if free == 0:
        return np.empty(0)
    for begin in _begins(problem, gaps, descents, more):
        _search(problem, gaps, begin)
        if problem.best[2]:
            break
    return np.clip(problem.best[1], 0.0, 1.0)


def _search(problem: Problem, gaps: slice, begin: Floats) -> None:
    """One descent; the best it meets stays in the problem."""
    free = len(problem.free)
    problem.allow(_ENOUGH)
    first = problem.at(np.append(begin, (0.0, 0.0)))[0]
    touching, breaking = np.zeros(len(first) - SLACKS), np.zeros(len(first) - SLACKS)
    touching[gaps.start - SLACKS : gaps.stop - SLACKS] = 1.0
    breaking[: gaps.start - SLACKS] = 1.0

    def slack(x: Floats) -> Floats:
        return np.asarray(problem.at(x)[0][SLACKS:] - touching * x[-2] + breaking * x[-1])

    def slack_slope(x: Floats) -> Floats:
        return np.column_stack((problem.slope(x)[SLACKS:], -touching, breaking))

    spare = float(first[gaps].min(initial=WANTED_SPARE))
    excess = float(-first[SLACKS : gaps.start].min())
    with suppress(SearchStopped):
        minimize(
            lambda x: problem.at(x)[0][0] - SPARE_WORTH * x[-2] + _EXCESS_COST * x[-1],
            np.append(begin, (min(spare, WANTED_SPARE), max(excess, 0.0))),
            jac=lambda x: np.append(problem.slope(x)[0], (-SPARE_WORTH, _EXCESS_COST)),
            bounds=[(0.0, 1.0)] * free + [(-10.0, WANTED_SPARE), (0.0, 20.0)],
            constraints=[
                {"type": "eq", "fun": lambda x: problem.at(x)[0][1:2],
                 "jac": lambda x: np.append(problem.slope(x)[1], (0.0, 0.0))[None]},
                {"type": "ineq", "fun": slack, "jac": slack_slope},
            ],
            method="SLSQP",
            options={"maxiter": 25, "ftol": 1e-3},
        )  # fmt: skip


def _begins(problem: Problem, gaps: slice, descents: int, more: int) -> Iterator[Floats]:
    """The most promising starts, each the next where the last led to nothing."""
    yield from _promising(problem, gaps, _PROBES)[:descents]
    taken: list[Floats] = []
    for begin in _promising(problem, gaps, _MORE_PROBES) if more else ():
        if all(np.abs(begin - other).max() > _APART for other in taken):
            taken.append(begin)
            yield begin
        if len(taken) == more:
            return


def _promising(problem: Problem, gaps: slice, probes: int) -> Floats:
    """A spread of starts (Halton 1960), the method's own among them, the best first."""
    spread = halton(probes, len(problem.free))
    span = problem.high - problem.low
    own = ((problem.prefer - problem.low) / span)[problem.free]
    starts = np.vstack((own, spread))
    rows = problem.rows(starts)
    spare = rows[:, gaps].min(axis=1, initial=WANTED_SPARE)
    short = np.minimum(rows[:, SLACKS:], 0.0).sum(axis=1)
    merit = rows[:, 0] + 20 * np.abs(rows[:, 1]) - SPARE_WORTH * (spare + short)
    return np.asarray(starts[merit.argsort()])


def _why_not(scene: Scene, outcome: Driven, row: Floats, problem: Problem, spare: float) -> Reason:
    """What stands in the way; false when nothing does."""
    reached = outcome.followed.reached[0]
    if not reached.all():
        first = int(np.argmin(reached))
        said = scene.method.steps[first].say
        return Reason(said=Said("never reached", step=str(said)), step=first)
    if spare < LEAST_SPARE:
        nearest = problem.passed[int(row[problem.gaps].argmin())]
        if spare < 0:
            code = "tyre meets by" if nearest in outcome.low else "body meets by"
            return Reason(said=Said(code, what=nearest, by=Length(-spare)))
        return Reason(said=Said("little room", spare=Length(spare), what=nearest))
    for line in scene.ground.kerblines:
        over = -float(outcome.gaps[line.name].metres[0])
        if over > max(0.0, -problem.floors.get(line.name, 0.0)):
            code = "tyre over" if line.of_tyres else "body over"
            return Reason(said=Said(code, by=Length(over), what=line.name))
    berth = scene.ground.berth
    forbidden = _forbidden(scene.bands, problem.kerb, berth)
    if forbidden:
        return forbidden
    if abs(row[1]) > AIM_TOLERANCE:
        code = "too far" if row[1] > 0 else "too near"
        return Reason(said=Said(code, by=Length(abs(float(row[1]))), what=berth.edge))
    return _broken_limit(scene.bands, outcome, berth)


def _forbidden(bands: tuple[Band, ...], wanted: float, berth: Berth) -> Reason:
    """Return the reason if the standard does not allow the distance set to the edge, m."""
    beside = [band for band in bands if band.of.beside]
    low = max((b.low for b in beside if b.low is not None), default=-np.inf)
    high = min((b.high for b in beside if b.high is not None), default=np.inf)
    if low - AIM_TOLERANCE <= wanted <= high + AIM_TOLERANCE:
        return Reason()
    if np.isinf(high):
        taken = Said("only from", low=Length(low))
    elif np.isinf(low):
        taken = Said("only up to", high=Length(high))
    else:
        taken = Said("only between", low=Length(low), high=Length(high))
    return Reason(said=Said("forbidden there", wanted=Length(wanted), what=berth.edge, range=taken))


def _broken_limit(bands: tuple[Band, ...], outcome: Driven, berth: Berth) -> Reason:
    for band in bands:
        if not band.holds(outcome.finish)[0]:
            value = float(outcome.finish.measure(band.measure)[0])
            if band.of.unit == "rad":
                return Reason(said=Said("off parallel", angle=Angle(abs(value))))
            end = None if band.of.end is None else berth.end(band.of.end)
            place = berth.edge if end is None else end.name
            return Reason(said=Said("ends from", by=Length(value), what=place))
    return Reason()
