"""What all documents share: strict numbers, no unknown fields, messages that name the field."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Annotated, Any, NoReturn, Self

from pydantic import BaseModel, ConfigDict, Field, ValidationError
from pydantic_core import ErrorDetails

from faircorner.errors import InputError
from faircorner.said import Exact, Said

__all__ = ["Metres", "Model", "Name", "Point2", "Point3", "complain", "inside", "said_of"]

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
        # A command that reads one document should not wait for all others.
        defer_build=True,
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
    raised = first.get("ctx", {}).get("error")
    if isinstance(raised, InputError):
        raise raised.inside(field) if field else raised
    bare = field.removesuffix("_m").removesuffix("_deg")
    if first["type"] == "missing" and any(_path(c["loc"]) == bare != field for c in complaints):
        raise InputError(field, Said("is missing for", bare=bare)) from None
    raise InputError(field or "document", said_of(first)) from None


# pydantic's kinds of complaint that have a limit: the clause, and its name for the limit.
_LIMITS = {
    "greater_than": ("must be more than", "gt"),
    "greater_than_equal": ("must be at least", "ge"),
    "less_than": ("must be less than", "lt"),
    "less_than_equal": ("must be at most", "le"),
}
_PLAIN = {
    "missing": "is missing",
    "extra_forbidden": "is not a field here",
    "finite_number": "must be a finite number",
}
_GOT = dict.fromkeys(("float_type", "int_type", "float_parsing", "int_parsing"), "must be a figure")
_GOT |= {"string_type": "must be text", "bool_type": "must be true or false"}


def said_of(complaint: ErrorDetails) -> Said:
    """One of pydantic's complaints: the limits of lengths in anybody's units, the rest in words."""
    kind, given = complaint["type"], complaint.get("input")
    context = complaint.get("ctx", {})
    got = _shown(given)
    if kind in _LIMITS:
        code, limit = _LIMITS[kind]
        if str(complaint["loc"][-1]).endswith("_m") and isinstance(given, int | float):
            return Said(code, limit=Exact(context[limit]), got=Exact(float(given)))
        return Said(code, limit=context[limit], got=got)
    if kind in _PLAIN:
        return Said(_PLAIN[kind])
    if kind in _GOT:
        return Said(_GOT[kind], got=got)
    if kind == "literal_error":
        return Said("must be one of these", known=context["expected"], got=got)
    if kind == "string_too_short":
        return Said("must not be empty")
    if kind == "string_too_long":
        return Said("is too long", most=context["max_length"])
    # What else there is to complain about only a file can have that no screen writes.
    words = complaint["msg"]
    return Said("as written", words=f"{words[0].lower()}{words[1:]}, got {got}")


def _shown(value: Any) -> str:
    text = repr(value)
    return text if len(text) <= 40 else text[:37] + "..."
