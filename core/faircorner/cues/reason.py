"""Why a plan cannot be driven."""

from dataclasses import dataclass, field

from faircorner.said import Said

__all__ = ["Reason"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Reason:
    """What is wrong, false when nothing is; step : index of the one to blame, where it is one."""

    said: Said = field(default_factory=Said)
    step: int | None = None

    def __bool__(self) -> bool:
        return bool(self.said)

    def __str__(self) -> str:
        return str(self.said)
