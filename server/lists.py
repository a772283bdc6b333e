"""What lists have in common: they come by pages, and are searched by words."""

from typing import Annotated, Any

from django.db.models import QuerySet
from django.http import HttpRequest
from ninja.pagination import LimitOffsetPagination
from pydantic import Field

__all__ = ["Pages", "Search"]

# Every word of it is somewhere in what is found.
Search = Annotated[str, Field(max_length=100)]


class Pages(LimitOffsetPagination):
    """By how many to pass over, which no database counts beyond all bounds."""

    class Input(LimitOffsetPagination.Input):
        offset: Annotated[int, Field(ge=0, le=10_000_000)] = 0

    def paginate_queryset(
        self, queryset: QuerySet[Any], pagination: Any, request: HttpRequest, **params: Any
    ) -> dict[str, Any]:
        """A page that is not full is the last: nothing has to be counted then."""
        begin, most = pagination.offset, pagination.limit
        items = list(queryset[begin : begin + most])
        last = len(items) < most and (items or begin == 0)
        return {
            "items": items,
            "count": begin + len(items) if last else self._items_count(queryset),
        }
