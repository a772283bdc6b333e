"""File formats in and out: the one place where units carry their names."""

from faircorner.documents.reading import FORMATS, Document, json_schema, read_document
from faircorner.documents.requests import (
    drive_document,
    plan_document,
    read_options,
    remedy_document,
    verdict_document,
)

__all__ = [
    "FORMATS",
    "Document",
    "drive_document",
    "json_schema",
    "plan_document",
    "read_document",
    "read_options",
    "remedy_document",
    "verdict_document",
]
