"""What the core says, told in the caller's units and words; to strangers in metric English."""

from typing import Any

from django.http import HttpRequest
from faircorner.said import Said
from ninja import Schema

__all__ = ["SaidOut", "told_to"]


def told_to(request: HttpRequest | None, said: Said) -> str:
    school = getattr(request, "school", None)
    return said.told() if school is None else said.told(school.units, school.locale)


class SaidOut(Schema):
    """A clause: code says which it is, to be decided by; text is for people, empty for nothing."""

    code: str
    text: str

    @staticmethod
    def resolve_text(obj: Any, context: dict[str, Any]) -> str:
        return told_to(context.get("request"), Said.of(obj))
