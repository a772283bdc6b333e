"""Kept plans."""

from datetime import datetime

from ninja import Schema

from server.documents.schemas.revisions import (
    GroundRevision,
    MethodRevision,
    SeatRevision,
    StandardRevision,
    VehicleRevision,
)
from server.planning.schemas.plans import OptionsIO, PlanIn, PlanOut


class SheetIn(PlanIn):
    learner: int


class SheetOut(Schema):
    id: int
    learner_id: int
    created: datetime
    options: OptionsIO
    plan: PlanOut
    vehicle: VehicleRevision
    seat: SeatRevision
    ground: GroundRevision
    method: MethodRevision
    standard: StandardRevision
