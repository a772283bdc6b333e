"""A card as PDF: laid out by HTML and CSS, on one page where its words can still be read."""

from functools import cache

from django.conf import settings
from django.template.loader import render_to_string
from weasyprint import CSS, HTML
from weasyprint.text.fonts import FontConfiguration

from server.cards.card import Card
from server.cards.paper import Paper

__all__ = ["pdf_of"]

_FONT = "atkinson-hyperlegible-next-latin-wght-normal-*.woff2"


def pdf_of(card: Card, paper: Paper, lang: str) -> bytes:
    """The card's PDF, as large as one page allows; in the smallest layout it may go on overleaf."""
    # What people typed stands there as text; nothing but the type is ever fetched.
    html = HTML(string=render_to_string("card.html", {"card": card, "paper": paper, "lang": lang}))
    font, style = _type()
    for size, share in paper.layouts:
        layout = CSS(
            string=f"html {{ font-size: {size}pt }} .sight {{ width: {share}% }}"
            f".pair {{ width: {min(2 * share, 100)}% }}"
        )
        laid = html.render(stylesheets=[*style, layout], font_config=font)
        if len(laid.pages) == 1:
            break
    written: bytes = laid.write_pdf()
    return written


@cache
def _type() -> tuple[FontConfiguration, list[CSS]]:
    """The house's own type as it was built for the screens; where it was not, the system's."""
    font = FontConfiguration()
    found = next(settings.WEB_DIST.glob(f"assets/{_FONT}"), None)
    if found is None:
        return font, []
    face = f'@font-face {{ font-family: House; src: url("{found.as_uri()}") format("woff2"); }}'
    return font, [CSS(string=face, font_config=font)]
