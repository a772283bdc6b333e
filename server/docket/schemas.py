from typing import Literal

from ninja import Schema

from server.documents.schemas.revisions import (
    GroundRevision,
    MethodRevision,
    SeatRevision,
    StandardRevision,
    VehicleRevision,
)
from server.planning.schemas.plans import OptionsIO
from server.schools.schemas import PersonOut


class SinceOut(Schema):
    """Something that is not as the cue sheet has it: a newer revision, or another standard."""

    kind: Literal["vehicle", "seat", "ground", "method", "standard"]
    name: str
    number: int
    sheet_name: str
    sheet_number: int
    another: bool


class DocketOut(Schema):
    """The context of all six stations, resolved.

    sits_here : whether the seat is this learner's own; seat_of : whose
    it is, empty for nobody's
    sheet_id : the cue sheet that is gone on with, if there is any for these documents; since :
    what has changed since it was made
    picks : the cues that were chosen when the method was last kept for this vehicle and seat
    """

    learner: PersonOut
    vehicle: VehicleRevision
    seat: SeatRevision
    ground: GroundRevision
    method: MethodRevision
    standard: StandardRevision
    sits_here: bool
    seat_of: str
    sheet_id: int | None
    sheet_options: OptionsIO | None
    since: list[SinceOut]
    picks: dict[str, str]
    attempts: int
    taped: int
    shifted: bool
