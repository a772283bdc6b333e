"""Work of planning that takes dozens of fits, carried out by a worker."""

from typing import Any

from faircorner.cues import Heard

from server.long_work.services import long_work
from server.planning.services import compute_least_sizes, compute_remedy, revisions_of
from server.schools.models import School

__all__ = ["least_sizes", "remedy"]


@long_work("least sizes")
def least_sizes(school: School, asked: dict[str, Any], heard: Heard) -> Any:
    return compute_least_sizes(revisions_of(school, asked["revisions"]), asked["options"], heard)


@long_work("remedy")
def remedy(school: School, asked: dict[str, Any], heard: Heard) -> Any:
    return compute_remedy(revisions_of(school, asked["revisions"]), asked["options"], heard)
