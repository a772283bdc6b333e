"""Why a plan cannot be driven: a clause whose lengths are still to be told in somebody's units."""

from dataclasses import dataclass

__all__ = ["Reason"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Reason:
    """A clause with {0}, {1} … where lengths (m) go; empty, and false, when nothing is wrong.

    step : index of the step that is to blame, where it is one

    >>> str(Reason(text="only {0} stay free", lengths=(0.034,)))
    'only 3 cm stay free'
    """

    text: str = ""
    lengths: tuple[float, ...] = ()
    step: int | None = None

    def __bool__(self) -> bool:
        return bool(self.text)

    def __str__(self) -> str:
        return self.text.format(*(f"{metres * 100:.0f} cm" for metres in self.lengths))
