"""The cue sheet: everything computed for one vehicle, seat, ground and method."""

from dataclasses import dataclass, field, replace

import numpy as np

from faircorner.cues.calls import Call, call_at, mirrored_call
from faircorner.cues.fit import Fit, Given, fit
from faircorner.cues.looks import LookReason, look_reasons
from faircorner.cues.method import Method, Unknown
from faircorner.cues.outcome import Case, Outcome, overhang
from faircorner.cues.reason import Reason
from faircorner.cues.remedy import Remedy, least_change, least_sizes
from faircorner.cues.suits import suited
from faircorner.cues.windows import Window, call_windows, sensitivity
from faircorner.errors import InputError
from faircorner.ground import Band, Finish, Ground
from faircorner.motion import Leg, Track, swept_outline
from faircorner.plane import Floats, mirrored
from faircorner.sight import Seat
from faircorner.vehicle import Vehicle

__all__ = [
    "LeastSize",
    "LookReason",
    "Options",
    "Plan",
    "make_least_sizes",
    "make_plan",
    "make_remedy",
    "prepare",
]


@dataclass(frozen=True, slots=True, kw_only=True)
class Options:
    """What the user may set for one cue sheet; None leaves it to the method, the place or the fit.

    gap : m at the start; kerb : m wanted to the kerb; ahead : m wanted ahead
    turns_per_metre : how fast the hands are
    pinned : unknowns of the method by name, SI
    shifts : m by which each call is told late (negative early), by call number from 1
    """

    gap: float | None = None
    kerb: float | None = None
    ahead: float | None = None
    turns_per_metre: float | None = None
    pinned: dict[str, float] = field(default_factory=dict)
    shifts: dict[int, float] = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Plan:
    """A computed cue sheet. Poses are in the site's own frame, whichever side the kerb is on.

    clearances : least gap (m) to each thing and the metres rolled when it is least
    overhang : how far the body reaches over the kerb (m, 0 when it does not), and metres rolled
    sensitivity : (3, calls), see `faircorner.cues.windows.sensitivity`
    """

    feasible: bool
    why_not: Reason
    start: Floats
    legs: tuple[Leg, ...]
    track: Track
    finish: Finish
    clearances: tuple[tuple[str, float, float], ...]
    overhang: tuple[float, float]
    spare: float
    values: dict[str, float]
    gap: float
    turns_per_metre: float
    ground: Ground
    calls: tuple[Call, ...]
    looks: tuple[LookReason, ...]
    sensitivity: Floats
    swept: tuple[Floats, ...]


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class LeastSize:
    """The least size of one thing that a method can use.

    what : "gap", "bay width", "aisle" or "road width"; metres : to 2 cm, None where none is enough
    tighter : a plan 10 cm below it, which cannot be driven and says what is met
    """

    what: str
    metres: float | None
    tighter: Plan


def make_plan(
    vehicle: Vehicle,
    seat: Seat,
    ground: Ground,
    method: Method,
    bands: tuple[Band, ...],
    options: Options | None = None,
) -> Plan:
    """Fit the method and work out calls, windows, looks and cues.

    bands : what the standard wants of the finish
    Raises InputError for options outside their limits and for methods that name what is not
    there. A case that cannot work is a plan with `feasible` false and a reason.
    """
    options = options or Options()
    case, given = prepare(vehicle, seat, ground, method, bands, options)
    plan = _planned(case, given, seat if ground.side == "left" else seat.mirrored(), options)
    return plan if ground.side == "left" else _mirrored(plan)


def _planned(case: Case, given: Given, seat: Seat, options: Options) -> Plan:
    """A plan with the working side on the left."""
    found = fit(case, given)
    fine = found.outcome
    # Told at 5 cm: what is measured finely need not be sent as finely.
    driven = replace(fine, track=fine.followed.track(case.vehicle, 0.05))
    return _assemble(case, given, found, driven, seat, options)


def make_remedy(
    vehicle: Vehicle,
    seat: Seat,
    ground: Ground,
    method: Method,
    bands: tuple[Band, ...],
    options: Options | None = None,
) -> Remedy | None:
    """The least single change that makes an unfeasible plan work; None when none was found.

    Apart from `make_plan`, because it takes some dozens of fits.
    """
    return least_change(*prepare(vehicle, seat, ground, method, bands, options or Options()))


def make_least_sizes(
    vehicle: Vehicle,
    seat: Seat,
    ground: Ground,
    method: Method,
    bands: tuple[Band, ...],
    options: Options | None = None,
) -> tuple[LeastSize, ...]:
    """How tight a place the method can use, and what is in the way in a tighter one.

    Behind a parked vehicle that is the gap between two; at a bay its width and the aisle's;
    elsewhere the road's width. Takes about ten fits each.
    Raises InputError where there is nothing to be tightened.
    """
    case, given = prepare(vehicle, seat, ground, method, bands, options or Options())
    left = ground.side == "left"
    found = []
    for what, metres, tighter in least_sizes(case, given):
        plan = _planned(tighter, given, seat if left else seat.mirrored(), Options())
        found.append(LeastSize(what=what, metres=metres, tighter=plan if left else _mirrored(plan)))
    return tuple(found)


def prepare(
    vehicle: Vehicle,
    seat: Seat,
    ground: Ground,
    method: Method,
    bands: tuple[Band, ...],
    options: Options,
) -> tuple[Case, Given]:
    """The case with the working side on the left, and what the options fix.

    Raises InputError for options outside their limits and methods that end elsewhere.
    """
    if vehicle.trailer is not None:
        raise InputError(
            "vehicle", "draws a trailer, and no method here places one; leave it out, or back it"
        )
    lock = vehicle.steering.lock_turns
    for i, step in enumerate(method.steps):
        if step.wheel.turns is not None and step.wheel.turns > lock:
            raise InputError(
                f"steps[{i}].wheel.turns",
                f"{step.wheel.turns:g} is beyond this vehicle's lock of {lock:g} turns",
            )
    place = suited(ground, method).wanting(kerb=options.kerb, gap=options.ahead)
    pinned = dict(options.pinned)
    fitted = method.start.gap if isinstance(method.start.gap, Unknown) else None
    if fitted is not None and options.gap is not None:
        pinned[fitted.name] = options.gap
    gap = options.gap if options.gap is not None else _prefer(method.start.gap)
    if not 0.2 <= gap <= 8:
        raise InputError("gap_m", f"must be between 0.2 and 8 m, got {gap:g}")
    rate = method.turns_per_metre if options.turns_per_metre is None else options.turns_per_metre
    if not 0.2 <= rate <= 10:
        raise InputError("turns_per_metre", f"must be between 0.2 and 10, got {rate:g}")
    known = {u.name: u for u in method.unknowns}
    for name, value in pinned.items():
        if name not in known:
            raise InputError(name, f"this method has no such figure; it has {', '.join(known)}")
        if not known[name].low <= value <= known[name].high:
            raise InputError(name, "lies outside what the method allows")
    for number in options.shifts:
        if not 1 <= number < len(method.steps):
            last = len(method.steps) - 1
            raise InputError("shifts", f"there is no call {number}; calls are 1 to {last}")
    case = Case(
        vehicle=vehicle if ground.side == "left" else vehicle.mirrored(),
        ground=place.kerb_on_left(),
        method=method,
        bands=bands,
        seat=seat if ground.side == "left" else seat.mirrored(),
    )
    return case, Given(gap=gap, rate=rate, pinned=pinned)


def _prefer(figure: float | Unknown) -> float:
    return figure.prefer if isinstance(figure, Unknown) else figure


def _gap_at_start(case: Case, given: Given, found: Fit) -> float:
    start = case.method.start.gap
    if not isinstance(start, Unknown):
        return given.gap
    return float(found.values[[u.name for u in case.method.unknowns].index(start.name)])


def _assemble(
    case: Case,
    given: Given,
    found: Fit,
    driven: Outcome,
    seat: Seat,
    options: Options,
) -> Plan:
    calls = len(case.method.steps) - 1
    nothing = Window(early=0.0, late=0.0, early_breaks="", late_breaks="")
    windows = call_windows(case, found, given) if found.feasible else (nothing,) * calls
    answers = np.full((3, calls), np.nan)
    if found.feasible:
        answers = sensitivity(case, found, given)
    fine = found.outcome
    s = fine.track.s[0]
    over = overhang(fine.track.poses, case.vehicle, case.ground)
    return Plan(
        feasible=found.feasible,
        why_not=found.why_not,
        start=driven.followed.start[0],
        legs=driven.followed.legs,
        track=driven.track,
        finish=driven.finish,
        clearances=tuple(
            (name, float(gap.metres[0]), float(s[gap.sample[0]]))
            for name, gap in fine.gaps.items()
        ),
        overhang=(
            max(0.0, float(over.metres[0])),
            float(s[over.sample[0]]),
        ),
        spare=found.spare,
        values={u.name: float(v) for u, v in zip(case.method.unknowns, found.values, strict=True)},
        gap=_gap_at_start(case, given, found),
        turns_per_metre=given.rate,
        ground=case.ground,
        calls=tuple(
            call_at(case, driven, seat, i, window, options.shifts.get(i + 1, 0.0))
            for i, window in enumerate(windows)
        ),
        looks=look_reasons(case, driven),
        sensitivity=answers,
        swept=tuple(swept_outline(driven.track.poses[0, ::4], case.vehicle.outline())),
    )  # fmt: skip


def _mirrored(plan: Plan) -> Plan:
    """A plan made with the kerb on the left, told for a place with the kerb on the right."""
    flip = np.array([1.0, -1.0])
    track = plan.track
    return replace(
        plan,
        start=mirrored(plan.start),
        legs=tuple(replace(leg, turns=-leg.turns) for leg in plan.legs),
        track=replace(track, poses=mirrored(track.poses), turns=-track.turns),
        ground=plan.ground.mirrored(),
        calls=tuple(mirrored_call(call) for call in plan.calls),
        looks=tuple(replace(look, y=-look.y) for look in plan.looks),
        swept=tuple(part * flip for part in plan.swept),
    )
