"""Each rule has one home (docs/adr/0008-plans-facts-and-words.md): what looks like a second one is found."""

from __future__ import annotations

import re
from pathlib import Path

import pytest

SRC = Path(__file__).parents[2] / "src" / "kopje"
WEB = Path(__file__).parents[2] / "web" / "src"
HOMES = {
    "counts as taught": (
        r"tick.{0,12}[\"']done[\"'], ?[\"']partly[\"']\)|tick == \"done\"",
        {"core/planning/facts.py"},
    ),
    "left over": (r"tick (!=|not in).{0,30}done|role not in NOT_CARRIED", {"core/planning/facts.py"}),
    "secure enough": (r"(level|standing)\b.{0,12}(==|in) \(?[\"']secure[\"']", {"core/ledger/standing.py"}),
    "due": (r"last_full < |weeks\[-", {"core/ledger/standing.py"}),
    "what is taken back": (
        r"kind (==|!=) \"taken_back\" (and|or)",
        {"core/ledger/events.py", "store/events.py"},
    ),
    "ready": (r"\bTHRESHOLD\b", {"core/ledger/readiness.py"}),
    "what is carried over": (
        r"\[:CARRIED\]",
        {"usecases/lessons/propose_lesson.py", "core/planning/facts.py"},
    ),
}


@pytest.mark.parametrize("rule", HOMES)
def test_a_rule_has_one_home(rule: str) -> None:
    pattern, homes = HOMES[rule]
    files = [file for file in SRC.rglob("*.py") if "migrations" not in file.parts]
    found = {str(file.relative_to(SRC)) for file in files if re.search(pattern, file.read_text("utf-8"))}
    assert found, "the rule has moved; tell this test where to"
    assert found <= homes


def test_the_page_judges_nothing() -> None:
    """Standing, due and readiness come from the server; the page only shows them."""
    pages = [file for kind in ("*.vue", "*.ts") for file in WEB.rglob(kind) if ".spec." not in file.name]
    text = "\n".join(file.read_text("utf-8") for file in pages if "generated" not in file.parts)
    assert not re.search(r"(heard|secure) *(>=|>|/) *0?\.\d", text)
    assert not re.search(r"last_full|weeksAgo|dueBefore", text)
