"""Documents that ship with the product: the methods, and standards to begin with."""

import json
from functools import cache
from importlib.resources import files

from faircorner.documents.method import MethodDocument
from faircorner.documents.standard import StandardDocument

__all__ = ["house_standard", "methods"]


@cache
def methods() -> dict[str, MethodDocument]:
    """Every method that ships, by its name."""
    found = {}
    for entry in sorted(files(__name__).iterdir(), key=lambda e: e.name):
        if entry.name.endswith(".method.json"):
            method = MethodDocument.read(json.loads(entry.read_text("utf-8")))
            found[method.name] = method
    return found


@cache
def house_standard(goal: str = "kerbside") -> StandardDocument:
    """Limits to begin with at a kind of goal; an example, not an authority's."""
    text = files(__name__).joinpath(f"{goal}.standard.json").read_text("utf-8")
    return StandardDocument.read(json.loads(text))
