"""What whoever runs it relies on: ids, health, logs that name nobody, days of the school's own zone, nothing
kept for ever."""

from __future__ import annotations

import json
from datetime import date, timedelta

import pytest
import structlog
from fastapi.testclient import TestClient
from sqlalchemy import text

from api.conftest import OURS, Place, signed_in
from conftest import SETTINGS
from kopje import logs
from kopje.engraving.printing import Printer
from kopje.engraving.render import Engraver
from kopje.main import create_app
from kopje.store.work import UnitOfWork
from kopje.workers import Worker


def test_every_request_has_an_id_and_a_proxy_s_is_taken_over(app_client: TestClient) -> None:
    assert app_client.get("/healthz").json() == {"ok": True}
    ready = app_client.get("/readyz", headers={"x-request-id": "proxy-0042"})
    assert (ready.status_code, ready.headers["x-request-id"]) == (200, "proxy-0042")
    strange = app_client.get("/api/me", headers={"x-request-id": "<script>" * 3})
    assert strange.status_code == 401
    assert strange.headers["x-request-id"].isalnum()


def test_a_log_line_is_json_and_names_nobody(capsys: pytest.CaptureFixture[str]) -> None:
    logs.to_stderr("info")
    try:
        structlog.contextvars.bind_contextvars(request_id="0042")
        try:
            raise ValueError("the row of Ama, password tulip")
        except ValueError as error:
            structlog.get_logger().error("unexpected", path="/api/day", exc_info=error)
        logging_of_a_library()
    finally:
        structlog.contextvars.clear_contextvars()
        logs.logging.getLogger().handlers = []
        logs.configure(SETTINGS.log_level)
    lines = [json.loads(line) for line in capsys.readouterr().err.splitlines()]
    assert [one["request_id"] for one in lines] == ["0042", "0042"]
    assert lines[0]["error"] == lines[1]["error"] == "ValueError"
    assert any("test_operating.py" in frame for frame in lines[0]["frames"])
    assert not any(word in json.dumps(lines) for word in ("Ama", "tulip"))


def logging_of_a_library() -> None:
    try:
        raise ValueError("Ama again")
    except ValueError:
        logs.logging.getLogger("uvicorn.error").exception("Exception in ASGI application")


def test_a_day_is_the_school_s_day(
    work: UnitOfWork, engraver: Engraver, printer: Printer, solver: Worker, kestrel: Place
) -> None:
    """Two zones 25 hours apart never have the same date."""
    app = create_app(
        SETTINGS.model_copy(update={"today": None, "clock": None}), work, engraver, printer, solver
    )
    client = signed_in(TestClient(app, headers=OURS, base_url="http://testserver"), kestrel)

    def today_in(zone: str) -> date:
        kept = client.put("/api/school", json={"name": "Kestrel", "time_zone": zone})
        assert kept.status_code == 200
        return date.fromisoformat(client.get("/api/day").json()["today"])

    assert today_in("Pacific/Kiritimati") - today_in("Pacific/Pago_Pago") >= timedelta(days=1)
    refused = client.put("/api/school", json={"name": "Kestrel", "time_zone": "Hill/Top"})
    assert (refused.status_code, client.get("/api/school").json()["time_zone"]) == (409, "Pacific/Pago_Pago")


def test_sign_ins_that_ran_out_are_cleared(app_client: TestClient, kestrel: Place, work: UnitOfWork) -> None:
    with work.begin() as session:
        session.execute(
            text(
                "INSERT INTO sign_in (token_hash, teacher_id, created, expires) "
                "SELECT 'old', id, now(), '2026-01-01' FROM teacher LIMIT 1"
            )
        )
        session.execute(text("INSERT INTO failed_sign_in (login, moment) VALUES ('somebody', '2026-01-01')"))
    signed_in(app_client, kestrel)
    with work.begin() as session:
        assert session.scalar(text("SELECT count(*) FROM sign_in WHERE token_hash = 'old'")) == 0
        assert session.scalar(text("SELECT count(*) FROM failed_sign_in WHERE login = 'somebody'")) == 0
