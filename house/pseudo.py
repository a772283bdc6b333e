"""The pseudo-language: what a language 40 % longer than English does to the screens.

Its files are made from the English ones, so that every sentence that comes from no catalogue, and
every place that is too narrow for another language, shows at once.
"""

import json
import re
from pathlib import Path
from typing import Any

from house.shell import ROOT

__all__ = ["made", "stretched", "write"]

# A locale of Unicode's own for this purpose.
_NAME = "en-XA.json"
_CATALOGUES = (ROOT / "core/faircorner/said/en.json", ROOT / "web/src/words/en.json")
_KEPT = re.compile(r"(\{\w+\}|</?\w+>)")
_PLAIN, _MARKED = "aeiouynrslAEIOUY", "áéíóúýńŕśĺáéíóúý"
_LONGER = str.maketrans(
    {plain: plain + marked for plain, marked in zip(_PLAIN, _MARKED, strict=True)}
)


def stretched(clause: str) -> str:
    """Every vowel and four consonants doubled with an accent; places and marks are kept.

    >>> stretched("Out by {by}, <b>now</b>")
    'Oóuút byý {by}, <b>nńoów</b>'
    """
    parts = _KEPT.split(clause)
    return "".join(part if i % 2 else part.translate(_LONGER) for i, part in enumerate(parts))


def _of(catalogue: Any) -> Any:
    if isinstance(catalogue, str):
        return stretched(catalogue)
    return {code: _of(inside) for code, inside in catalogue.items()}


def made() -> dict[Path, str]:
    """The text of each file, by the English one that it is made from."""
    return {
        english: json.dumps(
            _of(json.loads(english.read_text("utf-8"))), indent=2, ensure_ascii=False
        )
        + "\n"
        for english in _CATALOGUES
    }


def write() -> None:
    """Write the files anew where they are not there or not current."""
    for english, text in made().items():
        file = english.with_name(_NAME)
        if not file.exists() or file.read_text("utf-8") != text:
            file.write_text(text, "utf-8")
