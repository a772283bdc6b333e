"""What lists have in common: they come by pages, and are searched by words."""

from typing import Annotated

from pydantic import Field

__all__ = ["Search"]

# Every word of it is somewhere in what is found.
Search = Annotated[str, Field(max_length=100)]
