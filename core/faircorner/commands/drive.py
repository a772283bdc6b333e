"""`core drive`: a vehicle through legs."""

from typing import Any

from faircorner.documents.driving import DriveRequest, drive_document

__all__ = ["answer"]


def answer(document: Any) -> dict[str, Any]:
    return drive_document(DriveRequest.read(document))
