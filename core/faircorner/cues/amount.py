"""How far the wheel is turned, in words: in turns, or by where the top of its rim then stands."""

from faircorner.said import Said

__all__ = ["on_the_clock", "turned"]

# What hands can tell apart: a twentieth of a turn; half an hour on a clock face is about as much.
_STEPS, _HALF_HOURS = 20, 24
# So much of the lock is all of it.
_FULL = 0.995


def turned(turns: float, lock: float) -> Said:
    """How far the wheel is turned from straight.

    turns : of the steering wheel, left positive; lock : turns from straight to its stop
    """
    side, amount = _side(turns), round(abs(turns) * _STEPS) / _STEPS
    if abs(turns) >= _FULL * lock:
        return Said(f"wheel fully {side}", turns=amount)
    if amount == 0:
        return Said("wheel straight")
    return Said(f"wheel one turn {side}") if amount == 1 else Said(f"wheel {side}", turns=amount)


def on_the_clock(turns: float, lock: float) -> Said:
    """The same by a clock face: where the mark at the top of the rim stands, to half an hour."""
    side, halves = _side(turns), round(abs(turns) * _HALF_HOURS)
    if abs(turns) >= _FULL * lock or halves == 0:
        return turned(turns, lock)
    rounds, over = divmod(halves, _HALF_HOURS)
    if over == 0:
        return turned(turns, lock)
    # To the left the top runs from twelve down to eleven, to the right up to one.
    at = over if side == "right" else -over % _HALF_HOURS
    clock = f"{at // 2 or 12}:{'30' if at % 2 else '00'}"
    if rounds == 0:
        return Said(f"wheel clock {side}", clock=clock)
    return Said(f"wheel clock {side} round", rounds=rounds, clock=clock)


def _side(turns: float) -> str:
    return "left" if turns > 0 else "right"
