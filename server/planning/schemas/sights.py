"""What is seen at each stop of a plan, as cues, pictures and a film."""

from faircorner.cues.events import Part
from pydantic import BaseModel

from server.planning.schemas.plans import DraftIn, PoseOut
from server.said import SaidOut


# Polygons, hundreds of them: what a Schema does besides takes long.
class PartOut(BaseModel):
    """A polygon of a picture; points : x, y, x, y …"""

    kind: str
    name: str
    points: list[float]


class CueMarksOut(BaseModel):
    """A cue in a picture: the thing or edge as x, y, x, y …, and where to look."""

    line: list[float]
    spot: tuple[float, float]


class GlassOut(BaseModel):
    """A mirror's glass by itself, in units of its own."""

    name: str
    size: tuple[float, float]
    outline: list[float]
    parts: list[PartOut]
    cue: CueMarksOut | None


class PictureOut(BaseModel):
    """What the driver sees, painted from the first polygon to the last.

    outside : beyond the glass; panes : where it shows through; cabin : round them; hung : the
    mirror within
    """

    size: tuple[float, float]
    outside: list[PartOut]
    panes: list[list[float]]
    cabin: list[PartOut]
    hung: list[PartOut]
    cue: CueMarksOut | None
    glass: GlassOut | None


class PointedOut(BaseModel):
    """A cue by its parts: in which pane or mirror, what, and past which of the vehicle's marks.

    left : whether it is on the left of the vehicle; part : what of it a step waits for that waits
    for this, null where it is all of it
    """

    key: str
    through: str
    mirror: bool
    what: str
    mark: str | None
    left: bool
    part: Part | None
    scatter_m: float


class CandidateOut(PointedOut):
    """A cue that could be used, and what to know of it.

    before_m, after_m : rolled metres for which it shows, up to `followed_m`
    rests : what it is told by that nobody measured, nothing where all was
    at_mark_m : how much later than called the thing stands exactly at its mark, negative earlier
    """

    said: SaidOut
    before_m: float
    after_m: float
    at_mark_m: float | None
    marked: bool
    sharp: bool
    rests: SaidOut
    notes: list[SaidOut]


class SpotOut(PoseOut):
    """A moment at which something is to be seen: call 0 is the first stop, the highest the last.

    felt : what the tyres meet for whoever rolls on from there, null where nothing within a metre
    chosen : the key of the cue that is told, null where nothing shows
    changes_over : whether the next stop is looked for in another mirror
    """

    call: int
    seen: SaidOut | None
    felt: SaidOut | None
    chosen: str | None
    candidates: list[CandidateOut]
    others: list[PointedOut]
    picture: PictureOut | None
    changes_over: bool


class HeldOut(PoseOut):
    """A stretch rolled along an edge, and the cue that is held meanwhile, as it is in its middle.

    step : that rolls it; off_m : how far off the line is seen by it; through : the glass it is in
    said : what to hold, then what drift out and in look like and how to correct them
    """

    step: int
    begin_m: float
    end_m: float
    off_m: float
    said: list[SaidOut]
    through: str
    picture: PictureOut


class SightsOut(BaseModel):
    """What is seen at every stop of a plan and held between; none where nobody's eye is known."""

    format: str
    followed_m: float
    spots: list[SpotOut]
    held: list[HeldOut]


class FilmIn(DraftIn):
    """A plan, and the call whose picture is to move."""

    call: int


class FrameOut(BaseModel):
    """What of a picture is another after so many metres; glass : in the mirror by itself."""

    s_m: float
    outside: list[PartOut]
    hung: list[PartOut]
    glass: list[PartOut] | None
