"""A server process of its own on a database, and a browser's worth of connection to it."""

from __future__ import annotations

import http.client
import json
import os
import subprocess
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any

from sqlalchemy import Engine

from api.conftest import PASSWORD
from conftest import SETTINGS
from kopje.store.cluster import free_port


@dataclass(frozen=True)
class Browser:
    """Signed in."""

    connection: http.client.HTTPConnection
    headers: dict[str, str]

    def get(self, path: str) -> Any:
        return self._asked("GET", path, None)

    def post(self, path: str, body: bytes) -> Any:
        return self._asked("POST", path, body)

    def _asked(self, method: str, path: str, body: bytes | None) -> Any:
        """A connection that lay idle for some seconds is closed by the server, and opened again here."""
        for _ in range(2):
            try:
                self.connection.request(method, path, body, self.headers)
                return json.loads(self.connection.getresponse().read())
            except (http.client.RemoteDisconnected, ConnectionError):
                self.connection.close()
        raise ConnectionError(path)


def sign_in(port: int, login: str) -> Browser:
    connection = http.client.HTTPConnection("127.0.0.1", port)
    shipped = {"content-type": "application/json", "x-kopje-request": "1"}
    connection.request("POST", "/api/sign-in", json.dumps({"login": login, "password": PASSWORD}), shipped)
    answer = connection.getresponse()
    answer.read()
    return Browser(connection, {**shipped, "cookie": answer.headers["set-cookie"].split(";")[0]})


def another(browser: Browser) -> Browser:
    """A connection of its own, signed in as the first."""
    return Browser(http.client.HTTPConnection("127.0.0.1", browser.connection.port), browser.headers)


@contextmanager
def serving(engine: Engine, login: str) -> Iterator[Browser]:
    port, address = free_port(), engine.url.render_as_string(hide_password=False)
    now = SETTINGS.now().strftime("%Y-%m-%dT%H:%M")
    environment = {**os.environ, "KOPJE_DATABASE_URL": address, "KOPJE_PORT": str(port), "KOPJE_TODAY": now}
    command = [sys.executable, "-m", "kopje.cli", "serve"]
    server = subprocess.Popen(command, stdout=subprocess.PIPE, env=environment)
    try:
        assert server.stdout is not None
        said = server.stdout.readline()
        assert b"Kopje is at" in said, said
        browser = sign_in(port, login)
        yield browser
        browser.connection.close()
    finally:
        server.terminate()
        server.wait()
