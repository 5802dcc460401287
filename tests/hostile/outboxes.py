"""Devices that mark while the server and the database are killed and the network is cut, each sending again
what was not acknowledged, as the page's outbox does: is any mark lost or doubled?"""

from __future__ import annotations

import shutil
import socket
import tempfile
import threading
import time
import uuid
from collections import Counter
from contextlib import suppress
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from pathlib import Path
from random import Random
from typing import Any

import httpx2 as httpx

from hostile.pulled_at import CHILDREN, _event, _kill, _mark
from store.test_comes_back import FIRST, OURS, Served

BATCH = 20  # events a device sends at most at a time
AGAIN = 0.3  # seconds until it tries again
PIECE = 4096


class Cutting:
    """A network between devices and the server: passes bytes on, until it is cut in the midst of them."""

    def __init__(self, served: Served) -> None:
        self.served, self.open = served, set[socket.socket]()
        self.door = socket.create_server(("127.0.0.1", 0))
        self.port: int = self.door.getsockname()[1]
        threading.Thread(target=self._serve, daemon=True).start()

    def cut(self) -> None:
        """Whatever is on its way is not heard of any more."""
        for one in list(self.open):
            _shut(one)
        self.open.clear()

    def _serve(self) -> None:
        while True:
            try:
                near, _ = self.door.accept()
            except OSError:
                return
            threading.Thread(target=self._pass_on, args=(near,), daemon=True).start()

    def _pass_on(self, near: socket.socket) -> None:
        try:
            far = socket.create_connection(("127.0.0.1", self.served.port), timeout=30)
        except OSError:
            near.close()
            return
        self.open |= {near, far}
        back = threading.Thread(target=_pump, args=(far, near), daemon=True)
        back.start()
        _pump(near, far)
        back.join()
        self.open -= {near, far}


def _shut(one: socket.socket) -> None:
    """Also for whoever waits on it."""
    with suppress(OSError):
        one.shutdown(socket.SHUT_RDWR)
    one.close()


def _pump(source: socket.socket, sink: socket.socket) -> None:
    with suppress(OSError):
        while piece := source.recv(PIECE):
            sink.sendall(piece)
    _shut(source)
    _shut(sink)


@dataclass
class Device:
    """Keeps each mark before it sends it, and again until it is acknowledged. Its clock may be wrong."""

    port: int
    cookies: httpx.Cookies
    late: timedelta
    waiting: list[dict[str, Any]] = field(default_factory=list)
    kept: list[str] = field(default_factory=list)  # what its screen said was taken
    outcomes: Counter[str] = field(default_factory=Counter)

    def keep(self, one: dict[str, Any]) -> None:
        one["clock"] = (datetime.now(UTC) + self.late).isoformat()
        self.waiting.append(one)
        self.kept.append(one["id"])

    def send(self) -> None:
        """Until nothing waits."""
        with httpx.Client(
            base_url=f"http://127.0.0.1:{self.port}/api", headers=OURS, cookies=self.cookies, timeout=60
        ) as client:
            while self.waiting:
                batch = self.waiting[:BATCH]
                sent = (datetime.now(UTC) + self.late).isoformat()
                try:
                    answer = client.post("/events", json={"sent": sent, "events": batch})
                    told = answer.json() if answer.status_code == 200 else []
                except (httpx.HTTPError, ValueError):
                    told = []
                if not told:
                    self.outcomes["again"] += 1
                    time.sleep(AGAIN)
                    continue
                self.outcomes.update(one["outcome"] for one in told)
                done = {one["id"] for one in told}
                self.waiting = [one for one in self.waiting if one["id"] not in done]


@dataclass(frozen=True)
class Found:
    """`told`: marks that a screen said were taken; `kept` by the server, once each; what was lost or doubled,
    and what befell it meanwhile."""

    told: int
    kept: int
    lost: int
    doubled: int
    befell: Counter[str]
    tried_again: int

    def line(self) -> str:
        befell = ", ".join(f"{count} × {what}" for what, count in sorted(self.befell.items()))
        return (
            f"{befell} while {self.told} marks were made on two devices whose clocks are 20 minutes apart "
            f"({self.tried_again} sendings had no answer): kept {self.kept}, lost {self.lost}, "
            f"doubled {self.doubled}."
        )


def run(marks: int, servers: int, databases: int, cuts: int) -> Found:
    """So many marks from two devices of one teacher in one section, under so many kills and cuts."""
    folder = Path(tempfile.mkdtemp(prefix="kopje-outbox-"))
    folder.chmod(0o755)
    served, chance, befell = Served(folder), Random(5), Counter[str]()
    network = Cutting(served)
    try:
        with served.ask() as client:
            school = {**FIRST, "section": {**FIRST["section"], "names": CHILDREN}}  # type: ignore[dict-item]
            assert client.post("/first-run", json=school).status_code == 201
            cookies = client.cookies
            section = client.get("/sections").json()[0]["id"]
            children = [one["id"] for one in client.get(f"/sections/{section}/ledger").json()["children"]]
        devices = [Device(network.port, cookies, timedelta(minutes=by)) for by in (-10, 10)]
        _begin(devices[0], section, lesson := str(uuid.uuid4()))
        blows = ["server killed"] * servers + ["database killed"] * databases + ["network cut"] * cuts
        chance.shuffle(blows)
        rounds = len(blows) or 1
        names = [str(uuid.uuid4()) for _ in devices]
        for number in range(rounds):
            for device, name in zip(devices, names, strict=True):
                for n in range(-(-marks // (rounds * len(devices)))):
                    count = number * marks + n + 2
                    device.keep(_event(section, lesson, name, count) | _mark(children[n % len(children)]))
            senders = [threading.Thread(target=device.send) for device in devices]
            for one in senders:
                one.start()
            if blows:
                time.sleep(chance.uniform(0.02, 0.3))
                befell[blows[number]] += 1
                _strike(blows[number], served, network)
            for one in senders:
                one.join()
        return _count(served, cookies, devices, befell)
    finally:
        network.door.close()
        served.process.terminate()
        served.process.wait(60)
        shutil.rmtree(folder, ignore_errors=True)


def _begin(device: Device, section: str, lesson: str) -> None:
    place = {"day": datetime.now(UTC).date().isoformat(), "starts": "09:00", "minutes": 30}
    begun = _event(section, lesson, str(uuid.uuid4()), 1)
    device.waiting.append(begun | {"kind": "started", "lesson": place, "parts": []})
    device.send()


def _strike(blow: str, served: Served, network: Cutting) -> None:
    if blow == "network cut":
        network.cut()
        return
    _kill(served, 2 if blow == "database killed" else 0)
    if served.process.poll() is not None:
        served.process = served.start()


def _count(served: Served, cookies: httpx.Cookies, devices: list[Device], befell: Counter[str]) -> Found:
    with served.ask() as client:
        client.cookies = cookies
        while client.get("/me").status_code == 503:  # the database is on its way
            time.sleep(0.2)
        kept = Counter(one["id"] for one in client.get("/export/marks").json())
    told = {one for device in devices for one in device.kept}
    again = sum(device.outcomes["again"] for device in devices)
    doubled = sum(count - 1 for count in kept.values())
    return Found(len(told), len(told & set(kept)), len(told - set(kept)), doubled, befell, again)
