"""`core judge`: an attempt's figures held against a standard."""

from typing import Any

from faircorner.documents.judging import JudgeRequest, judged_document

__all__ = ["answer"]


def answer(document: Any) -> dict[str, Any]:
    return judged_document(JudgeRequest.read(document))
