"""`core sight`: in which panes and mirrors places on a site show."""

from typing import Any

from faircorner.documents.sights import SightRequest, sight_document

__all__ = ["answer"]


def answer(document: Any) -> dict[str, Any]:
    return sight_document(SightRequest.read(document))
