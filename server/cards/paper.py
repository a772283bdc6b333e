"""What a card is printed on, and how large its words are there."""

from dataclasses import dataclass
from typing import Literal, TypeAlias

__all__ = ["Paper", "PaperName", "paper_of"]

PaperName: TypeAlias = Literal["a5", "half-letter"]

# Width and height, mm; in large type a card takes a whole sheet.
_SIZES: dict[tuple[PaperName, bool], tuple[float, float]] = {
    ("a5", False): (148.0, 210.0),
    ("a5", True): (210.0, 297.0),
    ("half-letter", False): (139.7, 215.9),
    ("half-letter", True): (215.9, 279.4),
}
_MARGIN = 8.0
# The layouts to be tried until the card is on one page: the size of its type, pt, and the share of
# a column that a picture takes; the last one may go on overleaf.
_LAYOUTS: dict[bool, tuple[tuple[float, int], ...]] = {
    False: ((8.5, 100), (8.0, 56), (7.2, 48), (6.6, 40), (6.2, 34)),
    True: ((12.5, 100), (12.0, 52), (11.0, 40)),
}
_PLAN = {False: 52.0, True: 78.0}


@dataclass(frozen=True, slots=True)
class Paper:
    """A page, mm; layouts : type in pt and pictures in % of a column; plan_height : at most, mm"""

    width: float
    height: float
    margin: float
    layouts: tuple[tuple[float, int], ...]
    plan_height: float

    @property
    def inner(self) -> float:
        return self.width - 2 * self.margin


def paper_of(name: PaperName, *, large: bool) -> Paper:
    width, height = _SIZES[name, large]
    return Paper(width, height, _MARGIN, _LAYOUTS[large], _PLAN[large])
