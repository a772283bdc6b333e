"""What a request may bring."""

from datetime import UTC, datetime
from typing import Annotated

from pydantic import AfterValidator, AwareDatetime, BaseModel, ConfigDict
from pydantic_core import PydanticCustomError

__all__ = ["OURS", "RequestBody", "When", "WhenHere"]

# The kind of complaint whose words are a clause of the catalogue's.
OURS = "ours"


class RequestBody(BaseModel):
    """The body of a request: a field that nobody knows is refused, not passed over.

    It is given back as it came, from what was kept of it.
    """

    model_config = ConfigDict(extra="forbid", from_attributes=True)


def _of_ours(when: datetime) -> datetime:
    """Any offset keeps it within what every calendar and every database tells again."""
    if not _FIRST <= when.replace(tzinfo=None) <= _LAST:
        raise PydanticCustomError(OURS, "{code}", {"code": "not a time of ours"})
    # No database has offsets as large as a document may tell.
    return when if when.tzinfo is None else when.astimezone(UTC)


_FIRST, _LAST = datetime(1900, 1, 1), datetime(2200, 1, 1)
# With an offset; and without one, too, where it is then the school's own time.
When = Annotated[AwareDatetime, AfterValidator(_of_ours)]
WhenHere = Annotated[datetime, AfterValidator(_of_ours)]
