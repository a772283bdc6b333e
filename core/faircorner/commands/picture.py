"""`core sight --picture`: what a driver sees from a place, as polygons."""

from typing import Any

from faircorner.documents.pictures import PictureRequest, seen_document

__all__ = ["answer"]


def answer(document: Any) -> dict[str, Any]:
    return seen_document(PictureRequest.read(document))
