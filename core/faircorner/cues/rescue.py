"""A call that came early or late, put right on the way: less or more wheel, or pull forward.

Each cure is the method itself from there on with one or two figures to be found, by the same fit
as any method's, so that it holds the same clearances and limits. docs/sums/mend.md.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Literal, TypeAlias

import numpy as np

from faircorner.cues.clearances import Clearances, clearances_of
from faircorner.cues.driven import Driven, attempt
from faircorner.cues.events import Travelled
from faircorner.cues.fit import fit
from faircorner.cues.fitted import Unknown
from faircorner.cues.method import Step, Wheel, movements
from faircorner.cues.prepare import prepare
from faircorner.cues.problem import settings_for
from faircorner.cues.scene import Scene
from faircorner.errors import InputError
from faircorner.motion import Leg, Track
from faircorner.said import Said
from faircorner.sides import sided
from faircorner.standards import Finish
from faircorner.vehicle import Vehicle

__all__ = ["NOTICED", "Cure", "Rescue", "rescue"]

Cure: TypeAlias = Literal["drive on", "less wheel", "more wheel", "ease off", "pull forward"]

# Rolled before anybody notices that a call came at the wrong moment, m; assumed, told on screen.
NOTICED = 0.4
# How far to roll with the wheel eased off, before stopping, and forward again, m.
_EASED, _STOPPED, _FORWARD = (0.05, 3.0, 0.5), (0.2, 6.0, 1.5), (0.3, 4.5, 1.5)
_LEAST_WHEEL = 0.2


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Rescue:
    """How an attempt is saved once one call came at the wrong moment, in the site's own frame.

    steps, legs : from that call on; track : the whole attempt
    low : names of what only tyres meet
    """

    cure: Cure
    steps: tuple[Step, ...]
    legs: tuple[Leg, ...]
    track: Track
    finish: Finish
    clearances: Clearances
    low: frozenset[str]

    @property
    def said(self) -> Said:
        """The cure in a word; the steps say the rest."""
        return Said(f"cure {self.cure}")

    def mirrored(self) -> "Rescue":
        legs = tuple(leg.mirrored() for leg in self.legs)
        return replace(self, legs=legs, track=self.track.mirrored())


@sided
def rescue(
    scene: Scene,
    values: dict[str, float],
    *,
    call: int,
    by: float,
    forward: int,
    reverse: int,
    together: int | None = None,
) -> Rescue | None:
    """The least that saves an attempt whose call came at the wrong moment; None: begin again.

    values : every figure of the plan by name, SI; call : its number, from 1; by : m late,
    negative early; forward, reverse, together : movements allowed in each gear and in both over
    the whole attempt, where they are more than the method's own
    Where nothing is broken one drives on; changing the wheel comes before easing it off, and that
    before another movement.
    Raises InputError for a call the method does not have.
    """
    method = scene.method
    if not 1 <= call < len(method.steps):
        raise InputError(
            "call", Said("there is no such call", call=call, most=len(method.steps) - 1)
        )
    ready, given = prepare(scene)
    figures = np.array([[values[u.name] for u in method.unknowns]])
    late = np.zeros((1, len(method.steps)))
    late[0, call - 1] = by
    begun = attempt(ready, settings_for(figures, given, len(method.steps), late))
    if begun.good(scene.bands)[0]:
        return _told("drive on", method.steps[call:], call, begun)
    settled = [_settled(step, values, ready.vehicle) for step in method.steps]
    done = [
        replace(step, until=Travelled(metres=float(leg.metres[0])))
        for step, leg in zip(settled[:call], begun.followed.legs, strict=False)
    ]
    for cure, steps in _cures(settled[call:], late=by > 0):
        whole = (*done, *steps)
        if not _allowed(whole, method.steps, {(1,): forward, (-1,): reverse, (1, -1): together}):
            continue
        trial = replace(
            ready,
            # It has begun: where to begin is no question any more.
            method=replace(method, start=replace(method.start, metres=0.0, gap=0.0), steps=whole),
            standing=begun.followed.start[0],
        )
        found = fit(trial, replace(given, pinned={}), descents=2, more=0)
        if found.feasible:
            more = cure == "less wheel" and found.values[0] > settled[call].wheel.of_lock
            told: Cure = "more wheel" if more else cure
            return _told(told, whole[call:], call, found.outcome)
    return None


def _settled(step: Step, values: dict[str, float], vehicle: Vehicle) -> Step:
    """A step with every figure of its own as the plan found it."""
    amount, until = step.wheel.share(vehicle.steering.lock_turns), step.until
    if isinstance(amount, Unknown):
        amount = values[amount.name]
    figure = until.figure()
    if isinstance(figure, Unknown):
        until = until.with_figure(values[figure.name])
    return replace(step, wheel=replace(step.wheel, of_lock=amount, turns=None), until=until)


def _cures(steps: list[Step], *, late: bool) -> Iterator[tuple[Cure, list[Step]]]:
    """Ways to go on from the call, the least first."""
    first, rest = steps[0], steps[1:]
    amount = first.wheel.of_lock
    if isinstance(amount, Unknown) or first.wheel.way == "straight":
        return
    if first.until.settles_next:
        # Less or more: which of them it is, the fit says.
        low = min(_LEAST_WHEEL, amount / 2)
        other = Unknown(name="amount taken", low=low, high=1.0, prefer=amount)
        yield "less wheel", [replace(first, wheel=replace(first.wheel, of_lock=other)), *rest]
    again = replace(first, looks=())
    if not late:
        yield "ease off", [*_eased(first), again, *rest]
    yield "pull forward", [
        replace(first, until=Travelled(metres=_free("until the stop", _STOPPED))),
        Step(name="pull-up", say=Said("pull up"),
             direction=-first.direction, wheel=Wheel(way="straight"), looks=("all round",),
             until=Travelled(metres=_free("pulled", _FORWARD))),
        again,
        *rest,
    ]  # fmt: skip


def _eased(first: Step) -> tuple[Step, Step]:
    noticed = replace(first, until=Travelled(metres=NOTICED))
    eased = Step(name="eased", say=Said("ease off"), direction=first.direction,
                 wheel=Wheel(way="straight"),
                 until=Travelled(metres=_free("eased", _EASED)))  # fmt: skip
    return noticed, eased


def _free(name: str, limits: tuple[float, float, float]) -> Unknown:
    low, high, prefer = limits
    return Unknown(name=name, low=low, high=high, prefer=prefer)


def _allowed(
    steps: tuple[Step, ...], own: tuple[Step, ...], allowed: dict[tuple[int, ...], int | None]
) -> bool:
    """Whether no gear is taken oftener than is allowed; what the method itself takes always is."""

    def taken(those: tuple[Step, ...], gears: tuple[int, ...]) -> int:
        return sum(movements(those, gear) for gear in gears)

    return all(
        most is None or taken(steps, gears) <= max(most, taken(own, gears))
        for gears, most in allowed.items()
    )


def _told(cure: Cure, steps: tuple[Step, ...], call: int, driven: Driven) -> Rescue:
    return Rescue(
        cure=cure,
        steps=steps,
        legs=driven.followed.legs[call:],
        track=driven.track,
        finish=driven.finish,
        clearances=clearances_of(driven),
        low=driven.low,
    )
