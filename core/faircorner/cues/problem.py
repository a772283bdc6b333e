"""The optimisation problem of the fit: objective, equality and inequality constraints.

Derivation: docs/sums/fit.md.
"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from faircorner.cues.driven import Driven, attempt, line_gap
from faircorner.cues.follow import Settings
from faircorner.cues.scene import Scene
from faircorner.ground import Ground
from faircorner.plane import Floats

__all__ = [
    "AIM_TOLERANCE", "COARSE", "INSIDE", "LEAST_SPARE", "SLACKS", "SPARE_WORTH", "WANTED_SPARE",
    "Given", "Limit", "Problem", "SearchStopped", "settings_for",
]  # fmt: skip

# Gaps under LEAST count as touching for a human driver, above WANTED more is worth nothing, m.
LEAST_SPARE, WANTED_SPARE = 0.05, 0.30
# What one metre of spare is worth against one squared unit of the method's preferences.
SPARE_WORTH = 40.0
# Cost per metre of missing the gap set along the berth: less than the spare that a smaller gap
# costs. Below the second figure, m, the cost is quadratic (pseudo-Huber).
_GAP_COST, _GAP_QUADRATIC = 16.0, 0.1
# Margin to a limit along the berth, m, so that a call may come late; and its quadratic cost.
INSIDE, _INSIDE_COST = 0.12, 150.0
_STEP = 1e-4
# A search that has kept to everything and moves less than this, as a share of a range, twice in a
# row is circling a kink between two gaps.
_STILL = 5e-4
# Allowed error of the distance to the edge, m.
AIM_TOLERANCE = 0.01
# Where in a row the slacks begin.
SLACKS = 3
# By so much a gap may be less than a search sees it, m.
COARSE = 0.005


@dataclass(frozen=True, slots=True, kw_only=True)
class Given:
    """What the user fixed: start gap (m), hands (turns per metre), and any unknown by name."""

    gap: float
    rate: float
    pinned: dict[str, float]


def settings_for(values: Floats, given: Given, steps: int, late: Floats | None = None) -> Settings:
    """Settings of a batch whose rows of unknowns are `values` (attempts, unknowns)."""
    count = len(values) if late is None else len(late)
    return Settings(
        unknowns=np.broadcast_to(values, (count, values.shape[1])),
        gap=np.full(count, given.gap),
        rate=np.full(count, given.rate),
        late=np.zeros((count, steps)) if late is None else late,
    )


class SearchStopped(Exception):
    """The search used up its batches, or no longer moves."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Limit:
    """One end of a band along the berth.

    at : m; way : 1 for a lower limit, -1 for an upper one; end : name of what it is measured to
    """

    measure: str
    at: float
    way: int
    end: str

    def inside(self, values: Floats) -> Floats:
        """Distance of values (attempts,) inside the limit, m, less a margin of 2 cm."""
        return np.asarray(self.way * (values - self.at) - 0.02)


def _limits(scene: Scene) -> Iterator[Limit]:
    """Yield every limit along the berth that has something to be measured to."""
    for band in scene.bands:
        end = None if band.of.end is None else scene.ground.berth.end(band.of.end)
        if end is None:
            continue
        for at, way in ((band.low, 1), (band.high, -1)):
            if at is not None:
                yield Limit(measure=band.measure, at=at, way=way, end=end.name)


class Problem:
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
        self.limits = tuple(_limits(scene))
        self._at: Floats | None = None
        self._rows: Floats = np.empty(0)
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
            off = np.hypot(along - berth.gap, _GAP_QUADRATIC) - _GAP_QUADRATIC
            cost = cost + _GAP_COST * off
        inside = [limit.inside(finish.measure(limit.measure)) for limit in self.limits]
        for to_limit in inside:
            cost = cost + _INSIDE_COST * np.maximum(0.0, INSIDE - to_limit) ** 2
        slacks = [along, *inside]
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

    @property
    def gaps(self) -> slice:
        """Which entries of a row are gaps to what is passed."""
        first = SLACKS + 1 + len(self.limits)
        return slice(first, first + len(self.passed))

    def at(self, x: Floats) -> Floats:
        """Row at x and at a small step along each free unknown, cached: SLSQP asks thrice."""
        free = x[:-2]
        if self._at is None or not np.array_equal(free, self._at):
            stands = self._at is not None and np.abs(free - self._at).max() < _STILL
            self._still = self._still + 1 if stands and self.best[2] else 0
            if self._left == 0 or self._still == 2:
                raise SearchStopped
            self._left -= 1
            self._rows, self._at = self.rows(_with_steps(free)), free.copy()
            self.best = min(self.best, self._judged(self._rows[0]), key=lambda b: b[0])
        return self._rows

    def _judged(self, row: Floats) -> tuple[float, Floats, bool]:
        """What the search is after as one figure, where it was had, and whether nothing is broken.

        Keeping to everything comes first, room enough for any hand among it, then taste.
        """
        short = float(np.minimum(row[SLACKS:], 0.0).sum() - abs(row[1]) - row[2])
        spare = float(row[self.gaps].min(initial=WANTED_SPARE))
        close = max(0.0, LEAST_SPARE + COARSE - spare)
        merit = float(row[0]) - SPARE_WORTH * spare - 1e3 * (short - close)
        at = np.empty(0) if self._at is None else self._at
        return merit, at, short > -AIM_TOLERANCE and close <= 0

    def slope(self, x: Floats) -> Floats:
        """Derivatives of a row by the free unknowns, (3 + n, free)."""
        return _slopes(self.at(x), x[:-2])

    def around(self, x: Floats) -> tuple[Floats, Floats]:
        """Row (3 + n,) at the free unknowns x (free,), and its gradients (3 + n, free)."""
        rows = self.rows(_with_steps(x))
        return rows[0], _slopes(rows, x)


def _steps(x: Floats) -> Floats:
    """Signed step of each free unknown, inward, so that none leaves its range."""
    return np.where(x > 0.5, -_STEP, _STEP)


def _with_steps(x: Floats) -> Floats:
    return np.clip(x + np.vstack((np.zeros(len(x)), np.diag(_steps(x)))), 0.0, 1.0)


def _slopes(rows: Floats, x: Floats) -> Floats:
    return np.asarray((rows[1:] - rows[0]).T / _steps(x))


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
