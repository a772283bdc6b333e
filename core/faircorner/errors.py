"""How the core says that what it was given is wrong."""

from faircorner.said import Exact, Said, Units

__all__ = ["InputError", "between"]


class InputError(ValueError):
    """A value that cannot be used: which field, and what to do about it.

    field : the document's own name for the value, e.g. ``circles[1].kerb_circle_m``
    problem : one clause that states the rule and, where it can be guessed, the fix; text where it
    comes from elsewhere, such as a parser
    """

    def __init__(self, field: str, problem: str | Said) -> None:
        super().__init__(field, problem)
        self.field = field
        self.said = problem if isinstance(problem, Said) else Said("as written", words=problem)

    @property
    def problem(self) -> str:
        """As the shell tells it, in metres."""
        return self.told()

    def told(self, units: Units = "metric", locale: str = "en") -> str:
        return self.said.told(units, locale)

    def __str__(self) -> str:
        return f"{self.field}: {self.problem}" if self.field else self.problem

    def inside(self, path: str) -> "InputError":
        """The same complaint, told from one level further out."""
        return InputError(f"{path}.{self.field}" if self.field else path, self.said)


def between(field: str, metres: float, low: float, high: float, *, clause: str = "between") -> None:
    """Raises InputError naming the field unless a length lies between two limits, m.

    clause : the catalogue's, where more is to be said than the limits
    """
    if not low <= metres <= high:
        raise InputError(
            field, Said(clause, low=Exact(low), high=Exact(high), got=Exact(float(metres)))
        )
