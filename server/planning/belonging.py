"""Which sheets of a learner belong together: of the same vehicle, seat, ground and method.

Whichever revisions, standard and settings they were made from. A learner's sheets are few, and
asked for without their plans; joined with all that they were made from they take far longer.
"""

from collections.abc import Iterable, Mapping

from server.documents.models import Kind, Revision
from server.planning.models import CueSheet

__all__ = ["belong", "driven_by"]

_IN_COMMON = ("vehicle", "seat", "ground", "method")


def driven_by(sheets: Iterable[CueSheet]) -> dict[int, dict[str, int]]:
    """The documents that each sheet was made from, by kind."""
    made = {one.pk: {kind: getattr(one, f"{kind}_id") for kind in Kind.values} for one in sheets}
    named = {revision for revisions in made.values() for revision in revisions.values()}
    known = Revision.objects.filter(pk__in=named).order_by()
    of = dict(known.values_list("pk", "document_id"))
    return {
        pk: {kind: of[revision] for kind, revision in revisions.items()}
        for pk, revisions in made.items()
    }


def belong(driven: dict[str, int], other: Mapping[str, int]) -> bool:
    """Whether sheets made from such documents belong together."""
    return all(driven[kind] == other[kind] for kind in _IN_COMMON)
