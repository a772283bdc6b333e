"""What all documents share: strict numbers, no unknown fields, messages that name the field."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Annotated, Any, NoReturn, Self

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from faircorner.errors import InputError

__all__ = ["Metres", "Model", "Name", "Point2", "Point3", "complain", "inside"]

Metres = Annotated[float, Field(ge=-200, le=200)]
Name = Annotated[str, Field(min_length=1, max_length=120)]
# JSON has arrays, not tuples: the pair itself is read leniently, its numbers strictly.
Point2 = Annotated[tuple[Metres, Metres], Field(strict=False)]
Point3 = Annotated[tuple[Metres, Metres, Metres], Field(strict=False)]


@contextmanager
def inside(path: str) -> Iterator[None]:
    """Prepend the path to whatever the core complains about."""
    try:
        yield
    except InputError as error:
        raise error.inside(path) from None


class Model(BaseModel):
    """Base of every document: text is no number, NaN is no number, unknown fields are refused."""

    model_config = ConfigDict(
        extra="forbid",
        strict=True,
        allow_inf_nan=False,
        frozen=True,
        populate_by_name=True,
        # What is told back tells everything.
        json_schema_serialization_defaults_required=True,
    )

    @classmethod
    def read(cls, document: Any) -> Self:
        """The document as a model; raises InputError naming the first field that is wrong."""
        try:
            return cls.model_validate(document)
        except ValidationError as error:
            complain(error)


def _path(location: tuple[int | str, ...]) -> str:
    path = ""
    for part in location:
        if isinstance(part, int):
            path += f"[{part}]"
        # Names of union members (documents, not fields) are pydantic's own business.
        elif not part.startswith(("function-", "tagged-")):
            path += f".{part}" if path else part
    return path


def complain(error: ValidationError) -> NoReturn:
    """Raise the first of pydantic's complaints in the house's words."""
    complaints = error.errors()
    first = complaints[0]
    field = _path(first["loc"])
    kind, given = first["type"], first.get("input")
    context = first.get("ctx", {})
    raised = context.get("error")
    if isinstance(raised, InputError):
        raise raised.inside(field) if field else raised
    if kind == "missing":
        bare = field.removesuffix("_m").removesuffix("_deg")
        slip = any(_path(c["loc"]) == bare != field for c in complaints)
        problem = (
            f"is missing; write it instead of {bare}, the unit is part of the name"
            if slip
            else "is missing"
        )
    elif kind == "extra_forbidden":
        problem = "is not a field here; take it out"
    elif kind == "finite_number":
        problem = "must be a finite number"
    elif kind in ("float_type", "int_type"):
        problem = f"must be a number, got {_shown(given)}"
    else:
        problem = f"{first['msg'][0].lower()}{first['msg'][1:]}, got {_shown(given)}"
    raise InputError(field or "document", problem) from None


def _shown(value: Any) -> str:
    text = repr(value)
    return text if len(text) <= 40 else text[:37] + "..."
