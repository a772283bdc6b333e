"""A call that came early or late, put right on the way: less or more wheel, or pull forward.

Each cure is the method itself from there on with one or two figures to be found, by the same fit
as any method's, so that it holds the same clearances and limits. docs/sums/mend.md.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Literal, TypeAlias

import numpy as np

from faircorner.cues.fit import fit, settings_for
from faircorner.cues.method import Method, Step, Unknown, Until, Wheel
from faircorner.cues.outcome import Case, Outcome, attempt
from faircorner.cues.plan import Options, prepare
from faircorner.errors import InputError
from faircorner.ground import Band, Finish, Ground
from faircorner.motion import Leg, Track
from faircorner.plane import mirrored
from faircorner.sight import Seat
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
    clearances: tuple[tuple[str, float, float], ...]
    low: frozenset[str]


def rescue(
    vehicle: Vehicle, seat: Seat, ground: Ground, method: Method, options: Options,
    bands: tuple[Band, ...], values: dict[str, float],
    *, call: int, by: float, forward: int, reverse: int,
) -> Rescue | None:  # fmt: skip
    """The least that saves an attempt whose call came at the wrong moment; None: begin again.

    values : every figure of the plan by name, SI; call : its number, from 1; by : m late,
    negative early; forward, reverse : movements allowed in each gear over the whole attempt, where
    they are more than the method's own
    Where nothing is broken one drives on; changing the wheel comes before easing it off, and that
    before another movement.
    Raises InputError for a call the method does not have.
    """
    if not 1 <= call < len(method.steps):
        raise InputError("call", f"there is no call {call}; calls are 1 to {len(method.steps) - 1}")
    case, given = prepare(vehicle, seat, ground, method, bands, options)
    figures = np.array([[values[u.name] for u in method.unknowns]])
    late = np.zeros((1, len(method.steps)))
    late[0, call - 1] = by
    begun = attempt(case, settings_for(figures, given, len(method.steps), late))
    if begun.good(bands)[0]:
        return _told("drive on", method.steps[call:], call, begun, ground.side == "left")
    settled = [_settled(step, values, case.vehicle) for step in method.steps]
    done = [
        replace(step, until=Until(kind="travelled", value=float(leg.metres[0])))
        for step, leg in zip(settled[:call], begun.followed.legs, strict=False)
    ]
    for cure, steps in _cures(settled[call:], late=by > 0):
        whole = (*done, *steps)
        if not _allowed(whole, method.steps, {1: forward, -1: reverse}):
            continue
        trial = Case(
            vehicle=case.vehicle,
            ground=case.ground,
            # It has begun: where to begin is no question any more.
            method=replace(method, start=replace(method.start, metres=0.0, gap=0.0), steps=whole),
            bands=bands,
            seat=case.seat,
            start=begun.followed.start[0],
        )
        found = fit(trial, replace(given, pinned={}))
        if found.feasible:
            more = cure == "less wheel" and found.values[0] > settled[call].wheel.of_lock
            told: Cure = "more wheel" if more else cure
            return _told(told, whole[call:], call, found.outcome, ground.side == "left")
    return None


def _settled(step: Step, values: dict[str, float], vehicle: Vehicle) -> Step:
    """A step with every figure of its own as the plan found it."""
    amount, until = step.wheel.share(vehicle.steering.lock_turns), step.until
    if isinstance(amount, Unknown):
        amount = values[amount.name]
    if isinstance(until.value, Unknown):
        until = replace(until, value=values[until.value.name])
    return replace(step, wheel=replace(step.wheel, of_lock=amount, turns=None), until=until)


def _cures(steps: list[Step], *, late: bool) -> Iterator[tuple[Cure, list[Step]]]:
    """Ways to go on from the call, the least first."""
    first, rest = steps[0], steps[1:]
    amount = first.wheel.of_lock
    if isinstance(amount, Unknown) or first.wheel.way == "straight":
        return
    if first.until.kind in ("heading", "parallel"):
        # Less or more: which of them it is, the fit says.
        low = min(_LEAST_WHEEL, amount / 2)
        other = Unknown(name="amount taken", low=low, high=1.0, prefer=amount)
        yield "less wheel", [replace(first, wheel=replace(first.wheel, of_lock=other)), *rest]
    again = replace(first, looks=())
    if not late:
        yield "ease off", [*_eased(first), again, *rest]
    yield "pull forward", [
        replace(first, until=Until(kind="travelled", value=_free("until the stop", _STOPPED))),
        Step(name="pull-up", say="Stop; all round; pull the other way, wheels straight",
             direction=-first.direction, wheel=Wheel(way="straight"), looks=("all round",),
             until=Until(kind="travelled", value=_free("pulled", _FORWARD))),
        again,
        *rest,
    ]  # fmt: skip


def _eased(first: Step) -> tuple[Step, Step]:
    noticed = replace(first, until=Until(kind="travelled", value=NOTICED))
    eased = Step(name="eased", say="Ease the wheel off and roll on", direction=first.direction,
                 wheel=Wheel(way="straight"),
                 until=Until(kind="travelled", value=_free("eased", _EASED)))  # fmt: skip
    return noticed, eased


def _free(name: str, limits: tuple[float, float, float]) -> Unknown:
    low, high, prefer = limits
    return Unknown(name=name, low=low, high=high, prefer=prefer)


def _allowed(steps: tuple[Step, ...], own: tuple[Step, ...], allowed: dict[int, int]) -> bool:
    """Whether no gear is taken oftener than is allowed; what the school itself takes always is."""
    return all(
        _movements(steps, gear) <= max(most, _movements(own, gear))
        for gear, most in allowed.items()
    )


def _movements(steps: tuple[Step, ...], gear: int) -> int:
    gears = [step.direction for step in steps]
    return [g for g, before in zip(gears, [0, *gears], strict=False) if g != before].count(gear)


def _told(cure: Cure, steps: tuple[Step, ...], call: int, driven: Outcome, left: bool) -> Rescue:
    track, legs = driven.track, driven.followed.legs[call:]
    s = track.s[0]
    if not left:
        track = replace(track, poses=mirrored(track.poses), turns=-track.turns)
        legs = tuple(replace(leg, turns=-leg.turns) for leg in legs)
    return Rescue(
        cure=cure,
        steps=steps,
        legs=legs,
        track=track,
        finish=driven.finish,
        clearances=tuple(
            (name, float(gap.metres[0]), float(s[gap.sample[0]]))
            for name, gap in driven.gaps.items()
        ),
        low=driven.low,
    )
