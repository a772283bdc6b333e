"""A finish in a document's units."""

from collections.abc import Mapping

import numpy as np

from faircorner.documents.figures import figure
from faircorner.plane import Floats
from faircorner.standards import MEASURES, Finish, Measure

__all__ = ["finish_document", "read_finish"]


def finish_document(finish: Finish) -> dict[str, float | None]:
    """The first finish of a batch in a document's units."""
    return {
        measure.outward: figure(float(finish.measure(measure.name)[0]) / measure.one)
        for measure in MEASURES.values()
        if measure.taped is not None
    }


def read_finish(document: Mapping[str, float | None]) -> Finish:
    """The batch of one that a document tells; NaN for what it does not know."""

    def known(measure: Measure) -> Floats:
        value = document.get(measure.outward)
        return np.array([np.nan if value is None else value * measure.one])

    taped = [measure for measure in MEASURES.values() if measure.taped is not None]
    return Finish(taped={measure.name: known(measure) for measure in taped})
