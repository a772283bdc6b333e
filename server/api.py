"""The API as a whole: its routers, its caller, its errors."""

from typing import Any

import orjson
from django.http import HttpRequest
from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema
from ninja.renderers import BaseRenderer

from server.aids.api import router as aids
from server.calendars.api import router as calendars
from server.cards.api import router as cards
from server.docket.api import router as docket
from server.documents.api import router as documents
from server.errors import Problem, register
from server.founding.api import router as founding
from server.health import router as health
from server.lessons.api import router as lessons
from server.long_work.api import router as work
from server.mock_tests.api import router as mock_tests
from server.planning.api import router as planning
from server.progress.api import router as progress
from server.schools.access import SignedIn
from server.schools.api import router as schools
from server.takeout.api import router as takeout

__all__ = ["api"]

# Of the same shape wherever something goes wrong, which no route says by itself.
_WRONG = {
    400: "not understood", 401: "nobody is signed in", 403: "not for this role",
    404: "not there, or another school's", 405: "not done at this address",
    409: "somebody else was quicker", 413: "too large", 414: "too long an address",
    422: "a field that cannot be used",
    429: "too often", 500: "a fault of ours", 503: "too much is asked at once",
}  # fmt: skip


class _Written(BaseRenderer):
    """Answers as JSON; a plan or fifty attempts are long, and orjson is ten times as quick."""

    media_type = "application/json"

    def render(self, request: HttpRequest, data: Any, *, response_status: int) -> bytes:
        return orjson.dumps(data, option=orjson.OPT_UTC_Z)


class _API(NinjaAPI):
    """Tells in its schema what every operation may answer with when it fails."""

    def get_openapi_schema(self, **kwargs: Any) -> OpenAPISchema:
        schema = super().get_openapi_schema(**kwargs)
        name = Problem.__name__
        schema["components"]["schemas"].setdefault(name, Problem.model_json_schema())
        told = {"application/json": {"schema": {"$ref": f"#/components/schemas/{name}"}}}
        schema["components"]["responses"] = {
            f"Problem{status}": {"description": what, "content": told}
            for status, what in _WRONG.items()
        }
        for operations in schema["paths"].values():
            for operation in operations.values():
                for status in _WRONG:
                    named = {"$ref": f"#/components/responses/Problem{status}"}
                    operation["responses"].setdefault(status, named)
        return schema


api = _API(title="Fair Corner", version="1", auth=SignedIn(), docs_url=None, renderer=_Written())
register(api)
ROUTERS = (
    schools, founding, documents, docket, planning, cards, aids, lessons, calendars, mock_tests,
    progress, work, takeout, health,
)  # fmt: skip
for router in ROUTERS:
    api.add_router("", router)
