"""How the core says that what it was given is wrong."""

__all__ = ["InputError"]


class InputError(ValueError):
    """A value that cannot be used: which field, and what to do about it.

    field : the document's own name for the value, e.g. ``circles[1].kerb_circle_m``
    problem : one clause that states the rule and, where it can be guessed, the fix
    """

    def __init__(self, field: str, problem: str) -> None:
        super().__init__(field, problem)
        self.field = field
        self.problem = problem

    def __str__(self) -> str:
        return f"{self.field}: {self.problem}" if self.field else self.problem

    def inside(self, path: str) -> "InputError":
        """The same complaint, told from one level further out."""
        return InputError(f"{path}.{self.field}" if self.field else path, self.problem)
