"""A school's data after what happens to laptops: it is found again, nobody else is hurt, and two do not use
it at once."""

from __future__ import annotations

import os
import re
import shutil
import signal
import socket
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path

import httpx2 as httpx
import psycopg
import pytest

from kopje import cli
from kopje.settings import Settings
from kopje.store.cluster import Cluster, free_port

COMMAND = [sys.executable, "-m", "kopje.cli", "serve"]
OURS = {"x-kopje-request": "1"}
FIRST = {
    "school": "Hill",
    "teacher": "Noor",
    "login": "noor",
    "password": "a long password",
    "bring_songs": False,
    "code": "hill",
    "section": {"name": "2A", "grade": 2, "minutes": 30, "names": "Ama", "meetings": []},
}


SERVED: list[Served] = []


class Served:
    """`kopje serve` on a folder of its own."""

    def __init__(self, data: Path) -> None:
        SERVED.append(self)
        self.data, self.port = data, free_port()
        self.started: list[subprocess.Popen[str]] = []
        self.process = self.start()

    def environment(self, port: int) -> dict[str, str]:
        mine = {key: value for key, value in os.environ.items() if not key.startswith("KOPJE_")}
        return {**mine, "KOPJE_DATA": str(self.data), "KOPJE_PORT": str(port), "KOPJE_FIRST_CODE": "hill"}

    def start(self) -> subprocess.Popen[str]:
        process = subprocess.Popen(
            COMMAND, env=self.environment(self.port), stdout=subprocess.PIPE, text=True
        )
        self.started.append(process)
        assert process.stdout is not None
        said = process.stdout.readline()
        assert f"its data is in {self.data}/database" in said, said
        return process

    @property
    def pid_file(self) -> Path:
        return self.data / "database" / "data" / "postmaster.pid"

    def kill_everything(self) -> None:
        """As when the power goes: the database's first process, then the server."""
        os.kill(int(self.pid_file.read_text().split()[0]), signal.SIGKILL)
        self.process.kill()
        self.process.wait()

    def ask(self) -> httpx.Client:
        return httpx.Client(base_url=f"http://127.0.0.1:{self.port}/api", headers=OURS, timeout=60)


@pytest.fixture
def folder() -> Iterator[Path]:
    """Where the database's own user may go; what a failed test left running there is ended."""
    made = Path(tempfile.mkdtemp(prefix="kopje-back-"))
    made.chmod(0o755)
    yield made
    for served in SERVED:
        for process in served.started:
            process.terminate()
            process.wait(60)
    SERVED.clear()
    shutil.rmtree(made, ignore_errors=True)


def test_a_school_comes_back_after_a_power_cut_and_a_stranger_s_process_is_left_alone(folder: Path) -> None:
    served = Served(folder)
    with served.ask() as client:
        assert client.post("/first-run", json=FIRST).status_code == 201
    served.kill_everything()
    assert served.pid_file.exists()

    served.process = served.start()
    with served.ask() as client:
        assert (
            client.post("/sign-in", json={"login": "noor", "password": FIRST["password"]}).status_code == 200
        )
    served.process.terminate()
    served.process.wait(60)

    with subprocess.Popen(["sleep", "600"]) as stranger:
        served.pid_file.write_text(f"{stranger.pid}\n{folder}/database/data\n")
        served.process = served.start()
        second = subprocess.run(
            COMMAND, env=served.environment(free_port()), capture_output=True, text=True, check=False
        )
        assert second.returncode == 2
        assert re.search(rf"running already on port {served.port}", second.stderr)
        with served.ask() as client:
            assert client.get("/first-run").status_code == 200
        served.process.terminate()
        served.process.wait(60)
        assert stranger.poll() is None
        stranger.kill()


def test_an_interrupted_making_starts_over_and_a_taken_port_is_said(folder: Path) -> None:
    (folder / "database" / "data.half").mkdir(parents=True)
    (folder / "database" / "data.half" / "PG_VERSION").write_text("15\n")
    served = Served(folder)
    served.process.terminate()
    served.process.wait(60)
    with socket.socket() as other:
        other.bind(("127.0.0.1", served.port))
        other.listen()
        said = subprocess.run(
            COMMAND, env=served.environment(served.port), capture_output=True, text=True, check=False
        )
    assert said.returncode == 2
    assert f"Port {served.port} is taken" in said.stderr
    assert not served.pid_file.exists()


def test_a_school_of_an_earlier_version_is_moved_to_where_it_lasts(
    folder: Path, monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    monkeypatch.setattr(cli, "CHECKOUT", folder / "checkout")
    old = Cluster(folder / "checkout" / ".kopje" / "database", throw_away=True).start()  # without checksums
    with psycopg.connect(old.ensure("kopje").replace("+psycopg", ""), autocommit=True) as connection:
        connection.execute("CREATE TABLE kept (n int)")
    old.stop()
    cluster = cli._own_database(Settings(data=folder / "place"), demo=False)
    try:
        with psycopg.connect(cluster.conninfo("kopje")) as connection:
            assert connection.execute("SELECT count(*) FROM kept").fetchone() == (0,)
            assert connection.execute("SHOW data_checksums").fetchone() == ("on",)
    finally:
        cluster.stop()
    assert not old.folder.exists()
    assert "moved from" in capsys.readouterr().out


def test_a_database_that_is_killed_is_started_again_while_the_server_goes_on(folder: Path) -> None:
    served = Served(folder)
    signing_in = {"login": "noor", "password": FIRST["password"]}
    with served.ask() as client:
        assert client.post("/first-run", json=FIRST).status_code == 201
        for _ in range(2):
            first = served.pid_file.read_text().split()[0]
            os.kill(int(first), signal.SIGKILL)
            answers = []
            for _ in range(600):
                answers.append(client.get("/me"))
                if answers[-1].status_code == 200 and served.pid_file.read_text().split()[0] != first:
                    break
                time.sleep(0.1)
            assert {one.status_code for one in answers} <= {200, 503}
            assert answers[-1].status_code == 200
            for one in answers:
                assert one.status_code == 200 or (one.json()["code"], one.headers["Retry-After"]) == (
                    "database_silent",
                    "2",
                )
        assert client.post("/sign-in", json=signing_in).status_code == 200
        served.process.terminate()
        served.process.wait(60)
