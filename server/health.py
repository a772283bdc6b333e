"""Whether all is well here, for whoever looks after it."""

from django.db import DatabaseError, connection
from django.http import HttpRequest
from ninja import Router, Schema, Status

__all__ = ["router"]

router = Router(tags=["health"])
# A worker says that it is there every few seconds.
_WORKERS = (
    "SELECT count(*) FROM procrastinate_workers WHERE last_heartbeat > now() - interval '30 s'"
)


class HealthOut(Schema):
    """database : whether it answers; workers : how many are there for long work"""

    database: bool
    workers: int


@router.get(
    "/health", auth=None, response={200: HealthOut, 503: HealthOut}, operation_id="health_read"
)
def health_read(request: HttpRequest) -> object:
    try:
        with connection.cursor() as cursor:
            cursor.execute(_WORKERS)
            (workers,) = cursor.fetchone()
    except DatabaseError:
        return Status(503, {"database": False, "workers": 0})
    return {"database": True, "workers": workers}
