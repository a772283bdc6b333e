"""How far what can be set for one sheet is usually tried: what a slider runs between."""

from faircorner.cues.fitted import Unknown
from faircorner.cues.method import Method

__all__ = ["RATES_TRIED", "gaps_tried"]

# Turns of the wheel a metre, from slow hands at a roll to quick ones at a crawl.
RATES_TRIED = (0.8, 4.0)
# Gaps beside a vehicle that is parked, m.
_BESIDE = (0.5, 1.6)


def gaps_tried(method: Method, now: float) -> tuple[float, float]:
    """Gaps at the start, m: as far as the method lets one be fitted, else round where it stands."""
    gap = method.start.gap
    if isinstance(gap, Unknown):
        return gap.low, gap.high
    low, high = _BESIDE
    return _BESIDE if low <= now <= high else (0.2, now + 1.0)
