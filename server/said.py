"""What the core says, told in the caller's units and words; to strangers in metric English."""

from typing import Any

from django.http import HttpRequest
from faircorner.said import Said
from pydantic import BaseModel, ValidationInfo, model_validator

__all__ = ["SaidOut", "told_to"]


def told_to(request: HttpRequest | None, said: Said) -> str:
    school = getattr(request, "school", None)
    return said.told() if school is None else said.told(school.units, school.locale)


class SaidOut(BaseModel):
    """A clause: code says which it is, to be decided by; text is for people, empty for nothing."""

    code: str
    text: str

    @model_validator(mode="before")
    @classmethod
    def told(cls, document: Any, info: ValidationInfo) -> dict[str, str]:
        """Of a clause's document, for whoever asked."""
        said = Said.of(document)
        request = (info.context or {}).get("request")
        return {"code": said.code, "text": told_to(request, said)}
