"""By what an image is told from a mark of the vehicle: how far along a pane, or how high.

A new kind of cue that is told otherwise adds its way here, and its words.
"""

from dataclasses import dataclass

from faircorner.said import Length, Said

__all__ = ["ACROSS", "ALONG", "HIGH", "OUT", "TOLD", "UP", "Told"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Told:
    """One way of telling.

    along : the axis of the vehicle's frame that it runs along, as documents name it; or of a
        mirror's glass: out, away from the own flank, or up
    beyond, short : codes of what is said of an image on either side of a mark
    flips : whether it changes sign in a mirror
    near, level : m within which a mark is near enough to tell by, and within which it is met
    """

    along: str
    beyond: str
    short: str
    flips: bool = False
    near: float = 0.30
    level: float = 0.02

    @property
    def of_glass(self) -> bool:
        """Whether it is told on a mirror's glass."""
        return self.along in ("out", "up")

    @property
    def axis(self) -> int:
        return "xyz".index(self.along)

    def place(self, feature: str, offset: float) -> Said:
        """Where an image stands that is `offset` m from a mark, the working side on the left.

        >>> str(HIGH.place("sill", -0.03)), str(ALONG.place("B-pillar", 0.01))
        ('3 cm below the sill', 'level with the B-pillar')
        """
        if abs(offset) < self.level:
            return Said("image level with", feature=feature)
        code = self.beyond if offset > 0 else self.short
        return Said(code, off=Length(abs(offset)), feature=feature)


# Along a pane beside the driver, forward positive; across a screen or rear glass, positive toward
# the working side, which is the near one; above a mark.
ALONG = Told(along="x", beyond="image ahead of", short="image behind")
ACROSS = Told(along="y", beyond="image near side", short="image off side", flips=True)
HIGH = Told(along="z", beyond="image above", short="image below")
# On a mirror's glass, which is as large as a hand.
OUT = Told(along="out", beyond="image outside", short="image inside", near=0.02, level=0.005)
UP = Told(along="up", beyond="image above", short="image below", near=0.02, level=0.005)
TOLD = {told.along: told for told in (ALONG, ACROSS, HIGH, OUT, UP)}
