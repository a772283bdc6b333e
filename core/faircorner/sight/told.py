"""By what an image is told from a mark of the vehicle: how far along a pane, or how high.

A new kind of cue that is told otherwise adds its way here, and its words.
"""

from dataclasses import dataclass

__all__ = ["ACROSS", "ALONG", "HIGH", "Told"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Told:
    """One way of telling.

    along : the axis of the vehicle's frame that it runs along, as documents name it
    flips : whether it changes sign in a mirror
    """

    along: str
    flips: bool = False

    @property
    def axis(self) -> int:
        return "xyz".index(self.along)


# Along a pane beside the driver, forward positive; across a screen or rear glass, left positive;
# above a mark.
ALONG = Told(along="x")
ACROSS = Told(along="y", flips=True)
HIGH = Told(along="z")
