"""Documents inside answers: told as they are kept, and described by the core's own models."""

from typing import Annotated, Any, TypeAlias

from faircorner.cues.events import EventModel
from faircorner.cues.fitted import FitAngle, FitMetres, FitShare
from faircorner.documents.ground import GroundDocument
from faircorner.documents.method import MethodDocument
from faircorner.documents.reading import Document
from faircorner.documents.standard import StandardDocument
from faircorner.documents.vehicle import MirrorModel, SeatDocument, VehicleDocument
from pydantic import Field, GetJsonSchemaHandler, TypeAdapter
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema

__all__ = [
    "AnyBody",
    "EventBody",
    "FitAngleBody",
    "FitMetresBody",
    "FitShareBody",
    "GroundBody",
    "MethodBody",
    "MirrorBody",
    "SeatBody",
    "StandardBody",
    "UnnamedVehicle",
    "UnnamedVehicleBody",
    "VehicleBody",
]


class _DescribedBy:
    """A dict that the API's description tells as a model: it was checked when it was kept."""

    def __init__(self, model: Any) -> None:
        self._core = TypeAdapter[Any](model).core_schema

    def __get_pydantic_json_schema__(
        self, _dict: CoreSchema, handler: GetJsonSchemaHandler
    ) -> JsonSchemaValue:
        return handler(self._core)


class UnnamedVehicle(VehicleDocument):
    """A vehicle that somebody begins from, who names it before it is kept."""

    name: Annotated[str, Field(max_length=120)]


UnnamedVehicleBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(UnnamedVehicle)]
VehicleBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(VehicleDocument)]
MirrorBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(MirrorModel)]
SeatBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(SeatDocument)]
GroundBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(GroundDocument)]
MethodBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(MethodDocument)]
StandardBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(StandardDocument)]
EventBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(EventModel)]
FitMetresBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(FitMetres)]
FitAngleBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(FitAngle)]
FitShareBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(FitShare)]
AnyBody: TypeAlias = Annotated[dict[str, Any], _DescribedBy(Document)]
