"""By what an image is told from a mark of the vehicle: how far along a pane, or how high.

A new kind of cue that is told otherwise adds its way here, and its words.
"""

from dataclasses import dataclass

from faircorner.said import Length, Said

__all__ = ["ACROSS", "ALONG", "HIGH", "TOLD", "Told"]

# Nearer than this to a mark is level with it, m.
_LEVEL = 0.02


@dataclass(frozen=True, slots=True, kw_only=True)
class Told:
    """One way of telling.

    along : the axis of the vehicle's frame that it runs along, as documents name it
    beyond, short : codes of what is said of an image on either side of a mark
    flips : whether it changes sign in a mirror
    """

    along: str
    beyond: str
    short: str
    flips: bool = False

    @property
    def axis(self) -> int:
        return "xyz".index(self.along)

    def place(self, feature: str, offset: float) -> Said:
        """Where an image stands that is `offset` m from a mark, the working side on the left.

        >>> str(HIGH.place("sill", -0.03)), str(ALONG.place("B-pillar", 0.01))
        ('3 cm below the sill', 'level with the B-pillar')
        """
        if abs(offset) < _LEVEL:
            return Said("image level with", feature=feature)
        code = self.beyond if offset > 0 else self.short
        return Said(code, off=Length(abs(offset)), feature=feature)


# Along a pane beside the driver, forward positive; across a screen or rear glass, positive toward
# the working side, which is the near one; above a mark.
ALONG = Told(along="x", beyond="image ahead of", short="image behind")
ACROSS = Told(along="y", beyond="image near side", short="image off side", flips=True)
HIGH = Told(along="z", beyond="image above", short="image below")
TOLD = {told.along: told for told in (ALONG, ACROSS, HIGH)}
