"""How near a driven way passed each thing, and where: what answers that drive have in common."""

from typing import TypeAlias

from faircorner.cues.driven import Driven

__all__ = ["Clearances", "clearances_of"]

# Of each thing its name, the least gap (m), and the metres rolled when it is least.
Clearances: TypeAlias = tuple[tuple[str, float, float], ...]


def clearances_of(driven: Driven) -> Clearances:
    """Of the first attempt of a batch."""
    s = driven.track.s[0]
    return tuple(
        (name, float(gap.metres[0]), float(s[gap.sample[0]])) for name, gap in driven.gaps.items()
    )
