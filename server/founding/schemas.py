from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from server.request_body import RequestBody


class BeginningOut(Schema):
    """Whether a school can begin here, and what there is to choose from."""

    open: bool
    locales: list[str]
    time_zones: list[str]


class BeginIn(RequestBody):
    """The first school and its first lead; key is what the one-time address carries."""

    key: Annotated[str, Field(max_length=200)]
    name: Annotated[str, Field(max_length=120)]
    place: Annotated[str, Field(max_length=120)] = ""
    keeps: Literal["left", "right"]
    units: Literal["metric", "imperial"]
    locale: Annotated[str, Field(max_length=12)]
    time_zone: Annotated[str, Field(max_length=40)]
    lead: Annotated[str, Field(max_length=120)]
    username: Annotated[str, Field(max_length=150)]
    password: Annotated[str, Field(max_length=200)]
