"""Reading a document of any kind by its format line, and publishing the schemas."""

from typing import Any, Literal, TypeAlias, overload

from faircorner.documents.ground import GroundDocument
from faircorner.documents.method import MethodDocument
from faircorner.documents.standard import StandardDocument
from faircorner.documents.upgrades import upgraded
from faircorner.documents.vehicle import SeatDocument, VehicleDocument
from faircorner.documents.work import check_work
from faircorner.errors import InputError
from faircorner.said import Said

__all__ = ["FORMATS", "Document", "accepted", "in_full", "json_schema", "read_document"]

Document: TypeAlias = (
    VehicleDocument | SeatDocument | GroundDocument | MethodDocument | StandardDocument
)
FORMATS: dict[str, type[Document]] = {
    "vehicle": VehicleDocument,
    "seat": SeatDocument,
    "ground": GroundDocument,
    "method": MethodDocument,
    "standard": StandardDocument,
}


@overload
def read_document(kind: Literal["vehicle"], document: Any) -> VehicleDocument: ...
@overload
def read_document(kind: Literal["seat"], document: Any) -> SeatDocument: ...
@overload
def read_document(kind: Literal["ground"], document: Any) -> GroundDocument: ...
@overload
def read_document(kind: Literal["method"], document: Any) -> MethodDocument: ...
@overload
def read_document(kind: Literal["standard"], document: Any) -> StandardDocument: ...
@overload
def read_document(kind: str, document: Any) -> Document: ...


def read_document(kind: str, document: Any) -> Document:
    """A document of the kind named, checked by its schema and by building it.

    Raises InputError naming the field.
    """
    model = FORMATS[kind]
    if not isinstance(document, dict):
        raise InputError(kind, Said("must be an object", got=type(document).__name__))
    read = model.read(document)
    read.build()
    return read


def accepted(kind: str, document: Any) -> Document:
    """A document that is new here: as `read_document`, and what is asked of new ones alone."""
    read = read_document(kind, document)
    check_work(read)
    if isinstance(read, GroundDocument):
        read.check_drawn()
    return read


def in_full(document: dict[str, Any]) -> dict[str, Any]:
    """A document that was kept, in today's format, with every default written out."""
    today = upgraded(document)
    kind = today["format"].removeprefix("fair-corner/").partition("@")[0]
    return FORMATS[kind].read(today).model_dump(by_alias=True, mode="json")


def json_schema(kind: str) -> dict[str, Any]:
    """The JSON Schema (2020-12) of one kind of document."""
    schema = FORMATS[kind].model_json_schema(by_alias=True)
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", **schema}
