from typing import Annotated

from pydantic import Field

from server.request_body import RequestBody


class EraseIn(RequestBody):
    """name : the learner's, typed anew, so that nobody is erased by a slip"""

    name: Annotated[str, Field(max_length=120)]


class BeginFromFileIn(RequestBody):
    """Beside the file: what the one-time address carries, and how its lead signs in from now on."""

    key: Annotated[str, Field(max_length=200)]
    username: Annotated[str, Field(max_length=150)]
    password: Annotated[str, Field(max_length=200)]
