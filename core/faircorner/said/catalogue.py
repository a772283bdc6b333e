"""The words: a file for each language, from codes to clauses with {places} for their parts.

A clause called `name X` says how the core's own name X is said; other names are said as they are.
Codes are kept in sheets: a clause may be worded anew, but none is ever taken away.
"""

import json
from functools import cache
from pathlib import Path

__all__ = ["LANGUAGES", "clauses"]

_FOLDER = Path(__file__).parent
LANGUAGES = tuple(sorted(path.stem for path in _FOLDER.glob("*.json")))


@cache
def clauses(language: str) -> dict[str, str]:
    """Every clause of a language by its code."""
    found: dict[str, str] = json.loads((_FOLDER / f"{language}.json").read_text("utf-8"))
    return found
