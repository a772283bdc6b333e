"""What every printed page has in common: its type, and how a school writes day and hour."""

from datetime import datetime
from functools import cache
from typing import Any

from babel.dates import format_date, format_time
from django.conf import settings
from django.http import HttpResponse
from weasyprint import CSS
from weasyprint.text.fonts import FontConfiguration

from server.schools.models import School

__all__ = ["PDF", "as_pdf", "hour", "house_type", "moment"]

# What an operation that answers with a PDF says of itself.
PDF: dict[str, Any] = {
    "responses": {200: {"description": "OK", "content": {"application/pdf": {}}}}
}

_FONT = "atkinson-hyperlegible-next-latin-wght-normal-*.woff2"


@cache
def house_type() -> tuple[FontConfiguration, list[CSS]]:
    """The house's own type as it was built for the screens; where it was not, the system's."""
    font = FontConfiguration()
    found = next(settings.WEB_DIST.glob(f"assets/{_FONT}"), None)
    if found is None:
        return font, []
    face = f'@font-face {{ font-family: House; src: url("{found.as_uri()}") format("woff2"); }}'
    return font, [CSS(string=face, font_config=font)]


def as_pdf(pdf: bytes, name: str) -> HttpResponse:
    """The answer with a PDF, to be looked at and to be kept under that name."""
    answer = HttpResponse(pdf, content_type="application/pdf")
    answer["Content-Disposition"] = f'inline; filename="{name}"'
    return answer


def moment(at: datetime, school: School) -> str:
    """Day and hour as they are written there."""
    there = at.astimezone(school.zone)
    return f"{format_date(there, locale=_locale(school))}, {hour(at, school)}"


def hour(at: datetime, school: School) -> str:
    there = at.astimezone(school.zone)
    return str(format_time(there, "short", locale=_locale(school)))


def _locale(school: School) -> str:
    """The invented language writes them as English does."""
    return "en" if school.locale == "en-XA" else school.locale.replace("-", "_")
