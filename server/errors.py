"""How errors leave the server: one shape, one sentence, one place."""

import json
from collections.abc import Sequence
from typing import Any, cast

from django.conf import settings
from django.core.exceptions import ObjectDoesNotExist, RequestDataTooBig
from django.http import HttpRequest, HttpResponse
from faircorner.errors import InputError
from faircorner.model import said_of
from faircorner.said import Said, path_name
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, ValidationError
from pydantic_core import ErrorDetails

from server.said import told_to

__all__ = ["Problem", "Stale", "register"]


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
    try:
        given = json.loads(request.body)
        for part in where:
            given = given[part]
    except (ValueError, LookupError, TypeError):
        return None
    return given


def register(api: NinjaAPI) -> None:
    """Map the exceptions the house raises to answers."""

    def answer(request: HttpRequest, status: int, field: str, problem: str | Said) -> HttpResponse:
        if isinstance(problem, Said):
            problem = told_to(request, problem)
        label = told_to(request, path_name(field)) if field else ""
        told = {"field": field, "label": label, "problem": problem}
        return api.create_response(request, told, status=status)

    @api.exception_handler(InputError)
    def _input(request: HttpRequest, error: InputError) -> HttpResponse:
        return answer(request, 422, error.field, error.said)

    @api.exception_handler(ObjectDoesNotExist)
    def _missing(request: HttpRequest, _error: ObjectDoesNotExist) -> HttpResponse:
        return answer(request, 404, "", Said("nothing here"))

    @api.exception_handler(Stale)
    def _stale(request: HttpRequest, error: Stale) -> HttpResponse:
        return answer(request, 409, "based_on", error.said)

    @api.exception_handler(AuthenticationError)
    def _anonymous(request: HttpRequest, _error: AuthenticationError) -> HttpResponse:
        return answer(request, 401, "", Said("sign in first"))

    @api.exception_handler(HttpError)
    def _http(request: HttpRequest, error: HttpError) -> HttpResponse:
        return answer(request, error.status_code, "", error.message)

    @api.exception_handler(RequestDataTooBig)
    def _too_big(request: HttpRequest, _error: RequestDataTooBig) -> HttpResponse:
        most = settings.DATA_UPLOAD_MAX_MEMORY_SIZE // 1_000_000
        return answer(request, 413, "", Said("too large", most=most))

    @api.exception_handler(ValidationError)
    def _invalid(request: HttpRequest, error: ValidationError) -> HttpResponse:
        first = error.errors[0]
        # ninja's location starts with where the value came from and the argument's name.
        where = first["loc"][2:]
        # And it leaves out what was given, which is told beside the limit that it broke.
        complaint = {**first, "input": _given(request, where)}
        field = ".".join(str(part) for part in where)
        return answer(request, 422, field, said_of(cast("ErrorDetails", complaint)))
