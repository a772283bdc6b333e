"""A finish in a document's units."""

from faircorner.documents.figures import figure
from faircorner.standards import MEASURES, Finish

__all__ = ["finish_document"]


def finish_document(finish: Finish) -> dict[str, float | None]:
    """The first finish of a batch in a document's units."""
    return {
        measure.outward: figure(float(finish.measure(measure.name)[0]) / measure.one)
        for measure in MEASURES.values()
        if measure.taped is not None
    }
