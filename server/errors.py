"""How errors leave the server: one shape, one sentence, one place."""

import json
import logging
from collections.abc import Sequence
from typing import Any, cast

from django.conf import settings
from django.core.exceptions import ObjectDoesNotExist, RequestDataTooBig
from django.db import InterfaceError, OperationalError
from django.http import HttpRequest, HttpResponse, JsonResponse
from faircorner.errors import InputError
from faircorner.model import said_of
from faircorner.said import Said, path_name
from faircorner.wanted import Unwanted
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, ValidationError
from pydantic_core import ErrorDetails

from server.request_body import OURS
from server.said import told_to

__all__ = ["Problem", "Stale", "problem", "register", "too_large"]

_LOG = logging.getLogger("server")


class Stale(Exception):
    """Somebody else changed it first."""

    def __init__(self, said: Said) -> None:
        super().__init__(said)
        self.said = said


class Problem(Schema):
    """What went wrong: the field, where there is one, and a sentence that says what to do.

    label : what the field is called where people read it
    """

    field: str
    label: str = ""
    problem: str


def _given(request: HttpRequest, where: Sequence[str | int]) -> Any:
    """What a request has at a place in its body; None where it has nothing there."""
    for typed in (request.GET, request.POST):
        if len(where) == 1 and where[0] in typed:
            return typed[str(where[0])]
    if request.content_type == "multipart/form-data":
        return None
    try:
        given = json.loads(request.body)
        for part in where:
            given = given[part]
    except (ValueError, LookupError, TypeError):
        return None
    return given


def problem(request: HttpRequest, status: int, field: str, said: str | Said) -> HttpResponse:
    """The one shape in which a request is told what went wrong."""
    told = told_to(request, said) if isinstance(said, Said) else said
    label = told_to(request, path_name(field)) if field else ""
    return JsonResponse(Problem(field=field, label=label, problem=told).dict(), status=status)


def too_large(request: HttpRequest) -> HttpResponse:
    most = settings.DATA_UPLOAD_MAX_MEMORY_SIZE // 1_000_000
    return problem(request, 413, "", Said("too large", most=most))


def register(api: NinjaAPI) -> None:
    """Map the exceptions the house raises to answers."""

    @api.exception_handler(InputError)
    def _input(request: HttpRequest, error: InputError) -> HttpResponse:
        return problem(request, 422, error.field, error.said)

    @api.exception_handler(ObjectDoesNotExist)
    def _missing(request: HttpRequest, _error: ObjectDoesNotExist) -> HttpResponse:
        return problem(request, 404, "", Said("nothing here"))

    @api.exception_handler(Stale)
    def _stale(request: HttpRequest, error: Stale) -> HttpResponse:
        return problem(request, 409, "based_on", error.said)

    @api.exception_handler(AuthenticationError)
    def _anonymous(request: HttpRequest, _error: AuthenticationError) -> HttpResponse:
        return problem(request, 401, "", Said("sign in first"))

    @api.exception_handler(HttpError)
    def _http(request: HttpRequest, error: HttpError) -> HttpResponse:
        return problem(request, error.status_code, "", error.message)

    @api.exception_handler(RequestDataTooBig)
    def _too_big(request: HttpRequest, _error: RequestDataTooBig) -> HttpResponse:
        return too_large(request)

    @api.exception_handler(Unwanted)
    def _unwanted(request: HttpRequest, _error: Unwanted) -> HttpResponse:
        # As nginx notes it; nobody is there to read it.
        return problem(request, 499, "", Said("not answered in time"))

    @api.exception_handler(OperationalError)
    @api.exception_handler(InterfaceError)
    def _away(request: HttpRequest, error: Exception) -> HttpResponse:
        _LOG.error("%s %s: the database is away: %s", request.method, request.path, error)
        return problem(request, 503, "", Said("away for a moment"))

    @api.exception_handler(Exception)
    def _ours(request: HttpRequest, error: Exception) -> HttpResponse:
        asked = request.headers.get("X-Request-ID", "-")
        _LOG.error("%s %s failed (%s)", request.method, request.path, asked, exc_info=error)
        return problem(request, 500, "", Said("our fault"))

    @api.exception_handler(ValidationError)
    def _invalid(request: HttpRequest, error: ValidationError) -> HttpResponse:
        first = error.errors[0]
        # ninja's place starts with where the value came from and, in a body, the argument's name.
        where = first["loc"][2:] or first["loc"][1:]
        # And it leaves out what was given, which is told beside the limit that it broke.
        complaint = {**first, "input": _given(request, where)}
        field = ".".join(str(part) for part in where)
        if first["type"] == OURS:
            return problem(request, 422, field, Said(first["ctx"]["code"]))
        return problem(request, 422, field, said_of(cast("ErrorDetails", complaint)))
