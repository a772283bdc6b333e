from typing import Literal

from ninja import Schema

__all__ = ["WorkOut"]


class WorkOut(Schema):
    """Long work as far as it is; asked for again with the same request, it tells how far by then.

    share : how much of it is behind, 0 to 1
    """

    id: int
    state: Literal["waiting", "under way", "done"]
    share: float
