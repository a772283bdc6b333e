"""What is towed, as such things are usually built. Invented, of no make."""

from typing import Any, Literal, TypeAlias

from faircorner.documents.usual.bodies import Measures
from faircorner.model import Metres, Model

__all__ = ["TowedRequest", "towed"]

Towed: TypeAlias = Literal["semi-trailer", "caravan"]
# Hitch ahead of the rear axle and, of a caravan, behind the tail; then kingpin to axle, length,
# width, body ahead of the hitch, all m; and the angle at which both meet, degrees.
_SEMI, _CARAVAN = (0.60, 7.70, 13.60, 2.55, 1.60, 90.0), (0.12, 4.30, 5.60, 2.25, -1.25, 70.0)


class TowedRequest(Model):
    """What has been measured of it so far."""

    kind: Towed
    kingpin_to_axle_m: Metres | None = None
    length_m: Metres | None = None
    width_m: Metres | None = None


def towed(asked: TowedRequest, of: Measures) -> dict[str, Any]:
    """The `trailer` of a document: what was measured, the rest in proportion or as is usual."""
    semi = asked.kind == "semi-trailer"
    hitch, axle, length, width, front, jams = _SEMI if semi else _CARAVAN
    long = asked.length_m or length
    grown = long / length
    back = asked.kingpin_to_axle_m
    return {
        "hitch_ahead_of_axle_m": hitch if semi else round(of.tail - hitch, 2),
        "kingpin_to_axle_m": round(axle * grown, 2) if back is None else back,
        "length_m": long,
        "width_m": asked.width_m or width,
        "front_of_kingpin_m": round(front * grown, 2) if semi else front,
        "max_articulation_deg": jams,
    }
