"""The cue sheet: everything computed for one vehicle, seat, ground and method."""

from dataclasses import dataclass, replace

import numpy as np

from faircorner.cues.calls import Call, call_at
from faircorner.cues.clearances import Clearances, clearances_of
from faircorner.cues.driven import Driven, overhang
from faircorner.cues.events import Moment
from faircorner.cues.fit import Fit, fit
from faircorner.cues.fitted import Unknown
from faircorner.cues.looks import LookReason, look_reasons
from faircorner.cues.prepare import prepare
from faircorner.cues.problem import Given
from faircorner.cues.reason import Reason
from faircorner.cues.remedy import Heard, Remedy, least_change, least_sizes, silent
from faircorner.cues.scene import Scene
from faircorner.cues.stops import first_stop, last_stop
from faircorner.cues.windows import Window, call_windows
from faircorner.ground import Ground
from faircorner.motion import Leg, Track, swept_outline
from faircorner.plane import Floats, mirrored
from faircorner.said import Said
from faircorner.sides import sided, turned_in
from faircorner.standards import Finish

__all__ = ["LeastSize", "Plan", "make_least_sizes", "make_plan", "make_remedy"]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Plan:
    """A computed cue sheet. Poses are in the site's own frame, whichever side the kerb is on.

    clearances : least gap (m) to each thing and the metres rolled when it is least
    missed : each setting that the plan does not meet, and why
    begins, ends : where to stop before the first step and after the last, in words
    overhang : how far the body reaches over the kerb (m, 0 when it does not), and metres rolled
    sensitivity : (3, calls), see `faircorner.cues.windows.call_windows`
    """

    feasible: bool
    why_not: Reason
    missed: tuple[Said, ...]
    start: Floats
    legs: tuple[Leg, ...]
    track: Track
    finish: Finish
    clearances: Clearances
    overhang: tuple[float, float]
    spare: float
    values: dict[str, float]
    gap: float
    turns_per_metre: float
    ground: Ground
    calls: tuple[Call, ...]
    looks: tuple[LookReason, ...]
    begins: Said
    ends: Said
    sensitivity: Floats
    swept: tuple[Floats, ...]

    def mirrored(self) -> "Plan":
        """A plan made with the kerb on the left, told for a place with the kerb on the right."""
        flip = np.array([1.0, -1.0])
        return replace(
            self,
            start=mirrored(self.start),
            legs=tuple(leg.mirrored() for leg in self.legs),
            track=self.track.mirrored(),
            ground=self.ground.mirrored(),
            calls=tuple(call.mirrored() for call in self.calls),
            looks=tuple(look.mirrored() for look in self.looks),
            swept=tuple(part * flip for part in self.swept),
        )


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class LeastSize:
    """The least size of one thing that a method can use.

    what : "gap", "bay width", "aisle" or "road width"; metres : to 2 cm, None where none is enough
    tighter : a plan 10 cm below it, which cannot be driven and says what is met
    """

    what: str
    metres: float | None
    tighter: Plan

    def mirrored(self) -> "LeastSize":
        return replace(self, tighter=self.tighter.mirrored())


@sided
def make_plan(scene: Scene) -> Plan:
    """Fit the method and work out calls, windows, looks and cues.

    Raises InputError for options outside their limits and for methods that name what is not
    there. A case that cannot work is a plan with `feasible` false and a reason.
    """
    return _planned(*prepare(scene))


def _planned(scene: Scene, given: Given) -> Plan:
    found = fit(scene, given)
    fine = found.outcome
    # Told at 5 cm: what is measured finely need not be sent as finely.
    driven = replace(fine, track=fine.followed.track(scene.vehicle, 0.05))
    return _assemble(scene, given, found, driven)


def make_remedy(scene: Scene, heard: Heard = silent) -> Remedy | None:
    """The least single change that makes an unfeasible plan work; None when none was found.

    Apart from `make_plan`, because it takes some dozens of fits; heard is told between them how
    far it is.
    """
    # A figure has no side.
    return least_change(*prepare(turned_in(scene.side, scene)), heard)


@sided
def make_least_sizes(scene: Scene, heard: Heard = silent) -> tuple[LeastSize, ...]:
    """How tight a place the method can use, and what is in the way in a tighter one.

    Behind a parked vehicle that is the gap between two; at a bay its width and the aisle's;
    elsewhere the road's width. Takes about ten fits each; heard is told
    between them how far it is. Raises InputError where there is nothing to be tightened.
    """
    ready, given = prepare(scene)
    return tuple(
        LeastSize(
            what=what,
            metres=metres,
            # Its cues are told where they come, whatever was moved on the sheet.
            tighter=_planned(replace(tighter, options=replace(tighter.options, shifts={})), given),
        )
        for what, metres, tighter in least_sizes(ready, given, heard)
    )


def _gap_at_start(scene: Scene, given: Given, found: Fit) -> float:
    start = scene.method.start.gap
    if not isinstance(start, Unknown):
        return given.gap
    return float(found.values[[u.name for u in scene.method.unknowns].index(start.name)])


def _assemble(
    scene: Scene,
    given: Given,
    found: Fit,
    driven: Driven,
) -> Plan:
    calls = len(scene.method.steps) - 1
    nothing = Window(early=0.0, late=0.0, early_breaks=Said(), late_breaks=Said())
    windows, answers = (nothing,) * calls, np.full((3, calls), np.nan)
    if found.feasible:
        windows, answers = call_windows(scene, found, given)
    fine = found.outcome
    s = fine.track.s[0]
    gap = _gap_at_start(scene, given, found)
    last = Moment(
        vehicle=scene.vehicle,
        ground=scene.ground,
        pose=fine.track.poses[0, -1],
        turns=fine.track.turns[0, -1],
    )
    over = overhang(fine.track.poses, scene.vehicle, scene.ground)
    return Plan(
        feasible=found.feasible,
        why_not=found.why_not,
        missed=found.missed,
        start=driven.followed.start[0],
        legs=driven.followed.legs,
        track=driven.track,
        finish=driven.finish,
        clearances=clearances_of(fine),
        overhang=(
            max(0.0, float(over.metres[0])),
            float(s[over.sample[0]]),
        ),
        spare=found.spare,
        values={u.name: float(v) for u, v in zip(scene.method.unknowns, found.values, strict=True)},
        gap=gap,
        turns_per_metre=given.rate,
        ground=scene.ground,
        calls=tuple(
            call_at(scene, driven, i, window)
            for i, window in enumerate(windows)
        ),
        looks=look_reasons(scene, driven),
        begins=first_stop(scene, driven.followed.start[0], gap),
        ends=last_stop(scene, last, float(s[-1])),
        sensitivity=answers,
        swept=tuple(swept_outline(driven.track.poses[0], scene.vehicle.outline[0])),
    )  # fmt: skip
