"""A docket with its settings, and the plan that is computed from them."""

from typing import Annotated, Any, Literal

from faircorner.standards import MirrorLook
from pydantic import AfterValidator, BaseModel

from server.documents.schemas.grounds import ViewOut
from server.request_body import RequestBody
from server.said import SaidOut

# A figure that is set. What a slider adds up to differs from it in the sixteenth digit, which made
# one setting two.
Figure = Annotated[float, AfterValidator(lambda value: round(value, 6))]


class OptionsIO(RequestBody):
    """What may be set for one cue sheet; null leaves it to the method, the place or the fit.

    pinned : fitted figures of the method by name, metres or degrees
    shifts_m : by call number, how much later (negative earlier) its cue is told
    picks : by call number, the key of the cue that was chosen for it
    dipped : whether the near-side door mirror is turned down to the rear tyre
    """

    gap_m: Figure | None = None
    kerb_m: Figure | None = None
    ahead_m: Figure | None = None
    turns_per_metre: Figure | None = None
    pinned: dict[str, Figure] = {}
    shifts_m: dict[str, Figure] = {}
    picks: dict[str, str] = {}
    dipped: bool = False


class PlanIn(RequestBody):
    """A docket by revisions, and the settings."""

    vehicle: int
    seat: int
    ground: int
    method: int
    standard: int
    options: OptionsIO = OptionsIO()


class DraftIn(PlanIn):
    """A docket to look at, its method perhaps changed and not kept yet."""

    method_body: dict[str, Any] | None = None


# A path has so many that what a Schema does besides takes long.
class PoseOut(BaseModel):
    x_m: float
    y_m: float
    heading_deg: float


class PathPoint(PoseOut):
    s_m: float
    turns: float
    wheel_deg: float
    leg: int


class WheelOut(BaseModel):
    """How far the wheel is turned, in words: in turns, or by where the top of its rim stands."""

    turns: SaidOut
    clock: SaidOut


class LegOut(BaseModel):
    gear: Literal["forward", "reverse"]
    turns: float
    metres: float
    turns_per_metre: float | None


class FinishOut(BaseModel):
    kerb_front_m: float | None
    kerb_rear_m: float | None
    angle_deg: float | None
    ahead_m: float | None
    behind_m: float | None


class ClearanceOut(BaseModel):
    """The least gap to one thing; of_tyres : whether only tyres meet it."""

    obstacle: str
    metres: float
    s_m: float
    of_tyres: bool


class CueOut(BaseModel):
    """Where what is lined up on is seen, metres in the vehicle's frame; the target on the site.

    leant : what leaning forward does to it
    """

    what: str
    target_x_m: float
    target_y_m: float
    target_z_m: float
    eye_m: tuple[float, float, float]
    through: str | None
    x_m: float
    y_m: float
    z_m: float
    bearing_deg: float
    along: Literal["x", "y", "z", "out", "up"]
    feature: str | None
    offset_m: float | None
    scatter_m: float | None
    lean_m: float
    lean_image_m: float | None
    lean_late_m: float | None
    leant: SaidOut


class UntilOut(BaseModel):
    """What a step waited for, and at how many metres it came."""

    kind: str
    own: str | None
    landmark: str | None
    edge: str | None
    thing: str | None
    metres: float | None


class CallOut(PoseOut):
    """A moment to act; seen : what the driver sees; said : what it can be told by besides.

    instead : what to do where what is seen is hidden, blunt or far from every mark

    early_m and late_m are null when the call may move freely.
    """

    number: int
    leg: int
    s_m: float
    told_s_m: float
    angle_deg: float
    until: UntilOut
    said: SaidOut
    seen: SaidOut
    instead: SaidOut
    early_m: float | None
    late_m: float | None
    early_breaks: SaidOut
    late_breaks: SaidOut
    cues: list[CueOut]


LookKind = Literal["all round", "off side", "near side", "behind", "nose"]


class LookOut(BaseModel):
    step: int
    look: LookKind | MirrorLook
    s_m: float
    why: Literal[
        "reverses",
        "drives on",
        "swings out",
        "tail swings out",
        "tail goes in",
        "nose goes in",
        "rear cuts in",
        "dips",
        "restores",
    ]
    metres: float
    at_s_m: float
    x_m: float
    y_m: float
    said: SaidOut


class Tried(BaseModel):
    """Between what figures they are usually tried."""

    gap_m: tuple[float, float]
    kerb_m: tuple[float, float]
    turns_per_metre: tuple[float, float]


class SetFigures(BaseModel):
    tried: Tried
    gap_m: float
    turns_per_metre: float
    kerb_m: float | None
    ahead_m: float | None


class Assumed(BaseModel):
    """Figures nobody measured; the screen says so. searched_m : how far windows were looked for.

    acuity_deg, in_glass_deg : what an eye tells between a near edge and a far thing, and between
    two images in one mirror
    """

    searched_m: float
    acuity_deg: float
    in_glass_deg: float
    crawl_m_per_s: float
    reaction_scatter_s: float


class ReasonOut(BaseModel):
    """Why it cannot be driven; step : index of the one that is to blame, where it is one."""

    said: SaidOut
    step: int | None


class OverhangOut(BaseModel):
    """How far the body reaches over a kerb; counts is false where there is none it may cross."""

    metres: float
    s_m: float
    counts: bool


class DimensionOut(BaseModel):
    """Where a figure is measured on the site; what: as in a finish, "start_gap" or "swing"."""

    what: Literal["kerb_rear", "kerb_front", "ahead", "behind", "start_gap", "swing"]
    from_m: tuple[float, float]
    to_m: tuple[float, float]


class SwingOut(BaseModel):
    """How the outermost corner leaves its lane, and how far out it comes."""

    said: SaidOut
    reach: DimensionOut
    track_m: list[tuple[float, float]]


class DrawingOut(BaseModel):
    """What a drawing shows beside the path; away is the way out beside the vehicle at the end."""

    dimensions: list[DimensionOut]
    away: tuple[float, float]
    swing: SwingOut | None
    nearest: list[str]
    view: ViewOut


class TotalsOut(BaseModel):
    """A plan in a few figures.

    narrowest_call : the call that may move least, in all that much
    unseen : calls whose thing does not show as the driver sits; null where it was not counted
    """

    movements: int
    rolled_m: float
    narrowest_call: int | None
    narrowest_m: float | None
    swings_out_m: float
    nearest_m: float | None
    unseen: int | None = None
    along: Literal["ahead", "behind"]


class PlanOut(BaseModel):
    """A cue sheet. begins, ends : where to stop before the first step, and after the last.
    missed : each setting that the plan does not meet, and why; empty in plans of older formats
    """

    format: str
    feasible: bool
    reason: ReasonOut
    missed: list[SaidOut] = []
    start: PoseOut
    legs: list[LegOut]
    wheels: list[WheelOut]
    final: PoseOut
    finish: FinishOut
    clearance: list[ClearanceOut]
    overhang: OverhangOut
    totals: TotalsOut
    drawing: DrawingOut
    spare_m: float | None
    figures: dict[str, float]
    set: SetFigures
    calls: list[CallOut]
    looks: list[LookOut]
    begins: SaidOut
    ends: SaidOut
    sensitivity: list[list[float | None]]
    path: list[PathPoint]
    swept_m: list[list[tuple[float, float]]]
    assumed: Assumed
