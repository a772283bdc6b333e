"""Every operation of the API tried by its own schema, as somebody of one role.

No answer may be a fault of ours, of a status or a shape that the schema does not tell.
"""

from collections.abc import Iterator
from contextlib import suppress
from typing import Any

from hypothesis import HealthCheck, Phase, given, settings
from hypothesis.errors import Unsatisfiable
from schemathesis import Case, GenerationMode
from schemathesis.checks import not_a_server_error
from schemathesis.core.failures import Failure, FailureGroup
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)

__all__ = ["faults"]

_CHECKS = [not_a_server_error, status_code_conformance, content_type_conformance,
           response_schema_conformance]  # fmt: skip
# They would end the session that is tried by.
_LEFT = ("DELETE /api/session", "PUT /api/session/password")


def faults(schema: Any, headers: dict[str, str], examples: int) -> Iterator[str]:
    """What is wrong with the answers to so many requests an operation, and how to ask for it."""
    for one in schema.get_all_operations():
        operation = one.ok()
        if operation.label in _LEFT:
            continue
        for mode in (GenerationMode.POSITIVE, GenerationMode.NEGATIVE):
            yield from _faults_of(operation, mode, headers, examples)


def _faults_of(
    operation: Any, mode: GenerationMode, headers: dict[str, str], examples: int
) -> list[str]:
    found: dict[str, str] = {}

    @settings(
        max_examples=examples, deadline=None, database=None, phases=[Phase.generate],
        suppress_health_check=list(HealthCheck), derandomize=True,
    )  # fmt: skip
    @given(case=operation.as_strategy(generation_mode=mode))
    def tried(case: Case[Any]) -> None:
        try:
            case.call_and_validate(headers=headers, checks=_CHECKS)
        except (Failure, FailureGroup) as failed:
            for one in getattr(failed, "exceptions", [failed]):
                found.setdefault(type(one).__name__, f"{operation.label}: {one}"[:900])

    # Where nothing wrong can be sent, there is nothing to try.
    with suppress(Unsatisfiable):
        tried()
    return list(found.values())
