from zoneinfo import available_timezones

from django.http import HttpRequest, HttpResponse
from faircorner.said import Said
from ninja import Router, Status

from server.errors import Problem
from server.founding.schemas import BeginIn, BeginningOut
from server.founding.services import KeyRanOut, begin_first, found, is_open
from server.said import told_to
from server.schools.entering import enter, refuse_old_pages
from server.schools.models import LOCALES
from server.schools.schemas import SessionOut

router = Router(tags=["school"])


@router.get("/begin", auth=None, response=BeginningOut, operation_id="beginning_read")
def beginning_read(request: HttpRequest, key: str = "") -> object:
    zones = sorted(zone for zone in available_timezones() if "/" in zone or zone == "UTC")
    # The language that tries what longer words do is no school's.
    return {
        "open": is_open(key),
        "locales": [locale for locale in LOCALES if locale != "en-XA"],
        "time_zones": zones,
    }


@router.post(
    "/begin",
    auth=None,
    response={201: SessionOut, 410: Problem},
    operation_id="school_begin",
)
def school_begin(request: HttpRequest, response: HttpResponse, body: BeginIn) -> object:
    refuse_old_pages(request)
    try:
        given = body.model_dump()
        lead = begin_first(given.pop("key"), lambda: found(**given))
    except KeyRanOut:
        return Status(410, Problem(field="key", problem=told_to(request, Said("key ran out"))))
    return Status(201, enter(request, response, lead))
