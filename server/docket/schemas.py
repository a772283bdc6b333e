from ninja import Schema

from server.documents.schemas import RevisionOut
from server.planning.schemas import OptionsIO
from server.schools.schemas import PersonOut


class DocketOut(Schema):
    """The context of all six stations, resolved; sheet_id is the newest sheet for it, if any."""

    learner: PersonOut
    vehicle: RevisionOut
    seat: RevisionOut
    ground: RevisionOut
    method: RevisionOut
    standard: RevisionOut
    sheet_id: int | None
    sheet_options: OptionsIO | None
    attempts: int
    taped: int
    shifted: bool
