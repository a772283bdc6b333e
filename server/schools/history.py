"""Who changed a row, as the history beside it has it."""

from typing import Any

__all__ = ["changed_by"]


def changed_by(was: Any) -> str:
    """The name of whoever brought a row to this state; empty where a command did."""
    member = getattr(was.history_user, "member", None)
    return "" if member is None else str(member.name)
