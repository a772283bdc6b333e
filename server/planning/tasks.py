"""Work of planning that takes dozens of fits, carried out by a worker."""

from typing import Any

from server.planning.services import compute_least_sizes, compute_remedy, revisions_of
from server.schools.models import School
from server.work.services import Told, long_work

__all__ = ["least_sizes", "remedy"]


@long_work("least sizes")
def least_sizes(school: School, asked: dict[str, Any], told: Told) -> Any:
    return compute_least_sizes(revisions_of(school, asked["revisions"]), asked["options"], told)


@long_work("remedy")
def remedy(school: School, asked: dict[str, Any], told: Told) -> Any:
    return compute_remedy(revisions_of(school, asked["revisions"]), asked["options"], told)
