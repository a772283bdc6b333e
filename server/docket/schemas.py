from ninja import Schema

from server.documents.schemas import (
    GroundRevision,
    MethodRevision,
    SeatRevision,
    StandardRevision,
    VehicleRevision,
)
from server.planning.schemas import OptionsIO
from server.schools.schemas import PersonOut


class DocketOut(Schema):
    """The context of all six stations, resolved; sheet_id is the newest sheet for it, if any."""

    learner: PersonOut
    vehicle: VehicleRevision
    seat: SeatRevision
    ground: GroundRevision
    method: MethodRevision
    standard: StandardRevision
    sheet_id: int | None
    sheet_options: OptionsIO | None
    attempts: int
    taped: int
    shifted: bool
