"""The cue sheet: everything computed for one vehicle, seat, ground and method."""

from dataclasses import dataclass, field, replace

import numpy as np

from faircorner.cues.fit import FINE, Fit, Given, fit, settings_for
from faircorner.cues.follow import landmark_x, own_point
from faircorner.cues.looks import LookReason, look_reasons
from faircorner.cues.method import Method, Unknown, Until
from faircorner.cues.outcome import Case, Outcome, attempt
from faircorner.cues.reason import Reason
from faircorner.cues.remedy import Remedy, least_change, least_gap
from faircorner.cues.suits import suited
from faircorner.cues.windows import Window, call_windows, sensitivity
from faircorner.errors import InputError
from faircorner.ground import Band, Finish, Ground
from faircorner.motion import Leg, Track, advance, swept_outline
from faircorner.plane import Floats, mirrored, to_site
from faircorner.sight import Seat, Sharpness, Sighting, sharpness, sight_of
from faircorner.vehicle import Vehicle

__all__ = [
    "Call",
    "Cue",
    "LookReason",
    "Options",
    "Plan",
    "make_least_gap",
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
class Cue:
    """What is seen at a call from this seat: of all there is to line up on, the sharpest.

    what : its name; target : (2,), m on the site; height : m
    """

    what: str
    sighting: Sighting
    sharpness: Sharpness
    target: Floats
    height: float


@dataclass(frozen=True, slots=True, kw_only=True, eq=False)
class Call:
    """A moment to act: the end of one step, the start of the next.

    step : index of the step it begins; s : m rolled; pose : (3,); heading : rad off the kerb's
    line, nose away positive; told : m rolled where the cue is told, s plus the shift
    until : what the step before it waited for
    metres : m at which it came: own point behind the landmark, or from the kerb; else NaN
    cue : None where the school watches outcomes instead of cues
    """

    step: int
    s: float
    told: float
    pose: Floats
    heading: float
    until: Until
    metres: float
    window: Window
    cue: Cue | None


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
    case, given = prepare(vehicle, ground, method, bands, options)
    found = fit(case, given)
    settings = settings_for(found.values[None], given, len(method.steps))
    driven = attempt(case, settings)
    fine = attempt(case, settings, sample=FINE)
    left = ground.side == "left"
    plan = _assemble(case, given, found, driven, fine, seat if left else seat.mirrored(), options)
    return plan if left else _mirrored(plan)


def make_remedy(
    vehicle: Vehicle,
    ground: Ground,
    method: Method,
    bands: tuple[Band, ...],
    options: Options | None = None,
) -> Remedy | None:
    """The least single change that makes an unfeasible plan work; None when none was found.

    Apart from `make_plan`, because it takes some dozens of fits.
    """
    return least_change(*prepare(vehicle, ground, method, bands, options or Options()))


def make_least_gap(
    vehicle: Vehicle,
    ground: Ground,
    method: Method,
    bands: tuple[Band, ...],
    options: Options | None = None,
) -> float | None:
    """The shortest gap between two parked vehicles that the method can use, m, to 2 cm.

    At a bay its least width instead. None when even a gap of two and a half lengths, or no
    width from the present one to three vehicles' is enough. Takes about ten fits.
    """
    return least_gap(*prepare(vehicle, ground, method, bands, options or Options()))


def prepare(
    vehicle: Vehicle,
    ground: Ground,
    method: Method,
    bands: tuple[Band, ...],
    options: Options,
) -> tuple[Case, Given]:
    """The case with the working side on the left, and what the options fix.

    Raises InputError for options outside their limits and methods that end elsewhere.
    """
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
    fine: Outcome,
    seat: Seat,
    options: Options,
) -> Plan:
    calls = len(case.method.steps) - 1
    nothing = Window(early=0.0, late=0.0, early_breaks="", late_breaks="")
    windows = call_windows(case, found, given) if found.feasible else (nothing,) * calls
    answers = np.full((3, calls), np.nan)
    if found.feasible:
        answers = sensitivity(case, found, given)
    s = fine.track.s[0]
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
            max(0.0, float(fine.overhang.metres[0])),
            float(s[fine.overhang.sample[0]]),
        ),
        spare=found.spare,
        values={u.name: float(v) for u, v in zip(case.method.unknowns, found.values, strict=True)},
        gap=_gap_at_start(case, given, found),
        turns_per_metre=given.rate,
        ground=case.ground,
        calls=tuple(
            _call(case, driven, seat, i, window, options.shifts.get(i + 1, 0.0))
            for i, window in enumerate(windows)
        ),
        looks=look_reasons(case, driven),
        sensitivity=answers,
        swept=tuple(swept_outline(driven.track.poses[0, ::4], case.vehicle.outline())),
    )  # fmt: skip


def _pose_at(case: Case, driven: Outcome, metres: Floats) -> Floats:
    """Poses (k, 3) at metres rolled, exactly on the driven path."""
    ends = driven.followed.ends[0]
    poses = np.empty((len(metres), 3))
    for k, s in enumerate(np.clip(metres, 0.0, ends[-1])):
        leg = min(int(np.searchsorted(ends, s)), len(ends) - 1)
        begin = 0.0 if leg == 0 else float(ends[leg - 1])
        at = int(np.searchsorted(driven.track.s[0], begin, side="right")) - 1
        into = np.linspace(0.0, s - begin, 61)[None]
        poses[k] = advance(
            case.vehicle.steering, driven.track.poses[:1, at], driven.track.turns[:1, at],
            driven.followed.legs[leg], into,
        )[0][0, -1]  # fmt: skip
    return poses


def _call(
    case: Case, driven: Outcome, seat: Seat, index: int, window: Window, shift: float
) -> Call:
    s = float(driven.followed.ends[0, index])
    told = min(max(s + shift, 0.0), float(driven.followed.ends[0, -1]))
    around = np.clip([told - 0.03, told, told + 0.03], 0.0, driven.followed.ends[0, -1])
    poses = _pose_at(case, driven, np.append(around, s))
    pose = poses[1]
    until = case.method.steps[index].until
    # An angle to the berth where that is waited for, else to the way along the kerb or aisle.
    line = case.ground.berth.heading if until.kind == "parallel" else 0.0
    return Call(
        step=index + 1,
        s=s,
        told=told,
        pose=poses[3],
        heading=line - float(pose[2]),
        until=until,
        metres=_waited(case, until, poses[3]),
        window=window,
        cue=_cue(case, seat, poses[:3], around) if case.method.references else None,
    )


def _cue(case: Case, seat: Seat, poses: Floats, s: Floats) -> Cue:
    """The sharpest cue that shows through the glass; the first of all where none shows."""
    pose = poses[1]
    eye = pose[:2] + np.array([np.cos(pose[2]), np.sin(pose[2])]) * seat.eye[0]
    found = []
    for what, corners, height in case.ground.sighted:
        target = corners[int(np.linalg.norm(corners - eye, axis=1).argmin())]
        found.append(
            Cue(
                what=what,
                sighting=sight_of(case.vehicle, seat, pose, target, height),
                sharpness=sharpness(case.vehicle, seat, poses, s, target, height),
                target=target,
                height=height,
            )
        )
    return min(found, key=lambda c: (c.sighting.through is None, c.sharpness.scatter))


def _waited(case: Case, until: Until, pose: Floats) -> float:
    """Where the own point of an event stands, m: behind its landmark, or from the kerb."""
    if until.kind == "gap wanted":
        return case.ground.berth.gap
    if not until.own:
        return float("nan")
    x, y = to_site(pose, own_point(case.vehicle, until.own)[None])[0]
    if until.kind == "kerb":
        return float(-y)
    return float(landmark_x(case.ground, until.landmark) - x)


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
        calls=tuple(_mirrored_call(call) for call in plan.calls),
        looks=tuple(replace(look, y=-look.y) for look in plan.looks),
        swept=tuple(part * flip for part in plan.swept),
    )


def _mirrored_call(call: Call) -> Call:
    if call.cue is None:
        return replace(call, pose=mirrored(call.pose))
    seen = call.cue.sighting
    lateral = seen.along == "y"
    sighting = replace(
        seen,
        eye=seen.eye * [1, -1, 1],
        y=-seen.y,
        bearing=-seen.bearing,
        offset=-seen.offset if lateral else seen.offset,
    )
    sharp = call.cue.sharpness
    if lateral:
        sharp = replace(sharp, image=-sharp.image)
    cue = replace(call.cue, sighting=sighting, sharpness=sharp, target=call.cue.target * [1, -1])
    return replace(call, pose=mirrored(call.pose), cue=cue)
