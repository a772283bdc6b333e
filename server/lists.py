"""What lists have in common: they come by pages, and are searched by words."""

from typing import Annotated

from ninja.pagination import LimitOffsetPagination
from pydantic import Field

__all__ = ["Pages", "Search"]

# Every word of it is somewhere in what is found.
Search = Annotated[str, Field(max_length=100)]


class Pages(LimitOffsetPagination):
    """By how many to pass over, which no database counts beyond all bounds."""

    class Input(LimitOffsetPagination.Input):
        offset: Annotated[int, Field(ge=0, le=10_000_000)] = 0
