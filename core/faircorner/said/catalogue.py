"""The words: a file for each language, from codes to clauses with {places} for their parts.

A clause called `name X` says how the core's own name X is said; other names are said as they are.
Codes are kept in sheets: a clause may be worded anew, but none is ever taken away.
"""

import json
from functools import cache
from pathlib import Path

__all__ = ["LANGUAGES", "clauses", "names"]

_FOLDER = Path(__file__).parent
LANGUAGES = tuple(sorted(path.stem for path in _FOLDER.glob("*.json")))
_NAME = "name "


@cache
def clauses(locale: str) -> dict[str, str]:
    """Every clause by its code: in the locale's own words, else its language's, else in English."""
    named = (locale, locale.partition("-")[0])
    language = next((one for one in named if one in LANGUAGES), "en")
    found: dict[str, str] = json.loads((_FOLDER / f"{language}.json").read_text("utf-8"))
    return found


def names(locale: str) -> dict[str, str]:
    """How the core's own names are said."""
    return {
        code.removeprefix(_NAME): said
        for code, said in clauses(locale).items()
        if code.startswith(_NAME)
    }
