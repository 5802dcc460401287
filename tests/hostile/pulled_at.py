"""For the proof: killed while marks arrive, guessed at while a teacher signs in; rights counted."""

from __future__ import annotations

import os
import shutil
import signal
import tempfile
import threading
import time
import uuid
from collections import Counter
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import httpx2 as httpx

from kopje.core.rights import OPEN, RIGHTS, ROLES, may
from store.test_comes_back import FIRST, Served

ROUNDS, MARKS = 12, 40
GUESSING = 30.0  # seconds
CHILDREN = "Ama\nJun\nTove\nKofi"


def kills() -> list[str]:
    """Every third time the database's first process, else the server, in the midst of marks."""
    folder = Path(tempfile.mkdtemp(prefix="kopje-proof-"))
    folder.chmod(0o755)
    served, told, killed = Served(folder), 0, Counter[str]()
    try:
        with served.ask() as client:
            school = {**FIRST, "section": {**FIRST["section"], "names": CHILDREN}}  # type: ignore[dict-item]
            assert client.post("/first-run", json=school).status_code == 201
            cookies = client.cookies
            section = client.get("/sections").json()[0]["id"]
            day = datetime.now(UTC).date().isoformat()
            children = [one["id"] for one in client.get(f"/sections/{section}/ledger").json()["children"]]
        device, lesson, acknowledged, number = str(uuid.uuid4()), str(uuid.uuid4()), 0, 0
        place = {"day": day, "starts": "09:00", "minutes": 30}
        for round_ in range(ROUNDS):
            with served.ask() as client:
                client.cookies = cookies
                for n in range(MARKS):
                    number += 1
                    one = _event(section, lesson, device, number)
                    if number == 1:
                        one |= {"kind": "started", "lesson": place, "parts": []}
                    else:
                        one |= _mark(children[n % len(children)])
                    if n == MARKS // 2:
                        killed[_kill(served, round_)] += 1
                    acknowledged += _sent(client, one)
                    told += 1
            if served.process.poll() is not None:
                served.process = served.start()
        with served.ask() as client:
            client.cookies = cookies
            while client.get("/me").status_code == 503:  # the database is on its way
                time.sleep(0.2)
            kept = 0
            for child in children:
                everything = client.get(f"/children/{child}/everything").json()
                kept += sum(one["kind"] == "marked" for one in everything["told"])
    finally:
        served.process.terminate()
        served.process.wait(60)
        shutil.rmtree(folder, ignore_errors=True)
    marks = acknowledged - 1  # the first event began the lesson
    return [
        f"{sum(killed.values())} kills -9 ({killed['server']} of the server, "
        f"{killed['database']} of the database) while {told} events were sent: {acknowledged} acknowledged, "
        f"{marks} of them marks; kept {kept}. Lost of the acknowledged: {max(marks - kept, 0)}."
    ]


def _event(section: str, lesson: str, device: str, number: int) -> dict[str, Any]:
    clock = datetime.now(UTC).isoformat()
    return {
        "id": str(uuid.uuid4()),
        "section_id": section,
        "lesson_id": lesson,
        "clock": clock,
        "device": device,
        "sequence": number,
    }


def _mark(child: str) -> dict[str, Any]:
    how = {"way": "sing", "voices": "alone", "help": "none", "result": "secure"}
    return {"kind": "marked", "child_id": child, "concept": "so-mi", **how}


def _sent(client: httpx.Client, one: dict[str, Any]) -> bool:
    """Whether it was acknowledged; what is not is sent no second time here."""
    try:
        answer = client.post("/events", json={"sent": one["clock"], "events": [one]})
    except httpx.HTTPError:
        return False
    return answer.status_code == 200 and answer.json()[0]["outcome"] == "taken"


def _kill(served: Served, round_: int) -> str:
    if round_ % 3 == 2:
        os.kill(int(served.pid_file.read_text().split()[0]), signal.SIGKILL)
        return "database"
    served.process.kill()
    served.process.wait()
    return "server"


def guesses() -> list[str]:
    """Sixteen at once guess at the teacher's password from one address, while she signs in on her device."""
    folder = Path(tempfile.mkdtemp(prefix="kopje-proof-"))
    folder.chmod(0o755)
    served, answers, over = Served(folder), Counter[int](), threading.Event()
    right = {"login": "noor", "password": FIRST["password"]}
    try:
        teacher = served.ask()
        assert teacher.post("/first-run", json=FIRST).status_code == 201

        def guess() -> None:
            with served.ask() as stranger:
                while not over.is_set():
                    wrong = {"login": "noor", "password": uuid.uuid4().hex}
                    answers[stranger.post("/sign-in", json=wrong).status_code] += 1

        threads = [threading.Thread(target=guess) for _ in range(16)]
        for one in threads:
            one.start()
        slowest, signed_in, started = 0.0, 0, time.monotonic()
        while time.monotonic() - started < GUESSING:
            began = time.monotonic()
            signed_in += teacher.post("/sign-in", json=right).status_code == 200
            slowest = max(slowest, time.monotonic() - began)
            time.sleep(1)
        over.set()
        for one in threads:
            one.join()
        teacher.close()
    finally:
        served.process.terminate()
        served.process.wait(60)
        shutil.rmtree(folder, ignore_errors=True)
    minutes = GUESSING / 60
    return [
        f"{sum(answers.values()) / minutes:.0f} tries a minute came, {answers[401] / minutes:.0f} of them "
        f"were looked at; meanwhile the teacher signed in {signed_in} times, at the slowest in "
        f"{slowest:.2f} s (wanted 2)."
    ]


def rights() -> list[str]:
    allowed = sum(may(role, one) for role in ROLES for one in RIGHTS)
    return [
        f"{len(RIGHTS)} operations x {len(ROLES)} roles: {allowed} allowed, "
        f"{len(RIGHTS) * len(ROLES) - allowed} refused; {len(OPEN)} are open to anybody. "
        "`make test` tries every one with every role."
    ]
