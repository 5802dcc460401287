"""Whatever the schema allows, and what it does not: every operation answers within its own schema, and
nothing breaks the house."""

from __future__ import annotations

import pytest
import schemathesis
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, settings
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    negative_data_rejection,
    response_schema_conformance,
)

from api.conftest import Place, signed_in, start_and_mark
from api.test_every_route import OPERATIONS, SCHEMA

CHECKS = [not_a_server_error, content_type_conformance, response_schema_conformance, negative_data_rejection]
WITH_FILES = [path for _, path, one in OPERATIONS if "multipart/form-data" in str(one.get("requestBody"))]
schema = schemathesis.openapi.from_dict(SCHEMA).exclude(
    path=WITH_FILES, method="POST"
)  # files have tests of their own


@pytest.fixture
def owner(app_client: TestClient, kestrel: Place) -> TestClient:
    client = signed_in(app_client, kestrel)
    start_and_mark(client, kestrel)
    return client


@schema.parametrize()
@settings(max_examples=8, deadline=None, derandomize=True, suppress_health_check=list(HealthCheck))
def test_every_operation_answers_within_its_schema(
    case: schemathesis.Case, owner: TestClient, kestrel: Place
) -> None:
    # Ids of what is there, so that more than “not found” is tried.
    case.path_parameters.update(
        {name: kestrel.ids[name] for name in case.path_parameters if name in kestrel.ids}
    )
    known = {
        one["name"] for one in case.operation.definition.raw.get("parameters", ()) if one["in"] == "query"
    }
    more = set(case.query or {}) - known  # what nobody asks for is passed over, not refused
    asked = case.as_transport_kwargs(base_url="http://testserver")
    asked.pop("cookies", None)
    if "data" in asked:
        asked["content"] = asked.pop("data")
    asked["headers"] = {**asked.get("headers", {}), **owner.headers}
    checks = [check for check in CHECKS if not (more and check is negative_data_rejection)]
    case.validate_response(owner.request(**asked), checks=checks)
