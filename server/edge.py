"""Where requests come in: what no part of the application can keep is refused here, for every field
at once, and whatever goes wrong leaves in the one shape that `server.errors.Problem` tells.
"""

import json
from collections.abc import Callable, Iterator
from functools import partial
from socket import MSG_DONTWAIT, MSG_PEEK, socket
from typing import Any

from django.conf import settings
from django.core.exceptions import RequestDataTooBig
from django.http import HttpRequest, HttpResponse
from faircorner.errors import InputError
from faircorner.said import Said
from faircorner.wanted import while_wanted

from server.errors import problem, too_large

__all__ = ["edge", "look_through"]

# No document of the house is as deep.
_DEEPEST = 40
_BY_STATUS = {
    400: "not understood", 403: "page too old", 404: "nothing here", 405: "not done here",
    429: "too many tries", 500: "our fault",
}  # fmt: skip
Answering = Callable[[HttpRequest], HttpResponse]


def edge(get_response: Answering) -> Answering:
    """The middleware: of the API alone, whose answers programs read."""

    def answered(request: HttpRequest) -> HttpResponse:
        if settings.BEHIND_FRONT:
            request.META["REMOTE_ADDR"] = request.headers.get("X-Real-IP", "")
        if not request.path.startswith("/api/"):
            return get_response(request)
        try:
            _look_at(request)
        except InputError as error:
            return problem(request, 422, error.field, error.said)
        except RequestDataTooBig:
            return too_large(request)
        with while_wanted(partial(_waits, request.META.get("gunicorn.socket"))):
            return _in_one_shape(request, get_response(request))

    return answered


def _waits(connection: socket | None) -> bool:
    """Whether whoever asked still holds the line; where that cannot be seen, they do."""
    if connection is None:
        return True
    try:
        return connection.recv(1, MSG_PEEK | MSG_DONTWAIT) != b""
    except BlockingIOError:
        return True
    except OSError:
        return False


def _in_one_shape(request: HttpRequest, response: HttpResponse) -> HttpResponse:
    """An error that somebody else answered with, such as the framework, told as ours are."""
    if response.status_code < 400 or "json" in response.get("Content-Type", ""):
        return response
    code = _BY_STATUS.get(response.status_code, "not understood")
    told = problem(request, response.status_code, "", Said(code))
    if "Allow" in response:
        told["Allow"] = response["Allow"]
    return told


def _look_at(request: HttpRequest) -> None:
    """Raises InputError for text that cannot be kept, naming the field."""
    for name, values in request.GET.lists():
        for value in (name, *values):
            _can_be_kept(value, name)
    # A letter with a file in it is read by whoever asked for one.
    if request.content_type == "multipart/form-data" or not request.body:
        return
    try:
        given = json.loads(request.body, parse_constant=_no_number)
    except InputError:
        raise
    except RecursionError:
        raise InputError("", Said("too deep", most=_DEEPEST)) from None
    except ValueError:
        raise InputError("", Said("not understood")) from None
    look_through(given, "")


def _no_number(name: str) -> float:
    raise InputError("", Said("no such number", got=name))


def look_through(given: Any, field: str) -> None:
    """Raises InputError for text, anywhere in a document at `field`, that cannot be kept."""
    for where, value, depth in _within(given, field):
        if depth > _DEEPEST:
            raise InputError(field, Said("too deep", most=_DEEPEST))
        if isinstance(value, str):
            _can_be_kept(value, where)


def _within(given: Any, field: str) -> Iterator[tuple[str, Any, int]]:
    """Every value in a JSON document, and what a field is called, with its place and depth."""
    waiting = [(field, given, 0)]
    while waiting:
        where, value, depth = waiting.pop()
        yield where, value, depth
        if depth > _DEEPEST:
            continue
        if isinstance(value, dict):
            for name, part in value.items():
                yield where, name, depth
                waiting.append((f"{where}.{name}" if where else name, part, depth + 1))
        elif isinstance(value, list):
            waiting += [
                (f"{where}.{i}" if where else str(i), v, depth + 1) for i, v in enumerate(value)
            ]


def _can_be_kept(text: str, field: str) -> None:
    """Raises InputError for what PostgreSQL keeps in no text: NUL, and half a character."""
    if "\0" in text:
        raise InputError(field, Said("has a character that is none", what="NUL"))
    try:
        text.encode()
    except UnicodeEncodeError as error:
        code = f"U+{ord(text[error.start]):04X}"
        raise InputError(field, Said("has a character that is none", what=code)) from None
