"""Finding the figures that make a method end where it should. docs/sums/fit.md.

Sequential quadratic programming (Kraft 1988, SLSQP in SciPy) over the method's unknowns and
two more: the spare, which is the least gap to anything, and the excess, by which a limit of the
standard has to be broken when all of them cannot be kept. The aim is an equality, gaps and
limits are inequalities; preferences, spare and excess make the objective. Each gradient is one
batch.
"""

from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass

import numpy as np
from scipy.optimize import minimize

from faircorner.cues.driven import Driven, attempt, line_gap
from faircorner.cues.fitted import Unknown
from faircorner.cues.follow import Settings
from faircorner.cues.halton import halton
from faircorner.cues.method import Method
from faircorner.cues.reason import Reason
from faircorner.cues.scene import Scene
from faircorner.ground import Berth, Ground
from faircorner.plane import Floats
from faircorner.said import Angle, Length, Said
from faircorner.standards import Band

__all__ = ["FINE", "LEAST_SPARE", "WANTED_SPARE", "Fit", "Given", "fit", "settings_for"]

# Gaps under LEAST count as touching for a human driver, above WANTED more is worth nothing, m.
LEAST_SPARE, WANTED_SPARE = 0.05, 0.30
# What one metre of spare is worth against one squared unit of the method's preferences.
_SPARE_WORTH = 40.0
# Breaking a limit costs more than any spare is worth.
_EXCESS_COST = 400.0
_STEP = 1e-4
# How far apart poses are looked at where a gap is told, m.
FINE = 0.02
# Starts that are looked at: at first, and where their descents end in hollows. Of the latter those
# are taken that lie so far apart in one figure at least, as a share of its range.
_PROBES, _MORE_PROBES, _APART = 12, 200, 0.25
# Batches a search may take; one that needs more is circling a kink between two gaps, as is one
# that has kept to everything and moves less than this, as a share of a range, twice in a row.
_ENOUGH, _STILL = 36, 5e-4
_AIM_TOLERANCE = 0.01
# Where in a row the slacks begin.
_SLACKS = 3
# By so much a gap may be less than a search sees it, m.
_COARSE = 0.005


@dataclass(frozen=True, slots=True, kw_only=True)
class Given:
    """What the user fixed: start gap (m), hands (turns per metre), and any unknown by name."""

    gap: float
    rate: float
    pinned: dict[str, float]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Fit:
    """The figures found, in the method's order, and whether they do.

    spare : least gap to anything that stands there, m; infinite where nothing does
    outcome : what they come to, looked at finely
    """

    values: Floats
    outcome: Driven
    spare: float
    feasible: bool
    why_not: Reason


def settings_for(values: Floats, given: Given, steps: int, late: Floats | None = None) -> Settings:
    """Settings of a batch whose rows of unknowns are `values` (attempts, unknowns)."""
    count = len(values) if late is None else len(late)
    return Settings(
        unknowns=np.broadcast_to(values, (count, values.shape[1])),
        gap=np.full(count, given.gap),
        rate=np.full(count, given.rate),
        late=np.zeros((count, steps)) if late is None else late,
    )


class _Enough(Exception):
    """The search has had its share of batches."""


class _Problem:
    """The optimiser's view: x is the free unknowns scaled to [0, 1], then spare and excess."""

    def __init__(self, scene: Scene, given: Given) -> None:
        self.scene, self.given = scene, given
        unknowns = scene.method.unknowns
        self.low = np.array([u.low for u in unknowns])
        self.high = np.array([u.high for u in unknowns])
        self.prefer = np.array([u.prefer for u in unknowns])
        pinned = [u.name in given.pinned for u in unknowns]
        self.fixed = np.array([given.pinned.get(u.name, u.prefer) for u in unknowns])
        self.free = np.flatnonzero(~np.array(pinned, dtype=np.bool_))
        self.berth = scene.ground.berth
        self.kerb = self.berth.wanted_kerb(scene.vehicle)
        self.passed = _passed(scene.ground)
        self.floors = _floors(scene)
        self._at: Floats | None = None
        self._rows: Floats = np.empty(0)
        self._steps: Floats = np.empty(0)
        self._left, self._still = 0, 0
        self.best = (np.inf, np.empty(0), False)

    def allow(self, batches: int) -> None:
        """So many batches more, from another begin."""
        self._left, self._still, self._at = batches, 0, None

    def values(self, x: Floats) -> Floats:
        """Unknowns (k, unknowns) from scaled free ones (k, free)."""
        values = np.tile(self.fixed, (len(x), 1))
        span = self.high - self.low
        values[:, self.free] = self.low[self.free] + x * span[self.free]
        return values

    def settings(self, x: Floats) -> Settings:
        return settings_for(self.values(x), self.given, len(self.scene.method.steps))

    def rows(self, x: Floats) -> Floats:
        """What `held` says of each row of x, (k, free), driven as coarsely as a search may."""
        return self.held(x, attempt(self.scene, self.settings(x), sample=None))

    def held(self, x: Floats, outcome: Driven) -> Floats:
        """For each row of x: cost, aim, missed, then every slack to be 0 or more, (k, 3 + n)."""
        finish, berth = outcome.finish, self.berth
        along = finish.measure(berth.along)
        values = self.values(x)
        taste = ((values - self.prefer) / (self.high - self.low) * 2) ** 2
        cost = taste.sum(axis=1)
        if berth.gap is None:
            along = np.zeros_like(along)
        else:
            cost = cost + (along - berth.gap) ** 2
        slacks = [along, *self._bands(outcome)]
        slacks += [outcome.gaps[name].metres for name in self.passed]
        slacks += [
            outcome.gaps[line.name].metres - min(line.spare, self.floors.get(line.name, np.inf))
            for line in self.scene.ground.kerblines
            if line.name not in self.passed
        ]
        unreached = (~outcome.followed.reached).sum(axis=1)
        aim = finish.kerb - self.kerb
        return np.stack([cost + unreached, aim, self._missed(outcome), *slacks], axis=-1)

    def _missed(self, outcome: Driven) -> Floats:
        """By how much the finish breaks what no slack keeps it to, m and rad in one sum."""
        broken = np.zeros(len(outcome.finish.kerb))
        for band in self.scene.bands:
            if band.of.end is None:
                broken += np.nan_to_num(band.broken(outcome.finish))
        return broken

    def _bands(self, outcome: Driven) -> list[Floats]:
        """How far inside each fore-and-aft limit the finish is, 2 cm to spare."""
        inside: list[Floats] = []
        for band in self.scene.bands:
            if band.of.end is None:
                continue
            value = np.nan_to_num(outcome.finish.measure(band.measure), nan=1e3)
            if band.low is not None:
                inside.append(value - band.low - 0.02)
            if band.high is not None and not np.isnan(outcome.finish.measure(band.measure)).any():
                inside.append(band.high - 0.02 - value)
        return inside

    @property
    def gaps(self) -> slice:
        """Which entries of a row are gaps to what is passed."""
        limits = 0
        for band in self.scene.bands:
            if band.of.end is None:
                continue
            there = self.berth.end(band.of.end) is not None
            limits += (band.low is not None) + (there and band.high is not None)
        first = _SLACKS + 1 + limits
        return slice(first, first + len(self.passed))

    def at(self, x: Floats) -> Floats:
        """Row at x and at a small step along each free unknown, cached: SLSQP asks thrice."""
        free = x[:-2]
        if self._at is None or not np.array_equal(free, self._at):
            stands = self._at is not None and np.abs(free - self._at).max() < _STILL
            self._still = self._still + 1 if stands and self.best[2] else 0
            if self._left == 0 or self._still == 2:
                raise _Enough
            self._left -= 1
            # Steps point inward, so that no amount is tried beyond the lock.
            self._steps = np.where(free > 0.5, -_STEP, _STEP)
            steps = np.vstack((np.zeros(len(free)), np.diag(self._steps)))
            self._rows, self._at = self.rows(np.clip(free + steps, 0.0, 1.0)), free.copy()
            self.best = min(self.best, self._judged(self._rows[0]), key=lambda b: b[0])
        return self._rows

    def _judged(self, row: Floats) -> tuple[float, Floats, bool]:
        """What the search is after as one figure, where it was had, and whether nothing is broken.

        Keeping to everything comes first, room enough for any hand among it, then taste.
        """
        short = float(np.minimum(row[_SLACKS:], 0.0).sum() - abs(row[1]) - row[2])
        spare = float(row[self.gaps].min(initial=WANTED_SPARE))
        close = max(0.0, LEAST_SPARE + _COARSE - spare)
        merit = float(row[0]) - _SPARE_WORTH * spare - 1e3 * (short - close)
        at = np.empty(0) if self._at is None else self._at
        return merit, at, short > -_AIM_TOLERANCE and close <= 0

    def slope(self, x: Floats) -> Floats:
        """Derivatives of a row by the free unknowns, (3 + n, free)."""
        rows = self.at(x)
        return np.asarray((rows[1:] - rows[0]).T / self._steps)


def _passed(ground: Ground) -> tuple[str, ...]:
    """Names of what the plan keeps as much room to as it can, up to what is worth anything."""
    turned_at = [line.name for line in ground.kerblines if line.turned_at]
    return (*(o.name for o in ground.obstacles), *turned_at)


def _floors(scene: Scene) -> dict[str, float]:
    """Gaps at a given start, a little less: what stands too near already need not be farther."""
    if scene.standing is None:
        return {}
    start, straight = scene.standing[None, None], np.zeros((1, 1))
    return {
        line.name: float(line_gap(start, straight, scene.vehicle, line).metres[0]) - 0.01
        for line in scene.ground.kerblines
    }


def fit(scene: Scene, given: Given, *, descents: int = 4, more: int = 2) -> Fit:
    """Place the calls so that the vehicle ends at the goal with room to spare.

    descents, more : tried at most before a case is called unfit, from the first starts and, where
        they all end in hollows, from among many more
    Kerb on the left. An unfit case is data: `feasible` is false and `why_not` says what
    stands in the way.
    """
    problem = _Problem(scene, given)
    gaps = problem.gaps
    x = _solve(problem, gaps, descents, more)
    # Finely enough to tell the spare to a few millimetres, also where two corners pass.
    outcome = attempt(scene, problem.settings(x[None]), sample=FINE)
    row = problem.held(x[None], outcome)[0]
    spare = float(row[gaps].min(initial=np.inf))
    values = _as_stood(scene.method, given, problem.values(x[None])[0], outcome)
    why_not = _why_not(scene, outcome, row, gaps, spare, problem.floors)
    return Fit(values=values, outcome=outcome, spare=spare, feasible=not why_not, why_not=why_not)


def _as_stood(method: Method, given: Given, values: Floats, outcome: Driven) -> Floats:
    """Fitted figures, those of steps with nothing left to wait for as they were found there."""
    told = dict(zip((u.name for u in method.unknowns), values, strict=True))
    for step, stood in zip(method.steps, outcome.followed.stood[0], strict=True):
        figure = step.until.figure()
        alone = method.figures.count(figure) == 1
        if isinstance(figure, Unknown) and alone and figure.name not in given.pinned:
            told[figure.name] = min(max(stood, figure.low), figure.high)
    return np.array(list(told.values()))


def _solve(problem: _Problem, gaps: slice, descents: int, more: int) -> Floats:
    free = len(problem.free)
    if free == 0:
        return np.empty(0)
    for begin in _begins(problem, gaps, descents, more):
        _search(problem, gaps, begin)
        if problem.best[2]:
            break
    return np.clip(problem.best[1], 0.0, 1.0)


def _search(problem: _Problem, gaps: slice, begin: Floats) -> None:
    """One descent; the best it meets stays in the problem."""
    free = len(problem.free)
    problem.allow(_ENOUGH)
    first = problem.at(np.append(begin, (0.0, 0.0)))[0]
    touching, breaking = np.zeros(len(first) - _SLACKS), np.zeros(len(first) - _SLACKS)
    touching[gaps.start - _SLACKS : gaps.stop - _SLACKS] = 1.0
    breaking[: gaps.start - _SLACKS] = 1.0

    def slack(x: Floats) -> Floats:
        return np.asarray(problem.at(x)[0][_SLACKS:] - touching * x[-2] + breaking * x[-1])

    def slack_slope(x: Floats) -> Floats:
        return np.column_stack((problem.slope(x)[_SLACKS:], -touching, breaking))

    spare = float(first[gaps].min(initial=WANTED_SPARE))
    excess = float(-first[_SLACKS : gaps.start].min())
    with suppress(_Enough):
        minimize(
            lambda x: problem.at(x)[0][0] - _SPARE_WORTH * x[-2] + _EXCESS_COST * x[-1],
            np.append(begin, (min(spare, WANTED_SPARE), max(excess, 0.0))),
            jac=lambda x: np.append(problem.slope(x)[0], (-_SPARE_WORTH, _EXCESS_COST)),
            bounds=[(0.0, 1.0)] * free + [(-10.0, WANTED_SPARE), (0.0, 20.0)],
            constraints=[
                {"type": "eq", "fun": lambda x: problem.at(x)[0][1:2],
                 "jac": lambda x: np.append(problem.slope(x)[1], (0.0, 0.0))[None]},
                {"type": "ineq", "fun": slack, "jac": slack_slope},
            ],
            method="SLSQP",
            options={"maxiter": 25, "ftol": 1e-3},
        )  # fmt: skip


def _begins(problem: _Problem, gaps: slice, descents: int, more: int) -> Iterator[Floats]:
    """The most promising starts, each the next where the last led to nothing."""
    yield from _promising(problem, gaps, _PROBES)[:descents]
    taken: list[Floats] = []
    for begin in _promising(problem, gaps, _MORE_PROBES) if more else ():
        if all(np.abs(begin - other).max() > _APART for other in taken):
            taken.append(begin)
            yield begin
        if len(taken) == more:
            return


def _promising(problem: _Problem, gaps: slice, probes: int) -> Floats:
    """A spread of starts (Halton 1960), the method's own among them, the best first."""
    spread = halton(probes, len(problem.free))
    span = problem.high - problem.low
    own = ((problem.prefer - problem.low) / span)[problem.free]
    starts = np.vstack((own, spread))
    rows = problem.rows(starts)
    spare = rows[:, gaps].min(axis=1, initial=WANTED_SPARE)
    short = np.minimum(rows[:, _SLACKS:], 0.0).sum(axis=1)
    merit = rows[:, 0] + 20 * np.abs(rows[:, 1]) - _SPARE_WORTH * (spare + short)
    return np.asarray(starts[merit.argsort()])


def _why_not(
    scene: Scene, outcome: Driven, row: Floats, gaps: slice, spare: float, floors: dict[str, float]
) -> Reason:
    """What stands in the way; false when nothing does."""
    reached = outcome.followed.reached[0]
    if not reached.all():
        first = int(np.argmin(reached))
        said = scene.method.steps[first].say
        return Reason(said=Said("never reached", step=str(said)), step=first)
    if spare < LEAST_SPARE:
        nearest = _passed(scene.ground)[int(row[gaps].argmin())]
        if spare < 0:
            code = "tyre meets by" if nearest in outcome.low else "body meets by"
            return Reason(said=Said(code, what=nearest, by=Length(-spare)))
        return Reason(said=Said("little room", spare=Length(spare), what=nearest))
    for line in scene.ground.kerblines:
        over = -float(outcome.gaps[line.name].metres[0])
        if over > max(0.0, -floors.get(line.name, 0.0)):
            code = "tyre over" if line.of_tyres else "body over"
            return Reason(said=Said(code, by=Length(over), what=line.name))
    berth = scene.ground.berth
    if abs(row[1]) > _AIM_TOLERANCE:
        code = "too far" if row[1] > 0 else "too near"
        return Reason(said=Said(code, by=Length(abs(float(row[1]))), what=berth.edge))
    return _broken_limit(scene.bands, outcome, berth)


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
