from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from ninja import Path, Router, Status
from pydantic import Field

from server.calendars.models import CalendarAddress
from server.calendars.schemas import CalendarMade, CalendarOut
from server.calendars.services import calendar_of, make_address, member_at, withdraw_address
from server.schools.access import Caller

router = Router(tags=["calendar"])

_ICS: dict[str, Any] = {"responses": {200: {"description": "OK", "content": {"text/calendar": {}}}}}


@router.get("/calendar", response=CalendarOut, operation_id="calendar_read")
def calendar_read(request: Caller) -> object:
    """Whether there is an address by which one's own calendar is read."""
    made = CalendarAddress.objects.filter(member=request.member)
    return {"made": made.values_list("made", flat=True).first()}


@router.post("/calendar", response={201: CalendarMade}, operation_id="calendar_make")
def calendar_make(request: Caller) -> object:
    """A new address of one's own; one made before is dead from now on."""
    made, secret = make_address(request.member)
    return Status(201, {"made": made.made, "address": f"/api/calendar/{secret}.ics"})


@router.delete("/calendar", response={204: None}, operation_id="calendar_withdraw")
def calendar_withdraw(request: Caller) -> object:
    withdraw_address(request.member)
    return Status(204, None)


@router.get("/calendar.ics", operation_id="calendar_file", openapi_extra=_ICS)
def calendar_file(request: Caller) -> HttpResponse:
    """One's own lessons in a file."""
    answer = _answer(calendar_of(request, request.member))
    answer["Content-Disposition"] = 'attachment; filename="lessons.ics"'
    return answer


@router.get("/calendar/{secret}.ics", auth=None, operation_id="calendar_feed", openapi_extra=_ICS)
def calendar_feed(
    request: HttpRequest, secret: Annotated[str, Path(), Field(max_length=100)]
) -> HttpResponse:
    """The same for whoever knows the address."""
    member = member_at(secret)
    # Told in the words and units of the school that it is of.
    request.school = member.school  # type: ignore[attr-defined]
    return _answer(calendar_of(request, member))


def _answer(calendar: bytes) -> HttpResponse:
    answer = HttpResponse(calendar, content_type="text/calendar; charset=utf-8")
    answer["Cache-Control"] = "private, no-store"
    return answer
