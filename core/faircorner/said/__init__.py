"""What is to be said, apart from how: a code and what goes into it; one catalogue has the words.

The sums answer with `Said`; it is told in a school's units and language, for the screen, for print
and for the shell alike. A new sentence is a line in `en.json`; a new language is a file beside it.
"""

from faircorner.said.catalogue import LANGUAGES, clauses, names
from faircorner.said.fields import field_name, path_name
from faircorner.said.parts import Angle, Exact, Length, Part, Rough
from faircorner.said.quantities import Units, exact, length
from faircorner.said.said import Said

__all__ = [
    "LANGUAGES",
    "Angle",
    "Exact",
    "Length",
    "Part",
    "Rough",
    "Said",
    "Units",
    "clauses",
    "exact",
    "field_name",
    "length",
    "names",
    "path_name",
]
