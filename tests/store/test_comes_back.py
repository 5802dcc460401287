"""A school's data after what happens to laptops: it is found again, nobody else is hurt, and two do not use
it at once."""

from __future__ import annotations

import contextlib
import logging
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
from kopje.logs import LONGEST, OLDER, to_stderr
from kopje.settings import Settings
from kopje.store.cluster import Cluster, free_port
from kopje.store.migrate import unmigrate
from kopje.store.work import engine_for

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
        if "everything was copied to" in said:  # before an update
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


def test_a_cut_in_the_middle_of_a_migration_leaves_a_school_that_starts(folder: Path) -> None:
    """The update waits for a table in its midst; then the power goes for it and for the database."""
    served = Served(folder)
    with served.ask() as client:
        assert client.post("/first-run", json=FIRST).status_code == 201
    served.process.terminate()
    served.process.wait(60)
    cluster = Cluster(folder / "database").start()
    url = cluster.ensure("kopje")
    engine = engine_for(url)
    unmigrate(engine, "2026_12_16_doors")  # what comes after it touches the table below
    engine.dispose()
    updating = f"from kopje.store import work, migrate; migrate.migrate(work.engine_for({url!r}))"
    with contextlib.closing(psycopg.connect(cluster.conninfo("kopje"))) as other:
        other.execute("LOCK TABLE teacher IN ACCESS EXCLUSIVE MODE")
        process = subprocess.Popen([sys.executable, "-c", updating])
        with psycopg.connect(cluster.conninfo("kopje"), autocommit=True) as watching:
            waits = "SELECT count(*) FROM pg_locks WHERE NOT granted AND pid <> pg_backend_pid()"
            for _ in range(600):
                if watching.execute(waits).fetchone() != (0,):
                    break
                time.sleep(0.05)
            else:
                pytest.fail("the update never waited")
        process.kill()
        process.wait()
        assert cluster.process is not None
        os.kill(int(served.pid_file.read_text().split()[0]), signal.SIGKILL)
    cluster.stop()
    served.process = served.start()
    with served.ask() as client:
        signing_in = {"login": "noor", "password": FIRST["password"]}
        assert client.post("/sign-in", json=signing_in).status_code == 200
        assert [one["name"] for one in client.get("/sections").json()] == ["2A"]
        assert client.get("/school").headers["etag"] == '"/school:0"'  # of the newest tables
    assert list((folder / "backups").glob("kopje-*-before-update.zip"))


@pytest.fixture
def small_disk(folder: Path) -> Iterator[Path]:
    """A disk of 240 MB of its own; only root may make one."""
    place = folder / "disk"
    place.mkdir()
    made = subprocess.run(
        ["mount", "-t", "tmpfs", "-o", "size=240m", "tmpfs", str(place)], capture_output=True, check=False
    )
    if made.returncode:
        pytest.skip("this user may mount no disk of its own")
    place.chmod(0o755)
    yield place
    for served in SERVED:
        for process in served.started:
            process.terminate()
            process.wait(60)
    subprocess.run(["umount", "-l", str(place)], check=False)


def filled(disk: Path) -> Path:
    """The rest of a disk is taken by something else."""
    rest = disk / "something-else"
    with rest.open("wb", buffering=0) as stream, contextlib.suppress(OSError):
        while True:
            stream.write(bytes(1 << 16))
    return rest


def test_a_full_disk_is_said_and_nothing_that_was_kept_is_lost(small_disk: Path) -> None:
    served = Served(small_disk)
    song = b"X:1\nT:Long\nM:2/4\nK:C\n" + b"C2 E2|" * 300 + b"\n"
    with served.ask() as client:
        assert client.post("/first-run", json=FIRST).status_code == 201
        rest = filled(small_disk)
        kept, answer = 0, None
        for n in range(400):
            answer = client.post(
                "/songs", files=[("files", (f"{n}.abc", song.replace(b"Long", b"No %d" % n)))]
            )
            if answer.status_code != 201:
                break
            kept += 1
        assert answer is not None
        assert answer.status_code == 503, answer.text
        assert answer.json()["code"] in ("disk_full", "database_silent")
        assert answer.headers["Retry-After"]
        rest.unlink()
        for _ in range(300):  # a database that fell over is up again, by itself
            answer = client.post("/songs", files=[("files", ("last.abc", song))])
            if answer.status_code == 201:
                break
            time.sleep(0.2)
        assert answer.status_code == 201, answer.text
        assert client.get("/songs", params={"limit": 1}).json()["total"] >= kept + 1
    rest = filled(small_disk)
    served.kill_everything()
    rest.unlink()
    served.process = served.start()
    with served.ask() as client:
        signing_in = {"login": "noor", "password": FIRST["password"]}
        assert client.post("/sign-in", json=signing_in).status_code == 200
        assert client.get("/songs", params={"limit": 1}).json()["total"] >= kept + 1


def test_no_log_holds_a_child_s_name_and_none_grows_for_ever(folder: Path) -> None:
    served = Served(folder)
    with served.ask() as client:
        assert client.post("/first-run", json=FIRST).status_code == 201
        assert client.get("/sections", params={"name": "Amaryllis"}).status_code == 200
    with (
        Cluster(folder / "database").borrowed() as cluster,
        psycopg.connect(cluster.conninfo("kopje")) as connection,
    ):
        section = connection.execute("SELECT id, school_id FROM section").fetchone()
        assert section is not None
        child = "INSERT INTO child (id, school_id, section_id, name) VALUES (%s, %s, %s, 'Amaryllis')"
        with pytest.raises(psycopg.Error):  # its row would be told in the log
            connection.execute(child, (section[0], section[1], section[0]))
    served.process.terminate()
    served.process.wait(60)
    logs = [*(folder / "database" / "data" / "log").glob("*"), folder / "database" / "server.log"]
    logs += (folder / "logs").glob("*")
    said = "".join(one.read_text() for one in logs if one.exists())
    assert "null value in column" in said
    assert "Amaryllis" not in said
    to_stderr("info", folder / "logs")
    try:
        for n in range(30_000):
            logging.getLogger("kopje").info("line %d of a log that would grow for ever, and more of it", n)
    finally:
        logging.getLogger().handlers = []
    sizes = [one.stat().st_size for one in (folder / "logs").glob("kopje.log*")]
    assert 1 < len(sizes) <= OLDER + 1
    assert max(sizes) <= LONGEST
