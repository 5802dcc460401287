"""What a screen said was taken is there once, whatever was killed or cut meanwhile; `make proof` tells of
10,000 marks."""

from __future__ import annotations

from hostile import outboxes


def test_nothing_is_lost_or_doubled_under_kills_and_cuts() -> None:
    found = outboxes.run(marks=240, servers=1, databases=1, cuts=2)
    assert (found.told, found.lost, found.doubled) == (240, 0, 0)
    assert sum(found.befell.values()) == 4
