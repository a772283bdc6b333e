"""What a request may bring."""

from ninja import Schema
from pydantic import ConfigDict

__all__ = ["RequestBody"]


class RequestBody(Schema):
    """The body of a request: a field that nobody knows is refused, not passed over."""

    model_config = ConfigDict(extra="forbid")
