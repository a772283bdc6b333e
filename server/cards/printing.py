"""A card as PDF: laid out by HTML and CSS, on one page where its words can still be read."""

from django.template.loader import render_to_string
from weasyprint import CSS, HTML

from server.cards.card import Card
from server.cards.paper import Paper
from server.printing import house_type

__all__ = ["pdf_of"]


def pdf_of(card: Card, paper: Paper, lang: str) -> bytes:
    """The card's PDF, as large as one page allows; in the smallest layout it may go on overleaf."""
    # What people typed stands there as text; nothing but the type is ever fetched.
    html = HTML(string=render_to_string("card.html", {"card": card, "paper": paper, "lang": lang}))
    font, style = house_type()
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
