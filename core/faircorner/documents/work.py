"""How much a document may have of a thing in all: so long does it take to work anything out of it.

Each of its lists has a limit of its own; all of them at once would be the work of minutes.
"""

from faircorner.documents.ground import GroundDocument
from faircorner.documents.vehicle import VehicleDocument
from faircorner.errors import InputError
from faircorner.said import Said

__all__ = ["check_work"]

# Corners of all that stands there, and points of all edges that are drawn.
_STANDING, _DRAWN = 600, 3000
# Corners of all panes, and of all mirrors' outlines.
_GLASS, _MIRRORS = 400, 400


def check_work(document: object) -> None:
    """Raises InputError naming the list that has too much in all.

    Asked of what is new: a document that was kept once stays one.
    """
    if isinstance(document, GroundDocument):
        _check("obstacles", [len(one.polygon_m) for one in document.obstacles], _STANDING)
        _check("edges", [len(one.points_m) for one in document.edges], _DRAWN)
    if isinstance(document, VehicleDocument):
        _check("glass", [len(one.polygon_m) for one in document.glass], _GLASS)
        _check("mirrors", [len(one.outline_m) for one in document.mirrors], _MIRRORS)


def _check(field: str, corners: list[int], most: int) -> None:
    if sum(corners) > most:
        raise InputError(field, Said("has too many corners in all", got=sum(corners), most=most))
