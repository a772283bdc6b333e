"""File formats in and out: the one place where units carry their names."""

from faircorner.documents.answers import plan_document, remedy_document, verdict_document
from faircorner.documents.driving import drive_document
from faircorner.documents.reading import FORMATS, Document, json_schema, read_document
from faircorner.documents.requests import read_options

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
